import { useCallback, useEffect, useMemo, useRef, useState } from "react";

import type { Ink, Point, SheetDocument } from "../api/types";
import { usePaperScale } from "../paper/Paper";
import { balloonAt } from "./apart";
import { type AxisLine, axisLines, nearestAxis, viewOf } from "./axes";
import type { Bench } from "./bench";
import { dimensionMade, fits, kindsFor, picksNeeded } from "./dimensionMade";
import {
  inView,
  nearest,
  nextId,
  nextPoint,
  type Pick,
  pickables,
  REACH_PX,
  WAYS,
} from "./geometry";
import { rowMade } from "./rows";
import { ends, Ghost, RowGhost, Shown } from "./ToolMarks";
import { ToolSurface } from "./ToolSurface";

interface Props {
  bench: Bench;
  ink: Ink;
  drawn: SheetDocument;
  toSheet: (event: React.PointerEvent) => Point;
}

const KEY_STEP_MM = 2;
/** Points closer than this are one. */
const SAME_MM = 1e-3;

function far(a: Point, b: Point): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1]);
}

/** What the tool in hand is doing on the sheet: pointing at things, and setting down what was asked for. */
export function ToolLayer({ bench, ink, drawn, toSheet }: Props) {
  const scale = usePaperScale();
  const { tool, draft } = bench;
  const surface = useRef<SVGRectElement>(null);
  const [hover, setHover] = useState<Pick | null>(null);
  const [axis, setAxis] = useState<AxisLine | null>(null);
  const [taken, setTaken] = useState<Pick[]>([]);
  const [place, setPlace] = useState<Point | null>(null);
  /** Whether by the keyboard a row is no longer pointed out but set down. */
  const [settingDown, setSettingDown] = useState(false);
  const every = useMemo(() => pickables(ink, drawn), [ink, drawn]);
  const picks = useMemo(
    () => every.filter((pick) => fits(tool, taken, pick)),
    [every, tool, taken],
  );
  const axes = useMemo(() => axisLines(ink, drawn), [ink, drawn]);
  const letGo = useCallback(() => {
    setTaken([]);
    setPlace(null);
    setSettingDown(false);
  }, []);
  useEffect(() => {
    letGo();
    setHover(null);
    setAxis(null);
  }, [tool, letGo]);
  useEffect(() => surface.current?.focus(), [tool]);

  const needed = picksNeeded(tool);
  const row = tool === "row" && taken.length > 1;
  const placing = (needed > 0 && taken.length === needed) || (row && settingDown);
  const kinds = kindsFor(tool);

  const pointing = tool === "leader";
  const pointAt = (at: Point) => {
    if (placing || pointing) {
      setPlace(at);
      return;
    }
    if (tool === "centre line") setAxis(nearestAxis(axes, at, REACH_PX / scale));
    else {
      const found = nearest(picks, at, REACH_PX / scale, kinds, taken[0]?.view);
      setHover(found);
      if (tool === "row") setPlace(found ? null : at);
    }
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
    if (row && place) {
      const made = rowMade(taken, place, bench.rowManner, ink, drawn, draft.document);
      if (made.length)
        draft.change((now) => ({ ...now, dimensions: [...now.dimensions, ...made] }));
      letGo();
      return;
    }
    if (placing && place && tool === "balloon") {
      const made = balloonAt(taken[0]!, place, draft.document);
      draft.change((now) => ({ ...now, balloons: [...now.balloons, made] }));
      bench.select({ role: "balloon", id: made.id });
      letGo();
      return;
    }
    if (placing && place) {
      const made = dimensionMade(tool, taken, place, ink, drawn, draft.document);
      if (made) {
        draft.change((now) => ({ ...now, dimensions: [...now.dimensions, made] }));
        bench.select({ role: "dimension", id: made.id });
      }
      letGo();
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
    // What is pointed at twice is one point of a row.
    const known = tool === "row" && taken.some((pick) => far(pick.at, hover.at) < SAME_MM);
    if (!known) setTaken([...taken, hover]);
    setPlace(tool === "row" ? null : hover.at);
  };

  const key = (event: React.KeyboardEvent) => {
    if (event.key === "Enter") act();
    else if (event.key === " " && row) {
      setSettingDown(!settingDown);
      setHover(null);
      setPlace(settingDown ? null : (taken.at(-1)?.at ?? null));
    } else if (event.key === "Backspace" && tool === "row" && taken.length) {
      setTaken(taken.slice(0, -1));
      setPlace(null);
    } else if (event.key.startsWith("Arrow")) {
      const [dx, dy] = WAYS[event.key]!;
      if (pointing) {
        const from = place ?? draft.document.notes.find((n) => n.id === bench.selection?.id)?.at;
        if (from) setPlace([from[0] + dx * KEY_STEP_MM, from[1] + dy * KEY_STEP_MM]);
      } else if (placing && place)
        setPlace([place[0] + dx * KEY_STEP_MM, place[1] + dy * KEY_STEP_MM]);
      else if (tool === "size" || tool === "row" || tool === "balloon") {
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
    <ToolSurface
      {...{ surface, tool, toSheet }}
      paper={ink.paper}
      onPoint={pointAt}
      onTake={act}
      onKey={key}
    >
      {hover && !placing && <Shown pick={hover} flip={flip} />}
      {taken.map((pick, index) => (
        <Shown key={index} pick={pick} flip={flip} />
      ))}
      {axis && <line {...ends(flip(axis.from), flip(axis.to))} strokeDasharray="6 0.75 0.4 0.75" />}
      {pointing && place && <Shown pick={{ kind: "point", view: "", at: place }} flip={flip} />}
      {placing && !row && place && <Ghost {...{ tool, taken, place, flip }} />}
      {row && place && <RowGhost {...{ bench, ink, drawn, taken, place, flip }} />}
    </ToolSurface>
  );
}
