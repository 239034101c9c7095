import { Button, Group, Stack, Text } from "@mantine/core";

import { t } from "../frame/language";
import type { LogIn } from "../api/types";
import { dayAndTime } from "../frame/words";

interface Props {
  entries: LogIn[];
  /** Ends one of them, where that can be done. */
  onEnd?: (entry: LogIn) => void;
}

/** Where somebody is logged in just now. */
export function LogIns({ entries, onEnd }: Props) {
  if (entries.length === 0) return <Text>{t("Not logged in anywhere.")}</Text>;
  return (
    <Stack component="ul" gap={8} p={0} m={0} style={{ listStyle: "none" }}>
      {entries.map((entry) => (
        <Group key={entry.id} component="li" justify="space-between" wrap="nowrap">
          <div>
            <Text>{entry.browser}</Text>
            <Text size="sm" className="quiet">
              {t("since {{when}}", { when: dayAndTime(entry.begun_at) })}
            </Text>
          </div>
          {entry.here ? (
            <Text size="sm" className="quiet">
              {t("this one")}
            </Text>
          ) : (
            onEnd && (
              <Button
                size="compact-sm"
                variant="default"
                aria-label={t("End the log-in in {{browser}}", { browser: entry.browser })}
                onClick={() => onEnd(entry)}
              >
                {t("End")}
              </Button>
            )
          )}
        </Group>
      ))}
    </Stack>
  );
}
