import { SegmentedControl, Select, Stack, Text, Title } from "@mantine/core";

import { t } from "../../frame/language";
import type { SheetDocument, Task } from "../../api/types";
import { PAPERS, angleWords, term, terms, viewLabel } from "../../frame/words";
import { LikeAnother } from "../../set/LikeAnother";
import type { Bench } from "../bench";
import { paperOf } from "./paperOf";

type SheetPaper = SheetDocument["paper"];

const DECIMALS = ["0", "1", "2", "3", "4"];
const FRACTIONS = "fractions";

/** Paper, units and standard, settled before anything is placed. */
export function PaperStage({ bench }: { bench: Bench }) {
  const { document, draft, exercise } = bench;
  const set = (change: Partial<SheetDocument>) => draft.change((now) => ({ ...now, ...change }));
  const { task } = exercise;
  const setPaper = (change: Partial<SheetPaper>) =>
    set({ paper: paperOf(document.paper, task, { ...document.paper, ...change }) });
  return (
    <Stack gap="sm">
      <Title order={2} size="h4">
        {t("Paper")}
      </Title>
      <Text className="quiet small">{t("Asked for: {{what}}.", { what: askedFor(task) })}</Text>
      <Select
        label={t("Size")}
        data={PAPERS}
        value={document.paper.size}
        onChange={(size) => size && setPaper({ size: size as SheetPaper["size"] })}
        allowDeselect={false}
      />
      <SegmentedControl
        aria-label={t("Orientation")}
        data={terms(["landscape", "portrait"])}
        value={document.paper.landscape ? "landscape" : "portrait"}
        onChange={(value) => setPaper({ landscape: value === "landscape" })}
      />
      <Text size="sm" fw={500}>
        {t("Units of the sizes")}
      </Text>
      <SegmentedControl
        aria-label={t("Units")}
        data={terms(["mm", "inch"])}
        value={document.units}
        onChange={(value) => set({ units: value as SheetDocument["units"] })}
      />
      <Text size="sm" fw={500}>
        {t("Lettering of dimensions")}
      </Text>
      <SegmentedControl
        aria-label={t("Style")}
        data={[
          { value: "iso", label: t("along the line") },
          { value: "asme", label: t("one direction") },
        ]}
        value={document.style}
        onChange={(value) => set({ style: value as SheetDocument["style"] })}
      />
      <Select
        label={t("Decimals")}
        data={[...DECIMALS, ...(document.units === "inch" ? [FRACTIONS] : [])]}
        value={
          document.fractions && document.units === "inch" ? FRACTIONS : String(document.decimals)
        }
        onChange={(value) =>
          value &&
          set(
            value === FRACTIONS
              ? { fractions: true }
              : { fractions: false, decimals: Number(value) },
          )
        }
        allowDeselect={false}
      />
      {exercise.in_set && !bench.sheet && (
        <LikeAnother exercise={exercise} answering={bench.answering} draft={draft} />
      )}
    </Stack>
  );
}

/** What an exercise asks of paper and views, in one line. */
function askedFor(task: Task): string {
  const paper = `${task.paper} ${term(task.landscape ? "landscape" : "portrait")}`;
  const asked = [paper, term(task.units), angleWords(task.angle), task.scale]
    .filter(Boolean)
    .join(", ");
  const views = task.views
    ? `; ${t("views: {{names}}", { names: task.views.map(viewLabel).join(", ") })}`
    : "";
  const pictorial = task.shaded ? t(", and a shaded pictorial") : t(", and a pictorial");
  return asked + views + (task.pictorial === "required" ? pictorial : "");
}
