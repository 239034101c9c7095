import { useRef, useState } from "react";

import type { Paper, Pin, Point } from "../api/types";
import { Spot } from "../drawing/Spot";
import { pointOn } from "../paper/Paper";
import { pinLetter } from "./PinList";
import classes from "./Table.module.css";

/** Points of a stroke nearer together than this (mm on paper) are one; a stroke has this many at most. */
const NEAR = 0.8;
const MOST = 400;

export type PinTool = "pin" | "stroke" | "spot";

interface Props {
  paper: Paper;
  pins: readonly Pin[];
  tool: PinTool | null;
  /** Where a pin is about to be put, by pointer or keys. */
  spot: Point | null;
  onSpot: (at: Point) => void;
  onStroke: (points: Point[]) => void;
}

/** Pins and freehand strokes over the sheet, and the hand that makes them. */
export function PinLayer({ paper, pins, tool, spot, onSpot, onStroke }: Props) {
  const ground = useRef<SVGRectElement>(null);
  const [stroke, setStroke] = useState<Point[] | null>(null);
  const y = (at: number) => paper.height - at;
  const at = (event: React.PointerEvent): Point => {
    const [left, up] = pointOn(ground.current?.ownerSVGElement ?? null, event);
    return [round(clamped(left, paper.width)), round(clamped(up, paper.height))];
  };
  const line = (points: readonly Point[]) => points.map(([x, up]) => `${x},${y(up)}`).join(" ");
  return (
    <g className={classes.pinned}>
      {pins.map((pin, index) =>
        pin.points.length > 1 ? (
          <polyline key={pin.id} points={line(pin.points)} className={classes.stroke} />
        ) : (
          <PinMark key={pin.id} at={pin.points[0]!} y={y} letter={pinLetter(index)} />
        ),
      )}
      {spot && <Spot at={spot} height={paper.height} />}
      {stroke && <polyline points={line(stroke)} className={classes.stroke} />}
      {tool && (
        <rect
          ref={ground}
          width={paper.width}
          height={paper.height}
          fill="transparent"
          style={{ cursor: "crosshair", touchAction: "none" }}
          data-thing=""
          onPointerDown={(event) => {
            if (event.button !== 0) return;
            event.stopPropagation();
            if (tool !== "stroke") {
              onSpot(at(event));
              return;
            }
            event.currentTarget.setPointerCapture(event.pointerId);
            setStroke([at(event)]);
          }}
          onPointerMove={(event) => {
            if (!stroke || stroke.length >= MOST) return;
            const here = at(event);
            const [x, up] = stroke[stroke.length - 1]!;
            if (Math.hypot(here[0] - x, here[1] - up) >= NEAR) setStroke([...stroke, here]);
          }}
          onPointerUp={() => {
            if (stroke && stroke.length > 1) onStroke(stroke);
            setStroke(null);
          }}
          onPointerCancel={() => setStroke(null)}
        />
      )}
    </g>
  );
}

function PinMark({ at, y, letter }: { at: Point; y: (at: number) => number; letter: string }) {
  return (
    <g transform={`translate(${at[0]} ${y(at[1])})`}>
      <path d="M0 0-2.6-6.5A4.2 4.2 0 1 1 2.6-6.5z" className={classes.pinHead} />
      <text y={-8.2} textAnchor="middle" fontSize={5} fontWeight={700} fill="#fffdf8">
        {letter}
      </text>
    </g>
  );
}

const clamped = (value: number, most: number) => Math.min(Math.max(value, 0), most);
const round = (value: number) => Math.round(10 * value) / 10;
