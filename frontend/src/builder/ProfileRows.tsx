import { ActionIcon, Select } from "@mantine/core";

import { said, t } from "../frame/language";
import classes from "./Builder.module.css";
import { endOf, kindOf, type Num, type Step, withEnd } from "./profile";
import { SizeInput } from "./SizeInput";

interface Props {
  steps: Step[];
  chosen: number | null;
  onChoose: (index: number) => void;
  onChange: (steps: Step[]) => void;
}

const KINDS = [
  { value: "line", label: said("corner") },
  { value: "rounded", label: said("rounded") },
  { value: "arc", label: said("arc to") },
];

function middle(a: Num, b: Num): number {
  return typeof a === "number" && typeof b === "number" ? (a + b) / 2 : 0;
}

/** The points of a profile as numbers, each a corner, a rounded corner, or the end of an arc. */
export function ProfileRows({ steps, chosen, onChoose, onChange }: Props) {
  const replace = (index: number, step: Step) =>
    onChange(steps.map((s, k) => (k === index ? step : s)));
  const turn = (index: number, kind: string) => {
    const step = steps[index]!;
    const to = endOf(step);
    const before = endOf(steps[(index + steps.length - 1) % steps.length]!);
    if (kind === "line") replace(index, to);
    else if (kind === "rounded") replace(index, { to, radius: 2 });
    else {
      const [x, y] = [middle(before[0], to[0]), middle(before[1], to[1])];
      const [dx, dy] = [
        Number(to[0]) - Number(before[0]) || 0,
        Number(to[1]) - Number(before[1]) || 0,
      ];
      replace(index, { to, through: [x + dy / 4, y - dx / 4] });
    }
  };
  const insert = (index: number) => {
    const to = endOf(steps[index]!);
    const next = endOf(steps[(index + 1) % steps.length]!);
    const added: Step = [middle(to[0], next[0]), middle(to[1], next[1])];
    onChange([...steps.slice(0, index + 1), added, ...steps.slice(index + 1)]);
    onChoose(index + 1);
  };
  return (
    <ol className={classes.steps} aria-label={t("Points of the profile")}>
      {steps.map((step, index) => {
        const [x, y] = endOf(step);
        return (
          <li key={index} data-chosen={chosen === index} onFocus={() => onChoose(index)}>
            <SizeInput
              aria-label={t("Point {{number}}, first coordinate", { number: index + 1 })}
              value={x}
              onChange={(value) => value !== null && replace(index, withEnd(step, [value, y]))}
            />
            <SizeInput
              aria-label={t("Point {{number}}, second coordinate", { number: index + 1 })}
              value={y}
              onChange={(value) => value !== null && replace(index, withEnd(step, [x, value]))}
            />
            <Select
              size="xs"
              aria-label={t("Kind of point {{number}}", { number: index + 1 })}
              data={KINDS.map((kind) => ({ ...kind, label: t(kind.label) }))}
              value={kindOf(step)}
              allowDeselect={false}
              onChange={(kind) => kind && kind !== kindOf(step) && turn(index, kind)}
            />
            <ActionIcon
              size={24}
              variant="subtle"
              color="gray"
              aria-label={t("Add a point after point {{number}}", { number: index + 1 })}
              onClick={() => insert(index)}
            >
              +
            </ActionIcon>
            <ActionIcon
              size={24}
              variant="subtle"
              color="gray"
              disabled={steps.length <= 3}
              aria-label={t("Take point {{number}} away", { number: index + 1 })}
              onClick={() => onChange(steps.filter((_, k) => k !== index))}
            >
              ×
            </ActionIcon>
            {!Array.isArray(step) && "radius" in step && (
              <SizeInput
                className={classes.more}
                leftSection="R"
                aria-label={t("Radius of point {{number}}", { number: index + 1 })}
                value={step.radius}
                onChange={(radius) => radius !== null && replace(index, { ...step, radius })}
              />
            )}
            {!Array.isArray(step) && "through" in step && (
              <div className={classes.more}>
                <SizeInput
                  aria-label={t("Arc to point {{number}} passes through, first coordinate", {
                    number: index + 1,
                  })}
                  value={step.through[0]}
                  onChange={(v) =>
                    v !== null && replace(index, { ...step, through: [v, step.through[1]] })
                  }
                />
                <SizeInput
                  aria-label={t("Arc to point {{number}} passes through, second coordinate", {
                    number: index + 1,
                  })}
                  value={step.through[1]}
                  onChange={(v) =>
                    v !== null && replace(index, { ...step, through: [step.through[0], v] })
                  }
                />
              </div>
            )}
          </li>
        );
      })}
    </ol>
  );
}
