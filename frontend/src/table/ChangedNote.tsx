import { Text } from "@mantine/core";

import { term } from "../frame/words";
import { t } from "../frame/language";
import type { Sheet } from "../api/types";
import classes from "./Table.module.css";

/** What came and went when the sheet was judged again: by a later version of Maqueta, or corrected. */
export function ChangedNote({ changed }: { changed: NonNullable<Sheet["changed"]> }) {
  const { gone, new: fresh } = changed;
  const counts = [
    fresh.length > 0 && t("{{count}} findings new", { count: fresh.length }),
    gone.length > 0 && t("{{count}} findings gone", { count: gone.length }),
  ].filter(Boolean);
  return (
    <details className={classes.changed}>
      <summary>
        {changed.corrected
          ? t("Judged again as corrected: {{counts}}", { counts: counts.join(", ") })
          : t("Checked again by a newer version: {{counts}}", { counts: counts.join(", ") })}
      </summary>
      {gone.map((finding, index) => (
        <Text key={index} className="small" mt={4}>
          <span className="quiet">{t("Gone:")}</span> {finding.message}
          {finding.decision && (
            <span className="quiet">
              {" "}
              {t("It was {{decision}}.", { decision: term(finding.decision) })}
            </span>
          )}
          {finding.remark && <span className="quiet"> “{finding.remark}”</span>}
        </Text>
      ))}
    </details>
  );
}
