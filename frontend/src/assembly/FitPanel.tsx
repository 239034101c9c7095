import { Button, Group, NativeSelect, SegmentedControl, Text, Title } from "@mantine/core";
import { useMemo } from "react";

import type { PlacedPart } from "../api/types";
import builder from "../builder/Builder.module.css";
import { t } from "../frame/language";
import { namedFaces, type NamedFace, type Shown } from "./composed";
import type { AssemblyEditor } from "./useAssembly";
import type { Fit, How } from "./useFit";

interface Props {
  component: PlacedPart;
  editor: AssemblyEditor;
  shown: Shown[] | null;
  fit: Fit;
}

/** The chosen component put against another: faces are clicked on the turntable or chosen by name. */
export function FitPanel({ component, editor, shown, fit }: Props) {
  const others = editor.assembly.components.filter(({ id }) => id !== component.id);
  if (others.length === 0) return null;
  const facesOf = (id: string | undefined) => shown?.find((own) => own.component.id === id);
  const onto = fit.other?.id ?? "";
  return (
    <section className={builder.form} aria-label={t("Put against another")}>
      <Group justify="space-between" align="baseline" mt={6}>
        <Title order={3} size="h5">
          {t("Put against another")}
        </Title>
        <button
          type="button"
          className={builder.pointing}
          aria-pressed={fit.pointing}
          onClick={() => fit.setPointing(!fit.pointing)}
        >
          {t("point at faces")}
        </button>
      </Group>
      <SegmentedControl
        size="xs"
        fullWidth
        aria-label={t("How it is put")}
        value={fit.how}
        onChange={(how) => fit.setHow(how as How)}
        data={[
          { value: "against", label: t("face on face") },
          { value: "flush", label: t("flush") },
          { value: "axis", label: t("on one axis") },
        ]}
      />
      <FaceSelect
        label={t("Its face")}
        shown={facesOf(component.id)}
        round={fit.how === "axis"}
        value={fit.own?.face ?? null}
        onChange={(face) => fit.pick({ id: component.id, face })}
      />
      <Group grow gap={6}>
        <NativeSelect
          size="xs"
          label={t("Against")}
          value={onto}
          data={[
            { value: "", label: "–" },
            ...others.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(event) => {
            const id = event.currentTarget.value;
            const own = facesOf(id);
            const first = own && suited(namedFaces(own), fit.how === "axis")[0];
            fit.setOther(first ? { id, face: first.face } : null);
          }}
        />
        <FaceSelect
          label={t("Face of that")}
          shown={facesOf(onto)}
          round={fit.how === "axis"}
          value={fit.other?.face ?? null}
          onChange={(face) => fit.pick({ id: onto, face })}
        />
      </Group>
      {fit.error && (
        <Text size="sm" c="var(--fault)" role="alert">
          {fit.error.message}
        </Text>
      )}
      <Button
        size="xs"
        variant="default"
        loading={fit.busy}
        disabled={!fit.put}
        onClick={() => fit.put?.()}
      >
        {t("Put it there")}
      </Button>
    </section>
  );
}

/** Faces that can be put so: flat ones against each other, round ones on one axis. */
function suited(faces: NamedFace[], round: boolean): NamedFace[] {
  return faces.filter((own) => own.flat !== round);
}

interface FaceProps {
  label: string;
  shown: Shown | undefined;
  round: boolean;
  value: number | null;
  onChange: (face: number) => void;
}

function FaceSelect({ label, shown, round, value, onChange }: FaceProps) {
  const faces = useMemo(() => (shown ? namedFaces(shown) : []), [shown]);
  const offered = faces.filter((own) => own.flat !== round || own.face === value);
  return (
    <NativeSelect
      size="xs"
      label={label}
      disabled={!shown}
      value={value ?? ""}
      data={[
        { value: "", label: "–" },
        ...offered.map((own) => ({ value: String(own.face), label: calledFace(own) })),
      ]}
      onChange={(event) => event.currentTarget.value && onChange(Number(event.currentTarget.value))}
    />
  );
}

/** What a face is called: its number, and the way it looks where it is flat. */
function calledFace({ face, flat, way }: NamedFace): string {
  const number = face + 1;
  if (!flat) return t("{{number}}, round", { number });
  const axis = way.findIndex((value) => Math.abs(value) > 0.9999);
  if (axis < 0) return t("{{number}}, flat, slanted", { number });
  const side = `${way[axis]! < 0 ? "−" : "+"}${"XYZ"[axis]!}`;
  return t("{{number}}, flat, looks to {{side}}", { number, side });
}
