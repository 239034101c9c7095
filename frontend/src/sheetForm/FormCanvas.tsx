import { useEffect, useRef, useState } from "react";

import type { FormLook, Point, SheetForm } from "../api/types";
import { InkPiece } from "../drawing/Ink";
import { t } from "../frame/language";
import { fieldLabel } from "../frame/words";
import { Paper, pointOn, usePaperScale } from "../paper/Paper";
import {
  type Box,
  boxOf,
  caught,
  type Chosen,
  moved,
  onGrid,
  rectOf,
  squared,
  withBox,
  withSide,
} from "./form";
import { FormInk } from "./FormPicture";
import classes from "./SheetForm.module.css";
import type { FormEditor } from "./useFormEditor";

/** How near to a line or its end one is taken to it, in pixels. */
const REACH_PX = 8;

interface Grip {
  what: Chosen;
  /** A side of its rectangle, or all of it. */
  side: number | null;
  from: Point;
  start: SheetForm;
}

/** The form on its paper: taken hold of, stretched by its sides, drawn on. */
export function FormCanvas({ editor, look }: { editor: FormEditor; look: FormLook | undefined }) {
  const { form, tool, chosen } = editor;
  const svg = useRef<SVGSVGElement>(null);
  const grip = useRef<Grip | null>(null);
  const [live, setLive] = useState<SheetForm | null>(null);
  const [begun, setBegun] = useState<Point | null>(null);
  const [aim, setAim] = useState<Point | null>(null);
  // A line that was begun ends with the tool.
  useEffect(() => setBegun(null), [tool]);
  const { height } = editor.paper;
  const shown = live ?? form;
  const reach = () => REACH_PX / (svg.current?.getScreenCTM()?.a ?? 1);
  const at = (event: React.PointerEvent): Point => pointOn(svg.current, event);

  const take = (what: Chosen, side: number | null) => (event: React.PointerEvent) => {
    if (tool.kind !== "take" || event.button !== 0) return;
    event.stopPropagation();
    editor.choose(what);
    svg.current?.setPointerCapture(event.pointerId);
    grip.current = { what, side, from: at(event), start: form };
  };
  const dragged = ({ what, side, from, start }: Grip, to: Point): SheetForm => {
    if (side === null) return moved(start, what, onGrid(to[0] - from[0]), onGrid(to[1] - from[1]));
    const box = boxOf(start, what);
    if (!box) return start;
    const bare = what.kind === "title" ? { ...start, title: start.border } : start;
    const point =
      what.kind === "border"
        ? ([onGrid(to[0]), onGrid(to[1])] as Point)
        : caught(bare, to, reach());
    return withBox(start, what, withSide(box, side, point[side % 2]!));
  };
  const move = (event: React.PointerEvent) => {
    if (grip.current) setLive(dragged(grip.current, at(event)));
    else if (tool.kind === "line") {
      const point = caught(form, at(event), reach());
      setAim(begun ? squared(begun, point) : point);
    } else if (tool.kind !== "take") setAim(at(event));
  };
  const letGo = (event: React.PointerEvent) => {
    const held = grip.current;
    if (!held) return;
    grip.current = null;
    setLive(null);
    const next = dragged(held, at(event));
    if (JSON.stringify(next) !== JSON.stringify(held.start)) editor.change(() => next);
  };
  /** The pointer is lost in the midst of a drag: everything is where it was. */
  const breakOff = () => {
    grip.current = null;
    setLive(null);
  };
  const press = (event: React.PointerEvent) => {
    if (event.button !== 0) return;
    const point = at(event);
    if (tool.kind === "take") editor.choose(null);
    else if (tool.kind === "text") editor.addText([onGrid(point[0]), onGrid(point[1])]);
    else if (tool.kind === "field") void editor.putField(tool.field, point);
    else {
      const end = caught(form, point, reach());
      if (!begun) setBegun(end);
      else {
        const last = squared(begun, end);
        if (Math.hypot(last[0] - begun[0], last[1] - begun[1]) > 0.4) editor.addLine(begun, last);
        setBegun(null);
      }
    }
  };
  const drawing = tool.kind === "line" ? begun : null;
  return (
    <Paper
      paper={editor.paper}
      views={[form.title]}
      svg={svg}
      role="application"
      aria-label={t("Sheet form")}
      data-testid="form-sheet"
      onPointerDown={press}
      onPointerMove={move}
      onPointerUp={letGo}
      onPointerCancel={breakOff}
      onLostPointerCapture={breakOff}
      onPointerLeave={() => setAim(null)}
    >
      <FormInk form={shown} height={height} />
      {!live && look?.frame.map((item, k) => <InkPiece key={k} item={item} height={height} />)}
      {shown.fields.map(({ field, box: [l, b, , t_] }) => (
        <text
          key={field}
          className={classes.fieldName}
          x={l + 0.6}
          y={height - (b + t_) / 2 + 0.8}
          fontSize={2.4}
        >
          {fieldLabel(field)}
        </text>
      ))}
      {tool.kind === "take" && <Holds form={shown} height={height} take={take} chosen={chosen} />}
      {drawing && aim && (
        <line
          className={classes.aim}
          x1={drawing[0]}
          y1={height - drawing[1]}
          x2={aim[0]}
          y2={height - aim[1]}
        />
      )}
      {tool.kind === "line" && aim && <Spot at={aim} height={height} />}
    </Paper>
  );
}

