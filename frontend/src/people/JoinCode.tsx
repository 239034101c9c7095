import { Button, Group, Text, Title } from "@mantine/core";

import { answer, api } from "../api/client";
import type { ClassDetail } from "../api/types";
import { t } from "../frame/language";
import type { Run } from "./ClassRoom";
import styles from "./Classes.module.css";

/** The code by which students with an account come into a class by themselves. */
export function JoinCode({ room, run }: { room: ClassDetail; run: Run }) {
  const params = { path: { class_id: room.id } };
  const make = () =>
    void run(async () => {
      await answer(api.POST("/api/classes/{class_id}/join-code", { params }));
      return t("The class has a new code.");
    });
  const drop = () =>
    void run(async () => {
      await answer(api.DELETE("/api/classes/{class_id}/join-code", { params }));
      return t("Nobody comes in by a code any more.");
    });
  return (
    <section>
      <Title order={3} size="h5">
        {t("Code to come in by")}
      </Title>
      {room.join_code ? (
        <>
          <Text className={styles.code}>{room.join_code}</Text>
          <Text className="quiet small">
            {t("Students type it on their first page. Write it on the board.")}
          </Text>
          <Group mt={6} gap={8}>
            <Button size="compact-sm" variant="default" onClick={make}>
              {t("Another code")}
            </Button>
            <Button size="compact-sm" variant="subtle" color="ink" onClick={drop}>
              {t("Drop it")}
            </Button>
          </Group>
        </>
      ) : (
        <Button mt={6} size="compact-sm" variant="default" onClick={make}>
          {t("Make a code")}
        </Button>
      )}
    </section>
  );
}
