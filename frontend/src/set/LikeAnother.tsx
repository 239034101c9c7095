import { Button, Group, Select, Stack } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import type { Exercise, SheetDocument } from "../api/types";
import { modelAnswer, ownSheet } from "../bench/draftCalls";
import type { BenchDraft } from "../bench/useDraft";
import { useExercises } from "../exercise/ExercisesPage";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { complain, tell } from "../frame/tell";
import { ofItsSet } from "./grouped";
import { copiedFrom, laidOutLike, showsTheSame } from "./laidOut";

interface Props {
  exercise: Exercise;
  /** Whether the sheets are the model answers of the set. */
  answering: boolean;
  draft: BenchDraft;
}

/** Lays this sheet out as another one of its set is, or copies what is drawn there where both show the same part. */
export function LikeAnother({ exercise, answering, draft }: Props) {
  const { login } = useMe();
  const listed = useExercises();
  const [chosen, choose] = useState<string | null>(null);
  const others = ofItsSet(exercise, listed.data ?? []).filter(
    (own) => own.id !== exercise.id && (answering || own.sheet !== null),
  );
  const other = others.find((own) => String(own.id) === chosen);
  const take = useMutation({
    mutationFn: ({ id }: { id: number; made: typeof laidOutLike }) =>
      (answering ? modelAnswer : ownSheet)(id, login).load(),
    onSuccess: ({ document }: { document: SheetDocument }, { made }) => {
      draft.change((now) => made(now, document, exercise));
      tell(t("It is as the other sheet is. “Undo” takes it back."));
    },
    onError: complain,
  });
  if (others.length === 0) return null;
  const ways = [{ label: t("Paper and lettering as there"), made: laidOutLike }];
  if (other && showsTheSame(exercise, other))
    ways.push({ label: t("Copy all that is drawn there"), made: copiedFrom });
  return (
    <Stack gap={8} mt="md">
      <Select
        label={t("Another sheet of the set")}
        placeholder={t("choose one")}
        data={others.map((own) => ({
          value: String(own.id),
          label: `${own.in_set?.place}. ${own.title}`,
        }))}
        value={chosen}
        onChange={choose}
      />
      {other && (
        <Group gap={8}>
          {ways.map(({ label, made }) => (
            <Button
              key={label}
              size="xs"
              variant="default"
              loading={take.isPending}
              onClick={() => take.mutate({ id: other.id, made })}
            >
              {label}
            </Button>
          ))}
        </Group>
      )}
    </Stack>
  );
}
