import { Anchor, List, Text, Title } from "@mantine/core";

import type { Sheet } from "../api/types";
import { t } from "../frame/language";

/** The file a sheet was read from, to be kept, and what of it was not read; doubts stand first. */
export function OriginalNote({ sheet }: { sheet: Sheet }) {
  const { original } = sheet;
  if (!original) return null;
  return (
    <section aria-label={t("Read from a file")}>
      <Title order={2} size="h4" mt="md">
        {t("Read from a file")}
      </Title>
      <Text className="small">
        <Anchor href={`/api/sheets/${sheet.id}/original`} download inherit>
          {original.name}
        </Anchor>
        {original.pages > 1 &&
          ` · ${t("page {{number}} of {{all}}", { number: original.page, all: original.pages })}`}
      </Text>
      {original.not_read.length > 0 && (
        <List size="xs" mt={4} spacing={2}>
          {original.not_read.map((line) => (
            <List.Item key={line}>{line}</List.Item>
          ))}
        </List>
      )}
    </section>
  );
}
