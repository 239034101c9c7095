import {
  Button,
  CloseButton,
  Group,
  NumberInput,
  SegmentedControl,
  Text,
  TextInput,
  Title,
} from "@mantine/core";

import type { Dimension } from "../../api/types";
import { ReadersEye } from "../../reader/ReadersEye";
import { type Bench, type Tool, without } from "../bench";
import classes from "../Bench.module.css";
import { ToolButtons } from "./ToolButtons";

const TOOLS: { tool: Tool; label: string; hint: string }[] = [
  {
    tool: "size",
    label: "Size",
    hint: "Point at two edges or points of one view, then place the dimension.",
  },
  { tool: "diameter", label: "⌀", hint: "Point at a circle, then place the text." },
  { tool: "radius", label: "R", hint: "Point at an arc, then place the text." },
  {
    tool: "move",
    label: "Choose",
    hint: "Take hold of a dimension to move it; Delete takes it away.",
  },
];

/** Linear sizes, diameters and radii; values always come from the part. */
export function DimensionsStage({ bench }: { bench: Bench }) {
  const { document, tool, setTool, selection } = bench;
  const chosen = document.dimensions.find(
    (d) => selection?.role === "dimension" && d.id === selection.id,
  );
  return (
    <>
      <Title order={2} size="h4">
        Dimensions
      </Title>
      <ToolButtons bench={bench} tools={TOOLS} />
      <Text className="quiet small">{TOOLS.find((t) => t.tool === tool)?.hint}</Text>
      {chosen && <Chosen key={chosen.id} bench={bench} dimension={chosen} />}
      <ReadersEye reader={bench.reader} />
      <div style={{ marginTop: 12 }} role="list" aria-label="Dimensions on the sheet">
        {document.dimensions.map((dimension) => (
          <Group
            key={dimension.id}
            role="listitem"
            gap={8}
            wrap="nowrap"
            className={classes.viewRow}
            data-selected={chosen?.id === dimension.id}
          >
            <Button
              size="compact-xs"
              variant="default"
              style={{ flex: 1 }}
              justify="start"
              onClick={() => {
                setTool("move");
                bench.select({ role: "dimension", id: dimension.id });
              }}
            >
              {described(bench, dimension)}
            </Button>
            <CloseButton
              size="xs"
              aria-label={`Take ${described(bench, dimension)} away`}
              onClick={() =>
                bench.draft.change((now) => without(now, { role: "dimension", id: dimension.id }))
              }
            />
          </Group>
        ))}
      </div>
    </>
  );
}

function described({ ink }: Bench, dimension: Dimension): string {
  const group = ink?.groups.find((g) => g.role === "dimension" && g.id === dimension.id);
  const text = group?.items.find((item) => item.kind === "text");
  const view = ink?.views.find((v) => v.id === dimension.view)?.name ?? "";
  return `${text?.kind === "text" ? text.text : dimension.kind} · ${view}`;
}

function Chosen({ bench, dimension }: { bench: Bench; dimension: Dimension }) {
  const change = (next: Partial<Dimension>) =>
    bench.draft.change((now) => ({
      ...now,
      dimensions: now.dimensions.map((d) =>
        d.id === dimension.id ? ({ ...d, ...next } as Dimension) : d,
      ),
    }));
  return (
    <div style={{ marginTop: 12 }}>
      {dimension.kind === "linear" && (
        <SegmentedControl
          size="xs"
          fullWidth
          aria-label="Direction"
          data={[
            { value: "across", label: "across" },
            { value: "up", label: "up" },
            { value: "aligned", label: "straight" },
          ]}
          value={dimension.along}
          onChange={(along) => change({ along: along as "across" | "up" | "aligned" })}
        />
      )}
      {dimension.kind !== "linear" && (
        <NumberInput
          size="xs"
          label="How many alike"
          min={1}
          max={99}
          value={dimension.count}
          onChange={(count) => change({ count: Number(count) || 1 })}
        />
      )}
      <TextInput
        size="xs"
        mt={6}
        label="Typed over"
        description="Empty: the size of the part"
        placeholder="the part's own size"
        value={dimension.text ?? ""}
        maxLength={120}
        onChange={(e) => change({ text: e.currentTarget.value || null })}
      />
    </div>
  );
}
