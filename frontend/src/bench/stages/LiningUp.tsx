import { Switch, Text } from "@mantine/core";

import { t } from "../../frame/language";
import type { Bench } from "../bench";

/** How views come into line when they are moved: as the exercise has it, and the drafter. */
export function LiningUp({ bench }: { bench: Bench }) {
  const asked = bench.answering ? "help" : bench.exercise.task.snapping;
  if (asked === "fixed")
    return (
      <Text className="quiet small" mt="md">
        {t("Views are held in line here and move with their kin.")}
      </Text>
    );
  return (
    <>
      {asked === "help" && (
        <Switch
          mt="md"
          size="sm"
          label={t("Snap to the front view's projection lines")}
          checked={bench.snapping}
          onChange={(e) => bench.setSnapping(e.currentTarget.checked)}
        />
      )}
      <Switch
        mt={8}
        size="sm"
        label={t("Move a view with its kin")}
        checked={bench.kin}
        onChange={(e) => bench.setKin(e.currentTarget.checked)}
      />
    </>
  );
}
