import { Button, ColorInput, Group, Text, TextInput, Title } from "@mantine/core";
import { useState } from "react";

import type { PlacedPart } from "../api/types";
import builder from "../builder/Builder.module.css";
import { SizeInput } from "../builder/SizeInput";
import { t } from "../frame/language";
import classes from "./Assembly.module.css";
import { boxOf, middleOf, pointsOf, type Shown } from "./composed";
import { FitPanel } from "./FitPanel";
import { turnedBy, type V3 } from "./standing";
import { type AssemblyEditor, freshIds } from "./useAssembly";
import type { Fit } from "./useFit";

interface Props {
  component: PlacedPart;
  editor: AssemblyEditor;
  shown: Shown[] | null;
  fit: Fit;
  onChoose: (id: string | null) => void;
}

const AXES = ["X", "Y", "Z"] as const;
const CARD = ["#d8c9a8", "#c9a66b", "#b98a76", "#8fa08a", "#8d9bb0", "#a7a29a"];

/** The chosen component: what it is called, where it stands, against what it is put, and the way it comes out. */
export function ComponentForm({ component, editor, shown, fit, onChoose }: Props) {
  const [degrees, setDegrees] = useState(90);
  const set = (next: Partial<PlacedPart>) => editor.set(component.id, next);
  const own = shown?.find((one) => one.component.id === component.id);
  const at = component.at ?? [0, 0, 0];
  const axes = component.axes!;
  const turn = (axis: 0 | 1 | 2, by: number) => {
    if (!own) return;
    const middle = middleOf(pointsOf(own));
    set(turnedBy({ at, axes }, middle, axis, by));
  };
  const copy = () => {
    const [id = "c1"] = freshIds(editor.assembly, 1);
    const { low, high } = boxOf(own ? pointsOf(own) : [0, 0, 0, 10, 10, 10]);
    const wide = high[0] - low[0];
    editor.add([{ ...component, id, at: [at[0] + 1.1 * wide, at[1], at[2]], apart: null }]);
    onChoose(id);
  };
  return (
    <section className={builder.form} aria-label={t("Component")}>
      <TextInput
        size="xs"
        label={t("Name of the component")}
        maxLength={80}
        value={component.name}
        onChange={(event) => set({ name: event.currentTarget.value })}
        error={component.name.trim() ? null : t("A component has a name.")}
      />
      <Group grow gap={6}>
        <TextInput
          size="xs"
          label={t("Other material")}
          maxLength={80}
          value={component.material ?? ""}
          onChange={(event) => set({ material: event.currentTarget.value || null })}
        />
        <ColorInput
          size="xs"
          label={t("Colour of its card")}
          format="hex"
          swatches={CARD}
          value={component.colour ?? ""}
          onChangeEnd={(colour) => set({ colour: /^#[0-9a-f]{6}$/.test(colour) ? colour : null })}
        />
      </Group>
      <Title order={3} size="h5" mt={6}>
        {t("Where it stands")}
      </Title>
      <Triple
        value={at}
        label={(axis) => t("Place along {{axis}}", { axis })}
        onChange={(next) => set({ at: next })}
      />
      <Group gap={8} align="end">
        <SizeInput
          plain
          label={t("Turn by, degrees")}
          w={120}
          value={degrees}
          onChange={(value) => typeof value === "number" && setDegrees(value)}
        />
        <div className={classes.turns} role="group" aria-label={t("Turn about")}>
          {AXES.map((name, axis) => (
            <Turns
              key={name}
              name={name}
              onTurn={own ? (sign) => turn(axis as 0 | 1 | 2, sign * degrees) : null}
            />
          ))}
        </div>
      </Group>
      <FitPanel component={component} editor={editor} shown={shown} fit={fit} />
      <Title order={3} size="h5" mt={6}>
        {t("The way it comes out")}
      </Title>
      <Triple
        value={component.apart ?? [0, 0, 0]}
        label={(axis) => t("Way along {{axis}}", { axis })}
        onChange={(next) => set({ apart: next.some((value) => value !== 0) ? next : null })}
      />
      <Group gap={8} mt={8}>
        <Button size="xs" variant="default" onClick={copy}>
          {t("Another one")}
        </Button>
        <Button
          size="xs"
          variant="default"
          c="var(--fault)"
          onClick={() => {
            editor.remove(component.id);
            onChoose(null);
          }}
        >
          {t("Take it out")}
        </Button>
      </Group>
    </section>
  );
}

/** Turns about one axis; none before the part has arrived. */
function Turns({ name, onTurn }: { name: string; onTurn: ((sign: 1 | -1) => void) | null }) {
  return (
    <>
      <Text size="sm">{name}</Text>
      <Button
        size="compact-xs"
        variant="default"
        aria-label={t("Turn forward about {{axis}}", { axis: name })}
        disabled={!onTurn}
        onClick={() => onTurn?.(1)}
      >
        ↺
      </Button>
      <Button
        size="compact-xs"
        variant="default"
        aria-label={t("Turn back about {{axis}}", { axis: name })}
        disabled={!onTurn}
        onClick={() => onTurn?.(-1)}
      >
        ↻
      </Button>
    </>
  );
}

interface TripleProps {
  value: readonly number[];
  label: (axis: string) => string;
  onChange: (next: V3) => void;
}

/** Three lengths along the axes. */
function Triple({ value, label, onChange }: TripleProps) {
  return (
    <Group grow gap={6}>
      {AXES.map((name, axis) => (
        <SizeInput
          key={name}
          plain
          label={name}
          aria-label={label(name)}
          value={Math.round((value[axis] ?? 0) * 1e6) / 1e6}
          onChange={(next) => {
            if (typeof next !== "number") return;
            const changed = [...value] as V3;
            changed[axis] = next;
            onChange(changed);
          }}
        />
      ))}
    </Group>
  );
}
