import { Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import { Header } from "../frame/Header";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { criterionLabel, dayAndTime } from "../frame/words";
import styles from "./Learned.module.css";

/** What was said to a student over time, and what they do right by now. */
export default function ProgressPage() {
  const progress = useQuery({
    queryKey: ["progress"],
    queryFn: () => answer(api.GET("/api/me/progress")),
  });
  const now = progress.data?.mistakes.filter((mistake) => !mistake.now_right) ?? [];
  const right = progress.data?.mistakes.filter((mistake) => mistake.now_right) ?? [];
  return (
    <>
      <Header />
      <main className={styles.page}>
        <Title order={1} size="h2">
          {t("What I was told")}
        </Title>
        {progress.isPending && <Waiting />}
        {progress.error && <Trouble error={progress.error} />}
        {progress.data?.sheets.length === 0 && (
          <Text mt="md">
            {t("Nothing has come back yet. What is said to your sheets gathers here.")}
          </Text>
        )}
        <Told heading={t("To look at")} mistakes={now} />
        <Told heading={t("What I now do right")} mistakes={right} />
        {progress.data && progress.data.sheets.length > 0 && (
          <>
            <Title order={2} size="h4" mt="lg">
              {t("Sheets that came back")}
            </Title>
            <ul>
              {progress.data.sheets.map((sheet) => (
                <li key={sheet.sheet}>
                  <Link to={`/sheets/${sheet.sheet}`}>{sheet.title}</Link>{" "}
                  <span className="quiet">
                    {sheet.returned_at && dayAndTime(sheet.returned_at)} ·{" "}
                    {t("{{count}} rules broken", { count: sheet.mistakes })}
                  </span>
                </li>
              ))}
            </ul>
          </>
        )}
      </main>
    </>
  );
}

interface ToldProps {
  heading: string;
  mistakes: {
    rule: string;
    criterion: Parameters<typeof criterionLabel>[0];
    heading: string;
    sheets: number[];
  }[];
}

function Told({ heading, mistakes }: ToldProps) {
  if (mistakes.length === 0) return null;
  return (
    <>
      <Title order={2} size="h4" mt="lg">
        {heading}
      </Title>
      <ul>
        {mistakes.map((mistake) => (
          <li key={mistake.rule}>
            <Link to={`/rules/${mistake.rule}`}>{mistake.heading}</Link>{" "}
            <span className="quiet">
              {criterionLabel(mistake.criterion)} ·{" "}
              {mistake.sheets.map((sheet, index) => (
                <Link key={sheet} to={`/sheets/${sheet}`}>
                  {t("sheet {{number}}", { number: index + 1 })}{" "}
                </Link>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
