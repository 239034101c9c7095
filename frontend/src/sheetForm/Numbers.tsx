import { Group, NumberInput } from "@mantine/core";

/** Lengths side by side, in steps of half a millimetre. */
export function Numbers({
  labels,
  least,
  values,
  set,
}: {
  labels: string[];
  least?: number;
  values: number[];
  set: (k: number, value: number) => void;
}) {
  return (
    <Group grow gap={6}>
      {labels.map((label, k) => (
        <NumberInput
          key={label}
          size="xs"
          label={label}
          step={0.5}
          decimalScale={3}
          min={least}
          value={values[k]}
          onChange={(value) => typeof value === "number" && set(k, value)}
        />
      ))}
    </Group>
  );
}
