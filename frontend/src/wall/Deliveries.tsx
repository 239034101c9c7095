import { Button, Group, NativeSelect, Progress, Text } from "@mantine/core";

import { t } from "../frame/language";
import type { Delivered } from "./useDeliveries";
import classes from "./Wall.module.css";

interface Props {
  list: Delivered[];
  onSettle: (arrived: Delivered, student: number) => void;
  onClear: () => void;
}

/** A file's name, with the page that is meant where it is not the first. */
function nameOf({ file, page }: Delivered): string {
  return page === 1 ? file.name : t("{{file}}, page {{page}}", { file: file.name, page });
}

/** What became of the files of a class, file by file. */
export function Deliveries({ list, onSettle, onClear }: Props) {
  if (list.length === 0) return null;
  const over = list.filter((d) => d.state !== "waiting" && d.state !== "reading").length;
  return (
    <section className={classes.deliveries} aria-label={t("Files brought in")} aria-live="polite">
      <Group gap="sm" wrap="nowrap">
        <Progress
          flex={1}
          value={(100 * over) / list.length}
          color="var(--settled)"
          aria-label={t("Progress of all files")}
        />
        <Text className="small">{t("{{over}} of {{all}} files", { over, all: list.length })}</Text>
        <Button size="compact-sm" variant="default" onClick={onClear} disabled={over < list.length}>
          {t("Clear this list")}
        </Button>
      </Group>
      <ul className={classes.files}>
        {list.map((d) => (
          <li key={d.key}>
            <Text className="small" fw={700} truncate w={220} span>
              {nameOf(d)}
            </Text>
            <Text className="small" span c={d.state === "failed" ? "var(--fault)" : undefined}>
              {d.words}
            </Text>
            {d.state === "unknown" && (
              <NativeSelect
                size="xs"
                aria-label={t("Student of {{file}}", { file: nameOf(d) })}
                data={[
                  { value: "", label: t("whose sheet is it?") },
                  ...d.candidates.map((c) => ({ value: String(c.id), label: c.name })),
                ]}
                onChange={(event) => {
                  if (event.currentTarget.value) onSettle(d, Number(event.currentTarget.value));
                }}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
