import { Button, Group, NativeSelect, NumberInput } from "@mantine/core";
import { useState } from "react";

import type { Criterion, Point, Sheet } from "../api/types";
import { t } from "../frame/language";
import { criterionLabel } from "../frame/words";
import { RemarkField } from "../marking/RemarkField";
import classes from "./Table.module.css";
import type { NewMistake } from "./useMarking";

interface Props {
  sheet: Sheet;
  /** Where on the sheet it is, if a place was pointed at. */
  at: Point | null;
  onAdd: (mistake: NewMistake) => void;
  onPlace: () => void;
  onClose: () => void;
}

/** A mistake the program did not find: criterion, words, cost, and a place on the sheet if wanted. */
export function AddMistake({ sheet, at, onAdd, onPlace, onClose }: Props) {
  const judged = sheet.marks.map((mark) => mark.criterion);
  const [criterion, setCriterion] = useState<Criterion>(judged[0] ?? "lines");
  const [words, setWords] = useState("");
  const [cost, setCost] = useState<number | string>(sheet.exercise.task.error_cost);
  const ready = words.trim() !== "";
  const add = () => {
    if (ready) onAdd({ criterion, words: words.trim(), cost: Number(cost) || 0, at });
  };
  return (
    <form
      className={classes.adding}
      aria-label={t("Add a mistake")}
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
      onKeyDown={(event) => event.key === "Escape" && onClose()}
    >
      <Group grow gap={8}>
        <NativeSelect
          size="xs"
          label={t("Criterion")}
          data={judged.map((own) => ({ value: own, label: criterionLabel(own) }))}
          value={criterion}
          onChange={(event) => setCriterion(event.currentTarget.value as Criterion)}
        />
        <NumberInput
          size="xs"
          label={t("Costs")}
          min={0}
          max={1000}
          step={0.5}
          value={cost}
          onChange={setCost}
        />
      </Group>
      <RemarkField
        size="xs"
        mt={6}
        data-autofocus
        autoFocus
        label={t("What is wrong")}
        value={words}
        onChange={setWords}
      />
      <Group gap={8} mt={8}>
        <Button size="xs" type="submit" disabled={!ready}>
          {t("Add")}
        </Button>
        <Button size="xs" variant="default" onClick={onPlace}>
          {at ? t("Another place") : t("Point at it")}
        </Button>
        <Button size="xs" variant="subtle" color="ink" onClick={onClose}>
          {t("Cancel")}
        </Button>
      </Group>
    </form>
  );
}
