import { ActionIcon, Menu } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import dayjs from "dayjs";

import { answer, api } from "../api/client";
import { t } from "../frame/language";

interface Props {
  archived: boolean;
  /** Make a copy for a class, due in a week. */
  onCopy: (copy: { school_class: number; due_at: string }) => void;
  /** Put it out of the way, or bring it back. */
  onArchive: (archived: boolean) => void;
}

/** What can be done with an exercise and with a set alike, at the end of their menus. */
export function CopyAndArchive({ archived, onCopy, onArchive }: Props) {
  const classes = useQuery({
    queryKey: ["classes", "current"],
    queryFn: () => answer(api.GET("/api/classes", { params: { query: { archived: false } } })),
  });
  return (
    <>
      <Menu.Divider />
      {classes.data?.map((school) => (
        <Menu.Item
          key={school.id}
          onClick={() =>
            onCopy({ school_class: school.id, due_at: dayjs().add(7, "day").toISOString() })
          }
        >
          {t("Copy for {{name}}", { name: school.name })}
        </Menu.Item>
      ))}
      <Menu.Item onClick={() => onArchive(!archived)}>
        {archived ? t("Bring it back") : t("Archive")}
      </Menu.Item>
    </>
  );
}

/** The usual target of such a menu. */
export function MenuDots({ title, ...rest }: { title: string }) {
  return (
    <ActionIcon variant="subtle" aria-label={t("What to do with {{title}}", { title })} {...rest}>
      ⋯
    </ActionIcon>
  );
}

/** What is told when something was archived or brought back. */
export function archivedWords(archived: boolean): string {
  return archived ? t("Out of the way; nothing of it is lost.") : t("It is back.");
}
