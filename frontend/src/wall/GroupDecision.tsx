import { Button, Checkbox, Group, Text } from "@mantine/core";
import { useState } from "react";

import { t } from "../frame/language";
import { RemarkField } from "../marking/RemarkField";
import { findingPlace, type Place, stillOut } from "./pile";
import { useDeciding } from "./useDeciding";
import classes from "./Wall.module.css";

interface Props {
  places: readonly Place[];
  exercise: number;
}

const keyOf = ({ sheet, finding }: Place) => `${sheet.id}/${finding.number}`;

/** Decide about a group of findings, a part of it or a single one, with a remark; take it back. */
export function GroupDecision({ places, exercise }: Props) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [remark, setRemark] = useState("");
  const { decide, trouble } = useDeciding(exercise);
  const out = stillOut(places);
  const taken = out.filter((place) => !left.has(keyOf(place)));
  const decided = taken.length > 0 && taken.every(({ finding }) => finding.decision !== null);
  const toggle = (places: readonly Place[], take: boolean) => {
    const next = new Set(left);
    for (const place of places) {
      if (take) next.delete(keyOf(place));
      else next.add(keyOf(place));
    }
    setLeft(next);
  };
  const settle = (decision: "upheld" | "waived" | null) =>
    decide(taken.map(findingPlace), decision, remark.trim() || null);
  if (out.length === 0) return <Text className="quiet small">{t("All are returned.")}</Text>;
  return (
    <div className={classes.deciding}>
      {out.length > 1 && (
        <details className={classes.parts}>
          <summary>
            {t("{{number}} of {{all}} chosen", { number: taken.length, all: out.length })}
          </summary>
          <Checkbox
            size="xs"
            fw={700}
            label={t("all")}
            checked={taken.length === out.length}
            indeterminate={taken.length > 0 && taken.length < out.length}
            onChange={(event) => toggle(out, event.currentTarget.checked)}
          />
          {out.map((place) => (
            <Checkbox
              key={keyOf(place)}
              size="xs"
              label={`${place.sheet.student} · ${place.finding.number + 1}`}
              checked={!left.has(keyOf(place))}
              onChange={(event) => toggle([place], event.currentTarget.checked)}
            />
          ))}
        </details>
      )}
      <RemarkField
        size="xs"
        rule={places[0]?.finding.rule}
        aria-label={t("Remark for all of them")}
        placeholder={
          taken.length > 1 ? t("Remark for all {{number}}", { number: taken.length }) : t("Remark")
        }
        value={remark}
        onChange={setRemark}
      />
      <Group gap={8} mt={8}>
        <Button size="xs" disabled={taken.length === 0} onClick={() => settle("upheld")}>
          {t("Uphold on {{number}}", { number: taken.length })}
        </Button>
        <Button
          size="xs"
          variant="default"
          disabled={taken.length === 0}
          onClick={() => settle("waived")}
        >
          {t("Waive")}
        </Button>
        {decided && (
          <Button size="compact-xs" variant="subtle" color="ink" onClick={() => settle(null)}>
            {t("Take back")}
          </Button>
        )}
      </Group>
      {trouble && (
        <Text className="small" c="var(--fault)" role="alert">
          {trouble}
        </Text>
      )}
    </div>
  );
}
