import { Alert, Button, Center, Loader } from "@mantine/core";

/** Shown while something is on its way. */
export function Waiting() {
  return (
    <Center h="60vh" role="status" aria-label="Loading">
      <Loader color="var(--quiet-ink)" type="dots" />
    </Center>
  );
}

/** What happened, what was kept, and what to do. */
export function Trouble({ error, onRetry }: { error: Error; onRetry?: () => void }) {
  return (
    <Alert m="md" color="ink" variant="outline" title="That did not work" role="alert" maw={640}>
      {error.message}
      {onRetry && (
        <Button mt="sm" size="xs" variant="default" onClick={onRetry} display="block">
          Try again
        </Button>
      )}
    </Alert>
  );
}
