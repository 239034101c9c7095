import { Button, Group, Switch, TextInput } from "@mantine/core";

import { t } from "../frame/language";
import type { ShelfAnswer } from "../api/types";

interface Props {
  words: string;
  onWords: (words: string) => void;
  labels: ShelfAnswer["labels"];
  label: string | null;
  onLabel: (label: string | null) => void;
  archived: boolean;
  onArchived: (archived: boolean) => void;
}

/** Finding parts: by words, by label, in the archive. */
export function ShelfSearch(props: Props) {
  return (
    <Group gap="sm">
      <TextInput
        type="search"
        aria-label={t("Search the shelf")}
        placeholder={t("Name, material or label")}
        value={props.words}
        onChange={(event) => props.onWords(event.currentTarget.value)}
        w={240}
      />
      <Group gap={6} aria-label={t("Labels")} role="group">
        {props.labels.map(({ label, count }) => (
          <Button
            key={label}
            size="compact-sm"
            variant={props.label === label ? "filled" : "default"}
            aria-pressed={props.label === label}
            onClick={() => props.onLabel(props.label === label ? null : label)}
          >
            {label} · {count}
          </Button>
        ))}
      </Group>
      <Switch
        ml="auto"
        size="sm"
        label={t("Archive")}
        checked={props.archived}
        onChange={(event) => props.onArchived(event.currentTarget.checked)}
      />
    </Group>
  );
}
