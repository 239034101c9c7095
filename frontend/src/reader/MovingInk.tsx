import { useEffect, useRef } from "react";

import type { InkGroup, Point } from "../api/types";
import { InkPiece } from "../drawing/Ink";
import classes from "./Reader.module.css";
import type { Reader } from "./useReader";

const OPEN = "#2c7a70";
/** Arrows shorter than this (mm on paper) are not drawn. */
const LEAST_ARROW_MM = 1;

interface Props {
  reader: Reader;
  groups: readonly InkGroup[];
  height: number;
}

/** Over the sheet: the lines that are open, moving; the dimensions of the chosen chain, lit as a loop. */
export function MovingInk({ reader, groups, height }: Props) {
  const open = reader.chosen === null ? undefined : reader.reading?.open[reader.chosen];
  const chain = reader.chain === null ? undefined : reader.reading?.chains[reader.chain];
  const members = new Set(chain?.members);
  return (
    <g pointerEvents="none" data-testid="moving-ink">
      {open?.lines.map((line, index) => (
        <MovingLine key={index} reader={reader} {...line} height={height} />
      ))}
      <g style={{ color: "var(--fault)" }} data-testid="lit-chain">
        {groups
          .filter((group) => group.role === "dimension" && members.has(group.id))
          .flatMap((group) =>
            group.items.map((item, index) => (
              <InkPiece key={`${group.id}-${index}`} item={item} height={height} />
            )),
          )}
      </g>
    </g>
  );
}

interface LineProps {
  reader: Reader;
  points: Point[];
  moves: Point[];
  height: number;
}

function MovingLine({ reader, points, moves, height }: LineProps) {
  const line = useRef<SVGPolylineElement>(null);
  const { swing } = reader;
  useEffect(
    () =>
      swing.watch((value) => {
        const at = points.map(([x, y], k) => {
          const [dx, dy] = moves[k] ?? [0, 0];
          return `${x + value * dx},${height - y - value * dy}`;
        });
        line.current?.setAttribute("points", at.join(" "));
      }),
    [swing, points, moves, height],
  );
  const middle = Math.floor(points.length / 2);
  return (
    <>
      <polyline
        ref={line}
        fill="none"
        stroke={OPEN}
        className={classes.open}
        strokeLinejoin="round"
      />
      {reader.still && <Arrow from={points[middle]!} move={moves[middle]!} height={height} />}
    </>
  );
}

/** Where a point could go, for a picture that stands still. */
function Arrow({
  from: [x, y],
  move: [dx, dy],
  height,
}: {
  from: Point;
  move: Point;
  height: number;
}) {
  const length = Math.hypot(dx, dy);
  if (length < LEAST_ARROW_MM) return null;
  const [ux, uy] = [dx / length, dy / length];
  const tip: Point = [x + dx, y + dy];
  const barb = (side: number): Point => [
    tip[0] - 2.2 * ux - side * 0.9 * uy,
    tip[1] - 2.2 * uy + side * 0.9 * ux,
  ];
  const corners = [tip, barb(1), barb(-1)].map(([a, b]) => `${a},${height - b}`).join(" ");
  return (
    <g data-testid="open-arrow">
      <line
        x1={x}
        y1={height - y}
        x2={tip[0]}
        y2={height - tip[1]}
        stroke={OPEN}
        className={classes.way}
      />
      <polygon points={corners} fill={OPEN} />
    </g>
  );
}
