import { Group, Select, Switch } from "@mantine/core";

import type { Task } from "../api/types";
import { SIDES } from "../frame/words";

type Insight = Task["dimensioning"]["insight"];

const INSIGHTS: { value: Insight; label: string }[] = [
  { value: "nothing", label: "Nothing" },
  { value: "counts", label: "How many are needed, given and missing" },
  { value: "places", label: "Where something is open, without words" },
  { value: "everything", label: "Everything" },
];

interface Props {
  task: Task;
  set: (change: Partial<Task>) => void;
}

/** How dimensions are read, and how much of the reader's eye students see meanwhile. */
export function DimensionFields({ task, set }: Props) {
  const { dimensioning } = task;
  return (
    <>
      <Select
        label="Reader’s eye, for students while they dimension"
        data={INSIGHTS}
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
            label={`Holes along the ${direction}`}
            data={[
              { value: "", label: "from any side" },
              ...SIDES[direction].map((side) => ({ value: side, label: `from the ${side}` })),
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
      <Switch
        label="Grooves are located by their centre"
        checked={dimensioning.grooves_from_centre}
        onChange={(e) =>
          set({ dimensioning: { ...dimensioning, grooves_from_centre: e.currentTarget.checked } })
        }
      />
      <Switch
        label="A centre line on an axis of symmetry tells both sides"
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
