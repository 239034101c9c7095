import { Modal, Paper, PasswordInput, Stack, Text, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useState } from "react";

import { t } from "./language";
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
  const form = useForm({ initialValues: { login, password: "" } });
  const [trouble, setTrouble] = useState(problem ?? "");
  const [busy, setBusy] = useState(false);

  const submit = async (body: typeof form.values) => {
    setBusy(true);
    try {
      onEntered(await answer(api.POST("/api/log-in", { body })));
    } catch (error) {
      setTrouble((error as Error).message);
    } finally {
      setBusy(false);
    }
  };

  const fields = (
    <form onSubmit={form.onSubmit(submit)}>
      <Stack>
        {over && <Text>{t("Your log-in has ended. Everything on this page is kept.")}</Text>}
        <TextInput
          label={t("Log-in name")}
          {...form.getInputProps("login")}
          autoComplete="username"
          autoFocus={!login}
          required
        />
        <PasswordInput
          label={t("Password")}
          {...form.getInputProps("password")}
          autoComplete="current-password"
          autoFocus={Boolean(login)}
          required
        />
        <FormEnd trouble={trouble} busy={busy}>
          {t("Log in")}
        </FormEnd>
      </Stack>
    </form>
  );

  if (over) {
    return (
      <Modal
        opened
        onClose={() => undefined}
        withCloseButton={false}
        centered
        title={t("Log in again")}
      >
        {fields}
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
              {t("Every line, checked against the part")}
            </Title>
            <Text className="quiet" mt={4}>
              {t("Set an exercise, draw the sheet, see exactly why.")}
            </Text>
          </div>
          {fields}
        </Stack>
      </Paper>
    </main>
  );
}
