import { useMemo, useState } from "react";
import type { Quaternion } from "three";

import {
  type Attitude,
  nearestAttitude,
  tipped,
  turned,
  turnOf,
  turnOfCorner,
} from "../../turntable/attitude";
import type { Bench } from "../bench";

/** The turntable in hand: it comes to rest on one of the 24 attitudes. */
export function useTurning(bench: Bench) {
  const [attitude, setAttitude] = useState<Attitude | null>(null);
  const turn = useMemo(
    () => (attitude ? turnOf(attitude) : turnOfCorner("+-+", bench.up)),
    [attitude, bench.up],
  );
  const shown: Attitude = attitude ?? { side: "-y", up: bench.up[1] === "y" ? "+z" : bench.up };
  return {
    attitude,
    setAttitude,
    view: {
      model: bench.exercise.model,
      turn,
      onTurned: (reached: Quaternion) => setAttitude(nearestAttitude(reached)),
      onTip: (way: "left" | "right" | "up" | "down") => setAttitude(tipped(shown, way)),
      onRoll: (quarters: number) => setAttitude(turned(shown, quarters)),
      label: `${bench.exercise.part_name}; drag or use the arrow keys to turn it`,
    },
  };
}
