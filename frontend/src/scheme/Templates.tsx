import { Button, Group, Menu, Modal, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { Scheme } from "../api/types";
import { t } from "../frame/language";
import { tell } from "../frame/tell";
import { useDeed } from "../frame/useDeed";

interface Props {
  scheme: Scheme;
  onTake: (scheme: Scheme) => void;
}

/** Ways of marking kept for other exercises. */
export function Templates({ scheme, onTake }: Props) {
  const [naming, setNaming] = useState(false);
  const [name, setName] = useState("");
  const kept = useQuery({
    queryKey: ["scheme templates"],
    queryFn: () => answer(api.GET("/api/scheme-templates")),
  });
  const deed = useDeed(["scheme templates"]);
  const run = (work: () => Promise<unknown>, done: string) =>
    deed(async () => {
      await work();
      tell(done);
      setNaming(false);
    });
  const keep = () =>
    run(
      () => answer(api.POST("/api/scheme-templates", { body: { name, scheme } })),
      t("Kept as “{{name}}”.", { name }),
    );
  const drop = (id: number) =>
    run(
      () =>
        answer(
          api.DELETE("/api/scheme-templates/{template_id}", {
            params: { path: { template_id: id } },
          }),
        ),
      t("Dropped; exercises that are marked so stay as they are."),
    );
  return (
    <Group gap={8}>
      <Menu position="bottom-end">
        <Menu.Target>
          <Button size="xs" variant="default">
            {t("Ways I have kept")}
          </Button>
        </Menu.Target>
        <Menu.Dropdown>
          {kept.data?.length === 0 && <Menu.Label>{t("None yet")}</Menu.Label>}
          {kept.data?.map((own) => (
            <Menu.Item key={own.id} onClick={() => onTake(own.scheme)}>
              {t("Take “{{name}}”", { name: own.name })}
            </Menu.Item>
          ))}
          <Menu.Divider />
          <Menu.Item onClick={() => setNaming(true)}>{t("Keep this one")}</Menu.Item>
          {kept.data?.map((own) => (
            <Menu.Item key={own.id} color="var(--fault)" onClick={() => void drop(own.id)}>
              {t("Drop “{{name}}”", { name: own.name })}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
      <Modal
        opened={naming}
        onClose={() => setNaming(false)}
        title={t("Keep this way of marking")}
        centered
      >
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim()) void keep();
          }}
        >
          <TextInput
            label={t("Name")}
            data-autofocus
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <Button mt="md" type="submit" disabled={!name.trim()}>
            {t("Keep")}
          </Button>
        </form>
      </Modal>
    </Group>
  );
}
