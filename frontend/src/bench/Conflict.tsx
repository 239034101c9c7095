import { Button, Group, Modal, Text } from "@mantine/core";

import type { Bench } from "./bench";

/** Two tabs have changed one sheet: neither version is lost, one is chosen. */
export function Conflict({ bench }: { bench: Bench }) {
  return (
    <Modal
      opened={bench.draft.save.kind === "conflict"}
      onClose={() => undefined}
      withCloseButton={false}
      centered
      title="This sheet was changed in another tab"
    >
      <Text>Both versions are still there. Which one do you want to go on with?</Text>
      <Group mt="md">
        <Button onClick={() => void bench.draft.settle(true)}>The one here</Button>
        <Button variant="default" onClick={() => void bench.draft.settle(false)}>
          The other one
        </Button>
      </Group>
    </Modal>
  );
}
