import type { Ink as InkForm, Paper, SheetDocument } from "../api/types";
import type { Box } from "../paper/Paper";
import classes from "./Bench.module.css";
import { TINTS } from "../theme";
import { attitudeOf } from "./viewGraph";

/** The grid of the drafting paper, counted from its lower left corner. */
export function PaperGrid({ step, paper }: { step: number; paper: Paper }) {
  return (
    <g pointerEvents="none">
      <pattern
        id="paper-grid"
        width={step}
        height={step}
        y={paper.height % step}
        patternUnits="userSpaceOnUse"
      >
        <path d={`M${step} 0H0V${step}`} fill="none" stroke="#8a8069" strokeWidth={0.12} />
      </pattern>
      <rect width={paper.width} height={paper.height} fill="url(#paper-grid)" opacity={0.7} />
    </g>
  );
}

/** How wide the white space is beside, between and beyond the views of the front view's row and column. */
export function WhiteSpace({ ink }: { ink: InkForm }) {
  const height = ink.paper.height;
  return (
    <g pointerEvents="none" stroke="#2c7a70" fill="#2c7a70" data-testid="white-space">
      {ink.spaces.map(({ start, end, written }) => {
        const level = start[1] === end[1];
        const [x, y] = [(start[0] + end[0]) / 2, height - (start[1] + end[1]) / 2];
        return (
          <g key={`${start.join()}-${end.join()}`}>
            <line
              x1={start[0]}
              y1={height - start[1]}
              x2={end[0]}
              y2={height - end[1]}
              strokeWidth={0.4}
              strokeDasharray="1 1"
            />
            <text
              x={level ? x : x + 1.5}
              y={level ? y - 1.5 : y}
              textAnchor={level ? "middle" : "start"}
              fontSize={4.6}
              stroke="#fffdf8"
              strokeWidth={1}
              paintOrder="stroke"
            >
              {written}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** A thin band in the tint of the side each view shows, so that view and model are told together. */
export function Bands({
  shown,
  ink,
  drawn,
}: Record<"shown" | "drawn", SheetDocument> & { ink: InkForm }) {
  return (
    <>
      {ink.views.map((facts) => {
        const view = shown.views.find((v) => v.id === facts.id);
        const then = drawn.views.find((v) => v.id === facts.id);
        const side = attitudeOf(view)?.side;
        if (!view || !side || !then || facts.box[0] === facts.box[2]) return null;
        const tint = TINTS[side[1] as keyof typeof TINTS];
        const [dx, dy] = [view.at[0] - then.at[0], view.at[1] - then.at[1]];
        const [left, bottom, right] = facts.box;
        return (
          <rect
            key={facts.id}
            x={left + dx}
            y={ink.paper.height - bottom - dy + 1.2}
            width={right - left}
            height={1.4}
            fill={tint}
            opacity={0.75}
            pointerEvents="none"
          />
        );
      })}
    </>
  );
}

/** Thin lines across the sheet from the edges of a view: what is folded out from it stands between two of them. */
export function AcrossFrom({ box, paper }: { box: Box | null; paper: Paper }) {
  if (!box) return null;
  const [left, bottom, right, top] = box;
  return (
    <g pointerEvents="none" stroke="#2c7a70" className={classes.across} data-testid="across">
      {[bottom, top].map((y) => (
        <line key={`y${y}`} x1={0} x2={paper.width} y1={paper.height - y} y2={paper.height - y} />
      ))}
      {[left, right].map((x) => (
        <line key={`x${x}`} x1={x} x2={x} y1={0} y2={paper.height} />
      ))}
    </g>
  );
}

/** Where a view would lie on another one, and is not set down. */
export function Occupied({ box, paper }: { box: Box; paper: Paper }) {
  return (
    <rect
      data-testid="occupied"
      pointerEvents="none"
      className={classes.occupied}
      x={box[0] - 2}
      y={paper.height - box[3] - 2}
      width={box[2] - box[0] + 4}
      height={box[3] - box[1] + 4}
    />
  );
}
