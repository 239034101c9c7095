import { Stack, Text, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { Exercise } from "../api/types";
import { SetOrDraft } from "../exercise/SetOrDraft";
import { useChoices } from "../exercise/useChoices";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import { AskedSheets } from "./AskedSheets";
import { ChooseParts } from "./ChooseParts";
import classes from "./Set.module.css";
import { useProposed } from "./useProposed";

/** A set that is there already: other sheets, or the same in another order. */
export default function ArrangeSetPage() {
  const id = Number(useParams().set);
  const exercises = useQuery({
    queryKey: ["exercises", "of set", id],
    // What somebody has begun to change is not pulled away under their hands.
    staleTime: Infinity,
    gcTime: 0,
    queryFn: async () => {
      const all = await answer(api.GET("/api/exercises"));
      const own = all.filter(({ in_set }) => in_set?.id === id);
      if (own.length === 0) throw new Error(t("There is no such set among the exercises."));
      return own.sort((one, other) => (one.in_set?.place ?? 0) - (other.in_set?.place ?? 0));
    },
  });
  const title = exercises.data?.[0]?.in_set?.title ?? "";
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> / <strong>{title}</strong>
          </>
        }
      />
      {exercises.error && <Trouble error={exercises.error} />}
      {exercises.isPending && <Waiting />}
      {exercises.data && <ArrangeForm id={id} title={title} exercises={exercises.data} />}
    </>
  );
}

function ArrangeForm({
  id,
  title,
  exercises,
}: {
  id: number;
  title: string;
  exercises: Exercise[];
}) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { ready } = useChoices();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState("");
  const form = useForm({
    initialValues: { title },
    validate: { title: (own) => (own.trim() ? null : t("Give the set a title.")) },
  });
  const { sheets, setSheets, chosen, choose, refused } = useProposed(
    () => undefined,
    exercises.map((own) => ({ ...own, exercise: own.id, of: own.part })),
  );
  const keep = async (values: typeof form.values) => {
    setBusy(true);
    setTrouble("");
    try {
      await answer(
        api.PUT("/api/sets/{set_id}", {
          params: { path: { set_id: id } },
          body: {
            title: values.title.trim(),
            sheets: sheets.map(({ exercise, part, title: own, task }) =>
              exercise ? { exercise } : { part, title: own, task },
            ),
          },
        }),
      );
      await queries.invalidateQueries({ queryKey: ["exercises"] });
      await queries.invalidateQueries({ queryKey: ["set wall", id] });
      tell(t("The set is kept as it is now."));
      void navigate(`/sets/${id}/wall`);
    } catch (error) {
      setTrouble((error as Error).message);
      setBusy(false);
    }
  };
  const few = sheets.length < 2;
  return (
    <form className={classes.form} onSubmit={form.onSubmit((values) => void keep(values))}>
      <Stack>
        <Title order={1} size="h2">
          {t("Sheets of this set")}
        </Title>
        <TextInput
          label={t("Title of the set")}
          maw={480}
          required
          {...form.getInputProps("title")}
        />
        <AskedSheets sheets={sheets} onChange={setSheets} />
        <ChooseParts
          label={t("Add sheets of an assembly or of parts")}
          parts={ready}
          chosen={chosen}
          onChoose={choose}
        />
        <Text className="quiet" maw={720}>
          {t(
            "New sheets are for the same class and until the same time as the others. What is left out goes to the archive by itself. Once a sheet is handed in, the sheets and their order stay as they are.",
          )}
        </Text>
        <SetOrDraft
          trouble={trouble || refused}
          busy={busy}
          disabled={few}
          label={t("Keep the set so")}
        >
          {few && <Text className="quiet">{t("A set has two sheets or more.")}</Text>}
        </SetOrDraft>
      </Stack>
    </form>
  );
}
