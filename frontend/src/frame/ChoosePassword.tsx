import { PasswordInput, Stack, Text } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useState } from "react";

import { t } from "./language";
import { answer, api } from "../api/client";
import type { Me } from "../api/types";
import { FormEnd } from "./FormEnd";

interface Props {
  onChosen: (me: Me) => void;
  /** The one there is was given for one log-in. */
  first?: boolean;
}

/** A new password, written twice so that it is the one that is meant. */
export function ChoosePassword({ onChosen, first = false }: Props) {
  const form = useForm({
    initialValues: { old: "", chosen: "", again: "" },
    validate: {
      again: (again, { chosen }) =>
        again === chosen ? null : t("The new password is not the same both times."),
    },
  });
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(false);

  const submit = async ({ old, chosen }: typeof form.values) => {
    setBusy(true);
    try {
      onChosen(await answer(api.POST("/api/me/password", { body: { old, new: chosen } })));
    } catch (error) {
      setTrouble((error as Error).message);
    } finally {
      setBusy(false);
    }
  };

  return (
    <form onSubmit={form.onSubmit(submit)}>
      <Stack>
        {first && (
          <Text>{t("Your password was for this one log-in. Choose one that only you know.")}</Text>
        )}
        <PasswordInput
          label={first ? t("Password you were given") : t("Password you have")}
          {...form.getInputProps("old")}
          autoComplete="current-password"
          autoFocus
          required
        />
        <PasswordInput
          label={t("New password")}
          description={t("At least ten characters.")}
          {...form.getInputProps("chosen")}
          autoComplete="new-password"
          minLength={10}
          required
        />
        <PasswordInput
          label={t("New password once more")}
          {...form.getInputProps("again")}
          autoComplete="new-password"
          required
        />
        <FormEnd trouble={trouble} busy={busy}>
          {t("Keep this password")}
        </FormEnd>
      </Stack>
    </form>
  );
}
