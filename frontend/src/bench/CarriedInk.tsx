import { memo, useMemo } from "react";

import type { InkGroup, Point, SheetDocument } from "../api/types";
import { Ink, InkPiece } from "../drawing/Ink";
import type { Selection } from "./bench";
import { offsetOf } from "./geometry";
import { HitArea } from "./HitArea";

export interface CarriedProps {
  groups: readonly InkGroup[];
  /** The sheet as it is shown just now, and as the ink was made from it. */
  shown: SheetDocument;
  drawn: SheetDocument;
  height: number;
  selection: Selection | null;
  /** What can be taken hold of: "role id". */
  takeable: ReadonlySet<string>;
  onTake: (event: React.PointerEvent, group: InkGroup) => void;
}

/**
 * All ink of the sheet, carried along while views, dimensions or notes are moved, before it is drawn anew.
 * What belongs to a view hangs in two groups that move as one: a frame of a drag touches these alone.
 */
export function CarriedInk({ groups, shown, drawn, ...rest }: CarriedProps) {
  const layers = useMemo(() => layersOf(groups), [groups]);
  const views = shown.views.map((view) => view.id).join(" ");
  const { dimensions, marks, notes, cutting_lines: cuts, circled, balloons, trails } = shown;
  const listed = shown.parts_list ? "parts-list" : "";
  const known = useMemo(() => {
    const things = [...dimensions, ...marks, ...notes, ...cuts, ...circled, ...balloons, ...trails];
    return new Set([...views.split(" "), listed, ...things.map((own) => own.id)]);
  }, [views, listed, dimensions, marks, notes, cuts, circled, balloons, trails]);
  const apart = useMemo(() => places(shown, drawn), [shown, drawn]);
  return layers.map(({ key, groups: own }) => {
    const [x, y] = offsetOf(own[0]!, shown, drawn).view;
    const moves = x !== 0 || y !== 0;
    return (
      <g
        key={key}
        transform={moves ? `translate(${x} ${-y})` : undefined}
        data-carried={moves || undefined}
        style={{ willChange: moves ? "transform" : undefined }}
      >
        <Layer groups={own} known={known} apart={apart} {...rest} />
      </g>
    );
  });
}

/** Groups that move together, in the order they are drawn: lines of views first, what is written on them above. */
function layersOf(groups: readonly InkGroup[]): { key: string; groups: InkGroup[] }[] {
  const layers = new Map<string, InkGroup[]>();
  for (const group of groups) {
    const lines = group.role === "view" || group.role === "construction";
    const key = lines
      ? `lines ${group.owner ?? group.id}`
      : group.owner
        ? `sizes ${group.owner}`
        : `${group.role} ${group.id}`;
    const own = layers.get(key);
    if (own) own.push(group);
    else layers.set(key, [group]);
  }
  return [...layers].map(([key, own]) => ({ key, groups: own }));
}

/** How far dimensions and balloons have moved since the ink was made, mm; those that have not are left out. */
function places(now: SheetDocument, then: SheetDocument): ReadonlyMap<string, Point> {
  const moved = new Map<string, Point>();
  const stands = ({ dimensions, balloons }: SheetDocument): [string, Point][] => [
    ...dimensions.map((own): [string, Point] => [own.id, own.place]),
    ...balloons.map((own): [string, Point] => [own.id, own.at]),
  ];
  if (now.dimensions === then.dimensions && now.balloons === then.balloons) return moved;
  const before = new Map(stands(then));
  for (const [id, place] of stands(now)) {
    const old = before.get(id);
    if (old && (old[0] !== place[0] || old[1] !== place[1]))
      moved.set(id, [place[0] - old[0], place[1] - old[1]]);
  }
  return moved;
}

interface LayerProps extends Pick<CarriedProps, "height" | "selection" | "takeable" | "onTake"> {
  groups: readonly InkGroup[];
  known: ReadonlySet<string>;
  apart: ReadonlyMap<string, Point>;
}

const Layer = memo(function Layer({ groups, known, apart, ...rest }: LayerProps) {
  const { height, selection, takeable, onTake } = rest;
  return groups.map((group) => {
    const fixed = group.role === "frame" || group.role === "title";
    if (!fixed && !known.has(group.id)) return null;
    const [x, y] = apart.get(group.id) ?? [0, 0];
    return (
      <Carried
        key={`${group.role}-${group.id}`}
        group={group}
        x={x}
        y={y}
        height={height}
        selected={selection?.id === group.id && selection.role === group.role}
        onTake={takeable.has(`${group.role} ${group.id}`) ? onTake : undefined}
      />
    );
  });
});

interface GroupProps {
  group: InkGroup;
  /** How far its own place has moved since the ink was made, mm. */
  x: number;
  y: number;
  height: number;
  selected: boolean;
  onTake?: (event: React.PointerEvent, group: InkGroup) => void;
}

const Carried = memo(function Carried({ group, x, y, height, selected, onTake }: GroupProps) {
  const moving = x !== 0 || y !== 0;
  const ink = useMemo(() => (moving ? stretched(group, [x, y]) : group), [group, moving, x, y]);
  return (
    <g
      data-role={group.role}
      data-id={group.id}
      data-carried={moving || undefined}
      style={{ color: selected ? "#2c7a70" : undefined }}
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

/** A balloon moved: its leader still ends where it ended. */
function led(group: InkGroup, [dx, dy]: Point): InkGroup {
  const move = ([x, y]: Point): Point => [x + dx, y + dy];
  return {
    ...group,
    items: group.items.map((item) => {
      if (item.kind === "text") return { ...item, at: move(item.at) };
      if (item.kind === "arc") return { ...item, centre: move(item.centre) };
      if (item.kind !== "stroke") return item;
      const [tip, rim] = item.points as [Point, Point];
      return { ...item, points: [tip, move(rim)] };
    }),
  };
}

/** A dimension moved by its place: extension lines grow, everything else goes along. */
function stretched(group: InkGroup, [dx, dy]: Point): InkGroup {
  if (group.role === "balloon") return led(group, [dx, dy]);
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
      if (item.kind === "tinted")
        return { ...item, rings: item.rings.map((ring) => ring.map((p) => move(p as Point))) };
      return { ...item, points: item.points.map((p) => move(p as Point)) };
    }),
  };
}
