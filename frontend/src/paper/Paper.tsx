import { useHotkeys } from "@mantine/hooks";
import { createContext, type ReactNode, useContext, useEffect, useRef, useState } from "react";

import type { Paper as PaperForm, Point } from "../api/types";
import { PaperControls } from "./PaperControls";
import { PaperMap } from "./PaperMap";
import classes from "./Paper.module.css";
import { Ruler } from "./Ruler";
import type { Stretch } from "./sight";
import { useSight } from "./useSight";

/** Pixels of the screen to a millimetre of the paper that is looked at. */
const Scale = createContext(1);

export function usePaperScale(): number {
  return useContext(Scale);
}

interface Props extends Omit<React.SVGProps<SVGSVGElement>, "ref" | "children"> {
  paper: PaperForm;
  /** Boxes of the views, mm with y up: they can be shown one by one. */
  views?: readonly Box[];
  /** A box that is shown alone as soon as it is given; the whole sheet when it is taken away again. */
  looksAt?: Box | null;
  /** Whether a drag pushes the paper: where there is nothing on it to take hold of. */
  dragPushes?: boolean;
  /** In the midst of a page that is scrolled: the wheel alone, and one finger, are the page's. */
  amid?: boolean;
  svg?: React.Ref<SVGSVGElement>;
  children: ReactNode;
}

/** Left, bottom, right, top in mm, y up. */
export type Box = readonly [number, number, number, number];

/** A sheet of paper in a window, as near as one wants it. What is drawn on it is in mm, y down. */
export function Paper({
  paper,
  views = [],
  looksAt = null,
  dragPushes = false,
  amid = false,
  svg,
  children,
  ...rest
}: Props) {
  const eye = useSight(paper, dragPushes, amid);
  const { sight, window } = eye;
  const ready = window.width > 0 && window.height > 0;
  const [turn, setTurn] = useState(0);
  const [measuring, setMeasuring] = useState(false);
  const stretches = views.filter(([l, b, r, t]) => r > l && t > b).map((box) => around(box, paper));
  const showNext = () => {
    const next = stretches[turn % Math.max(stretches.length, 1)];
    if (!next) return;
    eye.show(next);
    setTurn(turn + 1);
  };
  const wanted = looksAt?.join(" ") ?? null;
  const looked = useRef<string | null>(null);
  useEffect(() => {
    if (wanted === looked.current || !ready) return;
    looked.current = wanted;
    if (looksAt) eye.show(around(looksAt, paper));
    else eye.showWhole();
  });
  const push = (x: number, y: number) => () => eye.push([x, y]);
  useHotkeys([
    ["plus", () => eye.step(1)],
    ["shift+plus", () => eye.step(1)],
    ["=", () => eye.step(1)],
    ["minus", () => eye.step(-1)],
    ["W", eye.showWhole],
    ["V", showNext],
    ["T", eye.showTrueSize],
    ["mod+ArrowLeft", push(1, 0)],
    ["mod+ArrowRight", push(-1, 0)],
    ["mod+ArrowUp", push(0, 1)],
    ["mod+ArrowDown", push(0, -1)],
  ]);
  const mm = 1 / sight.scale;
  return (
    <>
      <div
        ref={eye.frame}
        className={classes.window}
        data-hand={eye.hand || undefined}
        data-amid={amid || undefined}
        data-reading={dragPushes || undefined}
        data-whole={eye.isWhole || undefined}
        {...eye.gestures}
      >
        {ready && (
          <svg
            {...rest}
            ref={svg}
            className={classes.paper}
            width={window.width}
            height={window.height}
            viewBox={`${-sight.left * mm} ${-sight.top * mm} ${window.width * mm} ${window.height * mm}`}
            data-paper={`${paper.width} ${paper.height}`}
            style={{ "--mm-per-px": mm } as React.CSSProperties}
          >
            <rect className={classes.ground} width={paper.width} height={paper.height} />
            <Scale.Provider value={sight.scale}>{children}</Scale.Provider>
          </svg>
        )}
        {ready && !eye.isWhole && <PaperMap paper={paper} views={views} eye={eye} />}
        <PaperControls
          eye={eye}
          onView={stretches.length ? showNext : undefined}
          onMeasure={() => setMeasuring(true)}
        />
      </div>
      <Ruler opened={measuring} onClose={() => setMeasuring(false)} onMeasured={eye.showTrueSize} />
    </>
  );
}

/** A view with some white around it. */
function around([left, bottom, right, top]: Box, paper: PaperForm): Stretch {
  const white = 4;
  return {
    left: left - white,
    top: paper.height - top - white,
    width: right - left + 2 * white,
    height: top - bottom + 2 * white,
  };
}

/** Where on the paper (mm, y up) a pointer is. */
export function pointOn(
  svg: SVGSVGElement | null,
  event: { clientX: number; clientY: number },
): Point {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(
    svg?.getScreenCTM()?.inverse(),
  );
  const height = Number(svg?.dataset.paper?.split(" ")[1] ?? 0);
  return [at.x, height - at.y];
}
