import {
  Autocomplete,
  SegmentedControl,
  Select,
  Stack,
  Text,
  TextInput,
  Title,
} from "@mantine/core";

import { t } from "../../frame/language";
import type { SheetDocument } from "../../api/types";
import { TITLE_FIELDS, capital, fieldLabel, terms } from "../../frame/words";
import type { Bench } from "../bench";
import { CarryTitle } from "../../set/CarryTitle";
import { Notes } from "./Notes";

/** What is offered for general tolerances; anything else may be typed. */
const GENERAL_TOLERANCES = ["ISO 2768-f", "ISO 2768-m", "ISO 2768-c", "X ±0.5  .X ±0.2  .XX ±0.05"];

/** The title block, with what the exercise asks for first. */
export function TitleStage({ bench }: { bench: Bench }) {
  const { document, draft, exercise } = bench;
  const asked = new Set<string>(exercise.task.title_fields);
  const set = (change: Partial<SheetDocument["title"]>) =>
    draft.change((now) => ({ ...now, title: { ...now.title, ...change } }));
  const filled = bench.answering ? [] : exercise.task.title_filled;
  const form = document.paper.form;
  // On a form of its own only what has a place there, or is asked for, is to be written.
  const own = TITLE_FIELDS.filter(
    (field) =>
      !filled.some((known) => known === field) &&
      (!form || asked.has(field) || form.fields.some((place) => place.field === field)),
  );
  const ordered = own.sort((a, b) => Number(asked.has(b)) - Number(asked.has(a)));
  return (
    <Stack gap={8}>
      <Title order={2} size="h4">
        {t("Title block")}
      </Title>
      <Text size="sm" fw={500}>
        {t("Angle symbol")}
      </Text>
      <SegmentedControl
        size="xs"
        aria-label={t("Angle symbol")}
        data={terms(["none", "first", "third"])}
        value={document.title.angle ?? "none"}
        onChange={(value) => set({ angle: value === "none" ? null : (value as "first" | "third") })}
      />
      {filled.length > 0 && (
        <Text size="sm" className="quiet">
          {t("Filled in for you: {{fields}}.", { fields: filled.map(fieldLabel).join(", ") })}
        </Text>
      )}
      {ordered.map((field) => {
        const common = {
          size: "xs",
          label: capital(fieldLabel(field)),
          withAsterisk: asked.has(field),
          value: document.title.fields[field] ?? "",
        } as const;
        const write = (text: string) =>
          set({ fields: { ...document.title.fields, [field]: text } });
        const choices = bench.answering ? undefined : exercise.task.title_choices[field];
        if (choices)
          return (
            <Select
              key={field}
              {...common}
              data={choices}
              clearable
              onChange={(text) => write(text ?? "")}
            />
          );
        if (field === "tolerances")
          return (
            <Autocomplete
              key={field}
              {...common}
              data={GENERAL_TOLERANCES}
              maxLength={120}
              onChange={write}
            />
          );
        return (
          <TextInput
            key={field}
            {...common}
            maxLength={120}
            onChange={(e) => write(e.currentTarget.value)}
          />
        );
      })}
      {exercise.task.sheet_name && (
        <TextInput
          size="xs"
          label={t("Name of the sheet")}
          description={exercise.task.sheet_name}
          maxLength={120}
          value={document.name ?? ""}
          onChange={(e) => {
            const name = e.currentTarget.value || null;
            draft.change((now) => ({ ...now, name }));
          }}
        />
      )}
      {exercise.in_set && !bench.answering && (
        <CarryTitle
          set={exercise.in_set.id}
          exercise={exercise.id}
          before={() => draft.saveNow()}
        />
      )}
      <Notes bench={bench} />
    </Stack>
  );
}
