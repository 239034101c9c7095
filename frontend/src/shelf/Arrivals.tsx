import { Button, CloseButton, Group, Progress, Text } from "@mantine/core";
import { Link } from "react-router";

import { t } from "../frame/language";
import classes from "./Shelf.module.css";
import { type Arrival, isOver } from "./useBringIn";

interface Props {
  arrivals: Arrival[];
  onCancel: (job: number) => void;
  onClear: () => void;
}

/** What is being brought in, file by file. */
export function Arrivals({ arrivals, onCancel, onClear }: Props) {
  if (arrivals.length === 0) return null;
  const over = arrivals.every(isOver);
  return (
    <section className={classes.arrivals} aria-label={t("Brought in")} aria-live="polite">
      {arrivals.map((a) => (
        <Group key={a.key} gap="sm" wrap="nowrap">
          <Text fw={700} truncate w={220}>
            {a.part !== null && a.state === "done" ? (
              <Link to={`/shelf/${a.part}`}>{a.name}</Link>
            ) : (
              a.name
            )}
          </Text>
          <Progress
            value={100 * Math.max(a.share, 0.02)}
            color={a.state === "failed" ? "var(--fault)" : "var(--settled)"}
            w={160}
            aria-label={t("Progress of {{name}}", { name: a.name })}
          />
          <Text className="small" c={a.state === "failed" ? "var(--fault)" : undefined} flex={1}>
            {a.state === "failed" &&
              t("Not usable: {{reason}}. The file is kept.", { reason: a.doing })}
            {a.state === "stopped" && t("Stopped before it was examined. The file is kept.")}
            {!["failed", "stopped"].includes(a.state) && a.doing}
          </Text>
          {a.state === "examining" && a.job !== null && (
            <CloseButton
              aria-label={t("Stop examining {{name}}", { name: a.name })}
              onClick={() => a.job !== null && onCancel(a.job)}
            />
          )}
        </Group>
      ))}
      {over && (
        <Button size="compact-sm" variant="default" onClick={onClear} w="fit-content">
          {t("Clear this list")}
        </Button>
      )}
    </section>
  );
}
