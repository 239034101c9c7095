import { Text, Title } from "@mantine/core";

import type { Finding, Sheet } from "../api/types";
import { turnOfCorner } from "../turntable/attitude";
import { PartView } from "../turntable/PartView";
import classes from "./Table.module.css";

const CORNER_TURN = turnOfCorner("+-+", "+z");

/** The part beside the sheet, with what the finding speaks of lit; below it the counts. */
export function TableSide({ sheet, finding }: { sheet: Sheet; finding: Finding | undefined }) {
  const seen = sheet.reviewed || sheet.exercise.task.drafting.shown;
  const lit = (finding?.edges.length ?? 0) + (finding?.faces.length ?? 0) > 0;
  return (
    <aside className={`${classes.side} panel`} aria-label="Part">
      {seen && (
        <div className={classes.model}>
          <PartView
            model={sheet.exercise.model}
            turn={CORNER_TURN}
            litEdges={finding?.edges}
            litFaces={finding?.faces}
            label={`${sheet.exercise.part_name}, card model`}
          />
        </div>
      )}
      <Text className="quiet small">
        {lit ? "What the chosen finding speaks of is lit on the part." : sheet.exercise.part_name}
      </Text>
      {sheet.counts.length > 0 && (
        <section>
          <Title order={2} size="h4" mt="md">
            Counts
          </Title>
          <table className="plain">
            <thead>
              <tr>
                <th />
                <th>needs</th>
                <th>has</th>
              </tr>
            </thead>
            <tbody>
              {sheet.counts.map((row) => (
                <tr key={row.direction}>
                  <td style={{ textTransform: "capitalize" }}>{row.direction}</td>
                  <td className="number">{row.needs}</td>
                  <td
                    className="number"
                    style={{ color: row.has === row.needs ? undefined : "var(--fault)" }}
                  >
                    {row.has}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {Object.entries(sheet.unjudged).filter(([criterion]) => criterion !== "placement").length >
        0 && (
        <section>
          <Title order={2} size="h4" mt="md">
            Not judged
          </Title>
          {Object.entries(sheet.unjudged)
            .filter(([criterion]) => criterion !== "placement")
            .map(([criterion, reason]) => (
              <Text key={criterion} className="small">
                <strong style={{ textTransform: "capitalize" }}>{criterion}</strong>: {reason}.
              </Text>
            ))}
        </section>
      )}
    </aside>
  );
}
