import { MultiSelect, Select, Stack, Switch } from "@mantine/core";

import { viewLabel } from "../frame/words";
import { said, t } from "../frame/language";
import type { Task } from "../api/types";
import { isGivenKind, type Kind } from "./kinds";

const KINDS: { value: Kind; label: string }[] = [
  { value: "projected", label: said("Choose the views, the program draws their lines") },
  { value: "drafted", label: said("Draft all views by hand") },
  { value: "third view", label: said("Complete the third view") },
  { value: "special view", label: said("Draw a section, a detail or an auxiliary view") },
  { value: "missing lines", label: said("Add the missing lines") },
  { value: "wrong lines", label: said("Find the wrong lines") },
];

interface Props {
  task: Task;
  onChange: (task: Task) => void;
}

/** How the views come about, and what is left to the hand. */
export function KindFields({ task, onChange }: Props) {
  const { drafting } = task;
  const choose = (kind: Kind) =>
    onChange({
      ...task,
      drafting: { kind, left: [], changes: [], shown: isGivenKind(kind) ? drafting.shown : true },
      // Where the sheet is set out, lines are what is asked; sizes and title can be asked for again below.
      dimensioning: { ...task.dimensioning, required: !isGivenKind(kind) },
      title_fields: isGivenKind(kind) ? [] : ["title", "drafter", "date", "scale"],
      views: task.views?.length ? task.views : ["front", "top", "right"],
      points: {},
    });
  const views = task.views ?? ["front", "top", "right"];
  return (
    <Stack gap="xs">
      <Select
        label={t("What is asked of the lines")}
        data={KINDS.map((kind) => ({ ...kind, label: t(kind.label) }))}
        value={drafting.kind}
        allowDeselect={false}
        onChange={(value) => value && choose(value as Kind)}
      />
      {drafting.kind === "third view" && (
        <MultiSelect
          label={t("Left to draft")}
          description={t("The last of the views asked for, unless you choose others")}
          data={views.map((view) => ({ value: view, label: viewLabel(view) }))}
          value={drafting.left}
          onChange={(left) =>
            onChange({ ...task, drafting: { ...drafting, left: left as typeof drafting.left } })
          }
        />
      )}
      {isGivenKind(drafting.kind) && (
        <Switch
          label={t("Show the part on the turntable")}
          description={t("Without it, students know the part from the given views alone.")}
          checked={drafting.shown}
          onChange={(e) =>
            onChange({ ...task, drafting: { ...drafting, shown: e.currentTarget.checked } })
          }
        />
      )}
    </Stack>
  );
}
