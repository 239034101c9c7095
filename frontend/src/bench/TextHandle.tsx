import { useState } from "react";

import type { Ink as InkForm, LinearDimension, Point, SheetDocument } from "../api/types";
import { InkPiece } from "../drawing/Ink";
import { t } from "../frame/language";
import type { Bench } from "./bench";
import classes from "./Bench.module.css";
import { textLetGo } from "./textStanding";

interface Props {
  bench: Bench;
  dimension: LinearDimension;
  ink: InkForm;
  drawn: SheetDocument;
  toSheet: (event: React.PointerEvent) => Point;
}

/** By this the text of the chosen dimension is slid along its line, or pulled off it onto a leader. */
export function TextHandle({ bench, dimension, ink, drawn, toSheet }: Props) {
  const [held, setHeld] = useState<{ from: Point; to: Point } | null>(null);
  const group = ink.groups.find((g) => g.role === "dimension" && g.id === dimension.id);
  const view = drawn.views.find((v) => v.id === dimension.view);
  const text = group?.items.find((item) => item.kind === "text");
  if (!view || text?.kind !== "text") return null;
  const turn = (text.angle * Math.PI) / 180;
  const rise = text.height / 2;
  const middle: Point = [text.at[0] - rise * Math.sin(turn), text.at[1] + rise * Math.cos(turn)];
  const by: Point = held ? [held.to[0] - held.from[0], held.to[1] - held.from[1]] : [0, 0];
  const own = ([x, y]: Point): Point => [x - view.at[0], y - view.at[1]];
  const letGo = () => {
    if (!held) return;
    setHeld(null);
    if (Math.hypot(...by) < 0.3) return;
    const stands = textLetGo(dimension, own(middle), own([middle[0] + by[0], middle[1] + by[1]]));
    bench.draft.change((now) => ({
      ...now,
      dimensions: now.dimensions.map((d) => (d.id === dimension.id ? { ...d, ...stands } : d)),
    }));
  };
  const height = ink.paper.height;
  return (
    <g data-testid="text-handle">
      {held && (
        <g style={{ color: "#2c7a70" }} pointerEvents="none">
          <InkPiece
            item={{ ...text, at: [text.at[0] + by[0], text.at[1] + by[1]] }}
            height={height}
          />
        </g>
      )}
      <circle
        className={classes.textHandle}
        cx={middle[0] + by[0]}
        cy={height - middle[1] - by[1]}
        r={text.height * 0.9}
        onPointerDown={(event) => {
          event.stopPropagation();
          event.currentTarget.setPointerCapture(event.pointerId);
          const at = toSheet(event);
          setHeld({ from: at, to: at });
        }}
        onPointerMove={(event) => {
          if (!held) return;
          event.stopPropagation();
          setHeld({ ...held, to: toSheet(event) });
        }}
        onPointerUp={(event) => {
          event.stopPropagation();
          letGo();
        }}
        onPointerCancel={() => setHeld(null)}
        onLostPointerCapture={() => setHeld(null)}
      >
        <title>{t("Slide the text along its line, or pull it off")}</title>
      </circle>
    </g>
  );
}
