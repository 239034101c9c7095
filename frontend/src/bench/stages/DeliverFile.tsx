import { Button, FileButton, List, NativeSelect, Switch, Text, Title } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { t } from "../../frame/language";
import { answer, api, fileBody } from "../../api/client";
import type { ReadSheet, SheetDocument } from "../../api/types";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";
import { originalKey, useOriginal } from "../useOriginal";
import { type Saying, sayingOf, sayings, takenFor, valueOf } from "../saidOf";

interface Correction extends Saying {
  document: SheetDocument;
  view: string;
}

/** The file on the bench, and which of its pages. */
interface Source {
  file: File;
  page: number;
  pages: number;
}

/** A sheet drawn elsewhere: read from a DXF, PDF or SVG file or a scan, then put right where a view was taken for another. */
export function DeliverFile({ bench }: { bench: Bench }) {
  const { exercise, draft, document } = bench;
  const queries = useQueryClient();
  const original = useOriginal(exercise.id).data;
  const notRead = original?.not_read ?? [];
  const [source, setSource] = useState<Source | null>(null);
  const drafted = document.views.filter((view) => view.lines);
  const path = { params: { path: { exercise_id: exercise.id } } };

  const bringIn = useMutation({
    mutationFn: ({ file, page }: { file: File; page?: number }) =>
      answer(
        api.POST("/api/exercises/{exercise_id}/sheet/file", {
          ...path,
          ...fileBody(file, page === undefined ? {} : { page: String(page) }),
        }),
      ),
    onSuccess: (read: ReadSheet, { file }) => {
      draft.change(read.document);
      void queries.invalidateQueries({ queryKey: originalKey(exercise.id) });
      bench.setFiled(true);
      setSource({ file, page: read.page, pages: read.pages });
    },
  });
  const reading = useQuery({
    queryKey: ["reading", exercise.id, document],
    enabled: drafted.length > 0,
    placeholderData: (before: ReadSheet | undefined) => before,
    gcTime: 0,
    queryFn: () =>
      answer(
        api.POST("/api/exercises/{exercise_id}/sheet/correction", { ...path, body: { document } }),
      ),
  });
  const correct = useMutation({
    mutationFn: (body: Correction) =>
      answer(
        api.POST("/api/exercises/{exercise_id}/sheet/correction", {
          ...path,
          body,
        }),
      ),
    // What was drawn while the answer was on its way is not overwritten.
    onSuccess: (read, sent) => draft.change((now) => (now === sent.document ? read.document : now)),
  });
  const names = new Map(reading.data?.views.map((view) => [view.id, view.name]));
  const trouble = bringIn.error ?? correct.error;

  return (
    <section aria-label={t("A sheet drawn elsewhere")} className={classes.elsewhere}>
      <Title order={3} size="h5">
        {t("A sheet drawn elsewhere")}
      </Title>
      <Text className="quiet small">
        {t(
          "A DXF, PDF or SVG file, or a scan as PNG or JPEG, is read and checked line by line. It takes the place of what is on the bench; Undo brings that back.",
        )}
      </Text>
      <FileButton
        accept=".dxf,.pdf,.svg,.png,.jpg,.jpeg"
        onChange={(file) => file && bringIn.mutate({ file })}
      >
        {(props) => (
          <Button {...props} variant="default" mt="xs" fullWidth loading={bringIn.isPending}>
            {t("Bring in a file")}
          </Button>
        )}
      </FileButton>
      {source && source.pages > 1 && (
        <NativeSelect
          mt="xs"
          size="xs"
          label={t("Page of the file")}
          value={source.page}
          disabled={bringIn.isPending}
          data={Array.from({ length: source.pages }, (_, k) => String(k + 1))}
          onChange={(event) =>
            bringIn.mutate({ file: source.file, page: Number(event.currentTarget.value) })
          }
        />
      )}
      {trouble && (
        <Text c="var(--fault)" role="alert" mt="xs" size="sm">
          {trouble.message}
        </Text>
      )}
      {drafted.length > 0 && reading.data && (
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
                    value={valueOf(takenFor(document, view, name))}
                    data={sayings(document, view, names)}
                    disabled={correct.isPending}
                    onChange={(event) =>
                      correct.mutate({
                        document,
                        view: id,
                        ...sayingOf(event.currentTarget.value),
                      })
                    }
                  />
                </li>
              )
            );
          })}
        </ul>
      )}
      {original && (
        <Switch
          mt="xs"
          size="xs"
          label={t("{{name}} under the sheet", { name: original.name })}
          checked={bench.filed}
          onChange={(event) => bench.setFiled(event.currentTarget.checked)}
        />
      )}
      {notRead.length > 0 && (
        <>
          <Text size="sm" mt="xs">
            {t("{{count}} things were not read:", { count: notRead.length })}
          </Text>
          <List size="xs" className="quiet">
            {notRead.map((text) => (
              <List.Item key={text}>{text}</List.Item>
            ))}
          </List>
        </>
      )}
    </section>
  );
}
