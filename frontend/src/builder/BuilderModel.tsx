import { Text } from "@mantine/core";
import { lazy, Suspense, useState } from "react";

import { term } from "../frame/words";
import { t, written } from "../frame/language";
import type { Feature, Recipe } from "../api/types";
import { SideView } from "../drawing/SideView";
import { solids } from "../turntable/PartView";
import { useTurning } from "../turntable/useTurning";
import { middleOfEdge, type Picked, tidy } from "../turntable/picking";
import classes from "./Builder.module.css";
import type { EdgeChoice } from "./EdgesField";
import type { Pointing } from "./FeatureForm";
import { KINDS, OPPOSITE, type Loose } from "./features";
import type { Previewed } from "./usePreview";

const Turntable = lazy(() =>
  import("../turntable/Turntable").then((m) => ({ default: m.Turntable })),
);

interface Props {
  preview: Previewed;
  recipe: Recipe;
  feature: Feature | undefined;
  pointing: Pointing;
  onFeature: (next: Feature) => void;
  onPlaced: () => void;
}

/** The part as it is being built; faces and edges can be pointed at to place features. */
export function BuilderModel({ preview, recipe, feature, pointing, onFeature, onPlaced }: Props) {
  const [over, setOver] = useState<Picked | null>(null);
  const { setAttitude, hands } = useTurning(recipe.natural_up ?? "+z");
  const { mesh, now } = preview;

  const pick = (picked: Picked) => {
    if (!feature || !mesh) return;
    const loose = feature as Loose;
    if (pointing === "edges" && picked.edge !== null) {
      const edges = loose["edges"] as EdgeChoice[];
      const near = middleOfEdge(mesh, picked.edge);
      const same = (choice: EdgeChoice) =>
        "near" in choice && choice.near.every((value, k) => value === near[k]);
      const without = edges.filter((choice) => !same(choice));
      const next = without.length < edges.length ? without : [...edges, { near }];
      if (next.length) onFeature({ ...feature, edges: next } as Feature);
    }
    if (pointing === "place") {
      const field = KINDS[feature.kind].fields.find((f) => f.type === "point" && f.placing);
      if (!field || field.type !== "point" || !field.placing || !picked.towards) return;
      const grid = recipe.units === "inch" ? 0.125 : 1;
      const facing = "xyz".indexOf(picked.towards[1] ?? "z");
      const at = picked.at.map((value, k) =>
        k === facing ? value : tidy(Math.round(value / grid) * grid),
      );
      const way = field.placing === "into" ? OPPOSITE[picked.towards] : picked.towards;
      onFeature({ ...feature, [field.key]: at, [field.placing]: way } as Feature);
      onPlaced();
    }
  };
  return (
    <>
      <div className={classes.model} data-busy={preview.busy} data-testid="builder-model">
        {mesh && solids && (
          <Suspense fallback={null}>
            <Turntable
              mesh={mesh}
              {...hands}
              onPoint={pointing ? setOver : undefined}
              onPick={pointing ? pick : undefined}
              litEdges={pointing === "edges" && over?.edge != null ? [over.edge] : undefined}
              litFaces={pointing === "place" && over ? [over.face] : undefined}
              label={t("{{part}}; drag, turn the wheel or use the arrow keys to turn it", {
                part: recipe.name,
              })}
            />
          </Suspense>
        )}
        {preview.lines && !solids && (
          <SideView
            drawing={preview.lines}
            label={t("{{part}}, equal-axis view", { part: recipe.name })}
          />
        )}
      </div>
      <div className={classes.status} role="status" aria-live="polite">
        {preview.error ? (
          <Text c="var(--fault)">{preview.error.message}</Text>
        ) : now?.fault ? (
          <Text c="var(--fault)">
            {now.feature !== null && now.feature !== undefined
              ? t("Feature {{number}}, {{name}}: ", {
                  number: now.feature + 1,
                  name: recipe.features[now.feature]?.name ?? "",
                })
              : ""}
            {now.fault}. {t("The model shows the last state that could be built.")}
          </Text>
        ) : now ? (
          <Text className="quiet">
            {now.extents.map((e) => written(e)).join(" × ")} {term(recipe.units)},{" "}
            {t("{{count}} faces", { count: now.faces })},{" "}
            {t("volume {{volume}}", { volume: written(Number(now.volume.toPrecision(6))) })}{" "}
            {term(recipe.units)}³
          </Text>
        ) : (
          <Text className="quiet">{t("Building …")}</Text>
        )}
        <button type="button" className={classes.pointing} onClick={() => setAttitude(null)}>
          {t("equal-axis view")}
        </button>
      </div>
    </>
  );
}
