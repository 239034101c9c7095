import { t } from "../../frame/language";
import { useTurning } from "../../turntable/useTurning";
import type { Bench } from "../bench";

/** The exercise's part on the turntable of the bench. */
export function useBenchTurning(bench: Bench) {
  const { attitude, setAttitude, hands } = useTurning(bench.up);
  return {
    attitude,
    setAttitude,
    view: {
      ...hands,
      model: bench.exercise.model,
      label: t("{{part}}; drag, turn the wheel or use the arrow keys to turn it", {
        part: bench.exercise.part_name,
      }),
    },
  };
}
