import {
  Group,
  MultiSelect,
  NumberInput,
  Select,
  Switch,
  Text,
  TextInput,
  Title,
} from "@mantine/core";

import { t } from "../frame/language";
import type { Feature, Recipe } from "../api/types";
import classes from "./Builder.module.css";
import { EdgesField } from "./EdgesField";
import { type Field, KINDS, type Loose } from "./features";
import { MouthField } from "./MouthField";
import { ProfileSketch } from "./ProfileSketch";
import { SizeInput } from "./SizeInput";
import { SpreadField } from "./SpreadField";

/** What a click on the model means just now. */
export type Pointing = "edges" | "place" | null;

interface Props {
  feature: Feature;
  /** The same feature in plain numbers, where all its expressions have values. */
  plain: Feature | null;
  recipe: Recipe;
  index: number;
  fault: string | null;
  onChange: (next: Feature) => void;
  pointing: Pointing;
  onPointing: (pointing: Pointing) => void;
}

type Num = number | string;

/** The few sizes of one feature. */
export function FeatureForm(props: Props) {
  const { feature, recipe, index, fault, onChange } = props;
  const loose = feature as Loose;
  const set = (change: Record<string, unknown>) => onChange({ ...feature, ...change } as Feature);
  const form = KINDS[feature.kind];
  return (
    <section className={classes.form} aria-label={t("Feature {{name}}", { name: feature.name })}>
      <Title order={2} size="h4">
        {t(form.label)}
      </Title>
      <Text className="quiet small">{t(form.hint)}</Text>
      {fault && (
        <Text role="alert" className="small" c="var(--fault)">
          {fault}.
        </Text>
      )}
      <TextInput
        size="xs"
        label={t("Name")}
        key={feature.name}
        defaultValue={feature.name}
        onBlur={(event) => {
          const name = event.currentTarget.value.trim();
          const taken = recipe.features.some((f, k) => k !== index && f.name === name);
          if (name && !taken) set({ name });
          else event.currentTarget.value = feature.name;
        }}
      />
      {form.fields.map((field, index) => (
        <FieldRow key={index} field={field} loose={loose} set={set} {...props} />
      ))}
    </section>
  );
}

interface RowProps extends Props {
  field: Field;
  loose: Loose;
  set: (change: Record<string, unknown>) => void;
}

function FieldRow({ field, loose, set, ...rest }: RowProps) {
  switch (field.type) {
    case "size":
      return (
        <SizeInput
          label={t(field.label)}
          optional={field.optional}
          value={(loose[field.key] as Num | null | undefined) ?? null}
          onChange={(value) => set({ [field.key]: value })}
        />
      );
    case "sizes": {
      const values = loose[field.key] as Num[];
      return (
        <Group grow gap={6}>
          {field.labels.map((label, k) => (
            <SizeInput
              key={label}
              label={t(label)}
              value={values[k] ?? 0}
              onChange={(value) => set({ [field.key]: values.with(k, value ?? 0) })}
            />
          ))}
        </Group>
      );
    }
    case "point":
      return <PointField field={field} loose={loose} set={set} {...rest} />;
    case "choice":
      return (
        <Select
          size="xs"
          label={t(field.label)}
          data={field.options.map(([value, label]) => ({ value, label: t(label) }))}
          value={loose[field.key] as string}
          allowDeselect={false}
          onChange={(value) => value && set({ [field.key]: value })}
        />
      );
    case "sides": {
      const values = loose[field.key] as string[];
      return (
        <Group grow gap={6}>
          {field.labels.map((label, k) => (
            <Select
              key={label}
              size="xs"
              label={t(label)}
              data={["-x", "+x", "-y", "+y", "-z", "+z"].map((value) => ({
                value,
                label: value.replace("-", "−").toUpperCase(),
                disabled: values[1 - k]?.[1] === value[1],
              }))}
              value={values[k]}
              allowDeselect={false}
              onChange={(value) => value && set({ [field.key]: values.with(k, value) })}
            />
          ))}
        </Group>
      );
    }
    case "depth": {
      const value = loose[field.key] as Num;
      const through = value === "through";
      return (
        <Group gap={8} align="end">
          <Switch
            size="sm"
            label={t("through")}
            checked={through}
            onChange={(event) => set({ [field.key]: event.currentTarget.checked ? "through" : 10 })}
          />
          {!through && (
            <SizeInput
              label={t(field.label)}
              value={value}
              onChange={(next) => set({ [field.key]: next ?? 10 })}
              flex={1}
            />
          )}
        </Group>
      );
    }
    case "count":
      return (
        <NumberInput
          size="xs"
          label={t(field.label)}
          min={2}
          max={500}
          allowDecimal={false}
          value={loose[field.key] as number}
          onChange={(value) =>
            typeof value === "number" && value >= 2 && set({ [field.key]: value })
          }
        />
      );
    case "names":
      return (
        <MultiSelect
          size="xs"
          label={t(field.label)}
          data={rest.recipe.features
            .slice(0, rest.index)
            .filter((f) => f.kind !== "fillet" && f.kind !== "chamfer")
            .map((f) => f.name)}
          value={loose[field.key] as string[]}
          onChange={(value) => value.length > 0 && set({ [field.key]: value })}
        />
      );
    case "mouth":
      return <MouthField loose={loose} set={set} />;
    case "spread":
      return <SpreadField loose={loose} set={set} />;
    case "edges":
      return (
        <EdgesField loose={loose} set={set} pointing={rest.pointing} onPointing={rest.onPointing} />
      );
    case "profile":
      return (
        <ProfileSketch loose={loose} plain={rest.plain} set={set} told={rest.fault !== null} />
      );
  }
}

function PointField({
  field,
  loose,
  set,
  pointing,
  onPointing,
}: RowProps & { field: Extract<Field, { type: "point" }> }) {
  const value = loose[field.key] as Num[] | null;
  const shown = value ?? [null, null, null];
  return (
    <div>
      <Group gap={6} justify="space-between">
        <Text size="xs" fw={500}>
          {t(field.label)}
        </Text>
        {field.placing && (
          <button
            type="button"
            className={classes.pointing}
            aria-pressed={pointing === "place"}
            onClick={() => onPointing(pointing === "place" ? null : "place")}
          >
            {pointing === "place" ? t("click a face of the model …") : t("point at the model")}
          </button>
        )}
      </Group>
      <Group grow gap={6} mt={2}>
        {(["X", "Y", "Z"] as const).map((axis, k) => (
          <SizeInput
            key={axis}
            aria-label={`${t(field.label)} ${axis}`}
            placeholder={axis}
            optional={field.optional}
            value={shown[k] ?? null}
            onChange={(next) => {
              if (next === null && field.optional) set({ [field.key]: null });
              else set({ [field.key]: (value ?? [0, 0, 0]).with(k, next ?? 0) });
            }}
          />
        ))}
      </Group>
    </div>
  );
}
