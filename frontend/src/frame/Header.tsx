import { ActionIcon, Group, Menu, Modal, Text, useMantineColorScheme } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link, NavLink } from "react-router";

import { term } from "./words";
import { LANGUAGES, language, said, speak, t, type Language } from "./language";
import { answer, api } from "../api/client";
import { saveHeld } from "../people/held";
import { MyLogIns } from "../people/MyLogIns";
import { ChoosePassword } from "./ChoosePassword";
import classes from "./Header.module.css";
import { Logo } from "./Logo";
import { useMe } from "./me";
import { complain } from "./tell";

const PLACES: Record<string, [string, string][]> = {
  instructor: [
    ["/", said("Exercises")],
    ["/shelf", said("Shelf")],
    ["/sheet-forms", said("Sheet forms")],
    ["/classes", said("Classes")],
    ["/rules", said("Reasons")],
  ],
  student: [
    ["/", said("Exercises")],
    ["/progress", said("What I was told")],
    ["/rules", said("Reasons")],
  ],
  admin: [
    ["/", said("People")],
    ["/deeds", said("What was done")],
  ],
};

interface Props {
  /** Where one is, beyond the main places. */
  trail?: ReactNode;
  children?: ReactNode;
}

export function Header({ trail, children }: Props) {
  const me = useMe();
  const queries = useQueryClient();
  const scheme = useMantineColorScheme();
  const [open, setOpen] = useState<"password" | "log-ins" | null>(null);
  const close = () => setOpen(null);
  const tell = async () => {
    try {
      saveHeld(me.login, (await answer(api.GET("/api/me/held"))).held);
    } catch (error) {
      complain(error);
    }
  };
  const read = async (next: Language) => {
    try {
      queries.setQueryData(
        ["me"],
        await answer(api.PUT("/api/me/language", { body: { language: next } })),
      );
      await speak(next);
    } catch (error) {
      complain(error);
    }
  };
  const leave = async () => {
    await answer(api.POST("/api/log-out"));
    queries.clear();
    window.location.assign("/");
  };
  return (
    <header className={classes.header}>
      <Link to="/" className={classes.home} aria-label={t("Maqueta, first page")}>
        <Logo size={26} />
      </Link>
      {trail ? (
        <div className={classes.trail}>{trail}</div>
      ) : (
        <nav className={classes.places} aria-label={t("Places")}>
          {(PLACES[me.role] ?? []).map(([to, label]) => (
            <NavLink key={to} to={to} end className={classes.place}>
              {t(label)}
            </NavLink>
          ))}
        </nav>
      )}
      <Group gap="sm" ml="auto" wrap="nowrap">
        {children}
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon
              variant="default"
              size={34}
              aria-label={t("Account of {{name}}", { name: me.name })}
            >
              <Text fz={13} fw={700}>
                {initials(me.name)}
              </Text>
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Label>
              {me.name}, {term(me.role)}
            </Menu.Label>
            <Menu.Item onClick={() => scheme.toggleColorScheme()}>{t("Light or dark")}</Menu.Item>
            {Object.entries(LANGUAGES).map(([code, name]) => (
              <Menu.Item
                key={code}
                lang={code}
                disabled={code === language()}
                onClick={() => void read(code as Language)}
              >
                {name}
              </Menu.Item>
            ))}
            <Menu.Item onClick={() => setOpen("password")}>{t("Change password")}</Menu.Item>
            <Menu.Item onClick={() => setOpen("log-ins")}>{t("Where you are logged in")}</Menu.Item>
            <Menu.Item onClick={() => void tell()}>{t("What is held about you")}</Menu.Item>
            <Menu.Item onClick={() => void leave()}>{t("Log out")}</Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </Group>
      <Modal opened={open === "password"} onClose={close} centered title={t("Change password")}>
        <ChoosePassword onChosen={close} />
      </Modal>
      <Modal
        opened={open === "log-ins"}
        onClose={close}
        centered
        title={t("Where you are logged in")}
      >
        <MyLogIns />
      </Modal>
    </header>
  );
}

function initials(name: string): string {
  return name
    .split(" ")
    .map((word) => word[0])
    .join("");
}
