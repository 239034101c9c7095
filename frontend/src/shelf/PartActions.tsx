import { Button, Menu, Text } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { said, t } from "../frame/language";
import { answer, api } from "../api/client";
import type { PartSummary } from "../api/types";

const FILES = [
  ["step", said("STEP")],
  ["stl", said("Triangles, STL")],
  ["glb", said("Triangles, glTF")],
  ["source", said("As it was made")],
] as const;

/** What can be done with a part: edit, copy, archive, take away as a file. */
export function PartActions({ part }: { part: PartSummary }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState("");
  const path = { part_id: part.id };
  const refresh = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["part", part.id] }),
      queries.invalidateQueries({ queryKey: ["parts"] }),
    ]);
  const attempt = async (work: () => Promise<void>) => {
    setTrouble("");
    try {
      await work();
      await refresh();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const copy = () =>
    attempt(async () => {
      const made = await answer(api.POST("/api/parts/{part_id}/copy", { params: { path } }));
      void navigate(`/shelf/${made.id}`);
    });
  const archive = () =>
    attempt(async () => {
      await answer(
        api.PATCH("/api/parts/{part_id}", { params: { path }, body: { archived: !part.archived } }),
      );
    });
  return (
    <>
      {trouble && (
        <Text c="var(--fault)" className="small" role="alert">
          {trouble}
        </Text>
      )}
      {part.built && (
        <Button variant="default" component={Link} to={`/shelf/${part.id}/build`}>
          {t("Edit its features")}
        </Button>
      )}
      {part.assembly && (
        <Button variant="default" component={Link} to={`/shelf/${part.id}/components`}>
          {t("Change how it is put together")}
        </Button>
      )}
      <Menu position="bottom-end">
        <Menu.Target>
          <Button variant="default">{t("More")}</Button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={() => void copy()}>{t("Copy")}</Menu.Item>
          <Menu.Item onClick={() => void archive()}>
            {part.archived ? t("Take out of the archive") : t("Put into the archive")}
          </Menu.Item>
          <Menu.Label>{t("Take away as a file")}</Menu.Label>
          {FILES.map(([kind, label]) => (
            <Menu.Item
              key={kind}
              component="a"
              href={`/api/parts/${part.id}/file/${kind}`}
              disabled={part.state !== "ready"}
            >
              {t(label)}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
    </>
  );
}
