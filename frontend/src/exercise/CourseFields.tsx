import { Group, NumberInput, SegmentedControl, Select, Text } from "@mantine/core";
import { DateTimePicker } from "@mantine/dates";

import type { Task } from "../api/types";
import { said, t } from "../frame/language";
import { term, terms } from "../frame/words";

const ABOUT: Record<Task["course"], string> = {
  practice: said("Checked at any time, with all reasons, as often as a student wants."),
  homework: said("A set number of looks before handing in."),
  test: said(
    "No looks. What is on the sheet when the test closes is handed in by itself, also for who has lost the connection.",
  ),
};

interface Props {
  task: Task;
  onTask: (task: Task) => void;
  opens: string | null;
  onOpens: (opens: string | null) => void;
  closes: string | null;
  onCloses: (closes: string | null) => void;
}

/** How an exercise is worked on: practice, homework or test; looks, attempts, when it opens and closes. */
export function CourseFields({ task, onTask, opens, onOpens, closes, onCloses }: Props) {
  const set = (change: Partial<Task>) => onTask({ ...task, ...change });
  return (
    <div role="group" aria-label={t("How it is worked on")}>
      <SegmentedControl
        fullWidth
        aria-label={t("How it is worked on")}
        data={terms(["practice", "homework", "test"] as const)}
        value={task.course}
        onChange={(course) => set({ course: course as Task["course"] })}
      />
      <Text className="quiet small" mt={4}>
        {t(ABOUT[task.course])}
      </Text>
      <Group grow align="start" mt="sm">
        {task.course === "homework" && (
          <NumberInput
            label={t("Checks before handing in")}
            min={0}
            max={9}
            value={task.checks}
            onChange={(checks) => set({ checks: Number(checks) || 0 })}
          />
        )}
        {task.course === "homework" && (
          <Select
            label={t("Such a check tells")}
            data={[
              { value: "criteria", label: t("the criterion only") },
              { value: "reasons", label: t("all reasons") },
            ]}
            value={task.checks_tell}
            onChange={(tell) => tell && set({ checks_tell: tell as Task["checks_tell"] })}
            allowDeselect={false}
            disabled={task.checks === 0}
          />
        )}
        <NumberInput
          label={t("Attempts")}
          min={1}
          max={9}
          value={task.attempts}
          onChange={(attempts) => set({ attempts: Number(attempts) || 1 })}
        />
        {task.attempts > 1 && (
          <Select
            label={t("What counts")}
            data={(["best", "last", "mean"] as const).map((counts) => ({
              value: counts,
              label: term(`attempt ${counts}`),
            }))}
            value={task.counts}
            onChange={(counts) => counts && set({ counts: counts as Task["counts"] })}
            allowDeselect={false}
          />
        )}
      </Group>
      <Group grow align="start" mt="sm">
        <DateTimePicker
          label={t("Opens")}
          placeholder={t("at once")}
          valueFormat="ddd D MMM YYYY, HH:mm"
          value={opens}
          onChange={onOpens}
          clearable
        />
        <DateTimePicker
          label={t("Closes")}
          placeholder={t("never")}
          valueFormat="ddd D MMM YYYY, HH:mm"
          value={closes}
          onChange={onCloses}
          clearable
        />
      </Group>
    </div>
  );
}
