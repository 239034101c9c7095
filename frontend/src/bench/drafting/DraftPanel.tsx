import { Button, NumberInput, SegmentedControl, Select, Text } from "@mantine/core";

import { term, viewLabel } from "../../frame/words";
import { said, t } from "../../frame/language";
import type { Hatch } from "../../api/types";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";
import {
  CARRY_TOOLS,
  CHANGE_TOOLS,
  DRAW_TOOLS,
  type DraftTool,
  isChangeTool,
  isDraftTool,
  type Pen,
  PEN_NAMES,
  TOOL_FACTS,
} from "./tools";

const GROUPS: { label: string; tools: readonly DraftTool[] }[] = [
  { label: said("Draw"), tools: DRAW_TOOLS },
  { label: said("Change"), tools: CHANGE_TOOLS },
  { label: said("Carry over"), tools: CARRY_TOOLS },
];

/** Pens, tools and paper grid for the views that are drafted by hand. */
export function DraftPanel({ bench }: { bench: Bench }) {
  const { drafting, tool, setTool, document, ink } = bench;
  const { view, drafted } = drafting;
  if (!view) return null;
  const grids = document.units === "inch" ? INCH_GRIDS : MM_GRIDS;
  return (
    <section aria-label={t("Drafting")} className={classes.drafting}>
      {drafted.length > 1 && (
        <SegmentedControl
          size="xs"
          fullWidth
          aria-label={t("View in hand")}
          data={drafted.map((v) => ({
            value: v.id,
            label: viewLabel(ink?.views.find((f) => f.id === v.id)?.name ?? v.id),
          }))}
          value={view.id}
          onChange={drafting.setView}
        />
      )}
      <SegmentedControl
        size="xs"
        mt={8}
        fullWidth
        aria-label={t("Pen")}
        data={PEN_NAMES.map((pen) => ({
          value: pen,
          label: term(pen === "construction" ? "thin" : pen),
        }))}
        value={drafting.pen}
        onChange={(pen) => drafting.setPen(pen as Pen)}
      />
      {GROUPS.map(({ label, tools }) => (
        <div key={label} className={classes.toolGroup} role="group" aria-label={t(label)}>
          <span className="quiet small">{t(label)}</span>
          <div>
            {tools.map((name) => (
              <Button
                key={name}
                size="compact-xs"
                variant={tool === name ? "filled" : "default"}
                aria-pressed={tool === name}
                onClick={() => setTool(tool === name ? "move" : name)}
              >
                {t(TOOL_FACTS[name].label)}
              </Button>
            ))}
          </div>
        </div>
      ))}
      <Text className="small" mt={8} mih={36}>
        {isDraftTool(tool)
          ? TOOL_FACTS[tool].hints.map((hint) => t(hint)).join(" ")
          : t("Choose a tool to draw in this view.")}
      </Text>
      {isDraftTool(tool) && isChangeTool(tool) && drafting.change.error && (
        <Text c="var(--fault)" role="alert" size="sm">
          {drafting.change.error.message}
        </Text>
      )}
      {tool === "hatch" && <HatchFields hatch={drafting.hatch} onChange={drafting.setHatch} />}
      <div className={classes.pair}>
        <NumberInput
          size="xs"
          label={t("Size, {{unit}}", { unit: term(document.units) })}
          placeholder={t("by pointing")}
          min={0}
          decimalScale={4}
          value={drafting.size ?? ""}
          onChange={(value) => drafting.setSize(Number(value) || null)}
        />
        <Select
          size="xs"
          label={t("Paper grid")}
          data={grids.map((grid) => ({ ...grid, label: t(grid.label) }))}
          value={String(drafting.grid)}
          allowDeselect={false}
          onChange={(value) => drafting.setGrid(Number(value))}
        />
      </div>
    </section>
  );
}

interface HatchProps {
  hatch: Hatch;
  onChange: (hatch: Hatch) => void;
}

/** How the pen hatches next. */
function HatchFields({ hatch, onChange }: HatchProps) {
  return (
    <div className={classes.pair}>
      <NumberInput
        size="xs"
        label={t("Angle, °")}
        min={-90}
        max={90}
        step={15}
        value={hatch.angle}
        onChange={(angle) => onChange({ ...hatch, angle: Number(angle) || 0 })}
      />
      <NumberInput
        size="xs"
        label={t("Spacing, mm")}
        min={0.5}
        max={20}
        step={0.5}
        value={hatch.spacing}
        onChange={(spacing) => onChange({ ...hatch, spacing: Number(spacing) || 3 })}
      />
    </div>
  );
}

const MM_GRIDS = [
  { value: "0", label: said("none") },
  { value: "1", label: "1 mm" },
  { value: "5", label: "5 mm" },
  { value: "10", label: "10 mm" },
];
const INCH_GRIDS = [
  { value: "0", label: said("none") },
  { value: String(25.4 / 16), label: "1/16 in" },
  { value: String(25.4 / 8), label: "1/8 in" },
  { value: String(25.4 / 4), label: "1/4 in" },
  { value: "5", label: "5 mm" },
];
