import type { Criterion, Rules, Scheme } from "../api/types";
import { t, written } from "../frame/language";
import { criterionLabel } from "../frame/words";

export { written } from "../frame/language";
export { criteriaOf, term } from "../frame/words";

/** What is different between two ways of marking, each thing in a line. */
export function differences(before: Scheme, after: Scheme, rules: Rules): string[] {
  const lines: string[] = [];
  const line = (what: string, old: string, now: string) => {
    if (old !== now) lines.push(t("{{what}}: {{old}} → {{now}}", { what, old, now }));
  };
  const number = (value: number | null | undefined) =>
    value === undefined || value === null ? "–" : written(value);
  for (const criterion of Object.keys(after.points) as Criterion[]) {
    line(
      criterionLabel(criterion),
      number(before.points[criterion]),
      number(after.points[criterion]),
    );
  }
  line(t("An error costs"), number(before.error_cost), number(after.error_cost));
  const [a, b] = [before.marking, after.marking];
  line(t("A warning, of that, in %"), number(100 * a.warning_share), number(100 * b.warning_share));
  line(t("Bonus, at most"), number(a.bonus), number(b.bonus));
  line(t("Marks are rounded"), a.rounding ?? "–", b.rounding ?? "–");
  line(t("Late, for every day begun, in %"), number(a.late.per_day), number(b.late.per_day));
  line(t("Hours that are free"), number(a.late.free_hours), number(b.late.free_hours));
  line(t("At most, in %"), number(a.late.most), number(b.late.most));
  line(t("Of several attempts counts"), before.counts, after.counts);
  const grades = (steps: typeof a.grades) =>
    steps.map((step) => `${step.grade} ${written(step.least)} %`).join(", ") || "–";
  line(t("Grades"), grades(a.grades), grades(b.grades));
  for (const [kind, what] of [
    ["costs", t("costs")],
    ["caps", t("at most in all")],
  ] as const) {
    for (const rule of new Set([...Object.keys(a[kind]), ...Object.keys(b[kind])])) {
      const heading = rules.find((own) => own.id === rule)?.heading ?? rule;
      line(`${heading}, ${what}`, number(a[kind][rule]), number(b[kind][rule]));
    }
  }
  return lines;
}
