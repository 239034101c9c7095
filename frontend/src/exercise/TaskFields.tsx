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
} from "@mantine/core";

import { t, written } from "../frame/language";
import type { BlankTask, Criterion, Task } from "../api/types";
import { criteriaOf, PAPERS, fieldLabel, term, terms, viewLabel } from "../frame/words";
import { DimensionFields } from "./DimensionFields";
import { ExactnessFields } from "./ExactnessFields";
import classes from "./Exercises.module.css";
import { FormChoice } from "./FormChoice";
import { isOfParts } from "./kinds";
import { TitleFields } from "./TitleFields";

const SCALES = ["1:10", "1:5", "1:2", "1:1", "2:1", "5:1", "10:1"];
const VIEWS: NonNullable<Task["views"]> = ["front", "top", "right", "left", "bottom", "rear"];
function askedFor(task: Task, criterion: Criterion): boolean {
  const edges = criterion === "auxiliary" && task.true_length.length > 0;
  return edges || task.special.some((asked) => asked.kind === criterion);
}

interface Props {
  task: Task;
  /** The usual points of every kind. */
  blank: BlankTask;
  onChange: (task: Task) => void;
}

/** What is asked of the drawing. */
export function TaskFields({ task, blank, onChange }: Props) {
  const usual: Partial<Record<Criterion, number>> =
    (task.shows === "views" ? blank.points[task.drafting.kind] : blank.shown_points[task.shows]) ??
    {};
  const ofParts = isOfParts(task);
  const criteria = criteriaOf(task.points);
  const pointsOf = (criterion: Criterion) =>
    task.points[criterion] ??
    (askedFor(task, criterion) ? blank.asked_points : (usual[criterion] ?? 0));
  const set = (change: Partial<Task>) => onChange({ ...task, ...change });
  return (
    <Stack>
      <Group grow align="end">
        <Select
          label={t("Paper")}
          data={PAPERS}
          value={task.paper}
          onChange={(value) => value && set({ paper: value as Task["paper"], sheet_form: null })}
          allowDeselect={false}
        />
        <Labelled label={t("Orientation")}>
          <SegmentedControl
            fullWidth
            data={terms(["landscape", "portrait"])}
            value={task.landscape ? "landscape" : "portrait"}
            onChange={(value) => set({ landscape: value === "landscape", sheet_form: null })}
          />
        </Labelled>
      </Group>
      <FormChoice task={task} set={set} />
      <Group grow align="end">
        <Labelled label={t("Angle of projection")}>
          <SegmentedControl
            fullWidth
            data={terms(["first", "third"])}
            value={task.angle}
            onChange={(value) => set({ angle: value as Task["angle"] })}
          />
        </Labelled>
        <Labelled label={t("Units")}>
          <SegmentedControl
            fullWidth
            data={terms(["mm", "inch"])}
            value={task.units}
            onChange={(value) => set({ units: value as Task["units"] })}
          />
        </Labelled>
      </Group>
      {task.shows === "views" && (
        <MultiSelect
          label={t("Views asked for")}
          description={t("Leave empty to let the drafter choose")}
          data={VIEWS.map((view) => ({ value: view, label: viewLabel(view) }))}
          value={task.views ?? []}
          onChange={(value) =>
            set({ views: value.length ? (value as NonNullable<Task["views"]>) : null })
          }
        />
      )}
      <Group grow align="end">
        {!ofParts && (
          <Select
            label={t("Pictorial view")}
            data={terms(["required", "allowed", "unwanted"])}
            value={task.pictorial}
            onChange={(value) => value && set({ pictorial: value as Task["pictorial"] })}
            allowDeselect={false}
          />
        )}
        <Select
          label={t("Scale")}
          placeholder={t("free choice")}
          data={SCALES}
          value={task.scale ?? null}
          onChange={(value) => set({ scale: value })}
          clearable
        />
      </Group>
      {!ofParts && (
        <Group>
          <Switch
            label={t("Dimensions")}
            checked={task.dimensioning.required}
            onChange={(e) =>
              set({ dimensioning: { ...task.dimensioning, required: e.currentTarget.checked } })
            }
          />
          <Switch
            label={t("Hidden lines")}
            checked={task.hidden_lines}
            onChange={(e) => set({ hidden_lines: e.currentTarget.checked })}
          />
          <Switch
            label={t("Centre lines")}
            checked={task.centre_lines}
            onChange={(e) => set({ centre_lines: e.currentTarget.checked })}
          />
          <Switch
            label={t("Shaded pictorial")}
            disabled={task.pictorial === "unwanted"}
            checked={task.shaded && task.pictorial !== "unwanted"}
            onChange={(e) => set({ shaded: e.currentTarget.checked })}
          />
        </Group>
      )}
      {task.dimensioning.required && <DimensionFields task={task} set={set} />}
      <Accordion variant="separated">
        <Accordion.Item value="title">
          <Accordion.Control>
            {t("Title block: {{fields}}", {
              fields: task.title_fields.map(fieldLabel).join(", ") || t("nothing asked"),
            })}
          </Accordion.Control>
          <Accordion.Panel>
            <TitleFields task={task} set={set} />
          </Accordion.Panel>
        </Accordion.Item>
        <Accordion.Item value="aids">
          <Accordion.Control>
            {t("Helps at the bench: {{helps}}", {
              helps: task.aids.map((aid) => term(aid)).join(", ") || t("none"),
            })}
          </Accordion.Control>
          <Accordion.Panel>
            <Checkbox.Group
              value={task.aids}
              onChange={(value) => set({ aids: value as Task["aids"] })}
            >
              <Group>
                <Checkbox value="even gaps" label={t("even out the gaps between views")} />
                <Checkbox value="centre lines" label={t("add lacking centre marks and lines")} />
                <Checkbox value="scale" label={t("propose a scale")} />
                <Checkbox value="rows" label={t("even out the rows of dimensions")} />
                {ofParts && (
                  <Checkbox value="parts list" label={t("put the parts list down filled in")} />
                )}
                <Checkbox
                  value="construction"
                  label={t("lead to the true shape of a slanted face")}
                />
              </Group>
            </Checkbox.Group>
            <Select
              mt="sm"
              label={t("Views come into line")}
              data={[
                { value: "free", label: t("by eye alone") },
                { value: "help", label: t("with snapping, where the drafter wants it") },
                { value: "fixed", label: t("by themselves: they are held in line") },
              ]}
              value={task.snapping}
              onChange={(value) => value && set({ snapping: value as Task["snapping"] })}
              allowDeselect={false}
            />
          </Accordion.Panel>
        </Accordion.Item>
        <Accordion.Item value="exactness">
          <Accordion.Control>
            {t("Exactness: within {{exact}} mm, by hand within {{byHand}} mm and {{degrees}}°", {
              exact: written(task.tolerance_mm),
              byHand: written(task.by_hand.tolerance_mm),
              degrees: written(task.by_hand.degrees),
            })}
          </Accordion.Control>
          <Accordion.Panel>
            <ExactnessFields task={task} onChange={set} />
          </Accordion.Panel>
        </Accordion.Item>
        <Accordion.Item value="points">
          <Accordion.Control>
            {t("Points: {{sum}} in all, an error costs {{cost}}", {
              sum: criteria.reduce((sum, c) => sum + pointsOf(c.id), 0),
              cost: written(task.error_cost),
            })}
          </Accordion.Control>
          <Accordion.Panel>
            <div className={classes.pointsGrid}>
              {criteria.map((c) => (
                <NumberInput
                  key={c.id}
                  label={t(c.label)}
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
              label={t("An error costs")}
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
