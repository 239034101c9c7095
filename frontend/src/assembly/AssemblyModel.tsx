import { Slider, Text } from "@mantine/core";
import { lazy, Suspense, useMemo, useState } from "react";

import type { Assembly } from "../api/types";
import builder from "../builder/Builder.module.css";
import { SideView } from "../drawing/SideView";
import { t, written } from "../frame/language";
import { term } from "../frame/words";
import type { FaceColours } from "../turntable/cardModel";
import { solids } from "../turntable/PartView";
import type { Picked } from "../turntable/picking";
import { useTurning } from "../turntable/useTurning";
import classes from "./Assembly.module.css";
import { composed, faceInWhole, facesOfComponent, ownerOf, type Shown } from "./composed";
import type { Fit } from "./useFit";
import { type Looked, nameOf } from "./useLook";

const Turntable = lazy(() =>
  import("../turntable/Turntable").then((m) => ({ default: m.Turntable })),
);

interface Props {
  assembly: Assembly;
  shown: Shown[] | null;
  look: Looked;
  fit: Fit;
  chosen: string | null;
  onChoose: (id: string | null) => void;
  /** How far it is pulled apart, from 0 to 1. */
  share: number;
  onShare: (share: number) => void;
  /** Components that are pointed at elsewhere. */
  pointedAt: readonly string[];
}

/** The components as they stand, or pulled apart; a click chooses one, or a face to put it by. */
export function AssemblyModel(props: Props) {
  const { assembly, shown, look, fit, chosen, share, pointedAt } = props;
  const { setAttitude, hands } = useTurning(assembly.natural_up ?? "+z");
  const [over, setOver] = useState<Picked | null>(null);
  const whole = useMemo(() => (shown?.length ? composed(shown, share) : null), [shown, share]);
  const colours = useMemo(() => coloursOf(assembly, whole), [assembly, whole]);
  const lit = useMemo(() => {
    if (!whole) return [];
    const faces = [fit.own, fit.other].flatMap((face) =>
      face && fit.pointing ? [faceInWhole(whole, face.id, face.face)] : [],
    );
    if (fit.pointing) return over ? [...faces, over.face] : faces;
    if (pointedAt.length > 0) return pointedAt.flatMap((id) => facesOfComponent(whole, id));
    const own = over ? ownerOf(whole, over.face)?.id : (chosen ?? undefined);
    return own === undefined ? [] : facesOfComponent(whole, own);
  }, [whole, fit.own, fit.other, fit.pointing, over, chosen, pointedAt]);

  const pick = (picked: Picked) => {
    const own = whole && ownerOf(whole, picked.face);
    if (!own) return;
    if (fit.pointing) fit.pick(own);
    else props.onChoose(own.id === chosen ? null : own.id);
  };
  const apart = assembly.components.some(({ apart }) => apart?.some((value) => value !== 0));
  return (
    <>
      <div className={builder.model} data-busy={look.busy} data-testid="assembly-model">
        {whole && solids && (
          <Suspense fallback={null}>
            <Turntable
              mesh={whole.mesh}
              colours={colours}
              {...hands}
              onPoint={setOver}
              onPick={pick}
              litFaces={lit}
              label={t("{{part}}; drag, turn the wheel or use the arrow keys to turn it", {
                part: assembly.name,
              })}
            />
          </Suspense>
        )}
        {look.now?.lines && !solids && (
          <SideView
            drawing={look.now.lines}
            label={t("{{part}}, equal-axis view", { part: assembly.name })}
          />
        )}
        {assembly.components.length === 0 && (
          <Text className={classes.empty}>
            {t("Nothing is put together yet. Add parts from the shelf on the left.")}
          </Text>
        )}
      </div>
      {apart && (
        <div className={classes.apart}>
          <Text size="sm" id="pulled-apart">
            {t("Pulled apart")}
          </Text>
          <Slider
            flex={1}
            thumbProps={{ "aria-labelledby": "pulled-apart" }}
            label={(value) => `${value} %`}
            value={Math.round(share * 100)}
            onChange={(value) => props.onShare(value / 100)}
          />
        </div>
      )}
      <div className={builder.status} role="status" aria-live="polite">
        <Status {...props} />
        <button type="button" className={builder.pointing} onClick={() => setAttitude(null)}>
          {t("equal-axis view")}
        </button>
      </div>
    </>
  );
}

/** What overlaps, or which face is to be pointed at next. */
function Status({ assembly, look, fit, chosen }: Props) {
  if (fit.pointing && chosen)
    return (
      <Text>
        {fit.put
          ? t("Put it there, or click on other faces.")
          : fit.own
            ? t("Now click on a face of the component it is put against.")
            : t("Click on a face of {{name}}.", { name: nameOf(assembly, chosen) })}
      </Text>
    );
  if (look.error) return <Text c="var(--fault)">{look.error.message}</Text>;
  if (!look.now) return <Text className="quiet">{look.busy ? t("Looking …") : ""}</Text>;
  const [first, ...rest] = look.now.overlaps;
  if (!first) return <Text className="quiet">{t("Nothing overlaps.")}</Text>;
  return (
    <Text c="var(--fault)">
      {t("{{one}} and {{other}} overlap by {{volume}} {{unit}}³.", {
        one: nameOf(assembly, first.first),
        other: nameOf(assembly, first.second),
        volume: written(Number(first.volume.toPrecision(3))),
        unit: term(assembly.units),
      })}
      {rest.length > 0 && ` ${t("And {{count}} other pairs.", { count: rest.length })}`}
    </Text>
  );
}

function coloursOf(assembly: Assembly, whole: ReturnType<typeof composed> | null): FaceColours {
  const found = new Map<number, string>();
  if (whole)
    for (const { id, colour } of assembly.components)
      if (colour) for (const face of facesOfComponent(whole, id)) found.set(face, colour);
  return found;
}
