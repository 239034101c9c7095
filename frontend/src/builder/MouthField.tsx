import { Group, SegmentedControl, Text } from "@mantine/core";

import { terms } from "../frame/words";
import { t } from "../frame/language";
import type { Loose } from "./features";
import { SizeInput } from "./SizeInput";

type Num = number | string;

interface Props {
  loose: Loose;
  set: (change: Record<string, unknown>) => void;
}

/** The mouth of a hole: plain, counterbored or countersunk. */
export function MouthField({ loose, set }: Props) {
  const bore = loose["counterbore"] as { diameter: Num; depth: Num } | null;
  const sink = loose["countersink"] as { diameter: Num; angle: Num } | null;
  const diameter = typeof loose["diameter"] === "number" ? loose["diameter"] : 10;
  const wide = Math.round(diameter * 1.8 * 2) / 2;
  const choose = (mouth: string) =>
    set({
      counterbore: mouth === "counterbore" ? { diameter: wide, depth: diameter / 2 } : null,
      countersink: mouth === "countersink" ? { diameter: wide, angle: 90 } : null,
    });
  return (
    <div>
      <Text size="xs" fw={500}>
        {t("Mouth")}
      </Text>
      <SegmentedControl
        size="xs"
        fullWidth
        data={terms(["plain", "counterbore", "countersink"])}
        value={bore ? "counterbore" : sink ? "countersink" : "plain"}
        onChange={choose}
      />
      {bore && (
        <Group grow gap={6}>
          <SizeInput
            label={t("Its diameter")}
            value={bore.diameter}
            onChange={(value) => set({ counterbore: { ...bore, diameter: value } })}
          />
          <SizeInput
            label={t("Its depth")}
            value={bore.depth}
            onChange={(value) => set({ counterbore: { ...bore, depth: value } })}
          />
        </Group>
      )}
      {sink && (
        <Group grow gap={6}>
          <SizeInput
            label={t("Its diameter")}
            value={sink.diameter}
            onChange={(value) => set({ countersink: { ...sink, diameter: value } })}
          />
          <SizeInput
            label={t("Its angle, °")}
            value={sink.angle}
            onChange={(value) => set({ countersink: { ...sink, angle: value } })}
          />
        </Group>
      )}
    </div>
  );
}
