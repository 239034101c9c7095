import { Button, CloseButton, Group, Menu, Text, TextInput } from "@mantine/core";

import { said, t } from "../../frame/language";
import { type Bench, without } from "../bench";
import { nextId } from "../geometry";

/** What holds for the whole part, in the words it is usually said in. */
const GENERAL_NOTES = [
  said("BREAK ALL SHARP EDGES"),
  said("REMOVE ALL BURRS"),
  said("ALL FILLETS AND ROUNDS R2 UNLESS STATED"),
  said("ALL SIZES IN MM"),
];

/** Free lines of text; each is moved on the sheet by hand or by the arrow keys. */
export function Notes({ bench }: { bench: Bench }) {
  const { document, draft, paper } = bench;
  const change = (id: string, text: string) =>
    draft.change((now) => ({
      ...now,
      notes: now.notes.map((note) => (note.id === id ? { ...note, text } : note)),
    }));
  const point = (id: string) =>
    draft.change((now) => ({
      ...now,
      notes: now.notes.map((note) => (note.id === id ? { ...note, leader: null } : note)),
    }));
  const add = (text: string, at: [number, number]) => {
    const id = nextId("n", document.notes);
    const note = { id, text, at, height: 3.5, turn: 0, leader: null };
    draft.change((now) => ({ ...now, notes: [...now.notes, note] }));
    bench.select({ role: "note", id });
  };
  const own = () => {
    const [left, bottom] = paper?.drawing_area ?? [20, 20];
    add("NOTE", [left + 8, bottom + 8 + 7 * (document.notes.length % 8)]);
  };
  // General notes stand above the title block, one over the other.
  const general = (text: string) => {
    const [left, , , top] = paper?.title ?? [20, 0, 0, 20];
    const level = (k: number) => top + 5 + 6 * k;
    const taken = (y: number) =>
      document.notes.some((n) => n.at[0] === left && Math.abs(n.at[1] - y) < 1);
    let row = 0;
    while (taken(level(row))) row += 1;
    add(text, [left, level(row)]);
  };
  return (
    <section aria-label={t("Notes")}>
      <Text size="sm" fw={500} mt={8}>
        {t("Notes")}
      </Text>
      {document.notes.map((note) => (
        <Group key={note.id} gap={6} wrap="nowrap" mt={4}>
          <TextInput
            size="xs"
            style={{ flex: 1 }}
            aria-label={t("Note {{number}}", { number: note.id.slice(1) })}
            maxLength={120}
            value={note.text}
            onFocus={() => bench.select({ role: "note", id: note.id })}
            onChange={(e) => change(note.id, e.currentTarget.value)}
          />
          <Button
            size="compact-xs"
            variant="default"
            onClick={() => {
              if (note.leader) return point(note.id);
              bench.select({ role: "note", id: note.id });
              bench.setTool("leader");
            }}
          >
            {note.leader ? t("No leader") : t("Leader")}
          </Button>
          <CloseButton
            size={24}
            aria-label={t("Take note {{number}} away", { number: note.id.slice(1) })}
            onClick={() => draft.change((now) => without(now, { role: "note", id: note.id }))}
          />
        </Group>
      ))}
      <Group gap={6} mt={6}>
        <Button size="xs" variant="default" onClick={own}>
          {t("Add a note")}
        </Button>
        <Menu>
          <Menu.Target>
            <Button size="xs" variant="default">
              {t("General note")}
            </Button>
          </Menu.Target>
          <Menu.Dropdown>
            {GENERAL_NOTES.map((text) => (
              <Menu.Item key={text} onClick={() => general(t(text))}>
                {t(text)}
              </Menu.Item>
            ))}
          </Menu.Dropdown>
        </Menu>
      </Group>
      {bench.tool === "leader" && (
        <Text className="quiet small" role="status">
          {t("Point at what the note is about.")}
        </Text>
      )}
    </section>
  );
}
