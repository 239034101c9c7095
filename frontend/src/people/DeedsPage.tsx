import { Button, Table, Text, Title } from "@mantine/core";
import { useInfiniteQuery } from "@tanstack/react-query";

import { said, t } from "../frame/language";
import { answer, api } from "../api/client";
import type { Deed } from "../api/types";
import { Header } from "../frame/Header";
import { Trouble, Waiting } from "../frame/Messages";
import { dayAndTime } from "../frame/words";

const AT_ONCE = 50;
/** What the numbers in an address count. */
const THINGS: Record<string, string> = {
  class_id: said("class"),
  exercise_id: said("exercise"),
  job_id: said("job"),
  log_in_id: said("log-in"),
  part_id: said("part"),
  person: said("account"),
  place: said("finding"),
  sheet_id: said("sheet"),
  student_id: said("student"),
};

/** Who changed what, and when, the newest first. */
export default function DeedsPage() {
  const deeds = useInfiniteQuery({
    queryKey: ["deeds"],
    initialPageParam: undefined as number | undefined,
    queryFn: ({ pageParam }) =>
      answer(api.GET("/api/deeds", { params: { query: { before: pageParam, most: AT_ONCE } } })),
    getNextPageParam: (page) => (page.length === AT_ONCE ? page[page.length - 1]?.id : undefined),
  });
  const listed = deeds.data?.pages.flat() ?? [];
  return (
    <>
      <Header />
      <main style={{ maxWidth: 1000, margin: "0 auto", padding: 24 }}>
        <Title order={1} size="h2" mb="md">
          {t("What was done")}
        </Title>
        {deeds.isPending && <Waiting />}
        {deeds.error && <Trouble error={deeds.error} />}
        {deeds.data && listed.length === 0 && (
          <Text>
            {t("Nothing yet. Whatever is changed here from now on is listed, but for drafts.")}
          </Text>
        )}
        {listed.length > 0 && (
          <Table verticalSpacing={6}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>{t("When")}</Table.Th>
                <Table.Th>{t("Who")}</Table.Th>
                <Table.Th>{t("What")}</Table.Th>
                <Table.Th>{t("To what")}</Table.Th>
                <Table.Th>{t("Number of the request")}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {listed.map((deed) => (
                <Table.Tr key={deed.id}>
                  <Table.Td>{dayAndTime(deed.at)}</Table.Td>
                  <Table.Td>{deed.who ?? "–"}</Table.Td>
                  <Table.Td title={deed.what}>{deed.words || deed.what}</Table.Td>
                  <Table.Td>{concerning(deed)}</Table.Td>
                  <Table.Td ff="monospace" fz="sm">
                    {deed.request}
                  </Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        )}
        {deeds.hasNextPage && (
          <Button
            mt="md"
            variant="default"
            loading={deeds.isFetchingNextPage}
            onClick={() => void deeds.fetchNextPage()}
          >
            {t("Earlier ones")}
          </Button>
        )}
      </main>
    </>
  );
}

/** What a change concerns, by its kind and number. */
function concerning(deed: Deed): string {
  return Object.entries(deed.to_what)
    .map(([name, value]) => `${t(THINGS[name] ?? name)} ${value}`)
    .join(", ");
}
