import { ActionIcon, Button, Group, Select, Text } from "@mantine/core";
import { useState } from "react";

import { t } from "../frame/language";
import classes from "./Builder.module.css";
import type { Pointing } from "./FeatureForm";
import type { Loose } from "./features";

type Num = number | string;
export type EdgeChoice = { near: Num[] } | { between: string[] };

interface Props {
  loose: Loose;
  set: (change: Record<string, unknown>) => void;
  pointing: Pointing;
  onPointing: (pointing: Pointing) => void;
}

const SIDES = ["-x", "+x", "-y", "+y", "-z", "+z"].map((value) => ({
  value,
  label: value.replace("-", "−").toUpperCase(),
}));

function words(choice: EdgeChoice): string {
  if ("between" in choice) {
    const [first = "", second = ""] = choice.between.map((s) => s.replace("-", "−").toUpperCase());
    return t("where {{first}} meets {{second}}", { first, second });
  }
  return t("near {{place}}", { place: choice.near.join(", ") });
}

/** Which edges are meant: pointed at on the model, or named by the sides that meet there. */
export function EdgesField({ loose, set, pointing, onPointing }: Props) {
  const edges = loose["edges"] as EdgeChoice[];
  const [pair, setPair] = useState<[string, string]>(["+x", "+z"]);
  return (
    <div>
      <Text size="xs" fw={500}>
        {t("Edges")}
      </Text>
      <ul className={classes.edges}>
        {edges.map((choice, k) => (
          <li key={k}>
            <span className="small">{words(choice)}</span>
            <ActionIcon
              size={24}
              variant="subtle"
              color="gray"
              disabled={edges.length === 1}
              aria-label={t("Leave out the edge {{edge}}", { edge: words(choice) })}
              onClick={() => set({ edges: edges.filter((_, other) => other !== k) })}
            >
              ×
            </ActionIcon>
          </li>
        ))}
      </ul>
      <Button
        size="compact-xs"
        variant={pointing === "edges" ? "filled" : "default"}
        aria-pressed={pointing === "edges"}
        onClick={() => onPointing(pointing === "edges" ? null : "edges")}
      >
        {pointing === "edges"
          ? t("Click edges on the model; done")
          : t("Point at edges on the model")}
      </Button>
      <Group gap={6} mt={6} align="end">
        {pair.map((side, k) => (
          <Select
            key={k}
            size="xs"
            w={72}
            aria-label={k === 0 ? t("Edge between side") : t("and side")}
            data={SIDES}
            value={side}
            allowDeselect={false}
            onChange={(value) => value && setPair(pair.with(k, value) as [string, string])}
          />
        ))}
        <Button
          size="compact-xs"
          variant="default"
          disabled={pair[0][1] === pair[1][1]}
          onClick={() => set({ edges: [...edges, { between: pair }] })}
        >
          {t("Add all between")}
        </Button>
      </Group>
    </div>
  );
}
