import { Button, Group, NumberInput, Select, Switch, Text, TextInput, Title } from "@mantine/core";

import type { CircledRegion, CuttingLine, View } from "../../api/types";
import { FORMS, formWords, type SectionForm } from "../../exercise/specialViews";
import { said, t } from "../../frame/language";
import type { Bench, Tool } from "../bench";
import classes from "../Bench.module.css";
import { nextId } from "../geometry";
import { auxiliaryOf, detailOf, formOf, frameOf, sectionOf, sightOf } from "../special/setDown";
import { FaceGuide } from "./FaceGuide";
import { SCALES } from "./placing";
import { ToolButtons } from "./ToolButtons";

const TOOLS: { tool: Tool; label: string }[] = [
  { tool: "cutting line", label: said("Cutting line") },
  { tool: "circled region", label: said("Circle a region") },
  { tool: "folding line", label: said("Folding line") },
];
const SPACINGS = [2, 3, 4, 6];

/** Sections, details and auxiliary views: what is drawn in the parent, and the view set down from it. */
export function SpecialPanel({ bench }: { bench: Bench }) {
  const { document, selection, tool } = bench;
  const line = document.cutting_lines.find((c) => c.id === selection?.id);
  const region = document.circled.find((c) => c.id === selection?.id);
  const view = document.views.find((v) => v.id === selection?.id);
  return (
    <section aria-label={t("Special views")}>
      <Title order={3} size="h5" mt="md">
        {t("Special views")}
      </Title>
      <ToolButtons bench={bench} tools={TOOLS} />
      <Text className="quiet small" mb="xs">
        {toolWords(tool)}
      </Text>
      <FaceGuide bench={bench} onStep={(next) => setDown(bench, next)} />
      {selection?.role === "cutting-line" && line && <LineFields bench={bench} line={line} />}
      {selection?.role === "circled" && region && <RegionFields bench={bench} region={region} />}
      {selection?.role === "view" && view && <ViewFields bench={bench} view={view} />}
    </section>
  );
}

function toolWords(tool: Tool): string {
  switch (tool) {
    case "cutting line":
      return t("Point by point across a view; point at the last one once more to end it.");
    case "circled region":
      return t("Point at the middle of the region, then at its rim.");
    case "folding line":
      return t("Point at two points of an edge: the view is seen square to it.");
    default:
      return t("Draw where to cut, circle what to enlarge, or point along a slanted edge.");
  }
}

function setDown(bench: Bench, view: View | null) {
  if (!view) return;
  bench.draft.change((now) => ({ ...now, views: [...now.views, view] }));
  bench.select({ role: "view", id: view.id });
  bench.setTool("move");
  bench.hang(view.id);
}

function LineFields({ bench, line }: { bench: Bench; line: CuttingLine }) {
  const { document, draft } = bench;
  const set = (change: Partial<CuttingLine>) =>
    draft.change((now) => ({
      ...now,
      cutting_lines: now.cutting_lines.map((c) => (c.id === line.id ? { ...c, ...change } : c)),
    }));
  const parent = document.views.find((v) => v.id === line.view);
  const told = formOf(line.path, sightOf(line));
  const offered = FORMS.filter((form) => fitsPath(form, line.path.length, told));
  const cut = (form: SectionForm) =>
    parent && form !== "any"
      ? setDown(bench, sectionOf(line, parent, nextId("s", document.views), form))
      : undefined;
  return (
    <div className={classes.viewRow}>
      <Group gap={8} align="end">
        <LetterField letter={line.letter} onChange={(letter) => set({ letter, other: null })} />
        <Button
          size="xs"
          variant="default"
          onClick={() => set({ arrows: line.arrows === "left" ? "right" : "left" })}
        >
          {t("Turn the arrows")}
        </Button>
      </Group>
      <Text size="sm" mt={6}>
        {t("Set the section down:")}
      </Text>
      <Group gap={6}>
        {offered.map((form) => (
          <Button key={form} size="compact-sm" onClick={() => cut(form)}>
            {formWords(form)}
          </Button>
        ))}
      </Group>
    </div>
  );
}

/** Whether a line of so many corners can stand for a form. */
function fitsPath(form: SectionForm, corners: number, told: SectionForm): boolean {
  if (corners === 2) return form === "full" || form === "removed" || form === "revolved";
  return corners === 3 ? form === "half" || form === "aligned" : form === told;
}

interface LetterProps {
  letter: string | null | undefined;
  onChange: (letter: string | null) => void;
}

