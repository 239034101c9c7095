import { Button, Group, Text, TextInput } from "@mantine/core";
import { useDebouncedValue, useHotkeys } from "@mantine/hooks";
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { KeptForm } from "../api/types";
import { SaveNote } from "../bench/SaveNote";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { UndoRedo } from "../frame/UndoRedo";
import { STEP } from "./form";
import { FormCanvas } from "./FormCanvas";
import { FormSide } from "./FormSide";
import classes from "./SheetForm.module.css";
import { useFormEditor } from "./useFormEditor";
import { useFormSaving } from "./useFormSaving";

/** One of the school's sheet forms, drawn. */
export default function FormEditorPage() {
  const id = Number(useParams().form);
  const kept = useQuery({
    queryKey: ["sheet form", id],
    queryFn: () =>
      answer(api.GET("/api/sheet-forms/{form_id}", { params: { path: { form_id: id } } })),
    staleTime: Infinity,
    gcTime: 0,
  });
  if (kept.data) return <Editing key={kept.data.id} kept={kept.data} />;
  return (
    <>
      <Header trail={<Link to="/sheet-forms">{t("Sheet forms")}</Link>} />
      {kept.error ? <Trouble error={kept.error} /> : <Waiting />}
    </>
  );
}

function Editing({ kept }: { kept: KeptForm }) {
  const editor = useFormEditor(kept);
  const queries = useQueryClient();
  const { save, saveNow, keepMine, takeTheirs } = useFormSaving(kept, editor.now);
  const [asked] = useDebouncedValue(editor.form, 150);
  const look = useQuery({
    queryKey: ["look of form", asked],
    queryFn: () => answer(api.POST("/api/sheet-forms/look", { body: asked })),
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
  const saved = save.kind === "saved";
  useEffect(() => {
    if (saved) void queries.invalidateQueries({ queryKey: ["sheet forms"] });
  }, [saved, queries]);
  useHotkeys([
    ["Delete", editor.takeAway],
    ["Backspace", editor.takeAway],
    [
      "Escape",
      () => (editor.tool.kind === "take" ? editor.choose(null) : editor.setTool({ kind: "take" })),
    ],
    ["ArrowLeft", () => editor.nudge(-STEP, 0)],
    ["ArrowRight", () => editor.nudge(STEP, 0)],
    ["ArrowUp", () => editor.nudge(0, STEP)],
    ["ArrowDown", () => editor.nudge(0, -STEP)],
  ]);
  if (!kept.own)
    return (
      <div className="screen">
        <Header trail={<Trail name={kept.name} />} />
        <Text p="md">{t("Only who has made this form can change it.")}</Text>
      </div>
    );
  return (
    <div className="screen">
      <Header trail={<Trail name={editor.now.name} />}>
        <SaveNote save={save} fresh="" onRetry={() => void saveNow()} />
        <UndoRedo undo={editor.undo} redo={editor.redo} />
      </Header>
      <main className={classes.grid}>
        <div className={classes.stage}>
          <FormCanvas editor={editor} look={look.data} />
        </div>
        <div className={`${classes.panelSide} panel`}>
          {save.kind === "conflict" && (
            <Group role="alert" mb="md" gap={8}>
              <Text size="sm">{t("This form was changed in another tab.")}</Text>
              <Button size="xs" onClick={keepMine}>
                {t("Keep what is here")}
              </Button>
              <Button size="xs" variant="default" onClick={takeTheirs}>
                {t("Take the other")}
              </Button>
            </Group>
          )}
          <TextInput
            label={t("Name of the form")}
            mb="md"
            maxLength={80}
            value={editor.now.name}
            error={editor.now.name.trim() ? null : t("A form has a name.")}
            onChange={(e) => editor.setName(e.currentTarget.value)}
          />
          <FormSide editor={editor} look={look.data} />
        </div>
      </main>
    </div>
  );
}

function Trail({ name }: { name: string }) {
  return (
    <>
      <Link to="/sheet-forms">{t("Sheet forms")}</Link> / <strong>{name}</strong>
    </>
  );
}
