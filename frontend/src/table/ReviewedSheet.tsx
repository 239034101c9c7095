import type { ReactNode } from "react";

import type { Sheet } from "../api/types";
import { FindingOverlay } from "../drawing/FindingOverlay";
import { Ink } from "../drawing/Ink";
import { OriginalImage } from "../drawing/OriginalImage";
import { t } from "../frame/language";
import { Paper } from "../paper/Paper";
import { MovingInk } from "../reader/MovingInk";
import type { Reader } from "../reader/useReader";
import classes from "./Table.module.css";

interface Props {
  sheet: Sheet;
  /** Another sheet of the same student, shown quietly under this one. */
  under?: Sheet | null;
  reader?: Reader;
  lit: number | null;
  onPoint?: (number: number | null) => void;
  onChoose?: (number: number) => void;
  /** Whether the drawing steps back behind what is laid over it. */
  faded?: boolean;
  /** Whether the file it was read from lies under it. */
  original?: boolean;
  /** Whether a drag pushes the paper. */
  pushes?: boolean;
  /** What lies over the drawing. */
  children?: ReactNode;
}

/** The sheet with the marks of its findings. */
export function ReviewedSheet(props: Props) {
  const { sheet, under, reader, lit, onPoint, onChoose, faded, original, children } = props;
  const { pushes = true } = props;
  const { paper, groups } = sheet.ink;
  return (
    <Paper
      paper={paper}
      views={sheet.ink.views.map((view) => view.box)}
      dragPushes={pushes}
      role="img"
      aria-label={t("Sheet of {{student}}", { student: sheet.student })}
    >
      {original && <OriginalImage href={`/api/sheets/${sheet.id}/original.svg`} paper={paper} />}
      {under && (
        <g className={classes.under}>
          {under.ink.groups
            .filter((group) => group.role !== "frame" && group.role !== "title")
            .map((group) => (
              <Ink key={`${group.role}-${group.id}`} group={group} height={paper.height} />
            ))}
        </g>
      )}
      <g opacity={faded ? 0.28 : undefined}>
        {groups.map((group) => (
          <Ink key={`${group.role}-${group.id}`} group={group} height={paper.height} />
        ))}
      </g>
      {reader && !faded && <MovingInk reader={reader} groups={groups} height={paper.height} />}
      {!faded && (
        <FindingOverlay
          findings={sheet.findings.map((finding) => ({ finding, label: finding.number + 1 }))}
          height={paper.height}
          lit={lit}
          onPoint={onPoint}
          onChoose={onChoose}
        />
      )}
      {children}
    </Paper>
  );
}
