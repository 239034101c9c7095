import { useEffect, useMemo, useRef, useState } from "react";

import { term } from "../../frame/words";
import { t } from "../../frame/language";
import type { Ink, Point, SheetDocument } from "../../api/types";
import { usePaperScale } from "../../paper/Paper";
import type { Bench } from "../bench";
import {
  inView,
  MM_PER_UNIT,
  nearest,
  nextAlong,
  pickables,
  REACH_PX,
  thinLines,
  WAYS,
} from "../geometry";
import { penPoint, type PenPoint } from "./penPoint";
import { type Ruler, rulerAt } from "./rulers";
import { atDistance, drawnInto, levelled, measure, type Shape, shapesOf, squared } from "./shapes";
import { ALONG, CHANGES, type DraftTool, isCarrying, isChangeTool, TOOL_FACTS } from "./tools";

interface Props {
  bench: Bench;
  tool: DraftTool;
  ink: Ink;
  drawn: SheetDocument;
  toSheet: (event: React.PointerEvent) => Point;
}

const INK = "#2c7a70";

/** The pen on the sheet: points are taken one by one, the last one draws or changes. */
export function DraftLayer({ bench, tool, ink, drawn, toSheet }: Props) {
  const scale = usePaperScale();
  const { drafting, draft, document } = bench;
  const { view, pen, grid, size } = drafting;
  const surface = useRef<SVGRectElement>(null);
  const [taken, setTaken] = useState<Point[]>([]);
  const [cursor, setCursor] = useState<PenPoint | null>(null);
  const picks = useMemo(() => pickables(ink, drawn), [ink, drawn]);
  const lines = useMemo(() => [...picks, ...thinLines(ink)], [ink, picks]);
  const [ruler, setRuler] = useState<Ruler | null>(null);
  const snaps = ink.snaps;
  useEffect(() => {
    setTaken([]);
    surface.current?.focus();
  }, [tool]);
  if (!view) return null;

  const facts = ink.views.find((v) => v.id === view.id);
  const factor = facts?.factor ?? view.scale * MM_PER_UNIT[bench.unit];
  const onPaper = size === null ? null : size * MM_PER_UNIT[document.units] * view.scale;
  const changing = isChangeTool(tool);
  const paper: [number, number] = [ink.paper.width, ink.paper.height];
  const reach = REACH_PX / scale;

  /** The pointer, held level or upright, then at the given size from the point before. */
  const aimed = (raw: Point, straight: boolean): PenPoint =>
    changing || ALONG[tool] === taken.length
      ? { at: raw, on: null }
      : held(penPoint(raw, snaps, grid, reach), raw, straight);
  const held = (set: PenPoint, raw: Point, straight: boolean): PenPoint => {
    const last = taken[taken.length - 1];
    if (!last || isCarrying(tool)) return set;
    const fixed = onPaper !== null && (tool === "line" || tool === "circle" || tool === "arc");
    let { at } = set;
    if (straight) at = squared(last, at);
    // A size is given along a direction: nearly level or upright is meant to be so.
    if (fixed && taken.length === 1)
      at = atDistance(last, straight ? at : levelled(last, raw), onPaper);
    return at === set.at ? set : { at, on: null };
  };

  /** The line that is pointed at, where the tool takes its direction from one now. */
  const pointed = (at: Point) => (ALONG[tool] === taken.length ? rulerAt(lines, at) : null);

  const act = (at: Point) => {
    const points = [...taken, at];
    if (ALONG[tool] === taken.length) {
      // Where there is no line, the point is not taken.
      const found = rulerAt(lines, at);
      if (!found) return;
      setRuler(found);
    }
    if (points.length < TOOL_FACTS[tool].points) {
      setTaken(points);
      return;
    }
    setTaken([]);
    if (!changing) {
      const thin = isCarrying(tool);
      const shapes = shapesOf(tool, points, paper, ruler);
      draft.change((now) => {
        const here = now.views.find((v) => v.id === view.id);
        return here ? drawnInto(now, here, factor, shapes, thin ? "construction" : pen) : now;
      });
      // A line goes on from where it ended, so that a contour is drawn in one go.
      if (tool === "line") setTaken([at]);
      return;
    }
    const first = inView(points[0]!, view, factor);
    if (tool === "hatch") {
      const change = { what: "hatch", at: first, hatch: drafting.hatch } as const;
      drafting.change.mutate({ sent: document, at: view, change });
      return;
    }
    const change = {
      what: CHANGES[tool],
      at: first,
      pen: pen === "centre" ? "visible" : pen,
    } as const;
    if (tool !== "parallel") {
      drafting.change.mutate({ sent: document, at: view, change });
      return;
    }
    const hit = nearest(picks, points[0]!, 3, ["line", "circle"], view.id);
    const aside = hit ? distanceTo(hit, points[1]!) : measure(points[0]!, points[1]!);
    const distance =
      (onPaper ?? (grid ? Math.max(Math.round(aside / grid), 0) * grid || aside : aside)) / factor;
    const towards = inView(points[1]!, view, factor);
    drafting.change.mutate({ sent: document, at: view, change: { ...change, towards, distance } });
  };

  const key = (event: React.KeyboardEvent) => {
    const way = WAYS[event.key];
    if (event.key === "Enter" && cursor) act(held(cursor, cursor.at, false).at);
    else if (event.key === "Escape" && taken.length) setTaken([]);
    else if (way) {
      const from = cursor?.at ?? [paper[0] / 2, paper[1] / 2];
      const step = event.altKey ? 0.1 : grid || 1;
      const free: PenPoint = {
        at: [from[0] + way[0] * step, from[1] + way[1] * step],
        on: grid ? "grid" : null,
      };
      const next = event.shiftKey ? nextAlong(snaps, from, way) : null;
      setCursor(next ? { at: next.at, on: next.kind } : free);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const ghost = cursor && !changing ? shapesOf(tool, [...taken, cursor.at], paper, ruler) : [];
  const along = cursor && pointed(cursor.at);
  const hit =
    changing && tool !== "hatch" && cursor && taken.length === 0
      ? nearest(picks, cursor.at, reach, ["line", "circle"], view.id)
      : null;
  const y = (value: number) => paper[1] - value;
  return (
    <g>
      <rect
        ref={surface}
        width={paper[0]}
        height={paper[1]}
        fill="transparent"
        tabIndex={0}
        role="application"
        aria-label={t(
          "{{tool}}: arrow keys move the pen, Shift with them goes to the next point, Enter sets it",
          { tool: t(TOOL_FACTS[tool].label) },
        )}
        style={{ cursor: "crosshair", outline: "none" }}
        data-testid="draft-surface"
        onPointerMove={(e) => setCursor(aimed(toSheet(e), e.shiftKey))}
        onPointerDown={(e) => {
          e.stopPropagation();
          if (e.button !== 0) return;
          const at = aimed(toSheet(e), e.shiftKey);
          setCursor(at);
          act(at.at);
        }}
        onDoubleClick={() => setTaken([])}
        onKeyDown={key}
      />
      <g pointerEvents="none" stroke={INK} fill="none" strokeWidth={0.6}>
        {taken.map(([px, py], index) => (
          <circle key={index} cx={px} cy={y(py)} r={0.9} fill={INK} stroke="none" />
        ))}
        {ghost.map((shape, index) => (
          <Ghost key={index} shape={shape} y={y} />
        ))}
        {hit?.kind === "line" && (
          <line
            x1={hit.start[0]}
            y1={y(hit.start[1])}
            x2={hit.end[0]}
            y2={y(hit.end[1])}
            strokeWidth={1.2}
          />
        )}
        {along && <Ghost shape={lineThrough(along)} y={y} />}
        {hit?.kind === "circle" && (
          <circle cx={hit.centre[0]} cy={y(hit.centre[1])} r={hit.radius} strokeWidth={1.2} />
        )}
        {cursor && !changing && (
          <>
            <circle
              cx={cursor.at[0]}
              cy={y(cursor.at[1])}
              r={1.3}
              fill="#fffdf8"
              strokeWidth={0.5}
            />
            {cursor.on && cursor.on !== "grid" && (
              <text
                x={cursor.at[0] + 2.4}
                y={y(cursor.at[1]) - 2}
                fontSize={3.6}
                fill={INK}
                stroke="none"
              >
                {term(cursor.on)}
              </text>
            )}
          </>
        )}
      </g>
    </g>
  );
}

/** A stretch of the line that is pointed at, so that it is seen to be meant. */
function lineThrough({ at: [x, y], way: [dx, dy] }: Ruler): Shape {
  const far = 12;
  return {
    kind: "line",
    from: [x - far * dx, y - far * dy],
    to: [x + far * dx, y + far * dy],
  };
}

function distanceTo(hit: NonNullable<ReturnType<typeof nearest>>, at: Point): number {
  if (hit.kind === "circle")
    return Math.abs(Math.hypot(at[0] - hit.centre[0], at[1] - hit.centre[1]) - hit.radius);
  if (hit.kind !== "line") return 0;
  const [dx, dy] = [hit.end[0] - hit.start[0], hit.end[1] - hit.start[1]];
  return Math.abs((at[0] - hit.start[0]) * dy - (at[1] - hit.start[1]) * dx) / Math.hypot(dx, dy);
}

function Ghost({ shape, y }: { shape: Shape; y: (value: number) => number }) {
  if (shape.kind === "line")
    return <line x1={shape.from[0]} y1={y(shape.from[1])} x2={shape.to[0]} y2={y(shape.to[1])} />;
  const { centre, radius, start, sweep } = shape;
  if (sweep >= 2 * Math.PI - 1e-9) return <circle cx={centre[0]} cy={y(centre[1])} r={radius} />;
  const on = (t: number) =>
    `${centre[0] + radius * Math.cos(t)} ${y(centre[1] + radius * Math.sin(t))}`;
  return (
    <path
      d={`M${on(start)}A${radius} ${radius} 0 ${sweep > Math.PI ? 1 : 0} 0 ${on(start + sweep)}`}
    />
  );
}
