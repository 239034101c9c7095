import { useEffect, useMemo, useRef, useState } from "react";

import type { Ink, LinearDimension, Point, RoundDimension, SheetDocument } from "../api/types";
import { type AxisLine, axisLines, nearestAxis, viewOf } from "./axes";
import type { Bench } from "./bench";
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
  tidy,
  WAYS,
} from "./geometry";

interface Props {
  bench: Bench;
  ink: Ink;
  drawn: SheetDocument;
  /** Screen pixels per sheet millimetre. */
  scale: number;
  toSheet: (event: React.PointerEvent) => Point;
}

const KEY_STEP_MM = 2;

/** What the tool in hand is doing on the sheet: pointing at things, and setting down what was asked for. */
export function ToolLayer({ bench, ink, drawn, scale, toSheet }: Props) {
  const { tool, draft } = bench;
  const surface = useRef<SVGRectElement>(null);
  const [hover, setHover] = useState<Pick | null>(null);
  const [axis, setAxis] = useState<AxisLine | null>(null);
  const [taken, setTaken] = useState<Pick[]>([]);
  const [place, setPlace] = useState<Point | null>(null);
  const picks = useMemo(() => pickables(ink, drawn), [ink, drawn]);
  const axes = useMemo(() => axisLines(ink, drawn), [ink, drawn]);
  useEffect(() => {
    setTaken([]);
    setPlace(null);
    setHover(null);
    setAxis(null);
  }, [tool]);
  useEffect(() => surface.current?.focus(), [tool]);

  const round = tool === "diameter" || tool === "radius";
  const placing = round ? taken.length === 1 : tool === "size" && taken.length === 2;
  const kinds = kindsFor(tool);

  const pointAt = (at: Point) => {
    if (placing) {
      setPlace(at);
      return;
    }
    if (tool === "centre line") setAxis(nearestAxis(axes, at, REACH_PX / scale));
    else setHover(nearest(picks, at, REACH_PX / scale, kinds, taken[0]?.view));
  };
  const act = () => {
    if (placing && place) {
      draft.change((now) => ({ ...now, dimensions: [...now.dimensions, made(place)] }));
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

  const made = (at: Point): LinearDimension | RoundDimension => {
    const first = taken[0]!;
    const { view, factor } = viewOf(first.view, drawn, ink);
    const id = nextId("d", draft.document.dimensions);
    const offset: Point = [tidy(at[0] - view.at[0]), tidy(at[1] - view.at[1])];
    if (first.kind === "circle") {
      return {
        kind: tool === "radius" ? "radius" : "diameter",
        id,
        view: first.view,
        centre: inView(first.centre, view, factor),
        radius: first.radius / factor,
        place: offset,
        count: 1,
        text: null,
      };
    }
    const second = taken[1]!;
    return {
      kind: "linear",
      id,
      view: first.view,
      start: inView(first.at, view, factor),
      end: inView(second.at, view, factor),
      along: askedDirection(first, second) ?? directionByPlace(first.at, second.at, at),
      place: offset,
      text: null,
    };
  };

  const key = (event: React.KeyboardEvent) => {
    if (event.key === "Enter") act();
    else if (event.key.startsWith("Arrow")) {
      const [dx, dy] = WAYS[event.key]!;
      if (placing && place) setPlace([place[0] + dx * KEY_STEP_MM, place[1] + dy * KEY_STEP_MM]);
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
        const circles = picks.filter((p) => p.kind === "circle");
        const at = hover ? circles.indexOf(hover as Extract<Pick, { kind: "circle" }>) : -1;
        setHover(circles[(at + (dx + dy > 0 ? 1 : circles.length - 1)) % circles.length] ?? null);
      }
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const flip = ([x, y]: Point): Point => [x, ink.paper.height - y];
  return (
    <g>
      <rect
        ref={surface}
        width={ink.paper.width}
        height={ink.paper.height}
        fill="transparent"
        tabIndex={0}
        aria-label={`${tool}: arrow keys choose, Enter takes`}
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
      <g pointerEvents="none" stroke="#2c7a70" fill="none" strokeWidth={0.7}>
        {hover && !placing && <Shown pick={hover} flip={flip} />}
        {taken.map((pick, index) => (
          <Shown key={index} pick={pick} flip={flip} />
        ))}
        {axis && (
          <line {...ends(flip(axis.from), flip(axis.to))} strokeDasharray="6 0.75 0.4 0.75" />
        )}
        {placing && place && <Ghost taken={taken} place={place} flip={flip} />}
      </g>
    </g>
  );
}

function kindsFor(tool: Bench["tool"]): Pick["kind"][] {
  if (tool === "size") return ["point", "line"];
  return ["circle"];
}

type Flip = (p: Point) => Point;

function ends(a: Point, b: Point) {
  return { x1: a[0], y1: a[1], x2: b[0], y2: b[1] };
}

function Shown({ pick, flip }: { pick: Pick; flip: Flip }) {
  if (pick.kind === "circle") {
    const [cx, cy] = flip(pick.centre);
    return <circle cx={cx} cy={cy} r={pick.radius} strokeWidth={1.2} />;
  }
  const [x, y] = flip(pick.at);
  return (
    <>
      {pick.kind === "line" && (
        <line {...ends(flip(pick.start), flip(pick.end))} strokeWidth={1.2} />
      )}
      <rect x={x - 1.3} y={y - 1.3} width={2.6} height={2.6} fill="#fffdf8" />
    </>
  );
}

/** Where the dimension would stand. */
function Ghost({ taken, place, flip }: { taken: Pick[]; place: Point; flip: Flip }) {
  const [first, second] = taken;
  if (first?.kind === "circle") return <line {...ends(flip(first.centre), flip(place))} />;
  if (!first || !second) return null;
  const along = askedDirection(first, second) ?? directionByPlace(first.at, second.at, place);
  const foot = (p: Point): Point => (along === "across" ? [p[0], place[1]] : [place[0], p[1]]);
  const [a, b] = along === "aligned" ? [first.at, second.at] : [foot(first.at), foot(second.at)];
  return (
    <>
      <line {...ends(flip(first.at), flip(a))} strokeWidth={0.4} />
      <line {...ends(flip(second.at), flip(b))} strokeWidth={0.4} />
      <line {...ends(flip(a), flip(b))} />
    </>
  );
}
