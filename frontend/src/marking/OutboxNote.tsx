import { Text } from "@mantine/core";

import { t } from "../frame/language";
import { useOutbox } from "./useOutbox";

/** What is not kept yet of what was decided, and why. */
export function OutboxNote() {
  const { waiting, stuck } = useOutbox();
  if (waiting.length === 0) return null;
  const count = t("{{count}} changes not kept yet", { count: waiting.length });
  return (
    <Text className="small" role="status" c={stuck ? "var(--fault)" : "var(--quiet-ink)"}>
      {stuck ? `${count}: ${t("no connection, trying again")}` : count}
    </Text>
  );
}
