import { useEffect, useMemo, useRef, useState } from "react";

import { term } from "../frame/words";
import { t } from "../frame/language";
import type { Ink, Point, SheetDocument } from "../api/types";
import { usePaperScale } from "../paper/Paper";
import { type AxisLine, axisLines, nearestAxis, viewOf } from "./axes";
import type { Bench } from "./bench";
import classes from "./Bench.module.css";
import { dimensionMade, fits, kindsFor, legsAround, picksNeeded } from "./dimensionMade";
import {
  askedDirection,
  directionByPlace,
  inView,
  nearest,
  nextId,
  nextPoint,
  type Pick,
  pickables,
  REACH_PX,
  WAYS,
} from "./geometry";

interface Props {
  bench: Bench;
  ink: Ink;
  drawn: SheetDocument;
  toSheet: (event: React.PointerEvent) => Point;
}

const KEY_STEP_MM = 2;

/** What the tool in hand is doing on the sheet: pointing at things, and setting down what was asked for. */
export function ToolLayer({ bench, ink, drawn, toSheet }: Props) {
  const scale = usePaperScale();
  const { tool, draft } = bench;
  const surface = useRef<SVGRectElement>(null);
  const [hover, setHover] = useState<Pick | null>(null);
  const [axis, setAxis] = useState<AxisLine | null>(null);
  const [taken, setTaken] = useState<Pick[]>([]);
  const [place, setPlace] = useState<Point | null>(null);
  const every = useMemo(() => pickables(ink, drawn), [ink, drawn]);
  const picks = useMemo(
    () => every.filter((pick) => fits(tool, taken, pick)),
    [every, tool, taken],
  );
  const axes = useMemo(() => axisLines(ink, drawn), [ink, drawn]);
  useEffect(() => {
    setTaken([]);
    setPlace(null);
    setHover(null);
    setAxis(null);
  }, [tool]);
  useEffect(() => surface.current?.focus(), [tool]);

  const needed = picksNeeded(tool);
  const placing = needed > 0 && taken.length === needed;
  const kinds = kindsFor(tool);

  const pointing = tool === "leader";
  const pointAt = (at: Point) => {
    if (placing || pointing) {
      setPlace(at);
      return;
    }
    if (tool === "centre line") setAxis(nearestAxis(axes, at, REACH_PX / scale));
    else setHover(nearest(picks, at, REACH_PX / scale, kinds, taken[0]?.view));
  };
  const act = () => {
    if (pointing && place) {
      const chosen = bench.selection?.id;
      draft.change((now) => ({
        ...now,
        notes: now.notes.map((n) => (n.id === chosen ? { ...n, leader: place } : n)),
      }));
      bench.setTool("move");
      return;
    }
    if (placing && place) {
      const made = dimensionMade(tool, taken, place, ink, drawn, draft.document);
      if (made) draft.change((now) => ({ ...now, dimensions: [...now.dimensions, made] }));
      setTaken([]);
      setPlace(null);
      return;
    }
    if (tool === "centre line" && axis) {
      const id = nextId("m", draft.document.marks);
      draft.change((now) => ({
        ...now,
        marks: [
          ...now.marks,
          { kind: "line", id, view: axis.view, start: axis.start, end: axis.end, beyond: 3 },
        ],
      }));
      setAxis(null);
      return;
    }
    if (!hover) return;
    if (tool === "centre mark" && hover.kind === "circle") {
      const { view, factor } = viewOf(hover.view, drawn, ink);
      const id = nextId("m", draft.document.marks);
      const centre = inView(hover.centre, view, factor);
      draft.change((now) => ({
        ...now,
        marks: [
          ...now.marks,
          { kind: "mark", id, view: hover.view, centre, radius: hover.radius / factor },
        ],
      }));
      return;
    }
    setTaken([...taken, hover]);
    setPlace(hover.at);
  };

  const key = (event: React.KeyboardEvent) => {
    if (event.key === "Enter") act();
    else if (event.key.startsWith("Arrow")) {
      const [dx, dy] = WAYS[event.key]!;
      if (pointing) {
        const from = place ?? draft.document.notes.find((n) => n.id === bench.selection?.id)?.at;
        if (from) setPlace([from[0] + dx * KEY_STEP_MM, from[1] + dy * KEY_STEP_MM]);
      } else if (placing && place)
        setPlace([place[0] + dx * KEY_STEP_MM, place[1] + dy * KEY_STEP_MM]);
      else if (tool === "size") {
        const from = hover?.at ?? [0, 0];
        const next = hover
          ? nextPoint(picks, from, event.key, taken[0]?.view)
          : picks.find((p) => p.kind === "point");
        if (next) setHover(next);
      } else if (tool === "centre line") {
        const at = axis ? axes.indexOf(axis) : -1;
        setAxis(axes[(at + (dx + dy > 0 ? 1 : axes.length - 1)) % axes.length] ?? null);
      } else {
        const things = picks.filter(
          (p) => kinds.includes(p.kind) && (!taken[0] || p.view === taken[0].view),
        );
        const at = hover ? things.indexOf(hover) : -1;
        setHover(things[(at + (dx + dy > 0 ? 1 : things.length - 1)) % things.length] ?? null);
      }
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const flip = ([x, y]: Point): Point => [x, ink.paper.height - y];
  return (
    <g data-thing>
      <rect
        ref={surface}
        width={ink.paper.width}
        height={ink.paper.height}
        fill="transparent"
        tabIndex={0}
        role="application"
        aria-label={t("{{tool}}: arrow keys choose, Enter takes", { tool: term(tool) })}
        style={{ cursor: "crosshair", outline: "none" }}
        data-testid="tool-surface"
        onPointerMove={(e) => pointAt(toSheet(e))}
        onPointerDown={(e) => {
          pointAt(toSheet(e));
          e.stopPropagation();
        }}
        onClick={act}
        onKeyDown={key}
      />
      <g pointerEvents="none" stroke="#2c7a70" fill="none" className={classes.aim}>
        {hover && !placing && <Shown pick={hover} flip={flip} />}
        {taken.map((pick, index) => (
          <Shown key={index} pick={pick} flip={flip} />
        ))}
        {axis && (
          <line {...ends(flip(axis.from), flip(axis.to))} strokeDasharray="6 0.75 0.4 0.75" />
        )}
        {pointing && place && <Shown pick={{ kind: "point", view: "", at: place }} flip={flip} />}
        {placing && place && <Ghost tool={tool} taken={taken} place={place} flip={flip} />}
      </g>
    </g>
  );
}

type Flip = (p: Point) => Point;

function ends(a: Point, b: Point) {
  return { x1: a[0], y1: a[1], x2: b[0], y2: b[1] };
}

function Shown({ pick, flip }: { pick: Pick; flip: Flip }) {
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
  tool: Bench["tool"];
  taken: Pick[];
  place: Point;
  flip: Flip;
}

/** Where the dimension would stand. */
function Ghost({ tool, taken, place, flip }: GhostProps) {
  const [first, second] = taken;
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
