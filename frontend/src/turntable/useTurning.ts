import { useMemo, useState } from "react";
import type { Quaternion } from "three";

import type { Side } from "../api/types";
import {
  type Attitude,
  nearestAttitude,
  tipped,
  turned,
  turnOf,
  turnOfCorner,
  usual,
} from "./attitude";

/** A turntable in hand: it comes to rest on one of the 24 attitudes, and shows the equal-axis view before. */
export function useTurning(up: Side) {
  const [attitude, setAttitude] = useState<Attitude | null>(null);
  const turn = useMemo(
    () => (attitude ? turnOf(attitude) : turnOfCorner("+-+", up)),
    [attitude, up],
  );
  const shown = attitude ?? (up[1] === "y" ? usual("-y") : { side: "-y" as const, up });
  return {
    attitude,
    setAttitude,
    /** What the turntable needs to be turned by. */
    hands: {
      turn,
      onTurned: (reached: Quaternion) => setAttitude(nearestAttitude(reached)),
      onTip: (way: "left" | "right" | "up" | "down") => setAttitude(tipped(shown, way)),
      onRoll: (quarters: number) => setAttitude(turned(shown, quarters)),
    },
  };
}
