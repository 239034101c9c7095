import { PasswordInput, Stack, Text } from "@mantine/core";
import { useState } from "react";

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
  const [old, setOld] = useState("");
  const [chosen, setChosen] = useState("");
  const [again, setAgain] = useState("");
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(false);

  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    if (chosen !== again) {
      setTrouble("The new password is not the same both times.");
      return;
    }
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
    <form onSubmit={submit}>
      <Stack>
        {first && (
          <Text>Your password was for this one log-in. Choose one that only you know.</Text>
        )}
        <PasswordInput
          label={first ? "Password you were given" : "Password you have"}
          value={old}
          onChange={(e) => setOld(e.currentTarget.value)}
          autoComplete="current-password"
          autoFocus
          required
        />
        <PasswordInput
          label="New password"
          description="At least ten characters."
          value={chosen}
          onChange={(e) => setChosen(e.currentTarget.value)}
          autoComplete="new-password"
          minLength={10}
          required
        />
        <PasswordInput
          label="New password once more"
          value={again}
          onChange={(e) => setAgain(e.currentTarget.value)}
          autoComplete="new-password"
          required
        />
        <FormEnd trouble={trouble} busy={busy}>
          Keep this password
        </FormEnd>
      </Stack>
    </form>
  );
}
