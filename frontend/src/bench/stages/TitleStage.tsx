import { SegmentedControl, Stack, Text, TextInput, Title } from "@mantine/core";

import type { SheetDocument } from "../../api/types";
import { TITLE_FIELDS } from "../../frame/words";
import type { Bench } from "../bench";

/** The title block, with what the exercise asks for first. */
export function TitleStage({ bench }: { bench: Bench }) {
  const { document, draft, exercise } = bench;
  const asked = new Set<string>(exercise.task.title_fields);
  const set = (change: Partial<SheetDocument["title"]>) =>
    draft.change((now) => ({ ...now, title: { ...now.title, ...change } }));
  const ordered = [...TITLE_FIELDS].sort((a, b) => Number(asked.has(b)) - Number(asked.has(a)));
  return (
    <Stack gap={8}>
      <Title order={2} size="h4">
        Title block
      </Title>
      <Text size="sm" fw={500}>
        Angle symbol
      </Text>
      <SegmentedControl
        size="xs"
        aria-label="Angle symbol"
        data={["none", "first", "third"]}
        value={document.title.angle ?? "none"}
        onChange={(value) => set({ angle: value === "none" ? null : (value as "first" | "third") })}
      />
      {ordered.map((field) => (
        <TextInput
          key={field}
          size="xs"
          label={field[0]!.toUpperCase() + field.slice(1)}
          withAsterisk={asked.has(field)}
          maxLength={120}
          value={document.title.fields[field] ?? ""}
          onChange={(e) =>
            set({ fields: { ...document.title.fields, [field]: e.currentTarget.value } })
          }
        />
      ))}
    </Stack>
  );
}
