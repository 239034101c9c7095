import { Button } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import { t } from "../frame/language";
import { complain, tell } from "../frame/tell";

interface Props {
  set: number;
  /** The exercise whose sheet is on the bench. */
  exercise: number;
  /** Keeps what is on the bench before; whether the service has it all. */
  before: () => Promise<boolean>;
}

/** Writes what is the same on all sheets of a set from this title block into the others. */
export function CarryTitle({ set, exercise, before }: Props) {
  const queries = useQueryClient();
  const carry = useMutation({
    mutationFn: async () => {
      if (!(await before())) throw new Error(t("What is on the bench is not saved yet."));
      return answer(
        api.POST("/api/sets/{set_id}/title-block", {
          params: { path: { set_id: set } },
          body: { exercise },
        }),
      );
    },
    onSuccess: async ({ number }) => {
      tell(
        number > 0
          ? t("Written into {{count}} sheets.", { count: number })
          : t("Nothing was empty on the other sheets."),
      );
      await queries.invalidateQueries({ queryKey: ["exercises"] });
    },
    onError: complain,
  });
  return (
    <Button
      size="xs"
      variant="default"
      loading={carry.isPending}
      onClick={() => carry.mutate()}
      title={t(
        "Drafter, class, date, tolerances and the symbol of projection, where nothing stands yet.",
      )}
    >
      {t("Write the same on the other sheets")}
    </Button>
  );
}
