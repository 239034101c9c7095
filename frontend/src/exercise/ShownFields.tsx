import { Select, Switch } from "@mantine/core";

import type { Task } from "../api/types";
import { said, t } from "../frame/language";

type Shows = Task["shows"];

const SHOWN: { value: Shows; label: string }[] = [
  { value: "views", label: said("Views of the whole, as of any part") },
  { value: "six sides", label: said("All six sides") },
  { value: "pulled apart", label: said("Its parts pulled apart, with balloons") },
  { value: "parts list", label: said("The parts list alone") },
];

interface Props {
  task: Task;
  onChange: (task: Task) => void;
}

/** What a sheet shows of an assembly. */
export function ShownFields({ task, onChange }: Props) {
  const choose = (shows: Shows) =>
    onChange({
      ...task,
      shows,
      // Six sides are all there are; of single parts no views are asked.
      views: shows === "views" ? ["front", "top", "right"] : null,
      pictorial: shows === "views" ? "allowed" : "unwanted",
      special: [],
      true_length: [],
      drafting: { kind: "projected", left: [], changes: [], shown: true },
      dimensioning: { ...task.dimensioning, required: shows === "views" },
      points: {},
    });
  return (
    <>
      <Select
        label={t("What the sheet shows")}
        data={SHOWN.map((own) => ({ ...own, label: t(own.label) }))}
        value={task.shows}
        allowDeselect={false}
        onChange={(value) => value && choose(value as Shows)}
      />
      {task.shows === "pulled apart" && (
        <Switch
          label={t("With the parts list on the same sheet")}
          checked={task.parts_list}
          onChange={(e) => onChange({ ...task, parts_list: e.currentTarget.checked })}
        />
      )}
    </>
  );
}
