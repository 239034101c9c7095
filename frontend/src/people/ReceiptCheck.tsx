import { Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import { t } from "../frame/language";
import { dayAndTime } from "../frame/words";
import { NameForm } from "./NameForm";

/** What a receipt was given for: which sheet, whose, when, and whether what is kept is still what came. */
export function ReceiptCheck() {
  const [receipt, setReceipt] = useState<string | null>(null);
  const found = useQuery({
    queryKey: ["receipt", receipt],
    enabled: receipt !== null,
    retry: false,
    queryFn: () =>
      answer(api.GET("/api/receipts/{receipt}", { params: { path: { receipt: receipt ?? "" } } })),
  });
  return (
    <div role="group" aria-label={t("Check a receipt")}>
      <NameForm
        label={t("A receipt somebody shows")}
        action={t("Check it")}
        onName={(typed) => {
          setReceipt(typed.trim().toLowerCase());
          return Promise.resolve(false);
        }}
      />
      <div role="status">
        {found.error && (
          <Text className="small" c="var(--fault)">
            {t("That is no receipt: it has 64 figures and letters from a to f.")}
          </Text>
        )}
        {found.data?.length === 0 && (
          <Text className="small">
            {t("No sheet of your classes was handed in with this receipt.")}
          </Text>
        )}
        {found.data?.map((own) => (
          <Text key={own.sheet} className="small">
            <Link to={`/sheets/${own.sheet}`}>
              {own.student}, {own.exercise}
            </Link>
            {own.handed_in_at && `, ${dayAndTime(own.handed_in_at)}`}
            {", "}
            {own.unchanged ? t("unchanged since") : t("changed since")}
          </Text>
        ))}
      </div>
    </div>
  );
}
