import { Button, Group, Menu, Modal, Stack, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Person } from "../api/types";
import { Trouble, Waiting } from "../frame/Messages";
import { saveHeld } from "./held";
import { LogIns } from "./LogIns";

interface Props {
  person: Person;
  /** Does something and shows what became of it. */
  run: (work: Promise<unknown>, done?: string) => Promise<void>;
}

/** What is seldom done with somebody's account. */
export function PersonMore({ person, run }: Props) {
  const [open, setOpen] = useState<"log-ins" | "anonymous" | null>(null);
  const path = { params: { path: { person: person.id } } };
  const close = () => setOpen(null);
  const tell = async () => {
    saveHeld(person.login, (await answer(api.GET("/api/people/{person}/held", path))).held);
  };
  const endAll = () => {
    close();
    void run(
      answer(api.DELETE("/api/people/{person}/log-ins", path)),
      t("{{name}} is logged out everywhere.", { name: person.name }),
    );
  };
  const forget = () => {
    close();
    void run(
      answer(api.POST("/api/people/{person}/anonymous", path)),
      t("Nothing tells any more that this was {{name}}.", { name: person.name }),
    );
  };
  return (
    <>
      <Menu position="bottom-end">
        <Menu.Target>
          <Button
            size="compact-sm"
            variant="default"
            aria-label={t("More for {{name}}", { name: person.name })}
          >
            {t("More")}
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={() => setOpen("log-ins")}>{t("Where logged in")}</Menu.Item>
          <Menu.Item onClick={() => void run(tell())}>{t("What is held")}</Menu.Item>
          {!person.anonymous && (
            <Menu.Item c="var(--fault)" onClick={() => setOpen("anonymous")}>
              {t("Make anonymous")}
            </Menu.Item>
          )}
        </Menu.Dropdown>
      </Menu>
      <Modal opened={open === "log-ins"} onClose={close} centered title={`${person.name}, log-ins`}>
        <PersonLogIns person={person} onEndAll={endAll} />
      </Modal>
      <Modal
        opened={open === "anonymous"}
        onClose={close}
        centered
        title={t("Make {{name}} anonymous?", { name: person.name })}
      >
        <Stack>
          <Text>
            {t(
              "The account is closed for good. Sheets, findings and marks are kept without the name; remarks that people wrote are not looked through, and backups keep the name until they are written over. There is no way back.",
            )}
          </Text>
          <Group justify="flex-end">
            <Button variant="default" onClick={close}>
              {t("Leave it")}
            </Button>
            <Button color="red" onClick={forget}>
              {t("Make anonymous")}
            </Button>
          </Group>
        </Stack>
      </Modal>
    </>
  );
}

function PersonLogIns({ person, onEndAll }: { person: Person; onEndAll: () => void }) {
  const entries = useQuery({
    queryKey: ["log-ins", person.id],
    staleTime: 0,
    queryFn: () =>
      answer(api.GET("/api/people/{person}/log-ins", { params: { path: { person: person.id } } })),
  });
  if (entries.error) return <Trouble error={entries.error} />;
  if (!entries.data) return <Waiting />;
  return (
    <Stack>
      <LogIns entries={entries.data} />
      {entries.data.length > 0 && (
        <Button variant="default" onClick={onEndAll}>
          {t("End all")}
        </Button>
      )}
    </Stack>
  );
}
