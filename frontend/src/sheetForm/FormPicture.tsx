import type { Paper, SheetForm } from "../api/types";
import { InkPiece } from "../drawing/Ink";
import { rectOf } from "./form";
import classes from "./SheetForm.module.css";

interface Props {
  form: SheetForm;
  paper: Paper;
}

/** A form in small: the whole paper, and its title block near enough to be read. */
export function FormPicture({ form, paper: { width, height } }: Props) {
  const [left, bottom, right, top] = form.title;
  const near = `${left - 2} ${height - top - 2} ${right - left + 4} ${top - bottom + 4}`;
  return (
    <div className={classes.picture} aria-hidden>
      <svg viewBox={`0 0 ${width} ${height}`}>
        <FormInk form={form} height={height} />
      </svg>
      <svg viewBox={near}>
        <FormInk form={form} height={height} />
      </svg>
    </div>
  );
}

/** Lines, lettering and the rooms of the fields, mm, y down. */
export function FormInk({ form, height }: { form: SheetForm; height: number }) {
  return (
    <>
      {form.fields.map(({ field, box }) => (
        <rect key={field} {...rectOf(box, height)} fill="var(--tint-front)" opacity={0.55} />
      ))}
      <g fill="none" stroke="currentColor">
        <rect {...rectOf(form.border, height)} strokeWidth={0.7} />
        <rect {...rectOf(form.title, height)} strokeWidth={0.35} />
      </g>
      {form.lines.map((line, k) => (
        <InkPiece
          key={k}
          item={{
            kind: "stroke",
            points: [line.start, line.end],
            pen: line.pen,
            edges: [],
            faces: [],
            stretches: false,
          }}
          height={height}
        />
      ))}
      {form.texts.map((text, k) => (
        <InkPiece key={k} item={{ kind: "text", ...text, angle: text.turn }} height={height} />
      ))}
    </>
  );
}
