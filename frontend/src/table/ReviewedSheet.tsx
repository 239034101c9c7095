import type { Sheet } from "../api/types";
import { FindingOverlay } from "../drawing/FindingOverlay";
import { Ink } from "../drawing/Ink";
import { MovingInk } from "../reader/MovingInk";
import type { Reader } from "../reader/useReader";
import classes from "./Table.module.css";

interface Props {
  sheet: Sheet;
  reader: Reader;
  lit: number | null;
  onPoint: (place: number | null) => void;
  onChoose: (place: number) => void;
}

/** The sheet with the marks of its findings. */
export function ReviewedSheet({ sheet, reader, lit, onPoint, onChoose }: Props) {
  const { paper, groups } = sheet.ink;
  return (
    <svg
      className={classes.sheet}
      viewBox={`0 0 ${paper.width} ${paper.height}`}
      role="img"
      aria-label={`Sheet of ${sheet.student}`}
      style={{ aspectRatio: `${paper.width} / ${paper.height}` }}
    >
      <rect width={paper.width} height={paper.height} fill="#fffdf8" />
      {groups.map((group) => (
        <Ink key={`${group.role}-${group.id}`} group={group} height={paper.height} />
      ))}
      <MovingInk reader={reader} groups={groups} height={paper.height} />
      <FindingOverlay
        findings={sheet.findings.map((finding, index) => ({ finding, label: index + 1 }))}
        height={paper.height}
        lit={lit}
        onPoint={onPoint}
        onChoose={onChoose}
      />
    </svg>
  );
}
