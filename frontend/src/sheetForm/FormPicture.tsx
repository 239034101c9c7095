import type { Paper, SheetForm } from "../api/types";
import { InkPiece } from "../drawing/Ink";
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
      {form.fields.map(({ field, box: [l, b, r, t] }) => (
        <rect
          key={field}
          x={l}
          y={height - t}
          width={r - l}
          height={t - b}
          fill="var(--tint-front)"
          opacity={0.55}
        />
      ))}
      {[form.border, form.title].map(([l, b, r, t], k) => (
        <rect
          key={k}
          x={l}
          y={height - t}
          width={r - l}
          height={t - b}
          fill="none"
          stroke="currentColor"
          strokeWidth={k ? 0.35 : 0.7}
        />
      ))}
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
