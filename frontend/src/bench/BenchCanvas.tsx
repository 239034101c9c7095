import { memo, useCallback, useEffect, useMemo, useRef, useState } from "react";

import type { Ink as InkForm, InkGroup, Point, SheetDocument } from "../api/types";
import { Ink, InkPiece } from "../drawing/Ink";
import { MovingInk } from "../reader/MovingInk";
import { type Bench, isFixed, moved, type Selection, type Stage } from "./bench";
import classes from "./Bench.module.css";
import { Bands, PaperGrid, WhiteSpace } from "./CanvasAids";
import { DraftLayer } from "./drafting/DraftLayer";
import { isDraftTool } from "./drafting/tools";
import { offsetOf } from "./geometry";
import { HitArea } from "./HitArea";
import { snapped } from "./snapping";
import { ToolLayer } from "./ToolLayer";

interface Props {
  bench: Bench;
  stage: Stage;
  ink: InkForm;
  /** The document `ink` was drawn from; it may lag behind what is shown. */
  drawn: SheetDocument;
}

/** What the pointer holds, where it was taken, and the sheet as it was then. */
interface Grip {
  from: Point;
  selection: Selection;
  start: SheetDocument;
}

/**
 * The sheet in the middle of the bench: it keeps its scale, things on it can be taken hold of.
 * A drag stays in here until it ends, so that a frame costs only what moves.
 */
export function BenchCanvas({ bench, stage, ink, drawn }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const grip = useRef<Grip | null>(null);
  const [scale, setScale] = useState(3);
  const { paper } = ink;
  const [live, setLive] = useState<SheetDocument | null>(null);
  const { draft, tool, selection, select } = bench;
  const shown = live ?? draft.document;

  useEffect(() => {
    const measure = () => setScale(svg.current?.getScreenCTM()?.a ?? 3);
    measure();
    window.addEventListener("resize", measure);
    return () => window.removeEventListener("resize", measure);
  }, [paper.width]);

  const toSheet = (event: React.PointerEvent): Point => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return [at.x, paper.height - at.y];
  };
  const movable = (role: string): boolean =>
    tool === "move" &&
    role !== "construction" &&
    (role !== "view" || stage === "Views" || stage === "Front" || stage === "Lines");

  const isGivenView = (group: InkGroup): boolean =>
    group.role === "view" && isFixed(bench, { role: "view", id: group.id });

  const latest = useRef({ select, document: draft.document, toSheet });
  useEffect(() => {
    latest.current = { select, document: draft.document, toSheet };
  });
  const take = useCallback((event: React.PointerEvent, group: InkGroup) => {
    const { role, id } = group;
    if (role === "frame" || role === "title" || role === "construction") return;
    const taken = { role, id };
    const now = latest.current;
    now.select(taken);
    svg.current?.setPointerCapture(event.pointerId);
    grip.current = { from: now.toSheet(event), selection: taken, start: now.document };
    event.stopPropagation();
  }, []);
  const drag = (event: React.PointerEvent) => {
    if (grip.current) setLive(dragged(grip.current, toSheet(event)));
  };
  const dragged = ({ from, selection: what, start }: Grip, to: Point): SheetDocument => {
    const next = moved(start, what, to[0] - from[0], to[1] - from[1]);
    return bench.snapping && what.role === "view" ? snapped(next, what.id) : next;
  };
  const release = (event: React.PointerEvent) => {
    const held = grip.current;
    if (!held) return;
    const to = toSheet(event);
    grip.current = null;
    setLive(null);
    const far = Math.hypot(to[0] - held.from[0], to[1] - held.from[1]) * scale > 2;
    if (far) draft.change(dragged(held, to));
  };

  const known = useMemo(
    () =>
      new Set(
        [...shown.views, ...shown.dimensions, ...shown.marks, ...shown.notes].map(
          (thing) => thing.id,
        ),
      ),
    [shown],
  );
  return (
    <svg
      ref={svg}
      className={classes.sheet}
      viewBox={`0 0 ${paper.width} ${paper.height}`}
      style={{ aspectRatio: `${paper.width} / ${paper.height}` }}
      role="application"
      aria-label="Sheet"
      data-testid="bench-sheet"
      onPointerDown={() => tool === "move" && select(null)}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerCancel={release}
    >
      <rect width={paper.width} height={paper.height} fill="#fffdf8" />
      {ink.groups.map((group) => {
        const fixed = group.role === "frame" || group.role === "title";
        if (!fixed && !known.has(group.id)) return null;
        const { view, place } = offsetOf(group, shown, drawn);
        return (
          <Carried
            key={`${group.role}-${group.id}`}
            group={group}
            viewX={view[0]}
            viewY={view[1]}
            placeX={place[0]}
            placeY={place[1]}
            height={paper.height}
            selected={selection?.id === group.id && selection.role === group.role}
            onTake={!fixed && movable(group.role) && !isGivenView(group) ? take : undefined}
          />
        );
      })}
      <Bands shown={shown} ink={ink} drawn={drawn} />
      {!live && <MovingInk reader={bench.reader} groups={ink.groups} height={paper.height} />}
      {isDraftTool(tool) && bench.drafting.grid > 0 && (
        <PaperGrid step={bench.drafting.grid} paper={paper} />
      )}
      {bench.spaces && stage === "Views" && <WhiteSpace ink={ink} />}
      {isDraftTool(tool) && !live && (
        <DraftLayer {...{ bench, tool, ink, drawn, scale, toSheet }} />
      )}
      {tool !== "move" && !isDraftTool(tool) && !live && (
        <ToolLayer bench={bench} ink={ink} drawn={drawn} scale={scale} toSheet={toSheet} />
      )}
    </svg>
  );
}

