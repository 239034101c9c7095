import { Group, Stack, Switch, Text, TextInput, Title } from "@mantine/core";
import { DateTimePicker } from "@mantine/dates";
import { useForm } from "@mantine/form";
import { useQueryClient } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { answer, api } from "../api/client";
import { ForWhom } from "../exercise/ForWhom";
import { useChoices } from "../exercise/useChoices";
import { SetOrDraft } from "../exercise/SetOrDraft";
import { nextWeek } from "../exercise/nextWeek";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { AskedSheets } from "./AskedSheets";
import { ChooseParts } from "./ChooseParts";
import classes from "./Set.module.css";
import { useProposed } from "./useProposed";

/** Several sheets set as one: chosen from the shelf, proposed, put in order, and set. */
export default function NewSetPage() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { ready, classes: classList, first } = useChoices();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState("");
  const form = useForm({
    initialValues: {
      title: "",
      group: null as string | null,
      due: nextWeek(),
      closes: null as string | null,
      varied: false,
    },
    validate: {
      title: (title) => (title.trim() ? null : t("Give the set a title.")),
      group: (group) => ((group ?? first) ? null : t("Choose a class.")),
      due: (due) => (dayjs(due).isValid() ? null : t("Say until when.")),
    },
  });

  const { sheets, setSheets, chosen, choose, refused } = useProposed((title) => {
    if (!form.getValues().title) form.setFieldValue("title", title);
  });
  const submit = async (
    { title, group, due, closes, varied }: typeof form.values,
    draft: boolean,
  ) => {
    setBusy(true);
    setTrouble("");
    try {
      const made = await answer(
        api.POST("/api/sets", {
          body: {
            title: title.trim(),
            school_class: Number(group ?? first),
            due_at: dayjs(due).toISOString(),
            opens_at: null,
            closes_at: closes ? dayjs(closes).toISOString() : null,
            draft,
            varied,
            sheets: sheets.map(({ part, title: own, task }) => ({ part, title: own, task })),
          },
        }),
      );
      await queries.invalidateQueries({ queryKey: ["exercises"] });
      void navigate(draft || !made[0]?.in_set ? "/" : `/sets/${made[0].in_set.id}/wall`);
    } catch (error) {
      setTrouble((error as Error).message);
      setBusy(false);
    }
  };
  const few = sheets.length < 2;
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/">{t("Exercises")}</Link> / <strong>{t("New set of sheets")}</strong>
          </>
        }
      />
      <form
        className={classes.form}
        onSubmit={form.onSubmit((values) => void submit(values, false))}
      >
        <Stack>
          <Title order={1} size="h2">
            {t("Set several sheets as one")}
          </Title>
          <ChooseParts
            label={t("Assembly or parts")}
            parts={ready}
            chosen={chosen}
            onChoose={choose}
          />
          <AskedSheets sheets={sheets} onChange={setSheets} />
          <Group grow align="start">
            <TextInput label={t("Title of the set")} {...form.getInputProps("title")} required />
            <ForWhom
              classes={classList}
              first={first}
              chosen={form.values.group}
              inputOf={form.getInputProps}
            />
            <DateTimePicker
              label={t("Closes")}
              valueFormat="ddd D MMM YYYY, HH:mm"
              clearable
              {...form.getInputProps("closes")}
            />
          </Group>
          <Switch
            label={t("Give every student the parts in sizes of their own")}
            description={t(
              "A size that has one name and value in several parts is one size. What touches in an assembly touches again.",
            )}
            {...form.getInputProps("varied", { type: "checkbox" })}
          />
          <SetOrDraft
            trouble={trouble || refused}
            busy={busy}
            disabled={few}
            onDraft={() => form.onSubmit((values) => void submit(values, true))()}
          >
            {few && (
              <Text className="quiet">
                {t(
                  "A set has two sheets or more; what is asked of each can be changed afterwards.",
                )}
              </Text>
            )}
          </SetOrDraft>
        </Stack>
      </form>
    </>
  );
}