function Spot({ at, height }: { at: Point; height: number }) {
  return <circle className={classes.spot} cx={at[0]} cy={height - at[1]} r={4 / usePaperScale()} />;
}

interface HoldsProps {
  form: SheetForm;
  height: number;
  chosen: Chosen | null;
  take: (what: Chosen, side: number | null) => (event: React.PointerEvent) => void;
}

/** Where things are taken hold of; what is chosen shows the sides it is stretched by. */
function Holds({ form, height, take, chosen }: HoldsProps) {
  const scale = usePaperScale();
  const same = (what: Chosen) =>
    chosen?.kind === what.kind &&
    (!("index" in what) || ("index" in chosen && chosen.index === what.index));
  const box = chosen ? boxOf(form, chosen) : null;
  return (
    <g>
      {(["border", "title"] as const).map((kind) => (
        <rect
          key={kind}
          {...rectOf(form[kind], height)}
          className={classes.edge}
          strokeWidth={10 / scale}
          data-chosen={same({ kind }) || undefined}
          onPointerDown={take({ kind }, null)}
        />
      ))}
      {form.fields.map((field, index) => (
        <rect
          key={field.field}
          {...rectOf(field.box, height)}
          className={classes.hold}
          data-chosen={same({ kind: "field", index }) || undefined}
          onPointerDown={take({ kind: "field", index }, null)}
        />
      ))}
      {form.lines.map((line, index) => (
        <line
          key={index}
          x1={line.start[0]}
          y1={height - line.start[1]}
          x2={line.end[0]}
          y2={height - line.end[1]}
          className={classes.edge}
          strokeWidth={10 / scale}
          data-chosen={same({ kind: "line", index }) || undefined}
          onPointerDown={take({ kind: "line", index }, null)}
        />
      ))}
      {form.texts.map((text, index) => {
        const wide = Math.max(2, text.text.length * text.height * 0.72);
        const left = text.anchor === "start" ? text.at[0] : text.at[0] - wide / 2;
        return (
          <rect
            key={index}
            x={left}
            y={height - text.at[1] - text.height}
            width={wide}
            height={text.height}
            transform={`rotate(${-text.turn} ${text.at[0]} ${height - text.at[1]})`}
            className={classes.hold}
            data-chosen={same({ kind: "text", index }) || undefined}
            onPointerDown={take({ kind: "text", index }, null)}
          />
        );
      })}
      {chosen && box && <Sides box={box} height={height} chosen={chosen} take={take} />}
    </g>
  );
}

function Sides({
  box,
  height,
  chosen,
  take,
}: { box: Box; chosen: Chosen } & Pick<HoldsProps, "height" | "take">) {
  const half = 5 / usePaperScale();
  const [l, b, r, t_] = box;
  const places: Point[] = [
    [l, (b + t_) / 2],
    [(l + r) / 2, b],
    [r, (b + t_) / 2],
    [(l + r) / 2, t_],
  ];
  return places.map(([x, y], side) => (
    <rect
      key={side}
      className={classes.side}
      x={x - half}
      y={height - y - half}
      width={2 * half}
      height={2 * half}
      style={{ cursor: side % 2 ? "ns-resize" : "ew-resize" }}
      onPointerDown={take(chosen, side)}
    />
  ));
}
