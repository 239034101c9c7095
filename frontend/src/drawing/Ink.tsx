import { memo } from "react";

import type { InkGroup, InkItem } from "../api/types";
import { FONT_EM_PER_CAPITAL, PENS } from "./pens";

/** Letters as wide as they are measured, however small: browsers round the widths of small ones. */
const LETTERED = {
  fontFamily: "Maqueta Lettering",
  textRendering: "geometricPrecision",
  fontKerning: "none",
} as const;

interface Props {
  group: InkGroup;
  /** Height of the paper, mm: ink has y up, the screen y down. */
  height: number;
}

/** All ink of one thing on a sheet. */
export const Ink = memo(function Ink({ group, height }: Props) {
  return (
    <>
      {group.items.map((item, index) => (
        <InkPiece key={index} item={item} height={height} />
      ))}
    </>
  );
});

export const InkPiece = memo(function InkPiece({
  item,
  height,
}: {
  item: InkItem;
  height: number;
}) {
  switch (item.kind) {
    case "stroke":
      return <polyline points={path(item.points, height)} {...PENS[item.pen]} fill="none" />;
    case "filled":
      return <polygon points={path(item.points, height)} fill="currentColor" />;
    case "tinted":
      return (
        <path
          d={item.rings.map((ring) => `M${path(ring, height)}Z`).join("")}
          fill={item.colour}
          stroke={item.colour}
          strokeWidth={0.05}
          fillRule="evenodd"
          pointerEvents="none"
        />
      );
    case "arc":
      return <ArcPiece item={item} height={height} />;
    case "text": {
      const [x, y] = [item.at[0], height - item.at[1]];
      return (
        <text
          x={x}
          y={y}
          style={LETTERED}
          fontSize={item.height * FONT_EM_PER_CAPITAL}
          textAnchor={item.anchor}
          fill="currentColor"
          transform={item.angle ? `rotate(${-item.angle} ${x} ${y})` : undefined}
        >
          {item.text}
        </text>
      );
    }
  }
});

function ArcPiece({ item, height }: { item: Extract<InkItem, { kind: "arc" }>; height: number }) {
  const [x, y] = [item.centre[0], height - item.centre[1]];
  const pen = PENS[item.pen];
  if (item.sweep >= 2 * Math.PI - 1e-9) {
    return <circle cx={x} cy={y} r={item.radius} {...pen} fill="none" />;
  }
  const at = (angle: number) =>
    `${x + item.radius * Math.cos(angle)} ${y - item.radius * Math.sin(angle)}`;
  const large = item.sweep > Math.PI ? 1 : 0;
  const d = `M${at(item.start)}A${item.radius} ${item.radius} 0 ${large} 0 ${at(item.start + item.sweep)}`;
  return <path d={d} {...pen} fill="none" />;
}

function path(points: readonly (readonly number[])[], height: number): string {
  return points.map(([x, y]) => `${x},${height - (y ?? 0)}`).join(" ");
}
