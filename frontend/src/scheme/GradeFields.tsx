import { Button, Group, NumberInput, TextInput, Title } from "@mantine/core";

import type { Scheme, SchemeAnswer } from "../api/types";
import { t } from "../frame/language";
import styles from "./Scheme.module.css";

interface Props extends Pick<SchemeAnswer, "letters" | "numbers"> {
  marking: Scheme["marking"];
  onChange: (marking: Scheme["marking"]) => void;
}

/** Grades by share of full marks: letters, numbers, or words of a school's own; without any, marks are points. */
export function GradeFields({ marking, letters, numbers, onChange }: Props) {
  const set = (grades: Scheme["marking"]["grades"]) => onChange({ ...marking, grades });
  const change = (index: number, own: Partial<(typeof marking.grades)[number]>) =>
    set(marking.grades.map((step, at) => (at === index ? { ...step, ...own } : step)));
  return (
    <section className={styles.section}>
      <Title order={2} size="h4">
        {t("Grades")}
      </Title>
      <Group gap={8} mt={6}>
        <Button size="compact-sm" variant="default" onClick={() => set([])}>
          {t("None: points only")}
        </Button>
        <Button size="compact-sm" variant="default" onClick={() => set(letters)}>
          {t("Letters")}
        </Button>
        <Button size="compact-sm" variant="default" onClick={() => set(numbers)}>
          {t("Numbers")}
        </Button>
      </Group>
      <div className={styles.grades}>
        {marking.grades.map((step, index) => (
          <div key={index}>
            <TextInput
              size="xs"
              w={60}
              aria-label={t("Grade {{number}}", { number: index + 1 })}
              maxLength={12}
              value={step.grade}
              onChange={(event) => change(index, { grade: event.currentTarget.value })}
            />
            <NumberInput
              size="xs"
              w={86}
              aria-label={t("Grade {{number}}: from how many %", { number: index + 1 })}
              min={0}
              max={100}
              suffix=" %"
              value={step.least}
              onChange={(value) => change(index, { least: Number(value) || 0 })}
            />
          </div>
        ))}
      </div>
    </section>
  );
}
