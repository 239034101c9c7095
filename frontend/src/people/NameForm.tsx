import { Button, Group, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useState } from "react";

interface Props {
  label: string;
  /** What the button says. */
  action: string;
  /** The name there is; without one the field is empty, and empty again once a name was given. */
  name?: string;
  /** Whether the name was taken: what was refused stays in the field, to be put right. */
  onName: (name: string) => Promise<boolean>;
}

/** One name and what is done with it. */
export function NameForm({ label, action, name = "", onName }: Props) {
  const form = useForm({ initialValues: { name } });
  const [busy, setBusy] = useState(false);
  const submit = async (written: { name: string }) => {
    if (busy) return;
    setBusy(true);
    const taken = await onName(written.name);
    setBusy(false);
    if (taken && !name) form.reset();
  };
  return (
    <form onSubmit={form.onSubmit((written) => void submit(written))}>
      <Group align="end" wrap="nowrap" maw={430}>
        <TextInput label={label} required maxLength={80} {...form.getInputProps("name")} flex={1} />
        <Button
          type="submit"
          variant="default"
          disabled={name !== "" && form.values.name.trim() === name}
        >
          {action}
        </Button>
      </Group>
    </form>
  );
}