interface CarriedProps {
  group: InkGroup;
  /** How far its view, and its own place, have moved since the ink was made (mm). */
  viewX: number;
  viewY: number;
  placeX: number;
  placeY: number;
  height: number;
  selected: boolean;
  onTake?: (event: React.PointerEvent, group: InkGroup) => void;
}

/** Ink carried along while its view or dimension is moved, before it is drawn anew. */
const Carried = memo(function Carried(props: CarriedProps) {
  const { group, viewX, viewY, placeX, placeY, height, selected, onTake } = props;
  const moving = placeX !== 0 || placeY !== 0;
  const ink = useMemo(
    () => (moving ? stretched(group, [placeX, placeY]) : group),
    [group, moving, placeX, placeY],
  );
  return (
    <g
      transform={viewX || viewY ? `translate(${viewX} ${-viewY})` : undefined}
      data-role={group.role}
      data-id={group.id}
      style={{
        color: selected ? "#2c7a70" : undefined,
        willChange: viewX || viewY ? "transform" : undefined,
      }}
    >
      {moving ? (
        ink.items.map((item, index) => <InkPiece key={index} item={item} height={height} />)
      ) : (
        <Ink group={group} height={height} />
      )}
      {onTake && <HitArea group={ink} from={group} height={height} onTake={onTake} />}
    </g>
  );
});

/** A dimension moved by its place: extension lines grow, everything else goes along. */
function stretched(group: InkGroup, [dx, dy]: Point): InkGroup {
  const extension = group.items.find((item) => item.kind === "stroke" && item.stretches);
  let shift: Point = [dx, dy];
  if (extension?.kind === "stroke") {
    const [a, b] = extension.points as [Point, Point];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const [nx, ny] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
    const along = dx * nx + dy * ny;
    shift = [along * nx, along * ny];
  }
  const move = ([x, y]: Point): Point => [x + shift[0], y + shift[1]];
  return {
    ...group,
    items: group.items.map((item) => {
      if (item.kind === "stroke" && item.stretches) {
        return { ...item, points: [item.points[0]!, move(item.points[1] as Point)] };
      }
      if (item.kind === "text") return { ...item, at: move(item.at) };
      if (item.kind === "arc") return { ...item, centre: move(item.centre) };
      return { ...item, points: item.points.map((p) => move(p as Point)) };
    }),
  };
}
