import { Button, Text } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";

import { answer, api } from "../../api/client";
import type { SheetDocument, Task } from "../../api/types";
import type { Bench } from "../bench";

interface Props {
  bench: Bench;
  aid: Exclude<Task["aids"][number], "construction" | "parts list">;
  label: string;
}

/** A help the exercise may allow; Undo takes it back. */
export function AidButton({ bench, aid, label }: Props) {
  const { document, draft, exercise, params, answering } = bench;
  const help = useMutation({
    mutationFn: (sent: SheetDocument) =>
      answer(
        api.POST("/api/exercises/{exercise_id}/sheet/aid", {
          params,
          body: { document: sent, aid },
        }),
      ),
    // What was drawn while the answer was on its way is not overwritten.
    onSuccess: (changed, sent) => draft.change((now) => (now === sent ? changed : now)),
  });
  if (!(answering || exercise.task.aids.includes(aid)) || document.views.length === 0) return null;
  return (
    <>
      <Button
        size="xs"
        variant="default"
        mt="sm"
        loading={help.isPending}
        onClick={() => help.mutate(document)}
      >
        {label}
      </Button>
      {help.error && (
        <Text c="var(--fault)" role="alert" size="sm" mt={4}>
          {help.error.message}
        </Text>
      )}
    </>
  );
}
