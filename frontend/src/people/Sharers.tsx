import { Button, Group, Text, Title } from "@mantine/core";

import { answer, api } from "../api/client";
import type { ClassDetail } from "../api/types";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import type { Run } from "./ClassRoom";
import { NameForm } from "./NameForm";

/** The instructors who teach a class together. */
export function Sharers({ room, run }: { room: ClassDetail; run: Run }) {
  const me = useMe();
  const share = (login: string) =>
    run(async () => {
      const other = await answer(
        api.POST("/api/classes/{class_id}/sharers", {
          params: { path: { class_id: room.id } },
          body: { login },
        }),
      );
      return t("{{name}} teaches this class as well now.", { name: other.name });
    });
  const end = (sharer: { id: number; name: string }) =>
    void run(async () => {
      await answer(
        api.DELETE("/api/classes/{class_id}/sharers/{sharer}", {
          params: { path: { class_id: room.id, sharer: sharer.id } },
        }),
      );
      return t("{{name}} does not teach this class any more.", { name: sharer.name });
    });
  return (
    <section>
      <Title order={3} size="h5">
        {t("Taught together with")}
      </Title>
      {room.sharers.map((sharer) => (
        <Group key={sharer.id} gap={8} mt={4}>
          <Text>{sharer.name}</Text>
          {(room.own || sharer.login === me.login) && (
            <Button
              size="compact-xs"
              variant="subtle"
              color="ink"
              aria-label={t("Share no longer with {{name}}", { name: sharer.name })}
              onClick={() => end(sharer)}
            >
              {t("no longer")}
            </Button>
          )}
        </Group>
      ))}
      {room.own ? (
        <NameForm
          label={t("Log-in name of another instructor")}
          action={t("Share")}
          onName={share}
        />
      ) : (
        <Text className="quiet small">
          {t("{{name}} has made this class.", { name: room.maker })}
        </Text>
      )}
    </section>
  );
}
