import { Badge, Button, Group, Select, Table, Text, TextInput, Title } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { Person } from "../api/types";
import { Trouble, Waiting } from "../frame/Messages";

const EMPTY = { login: "", name: "", role: "student" as Person["role"], password: "" };

/** Accounts, for administrators. */
export default function PeoplePage() {
  const queries = useQueryClient();
  const people = useQuery({ queryKey: ["people"], queryFn: () => answer(api.GET("/api/people")) });
  const [form, setForm] = useState(EMPTY);
  const [trouble, setTrouble] = useState("");

  const run = async (work: Promise<unknown>) => {
    setTrouble("");
    try {
      await work;
      setForm(EMPTY);
    } catch (error) {
      setTrouble((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ["people"] });
  };
  const add = (event: React.FormEvent) => {
    event.preventDefault();
    void run(answer(api.POST("/api/people", { body: form })));
  };
  const change = (person: Person) =>
    void run(
      answer(
        api.PATCH("/api/people/{person}", {
          params: { path: { person: person.id } },
          body: { active: !person.active },
        }),
      ),
    );

  return (
    <main style={{ maxWidth: 900, margin: "0 auto", padding: 24 }}>
      <Title order={1} size="h2" mb="md">
        People
      </Title>
      <form onSubmit={add}>
        <Group align="end" mb="lg">
          <TextInput
            label="Log-in name"
            required
            value={form.login}
            onChange={(e) => setForm({ ...form, login: e.currentTarget.value })}
          />
          <TextInput
            label="Name"
            required
            value={form.name}
            onChange={(e) => setForm({ ...form, name: e.currentTarget.value })}
          />
          <Select
            label="Role"
            w={130}
            data={["student", "instructor", "admin"]}
            value={form.role}
            onChange={(role) => role && setForm({ ...form, role: role as Person["role"] })}
            allowDeselect={false}
          />
          <TextInput
            label="First password"
            type="password"
            autoComplete="new-password"
            required
            value={form.password}
            onChange={(e) => setForm({ ...form, password: e.currentTarget.value })}
          />
          <Button type="submit">Add</Button>
        </Group>
      </form>
      {trouble && (
        <Text c="var(--fault)" role="alert" mb="md">
          {trouble}
        </Text>
      )}
      {people.isPending && <Waiting />}
      {people.error && <Trouble error={people.error} />}
      <Table verticalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Name</Table.Th>
            <Table.Th>Log-in name</Table.Th>
            <Table.Th>Role</Table.Th>
            <Table.Th />
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {people.data?.map((person) => (
            <Table.Tr key={person.id}>
              <Table.Td>
                {person.name} {!person.active && <Badge color="gray">closed</Badge>}
              </Table.Td>
              <Table.Td>{person.login}</Table.Td>
              <Table.Td>{person.role}</Table.Td>
              <Table.Td ta="right">
                <Button size="compact-sm" variant="default" onClick={() => change(person)}>
                  {person.active ? "Close" : "Open again"}
                </Button>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </main>
  );
}
