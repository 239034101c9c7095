import { Modal, Paper, PasswordInput, Stack, Text, TextInput, Title } from "@mantine/core";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { Me } from "../api/types";
import { FormEnd } from "./FormEnd";
import { Logo } from "./Logo";

interface Props {
  onEntered: (me: Me) => void;
  /** Over a page whose log-in has ended. */
  over?: boolean;
  login?: string;
  problem?: string;
}

export function LogIn({ onEntered, over = false, login = "", problem }: Props) {
  const [name, setName] = useState(login);
  const [password, setPassword] = useState("");
  const [trouble, setTrouble] = useState(problem ?? "");
  const [busy, setBusy] = useState(false);

  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    setBusy(true);
    try {
      onEntered(await answer(api.POST("/api/log-in", { body: { login: name, password } })));
    } catch (error) {
      setTrouble((error as Error).message);
    } finally {
      setBusy(false);
    }
  };

  const form = (
    <form onSubmit={submit}>
      <Stack>
        {over && <Text>Your log-in has ended. Everything on this page is kept.</Text>}
        <TextInput
          label="Log-in name"
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          autoComplete="username"
          autoFocus={!login}
          required
        />
        <PasswordInput
          label="Password"
          value={password}
          onChange={(e) => setPassword(e.currentTarget.value)}
          autoComplete="current-password"
          autoFocus={Boolean(login)}
          required
        />
        <FormEnd trouble={trouble} busy={busy}>
          Log in
        </FormEnd>
      </Stack>
    </form>
  );

  if (over) {
    return (
      <Modal opened onClose={() => undefined} withCloseButton={false} centered title="Log in again">
        {form}
      </Modal>
    );
  }
  return (
    <main
      style={{
        display: "grid",
        placeItems: "center",
        minHeight: "100%",
        background: "var(--wall)",
      }}
    >
      <Paper
        p={36}
        w={400}
        maw="92vw"
        bg="var(--ground)"
        withBorder
        style={{ borderColor: "var(--rule)" }}
      >
        <Stack gap="lg">
          <Logo size={40} />
          <div>
            <Title order={1} size="h3">
              Every line, checked against the part
            </Title>
            <Text className="quiet" mt={4}>
              Set an exercise, draw the sheet, see exactly why.
            </Text>
          </div>
          {form}
        </Stack>
      </Paper>
    </main>
  );
}
