import { Checkbox, Group, MultiSelect, Switch, TagsInput, TextInput } from "@mantine/core";

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
            <Checkbox
              key={field}
              value={field}
              label={fieldLabel(field)}
              disabled={task.sheet_form?.fields.every((place) => place.field !== field)}
            />
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
      <Choices task={task} set={set} />
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

type Field = (typeof TITLE_FIELDS)[number];

/** Fields that are neither filled in nor left open: the student chooses among what is given. */
function Choices({ task, set }: Props) {
  const { title_choices: choices } = task;
  const fields = TITLE_FIELDS.filter((field) => choices[field]);
  const open = TITLE_FIELDS.filter((field) => !task.title_filled.some((known) => known === field));
  return (
    <>
      <MultiSelect
        mt="sm"
        label={t("To be chosen from a list")}
        data={open.map((field) => ({ value: field, label: fieldLabel(field) }))}
        value={fields}
        onChange={(kept) =>
          set({
            title_choices: Object.fromEntries(
              (kept as Field[]).map((field) => [field, choices[field] ?? [USUAL[field] ?? "A"]]),
            ),
          })
        }
      />
      {fields.map((field) => (
        <TagsInput
          key={field}
          mt="sm"
          label={t("Choices for {{field}}", { field: fieldLabel(field) })}
          description={t("Enter after each")}
          maxTags={20}
          value={choices[field]}
          onChange={(own) => own.length && set({ title_choices: { ...choices, [field]: own } })}
        />
      ))}
    </>
  );
}

/** What a list begins with. */
const USUAL: Partial<Record<Field, string>> = {
  tolerances: "ISO 2768-m",
  scale: "1:1",
  paper: "A3",
  unit: "MM",
  material: "S235",
};
