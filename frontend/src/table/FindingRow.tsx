import { Button, Group, Text } from "@mantine/core";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";

import type { Finding } from "../api/types";
import { FindingSign } from "../drawing/FindingSign";
import { t } from "../frame/language";
import { criterionLabel, points } from "../frame/words";
import { RemarkField } from "../marking/RemarkField";
import { Agreement } from "./Agreement";
import { AnswerField } from "./AnswerField";
import classes from "./Table.module.css";
import type { Decision } from "./useMarking";

export interface FindingRowProps {
  finding: Finding;
  label: number;
  /** Whether only a later version of Maqueta found it. */
  fresh: boolean;
  open: boolean;
  editable: boolean;
  /** The sheet whose student looks at it and may say something to it; none for instructors. */
  answering: number | null;
  onPoint: (number: number | null) => void;
  onChoose: (number: number) => void;
  onDecide: (number: number, decision: Decision, remark?: string) => void;
}

/** A finding on the slip: what was found, what is decided about it, what was said to it. */
export function FindingRow(props: FindingRowProps) {
  const { finding, label, fresh, open, editable, answering, onPoint, onChoose, onDecide } = props;
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (open) row.current?.scrollIntoView({ block: "nearest" });
  }, [open]);
  const waived = finding.decision === "waived";
  return (
    <li
      ref={row}
      className={classes.finding}
      data-open={open}
      onPointerEnter={() => onPoint(finding.number)}
      onPointerLeave={() => onPoint(null)}
    >
      <button
        type="button"
        className={classes.findingHead}
        onClick={() => onChoose(finding.number)}
        onFocus={() => onChoose(finding.number)}
        aria-expanded={open}
      >
        <FindingSign
          sign={finding.sign}
          severity={finding.severity}
          decision={finding.decision}
          label={label}
        />
        <span>
          <span className="quiet small">
            {criterionLabel(finding.criterion)}
            {fresh && " · new"}
          </span>
          <span className={classes.message} data-waived={waived}>
            {finding.message}
          </span>
          {open && (
            <span className="quiet small" style={{ display: "block" }}>
              {t("Expected: {{expected}}. Found: {{found}}. {{basis}}.", {
                expected: finding.expected,
                found: finding.found,
                basis: finding.basis,
              })}
            </span>
          )}
        </span>
        <span className="number" style={{ color: waived ? "var(--quiet-ink)" : "var(--fault)" }}>
          {waived ? t("waived") : finding.cost > 0 ? `−${points(finding.cost)}` : t("note")}
        </span>
      </button>
      {open && (
        <Text className={classes.why}>
          <Link to={`/rules/${finding.rule}`}>{t("Why this matters")}</Link>
          {editable && <Agreement rule={finding.rule} />}
        </Text>
      )}
      {!editable && finding.remark && <Text className={classes.remark}>{finding.remark}</Text>}
      {answering === null && finding.answer && (
        <Text className={classes.answer}>
          <span className="quiet">{t("The student:")}</span> {finding.answer}
        </Text>
      )}
      {answering !== null && (open || finding.answer) && (
        <AnswerField sheet={answering} finding={finding} />
      )}
      {open && editable && <Deciding finding={finding} onDecide={onDecide} />}
    </li>
  );
}

function Deciding({ finding, onDecide }: Pick<FindingRowProps, "finding" | "onDecide">) {
  const [remark, setRemark] = useState(finding.remark);
  const { number, decision } = finding;
  const keep = (words: string) => {
    if (words !== finding.remark) onDecide(number, decision, words);
  };
  return (
    <div className={classes.decide}>
      <Group gap={8}>
        <Button
          size="xs"
          variant={decision === "upheld" ? "filled" : "default"}
          aria-pressed={decision === "upheld"}
          onClick={() => onDecide(number, decision === "upheld" ? null : "upheld")}
        >
          {decision === "upheld" ? t("Upheld") : t("Uphold")} <kbd className={classes.key}>U</kbd>
        </Button>
        <Button
          size="xs"
          variant={decision === "waived" ? "filled" : "default"}
          aria-pressed={decision === "waived"}
          onClick={() => onDecide(number, decision === "waived" ? null : "waived")}
        >
          {decision === "waived" ? t("Waived") : t("Waive")} <kbd className={classes.key}>X</kbd>
        </Button>
      </Group>
      <RemarkField
        size="xs"
        mt={8}
        rule={finding.rule}
        data-remark
        aria-label={t("Remark on this finding")}
        placeholder={t("Remark")}
        value={remark}
        onChange={setRemark}
        onOptionSubmit={keep}
        onBlur={() => keep(remark)}
        onKeyDown={(event) => {
          if (event.key === "Enter") keep(event.currentTarget.value);
          if (event.key === "Escape") event.currentTarget.blur();
        }}
      />
    </div>
  );
}
