import { Button, FileButton, List, Modal, Text } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api, fileBody } from "../api/client";
import type { BroughtPage } from "../api/types";
import { SHEET_FILES } from "../deliveries/sheetFiles";
import { t } from "../frame/language";

interface Props {
  set: number;
  /** The exercise whose sheet is on the bench just now. */
  here: number;
  /** Told when the sheet on the bench has been read from the file. */
  onReplaced: () => void;
}

/** A page that was brought in, and the file it is of. */
interface Brought extends BroughtPage {
  file: string;
}

/** Files with sheets of a set: each page becomes the sheet it is found to be, and it is told which. */
export function SetFile({ set, here, onReplaced }: Props) {
  const queries = useQueryClient();
  const [pages, setPages] = useState<Brought[] | null>(null);
  const bringIn = useMutation({
    mutationFn: async (files: File[]) => {
      const brought: Brought[] = [];
      // One after the other: a sheet that has come is not replaced by a later one. One that fails stops no other.
      for (const file of files) brought.push(...(await broughtFrom(set, file)));
      return brought;
    },
    onSuccess: (brought) => {
      setPages(brought);
      void queries.invalidateQueries({ queryKey: ["exercises"] });
    },
  });
  const several = new Set(pages?.map((own) => own.file)).size > 1;
  const close = () => {
    const replaced = pages?.some((own) => own.exercise === here && own.why === null);
    setPages(null);
    if (replaced) onReplaced();
  };
  return (
    <>
      <FileButton
        multiple
        accept={SHEET_FILES}
        onChange={(files) => files.length > 0 && bringIn.mutate(files)}
      >
        {(props) => (
          <Button {...props} variant="default" mt="xs" fullWidth loading={bringIn.isPending}>
            {t("Bring in files of all sheets")}
          </Button>
        )}
      </FileButton>
      <Modal opened={pages !== null} onClose={close} centered title={t("What the pages are")}>
        <List type="ordered" spacing={6}>
          {pages?.map((own) => (
            <List.Item key={`${own.file} ${own.page}`}>
              {several && !own.why?.startsWith(own.file) && (
                <span className="quiet">{own.file} · </span>
              )}
              {own.title && <strong>{own.title} </strong>}
              {own.why !== null ? (
                <Text component="span" c="var(--doubt)">
                  {own.why}
                </Text>
              ) : (
                <span className="quiet">
                  {own.not_read > 0
                    ? t("read, but for {{count}} things told at its bench", { count: own.not_read })
                    : t("read whole")}
                </span>
              )}
            </List.Item>
          ))}
        </List>
        <Button mt="md" onClick={close}>
          {t("Go on")}
        </Button>
      </Modal>
    </>
  );
}

/** What became of the pages of one file; of one that cannot be read, why. */
async function broughtFrom(set: number, file: File): Promise<Brought[]> {
  try {
    const pages = await answer(
      api.POST("/api/sets/{set_id}/files", {
        params: { path: { set_id: set } },
        ...fileBody(file),
      }),
    );
    return pages.map((own) => ({ ...own, file: file.name }));
  } catch (error) {
    const why = (error as Error).message;
    return [{ file: file.name, page: 1, exercise: null, title: "", why, not_read: 0 }];
  }
}
