import { Group, SegmentedControl, Select, Text } from "@mantine/core";

import { t } from "../frame/language";
import type { Loose } from "./features";
import { SizeInput } from "./SizeInput";

type Num = number | string;

interface Props {
  loose: Loose;
  set: (change: Record<string, unknown>) => void;
}

/** How repeated features are spread: each a step further, or evenly round an axis. */
export function SpreadField({ loose, set }: Props) {
  const step = loose["step"] as Num[] | null;
  const about = loose["about"] as string | null;
  const at = (loose["at"] as Num[] | undefined) ?? [0, 0, 0];
  const triple = (label: string, values: Num[], key: string) => (
    <div>
      <Text size="xs" fw={500}>
        {label}
      </Text>
      <Group grow gap={6}>
        {(["X", "Y", "Z"] as const).map((axis, k) => (
          <SizeInput
            key={axis}
            aria-label={`${label} ${axis}`}
            value={values[k] ?? 0}
            onChange={(value) => set({ [key]: values.with(k, value ?? 0) })}
          />
        ))}
      </Group>
    </div>
  );
  return (
    <>
      <SegmentedControl
        size="xs"
        fullWidth
        data={[
          { value: "row", label: t("in a row") },
          { value: "round", label: t("round an axis") },
        ]}
        value={about ? "round" : "row"}
        onChange={(way) =>
          set(way === "row" ? { step: [20, 0, 0], about: null } : { step: null, about: "z" })
        }
      />
      {step && triple(t("Each further by"), step, "step")}
      {about && (
        <>
          <Select
            size="xs"
            label={t("Axis")}
            data={["x", "y", "z"].map((value) => ({ value, label: value.toUpperCase() }))}
            value={about}
            allowDeselect={false}
            onChange={(value) => value && set({ about: value })}
          />
          {triple(t("The axis passes through"), at, "at")}
        </>
      )}
    </>
  );
}
