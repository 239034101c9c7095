import { Switch, Text, Title } from "@mantine/core";

import type { View } from "../../api/types";
import { plural } from "../../frame/words";
import { type Bench, isGiven, type Tool } from "../bench";
import classes from "../Bench.module.css";
import { DraftPanel } from "../drafting/DraftPanel";
import { AidButton } from "./AidButton";
import { ToolButtons } from "./ToolButtons";

const TOOLS: { tool: Tool; label: string }[] = [
  { tool: "move", label: "Choose" },
  { tool: "centre mark", label: "Centre mark" },
  { tool: "centre line", label: "Centre line" },
];

/** Hidden lines and smooth transitions per view; centre marks and centre lines. */
export function LinesStage({ bench }: { bench: Bench }) {
  const { answering, document, draft, exercise, ink, tool } = bench;
  const set = (id: string, change: Partial<View>) =>
    draft.change((now) => ({
      ...now,
      views: now.views.map((v) => (v.id === id ? { ...v, ...change } : v)),
    }));
  return (
    <>
      <Title order={2} size="h4">
        Lines
      </Title>
      <KindWords bench={bench} />
      <DraftPanel bench={bench} />
      <ToolButtons bench={bench} tools={TOOLS} />
      <Text className="quiet small" mb="sm">
        {tool === "centre mark"
          ? "Point at a circle."
          : tool === "centre line"
            ? "Point along the axis of a round feature seen from the side."
            : "A centre mark or line that is chosen can be taken away with Delete."}
      </Text>
      {document.views
        .filter((view) => !view.lines && (answering || !isGiven(exercise)))
        .map((view) => {
          const facts = ink?.views.find((v) => v.id === view.id);
          return (
            <div key={view.id} className={classes.viewRow}>
              <Text fw={700} size="sm" mb={4} style={{ textTransform: "capitalize" }}>
                {facts?.name ?? view.id}
              </Text>
              <Switch
                size="xs"
                label={`Hidden lines${facts ? ` (${facts.hidden_lines})` : ""}`}
                checked={view.hidden}
                onChange={(e) => set(view.id, { hidden: e.currentTarget.checked })}
              />
              <Switch
                size="xs"
                mt={4}
                label={`Smooth transitions${facts ? ` (${facts.smooth_lines})` : ""}`}
                checked={view.smooth}
                onChange={(e) => set(view.id, { smooth: e.currentTarget.checked })}
              />
            </div>
          );
        })}
      <Text className="quiet small" mt="sm">
        {plural(document.marks.length, "centre mark or line", "centre marks and lines")} on the
        sheet.
      </Text>
      <AidButton bench={bench} aid="centre lines" label="Add the lacking centre lines" />
    </>
  );
}

/** What is to be done with the lines, where views are given. */
function KindWords({ bench }: { bench: Bench }) {
  const { kind } = bench.exercise.task.drafting;
  const words: Partial<Record<typeof kind, string>> = {
    drafted:
      "Every view is drafted by hand. Choose how it looks at the part under Front and Views.",
    "third view": "The other views are given. Draft the empty one from them.",
    "missing lines": "Some lines have been left out. Add them.",
    "wrong lines":
      "Some lines are missing, surplus, out of place or in the wrong pen. Put them right.",
  };
  return words[kind] ? (
    <Text className="small" mt={4}>
      {words[kind]}
    </Text>
  ) : null;
}
