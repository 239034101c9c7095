import { Button, FileButton, NativeSelect, Text, Title } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { t } from "../../frame/language";
import { answer, api, fileBody } from "../../api/client";
import type { ReadSheet } from "../../api/types";
import { SHEET_FILES } from "../../deliveries/sheetFiles";
import { NotRead } from "../../drawing/NotRead";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";
import { originalKey, useOriginal } from "../useOriginal";
import { FileSwitch } from "../FileSwitch";
import { ReadViews } from "./ReadViews";

/** The file on the bench, and which of its pages. */
interface Source {
  file: File;
  page: number;
  pages: number;
}

/** A sheet drawn elsewhere: read from a DXF, PDF or SVG file or a scan, then put right where a view was taken for another. */
export function DeliverFile({ bench }: { bench: Bench }) {
  const { exercise, draft } = bench;
  const queries = useQueryClient();
  const original = useOriginal(exercise.id).data;
  const notRead = original?.not_read ?? [];
  const [source, setSource] = useState<Source | null>(null);
  const path = { params: { path: { exercise_id: exercise.id } } };

  const bringIn = useMutation({
    mutationFn: ({ file, page }: { file: File; page?: number }) =>
      answer(
        api.POST("/api/exercises/{exercise_id}/sheet/file", {
          ...path,
          ...fileBody(file, { page }),
        }),
      ),
    onSuccess: (read: ReadSheet, { file }) => {
      draft.change(read.document);
      void queries.invalidateQueries({ queryKey: originalKey(exercise.id) });
      bench.setFiled(true);
      setSource({ file, page: read.page, pages: read.pages });
    },
  });
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
      <FileButton accept={SHEET_FILES} onChange={(file) => file && bringIn.mutate({ file })}>
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
      {bringIn.error && (
        <Text c="var(--fault)" role="alert" mt="xs" size="sm">
          {bringIn.error.message}
        </Text>
      )}
      <ReadViews bench={bench} />
      {original && <FileSwitch bench={bench} name={original.name} />}
      {notRead.length > 0 && (
        <>
          <Text size="sm" mt="xs">
            {t("What is told of the file:")}
          </Text>
          <NotRead notRead={notRead} onPoint={bench.speakOf} />
        </>
      )}
    </section>
  );
}
