import type { DrawnExample } from "../api/types";
import { Ink } from "../drawing/Ink";
import styles from "./Rules.module.css";

/** A small sheet, with a line along what breaks the rule. */
export function ExampleSheet({ example, label }: { example: DrawnExample; label: string }) {
  const { paper, groups, at } = example;
  const y = (up: number) => paper.height - up;
  return (
    <svg
      className={styles.sheet}
      viewBox={`0 0 ${paper.width} ${paper.height}`}
      role="img"
      aria-label={label}
    >
      <rect width={paper.width} height={paper.height} fill="#fffdf8" />
      {groups.map((group) => (
        <Ink key={`${group.role}-${group.id}`} group={group} height={paper.height} />
      ))}
      {at.map((line, index) =>
        line.length > 1 ? (
          <polyline
            key={index}
            className={styles.breach}
            points={line.map(([x, up]) => `${x},${y(up)}`).join(" ")}
          />
        ) : (
          line[0] && (
            <circle
              key={index}
              className={styles.breach}
              cx={line[0][0]}
              cy={y(line[0][1])}
              r={5}
            />
          )
        ),
      )}
    </svg>
  );
}
