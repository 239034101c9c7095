import { Button, Select, Text } from "@mantine/core";
import { useMemo, useState } from "react";

import { viewWords } from "../../frame/words";
import { t, written } from "../../frame/language";
import { turnOfCorner } from "../../turntable/attitude";
import { PartView, useMesh } from "../../turntable/PartView";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";
import { nextId } from "../geometry";
import { auxiliaryOf } from "../special/setDown";
import { type NextStep, nextStep, slantedFaces } from "../special/trueShape";

/** Leads to the true shape of a slanted face, one step at a time, where the exercise lets it. */
export function FaceGuide({ bench, onStep }: { bench: Bench; onStep: (view: Step) => void }) {
  const { exercise, document, ink, answering } = bench;
  const allowed = answering || exercise.task.aids.includes("construction");
  const mesh = useMesh(allowed && exercise.task.drafting.shown ? exercise.model : undefined);
  const faces = useMemo(() => (mesh.data ? slantedFaces(mesh.data) : []), [mesh.data]);
  const turn = useMemo(() => turnOfCorner("+-+", bench.up), [bench.up]);
  const [chosen, setChosen] = useState<number | null>(null);
  if (!allowed || faces.length === 0) return null;
  const face = faces.find((own) => own.face === chosen);
  const step = face && nextStep(face.normal, document.views);
  const name = (id: string) => viewWords(ink?.views.find((own) => own.id === id)?.name ?? id);
  return (
    <details className={classes.guide}>
      <summary>{t("The true shape of a face, step by step")}</summary>
      <div className={classes.corner}>
        <PartView
          model={exercise.model}
          turn={turn}
          litFaces={face ? [face.face] : undefined}
          onPick={(picked) => {
            if (faces.some((own) => own.face === picked.face)) setChosen(picked.face);
          }}
          label={t("The part; click a slanted face")}
        />
      </div>
      <Select
        size="xs"
        label={t("Slanted face")}
        placeholder={t("Point at one, or choose it here")}
        data={faces.map((own, place) => ({
          value: String(own.face),
          label: t("face {{number}}, {{area}} {{unit}}²", {
            number: place + 1,
            area: written(own.area, 0),
            unit: bench.unit,
          }),
        }))}
        value={chosen === null ? null : String(chosen)}
        onChange={(value) => setChosen(value === null ? null : Number(value))}
      />
      {step && (
        <>
          <Text size="sm" mt={6} role="status">
            {stepWords(step, name)}
          </Text>
          {"parent" in step && (
            <Button
              size="xs"
              mt={6}
              onClick={() => {
                const view = auxiliaryOf(step.towards, step.parent, nextId("a", document.views));
                if (view) onStep(view);
              }}
            >
              {t("Set this view down")}
            </Button>
          )}
        </>
      )}
    </details>
  );
}

type Step = NonNullable<ReturnType<typeof auxiliaryOf>>;

function stepWords(step: NextStep, name: (id: string) => string): string {
  switch (step.kind) {
    case "shown":
      return t("The {{view}} shows it in true shape.", { view: name(step.view.id) });
    case "square to its edge":
      return t(
        "The {{view}} shows it as an edge. Looked at square to that edge, it is in true shape.",
        { view: name(step.parent.id) },
      );
    case "along a line of it":
      return t(
        "No view shows it as an edge. A line of it that is in true length in the {{view}} is looked along first: there the face is an edge.",
        { view: name(step.parent.id) },
      );
    case "no view":
      return t("Choose a front view first.");
  }
}
