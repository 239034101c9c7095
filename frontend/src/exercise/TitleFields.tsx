import { Checkbox, Group, MultiSelect, Switch, TextInput } from "@mantine/core";

import type { Task } from "../api/types";
import { t } from "../frame/language";
import { fieldLabel, FILLED_FIELDS, TITLE_FIELDS } from "../frame/words";

interface Props {
  task: Task;
  set: (change: Partial<Task>) => void;
}

/** What is asked of the title block, and what is filled in for the student. */
export function TitleFields({ task, set }: Props) {
  return (
    <>
      <Checkbox.Group
        value={task.title_fields}
        onChange={(value) => set({ title_fields: value as Task["title_fields"] })}
      >
        <Group>
          {[...TITLE_FIELDS, "angle" as const].map((field) => (
            <Checkbox key={field} value={field} label={fieldLabel(field)} />
          ))}
        </Group>
      </Checkbox.Group>
      <MultiSelect
        mt="sm"
        label={t("Filled in for the student")}
        description={t("As drawn, and as the program knows who draws and when")}
        data={FILLED_FIELDS.map((field) => ({ value: field, label: fieldLabel(field) }))}
        value={task.title_filled}
        onChange={(value) => set({ title_filled: value as Task["title_filled"] })}
      />
      <Switch
        mt="sm"
        label={t("Lettered in capitals")}
        checked={task.title_capitals}
        onChange={(e) => set({ title_capitals: e.currentTarget.checked })}
      />
      <TextInput
        mt="sm"
        label={t("Name of the sheet or file")}
        description={t("With fields of the title block in braces; empty: any name")}
        placeholder="{class}-{drafter}-{title}"
        maxLength={120}
        value={task.sheet_name ?? ""}
        onChange={(e) => set({ sheet_name: e.currentTarget.value || null })}
      />
    </>
  );
}
