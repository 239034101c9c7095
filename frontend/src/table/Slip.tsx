import { Button, Group, Text, Textarea, TextInput, Title } from "@mantine/core";
import { useEffect, useRef, useState } from "react";

import { t } from "../frame/language";
import type { Finding, Sheet } from "../api/types";
import { FindingSign } from "../drawing/FindingSign";
import { useMe } from "../frame/me";
import { criterionLabel, points } from "../frame/words";
import { ChangedNote } from "./ChangedNote";
import classes from "./Table.module.css";
import type { Decision, Marking } from "./useMarking";

interface Props {
  sheet: Sheet;
  chosen: number | null;
  onPoint: (number: number | null) => void;
  onChoose: (number: number) => void;
  marking: Marking;
}

/** The marking slip: findings, decisions, remarks, marks. */
export function Slip({ sheet, chosen, onPoint, onChoose, marking }: Props) {
  const teaching = useMe().role === "instructor";
  const problem = marking.decide.error?.message ?? marking.giveBack.error?.message;
  if (!sheet.reviewed) {
    return (
      <aside className={`${classes.slip} panel`} aria-label={t("Slip")}>
        <Title order={2} size="h4">
          {t("Handed in")}
        </Title>
        <Text mt="sm">
          {t("Your instructor has the sheet now. The slip appears here when it is returned.")}
        </Text>
      </aside>
    );
  }
  return (
    <aside className={`${classes.slip} panel`} aria-label={t("Slip")}>
      <header className={classes.slipHead}>
        <Title order={2} size="h3">
          {t("Slip")}
        </Title>
        <span className="number" style={{ fontSize: 26 }} data-testid="total">
          {points(sheet.points)}
          <span className="quiet small">/{points(sheet.of)}</span>
        </span>
      </header>
      {problem && (
        <Text c="var(--fault)" role="alert" className="small">
          {problem}
        </Text>
      )}
      {sheet.changed && <ChangedNote changed={sheet.changed} />}
      {sheet.findings.length === 0 && (
        <Text py="md">{t("Nothing found. Every line is where it should be.")}</Text>
      )}
      <ol className={classes.findings}>
        {sheet.findings.map((finding, index) => (
          <FindingRow
            key={finding.number}
            finding={finding}
            label={index + 1}
            fresh={sheet.changed?.new.includes(finding.number) ?? false}
            open={chosen === finding.number}
            editable={teaching && sheet.state === "handed-in"}
            onPoint={onPoint}
            onChoose={onChoose}
            onDecide={(number, decision, remark) =>
              marking.decide.mutate({ number, decision, remark })
            }
          />
        ))}
      </ol>
      <div className={classes.marks}>
        {sheet.marks.map((mark) => (
          <div key={mark.criterion}>
            <span>{criterionLabel(mark.criterion)}</span>
            {mark.outcome === "not-judged" ? (
              <span className="quiet small">{t("not judged")}</span>
            ) : (
              <span className="number">
                {points(mark.points)}/{points(mark.of)}
              </span>
            )}
          </div>
        ))}
      </div>
      <Remark
        sheet={sheet}
        editable={teaching && sheet.state === "handed-in"}
        remark={marking.remark}
      />
    </aside>
  );
}

interface RowProps extends Pick<Props, "onPoint" | "onChoose"> {
  onDecide: (number: number, decision: Decision, remark?: string) => void;
  finding: Finding;
  label: number;
  /** Whether only a later version of Maqueta found it. */
  fresh: boolean;
  open: boolean;
  editable: boolean;
}

function FindingRow({
  finding,
  label,
  fresh,
  open,
  editable,
  onPoint,
  onChoose,
  onDecide,
}: RowProps) {
  const row = useRef<HTMLLIElement>(null);
  const [remark, setRemark] = useState(finding.remark);
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
          {waived ? "waived" : finding.cost > 0 ? `−${points(finding.cost)}` : "note"}
        </span>
      </button>
      {!editable && finding.remark && <Text className={classes.remark}>{finding.remark}</Text>}
      {open && editable && (
        <div className={classes.decide}>
          <Group gap={8}>
            <Button
              size="xs"
              variant={finding.decision === "upheld" ? "filled" : "default"}
              aria-pressed={finding.decision === "upheld"}
              onClick={() =>
                onDecide(finding.number, finding.decision === "upheld" ? null : "upheld")
              }
            >
              {finding.decision === "upheld" ? t("Upheld") : t("Uphold")}{" "}
              <kbd className={classes.key}>U</kbd>
            </Button>
            <Button
              size="xs"
              variant={waived ? "filled" : "default"}
              aria-pressed={waived}
              onClick={() => onDecide(finding.number, waived ? null : "waived")}
            >
              {waived ? t("Waived") : t("Waive")} <kbd className={classes.key}>X</kbd>
            </Button>
          </Group>
          <TextInput
            size="xs"
            mt={8}
            aria-label={t("Remark on this finding")}
            placeholder={t("Remark")}
            value={remark}
            onChange={(e) => setRemark(e.currentTarget.value)}
            onBlur={() =>
              remark !== finding.remark && onDecide(finding.number, finding.decision, remark)
            }
          />
        </div>
      )}
    </li>
  );
}

interface RemarkProps {
  sheet: Sheet;
  editable: boolean;
  remark: Marking["remark"];
}

function Remark({ sheet, editable, remark }: RemarkProps) {
  const [text, setText] = useState(sheet.remark);
  if (!editable) {
    return sheet.remark ? <Text className={classes.remark}>{sheet.remark}</Text> : null;
  }
  return (
    <Textarea
      mt="md"
      autosize
      minRows={2}
      aria-label={t("Remark on the sheet")}
      placeholder={t("Remark to {{student}}", { student: sheet.student })}
      description={remark.isSuccess ? t("Kept.") : undefined}
      error={remark.error?.message}
      value={text}
      onChange={(e) => setText(e.currentTarget.value)}
      onBlur={() => text !== sheet.remark && remark.mutate(text)}
    />
  );
}
