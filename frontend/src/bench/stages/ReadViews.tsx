import { NativeSelect, Text } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";

import { answer, api } from "../../api/client";
import type { ReadSheet, SheetDocument } from "../../api/types";
import { t } from "../../frame/language";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";
import { choiceOf, type Saying, sayingOf, sayings, takenFor } from "../saidOf";

interface Correction extends Saying {
  document: SheetDocument;
  view: string;
}

/** What the groups of lines of a sheet drawn elsewhere were taken for, to be put right where one was taken for another. */
export function ReadViews({ bench }: { bench: Bench }) {
  const { draft, document, params } = bench;
  const drafted = document.views.filter((view) => view.lines);
  const reading = useQuery({
    queryKey: ["reading", params, document],
    enabled: drafted.length > 0,
    placeholderData: (before: ReadSheet | undefined) => before,
    gcTime: 0,
    queryFn: () =>
      answer(
        api.POST("/api/exercises/{exercise_id}/sheet/correction", { params, body: { document } }),
      ),
  });
  const correct = useMutation({
    mutationFn: (body: Correction) =>
      answer(api.POST("/api/exercises/{exercise_id}/sheet/correction", { params, body })),
    // What was drawn while the answer was on its way is not overwritten.
    onSuccess: (read, sent) => draft.change((now) => (now === sent.document ? read.document : now)),
  });
  const names = new Map(reading.data?.views.map((view) => [view.id, view.name]));
  if (drafted.length === 0 || !reading.data) return null;
  return (
    <>
      {correct.error && (
        <Text c="var(--fault)" role="alert" mt="xs" size="sm">
          {correct.error.message}
        </Text>
      )}
      <ul className={classes.readViews} aria-label={t("Views found")}>
        {reading.data.views.map(({ id, name, match }) => {
          const view = drafted.find((own) => own.id === id);
          return (
            view && (
              <li key={id}>
                <NativeSelect
                  size="xs"
                  label={t("Group {{number}}", { number: drafted.indexOf(view) + 1 })}
                  description={
                    name === "unrecognised"
                      ? t("fits no view of the part")
                      : t("agrees on {{share}} % of the ink", { share: Math.floor(100 * match) })
                  }
                  value={choiceOf(takenFor(document, view, name))}
                  data={sayings(document, view, names)}
                  disabled={correct.isPending}
                  onChange={(event) =>
                    correct.mutate({ document, view: id, ...sayingOf(event.currentTarget.value) })
                  }
                />
              </li>
            )
          );
        })}
      </ul>
    </>
  );
}
