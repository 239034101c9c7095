import { Text } from "@mantine/core";
import { memo } from "react";

import { t } from "../frame/language";
import type { Criterion, Finding, Paper, WallSheet } from "../api/types";
import { IconButton } from "../frame/IconButton";
import { FindingOverlay } from "../drawing/FindingOverlay";
import { CRITERIA, SPECIAL, criterionLabel, points, term } from "../frame/words";
import { type Chosen, isShown, standingOf } from "./pile";
import classes from "./Wall.module.css";

interface Props {
  sheet: WallSheet;
  paper: Paper;
  lens: Criterion | null;
  chosen: Chosen | null;
  onOpen: (sheet: number) => void;
  onLook: (sheet: number) => void;
}

/** One real drawing on the wall, with what the lens shows laid over it. */
export const PinnedSheet = memo(function PinnedSheet(props: Props) {
  const { sheet, paper, lens, chosen, onOpen, onLook } = props;
  const shown = sheet.findings
    .map((finding, index) => ({ finding, label: index + 1 }))
    .filter(({ finding }) => isShown(finding, lens, chosen));
  const through = lens !== null || chosen !== null;
  const faded = through && shown.length === 0;
  const pin = standingOf(sheet);
  return (
    <div className={classes.pinned}>
      <button
        type="button"
        className={classes.sheet}
        onClick={() => onOpen(sheet.id)}
        aria-label={t("Sheet of {{student}}, {{points}} of {{of}}, {{state}}", {
          student: sheet.student,
          points: points(sheet.points),
          of: points(sheet.of),
          state: term(pin),
        })}
      >
        <span className={classes.pin} data-state={pin} />
        <span className={classes.paper} style={{ aspectRatio: `${paper.width} / ${paper.height}` }}>
          <img
            src={`/api/sheets/${sheet.id}/drawing.svg?revision=${sheet.revision}`}
            alt=""
            loading="lazy"
            style={{ opacity: faded ? 0.22 : through ? 0.75 : 1 }}
          />
          <svg viewBox={`0 0 ${paper.width} ${paper.height}`} aria-hidden>
            <FindingOverlay findings={shown} height={paper.height} size={20} />
          </svg>
        </span>
        <span className={classes.caption}>
          <Text component="span" fw={700} truncate>
            {sheet.student}
            {sheet.late && <span className="quiet small"> {t("· late")}</span>}
            {sheet.changed && <span className="quiet small"> {t("· changed")}</span>}
            {sheet.attempts.length > 1 && (
              <span className="quiet small">
                {" "}
                {t("· attempt {{number}}", { number: sheet.attempts.length })}
              </span>
            )}
          </Text>
          <span className="number">
            {sheet.grade !== null && <strong>{sheet.grade} </strong>}
            {points(sheet.points)}
            <span className="quiet small">/{points(sheet.of)}</span>
          </span>
        </span>
        <Strip findings={sheet.findings} />
      </button>
      <IconButton
        className={classes.look}
        variant="default"
        tip={t("Look closer")}
        label={t("Look closer at the sheet of {{student}}", { student: sheet.student })}
        onClick={() => onLook(sheet.id)}
      >
        <rect x={1.5} y={9.5} width={7} height={5} strokeWidth={0.9} />
        <path d="M5 7.5v-5h11.5v9h-6" strokeWidth={1.4} />
      </IconButton>
    </div>
  );
});

/** One cell per criterion: whole where all is well, notched where not. */
function Strip({ findings }: { findings: Finding[] }) {
  return (
    <span className={classes.strip} aria-hidden>
      {CRITERIA.filter((c) => c.id !== "placement").map((c) => {
        const own = findings.filter((f) => f.criterion === c.id && f.decision !== "waived");
        if (own.length === 0 && SPECIAL.includes(c.id)) return null;
        const worst = own.some((f) => f.severity === "error")
          ? "error"
          : own.some((f) => f.severity === "warning")
            ? "warning"
            : "met";
        return <span key={c.id} data-worst={worst} title={criterionLabel(c.id)} />;
      })}
    </span>
  );
}
