import { Text, Title } from "@mantine/core";

import { SPECIAL, criterionLabel } from "../frame/words";
import { t } from "../frame/language";
import type { Criterion, Finding, Point, Sheet } from "../api/types";
import { ReadersEye } from "../reader/ReadersEye";
import type { Reader } from "../reader/useReader";
import { turnOfCorner } from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import { OriginalNote } from "./OriginalNote";
import classes from "./Table.module.css";
import type { Marking } from "./useMarking";

const CORNER_TURN = turnOfCorner("+-+", "+z");

interface Props {
  sheet: Sheet;
  finding: Finding | undefined;
  reader: Reader;
  marking: Marking;
  /** Where on the sheet something is that is spoken of here. */
  onSpeakOf: (at: Point | null) => void;
}

/** The part beside the sheet, with what the finding speaks of lit; below it the reader's eye. */
export function TableSide({ sheet, finding, reader, marking, onSpeakOf }: Props) {
  const seen = sheet.reviewed || sheet.exercise.task.drafting.shown;
  const lit = (finding?.edges.length ?? 0) + (finding?.faces.length ?? 0) > 0;
  return (
    <aside className={`${classes.side} panel`} aria-label={t("Part")}>
      {seen && (
        <div className={classes.model}>
          <PartView
            model={sheet.exercise.model}
            turn={CORNER_TURN}
            litEdges={finding?.edges}
            litFaces={finding?.faces}
            moves={reader.moves}
            swing={reader.swing}
            label={t("{{part}}, card model", { part: sheet.exercise.part_name })}
          />
        </div>
      )}
      <Text className="quiet small">
        {lit
          ? t("What the chosen finding speaks of is lit on the part.")
          : sheet.exercise.part_name}
      </Text>
      <OriginalNote sheet={sheet} onPoint={onSpeakOf} onLook={marking.look} />
      <Reasons heading={t("Not delivered")} reasons={sheet.lacking} />
      <ReadersEye reader={reader} />
      <Reasons heading={t("Not judged")} reasons={worthSaying(sheet)} />
    </aside>
  );
}

/** Why criteria are not judged; that nobody asked for a section goes without saying. */
function worthSaying({ unjudged, exercise }: Sheet): Sheet["unjudged"] {
  const unasked = (criterion: Criterion) =>
    SPECIAL.includes(criterion) && !exercise.task.points[criterion];
  return Object.fromEntries(
    Object.entries(unjudged).filter(([criterion]) => !unasked(criterion as Criterion)),
  );
}

/** Why criteria earn nothing, or are left to the instructor; placing goes with the dimensions. */
function Reasons({ heading, reasons }: { heading: string; reasons: Record<string, string> }) {
  const told = Object.entries(reasons).filter(([criterion]) => criterion !== "placement");
  if (told.length === 0) return null;
  return (
    <section>
      <Title order={2} size="h4" mt="md">
        {heading}
      </Title>
      {told.map(([criterion, reason]) => (
        <Text key={criterion} className="small">
          <strong>{criterionLabel(criterion as Criterion)}</strong>: {reason}.
        </Text>
      ))}
    </section>
  );
}
