import { ActionIcon, Group, Menu, Modal, Text, useMantineColorScheme } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link, NavLink } from "react-router";

import { answer, api } from "../api/client";
import { saveHeld } from "../people/held";
import { MyLogIns } from "../people/MyLogIns";
import { ChoosePassword } from "./ChoosePassword";
import classes from "./Header.module.css";
import { Logo } from "./Logo";
import { Complaint } from "./Messages";
import { useMe } from "./me";

const PLACES: Record<string, [string, string][]> = {
  instructor: [
    ["/", "Exercises"],
    ["/shelf", "Shelf"],
    ["/classes", "Classes"],
  ],
  student: [["/", "Exercises"]],
  admin: [
    ["/", "People"],
    ["/deeds", "What was done"],
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
  const [trouble, setTrouble] = useState("");
  const tell = async () => {
    try {
      saveHeld(me.login, (await answer(api.GET("/api/me/held"))).held);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const leave = async () => {
    await answer(api.POST("/api/log-out"));
    queries.clear();
    window.location.assign("/");
  };
  return (
    <header className={classes.header}>
      <Link to="/" className={classes.home} aria-label="Maqueta, first page">
        <Logo size={26} />
      </Link>
      {trail ? (
        <div className={classes.trail}>{trail}</div>
      ) : (
        <nav className={classes.places} aria-label="Places">
          {(PLACES[me.role] ?? []).map(([to, label]) => (
            <NavLink key={to} to={to} end className={classes.place}>
              {label}
            </NavLink>
          ))}
        </nav>
      )}
      <Group gap="sm" ml="auto" wrap="nowrap">
        {children}
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon variant="default" size={34} aria-label={`Account of ${me.name}`}>
              <Text fz={13} fw={700}>
                {initials(me.name)}
              </Text>
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Label>
              {me.name}, {me.role}
            </Menu.Label>
            <Menu.Item onClick={() => scheme.toggleColorScheme()}>Light or dark</Menu.Item>
            <Menu.Item onClick={() => setOpen("password")}>Change password</Menu.Item>
            <Menu.Item onClick={() => setOpen("log-ins")}>Where you are logged in</Menu.Item>
            <Menu.Item onClick={() => void tell()}>What is held about you</Menu.Item>
            <Menu.Item onClick={() => void leave()}>Log out</Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </Group>
      <Modal opened={open === "password"} onClose={close} centered title="Change password">
        <ChoosePassword onChosen={close} />
      </Modal>
      <Modal opened={open === "log-ins"} onClose={close} centered title="Where you are logged in">
        <MyLogIns />
      </Modal>
      <Modal
        opened={trouble !== ""}
        onClose={() => setTrouble("")}
        centered
        title="What is held about you"
      >
        <Complaint words={trouble} />
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
