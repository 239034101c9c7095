import { memo } from "react";

import type { InkGroup } from "../api/types";
import classes from "./Bench.module.css";

interface Props {
  /** The ink as it is shown, and as it was made. */
  group: InkGroup;
  from: InkGroup;
  height: number;
  onTake: (event: React.PointerEvent, group: InkGroup) => void;
}

/** Where a thing can be taken hold of: the whole box of a view, the lines of a dimension or mark. */
export const HitArea = memo(function HitArea({ group, from, height, onTake }: Props) {
  const common = {
    onPointerDown: (event: React.PointerEvent) => onTake(event, from),
    style: { cursor: "grab" },
  };
  if (group.role === "view") {
    const [left, bottom, right, top] = group.box;
    return (
      <rect
        x={left - 2}
        y={height - top - 2}
        width={right - left + 4}
        height={top - bottom + 4}
        fill="transparent"
        {...common}
      />
    );
  }
  return (
    <g
      stroke="transparent"
      className={classes.reach}
      fill="none"
      pointerEvents="stroke"
      {...common}
    >
      {group.items.map((item, index) => {
        if (item.kind === "stroke")
          return (
            <polyline
              key={index}
              points={item.points.map(([x, y]) => `${x},${height - y}`).join(" ")}
            />
          );
        if (item.kind === "text")
          return (
            <circle
              key={index}
              cx={item.at[0]}
              cy={height - item.at[1] - item.height / 2}
              r={item.height}
              fill="transparent"
              pointerEvents="all"
            />
          );
        return null;
      })}
    </g>
  );
});
