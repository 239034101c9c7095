import { Button, Text, Title, UnstyledButton } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";

import { answer, api } from "../../api/client";
import type { Task } from "../../api/types";
import { FindingSign } from "../../drawing/FindingSign";
import { t } from "../../frame/language";
import { Trouble } from "../../frame/Messages";
import { criterionLabel } from "../../frame/words";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";

/** Whether an exercise lets a sheet be checked before it is handed in. */
export function looks(task: Task): boolean {
  return task.course === "practice" || (task.course === "homework" && task.checks > 0);
}

/** A check of the draft, as often as the exercise allows one: what is found, without points. */
export function CheckOnce({ bench }: { bench: Bench }) {
  const left = bench.checksLeft;
  const check = useMutation({
    mutationFn: async () => {
      await bench.draft.saveNow();
      return answer(
        api.POST("/api/exercises/{exercise_id}/sheet/check", {
          params: { path: { exercise_id: bench.exercise.id } },
        }),
      );
    },
    onSuccess: ({ checks_left }) => bench.onChecked(checks_left),
  });
  const found = check.data?.findings;
  const hints = check.data && check.data.findings.length === 0 ? check.data.criteria : [];
  return (
    <section aria-label={t("Check")}>
      <Title order={3} size="h5" mt="md">
        {t("Check")}
      </Title>
      <Text className="quiet small">
        {left === null
          ? t("In practice you may have it checked at any time.")
          : t("{{count}} checks are left before handing in.", { count: left })}
      </Text>
      <Button
        size="xs"
        mt={6}
        variant="default"
        loading={check.isPending}
        disabled={left === 0 || bench.document.views.length === 0}
        onClick={() => check.mutate()}
      >
        {t("Check the sheet")}
      </Button>
      {check.error && <Trouble error={check.error} />}
      <div role="status">
        {hints.length > 0 && (
          <Text size="sm" mt={6}>
            {t("There is something to find under: {{criteria}}.", {
              criteria: hints.map(criterionLabel).join(", "),
            })}
          </Text>
        )}
        {found?.length === 0 && hints.length === 0 && (
          <Text size="sm" mt={6}>
            {t("Nothing was found.")}
          </Text>
        )}
        {found?.map((finding, index) => {
          const [view] = finding.views;
          return (
            <UnstyledButton
              key={index}
              className={classes.checked}
              disabled={!view}
              onClick={() => bench.lookOver(view ?? null)}
            >
              <FindingSign sign={finding.sign} severity={finding.severity} size={20} />
              <Text size="sm">{finding.message}</Text>
            </UnstyledButton>
          );
        })}
      </div>
    </section>
  );
}
