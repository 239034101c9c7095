import { Group, NumberInput, Text } from "@mantine/core";
import { useState } from "react";

import type { Task } from "../api/types";
import { t } from "../frame/language";

/** No line that is off by more is where it belongs: the most the service takes. */
const MOST = 10;

interface Props {
  task: Task;
  onChange: (own: Partial<Task>) => void;
}

/** How far lines may be off their place: drawn with a program, and by hand on paper. */
export function ExactnessFields({ task, onChange }: Props) {
  const byHand = (own: Partial<Task["by_hand"]>) =>
    onChange({ by_hand: { ...task.by_hand, ...own } });
  return (
    <>
      <Group grow align="end">
        <Amount
          label={t("Lines off by (mm)")}
          value={task.tolerance_mm}
          least={0.05}
          onChange={(tolerance_mm) => onChange({ tolerance_mm })}
        />
        <Amount
          label={t("Drawn by hand (mm)")}
          value={task.by_hand.tolerance_mm}
          least={0.05}
          onChange={(tolerance_mm) => byHand({ tolerance_mm })}
        />
        <Amount
          label={t("and askew by (°)")}
          value={task.by_hand.degrees}
          least={0}
          onChange={(degrees) => byHand({ degrees })}
        />
      </Group>
      <Text className="quiet small" mt={4}>
        {t("Whether a scanned sheet is drawn by hand is seen by its lines.")}
      </Text>
    </>
  );
}

interface AmountProps {
  label: string;
  value: number;
  least: number;
  onChange: (value: number) => void;
}

/** A number that is never empty: what is none, or too small or large, leaves it as it was, and is gone once left. */
function Amount({ label, value, least, onChange }: AmountProps) {
  const [typed, setTyped] = useState<number | string>(value);
  return (
    <NumberInput
      label={label}
      min={least}
      max={MOST}
      step={0.1}
      decimalScale={2}
      clampBehavior="none"
      value={typed}
      onChange={(next) => {
        setTyped(next);
        if (typeof next === "number" && next >= least && next <= MOST) onChange(next);
      }}
      onBlur={() => setTyped(value)}
    />
  );
}
