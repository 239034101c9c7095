import { Button, Group, Modal, Text } from "@mantine/core";
import { notifications } from "@mantine/notifications";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import { answer, api } from "../api/client";
import type { Sheet } from "../api/types";
import { t } from "../frame/language";
import type { Bench } from "./bench";

/** Ends a correction: the sheet is judged as it was corrected to, or is what was handed in again. */
export function JudgeAgain({ bench, sheet }: { bench: Bench; sheet: Sheet }) {
  const { draft } = bench;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const params = { path: { sheet_id: sheet.id } };
  const ended = {
    onSuccess: async () => {
      draft.forget();
      await queries.invalidateQueries({ queryKey: ["sheet", sheet.id] });
      void queries.invalidateQueries({ queryKey: ["wall"] });
      void navigate(`/sheets/${sheet.id}`, { replace: true });
    },
    onError: (error: Error) =>
      void notifications.show({ color: "red", message: error.message, autoClose: false }),
  };
  const judge = useMutation({
    mutationFn: async () => {
      await draft.saveNow();
      const body = { document: draft.document, base: draft.revision.current };
      return answer(api.POST("/api/sheets/{sheet_id}/correction/judge", { params, body }));
    },
    ...ended,
  });
  const [asking, setAsking] = useState(false);
  const takeBack = useMutation({
    mutationFn: async () => {
      // What is still on its way would begin the correction anew.
      await draft.saveNow();
      return answer(api.DELETE("/api/sheets/{sheet_id}/correction", { params }));
    },
    ...ended,
    onSettled: () => setAsking(false),
  });
  const busy = judge.isPending || takeBack.isPending;
  const begun = draft.undo !== null || draft.revision.current > 0;
  return (
    <>
      {begun && (
        <Button variant="default" disabled={busy} onClick={() => setAsking(true)}>
          {t("As it was handed in")}
        </Button>
      )}
      <Button disabled={!begun || busy} loading={judge.isPending} onClick={() => judge.mutate()}>
        {t("Judge again")}
      </Button>
      <Modal
        opened={asking}
        onClose={() => setAsking(false)}
        title={t("Take back what was corrected?")}
        centered
      >
        <Text>
          {t(
            "Everything that was corrected on this sheet is gone then, and it is judged as it was handed in.",
          )}
        </Text>
        <Group mt="md">
          <Button loading={takeBack.isPending} onClick={() => takeBack.mutate()}>
            {t("Take it back")}
          </Button>
          <Button variant="default" onClick={() => setAsking(false)}>
            {t("Go on correcting")}
          </Button>
        </Group>
      </Modal>
    </>
  );
}
