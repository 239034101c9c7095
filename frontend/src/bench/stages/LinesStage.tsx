import { Switch, Text, Title } from "@mantine/core";

import { viewLabel, viewWords } from "../../frame/words";
import { said, t } from "../../frame/language";
import type { View } from "../../api/types";
import { type Bench, isGiven, type Tool } from "../bench";
import classes from "../Bench.module.css";
import { DraftPanel } from "../drafting/DraftPanel";
import { AidButton } from "./AidButton";
import { ToolButtons } from "./ToolButtons";

const TOOLS: { tool: Tool; label: string }[] = [
  { tool: "move", label: said("Choose") },
  { tool: "centre mark", label: said("Centre mark") },
  { tool: "centre line", label: said("Centre line") },
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
        {t("Lines")}
      </Title>
      <KindWords bench={bench} />
      <DraftPanel bench={bench} />
      <ToolButtons bench={bench} tools={TOOLS} />
      <Text className="quiet small" mb="sm">
        {tool === "centre mark"
          ? t("Point at a circle.")
          : tool === "centre line"
            ? t("Point along the axis of a round feature seen from the side.")
            : t("A centre mark or line that is chosen can be taken away with Delete.")}
      </Text>
      {document.views
        .filter((view) => !view.lines && (answering || !isGiven(exercise)))
        .map((view) => {
          const facts = ink?.views.find((v) => v.id === view.id);
          return (
            <div key={view.id} className={classes.viewRow}>
              <Text fw={700} size="sm" mb={4} style={{ textTransform: "capitalize" }}>
                {facts ? viewLabel(facts.name) : view.id}
              </Text>
              <Switch
                size="xs"
                label={`${t("Hidden lines")}${facts ? ` (${facts.hidden_lines})` : ""}`}
                checked={view.hidden}
                onChange={(e) => set(view.id, { hidden: e.currentTarget.checked })}
              />
              <Switch
                size="xs"
                mt={4}
                label={`${t("Smooth transitions")}${facts ? ` (${facts.smooth_lines})` : ""}`}
                checked={view.smooth}
                onChange={(e) => set(view.id, { smooth: e.currentTarget.checked })}
              />
            </div>
          );
        })}
      <Text className="quiet small" mt="sm">
        {t("{{count}} centre marks and lines on the sheet.", { count: document.marks.length })}
      </Text>
      <AidButton bench={bench} aid="centre lines" label={t("Add the lacking centre lines")} />
    </>
  );
}

/** Which special views are left to draw, by their letters. */
function specialWords({ document, ink }: Bench): string {
  const left = document.views.filter((view) => view.lines && view.kind !== "principal");
  const names = left.map((view) => {
    const letter = view.letter ?? "";
    if (letter && view.kind === "section")
      return t("section {{first}}–{{last}}", { first: letter, last: letter });
    if (letter && view.kind === "detail") return t("detail {{letter}}", { letter });
    return viewWords(ink?.views.find((facts) => facts.id === view.id)?.name ?? view.kind);
  });
  return t("The other views are given. Draw by hand: {{views}}.", { views: names.join(", ") });
}

/** What is to be done with the lines, where views are given. */
function KindWords({ bench }: { bench: Bench }) {
  const { kind } = bench.exercise.task.drafting;
  const words: Partial<Record<typeof kind, string>> = {
    drafted: t(
      "Every view is drafted by hand. Choose how it looks at the part under Front and Views.",
    ),
    "third view": t("The other views are given. Draft the empty one from them."),
    "special view": specialWords(bench),
    "missing lines": t("Some lines have been left out. Add them."),
    "wrong lines": t(
      "Some lines are missing, surplus, out of place or in the wrong pen. Put them right.",
    ),
  };
  return words[kind] ? (
    <Text className="small" mt={4}>
      {words[kind]}
    </Text>
  ) : null;
}
