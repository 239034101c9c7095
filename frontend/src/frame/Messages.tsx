import { Alert, Button, Center, Loader, Text } from "@mantine/core";

import { t } from "./language";

/** Shown while something is on its way. */
export function Waiting() {
  return (
    <Center h="60vh" role="status" aria-label={t("Loading")}>
      <Loader color="var(--quiet-ink)" type="dots" />
    </Center>
  );
}

/** What happened, what was kept, and what to do. */
export function Trouble({ error, onRetry }: { error: Error; onRetry?: () => void }) {
  return (
    <Alert
      m="md"
      color="ink"
      variant="outline"
      title={t("That did not work")}
      role="alert"
      maw={640}
    >
      {error.message}
      {onRetry && (
        <Button mt="sm" size="xs" variant="default" onClick={onRetry} display="block">
          {t("Try again")}
        </Button>
      )}
    </Alert>
  );
}

/** Why the last action was refused; nothing while there is nothing to say. */
export function Complaint({ words }: { words: string }) {
  if (!words) return null;
  return (
    <Text c="var(--fault)" role="alert" my="sm">
      {words}
    </Text>
  );
}
