import { Menu } from "@mantine/core";
import { Link, useNavigate } from "react-router";

import { answer, api } from "../api/client";
import { CopyAndArchive, MenuDots, archivedWords } from "../exercise/CopyAndArchive";
import { t } from "../frame/language";
import { tell } from "../frame/tell";
import { useDeed } from "../frame/useDeed";

interface Props {
  set: { id: number; title: string };
  draft: boolean;
  archived: boolean;
  children?: React.ReactNode;
}

/** What can be done with a set as a whole besides marking it. */
export function SetMenu({ set, draft, archived, children }: Props) {
  const navigate = useNavigate();
  const params = { path: { set_id: set.id } };
  const run = useDeed(["exercises"], ["set wall", set.id]);
  const giveOut = () =>
    run(async () => {
      await answer(api.POST("/api/sets/{set_id}/given-out", { params }));
      tell(t("The set is set for the class."));
    });
  const copy = (asked: { school_class: number; due_at: string }) =>
    run(async () => {
      await answer(
        api.POST("/api/sets/{set_id}/copy", { params, body: { ...asked, title: set.title } }),
      );
      tell(t("The copy stands among the exercises as a draft."));
      void navigate("/");
    });
  const archive = (next: boolean) =>
    run(async () => {
      await answer(api.PUT("/api/sets/{set_id}/archived", { params, body: { archived: next } }));
      tell(archivedWords(next));
    });
  return (
    <Menu position="bottom-end">
      <Menu.Target>{children ?? <MenuDots title={set.title} />}</Menu.Target>
      <Menu.Dropdown>
        {draft && <Menu.Item onClick={() => void giveOut()}>{t("Set for the class")}</Menu.Item>}
        {!archived && (
          <Menu.Item component={Link} to={`/sets/${set.id}/edit`}>
            {t("Change its sheets")}
          </Menu.Item>
        )}
        <Menu.Item component={Link} to={`/sets/${set.id}/slips`}>
          {t("All slips as one PDF")}
        </Menu.Item>
        <Menu.Item component="a" href={`/api/sets/${set.id}/marks.csv`}>
          {t("Marks as CSV")}
        </Menu.Item>
        <Menu.Item component="a" href={`/api/sets/${set.id}/marks.xlsx`}>
          {t("Marks as XLSX")}
        </Menu.Item>
        <CopyAndArchive
          archived={archived}
          onCopy={(asked) => void copy(asked)}
          onArchive={(next) => void archive(next)}
        />
      </Menu.Dropdown>
    </Menu>
  );
}
