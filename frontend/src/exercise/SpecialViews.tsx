import { Button, CloseButton, Group, Select, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { Task } from "../api/types";
import { said, t } from "../frame/language";
import { PartView, useMesh } from "../turntable/PartView";
import type { Picked } from "../turntable/picking";
import { useTurning } from "../turntable/useTurning";
import classes from "./Exercises.module.css";
import { FORMS, askedWords, formWords, normalOfFace, type SpecialAsked } from "./specialViews";

interface Props {
  model: number;
  asked: Task["special"];
  onChange: (asked: Task["special"]) => void;
}

const KINDS = { detail: said("Detail"), auxiliary: said("Auxiliary view") } as const;

/** Sections, details and auxiliary views that are asked for: proposed by the part, or pointed at. */
export function SpecialViews({ model, asked, onChange }: Props) {
  const detail = useQuery({
    queryKey: ["model", model],
    staleTime: Infinity,
    queryFn: () =>
      answer(api.GET("/api/models/{model_id}", { params: { path: { model_id: model } } })),
  });
  const add = (own: SpecialAsked) => onChange([...asked, own]);
  const proposed = (detail.data?.special ?? []).filter(
    ({ asked: own }) =>
      !asked.some((a) => a.kind === own.kind && askedWords(a) === askedWords(own)),
  );
  return (
    <section aria-label={t("Special views")}>
      <Title order={2} size="h4">
        {t("Special views")}
      </Title>
      {asked.length === 0 && (
        <Text className="quiet small" mb="xs">
          {t("No section, detail or auxiliary view is asked for.")}
        </Text>
      )}
      <ul className={classes.special}>
        {asked.map((own, place) => (
          <li key={place}>
            <AskedView
              asked={own}
              onChange={(changed) => onChange(asked.map((a, k) => (k === place ? changed : a)))}
            />
            <CloseButton
              size="sm"
              aria-label={t("Do not ask for it")}
              onClick={() => onChange(asked.filter((_, k) => k !== place))}
            />
          </li>
        ))}
      </ul>
      {proposed.map((reason) => (
        <Group key={reason.why} gap="xs" wrap="nowrap" align="start" mb={4}>
          <Button
            size="compact-xs"
            variant="default"
            style={{ flexShrink: 0 }}
            onClick={() => add(reason.asked)}
          >
            {t("Ask for it")}
          </Button>
          <Text size="sm">{reason.why}</Text>
        </Group>
      ))}
      <PointedAt model={model} onAdd={add} />
    </section>
  );
}

function AskedView({
  asked,
  onChange,
}: {
  asked: SpecialAsked;
  onChange: (a: SpecialAsked) => void;
}) {
  return (
    <div>
      {asked.kind === "section" ? (
        <Select
          size="xs"
          aria-label={t("Form of the section")}
          data={FORMS.map((form) => ({ value: form, label: formWords(form) }))}
          value={asked.form}
          onChange={(form) => form && onChange({ ...asked, form: form as typeof asked.form })}
          allowDeselect={false}
        />
      ) : (
        <strong>{t(KINDS[asked.kind])}</strong>
      )}
      <Text size="sm" className="quiet">
        {askedWords(asked)}
      </Text>
    </div>
  );
}

/** The turntable: a click on the part says where to cut, what to enlarge, or which face is to be seen truly. */
function PointedAt({ model, onAdd }: { model: number; onAdd: (asked: SpecialAsked) => void }) {
  const { hands } = useTurning("+z");
  const mesh = useMesh(model);
  const [picked, setPicked] = useState<Picked | null>(null);
  const rounded = picked && (picked.at.map((x) => Math.round(x * 10) / 10) as Picked["at"]);
  const normal = picked && mesh.data ? normalOfFace(mesh.data, picked.face) : null;
  return (
    <details className={classes.another}>
      <summary>{t("Another one: point at the part")}</summary>
      <div className={classes.anotherModel}>
        <PartView
          model={model}
          {...hands}
          onPick={setPicked}
          litFaces={picked ? [picked.face] : undefined}
          label={t("The part; click where to cut, what to enlarge, or the face to be seen truly")}
        />
      </div>
      <Group gap="xs" mt="xs">
        <Button
          size="xs"
          variant="default"
          onClick={() => onAdd({ kind: "section", form: "any", through: rounded ? [rounded] : [] })}
        >
          {rounded ? t("A section through it") : t("Any section")}
        </Button>
        <Button
          size="xs"
          variant="default"
          onClick={() => onAdd({ kind: "detail", of: rounded ?? null })}
        >
          {rounded ? t("A detail of it") : t("Any detail")}
        </Button>
        <Button
          size="xs"
          variant="default"
          onClick={() =>
            onAdd({ kind: "auxiliary", shows: normal ? { normal, along: null } : null })
          }
        >
          {normal ? t("The true shape of this face") : t("Any auxiliary view")}
        </Button>
      </Group>
    </details>
  );
}
