import {
  Accordion,
  Checkbox,
  Group,
  MultiSelect,
  NumberInput,
  SegmentedControl,
  Select,
  Stack,
  Switch,
  Text,
  TextInput,
} from "@mantine/core";

import type { Criterion, Task } from "../api/types";
import { CRITERIA, PAPERS, TITLE_FIELDS } from "../frame/words";
import { DimensionFields } from "./DimensionFields";
import classes from "./Exercises.module.css";

const SCALES = ["1:10", "1:5", "1:2", "1:1", "2:1", "5:1", "10:1"];
const VIEWS: NonNullable<Task["views"]> = ["front", "top", "right", "left", "bottom", "rear"];
interface Props {
  task: Task;
  /** The usual points of its kind. */
  usual: Partial<Record<Criterion, number>>;
  onChange: (task: Task) => void;
}

/** What is asked of the drawing. */
export function TaskFields({ task, usual, onChange }: Props) {
  const pointsOf = (criterion: Criterion) => task.points[criterion] ?? usual[criterion] ?? 0;
  const set = (change: Partial<Task>) => onChange({ ...task, ...change });
  return (
    <Stack>
      <Group grow align="end">
        <Select
          label="Paper"
          data={PAPERS}
          value={task.paper}
          onChange={(value) => value && set({ paper: value as Task["paper"] })}
          allowDeselect={false}
        />
        <Labelled label="Orientation">
          <SegmentedControl
            fullWidth
            data={[
              { value: "landscape", label: "landscape" },
              { value: "portrait", label: "portrait" },
            ]}
            value={task.landscape ? "landscape" : "portrait"}
            onChange={(value) => set({ landscape: value === "landscape" })}
          />
        </Labelled>
      </Group>
      <Group grow align="end">
        <Labelled label="Angle of projection">
          <SegmentedControl
            fullWidth
            data={["first", "third"]}
            value={task.angle}
            onChange={(value) => set({ angle: value as Task["angle"] })}
          />
        </Labelled>
        <Labelled label="Units">
          <SegmentedControl
            fullWidth
            data={["mm", "inch"]}
            value={task.units}
            onChange={(value) => set({ units: value as Task["units"] })}
          />
        </Labelled>
      </Group>
      <MultiSelect
        label="Views asked for"
        description="Leave empty to let the drafter choose"
        data={VIEWS}
        value={task.views ?? []}
        onChange={(value) =>
          set({ views: value.length ? (value as NonNullable<Task["views"]>) : null })
        }
      />
      <Group grow align="end">
        <Select
          label="Pictorial view"
          data={["required", "allowed", "unwanted"]}
          value={task.pictorial}
          onChange={(value) => value && set({ pictorial: value as Task["pictorial"] })}
          allowDeselect={false}
        />
        <Select
          label="Scale"
          placeholder="free choice"
          data={SCALES}
          value={task.scale ?? null}
          onChange={(value) => set({ scale: value })}
          clearable
        />
      </Group>
      <Group>
        <Switch
          label="Dimensions"
          checked={task.dimensioning.required}
          onChange={(e) =>
            set({ dimensioning: { ...task.dimensioning, required: e.currentTarget.checked } })
          }
        />
        <Switch
          label="Hidden lines"
          checked={task.hidden_lines}
          onChange={(e) => set({ hidden_lines: e.currentTarget.checked })}
        />
        <Switch
          label="Centre lines"
          checked={task.centre_lines}
          onChange={(e) => set({ centre_lines: e.currentTarget.checked })}
        />
      </Group>
      {task.dimensioning.required && <DimensionFields task={task} set={set} />}
      <Accordion variant="separated">
        <Accordion.Item value="title">
          <Accordion.Control>
            Title block: {task.title_fields.length ? task.title_fields.join(", ") : "nothing asked"}
          </Accordion.Control>
          <Accordion.Panel>
            <Checkbox.Group
              value={task.title_fields}
              onChange={(value) => set({ title_fields: value as Task["title_fields"] })}
            >
              <Group>
                {[...TITLE_FIELDS, "angle"].map((field) => (
                  <Checkbox key={field} value={field} label={field} />
                ))}
              </Group>
            </Checkbox.Group>
            <Switch
              mt="sm"
              label="Lettered in capitals"
              checked={task.title_capitals}
              onChange={(e) => set({ title_capitals: e.currentTarget.checked })}
            />
            <TextInput
              mt="sm"
              label="Name of the sheet or file"
              description="With fields of the title block in braces; empty: any name"
              placeholder="{class}-{drafter}-{title}"
              maxLength={120}
              value={task.sheet_name ?? ""}
              onChange={(e) => set({ sheet_name: e.currentTarget.value || null })}
            />
          </Accordion.Panel>
        </Accordion.Item>
        <Accordion.Item value="aids">
          <Accordion.Control>
            Helps at the bench: {task.aids.length ? task.aids.join(", ") : "none"}
          </Accordion.Control>
          <Accordion.Panel>
            <Checkbox.Group
              value={task.aids}
              onChange={(value) => set({ aids: value as Task["aids"] })}
            >
              <Group>
                <Checkbox value="even gaps" label="even out the gaps between views" />
                <Checkbox value="centre lines" label="add lacking centre marks and lines" />
                <Checkbox value="scale" label="propose a scale" />
              </Group>
            </Checkbox.Group>
          </Accordion.Panel>
        </Accordion.Item>
        <Accordion.Item value="points">
          <Accordion.Control>
            Points: {CRITERIA.reduce((sum, c) => sum + pointsOf(c.id), 0)} in all, an error costs{" "}
            {task.error_cost}
          </Accordion.Control>
          <Accordion.Panel>
            <div className={classes.pointsGrid}>
              {CRITERIA.map((c) => (
                <NumberInput
                  key={c.id}
                  label={c.label}
                  min={0}
                  max={100}
                  value={pointsOf(c.id)}
                  onChange={(value) =>
                    set({ points: { ...task.points, [c.id]: Number(value) || 0 } })
                  }
                />
              ))}
            </div>
            <NumberInput
              mt="sm"
              w={160}
              label="An error costs"
              min={0}
              max={100}
              step={0.5}
              value={task.error_cost}
              onChange={(value) => set({ error_cost: Number(value) || 0 })}
            />
          </Accordion.Panel>
        </Accordion.Item>
      </Accordion>
    </Stack>
  );
}

function Labelled({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div>
      <Text size="sm" fw={500} mb={2}>
        {label}
      </Text>
      {children}
    </div>
  );
}
