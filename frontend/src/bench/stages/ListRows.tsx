import { Button, CloseButton, Group, Text, TextInput } from "@mantine/core";

import type { ListRow } from "../../api/types";
import { said, t } from "../../frame/language";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";

/** A list that is put down anew stands so far inside of where it is drawn on, mm. */
const INSIDE = 6;

const CELLS = [
  ["number", said("No.")],
  ["quantity", said("Qty")],
  ["name", said("list|Name")],
  ["material", said("Material")],
] as const;

/** The parts list, row by row. */
export function ListRows({ bench }: { bench: Bench }) {
  const { document, draft, paper } = bench;
  const listed = document.parts_list;
  const rows = listed?.rows ?? [];
  const set = (change: (rows: ListRow[]) => ListRow[]) =>
    draft.change((now) =>
      now.parts_list
        ? { ...now, parts_list: { ...now.parts_list, rows: change(now.parts_list.rows) } }
        : now,
    );
  const putDown = () => {
    const [left, , , top] = paper?.drawing_area ?? [20, 10, 400, 280];
    draft.change((now) => ({
      ...now,
      parts_list: { at: [left + INSIDE, top - INSIDE], rows: [], size: null },
    }));
  };
  const add = () =>
    set((own) => [
      ...own,
      { number: String(own.length + 1), quantity: "1", name: "", material: "" },
    ]);
  return (
    <section aria-label={t("Parts list")}>
      <Text size="sm" fw={500}>
        {t("Parts list")}
      </Text>
      {rows.map((row, place) => (
        <Group key={place} gap={2} mt={6} role="group" aria-label={rowName(place)}>
          {CELLS.map(([cell, label]) => (
            <TextInput
              key={cell}
              size="xs"
              className={
                classes[cell === "number" || cell === "quantity" ? "shortCell" : "longCell"]
              }
              aria-label={t(label)}
              placeholder={t(label)}
              maxLength={120}
              value={row[cell]}
              onFocus={() => bench.select({ role: "parts-list", id: "parts-list" })}
              onChange={(e) => {
                const text = e.currentTarget.value;
                set((own) => own.map((r, k) => (k === place ? { ...r, [cell]: text } : r)));
              }}
            />
          ))}
          <CloseButton
            size={22}
            aria-label={t("Take row {{number}} away", { number: place + 1 })}
            onClick={() => set((own) => own.filter((_, k) => k !== place))}
          />
        </Group>
      ))}
      <Group gap={6} mt={6}>
        <Button size="xs" variant="default" onClick={listed ? add : putDown}>
          {listed ? t("Add a row") : t("Put the list down")}
        </Button>
      </Group>
    </section>
  );
}

function rowName(place: number): string {
  return t("Row {{number}}", { number: place + 1 });
}
