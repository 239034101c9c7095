import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";

import type { Point, Sheet } from "../api/types";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { wallOf } from "../marking/wallOf";
import { useReader } from "../reader/useReader";
import { StackTabs } from "../set/StackTabs";
import { type Companion, CompanionBar, firstCompanion, useCompanion } from "./Beside";
import { Overlay, type OverlayKind, overlaysOf } from "./Overlay";
import { PinLayer, type PinTool } from "./PinLayer";
import { PinWords } from "./PinWords";
import { ReviewedSheet } from "./ReviewedSheet";
import { sameMistake } from "./sameMistake";
import { Slip } from "./Slip";
import classes from "./Table.module.css";
import { TableHeader } from "./TableHeader";
import { TableKeys } from "./TableKeys";
import { TableSide } from "./TableSide";
import { useMarking } from "./useMarking";
import { useTableKeys } from "./useTableKeys";

/** One sheet on the table: the part, the drawing, the slip, and what is in hand. */
export function OpenedSheet({ sheet }: { sheet: Sheet }) {
  const teaching = useMe().role === "instructor";
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [search] = useSearchParams();
  const [pointed, setPointed] = useState<number | null>(null);
  const asked = Number(search.get("finding") ?? sheet.findings[0]?.number ?? -1);
  const [chosen, setChosen] = useState<number | null>(asked < 0 ? null : asked);
  const [overlay, setOverlay] = useState<OverlayKind>("drawn");
  const [tool, setTool] = useState<PinTool | null>(null);
  const [spot, setSpot] = useState<Point | null>(null);
  const [spokenOf, speakOf] = useState<Point | null>(null);
  const [adding, setAdding] = useState(false);
  const [companion, setCompanion] = useState<Companion | null>(() => {
    const beside = Number(search.get("beside") ?? 0);
    return beside > 0 ? { sheet: beside, how: "beside" } : null;
  });
  const [keys, setKeys] = useState(false);
  const marking = useMarking(sheet);
  const exercise = sheet.exercise.id;
  const pile = wallOf(exercise);
  const wall = useQuery({ ...pile, enabled: teaching }).data;
  const other = useCompanion(companion);
  const editable = teaching && sheet.state === "handed-in";

  const place = sheet.neighbours.indexOf(sheet.id);
  const go = (step: number) => {
    const next = sheet.neighbours[place + step];
    if (next !== undefined) void navigate(`/sheets/${next}`);
  };
  const step = (way: number) => {
    const at = sheet.findings.findIndex((own) => own.number === chosen);
    const next = sheet.findings[at + way];
    if (next) setChosen(next.number);
  };
  const settle = (decision: "upheld" | "waived") => {
    if (chosen === null || !editable) return;
    marking.decide(chosen, decision);
    const open = sheet.findings.find((own) => own.number > chosen && own.decision === null);
    if (open) setChosen(open.number);
  };
  const finding = sheet.findings.find((own) => own.number === (pointed ?? chosen));
  const again = async () => {
    if (!finding || !teaching) return;
    const { sheets } = await queries.ensureQueryData(pile);
    const next = sameMistake(sheets, sheet.id, finding);
    if (next) void navigate(`/sheets/${next.sheet}?finding=${next.number}`);
  };
  const putDown = () => {
    setTool(null);
    setSpot(null);
    setAdding(false);
  };
  const take = (next: PinTool) => {
    if (!editable) return;
    const { paper } = sheet.ink;
    const [first] = finding?.at[0] ?? [];
    setTool(next);
    setSpot(next === "pin" ? (first ?? [paper.width / 2, paper.height / 2]) : null);
  };
  useTableKeys({
    go,
    step,
    settle,
    again: () => void again(),
    take,
    add: () => editable && setAdding(true),
    overlay: () => setOverlay(following(overlay, overlaysOf(sheet, teaching))),
    compare: () => teaching && setCompanion(companion ? null : firstCompanion(sheet, wall)),
    giveBack: () => editable && void marking.giveBack(),
    help: () => setKeys(true),
    putDown,
    criterion: finding?.criterion ?? null,
    spot: tool === "pin" ? spot : null,
    onSpot: ([x, y]) =>
      setSpot([within(x, sheet.ink.paper.width), within(y, sheet.ink.paper.height)]),
  });
  const reader = useReader({ kind: "sheet", sheet: sheet.id }, sheet.reviewed);
  return (
    <div className="screen">
      <TableHeader
        sheet={sheet}
        place={place}
        onGo={go}
        overlay={overlay}
        onOverlay={setOverlay}
        onKeys={() => setKeys(true)}
        marking={marking}
      />
      <StackTabs sheet={sheet} />
      <div className={classes.grid}>
        <TableSide
          sheet={sheet}
          finding={finding}
          reader={reader}
          marking={marking}
          onSpeakOf={speakOf}
        />
        <main
          className={classes.stage}
          aria-label={t("Sheet")}
          data-two={companion?.how === "beside" || undefined}
        >
          <div className={classes.paper}>
            <ReviewedSheet
              sheet={sheet}
              under={companion?.how === "under" ? other : null}
              reader={reader}
              lit={pointed ?? chosen}
              onPoint={setPointed}
              onChoose={setChosen}
              faded={overlay === "difference"}
              original={overlay === "file"}
              pushes={tool === null}
            >
              <Overlay sheet={sheet.id} kind={overlay} height={sheet.ink.paper.height} />
              <PinLayer
                paper={sheet.ink.paper}
                pins={sheet.pins}
                tool={tool}
                spot={spot ?? spokenOf}
                onSpot={(at) => {
                  setSpot(at);
                  if (tool === "spot") setTool(null);
                }}
                onStroke={(points) => marking.pin(points, "")}
              />
            </ReviewedSheet>
          </div>
          {companion?.how === "beside" && other && (
            <div className={classes.paper}>
              <ReviewedSheet key={other.id} sheet={other} lit={null} />
            </div>
          )}
          {companion && (
            <CompanionBar sheet={sheet} wall={wall} companion={companion} onChange={setCompanion} />
          )}
          {tool && tool !== "spot" && (
            <PinWords
              tool={tool}
              onCancel={putDown}
              onPut={(words) => {
                if (spot) marking.pin([spot], words);
                putDown();
              }}
            />
          )}
        </main>
        <Slip
          sheet={sheet}
          chosen={chosen}
          onPoint={setPointed}
          onChoose={setChosen}
          marking={marking}
          adding={adding}
          onAdding={(next) => (next ? setAdding(true) : putDown())}
          spot={spot}
          onSpot={() => setTool("spot")}
        />
      </div>
      <TableKeys opened={keys} onClose={() => setKeys(false)} />
    </div>
  );
}

const within = (at: number, most: number) => Math.min(Math.max(at, 0), most);

function following(overlay: OverlayKind, overlays: OverlayKind[]): OverlayKind {
  return overlays[(overlays.indexOf(overlay) + 1) % overlays.length]!;
}
