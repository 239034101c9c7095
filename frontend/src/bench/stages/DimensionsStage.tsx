import { Button, CloseButton, Group, SegmentedControl, Switch, Text, Title } from "@mantine/core";

import { term, viewLabel } from "../../frame/words";
import { said, t } from "../../frame/language";
import type { Dimension } from "../../api/types";
import { ReadersEye } from "../../reader/ReadersEye";
import { type Bench, type Tool, without } from "../bench";
import classes from "../Bench.module.css";
import type { RowManner } from "../rows";
import { ChosenDimension } from "./ChosenDimension";
import { ProposeDimensions } from "./ProposeDimensions";
import { ToolButtons } from "./ToolButtons";

const TOOLS: { tool: Tool; label: string; hint: string }[] = [
  {
    tool: "size",
    label: said("Size"),
    hint: said("Point at two edges or points of one view, then place the dimension."),
  },
  {
    tool: "row",
    label: said("Row"),
    hint: said(
      "Point at one place after another, then beside the view: all their sizes are set down at once.",
    ),
  },
  { tool: "diameter", label: "⌀", hint: said("Point at a circle, then place the text.") },
  { tool: "radius", label: "R", hint: said("Point at an arc, then place the text.") },
  {
    tool: "angle",
    label: said("Angle"),
    hint: said("Point at two lines of one view, then place the arc between them."),
  },
  {
    tool: "chamfer",
    label: said("Chamfer"),
    hint: said("Point at a bevelled edge, then place its leg and angle."),
  },
  {
    tool: "move",
    label: said("Choose"),
    hint: said("Take hold of a dimension to move it; Delete takes it away."),
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
        {t("Dimensions")}
      </Title>
      <ToolButtons bench={bench} tools={TOOLS} />
      <Text className="quiet small">
        {t(TOOLS.find((known) => known.tool === tool)?.hint ?? "")}
      </Text>
      {tool === "row" && (
        <SegmentedControl
          size="xs"
          mt={6}
          fullWidth
          aria-label={t("Sizes of a row")}
          data={[
            { value: "chain", label: t("One after another") },
            { value: "datum", label: t("All from the first") },
          ]}
          value={bench.rowManner}
          onChange={(manner) => bench.setRowManner(manner as RowManner)}
        />
      )}
      {tool === "move" && (
        <Switch
          size="xs"
          mt={6}
          label={t("Rows beside it move along")}
          checked={bench.rowsTogether}
          onChange={(e) => bench.setRowsTogether(e.currentTarget.checked)}
        />
      )}
      {/* Above what comes and goes with each change: nothing moves away under who takes sizes away one by one. */}
      <div className={classes.sizes} role="list" aria-label={t("Dimensions on the sheet")}>
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
              size={24}
              aria-label={t("Take {{what}} away", { what: described(bench, dimension) })}
              onClick={() =>
                bench.draft.change((now) => without(now, { role: "dimension", id: dimension.id }))
              }
            />
          </Group>
        ))}
      </div>
      {chosen && <ChosenDimension key={chosen.id} bench={bench} dimension={chosen} />}
      {bench.answering && !bench.sheet && <ProposeDimensions bench={bench} />}
      <ReadersEye reader={bench.reader} />
    </>
  );
}

function described({ ink }: Bench, dimension: Dimension): string {
  const group = ink?.groups.find((g) => g.role === "dimension" && g.id === dimension.id);
  const text = group?.items.find((item) => item.kind === "text");
  const view = viewLabel(ink?.views.find((v) => v.id === dimension.view)?.name ?? "");
  return `${text?.kind === "text" ? text.text : term(dimension.kind)} · ${view}`;
}
