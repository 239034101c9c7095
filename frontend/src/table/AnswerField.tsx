import { TextInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { Finding } from "../api/types";
import { t } from "../frame/language";
import classes from "./Table.module.css";

/** What a student says to a finding of a returned sheet. */
export function AnswerField({ sheet, finding }: { sheet: number; finding: Finding }) {
  const queries = useQueryClient();
  const [words, setWords] = useState(finding.answer);
  const keep = useMutation({
    mutationFn: (text: string) =>
      answer(
        api.PUT("/api/sheets/{sheet_id}/findings/{number}/answer", {
          params: { path: { sheet_id: sheet, number: finding.number } },
          body: { answer: text },
        }),
      ),
    onSuccess: (fresh) => queries.setQueryData(["sheet", sheet], fresh),
  });
  return (
    <TextInput
      className={classes.answer}
      size="xs"
      maxLength={1000}
      aria-label={t("What you say to this finding")}
      placeholder={t("Say something to this finding")}
      description={keep.isSuccess ? t("Kept.") : undefined}
      error={keep.error?.message}
      value={words}
      onChange={(event) => setWords(event.currentTarget.value)}
      onBlur={() => words !== finding.answer && keep.mutate(words)}
      onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
    />
  );
}
