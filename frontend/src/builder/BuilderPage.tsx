import { Button, Group, Select, Text, TextInput } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";

import { terms } from "../frame/words";
import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Recipe } from "../api/types";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { UndoRedo } from "../frame/UndoRedo";
import { useKeeping } from "../shelf/useKeeping";
import { SIDES } from "../turntable/attitude";
import classes from "./Builder.module.css";
import { BuilderModel } from "./BuilderModel";
import { FeatureForm, type Pointing } from "./FeatureForm";
import { FeatureList } from "./FeatureList";
import { SizesTable } from "./SizesTable";
import { usePreview } from "./usePreview";
import { useRecipe } from "./useRecipe";

const BLANK: Recipe = {
  format: 1,
  name: "New part",
  units: "mm",
  material: "",
  natural_up: "+z",
  sizes: [],
  features: [
    {
      kind: "block",
      name: "block",
      suppressed: false,
      size: [80, 40, 20],
      at: [0, 0, 0],
      operation: "add",
    },
  ],
};

export default function BuilderPage() {
  const { part } = useParams();
  const id = part === undefined ? null : Number(part);
  const kept = useQuery({
    queryKey: ["recipe", id],
    enabled: id !== null,
    staleTime: Infinity,
    gcTime: 0,
    queryFn: () =>
      answer(api.GET("/api/parts/{part_id}/recipe", { params: { path: { part_id: id ?? 0 } } })),
  });
  if (kept.error)
    return (
      <>
        <Header />
        <Trouble error={kept.error} />
      </>
    );
  if (id !== null && !kept.data)
    return (
      <>
        <Header />
        <Waiting />
      </>
    );
  return (
    <Building
      key={id ?? "new"}
      part={id}
      start={kept.data?.recipe ?? { ...BLANK, name: t("New part") }}
    />
  );
}

function Building({ part, start }: { part: number | null; start: Recipe }) {
  const editor = useRecipe(start);
  const { recipe } = editor;
  const [chosen, setChosen] = useState<number | null>(part === null ? 0 : null);
  const [pointing, setPointing] = useState<Pointing>(null);
  // While edges are chosen for a feature, the model is shown as it was before that feature.
  const shownRecipe = useMemo(
    () =>
      pointing === "edges" && chosen !== null && chosen > 0
        ? { ...recipe, features: recipe.features.slice(0, chosen) }
        : recipe,
    [recipe, pointing, chosen],
  );
  const preview = usePreview(shownRecipe);
  const feature = chosen === null ? undefined : recipe.features[chosen];

  const choose = (index: number | null) => {
    setChosen(index);
    setPointing(null);
  };
  useHotkeys([["Escape", () => (pointing ? setPointing(null) : choose(null))]]);

  const { keep, keeping, trouble } = useKeeping(() =>
    answer(
      part === null
        ? api.POST("/api/parts/recipe", { body: { recipe } })
        : api.PUT("/api/parts/{part_id}/recipe", {
            params: { path: { part_id: part } },
            body: { recipe },
          }),
    ),
  );
  const set = (change: Partial<Recipe>) => editor.change((now) => ({ ...now, ...change }));
  return (
    <div className="screen">
      <Header
        trail={
          <>
            <Link to="/shelf">{t("Shelf")}</Link> / <strong>{recipe.name}</strong>
          </>
        }
      >
        <UndoRedo undo={editor.undo} redo={editor.redo} />
        <Button loading={keeping} disabled={preview.now?.fault != null} onClick={keep}>
          {part === null ? t("Put on the shelf") : t("Keep as a new version")}
        </Button>
      </Header>
      <main className={classes.grid}>
        <div className={`${classes.side} panel`}>
          <FeatureList editor={editor} chosen={chosen} onChoose={choose} preview={preview.now} />
          <SizesTable editor={editor} values={preview.now?.sizes ?? {}} />
        </div>
        <section className={classes.middle} aria-label={t("Model")}>
          {trouble && (
            <Text role="alert" c="var(--fault)">
              {trouble}
            </Text>
          )}
          <BuilderModel
            preview={preview}
            recipe={recipe}
            feature={feature}
            pointing={pointing}
            onFeature={(next) => chosen !== null && editor.setFeature(chosen, next)}
            onPlaced={() => setPointing(null)}
          />
        </section>
        <div className={`${classes.side} panel`}>
          {feature && chosen !== null ? (
            <FeatureForm
              key={chosen}
              feature={feature}
              plain={preview.now?.resolved?.features[chosen] ?? null}
              recipe={recipe}
              index={chosen}
              fault={preview.now?.feature === chosen ? preview.now.fault : null}
              onChange={(next) => editor.setFeature(chosen, next)}
              pointing={pointing}
              onPointing={setPointing}
            />
          ) : (
            <section className={classes.form} aria-label={t("Part")}>
              <TextInput
                size="xs"
                label={t("Name of the part")}
                value={recipe.name}
                onChange={(event) => set({ name: event.currentTarget.value || t("New part") })}
              />
              <TextInput
                size="xs"
                label={t("Material")}
                value={recipe.material}
                onChange={(event) => set({ material: event.currentTarget.value })}
              />
              <Group grow gap={6}>
                <Select
                  size="xs"
                  label={t("Unit")}
                  data={terms(["mm", "inch"])}
                  value={recipe.units}
                  allowDeselect={false}
                  onChange={(units) => units && set({ units: units as Recipe["units"] })}
                />
                <Select
                  size="xs"
                  label={t("Up in use")}
                  data={SIDES.map((side) => ({
                    value: side,
                    label: side.replace("-", "−").toUpperCase(),
                  }))}
                  value={recipe.natural_up ?? null}
                  onChange={(up) => set({ natural_up: up as Recipe["natural_up"] })}
                />
              </Group>
              <Text className="quiet small">
                {t("Choose a feature on the left to change its sizes.")}
              </Text>
            </section>
          )}
        </div>
      </main>
    </div>
  );
}
