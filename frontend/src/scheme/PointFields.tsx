import { Group, NumberInput, Select, Text } from "@mantine/core";

import type { Scheme } from "../api/types";
import { t } from "../frame/language";
import { criteriaOf, term, written } from "./schemeWords";
import styles from "./Scheme.module.css";

interface Props {
  scheme: Scheme;
  set: (change: Partial<Scheme>) => void;
}

/** Points of the criteria, what an error and a warning cost, lateness, rounding, bonus, and which attempt counts. */
export function PointFields({ scheme, set }: Props) {
  const { marking } = scheme;
  const mark = (change: Partial<Scheme["marking"]>) => set({ marking: { ...marking, ...change } });
  const late = (change: Partial<Scheme["marking"]["late"]>) =>
    mark({ late: { ...marking.late, ...change } });
  const sum = Object.values(scheme.points).reduce((all, own) => all + own, 0);
  return (
    <>
      <div className={styles.points}>
        {criteriaOf(scheme.points).map((criterion) => (
          <NumberInput
            key={criterion.id}
            size="xs"
            label={t(criterion.label)}
            min={0}
            max={1000}
            value={scheme.points[criterion.id] ?? 0}
            onChange={(value) =>
              set({ points: { ...scheme.points, [criterion.id]: Number(value) || 0 } })
            }
          />
        ))}
      </div>
      <Text className="quiet small" mt={4}>
        {t("{{sum}} points in all", { sum: written(sum) })}
      </Text>
      <Group grow mt="md" align="end">
        <NumberInput
          size="xs"
          label={t("An error costs")}
          min={0}
          max={1000}
          step={0.5}
          value={scheme.error_cost}
          onChange={(value) => set({ error_cost: Number(value) || 0 })}
        />
        <NumberInput
          size="xs"
          label={t("A warning, of that, in %")}
          min={0}
          max={100}
          step={25}
          value={Math.round(100 * marking.warning_share)}
          onChange={(value) => mark({ warning_share: (Number(value) || 0) / 100 })}
        />
        <NumberInput
          size="xs"
          label={t("Bonus, at most")}
          min={0}
          max={1000}
          value={marking.bonus}
          onChange={(value) => mark({ bonus: Number(value) || 0 })}
        />
        <Select
          size="xs"
          label={t("Marks are rounded")}
          data={[
            { value: "", label: t("not at all") },
            { value: "tenths", label: t("to tenths") },
            { value: "halves", label: t("to halves") },
            { value: "whole", label: t("to whole points") },
          ]}
          allowDeselect={false}
          value={marking.rounding ?? ""}
          onChange={(step) => mark({ rounding: (step || null) as typeof marking.rounding })}
        />
      </Group>
      <Group grow mt="sm" align="end">
        <NumberInput
          size="xs"
          label={t("Late, for every day begun, in %")}
          min={0}
          max={100}
          value={marking.late.per_day}
          onChange={(value) => late({ per_day: Number(value) || 0 })}
        />
        <NumberInput
          size="xs"
          label={t("Hours that are free")}
          min={0}
          max={1000}
          value={marking.late.free_hours}
          onChange={(value) => late({ free_hours: Number(value) || 0 })}
        />
        <NumberInput
          size="xs"
          label={t("At most, in %")}
          min={0}
          max={100}
          value={marking.late.most}
          onChange={(value) => late({ most: Number(value) || 0 })}
        />
        <Select
          size="xs"
          label={t("Of several attempts counts")}
          data={(["best", "last", "mean"] as const).map((counts) => ({
            value: counts,
            label: term(`attempt ${counts}`),
          }))}
          allowDeselect={false}
          value={scheme.counts}
          onChange={(counts) => counts && set({ counts: counts as Scheme["counts"] })}
        />
      </Group>
    </>
  );
}
