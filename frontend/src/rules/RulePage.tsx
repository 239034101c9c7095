import { Button, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";

import { answer, api } from "../api/client";
import type { Reasons } from "../api/types";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { criterionLabel } from "../frame/words";
import { ExampleSheet } from "./ExampleSheet";
import styles from "./Rules.module.css";

/** The reasons of a rule: what it asks, why, right and wrong on a demo part, the standard, how to put it right. */
export default function RulePage() {
  const rule = useParams().rule ?? "";
  const reasons = useQuery({
    queryKey: ["reasons", rule],
    staleTime: Infinity,
    queryFn: () => answer(api.GET("/api/rules/{rule}/reasons", { params: { path: { rule } } })),
  });
  return (
    <>
      <Header
        trail={
          <>
            <Link to="/rules">{t("Reasons")}</Link> / <strong>{reasons.data?.heading ?? ""}</strong>
          </>
        }
      >
        <Button variant="default" onClick={() => window.print()}>
          {t("Print")}
        </Button>
      </Header>
      <main className={styles.page} data-print="">
        {reasons.isPending && <Waiting />}
        {reasons.error && <Trouble error={reasons.error} onRetry={() => void reasons.refetch()} />}
        {reasons.data && <Told reasons={reasons.data} />}
      </main>
    </>
  );
}

function Told({ reasons }: { reasons: Reasons }) {
  const { examples } = reasons;
  return (
    <article>
      <Text className="quiet">{criterionLabel(reasons.criterion)}</Text>
      <Title order={1} size="h2">
        {reasons.heading}
      </Title>
      <dl className={styles.told}>
        <dt>{t("What it asks")}</dt>
        <dd>{reasons.asks}</dd>
        <dt>{t("Why a workshop cares")}</dt>
        <dd>{reasons.why}</dd>
        <dt>{t("How to put it right")}</dt>
        <dd>{reasons.mend}</dd>
        <dt>{t("What stands behind it")}</dt>
        <dd>{reasons.basis}</dd>
      </dl>
      {examples && (
        <div className={styles.examples}>
          <figure>
            <ExampleSheet example={examples.wrong} label={t("Wrong")} />
            <figcaption>{t("Wrong")}</figcaption>
          </figure>
          <figure>
            <ExampleSheet example={examples.right} label={t("Right")} />
            <figcaption>{t("Right")}</figcaption>
          </figure>
        </div>
      )}
    </article>
  );
}
