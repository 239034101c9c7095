import { Anchor, Button, Group, List, Modal, Text, Title } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import { t } from "../../frame/language";
import { answer, api } from "../../api/client";
import { dayAndTime } from "../../frame/words";
import type { Bench } from "../bench";
import { HandInSet } from "../../set/HandInSet";
import { SetFile } from "../../set/SetFile";
import { DeliverFile } from "./DeliverFile";

/** A last look, then the sheet goes to the instructor. */
export function HandInStage({ bench }: { bench: Bench }) {
  const { document, exercise, draft } = bench;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState("");
  const late = new Date(exercise.due_at) < new Date();
  const blank = document.views.length === 0 && !document.parts_list?.rows.length;

  const handIn = async () => {
    setBusy(true);
    setTrouble("");
    try {
      await draft.saveNow();
      const done = await answer(
        api.POST("/api/exercises/{exercise_id}/sheet/hand-in", {
          params: { path: { exercise_id: exercise.id } },
          body: { document: draft.document, base: draft.revision.current },
        }),
      );
      draft.forget();
      await queries.invalidateQueries({ queryKey: ["exercises"] });
      void navigate(`/sheets/${done.id}`, { replace: true });
    } catch (error) {
      setTrouble((error as Error).message);
      setAsking(false);
      setBusy(false);
    }
  };

  return (
    <>
      <Title order={2} size="h4">
        {t("Hand in")}
      </Title>
      <List size="sm" mt="xs" spacing={4}>
        <List.Item>{t("{{count}} views", { count: document.views.length })}</List.Item>
        <List.Item>{t("{{count}} dimensions", { count: document.dimensions.length })}</List.Item>
        <List.Item>
          {t("{{count}} centre marks and lines", { count: document.marks.length })}
        </List.Item>
        <List.Item>
          {t("Due {{when}}", { when: dayAndTime(exercise.due_at) })}
          {late && <strong>{t(", which has passed")}</strong>}
        </List.Item>
      </List>
      <Exports exercise={exercise.id} />
      {trouble && (
        <Text c="var(--fault)" role="alert" mt="sm">
          {trouble}
        </Text>
      )}
      {exercise.in_set && (
        <>
          <HandInSet
            set={exercise.in_set}
            before={() => draft.saveNow()}
            after={() => draft.forget()}
          />
          <SetFile
            set={exercise.in_set.id}
            here={exercise.id}
            onReplaced={() => {
              draft.forget();
              window.location.reload();
            }}
          />
        </>
      )}
      <Button
        mt="md"
        fullWidth
        variant={exercise.in_set ? "default" : "filled"}
        disabled={blank}
        onClick={() => setAsking(true)}
      >
        {exercise.in_set ? t("Hand in this sheet alone") : t("Hand in")}
      </Button>
      {blank && (
        <Text className="quiet small" mt={6}>
          {t("There is no view on the sheet yet.")}
        </Text>
      )}
      <DeliverFile bench={bench} />
      <Modal
        opened={asking}
        onClose={() => setAsking(false)}
        title={t("Hand in this sheet?")}
        centered
      >
        <Text>{t("Once it is handed in it cannot be changed. It comes back with the slip.")}</Text>
        <Group mt="md">
          <Button loading={busy} onClick={() => void handIn()}>
            {t("Hand in now")}
          </Button>
          <Button variant="default" onClick={() => setAsking(false)}>
            {t("Go on drawing")}
          </Button>
        </Group>
      </Modal>
    </>
  );
}

/** The sheet as it is saved, to print or to keep. */
function Exports({ exercise }: { exercise: number }) {
  const [trouble, setTrouble] = useState("");
  const open = async (kind: "pdf" | "svg" | "dxf") => {
    const draft = await answer(
      api.GET("/api/exercises/{exercise_id}/sheet", {
        params: { path: { exercise_id: exercise } },
      }),
    );
    if (draft.id) window.open(`/api/sheets/${draft.id}/drawing.${kind}`, "_blank", "noopener");
    else setTrouble(t("Nothing is saved yet: draw something first."));
  };
  return (
    <Text size="sm" mt="sm">
      {t("The sheet as")}{" "}
      <Anchor component="button" size="sm" c="inherit" onClick={() => void open("pdf")}>
        PDF
      </Anchor>
      ,{" "}
      <Anchor component="button" size="sm" c="inherit" onClick={() => void open("svg")}>
        SVG
      </Anchor>{" "}
      {t("or")}{" "}
      <Anchor component="button" size="sm" c="inherit" onClick={() => void open("dxf")}>
        DXF
      </Anchor>
      . {trouble}
    </Text>
  );
}
