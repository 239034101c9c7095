import type { Point } from "../api/types";

/** A place on a sheet that is spoken of. */
export function Spot({ at, height }: { at: Point; height: number }) {
  return (
    <g
      transform={`translate(${at[0]} ${height - at[1]})`}
      fill="none"
      stroke="#7a3b86"
      strokeWidth={0.5}
      pointerEvents="none"
      data-testid="spot"
    >
      <path d="M-6 0H6M0-6V6" />
      <circle r={3} />
    </g>
  );
}
