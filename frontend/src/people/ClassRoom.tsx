import { Anchor, Button, Group, Menu, Text } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import type { SchoolClass } from "../api/types";
import { t } from "../frame/language";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import styles from "./Classes.module.css";
import { ClassRoll } from "./ClassRoll";
import { JoinCode } from "./JoinCode";
import { MarksOutForm } from "./MarksOutForm";
import { NameForm } from "./NameForm";
import { Roster } from "./Roster";
import { Sharers } from "./Sharers";

/** One class: what it is called, who teaches it, who is in it, and what comes out of it. */
export function ClassRoom({ school }: { school: SchoolClass }) {
  const queries = useQueryClient();
  const path = { class_id: school.id };
  const detail = useQuery({
    queryKey: ["classes", school.id],
    queryFn: () => answer(api.GET("/api/classes/{class_id}", { params: { path } })),
  });
  const [bringing, setBringing] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const [trouble, setTrouble] = useState("");

  /** Do something to the class, and show what it is now; whether it was done. */
  const run = async (work: () => Promise<string>): Promise<boolean> => {
    setTrouble("");
    let done = true;
    try {
      tell(await work());
    } catch (error) {
      setTrouble((error as Error).message);
      done = false;
    }
    await queries.invalidateQueries({ queryKey: ["classes"] });
    return done;
  };
  const change = (body: { name?: string; archived?: boolean }, done: string) =>
    run(async () => {
      await answer(api.PATCH("/api/classes/{class_id}", { params: { path }, body }));
      return done;
    });

  if (detail.isPending) return <Waiting />;
  if (detail.error) return <Trouble error={detail.error} />;
  const room = detail.data;
  return (
    <section aria-label={school.name}>
      <Group justify="space-between" align="end" wrap="nowrap">
        <NameForm
          label={t("Name of the class")}
          action={t("Rename")}
          name={school.name}
          onName={(name) => change({ name }, t("The class has its new name."))}
        />
        <Menu position="bottom-end">
          <Menu.Target>
            <Button variant="default">{t("More")}</Button>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item component="a" href={`/api/classes/${room.id}/marks.csv`}>
              {t("Marks as CSV")}
            </Menu.Item>
            <Menu.Item component="a" href={`/api/classes/${room.id}/marks.xlsx`}>
              {t("Marks as XLSX")}
            </Menu.Item>
            <Menu.Item onClick={() => setChoosing(true)}>{t("Columns of the marks")}</Menu.Item>
            {room.own && (
              <Menu.Item
                onClick={() =>
                  void change(
                    { archived: !room.archived },
                    room.archived
                      ? t("The class is back.")
                      : t("The class is out of the way; nothing in it is lost."),
                  )
                }
              >
                {room.archived ? t("Bring the class back") : t("Archive the class")}
              </Menu.Item>
            )}
          </Menu.Dropdown>
        </Menu>
      </Group>
      <Group mt="sm" gap="lg">
        <Anchor component={Link} to={`/classes/${room.id}/learned`} c="inherit">
          {t("What it has not understood yet")}
        </Anchor>
        {!room.own && (
          <Text className="quiet">{t("shared by {{name}}", { name: room.maker })}</Text>
        )}
      </Group>
      <Complaint words={trouble} />
      <ClassRoll room={room} run={run} />
      <Group mt="md" align="start">
        <Button onClick={() => setBringing(true)}>{t("Bring people in")}</Button>
      </Group>
      <div className={styles.doors}>
        <JoinCode room={room} run={run} />
        <Sharers room={room} run={run} />
      </div>
      {bringing && (
        <Roster
          room={room}
          onClose={() => setBringing(false)}
          onDone={() => void run(async () => t("They are in."))}
        />
      )}
      {choosing && <MarksOutForm school={room.id} onClose={() => setChoosing(false)} />}
    </section>
  );
}

/** Does something to a class and tells how it went. */
export type Run = (work: () => Promise<string>) => Promise<boolean>;
