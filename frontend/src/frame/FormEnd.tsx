import { Button, Text } from "@mantine/core";

interface Props {
  trouble: string;
  busy: boolean;
  /** What the button does. */
  children: string;
}

/** The end of a form: why it was not taken, and the button that sends it. */
export function FormEnd({ trouble, busy, children }: Props) {
  return (
    <>
      {trouble && (
        <Text c="var(--fault)" role="alert">
          {trouble}
        </Text>
      )}
      <Button type="submit" loading={busy}>
        {children}
      </Button>
    </>
  );
}
