import { Switch, Text, Title } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { Sheet } from "../api/types";
import { NotRead } from "../drawing/NotRead";
import { t, written } from "../frame/language";
import type { Bench, Stage } from "./bench";
import classes from "./Bench.module.css";
import { FileSwitch } from "./FileSwitch";
import { ReadViews } from "./stages/ReadViews";

interface Props {
  bench: Bench;
  sheet: Sheet;
  stage: Stage;
}

/** The file of a sheet whose reading is corrected: what of it was not read, and what its views were taken for. */
export function FileRead({ bench, sheet, stage }: Props) {
  const { document, draft } = bench;
  const queries = useQueryClient();
  const look = useMutation({
    mutationFn: ({ place, looked }: { place: number; looked: boolean }) =>
      answer(
        api.PUT("/api/sheets/{sheet_id}/original/not-read/{place}", {
          params: { path: { sheet_id: sheet.id, place } },
          body: { looked_at: looked },
        }),
      ),
    onSuccess: (fresh) => queries.setQueryData(["sheet", sheet.id], fresh),
  });
  const original = sheet.original;
  const byHand = bench.exercise.task.by_hand;
  if (!original) return null;
  // How many sizes were not read stays known with what was handed in: what is put right can be left open again.
  const unread = Math.max(document.unread_sizes ?? 0, original.unread_sizes);
  return (
    <section aria-label={t("Read from a file")} className={classes.elsewhere}>
      <Title order={3} size="h5">
        {t("Read from a file")}
      </Title>
      <FileSwitch bench={bench} name={original.name} />
      {unread > 0 && (
        <Switch
          mt="xs"
          size="xs"
          label={t("All sizes of the file are on the sheet")}
          description={t("Whether they suffice is judged then.")}
          checked={(document.unread_sizes ?? 0) === 0}
          onChange={(event) => {
            const unread_sizes = event.currentTarget.checked ? 0 : unread;
            draft.change((now) => ({ ...now, unread_sizes }));
          }}
        />
      )}
      {original.picture && (
        <Switch
          mt="xs"
          size="xs"
          label={t("Drawn by hand")}
          description={t("Judged within {{within}} mm and {{degrees}}° then.", {
            within: written(byHand.tolerance_mm),
            degrees: written(byHand.degrees),
          })}
          checked={document.by_hand ?? false}
          onChange={(event) => {
            const by_hand = event.currentTarget.checked;
            draft.change((now) => ({ ...now, by_hand }));
          }}
        />
      )}
      <NotRead
        notRead={original.not_read}
        onPoint={bench.speakOf}
        onLook={(place, looked) => look.mutate({ place, looked })}
      />
      {look.error && (
        <Text c="var(--fault)" role="alert" size="sm">
          {look.error.message}
        </Text>
      )}
      {stage === "Views" && <ReadViews bench={bench} />}
    </section>
  );
}
