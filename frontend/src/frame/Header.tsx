import { ActionIcon, Group, Menu, Modal, Text, useMantineColorScheme } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link, NavLink } from "react-router";

import { answer, api } from "../api/client";
import { ChoosePassword } from "./ChoosePassword";
import classes from "./Header.module.css";
import { Logo } from "./Logo";
import { useMe } from "./me";

const PLACES: Record<string, [string, string][]> = {
  instructor: [
    ["/", "Exercises"],
    ["/shelf", "Shelf"],
  ],
  student: [["/", "Exercises"]],
  admin: [["/", "People"]],
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
  const [choosing, setChoosing] = useState(false);
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
            <Menu.Item onClick={() => setChoosing(true)}>Change password</Menu.Item>
            <Menu.Item onClick={() => void leave()}>Log out</Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </Group>
      <Modal opened={choosing} onClose={() => setChoosing(false)} centered title="Change password">
        <ChoosePassword onChosen={() => setChoosing(false)} />
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