function LetterField({ letter, onChange }: LetterProps) {
  return (
    <TextInput
      size="xs"
      w={64}
      label={t("Letter")}
      value={letter ?? ""}
      maxLength={2}
      onChange={(e) => {
        const text = e.currentTarget.value.toUpperCase().replace(/[^A-Z]/g, "");
        onChange(text || null);
      }}
    />
  );
}

function RegionFields({ bench, region }: { bench: Bench; region: CircledRegion }) {
  const { document, draft } = bench;
  const parent = document.views.find((v) => v.id === region.view);
  const set = (change: Partial<CircledRegion>) =>
    draft.change((now) => ({
      ...now,
      circled: now.circled.map((c) => (c.id === region.id ? { ...c, ...change } : c)),
    }));
  return (
    <div className={classes.viewRow}>
      <LetterField letter={region.letter} onChange={(letter) => set({ letter })} />
      <Text size="sm" mt={6}>
        {t("Set the detail down at")}
      </Text>
      <Group gap={6}>
        {SCALES.filter((scale) => scale.value >= (parent?.scale ?? 1)).map((scale) => (
          <Button
            key={scale.value}
            size="compact-sm"
            onClick={() =>
              parent &&
              setDown(bench, detailOf(region, parent, nextId("d", document.views), scale.value))
            }
          >
            {scale.label}
          </Button>
        ))}
      </Group>
    </div>
  );
}

/** How a section is hatched and lettered; an auxiliary view seen from the other side. */
function ViewFields({ bench, view }: { bench: Bench; view: View }) {
  const { document, draft } = bench;
  const set = (change: Partial<View>) =>
    draft.change((now) => ({
      ...now,
      views: now.views.map((v) => (v.id === view.id ? { ...v, ...change } : v)),
    }));
  if (view.lines || !["section", "detail", "auxiliary"].includes(view.kind)) return null;
  const hatch = view.hatch;
  return (
    <div className={classes.viewRow}>
      <LetterField letter={view.letter} onChange={(letter) => set({ letter })} />
      {view.cut && (
        <>
          <Switch
            size="xs"
            mt={8}
            label={t("Hatched")}
            checked={Boolean(hatch)}
            onChange={(e) =>
              set({ hatch: e.currentTarget.checked ? { angle: 45, spacing: 3 } : null })
            }
          />
          {hatch && (
            <Group gap={8} mt={6}>
              <NumberInput
                size="xs"
                w={90}
                label={t("Angle, °")}
                min={-90}
                max={90}
                step={15}
                value={hatch.angle}
                onChange={(value) => set({ hatch: { ...hatch, angle: Number(value) || 0 } })}
              />
              <Select
                size="xs"
                w={90}
                label={t("Spacing, mm")}
                data={SPACINGS.map(String)}
                value={String(hatch.spacing)}
                onChange={(value) => value && set({ hatch: { ...hatch, spacing: Number(value) } })}
                allowDeselect={false}
              />
            </Group>
          )}
          <LeftWhole bench={bench} view={view} set={set} />
        </>
      )}
      {view.kind === "auxiliary" && (
        <Button
          size="xs"
          mt={8}
          variant="default"
          onClick={() => {
            const parent = document.views.find((v) => v.id === view.parent);
            const [own, other] = [frameOf(view), parent && frameOf(parent)];
            if (!parent || !own || !other) return;
            const way = [0, 1].map((k) => -other[k]!.reduce((s, x, i) => s + x * own[2][i]!, 0));
            const turned = auxiliaryOf([way[0]!, way[1]!], parent, view.id);
            if (turned) set({ look: turned.look });
          }}
        >
          {t("Seen from the other side")}
        </Button>
      )}
    </div>
  );
}

interface WholeProps {
  bench: Bench;
  view: View;
  set: (change: Partial<View>) => void;
}

/** Ribs and pins a cut runs along: left whole, or cut like everything else. */
function LeftWhole({ bench, view, set }: WholeProps) {
  const facts = bench.ink?.views.find((v) => v.id === view.id);
  if (!view.cut || !facts || (facts.flanks.length === 0 && facts.pins.length === 0)) return null;
  const { cut } = view;
  const whole = cut.whole.length > 0 || cut.solids.length > 0;
  return (
    <Switch
      size="xs"
      mt={8}
      label={t("Ribs, pins and shafts left whole")}
      checked={whole}
      onChange={(e) =>
        set({
          cut: {
            ...cut,
            whole: e.currentTarget.checked ? facts.flanks : [],
            solids: e.currentTarget.checked ? facts.pins : [],
          },
        })
      }
    />
  );
}
