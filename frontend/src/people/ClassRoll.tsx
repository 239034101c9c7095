import { Button, Table, Textarea } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useForm } from "@mantine/form";
import { useState } from "react";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { SchoolClass } from "../api/types";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import styles from "./Classes.module.css";
import { NameForm } from "./NameForm";

/** One class: its name, its students, and how more come in. */
export function ClassRoll({ school }: { school: SchoolClass }) {
  const queries = useQueryClient();
  const path = { class_id: school.id };
  const students = useQuery({
    queryKey: ["classes", school.id, "students"],
    queryFn: () => answer(api.GET("/api/classes/{class_id}/students", { params: { path } })),
  });
  const form = useForm({ initialValues: { logins: "" } });
  const [trouble, setTrouble] = useState("");

  const run = async (work: () => Promise<string>) => {
    setTrouble("");
    let done = true;
    try {
      tell(await work());
    } catch (error) {
      setTrouble((error as Error).message);
      done = false;
    }
    await queries.invalidateQueries({ queryKey: ["classes"] });
    return done;
  };
  const rename = (name: string) =>
    run(async () => {
      await answer(api.PATCH("/api/classes/{class_id}", { params: { path }, body: { name } }));
      return t("The class has its new name.");
    });
  const takeIn = ({ logins }: typeof form.values) => {
    const wanted = logins.split(/[\s,;]+/).filter(Boolean);
    void run(async () => {
      const { unknown } = await answer(
        api.POST("/api/classes/{class_id}/students", {
          params: { path },
          body: { logins: wanted },
        }),
      );
      // What nobody is called stays in the field, to be put right.
      form.setFieldValue("logins", unknown.join("\n"));
      if (unknown.length)
        throw new Error(t("No student is called {{names}}.", { names: unknown.join(", ") }));
      return t("Taken in: {{count}} students.", { count: wanted.length });
    });
  };
  const letGo = (student: { id: number; name: string }) =>
    void run(async () => {
      await answer(
        api.DELETE("/api/classes/{class_id}/students/{student_id}", {
          params: { path: { ...path, student_id: student.id } },
        }),
      );
      return t("{{name}} is out of the class; what was handed in is kept.", { name: student.name });
    });

  return (
    <section aria-label={school.name}>
      <NameForm
        label={t("Name of the class")}
        action={t("Rename")}
        name={school.name}
        onName={rename}
      />
      <form className={styles.add} onSubmit={form.onSubmit(takeIn)}>
        <Textarea
          label={t("Take students in")}
          description={t("Log-in names, one a line. Your administrator makes the accounts.")}
          autosize
          minRows={2}
          maxRows={10}
          required
          {...form.getInputProps("logins")}
          maw={420}
        />
        <Button type="submit" mt="sm">
          {t("Take in")}
        </Button>
      </form>
      <Complaint words={trouble} />
      {students.isPending && <Waiting />}
      {students.error && <Trouble error={students.error} />}
      {students.data && students.data.length > 0 && (
        <Table verticalSpacing={4} mt="md">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t("Student")}</Table.Th>
              <Table.Th>{t("Log-in name")}</Table.Th>
              <Table.Th />
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {students.data.map((student) => (
              <Table.Tr key={student.id}>
                <Table.Td>{student.name}</Table.Td>
                <Table.Td>{student.login}</Table.Td>
                <Table.Td ta="right">
                  <Button
                    size="compact-sm"
                    variant="default"
                    aria-label={t("Take {{name}} out", { name: student.name })}
                    onClick={() => letGo(student)}
                  >
                    {t("Take out")}
                  </Button>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </section>
  );
}
