import { ActionIcon, Button, Menu, Modal, Table, Text, TextInput } from "@mantine/core";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { ClassDetail, FirstPassword } from "../api/types";
import { t } from "../frame/language";
import type { Run } from "./ClassRoom";
import { Slips } from "./Slips";

type Student = ClassDetail["roll"][number];

/** Who is in a class, in which group, and what can be done for each. */
export function ClassRoll({ room, run }: { room: ClassDetail; run: Run }) {
  const [slip, setSlip] = useState<FirstPassword | null>(null);
  const path = (student: Student) => ({ class_id: room.id, student_id: student.id });
  const letGo = (student: Student) =>
    void run(async () => {
      await answer(
        api.DELETE("/api/classes/{class_id}/students/{student_id}", {
          params: { path: path(student) },
        }),
      );
      return t("{{name}} is out of the class; what was handed in is kept.", { name: student.name });
    });
  const group = (student: Student, name: string) =>
    void run(async () => {
      await answer(
        api.PUT("/api/classes/{class_id}/groups", {
          params: { path: { class_id: room.id } },
          body: { groups: { [student.id]: name } },
        }),
      );
      return t("Kept.");
    });
  const reset = (student: Student) =>
    void run(async () => {
      const { password } = await answer(
        api.POST("/api/classes/{class_id}/students/{student_id}/password", {
          params: { path: path(student) },
        }),
      );
      setSlip({ name: student.name, login: student.login, password });
      return t("{{name}} has a new first password.", { name: student.name });
    });
  if (room.roll.length === 0) {
    return (
      <Text mt="md" className="quiet">
        {t("Nobody is in this class yet: bring in a roster, or give the class a code.")}
      </Text>
    );
  }
  return (
    <>
      <Table verticalSpacing={2} mt="md">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t("Student")}</Table.Th>
            <Table.Th>{t("Log-in name")}</Table.Th>
            <Table.Th>{t("Group")}</Table.Th>
            <Table.Th />
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {room.roll.map((student) => (
            <Table.Tr key={student.id}>
              <Table.Td>
                {student.name}
                {student.email && <Text className="quiet small">{student.email}</Text>}
              </Table.Td>
              <Table.Td>{student.login}</Table.Td>
              <Table.Td>
                <TextInput
                  size="xs"
                  w={110}
                  maxLength={40}
                  aria-label={t("Group of {{name}}", { name: student.name })}
                  defaultValue={student.group}
                  onBlur={(event) => {
                    const name = event.currentTarget.value.trim();
                    if (name !== student.group) group(student, name);
                  }}
                  onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
                />
              </Table.Td>
              <Table.Td ta="right">
                <Menu position="bottom-end">
                  <Menu.Target>
                    <ActionIcon
                      variant="default"
                      aria-label={t("What to do for {{name}}", { name: student.name })}
                    >
                      ⋯
                    </ActionIcon>
                  </Menu.Target>
                  <Menu.Dropdown>
                    {student.resettable && (
                      <Menu.Item onClick={() => reset(student)}>
                        {t("New first password")}
                      </Menu.Item>
                    )}
                    <Menu.Item onClick={() => letGo(student)}>
                      {t("Take {{name}} out", { name: student.name })}
                    </Menu.Item>
                  </Menu.Dropdown>
                </Menu>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Modal
        opened={slip !== null}
        onClose={() => setSlip(null)}
        title={t("First password, told once")}
        centered
      >
        {slip && <Slips slips={[slip]} />}
        <Button mt="md" variant="default" onClick={() => setSlip(null)}>
          {t("Close")}
        </Button>
      </Modal>
    </>
  );
}
