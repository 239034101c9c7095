import { Button, NumberInput, SegmentedControl, Select, Stack, TextInput } from "@mantine/core";

import { t } from "../frame/language";
import { fieldLabel } from "../frame/words";
import { type Box, boxOf, changedAt, type Chosen, withBox } from "./form";
import { Numbers } from "./Numbers";
import type { FormEditor } from "./useFormEditor";

/** What is chosen, in numbers and words; anything can be chosen here by its name as well. */
export function ChosenFields({ editor }: { editor: FormEditor }) {
  const { form, chosen } = editor;
  const things = thingsOf(editor);
  const value = chosen ? keyOf(chosen) : null;
  const box = chosen ? boxOf(form, chosen) : null;
  return (
    <Stack gap={8}>
      <Select
        label={t("Chosen")}
        placeholder={t("Nothing: point at it, or choose it here")}
        data={things}
        value={value}
        searchable
        clearable
        onChange={(key) => editor.choose(key ? chosenOf(key) : null)}
      />
      {chosen && box && <BoxNumbers editor={editor} chosen={chosen} box={box} />}
      {chosen?.kind === "line" && <LineNumbers editor={editor} index={chosen.index} />}
      {chosen?.kind === "text" && <Lettering editor={editor} index={chosen.index} />}
      {chosen?.kind === "field" && <FieldLettering editor={editor} index={chosen.index} />}
      {chosen && "index" in chosen && (
        <Button variant="default" size="xs" onClick={editor.takeAway}>
          {t("Take away")}
        </Button>
      )}
    </Stack>
  );
}

const keyOf = (chosen: Chosen): string =>
  "index" in chosen ? `${chosen.kind} ${chosen.index}` : chosen.kind;

function chosenOf(key: string): Chosen {
  const [kind, index] = key.split(" ");
  return index === undefined
    ? { kind: kind as "border" }
    : { kind: kind as "line", index: Number(index) };
}

function thingsOf({ form }: FormEditor): { value: string; label: string }[] {
  return [
    { value: "border", label: t("Border") },
    { value: "title", label: t("Title block") },
    ...form.fields.map(({ field }, index) => ({
      value: `field ${index}`,
      label: t("Field: {{name}}", { name: fieldLabel(field) }),
    })),
    ...form.texts.map(({ text }, index) => ({
      value: `text ${index}`,
      label: t("Lettering: {{text}}", { text }),
    })),
    ...form.lines.map(({ start, end }, index) => ({
      value: `line ${index}`,
      label: t("Line {{from}} to {{to}}", { from: start.join(", "), to: end.join(", ") }),
    })),
  ];
}

function BoxNumbers({ editor, chosen, box }: { editor: FormEditor; chosen: Chosen; box: Box }) {
  const [l, b, r, top] = box;
  const values = [l, b, Number((r - l).toFixed(3)), Number((top - b).toFixed(3))];
  const set = (k: number, value: number) => {
    const [x, y, wide, high] = values.map((own, at) => (at === k ? value : own)) as Box;
    if (wide > 0 && high > 0)
      editor.change((form) => withBox(form, chosen, [x, y, x + wide, y + high]));
  };
  return <Numbers labels={[t("x"), t("y"), t("wide"), t("high")]} values={values} set={set} />;
}

function LineNumbers({ editor, index }: { editor: FormEditor; index: number }) {
  const line = editor.form.lines[index]!;
  const values = [...line.start, ...line.end];
  const change = (next: Partial<typeof line>) =>
    editor.change((form) => changedAt(form, "lines", index, (own) => ({ ...own, ...next })));
  return (
    <>
      <Numbers
        labels={[t("from x"), t("from y"), t("to x"), t("to y")]}
        values={values}
        set={(k, value) => {
          const next = values.map((own, at) => (at === k ? value : own));
          change({ start: [next[0]!, next[1]!], end: [next[2]!, next[3]!] });
        }}
      />
      <SegmentedControl
        size="xs"
        aria-label={t("Width of the line")}
        data={[
          { value: "grid", label: t("0.35 mm") },
          { value: "border", label: t("0.7 mm") },
        ]}
        value={line.pen}
        onChange={(pen) => change({ pen: pen as "grid" })}
      />
    </>
  );
}

const HEIGHTS = [1.8, 2.5, 3.5, 5, 7];

interface Letters {
  height: number;
  anchor: "start" | "middle";
}

/** How high letters are, and where they stand. */
function LetterFields({ of, change }: { of: Letters; change: (next: Partial<Letters>) => void }) {
  return (
    <>
      <NumberInput
        size="xs"
        label={t("Height of capitals, mm")}
        description={HEIGHTS.join(" · ")}
        min={1}
        max={20}
        step={0.5}
        decimalScale={2}
        value={of.height}
        onChange={(height) =>
          typeof height === "number" && height >= 1 && height <= 20 && change({ height })
        }
      />
      <SegmentedControl
        size="xs"
        aria-label={t("Lettering stands")}
        data={[
          { value: "start", label: t("from the left") },
          { value: "middle", label: t("in the middle") },
        ]}
        value={of.anchor}
        onChange={(anchor) => change({ anchor: anchor as Letters["anchor"] })}
      />
    </>
  );
}

function Lettering({ editor, index }: { editor: FormEditor; index: number }) {
  const text = editor.form.texts[index]!;
  const change = (next: Partial<typeof text>) =>
    editor.change((form) => changedAt(form, "texts", index, (own) => ({ ...own, ...next })));
  return (
    <>
      <TextInput
        size="xs"
        label={t("What it says")}
        maxLength={120}
        value={text.text}
        onChange={(e) => change({ text: e.currentTarget.value })}
      />
      <Numbers
        labels={[t("x"), t("y"), t("turned, °")]}
        values={[...text.at, text.turn]}
        set={(k, value) =>
          change(
            k === 2 ? { turn: value % 360 } : { at: k ? [text.at[0], value] : [value, text.at[1]] },
          )
        }
      />
      <LetterFields of={text} change={change} />
    </>
  );
}

function FieldLettering({ editor, index }: { editor: FormEditor; index: number }) {
  const field = editor.form.fields[index]!;
  if (field.field === "angle") return null;
  return (
    <LetterFields
      of={field}
      change={(next) =>
        editor.change((form) => changedAt(form, "fields", index, (own) => ({ ...own, ...next })))
      }
    />
  );
}
