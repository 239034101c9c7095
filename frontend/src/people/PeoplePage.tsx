import {
  Alert,
  Badge,
  Button,
  Code,
  Group,
  Select,
  Table,
  Text,
  TextInput,
  Title,
} from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { Person } from "../api/types";
import { useMe } from "../frame/me";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
import { PersonMore } from "./PersonMore";

const EMPTY = { login: "", name: "", role: "student" as Person["role"], password: "" };

/** Accounts, for administrators. */
export default function PeoplePage() {
  const queries = useQueryClient();
  const people = useQuery({ queryKey: ["people"], queryFn: () => answer(api.GET("/api/people")) });
  const [form, setForm] = useState(EMPTY);
  const [trouble, setTrouble] = useState("");
  const [told, setTold] = useState("");
  const me = useMe();
  const [given, setGiven] = useState<{ name: string; password: string } | null>(null);

  const run = async (work: Promise<unknown>, done = "") => {
    setTrouble("");
    setTold("");
    try {
      await work;
      setTold(done);
    } catch (error) {
      setTrouble((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ["people"] });
  };
  const add = (event: React.FormEvent) => {
    event.preventDefault();
    const added = answer(api.POST("/api/people", { body: form })).then(() => setForm(EMPTY));
    void run(added, `${form.name} can log in, and chooses another password then.`);
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

  const unlock = (person: Person) =>
    void run(
      answer(api.POST("/api/people/{person}/unlock", { params: { path: { person: person.id } } })),
      `${person.name} can log in again at once.`,
    );
  const give = async (person: Person) => {
    setTrouble("");
    try {
      const { password } = await answer(
        api.POST("/api/people/{person}/password", { params: { path: { person: person.id } } }),
      );
      setGiven({ name: person.name, password });
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };

  return (
    <main style={{ maxWidth: 900, margin: "0 auto", padding: 24 }}>
      <Title order={1} size="h2" mb="md">
        People
      </Title>
      {told && (
        <Text role="status" mb="md">
          {told}
        </Text>
      )}
      {given && (
        <Alert
          mb="md"
          color="ink"
          variant="outline"
          title={`A password for ${given.name}, for one log-in`}
          withCloseButton
          closeButtonLabel="I have passed it on"
          onClose={() => setGiven(null)}
        >
          <Code fz="lg">{given.password}</Code>
          <Text size="sm" mt="xs">
            It is shown this once. At the log-in another one is chosen.
          </Text>
        </Alert>
      )}
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
      <Complaint words={trouble} />
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
                {person.name}{" "}
                {!person.active && (
                  <Badge color="gray">{person.anonymous ? "anonymous" : "closed"}</Badge>
                )}
              </Table.Td>
              <Table.Td>{person.login}</Table.Td>
              <Table.Td>{person.role}</Table.Td>
              <Table.Td ta="right">
                {person.login !== me.login && (
                  <Group gap="xs" justify="flex-end" wrap="nowrap">
                    {!person.anonymous && (
                      <>
                        <Button
                          size="compact-sm"
                          variant="default"
                          aria-label={`New password for ${person.name}`}
                          onClick={() => void give(person)}
                        >
                          New password
                        </Button>
                        <Button
                          size="compact-sm"
                          variant="default"
                          aria-label={`Let ${person.name} try again`}
                          onClick={() => unlock(person)}
                        >
                          Unlock
                        </Button>
                        <Button
                          size="compact-sm"
                          variant="default"
                          aria-label={`${person.active ? "Close" : "Open"} ${person.name}’s account`}
                          onClick={() => change(person)}
                        >
                          {person.active ? "Close" : "Open again"}
                        </Button>
                      </>
                    )}
                    <PersonMore person={person} run={run} />
                  </Group>
                )}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </main>
  );
}
