import { Select } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { SheetForm, Task } from "../api/types";
import { LANGUAGES, t } from "../frame/language";
import { term } from "../frame/words";

interface Props {
  task: Task;
  set: (change: Partial<Task>) => void;
}

const USUAL = "usual ";

/** The form sheets are drawn on: the usual one in a language, or one of the school's, which brings its paper. */
export function FormChoice({ task, set }: Props) {
  const forms = useQuery({
    queryKey: ["sheet forms"],
    queryFn: () => answer(api.GET("/api/sheet-forms")),
  });
  const ready = forms.data?.filter((form) => form.ready) ?? [];
  const own = task.sheet_form;
  const chosen = own && ready.find((entry) => JSON.stringify(entry.form) === JSON.stringify(own));
  return (
    <Select
      label={t("Sheet form")}
      description={
        own ? t("Its paper, and the fields it has a place for, are asked for.") : undefined
      }
      data={[
        ...Object.entries(LANGUAGES).map(([code, name]) => ({
          value: USUAL + code,
          label: t("the usual one, captions in {{language}}", { language: name }),
        })),
        ...ready.map(({ id, name, form }) => ({
          value: String(id),
          label: `${name} (${form.size} ${term(form.landscape ? "landscape" : "portrait")})`,
        })),
      ]}
      value={chosen ? String(chosen.id) : own ? null : USUAL + task.captions}
      placeholder={t("as it was when it was chosen")}
      allowDeselect={false}
      onChange={(value) => {
        if (value?.startsWith(USUAL))
          set({ sheet_form: null, captions: value.slice(USUAL.length) as Task["captions"] });
        const entry = ready.find(({ id }) => String(id) === value);
        if (entry) set(onForm(task, entry.form));
      }}
    />
  );
}

/** What changes in a task when it is drawn on a form: the paper, and which fields can be asked for. */
function onForm(task: Task, form: SheetForm): Partial<Task> {
  const has = (field: Task["title_fields"][number]) =>
    form.fields.some((place) => place.field === field);
  return {
    sheet_form: form,
    paper: form.size,
    landscape: form.landscape,
    title_fields: task.title_fields.filter(has),
  };
}
