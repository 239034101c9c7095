import { Button, Group, Stack, Text } from "@mantine/core";

import type { LogIn } from "../api/types";
import { dayAndTime } from "../frame/words";

interface Props {
  entries: LogIn[];
  /** Ends one of them, where that can be done. */
  onEnd?: (entry: LogIn) => void;
}

/** Where somebody is logged in just now. */
export function LogIns({ entries, onEnd }: Props) {
  if (entries.length === 0) return <Text>Not logged in anywhere.</Text>;
  return (
    <Stack component="ul" gap={8} p={0} m={0} style={{ listStyle: "none" }}>
      {entries.map((entry) => (
        <Group key={entry.id} component="li" justify="space-between" wrap="nowrap">
          <div>
            <Text>{entry.browser}</Text>
            <Text size="sm" className="quiet">
              since {dayAndTime(entry.begun_at)}
            </Text>
          </div>
          {entry.here ? (
            <Text size="sm" className="quiet">
              this one
            </Text>
          ) : (
            onEnd && (
              <Button
                size="compact-sm"
                variant="default"
                aria-label={`End the log-in in ${entry.browser}`}
                onClick={() => onEnd(entry)}
              >
                End
              </Button>
            )
          )}
        </Group>
      ))}
    </Stack>
  );
}
