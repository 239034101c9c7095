import { t } from "../frame/language";
import type { Sheet } from "../api/types";
import { FindingOverlay } from "../drawing/FindingOverlay";
import { Ink } from "../drawing/Ink";
import { Paper } from "../paper/Paper";
import { MovingInk } from "../reader/MovingInk";
import type { Reader } from "../reader/useReader";

interface Props {
  sheet: Sheet;
  reader?: Reader;
  lit: number | null;
  onPoint?: (number: number | null) => void;
  onChoose?: (number: number) => void;
}

/** The sheet with the marks of its findings. */
export function ReviewedSheet({ sheet, reader, lit, onPoint, onChoose }: Props) {
  const { paper, groups } = sheet.ink;
  return (
    <Paper
      paper={paper}
      views={sheet.ink.views.map((view) => view.box)}
      dragPushes
      role="img"
      aria-label={t("Sheet of {{student}}", { student: sheet.student })}
    >
      {groups.map((group) => (
        <Ink key={`${group.role}-${group.id}`} group={group} height={paper.height} />
      ))}
      {reader && <MovingInk reader={reader} groups={groups} height={paper.height} />}
      <FindingOverlay
        findings={sheet.findings.map((finding) => ({ finding, label: finding.number + 1 }))}
        height={paper.height}
        lit={lit}
        onPoint={onPoint}
        onChoose={onChoose}
      />
    </Paper>
  );
}
