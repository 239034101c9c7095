import { Button, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { CRITERIA } from "../frame/words";
import styles from "./Rules.module.css";

/** All rules with what they ask and why, criterion by criterion: a leaflet for a class. */
export default function RulesPage() {
  const rules = useQuery({
    queryKey: ["reasons"],
    staleTime: Infinity,
    queryFn: () => answer(api.GET("/api/rules/reasons")),
  });
  return (
    <>
      <Header trail={<strong>{t("Reasons")}</strong>}>
        <Button variant="default" onClick={() => window.print()}>
          {t("Print the leaflet")}
        </Button>
      </Header>
      <main className={styles.page} data-print="">
        <Title order={1} size="h2">
          {t("What a sheet is judged by, and why")}
        </Title>
        {rules.isPending && <Waiting />}
        {rules.error && <Trouble error={rules.error} onRetry={() => void rules.refetch()} />}
        {rules.data &&
          CRITERIA.map((criterion) => (
            <section key={criterion.id}>
              <Title order={2} size="h4" mt="lg">
                {t(criterion.label)}
              </Title>
              {rules.data
                .filter((rule) => rule.criterion === criterion.id)
                .map((rule) => (
                  <div key={rule.id} className={styles.entry}>
                    <Link to={`/rules/${rule.id}`}>{rule.asks}</Link>
                    <Text className="quiet small">{rule.why}</Text>
                  </div>
                ))}
            </section>
          ))}
      </main>
    </>
  );
}
