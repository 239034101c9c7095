import { Button, Table, Text, Textarea } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { SchoolClass } from "../api/types";
import { plural } from "../frame/words";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
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
  const [logins, setLogins] = useState("");
  const [trouble, setTrouble] = useState("");
  const [told, setTold] = useState("");

  const run = async (work: () => Promise<string>) => {
    setTrouble("");
    setTold("");
    try {
      setTold(await work());
    } catch (error) {
      setTrouble((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ["classes"] });
  };
  const rename = (name: string) =>
    run(async () => {
      await answer(api.PATCH("/api/classes/{class_id}", { params: { path }, body: { name } }));
      return "The class has its new name.";
    });
  const takeIn = (event: React.FormEvent) => {
    event.preventDefault();
    const wanted = logins.split(/[\s,;]+/).filter(Boolean);
    void run(async () => {
      const { unknown } = await answer(
        api.POST("/api/classes/{class_id}/students", {
          params: { path },
          body: { logins: wanted },
        }),
      );
      // What nobody is called stays in the field, to be put right.
      setLogins(unknown.join("\n"));
      if (unknown.length) throw new Error(`No student is called ${unknown.join(", ")}.`);
      return `Taken in: ${plural(wanted.length, "student")}.`;
    });
  };
  const letGo = (student: { id: number; name: string }) =>
    void run(async () => {
      await answer(
        api.DELETE("/api/classes/{class_id}/students/{student_id}", {
          params: { path: { ...path, student_id: student.id } },
        }),
      );
      return `${student.name} is out of the class; what was handed in is kept.`;
    });

  return (
    <section aria-label={school.name}>
      <NameForm label="Name of the class" action="Rename" name={school.name} onName={rename} />
      <form className={styles.add} onSubmit={takeIn}>
        <Textarea
          label="Take students in"
          description="Log-in names, one a line. Your administrator makes the accounts."
          autosize
          minRows={2}
          maxRows={10}
          required
          value={logins}
          onChange={(e) => setLogins(e.currentTarget.value)}
          maw={420}
        />
        <Button type="submit" mt="sm">
          Take in
        </Button>
      </form>
      {told && (
        <Text role="status" mt="sm">
          {told}
        </Text>
      )}
      <Complaint words={trouble} />
      {students.isPending && <Waiting />}
      {students.error && <Trouble error={students.error} />}
      {students.data && students.data.length > 0 && (
        <Table verticalSpacing={4} mt="md">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Student</Table.Th>
              <Table.Th>Log-in name</Table.Th>
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
                    aria-label={`Take ${student.name} out`}
                    onClick={() => letGo(student)}
                  >
                    Take out
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
