import { Button, Group, TextInput } from "@mantine/core";
import { useState } from "react";

interface Props {
  label: string;
  /** What the button says. */
  action: string;
  /** The name there is; without one the field is empty, and empty again once a name was given. */
  name?: string;
  onName: (name: string) => Promise<unknown>;
}

/** One name and what is done with it. */
export function NameForm({ label, action, name = "", onName }: Props) {
  const [written, setWritten] = useState(name);
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    await onName(written);
    if (!name) setWritten("");
  };
  return (
    <form onSubmit={(event) => void submit(event)}>
      <Group align="end" wrap="nowrap" maw={430}>
        <TextInput
          label={label}
          required
          maxLength={80}
          value={written}
          onChange={(e) => setWritten(e.currentTarget.value)}
          flex={1}
        />
        <Button type="submit" variant="default" disabled={name !== "" && written.trim() === name}>
          {action}
        </Button>
      </Group>
    </form>
  );
}
