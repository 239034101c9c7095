import { Button, Group, NativeSelect, Progress, Text } from "@mantine/core";

import { t } from "../frame/language";
import { type Delivered, type Said, unknownOf } from "./useDeliveries";
import classes from "./Deliveries.module.css";

interface Props {
  list: Delivered[];
  /** The sheets of a set, where one may have to be chosen. */
  places?: readonly { exercise: number; title: string }[];
  onSettle: (arrived: readonly Delivered[], said: Said) => void;
  onClear: () => void;
}

/** A file's name, with the page that is meant where it is not the first. */
function nameOf({ file, page }: Delivered): string {
  return page === 1 ? file.name : t("{{file}}, page {{page}}", { file: file.name, page });
}

interface ChoiceProps {
  label: string;
  none: string;
  of: { value: number; label: string }[];
  onChoose: (value: number) => void;
}

function Choice({ label, none, of, onChoose }: ChoiceProps) {
  const data = of.map((own) => ({ value: String(own.value), label: own.label }));
  return (
    <NativeSelect
      size="xs"
      aria-label={label}
      data={[{ value: "", label: none }, ...data]}
      onChange={({ currentTarget: { value } }) => value && onChoose(Number(value))}
    />
  );
}

/** What became of the files of a class, page by page; what could not be told is asked. */
export function Deliveries({ list, places = [], onSettle, onClear }: Props) {
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
        <Text className="small">{t("{{over}} of {{all}} pages", { over, all: list.length })}</Text>
        <Button size="compact-sm" variant="default" onClick={onClear} disabled={over < list.length}>
          {t("Clear this list")}
        </Button>
      </Group>
      <ul className={classes.files}>
        {list.map((d) => (
          <li key={d.key}>
            <Text className="small" fw={700} truncate w={220} span title={nameOf(d)}>
              {nameOf(d)}
            </Text>
            <Text className="small" span c={d.state === "failed" ? "var(--fault)" : undefined}>
              {d.words}
            </Text>
            {d.state === "unknown" && <Whose list={list} page={d} onSettle={onSettle} />}
            {d.state === "unplaced" && (
              <Choice
                label={t("Sheet on {{file}}", { file: nameOf(d) })}
                none={t("which sheet is it?")}
                of={places.map((own, at) => ({
                  value: own.exercise,
                  label: `${at + 1}. ${own.title}`,
                }))}
                onChoose={(exercise) => onSettle([d], { exercise })}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface WhoseProps extends Pick<Props, "list" | "onSettle"> {
  page: Delivered;
}

/** Asks whose a page is; once for all pages of a file that tell nobody. */
function Whose({ list, page, onSettle }: WhoseProps) {
  const people = page.candidates.map((own) => ({ value: own.id, label: own.name }));
  const alike = unknownOf(list, page.file);
  const file = nameOf(page);
  return (
    <>
      <Choice
        label={t("Student of {{file}}", { file })}
        none={t("whose sheet is it?")}
        of={people}
        onChoose={(student) => onSettle([page], { student })}
      />
      {alike.length > 1 && alike[0] === page && (
        <Choice
          label={t("Student of all {{count}} pages of {{file}}", {
            count: alike.length,
            file: page.file.name,
          })}
          none={t("all {{count}} pages are of", { count: alike.length })}
          of={people}
          onChoose={(student) => onSettle(alike, { student })}
        />
      )}
    </>
  );
}
