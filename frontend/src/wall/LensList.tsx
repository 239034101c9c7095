import { Text, Title } from "@mantine/core";

import { t } from "../frame/language";
import type { Criterion, Wall } from "../api/types";
import { CRITERIA, SPECIAL } from "../frame/words";
import classes from "./Wall.module.css";

interface Props {
  wall: Wall;
  lens: Criterion | null;
  onLens: (lens: Criterion | null) => void;
}

/** One criterion at a time, with the number of sheets it has something to say about. */
export function LensList({ wall, lens, onLens }: Props) {
  const touched = (criterion: Criterion) =>
    wall.sheets.filter((s) =>
      s.findings.some((f) => f.criterion === criterion && f.decision !== "waived"),
    ).length;
  const rows = [
    { id: null, label: t("All"), count: wall.sheets.length },
    ...CRITERIA.map((c) => ({ ...c, count: touched(c.id) })).filter(
      (c) => c.count > 0 || !SPECIAL.includes(c.id),
    ),
  ];
  return (
    <nav className={`${classes.lenses} panel`} aria-label={t("Lens")}>
      <Title order={2} size="h4" mb="xs" px={8}>
        {t("Lens")}
      </Title>
      {rows.map((row, index) => (
        <button
          key={row.label}
          type="button"
          className={classes.lens}
          aria-pressed={lens === row.id}
          onClick={() => onLens(row.id)}
          title={index < 10 ? t("Key {{key}}", { key: index }) : undefined}
        >
          <span>{t(row.label)}</span>
          <span className={classes.lensBar}>
            <span style={{ width: `${(100 * row.count) / Math.max(1, wall.sheets.length)}%` }} />
          </span>
          <span className="number">{row.count}</span>
        </button>
      ))}
      <Text className="quiet small" mt="md" px={8}>
        {t("A lens fades everything but one criterion on every sheet. Keys:")} <kbd>0</kbd>–
        <kbd>9</kbd>
      </Text>
    </nav>
  );
}
