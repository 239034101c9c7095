import { Button, Group, Text, Textarea, Title } from "@mantine/core";
import { useState } from "react";

import type { Point, Sheet } from "../api/types";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { criterionLabel, points } from "../frame/words";
import { AddMistake } from "./AddMistake";
import { ChangedNote } from "./ChangedNote";
import { FindingRow } from "./FindingRow";
import { Marks } from "./Marks";
import { PinList } from "./PinList";
import classes from "./Table.module.css";
import type { Marking } from "./useMarking";

interface Props {
  sheet: Sheet;
  chosen: number | null;
  onPoint: (number: number | null) => void;
  onChoose: (number: number) => void;
  marking: Marking;
  /** Whether a mistake is being added, and where on the sheet it is. */
  adding: boolean;
  onAdding: (adding: boolean) => void;
  spot: Point | null;
  onSpot: () => void;
}

/** The marking slip: findings, decisions, remarks, marks. */
export function Slip(props: Props) {
  const { sheet, chosen, onPoint, onChoose, marking, adding, onAdding, spot, onSpot } = props;
  const teaching = useMe().role === "instructor";
  const editable = teaching && sheet.state === "handed-in";
  if (!sheet.reviewed) {
    return (
      <aside className={`${classes.slip} panel`} aria-label={t("Slip")}>
        <Title order={2} size="h4">
          {t("Handed in")}
        </Title>
        <Text mt="sm">
          {t("Your instructor has the sheet now. The slip appears here when it is returned.")}
        </Text>
        {sheet.receipt && <Receipt receipt={sheet.receipt} />}
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
          {sheet.grade !== null && <strong>{sheet.grade} </strong>}
          {points(sheet.points)}
          <span className="quiet small">/{points(sheet.of)}</span>
        </span>
      </header>
      {marking.trouble && (
        <Text c="var(--fault)" role="alert" className="small">
          {marking.trouble}
        </Text>
      )}
      {sheet.changed && <ChangedNote changed={sheet.changed} />}
      {sheet.findings.length === 0 && sheet.added.length === 0 && (
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
            editable={editable}
            answering={!teaching && sheet.state === "returned" ? sheet.id : null}
            onPoint={onPoint}
            onChoose={onChoose}
            onDecide={marking.decide}
          />
        ))}
        {sheet.added.map((mistake) => (
          <li key={`added ${mistake.id}`} className={`${classes.finding} ${classes.added}`}>
            <span>
              <span className="quiet small">
                {criterionLabel(mistake.criterion)} · {t("added by your instructor")}
              </span>
              <span className={classes.message}>{mistake.words}</span>
            </span>
            <span className="number" style={{ color: "var(--fault)" }}>
              {mistake.cost > 0 ? `−${points(mistake.cost)}` : t("note")}
            </span>
            {editable && (
              <Button
                size="compact-xs"
                variant="subtle"
                color="ink"
                aria-label={t("Take back: {{words}}", { words: mistake.words })}
                onClick={() => marking.takeBack(mistake.id)}
              >
                {t("Take back")}
              </Button>
            )}
          </li>
        ))}
      </ol>
      {editable &&
        (adding ? (
          <AddMistake
            sheet={sheet}
            at={spot}
            onPlace={onSpot}
            onClose={() => onAdding(false)}
            onAdd={(mistake) => {
              marking.add(mistake);
              onAdding(false);
            }}
          />
        ) : (
          <Button mt="sm" size="xs" variant="default" onClick={() => onAdding(true)}>
            {t("Add a mistake")} <kbd className={classes.key}>A</kbd>
          </Button>
        ))}
      <PinList pins={sheet.pins} onTakeOff={editable ? marking.unpin : undefined} />
      <Marks sheet={sheet} editable={editable} give={marking.give} />
      <Remark sheet={sheet} editable={editable} remark={marking.remark} />
      {!teaching && sheet.receipt && <Receipt receipt={sheet.receipt} />}
    </aside>
  );
}

interface RemarkProps {
  sheet: Sheet;
  editable: boolean;
  remark: Marking["remark"];
}

function Remark({ sheet, editable, remark }: RemarkProps) {
  const [text, setText] = useState(sheet.remark);
  const [known, setKnown] = useState(sheet.remark);
  if (known !== sheet.remark) {
    setKnown(sheet.remark);
    // What somebody else wrote is shown, unless something else is being written here.
    if (text === known) setText(sheet.remark);
  }
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
      value={text}
      onChange={(e) => setText(e.currentTarget.value)}
      onBlur={() => text !== sheet.remark && remark(text)}
    />
  );
}

/** The receipt of what was handed in. */
function Receipt({ receipt }: { receipt: string }) {
  return (
    <Group gap={6} mt="md">
      <Text className="quiet small">
        {t("Receipt")}{" "}
        <code title={receipt} style={{ overflowWrap: "anywhere" }}>
          {receipt}
        </code>
      </Text>
    </Group>
  );
}
