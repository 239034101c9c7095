import { Button, NumberInput, Select, Title } from "@mantine/core";

import type { Rules, Scheme } from "../api/types";
import { t } from "../frame/language";
import { criterionLabel } from "../frame/words";
import styles from "./Scheme.module.css";

interface Props {
  marking: Scheme["marking"];
  /** What an error costs else. */
  usual: number;
  rules: Rules;
  onChange: (marking: Scheme["marking"]) => void;
}

/** Kinds of findings that cost something of their own, and the most all of one kind cost together. */
export function RuleCosts({ marking, usual, rules, onChange }: Props) {
  const own = rules.filter((rule) => rule.id in marking.costs || rule.id in marking.caps);
  const others = rules.filter((rule) => !own.includes(rule));
  const set = (kind: "costs" | "caps", rule: string, value: string | number) => {
    const next = { ...marking[kind] };
    if (value === "") delete next[rule];
    else next[rule] = Number(value) || 0;
    onChange({ ...marking, [kind]: next });
  };
  const drop = (rule: string) => {
    const without = (own: Record<string, number>) =>
      Object.fromEntries(Object.entries(own).filter(([other]) => other !== rule));
    onChange({ ...marking, costs: without(marking.costs), caps: without(marking.caps) });
  };
  return (
    <section className={styles.section}>
      <Title order={2} size="h4">
        {t("Mistakes that cost something of their own")}
      </Title>
      {own.length > 0 && (
        <table className={styles.costs}>
          <thead>
            <tr>
              <th>{t("Mistake")}</th>
              <th>{t("Each costs")}</th>
              <th>{t("All together at most")}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {own.map((rule) => (
              <tr key={rule.id}>
                <th scope="row">
                  {rule.heading}{" "}
                  <span className="quiet small">{criterionLabel(rule.criterion)}</span>
                </th>
                <td>
                  <NumberInput
                    size="xs"
                    w={90}
                    aria-label={t("{{rule}}: each costs", { rule: rule.heading })}
                    min={0}
                    max={1000}
                    step={0.5}
                    placeholder={String(usual)}
                    value={marking.costs[rule.id] ?? ""}
                    onChange={(value) => set("costs", rule.id, value)}
                  />
                </td>
                <td>
                  <NumberInput
                    size="xs"
                    w={90}
                    aria-label={t("{{rule}}: all together at most", { rule: rule.heading })}
                    min={0}
                    max={1000}
                    step={0.5}
                    value={marking.caps[rule.id] ?? ""}
                    onChange={(value) => set("caps", rule.id, value)}
                  />
                </td>
                <td>
                  <Button
                    size="compact-xs"
                    variant="subtle"
                    color="ink"
                    aria-label={t("{{rule}}: as all others", { rule: rule.heading })}
                    onClick={() => drop(rule.id)}
                  >
                    {t("as all others")}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Select
        mt="sm"
        size="xs"
        maw={380}
        searchable
        aria-label={t("Give a mistake a cost of its own")}
        placeholder={t("Give a mistake a cost of its own")}
        data={others.map((rule) => ({
          value: rule.id,
          label: `${criterionLabel(rule.criterion)}: ${rule.heading}`,
        }))}
        value={null}
        onChange={(rule) => rule && set("costs", rule, usual)}
      />
    </section>
  );
}
