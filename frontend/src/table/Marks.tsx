import { NumberInput, Text } from "@mantine/core";
import { useState } from "react";

import type { Criterion, MarkRow, Sheet } from "../api/types";
import { t } from "../frame/language";
import { criterionLabel, points } from "../frame/words";
import classes from "./Table.module.css";
import type { Marking } from "./useMarking";

interface Props {
  sheet: Sheet;
  editable: boolean;
  give: Marking["give"];
}

/** The mark, criterion by criterion; what a person gives instead stands beside what was computed. */
export function Marks({ sheet, editable, give }: Props) {
  const { bonus: most, late } = sheet.exercise.task.marking;
  return (
    <div className={classes.marks}>
      {sheet.marks.map((mark) => (
        <MarkOf key={mark.criterion} mark={mark} editable={editable} give={give} />
      ))}
      {(sheet.late_loss > 0 || (sheet.late && late.per_day > 0)) && (
        <div>
          <span>{t("Late")}</span>
          <span className="number">−{points(sheet.late_loss)}</span>
        </div>
      )}
      {most > 0 && (
        <div>
          <span>{t("Bonus")}</span>
          {editable ? (
            <Given
              label={t("Bonus")}
              most={most}
              value={sheet.bonus || null}
              shown={points(sheet.bonus)}
              onGive={(value) => give("bonus", value)}
            />
          ) : (
            <span className="number">{points(sheet.bonus)}</span>
          )}
        </div>
      )}
    </div>
  );
}

interface MarkProps extends Omit<Props, "sheet"> {
  mark: MarkRow;
}

function MarkOf({ mark, editable, give }: MarkProps) {
  const label = criterionLabel(mark.criterion);
  const computed =
    mark.outcome === "not-judged" ? t("not judged") : `${points(mark.points)}/${points(mark.of)}`;
  const shown = mark.given === null ? computed : `${points(mark.given)}/${points(mark.of)}`;
  return (
    <div data-criterion={mark.criterion}>
      <span>
        {label}
        {mark.given !== null && (
          <Text span className="quiet small">
            {" "}
            {t("computed {{points}}", { points: computed })}
          </Text>
        )}
      </span>
      {editable ? (
        <Given
          label={label}
          criterion={mark.criterion}
          most={mark.of}
          value={mark.given}
          shown={shown}
          onGive={(value) => give(mark.criterion, value)}
        />
      ) : (
        <span
          className={
            mark.given === null && mark.outcome === "not-judged" ? "quiet small" : "number"
          }
        >
          {shown}
        </span>
      )}
    </div>
  );
}

interface GivenProps {
  label: string;
  criterion?: Criterion;
  most: number;
  value: number | null;
  shown: string;
  onGive: (value: number | null) => void;
}

/** Points that can be given by hand: pressed, they become a field; emptied, the computed ones count again. */
function Given({ label, criterion, most, value, shown, onGive }: GivenProps) {
  const [typed, setTyped] = useState<number | string | null>(null);
  if (typed === null) {
    return (
      <button
        type="button"
        className={`${classes.given} number`}
        data-given={value !== null || undefined}
        data-give={criterion}
        aria-label={t("Points for {{what}}: {{points}}. Give others.", {
          what: label,
          points: shown,
        })}
        onClick={() => setTyped(value ?? "")}
      >
        {shown}
      </button>
    );
  }
  const keep = () => {
    const next = typed === "" ? null : Math.min(Math.max(Number(typed), 0), most);
    if (next !== value) onGive(next);
    setTyped(null);
  };
  return (
    <NumberInput
      size="xs"
      w={72}
      autoFocus
      hideControls
      aria-label={t("Points for {{what}}", { what: label })}
      min={0}
      max={most}
      value={typed}
      onChange={setTyped}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === "Enter") keep();
        if (event.key === "Escape") setTyped(null);
      }}
    />
  );
}
