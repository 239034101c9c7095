import { Anchor, Button, Checkbox, Group, Modal, Text } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import { answer, api } from "../api/client";
import type { LookedOverSheet } from "../api/types";
import { draftKey } from "../bench/draftCalls";
import { keptDraft } from "../bench/keptDraft";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import classes from "./Set.module.css";

interface Props {
  set: { id: number; title: string; of: number };
  /** Keeps what is on the bench before all sheets are looked over; whether the service has it all. */
  before: () => Promise<boolean>;
  /** Told when all are handed in: what the browser kept is no longer needed. */
  after: () => void;
}

/** A last look over all sheets of a set, side by side, and the way to hand them in together. */
export function HandInSet({ set, before, after }: Props) {
  const [open, setOpen] = useState(false);
  const [opening, setOpening] = useState(false);
  const [trouble, setTrouble] = useState("");
  const look = async () => {
    setOpening(true);
    const kept = await before();
    setOpening(false);
    setOpen(kept);
    setTrouble(kept ? "" : t("What is on the bench is not saved yet. Nothing was handed in."));
  };
  return (
    <>
      <Button mt="md" fullWidth loading={opening} onClick={() => void look()}>
        {t("Look over all {{count}} sheets", { count: set.of })}
      </Button>
      {trouble && (
        <Text c="var(--fault)" role="alert" mt="xs" size="sm">
          {trouble}
        </Text>
      )}
      <Modal
        opened={open}
        onClose={() => setOpen(false)}
        size="min(1160px, 94vw)"
        title={t("{{title}}: all sheets side by side", { title: set.title })}
      >
        {open && <LastLook set={set} after={after} onStay={() => setOpen(false)} />}
      </Modal>
    </>
  );
}

function LastLook({ set, after, onStay }: Omit<Props, "before"> & { onStay: () => void }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { login } = useMe();
  const looked = useQuery({
    queryKey: ["last look", set.id],
    gcTime: 0,
    queryFn: () =>
      answer(api.GET("/api/sets/{set_id}/last-look", { params: { path: { set_id: set.id } } })),
  });
  const [incomplete, setIncomplete] = useState(false);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState("");
  if (looked.error) return <Trouble error={looked.error} onRetry={() => void looked.refetch()} />;
  if (!looked.data) return <Waiting />;
  const drafts = looked.data.filter((own) => own.state === "draft");
  const blank = drafts.filter((own) => own.blank);
  const ready = drafts.length - blank.length;
  // Drawn without a connection, perhaps: what the service does not have would be lost with the draft.
  const unsaved = drafts.filter((own) => keptDraft(draftKey(own.exercise, login)) !== null);
  const handIn = async () => {
    setBusy(true);
    setTrouble("");
    try {
      await answer(
        api.POST("/api/sets/{set_id}/hand-in", {
          params: { path: { set_id: set.id } },
          body: { incomplete },
        }),
      );
      after();
      await queries.invalidateQueries({ queryKey: ["exercises"] });
      tell(t("The set is handed in."));
      void navigate("/", { replace: true });
    } catch (error) {
      setTrouble((error as Error).message);
      setBusy(false);
    }
  };
  return (
    <>
      <ol className={classes.look}>
        {looked.data.map((own, place) => (
          <Looked key={own.exercise} own={own} place={place + 1} />
        ))}
      </ol>
      {blank.length > 0 && ready > 0 && (
        <Checkbox
          mt="md"
          label={t("Hand in without the {{count}} blank sheets", { count: blank.length })}
          description={t("They can still be drawn and handed in by themselves.")}
          checked={incomplete}
          onChange={(event) => setIncomplete(event.currentTarget.checked)}
        />
      )}
      {unsaved.length > 0 && (
        <Text c="var(--fault)" role="alert" mt="sm">
          {t(
            "This browser keeps changes of {{titles}} that are not saved yet. Open them first, so that nothing of them is lost.",
            { titles: unsaved.map((own) => own.title).join(", ") },
          )}
        </Text>
      )}
      {trouble && (
        <Text c="var(--fault)" role="alert" mt="sm">
          {trouble}
        </Text>
      )}
      <Group className={classes.lookEnd}>
        <Button
          loading={busy}
          disabled={ready === 0 || unsaved.length > 0 || (blank.length > 0 && !incomplete)}
          onClick={() => void handIn()}
        >
          {t("Hand in {{count}} sheets now", { count: ready })}
        </Button>
        <Button variant="default" onClick={onStay}>
          {t("Go on drawing")}
        </Button>
        <Anchor href={`/api/sets/${set.id}/sheets.pdf`} target="_blank" rel="noopener" size="sm">
          {t("All sheets as one PDF")}
        </Anchor>
      </Group>
    </>
  );
}

function Looked({ own, place }: { own: LookedOverSheet; place: number }) {
  return (
    <li>
      <span className={classes.paper}>
        {own.blank || own.sheet === null ? (
          <Text className="quiet">{t("nothing drawn yet")}</Text>
        ) : (
          <img src={`/api/sheets/${own.sheet}/drawing.svg?revision=${own.revision}`} alt="" />
        )}
      </span>
      <Text fw={700}>
        {place}. {own.title}
        {own.state !== "draft" && <span className="quiet small"> {t("· handed in")}</span>}
      </Text>
      {own.measured.length > 0 && (
        <ul
          className={classes.measured}
          aria-label={t("What a ruler tells of sheet {{number}}", { number: place })}
        >
          {own.measured.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {own.notes.map((note) => (
        <Text key={note} size="sm" c="var(--doubt)">
          {note}
        </Text>
      ))}
    </li>
  );
}
