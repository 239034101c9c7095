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
import { useForm } from "@mantine/form";
import { useState } from "react";

import { term, terms } from "../frame/words";
import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Person } from "../api/types";
import { useMe } from "../frame/me";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";
import { PersonMore } from "./PersonMore";

const EMPTY = { login: "", name: "", role: "student" as Person["role"], password: "" };

/** Accounts, for administrators. */
export default function PeoplePage() {
  const queries = useQueryClient();
  const people = useQuery({ queryKey: ["people"], queryFn: () => answer(api.GET("/api/people")) });
  const form = useForm({ initialValues: EMPTY });
  const [trouble, setTrouble] = useState("");
  const me = useMe();
  const [given, setGiven] = useState<{ name: string; password: string } | null>(null);

  const run = async (work: Promise<unknown>, done = "") => {
    setTrouble("");
    try {
      await work;
      if (done) tell(done);
    } catch (error) {
      setTrouble((error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ["people"] });
  };
  const add = (body: typeof form.values) => {
    const added = answer(api.POST("/api/people", { body })).then(() => form.reset());
    void run(
      added,
      t("{{name}} can log in, and chooses another password then.", { name: body.name }),
    );
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
      t("{{name}} can log in again at once.", { name: person.name }),
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
        {t("People")}
      </Title>
      {given && (
        <Alert
          mb="md"
          color="ink"
          variant="outline"
          title={t("A password for {{name}}, for one log-in", { name: given.name })}
          withCloseButton
          closeButtonLabel={t("I have passed it on")}
          onClose={() => setGiven(null)}
        >
          <Code fz="lg">{given.password}</Code>
          <Text size="sm" mt="xs">
            {t("It is shown this once. At the log-in another one is chosen.")}
          </Text>
        </Alert>
      )}
      <form onSubmit={form.onSubmit(add)}>
        <Group align="end" mb="lg">
          <TextInput label={t("Log-in name")} required {...form.getInputProps("login")} />
          <TextInput label={t("Name")} required {...form.getInputProps("name")} />
          <Select
            label={t("Role")}
            w={130}
            data={terms(["student", "instructor", "admin"])}
            {...form.getInputProps("role")}
            allowDeselect={false}
          />
          <TextInput
            label={t("First password")}
            type="password"
            autoComplete="new-password"
            required
            {...form.getInputProps("password")}
          />
          <Button type="submit">{t("Add")}</Button>
        </Group>
      </form>
      <Complaint words={trouble} />
      {people.isPending && <Waiting />}
      {people.error && <Trouble error={people.error} />}
      <Table verticalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t("Name")}</Table.Th>
            <Table.Th>{t("Log-in name")}</Table.Th>
            <Table.Th>{t("Role")}</Table.Th>
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
              <Table.Td>{term(person.role)}</Table.Td>
              <Table.Td ta="right">
                {person.login !== me.login && (
                  <Group gap="xs" justify="flex-end" wrap="nowrap">
                    {!person.anonymous && (
                      <>
                        <Button
                          size="compact-sm"
                          variant="default"
                          aria-label={t("New password for {{name}}", { name: person.name })}
                          onClick={() => void give(person)}
                        >
                          {t("New password")}
                        </Button>
                        <Button
                          size="compact-sm"
                          variant="default"
                          aria-label={t("Let {{name}} try again", { name: person.name })}
                          onClick={() => unlock(person)}
                        >
                          {t("Unlock")}
                        </Button>
                        <Button
                          size="compact-sm"
                          variant="default"
                          aria-label={
                            person.active
                              ? t("Close {{name}}’s account", { name: person.name })
                              : t("Open {{name}}’s account", { name: person.name })
                          }
                          onClick={() => change(person)}
                        >
                          {person.active ? t("Close") : t("Open again")}
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
