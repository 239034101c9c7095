import { useHotkeys } from "@mantine/hooks";
import { useCallback, useEffect, useMemo, useRef } from "react";

import { t } from "../frame/language";
import type { Ink as InkForm, InkGroup, Point, SheetDocument } from "../api/types";
import { Paper, pointOn } from "../paper/Paper";
import { MovingInk } from "../reader/MovingInk";
import { type Bench, isFixed, moved, movedWith, type Selection, type Stage } from "./bench";
import { AcrossFrom, PaperGrid, WhiteSpace } from "./CanvasAids";
import { Spot } from "../drawing/Spot";
import { FileUnderDraft } from "./FileUnderDraft";
import { DraftLayer } from "./drafting/DraftLayer";
import { isDraftTool } from "./drafting/tools";
import { useDragging, useLiveSheet } from "./live";
import { LiveInk } from "./LiveInk";
import { inLine } from "./snapping";
import { TextHandle } from "./TextHandle";
import { ToolLayer } from "./ToolLayer";
import { SPECIAL_TOOLS } from "./special/drawn";
import { SpecialLayer } from "./special/SpecialLayer";
import { useHanging } from "./useHanging";

interface Props {
  bench: Bench;
  stage: Stage;
  ink: InkForm;
  /** The document `ink` was drawn from; it may lag behind what is shown. */
  drawn: SheetDocument;
}

/** What is taken hold of at a point: of parts that lie over each other the one that is chosen, if it is there. */
function chosenUnder(
  { selection, ink, document }: Pick<Bench, "selection" | "document"> & { ink: InkForm },
  [x, y]: Point,
  group: InkGroup,
): Pick<InkGroup, "role" | "id"> {
  if (group.role !== "view" || selection?.role !== "view") return group;
  const part = document.views.find((v) => v.id === selection.id && v.only);
  const box = ink.views.find((v) => v.id === part?.id)?.box;
  const within = box && box[0] <= x && x <= box[2] && box[1] <= y && y <= box[3];
  return within ? selection : group;
}

/** The stages in which views can be taken hold of. */
const VIEWS_MOVE: readonly Stage[] = ["Views", "Front", "Lines", "Parts"];

