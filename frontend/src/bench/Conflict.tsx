import { Button, Group, Modal, Text } from "@mantine/core";

import { t } from "../frame/language";
import type { Bench } from "./bench";

/** Two tabs have changed one sheet: neither version is lost, one is chosen. */
export function Conflict({ bench }: { bench: Bench }) {
  return (
    <Modal
      opened={bench.draft.save.kind === "conflict"}
      onClose={() => undefined}
      withCloseButton={false}
      centered
      title={t("This sheet was changed in another tab")}
    >
      <Text>{t("Both versions are still there. Which one do you want to go on with?")}</Text>
      <Group mt="md">
        <Button onClick={() => void bench.draft.settle(true)}>{t("The one here")}</Button>
        <Button variant="default" onClick={() => void bench.draft.settle(false)}>
          {t("The other one")}
        </Button>
      </Group>
    </Modal>
  );
}
