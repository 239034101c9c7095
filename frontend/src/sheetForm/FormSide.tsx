import { Button, Checkbox, SegmentedControl, Stack, Text, Title } from "@mantine/core";

import type { FormField, FormLook } from "../api/types";
import { t } from "../frame/language";
import { fieldLabel, TITLE_FIELDS } from "../frame/words";
import { ChosenFields } from "./ChosenFields";
import { Numbers } from "./Numbers";
import classes from "./SheetForm.module.css";
import type { FormEditor } from "./useFormEditor";

const FIELDS: FormField[] = [...TITLE_FIELDS, "angle"];

/** The means of the form editor: tools, fields, what is chosen, margins, and what is wrong. */
export function FormSide({ editor, look }: { editor: FormEditor; look: FormLook | undefined }) {
  const { form, tool, setTool } = editor;
  return (
    <Stack gap="md">
      <SegmentedControl
        fullWidth
        aria-label={t("Tool")}
        data={[
          { value: "take", label: t("Take hold") },
          { value: "line", label: t("tool|Line") },
          { value: "text", label: t("Lettering") },
        ]}
        value={tool.kind === "field" ? "" : tool.kind}
        onChange={(kind) => setTool({ kind: kind as "take" })}
      />
      <Text className="quiet small">{HINTS[tool.kind]()}</Text>
      <div>
        <Title order={2} size="h5" mb={6}>
          {t("Fields")}
        </Title>
        <div className={classes.fields}>
          {FIELDS.map((field) => (
            <FieldButton key={field} editor={editor} field={field} />
          ))}
        </div>
        <Checkbox
          mt={8}
          size="xs"
          label={t("Write its caption into an empty cell")}
          checked={editor.captioned}
          onChange={(e) => editor.setCaptioned(e.currentTarget.checked)}
        />
      </div>
      <ChosenFields editor={editor} />
      <div>
        <Title order={2} size="h5" mb={6}>
          {t("Zone marks")}
        </Title>
        <SegmentedControl
          fullWidth
          size="xs"
          aria-label={t("Zone marks")}
          data={[
            { value: "none", label: t("none") },
            { value: "iso", label: "ISO 5457" },
            { value: "asme", label: "ASME Y14.1" },
          ]}
          value={form.zones ?? "none"}
          onChange={(value) =>
            editor.change((own) => ({ ...own, zones: value === "none" ? null : (value as "iso") }))
          }
        />
      </div>
      <Margins editor={editor} />
      <Flaws editor={editor} look={look} />
    </Stack>
  );
}

const HINTS: Record<FormEditor["tool"]["kind"], () => string> = {
  take: () =>
    t(
      "Drag lines, lettering, fields, border and title block; arrow keys move by half a millimetre.",
    ),
  line: () => t("Where it begins, and where it ends; it runs level or upright. Escape: no line."),
  text: () => t("Click where it begins, then write it here below."),
  field: () => t("Click into the cell of the title block where it is to stand."),
};

/** A field: put down where it is not yet, shown where it is. */
function FieldButton({ editor, field }: { editor: FormEditor; field: FormField }) {
  const index = editor.form.fields.findIndex((own) => own.field === field);
  const putting = editor.tool.kind === "field" && editor.tool.field === field;
  return (
    <Button
      size="compact-sm"
      variant={putting ? "filled" : index >= 0 ? "light" : "default"}
      aria-pressed={putting}
      onClick={() => {
        if (putting) editor.setTool({ kind: "take" });
        else if (index >= 0) {
          editor.choose({ kind: "field", index });
          editor.setTool({ kind: "take" });
        } else editor.setTool({ kind: "field", field });
      }}
    >
      {index >= 0 ? `${fieldLabel(field)} ✓` : fieldLabel(field)}
    </Button>
  );
}

/** The border by its distances from the edges of the paper, as paper is cut. */
function Margins({ editor }: { editor: FormEditor }) {
  const { form, paper } = editor;
  const [left, bottom, right, top] = form.border;
  const margins = [left, bottom, paper.width - right, paper.height - top];
  const set = (side: number, margin: number) => {
    const index = side === 2 ? paper.width - margin : side === 3 ? paper.height - margin : margin;
    const border = form.border.map((own, k) => (k === side ? index : own)) as typeof form.border;
    if (border[0] < border[2] && border[1] < border[3])
      editor.change((own) => ({ ...own, border }));
  };
  return (
    <div>
      <Title order={2} size="h5" mb={6}>
        {t("Margins, mm")}
      </Title>
      <Numbers
        least={0}
        labels={[t("left"), t("bottom"), t("right"), t("top")]}
        values={margins.map((margin) => Number(margin.toFixed(2)))}
        set={set}
      />
    </div>
  );
}

/** What is wrong with the form: what keeps it from being used first. */
function Flaws({ editor, look }: { editor: FormEditor; look: FormLook | undefined }) {
  if (!look) return null;
  const barred = look.flaws.some((flaw) => flaw.bars);
  return (
    <section aria-label={t("Looked through")} aria-live="polite">
      <Title order={2} size="h5" mb={6}>
        {barred ? t("Not ready yet") : t("Ready for exercises")}
      </Title>
      {look.flaws.length === 0 && (
        <Text className="quiet small">{t("Border, title block and fields are in order.")}</Text>
      )}
      {look.flaws.map((flaw) => (
        <p key={flaw.what} className={classes.flaw}>
          <span
            role="img"
            aria-label={flaw.bars ? t("keeps it from being used") : t("to consider")}
          >
            {flaw.bars ? "■" : "○"}
          </span>
          <span>
            {flaw.what}{" "}
            {flaw.field && (
              <Button
                size="compact-xs"
                variant="subtle"
                onClick={() =>
                  editor.choose({
                    kind: "field",
                    index: editor.form.fields.findIndex((own) => own.field === flaw.field),
                  })
                }
              >
                {t("Show")}
              </Button>
            )}
          </span>
        </p>
      ))}
    </section>
  );
}
