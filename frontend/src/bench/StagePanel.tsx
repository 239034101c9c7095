import type { Bench, Stage } from "./bench";
import classes from "./Bench.module.css";
import { FileRead } from "./FileRead";
import { DimensionsStage } from "./stages/DimensionsStage";
import { FrontStage } from "./stages/FrontStage";
import { HandInStage } from "./stages/HandInStage";
import { LinesStage } from "./stages/LinesStage";
import { LookingOverStage } from "./stages/LookingOverStage";
import { PaperStage } from "./stages/PaperStage";
import { PartsStage } from "./stages/PartsStage";
import { TitleStage } from "./stages/TitleStage";
import { ViewsStage } from "./stages/ViewsStage";
import { PartCorner } from "./stages/PartCorner";

const PANELS: Record<Stage, React.ComponentType<{ bench: Bench }>> = {
  Paper: PaperStage,
  Front: FrontStage,
  Views: ViewsStage,
  Lines: LinesStage,
  Dimensions: DimensionsStage,
  Parts: PartsStage,
  Title: TitleStage,
  "Looking over": LookingOverStage,
  "Hand in": HandInStage,
};

/** The means the open stage needs, with the part always in sight above them. */
export function StagePanel({ bench, stage }: { bench: Bench; stage: Stage }) {
  const Panel = PANELS[stage];
  const turning = stage === "Front" || stage === "Views";
  return (
    <aside className={`${classes.panel} panel`} aria-label={stage}>
      {!turning && (bench.answering || bench.exercise.task.drafting.shown) && (
        <PartCorner bench={bench} />
      )}
      <Panel key={stage} bench={bench} />
      {bench.sheet && <FileRead bench={bench} sheet={bench.sheet} stage={stage} />}
    </aside>
  );
}
