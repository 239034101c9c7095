import { Group, Select, Switch, TagsInput } from "@mantine/core";
import { useState } from "react";

import { said, t } from "../frame/language";
import type { Task } from "../api/types";
import { SIDES, sideNamed, term } from "../frame/words";
import { functionalOf } from "./functional";

type Insight = Task["dimensioning"]["insight"];

const INSIGHTS: { value: Insight; label: string }[] = [
  { value: "nothing", label: said("Nothing") },
  { value: "counts", label: said("How many are needed, given and missing") },
  { value: "places", label: said("Where something is open, without words") },
  { value: "everything", label: said("Everything") },
];

interface Props {
  task: Task;
  set: (change: Partial<Task>) => void;
}

/** How dimensions are read, and how much of the reader's eye students see meanwhile. */
export function DimensionFields({ task, set }: Props) {
  const { dimensioning } = task;
  const [unread, setUnread] = useState("");
  return (
    <>
      <Select
        label={t("Reader’s eye, for students while they dimension")}
        data={INSIGHTS.map((insight) => ({ ...insight, label: t(insight.label) }))}
        value={dimensioning.insight}
        allowDeselect={false}
        onChange={(insight) =>
          set({ dimensioning: { ...dimensioning, insight: (insight ?? "nothing") as Insight } })
        }
      />
      <Group grow>
        {(["width", "height", "depth"] as const).map((direction) => (
          <Select
            key={direction}
            label={t("Holes along the {{direction}}", { direction: term(direction) })}
            data={[
              { value: "", label: t("from any side") },
              ...SIDES[direction].map((side) => ({
                value: side,
                label: t("from {{side}}", { side: sideNamed(side) }),
              })),
            ]}
            value={dimensioning.holes_from[direction] ?? ""}
            allowDeselect={false}
            onChange={(side) =>
              set({
                dimensioning: {
                  ...dimensioning,
                  holes_from: { ...dimensioning.holes_from, [direction]: side || null },
                },
              })
            }
          />
        ))}
      </Group>
      <TagsInput
        label={t("Functional sizes")}
        description={t("They must carry a closer tolerance than the others: ⌀20, R5 or 35")}
        value={dimensioning.functional.map(
          ({ kind, size }) => `${kind === "diameter" ? "⌀" : kind === "radius" ? "R" : ""}${size}`,
        )}
        maxTags={20}
        error={unread && t("“{{typed}}” is no size: ⌀20, R5 or 35", { typed: unread })}
        onChange={(typed) => {
          setUnread(typed.find((one) => !functionalOf(one)) ?? "");
          set({
            dimensioning: {
              ...dimensioning,
              functional: typed.flatMap((one) => functionalOf(one) ?? []),
            },
          });
        }}
      />
      <Switch
        label={t("Grooves are located by their centre")}
        checked={dimensioning.grooves_from_centre}
        onChange={(e) =>
          set({ dimensioning: { ...dimensioning, grooves_from_centre: e.currentTarget.checked } })
        }
      />
      <Switch
        label={t("A centre line on an axis of symmetry tells both sides")}
        checked={dimensioning.symmetry_by_centre_line}
        onChange={(e) =>
          set({
            dimensioning: { ...dimensioning, symmetry_by_centre_line: e.currentTarget.checked },
          })
        }
      />
    </>
  );
}
