import { ActionIcon, Button, Group, Select, Text } from "@mantine/core";
import { useState } from "react";

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
    return `where ${choice.between.map((s) => s.replace("-", "−").toUpperCase()).join(" meets ")}`;
  }
  return `near ${choice.near.join(", ")}`;
}

/** Which edges are meant: pointed at on the model, or named by the sides that meet there. */
export function EdgesField({ loose, set, pointing, onPointing }: Props) {
  const edges = loose["edges"] as EdgeChoice[];
  const [pair, setPair] = useState<[string, string]>(["+x", "+z"]);
  return (
    <div>
      <Text size="xs" fw={500}>
        Edges
      </Text>
      <ul className={classes.edges}>
        {edges.map((choice, k) => (
          <li key={k}>
            <span className="small">{words(choice)}</span>
            <ActionIcon
              size="xs"
              variant="subtle"
              color="gray"
              disabled={edges.length === 1}
              aria-label={`Leave out the edge ${words(choice)}`}
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
        {pointing === "edges" ? "Click edges on the model; done" : "Point at edges on the model"}
      </Button>
      <Group gap={6} mt={6} align="end">
        {pair.map((side, k) => (
          <Select
            key={k}
            size="xs"
            w={72}
            aria-label={k === 0 ? "Edge between side" : "and side"}
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
          Add all between
        </Button>
      </Group>
    </div>
  );
}
