import { Button, Checkbox, FileButton, Group, Modal, Table, Text, Textarea } from "@mantine/core";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { ClassDetail, FirstPassword, RosterRow } from "../api/types";
import { said, t } from "../frame/language";
import { Complaint } from "../frame/Messages";
import styles from "./Classes.module.css";
import { Slips } from "./Slips";

interface Props {
  room: ClassDetail;
  onClose: () => void;
  onDone: () => void;
}

const DOES: Record<RosterRow["does"], string> = {
  new: said("makes an account"),
  in: said("comes in"),
  already: said("is in already"),
  not: said("cannot come in"),
};

/** Bring people in: a table pasted or chosen, what each row will do, then the slips with first passwords. */
export function Roster({ room, onClose, onDone }: Props) {
  const [text, setText] = useState("");
  const [rows, setRows] = useState<RosterRow[] | null>(null);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [slips, setSlips] = useState<FirstPassword[] | null>(null);
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(false);
  const path = { class_id: room.id };

  const guarded = async (work: () => Promise<void>) => {
    setTrouble("");
    setBusy(true);
    try {
      await work();
    } catch (error) {
      setTrouble((error as Error).message);
    }
    setBusy(false);
  };
  const look = (file: File | null) =>
    void guarded(async () => {
      const form = new FormData();
      if (file) form.append("file", file);
      else form.append("text", text);
      setRows(
        await answer(
          api.POST("/api/classes/{class_id}/roster/preview", {
            params: { path },
            body: form as never,
            bodySerializer: (sent: unknown) => sent as FormData,
          }),
        ),
      );
      setLeft(new Set());
    });
  const usable = rows?.filter((row) => row.does === "new" || row.does === "in") ?? [];
  const coming = usable.filter((row) => !left.has(row.line));
  const bringIn = () =>
    void guarded(async () => {
      const people = coming.map(({ name, login, email, group }) => ({
        name: name || login,
        login,
        email,
        group,
      }));
      const done = await answer(
        api.POST("/api/classes/{class_id}/roster", { params: { path }, body: { people } }),
      );
      onDone();
      if (done.slips.length > 0) setSlips(done.slips);
      else onClose();
    });

  return (
    <Modal
      opened
      onClose={onClose}
      title={slips ? t("First passwords") : t("Bring people into {{name}}", { name: room.name })}
      size="xl"
      closeOnClickOutside={slips === null}
    >
      {slips && <Slips slips={slips} />}
      {!slips && !rows && (
        <>
          <Textarea
            label={t("A table: name, log-in name, e-mail, group")}
            description={t(
              "Pasted from a spreadsheet, or as CSV; also log-in names alone, one a line. Log-in names that are missing are made from names.",
            )}
            autosize
            minRows={6}
            maxRows={14}
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <Group mt="md">
            <Button loading={busy} disabled={text.trim() === ""} onClick={() => look(null)}>
              {t("Look what it will do")}
            </Button>
            <FileButton accept=".csv,.txt,.tsv,.xlsx" onChange={look}>
              {(props) => (
                <Button {...props} variant="default">
                  {t("Choose a CSV or XLSX file")}
                </Button>
              )}
            </FileButton>
          </Group>
        </>
      )}
      {!slips && rows && (
        <>
          <Table verticalSpacing={2} aria-label={t("What each row will do")}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th />
                <Table.Th>{t("Name")}</Table.Th>
                <Table.Th>{t("Log-in name")}</Table.Th>
                <Table.Th>{t("Group")}</Table.Th>
                <Table.Th>{t("What it does")}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {rows.map((row) => {
                const open = row.does === "new" || row.does === "in";
                const toggle = (take: boolean) => {
                  const next = new Set(left);
                  if (take) next.delete(row.line);
                  else next.add(row.line);
                  setLeft(next);
                };
                return (
                  <Table.Tr key={row.line} className={styles.planned} data-does={row.does}>
                    <Table.Td>
                      <Checkbox
                        size="xs"
                        aria-label={t("Bring {{name}} in", { name: row.name || row.login })}
                        disabled={!open}
                        checked={open && !left.has(row.line)}
                        onChange={(event) => toggle(event.currentTarget.checked)}
                      />
                    </Table.Td>
                    <Table.Td>
                      {row.name}
                      {row.email && <Text className="quiet small">{row.email}</Text>}
                    </Table.Td>
                    <Table.Td>{row.login}</Table.Td>
                    <Table.Td>{row.group}</Table.Td>
                    <Table.Td>
                      {t(DOES[row.does])}
                      {row.why && <Text className="quiet small">{row.why}</Text>}
                    </Table.Td>
                  </Table.Tr>
                );
              })}
            </Table.Tbody>
          </Table>
          <Group mt="md">
            <Button loading={busy} disabled={coming.length === 0} onClick={bringIn}>
              {t("Bring in {{count}} people", { count: coming.length })}
            </Button>
            <Button variant="default" onClick={() => setRows(null)}>
              {t("Back")}
            </Button>
          </Group>
        </>
      )}
      <Complaint words={trouble} />
    </Modal>
  );
}
