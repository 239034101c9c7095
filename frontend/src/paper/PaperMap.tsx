import { t } from "../frame/language";
import type { Paper as PaperForm } from "../api/types";
import type { Box } from "./Paper";
import classes from "./Paper.module.css";
import { seen } from "./sight";
import type { PaperSight } from "./useSight";

/** Longest side of the small map, in pixels. */
const LONGEST = 132;

interface Props {
  paper: PaperForm;
  views: readonly Box[];
  eye: PaperSight;
}

/** The whole paper, small, with what is seen of it: while only a part is. */
export function PaperMap({ paper, views, eye }: Props) {
  const scale = LONGEST / Math.max(paper.width, paper.height);
  const { left, top, width, height } = seen(eye.sight, eye.window);
  const go = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    eye.lookAt([(event.clientX - box.left) / scale, (event.clientY - box.top) / scale]);
  };
  return (
    <svg
      className={classes.map}
      width={paper.width * scale}
      height={paper.height * scale}
      viewBox={`0 0 ${paper.width} ${paper.height}`}
      role="img"
      aria-label={t("Where on the sheet you are")}
      data-testid="paper-map"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        go(event);
        event.stopPropagation();
      }}
      onPointerMove={(event) => event.buttons === 1 && go(event)}
    >
      <rect width={paper.width} height={paper.height} className={classes.mapGround} />
      {views.map((box) => (
        <rect
          key={box.join()}
          x={box[0]}
          y={paper.height - box[3]}
          width={Math.max(box[2] - box[0], 0)}
          height={Math.max(box[3] - box[1], 0)}
          className={classes.mapView}
        />
      ))}
      <rect
        x={Math.max(left, 0)}
        y={Math.max(top, 0)}
        width={Math.min(left + width, paper.width) - Math.max(left, 0)}
        height={Math.min(top + height, paper.height) - Math.max(top, 0)}
        className={classes.mapSeen}
      />
    </svg>
  );
}
