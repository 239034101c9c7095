import type { Ink, Point, SheetDocument } from "../api/types";
import { RADIUS } from "./apart";
import classes from "./Bench.module.css";
import type { Bench, Tool } from "./bench";
import { legsAround } from "./dimensionMade";
import { askedDirection, directionByPlace, type Pick } from "./geometry";
import { rowMade } from "./rows";

type Flip = (p: Point) => Point;

export function ends(a: Point, b: Point) {
  return { x1: a[0], y1: a[1], x2: b[0], y2: b[1] };
}

/** A thing pointed at. */
export function Shown({ pick, flip }: { pick: Pick; flip: Flip }) {
  if (pick.kind === "circle") {
    const [cx, cy] = flip(pick.centre);
    return <circle cx={cx} cy={cy} r={pick.radius} className={classes.aimed} />;
  }
  const [x, y] = flip(pick.at);
  return (
    <>
      {pick.kind === "line" && (
        <line {...ends(flip(pick.start), flip(pick.end))} className={classes.aimed} />
      )}
      <g transform={`translate(${x} ${y})`}>
        <rect className={classes.point} x={-1.3} y={-1.3} width={2.6} height={2.6} fill="#fffdf8" />
      </g>
    </>
  );
}

interface GhostProps {
  tool: Tool;
  taken: Pick[];
  place: Point;
  flip: Flip;
}

/** Where the dimension would stand. */
export function Ghost({ tool, taken, place, flip }: GhostProps) {
  const [first, second] = taken;
  if (tool === "balloon" && first) return <BalloonGhost tip={flip(first.at)} at={flip(place)} />;
  if (first?.kind === "circle") return <line {...ends(flip(first.centre), flip(place))} />;
  if (tool === "chamfer" && first?.kind === "line") {
    const middle: Point = [
      (first.start[0] + first.end[0]) / 2,
      (first.start[1] + first.end[1]) / 2,
    ];
    return <line {...ends(flip(middle), flip(place))} />;
  }
  if (tool === "angle" && first?.kind === "line" && second?.kind === "line") {
    const legs = legsAround(first, second, place);
    if (!legs) return null;
    const [cx, cy] = flip(legs[0]);
    return <circle cx={cx} cy={cy} r={Math.hypot(place[0] - legs[0][0], place[1] - legs[0][1])} />;
  }
  if (!first || !second) return null;
  const along = askedDirection(first, second) ?? directionByPlace(first.at, second.at, place);
  const foot = (p: Point): Point => (along === "across" ? [p[0], place[1]] : [place[0], p[1]]);
  const [a, b] = along === "aligned" ? [first.at, second.at] : [foot(first.at), foot(second.at)];
  return (
    <>
      <line {...ends(flip(first.at), flip(a))} className={classes.aimThin} />
      <line {...ends(flip(second.at), flip(b))} className={classes.aimThin} />
      <line {...ends(flip(a), flip(b))} />
    </>
  );
}

/** Where a balloon would stand. */
function BalloonGhost({ tip, at }: { tip: Point; at: Point }) {
  return (
    <>
      <line {...ends(tip, at)} className={classes.aimThin} />
      <circle cx={at[0]} cy={at[1]} r={RADIUS} />
    </>
  );
}

interface RowGhostProps {
  bench: Bench;
  ink: Ink;
  drawn: SheetDocument;
  taken: Pick[];
  place: Point;
  flip: Flip;
}

/** Where the sizes of a row would stand. */
export function RowGhost({ bench, ink, drawn, taken, place, flip }: RowGhostProps) {
  const made = rowMade(taken, place, bench.rowManner, ink, drawn, bench.draft.document);
  return (
    <>
      {made.map((size) => {
        const view = drawn.views.find((v) => v.id === size.view);
        const factor = ink.views.find((v) => v.id === size.view)?.factor ?? 1;
        if (!view) return null;
        const point = ([x, y]: Point): Point => [view.at[0] + factor * x, view.at[1] + factor * y];
        const level: Point = [view.at[0] + size.place[0], view.at[1] + size.place[1]];
        const foot = ([x, y]: Point): Point =>
          size.along === "across" ? [x, level[1]] : [level[0], y];
        const [a, b] = [point(size.start), point(size.end)];
        return (
          <g key={size.id}>
            <line {...ends(flip(a), flip(foot(a)))} className={classes.aimThin} />
            <line {...ends(flip(b), flip(foot(b)))} className={classes.aimThin} />
            <line {...ends(flip(foot(a)), flip(foot(b)))} />
          </g>
        );
      })}
    </>
  );
}
