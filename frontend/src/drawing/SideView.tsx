import { useMemo } from "react";

import type { InkItem, SideDrawing } from "../api/types";
import { InkPiece } from "./Ink";

interface Props {
  drawing: Pick<SideDrawing, "items" | "box">;
  label: string;
  hidden?: boolean;
  /** Longest size that fills the frame, so that several drawings keep one scale. */
  span?: number;
  /** Model edges to light up, and who is told over which edges the pointer is. */
  lit?: readonly number[];
  onPoint?: (edges: readonly number[] | null) => void;
}

const NONE: readonly number[] = [];

/** Frame of a drawing in mm of its own: line widths stay right whatever the size of the part. */
const FRAME = 64;
const MARGIN = 4;

/** One view of a part as an exact line drawing, scaled to its frame. */
export function SideView({ drawing, label, hidden = true, span, lit = NONE, onPoint }: Props) {
  const items = useMemo(() => {
    const [left, bottom, right, top] = drawing.box;
    const size = span ?? Math.max(right - left, top - bottom);
    const scale = (FRAME - 2 * MARGIN) / size;
    const move = ([x, y]: readonly number[]): [number, number] => [
      ((x ?? 0) - (left + right) / 2) * scale,
      ((y ?? 0) - (bottom + top) / 2) * scale,
    ];
    return drawing.items
      .filter((item) => hidden || !("pen" in item) || item.pen !== "hidden")
      .map((item): InkItem => {
        if (item.kind === "stroke") return { ...item, points: item.points.map(move) };
        if (item.kind === "arc")
          return { ...item, centre: move(item.centre), radius: item.radius * scale };
        return item;
      });
  }, [drawing, hidden, span]);
  return (
    <svg
      viewBox={`${-FRAME / 2} ${-FRAME / 2} ${FRAME} ${FRAME}`}
      role="img"
      aria-label={label}
      style={{
        width: "100%",
        height: "100%",
        color: "var(--mantine-color-text)",
        display: "block",
      }}
    >
      {items.map((item, index) => (
        <InkPiece key={index} item={item} height={0} />
      ))}
      {items.map((item, index) =>
        "edges" in item && item.edges.some((edge) => lit.includes(edge)) ? (
          <g key={index} className="lit">
            <InkPiece item={item} height={0} />
          </g>
        ) : null,
      )}
      {onPoint &&
        items.map((item, index) =>
          "edges" in item && item.edges.length > 0 ? (
            <g
              key={index}
              className="reach"
              onPointerEnter={() => onPoint(item.edges)}
              onPointerLeave={() => onPoint(null)}
            >
              <InkPiece item={item} height={0} />
            </g>
          ) : null,
        )}
    </svg>
  );
}
