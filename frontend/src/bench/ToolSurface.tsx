import type { ReactNode, RefObject } from "react";

import type { Paper, Point } from "../api/types";
import { t } from "../frame/language";
import { term } from "../frame/words";
import type { Tool } from "./bench";
import classes from "./Bench.module.css";

interface Props {
  surface: RefObject<SVGRectElement | null>;
  paper: Paper;
  tool: Tool;
  toSheet: (event: React.PointerEvent) => Point;
  onPoint: (at: Point) => void;
  onTake: () => void;
  onKey: (event: React.KeyboardEvent) => void;
  /** What has been taken and what is pointed at. */
  children: ReactNode;
}

/** The whole paper as what a tool points at, by mouse and by keyboard, with its marks over it. */
export function ToolSurface({
  surface,
  paper,
  tool,
  toSheet,
  onPoint,
  onTake,
  onKey,
  children,
}: Props) {
  return (
    <g data-thing>
      <rect
        ref={surface}
        width={paper.width}
        height={paper.height}
        fill="transparent"
        tabIndex={0}
        role="application"
        aria-label={t("{{tool}}: arrow keys choose, Enter takes", { tool: term(tool) })}
        style={{ cursor: "crosshair", outline: "none" }}
        data-testid="tool-surface"
        onPointerMove={(e) => onPoint(toSheet(e))}
        onPointerDown={(e) => {
          onPoint(toSheet(e));
          e.stopPropagation();
        }}
        onClick={onTake}
        onKeyDown={onKey}
      />
      <g pointerEvents="none" stroke="#2c7a70" fill="none" className={classes.aim}>
        {children}
      </g>
    </g>
  );
}
