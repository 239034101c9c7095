import { NavLink, Switch, Text, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import { Header } from "../frame/Header";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
import { ClassRoom } from "./ClassRoom";
import { NameForm } from "./NameForm";
import { ReceiptCheck } from "./ReceiptCheck";
import styles from "./Classes.module.css";

/** An instructor's classes, and who is in them. */
export default function ClassesPage() {
  const queries = useQueryClient();
  const [archived, setArchived] = useState(false);
  const classes = useQuery({
    queryKey: ["classes", archived ? "archived" : "current"],
    queryFn: () => answer(api.GET("/api/classes", { params: { query: { archived } } })),
  });
  const [chosen, setChosen] = useState<number | null>(null);
  const [trouble, setTrouble] = useState("");
  const shown = classes.data?.find((c) => c.id === chosen) ?? classes.data?.[0];

  const add = async (name: string) => {
    setTrouble("");
    try {
      const made = await answer(api.POST("/api/classes", { body: { name } }));
      await queries.invalidateQueries({ queryKey: ["classes"] });
      setChosen(made.id);
      return true;
    } catch (error) {
      setTrouble((error as Error).message);
      return false;
    }
  };

  return (
    <>
      <Header />
      <main className={styles.page}>
        <Title order={1} size="h2" mb="md">
          {t("Classes")}
        </Title>
        {classes.isPending && <Waiting />}
        {classes.error && <Trouble error={classes.error} />}
        {classes.data && (
          <div className={styles.columns}>
            <div>
              <nav aria-label={t("Classes")}>
                {classes.data.map((c) => (
                  <NavLink
                    key={c.id}
                    component="button"
                    label={c.name}
                    rightSection={
                      <Text size="sm" className="quiet">
                        {c.students}
                      </Text>
                    }
                    active={c.id === shown?.id}
                    onClick={() => setChosen(c.id)}
                  />
                ))}
              </nav>
              <div className={styles.add}>
                <NameForm label={t("New class")} action={t("Make")} onName={add} />
              </div>
              <Complaint words={trouble} />
              <Switch
                mt="md"
                size="xs"
                label={t("Archived classes")}
                checked={archived}
                onChange={(event) => setArchived(event.currentTarget.checked)}
              />
              <div className={styles.add}>
                <ReceiptCheck />
              </div>
            </div>
            {shown ? (
              <ClassRoom key={shown.id} school={shown} />
            ) : (
              <Text>
                {archived
                  ? t("No class is archived.")
                  : t("No class yet. Name the first one on the left; then bring its people in.")}
              </Text>
            )}
          </div>
        )}
      </main>
    </>
  );
}
