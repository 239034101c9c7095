import { Button, Text, Title } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { ChangedExercise, Exercise } from "../api/types";
import { t } from "../frame/language";
import { Trouble } from "../frame/Messages";
import { points } from "../frame/words";
import classes from "./Exercises.module.css";

/** What a change would do to the sheets that are in, before it is made. */
export function TrialTable({ exercise, form }: { exercise: Exercise; form: ChangedExercise }) {
  const trial = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/exercises/{exercise_id}/trial", {
          params: { path: { exercise_id: exercise.id } },
          body: form,
        }),
      ),
  });
  if (exercise.handed_in === 0) return null;
  const told = trial.data;
  return (
    <section aria-label={t("What it does to the sheets that are in")}>
      <Title order={2} size="h4">
        {t("{{count}} sheets are in", { count: exercise.handed_in })}
      </Title>
      <Button
        mt={6}
        size="xs"
        variant="default"
        loading={trial.isPending}
        onClick={() => trial.mutate()}
      >
        {t("Look what the change does to them")}
      </Button>
      {trial.error && <Trouble error={trial.error} />}
      {told && (
        <>
          <Text className="small" mt={6}>
            {told.checked_again
              ? t("They are checked again; decisions stay with their findings.")
              : t("They need not be checked again.")}{" "}
            {told.returned > 0 &&
              t("{{count}} returned sheets keep their findings.", { count: told.returned })}
          </Text>
          <table className={classes.trial}>
            <tbody>
              {told.sheets.map((row) => (
                <tr key={row.sheet}>
                  <th scope="row">{row.student}</th>
                  <td className="number">
                    {points(row.before)} → {points(row.after)}
                  </td>
                  <td className="quiet small">
                    {row.findings_before !== row.findings_after &&
                      t("{{before}} → {{after}} findings", {
                        before: row.findings_before,
                        after: row.findings_after,
                      })}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  );
}