/** How near to a projection line a view is taken to it, in pixels. */
const SNAP_PX = 7;

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
  const { paper } = ink;
  const live = useLiveSheet();
  const dragging = useDragging(live);
  const { draft, tool, selection, select } = bench;

  const toSheet = (event: React.PointerEvent): Point => pointOn(svg.current, event);
  /** Pixels to a millimetre just now. */
  const nearness = () => svg.current?.getScreenCTM()?.a ?? 1;
  const movable = (role: string): boolean =>
    tool === "move" &&
    role !== "construction" &&
    role !== "frame" &&
    role !== "title" &&
    (role !== "view" || VIEWS_MOVE.includes(stage));

  const isGivenView = (group: InkGroup): boolean =>
    group.role === "view" && isFixed(bench, { role: "view", id: group.id });

  const latest = useRef({ select, selection, ink, document: draft.document, toSheet });
  useEffect(() => {
    latest.current = { select, selection, ink, document: draft.document, toSheet };
  });
  const take = useCallback((event: React.PointerEvent, group: InkGroup) => {
    const now = latest.current;
    const { role, id } = chosenUnder(now, now.toSheet(event), group);
    const taken = { role, id } as Selection;
    now.select(taken);
    svg.current?.setPointerCapture(event.pointerId);
    grip.current = { from: now.toSheet(event), selection: taken, start: now.document };
    event.stopPropagation();
  }, []);
  const hanging = useHanging(bench, ink, drawn);
  const drag = (event: React.PointerEvent) => {
    if (grip.current) live.set(dragged(grip.current, toSheet(event)));
    else if (hanging.known) live.set(hanging.at(toSheet(event), SNAP_PX / nearness()));
  };
  const dragged = ({ from, selection: what, start }: Grip, to: Point): SheetDocument => {
    const next = moved(start, what, to[0] - from[0], to[1] - from[1], movedWith(bench, what));
    return what.role === "view" ? inLine(bench, next, what.id, SNAP_PX / nearness(), start) : next;
  };
  /** A view that hangs is set down where it is, unless that is on another one. */
  const setDown = () => {
    const hung = live.get();
    if (hung && hanging.known && hanging.liesOn(hung) !== null) return;
    if (hung) draft.change(hung);
    bench.hang(null);
  };
  // Without anything that hangs, Enter is the button's that has the focus.
  useHotkeys(bench.hanging ? [["Enter", setDown]] : []);
  useEffect(() => {
    if (!bench.hanging && !grip.current) live.set(null);
  }, [bench.hanging, live]);
  const release = (event: React.PointerEvent) => {
    const held = grip.current;
    if (!held && hanging.known && live.get()) setDown();
    if (!held) return;
    const to = toSheet(event);
    grip.current = null;
    live.set(null);
    const far = Math.hypot(to[0] - held.from[0], to[1] - held.from[1]) * nearness() > 2;
    if (far) draft.change(dragged(held, to));
  };

  const chosen = draft.document.dimensions.find(
    (d) => selection?.role === "dimension" && d.id === selection.id,
  );
  const boxes = useMemo(() => ink.views.map((view) => view.box), [ink]);
  /** The pointer is lost in the midst of a drag: everything is where it was. */
  const breakOff = () => {
    if (!grip.current) return;
    grip.current = null;
    live.set(null);
  };
  const holds = ink.groups
    .filter((group) => !bench.hanging && movable(group.role) && !isGivenView(group))
    .map((group) => `${group.role} ${group.id}`)
    .join("|");
  const takeable = useMemo(() => new Set(holds.split("|")), [holds]);
  return (
    <Paper
      paper={paper}
      views={boxes}
      looksAt={ink.views.find((view) => view.id === bench.looking)?.box ?? null}
      svg={svg}
      role="application"
      aria-label={t("Sheet")}
      data-testid="bench-sheet"
      onPointerDown={() => tool === "move" && !bench.hanging && select(null)}
      onPointerLeave={() => bench.hanging && !grip.current && live.set(null)}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerCancel={breakOff}
      onLostPointerCapture={breakOff}
    >
      {bench.filed && <FileUnderDraft bench={bench} paper={paper} />}
      <LiveInk
        {...{ live, ink, drawn, selection, takeable, hanging }}
        document={draft.document}
        onTake={take}
      />
      {!dragging && <MovingInk reader={bench.reader} groups={ink.groups} height={paper.height} />}
      {isDraftTool(tool) && bench.drafting.grid > 0 && (
        <PaperGrid step={bench.drafting.grid} paper={paper} />
      )}
      {hanging.known && <AcrossFrom box={hanging.parent} paper={paper} />}
      {bench.spaces && stage === "Views" && <WhiteSpace ink={ink} />}
      {tool === "move" && !dragging && chosen?.kind === "linear" && (
        <TextHandle {...{ bench, ink, drawn, toSheet }} dimension={chosen} />
      )}
      {isDraftTool(tool) && !dragging && <DraftLayer {...{ bench, tool, ink, drawn, toSheet }} />}
      {SPECIAL_TOOLS.includes(tool) && !dragging && (
        <SpecialLayer bench={bench} ink={ink} drawn={drawn} toSheet={toSheet} />
      )}
      {tool !== "move" && !isDraftTool(tool) && !SPECIAL_TOOLS.includes(tool) && !dragging && (
        <ToolLayer bench={bench} ink={ink} drawn={drawn} toSheet={toSheet} />
      )}
      {bench.spokenOf && <Spot at={bench.spokenOf} height={paper.height} />}
    </Paper>
  );
}
