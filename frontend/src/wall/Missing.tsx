import { Button, Group, NumberInput, Popover, Text } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { Wall } from "../api/types";
import { t } from "../frame/language";
import { complain, tell } from "../frame/tell";

/** Who has not handed in; each can be given more time than the others. */
export function Missing({ wall }: { wall: Wall }) {
  if (wall.missing.length === 0) return null;
  return (
    <Group mt="lg" gap={6} aria-label={t("Not handed in")} role="group">
      <Text className="quiet">{t("Not handed in:")}</Text>
      {wall.missing.map((missing) => (
        <MoreTime key={missing.id} missing={missing} exercise={wall.exercise.id} />
      ))}
    </Group>
  );
}

interface Props {
  missing: Wall["missing"][number];
  exercise: number;
}

function MoreTime({ missing, exercise }: Props) {
  const queries = useQueryClient();
  const [opened, setOpened] = useState(false);
  const [hours, setHours] = useState<string | number>(missing.minutes / 60);
  const give = async () => {
    try {
      await answer(
        api.PUT("/api/exercises/{exercise_id}/more-time/{student_id}", {
          params: { path: { exercise_id: exercise, student_id: missing.id } },
          body: { minutes: Math.round(60 * (Number(hours) || 0)) },
        }),
      );
      tell(t("Kept."));
      setOpened(false);
    } catch (error) {
      complain(error as Error);
    }
    await queries.invalidateQueries({ queryKey: ["wall", exercise] });
  };
  return (
    <Popover opened={opened} onChange={setOpened} trapFocus withArrow>
      <Popover.Target>
        <Button size="compact-sm" variant="subtle" color="ink" onClick={() => setOpened(!opened)}>
          {missing.student}
          {missing.minutes > 0 && ` +${t("{{hours}} h", { hours: missing.minutes / 60 })}`}
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <NumberInput
          label={t("More time than the others, in hours")}
          min={0}
          max={672}
          step={0.5}
          value={hours}
          onChange={setHours}
        />
        <Button mt="sm" size="xs" onClick={() => void give()}>
          {t("Give")}
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}
