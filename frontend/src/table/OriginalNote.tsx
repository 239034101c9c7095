import { Anchor, Button, Text, Title } from "@mantine/core";
import { Link } from "react-router";

import type { Point, Sheet } from "../api/types";
import { NotRead, openQuestions } from "../drawing/NotRead";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { dayAndTime } from "../frame/words";

interface Props {
  sheet: Sheet;
  onPoint: (at: Point | null) => void;
  onLook: (place: number, looked: boolean) => void;
}

/** The file a sheet was read from, to be kept; what of it was not read; and the way to put right what was misread. */
export function OriginalNote({ sheet, onPoint, onLook }: Props) {
  const teaching = useMe().role === "instructor";
  const { original } = sheet;
  if (!original) return null;
  const editable = teaching && sheet.state === "handed-in";
  const open = openQuestions(original.not_read);
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
      {sheet.corrected_at && (
        <Text className="small">
          {t("What was read was corrected by hand {{when}}.", {
            when: dayAndTime(sheet.corrected_at),
          })}
        </Text>
      )}
      {editable && open > 0 && (
        <Text className="quiet small">
          {t("{{count}} questions: hold them against the file and tick them off.", { count: open })}
        </Text>
      )}
      <NotRead
        notRead={original.not_read}
        onPoint={onPoint}
        onLook={editable ? onLook : undefined}
      />
      {editable && (
        <Button
          component={Link}
          to={`/sheets/${sheet.id}/correction`}
          size="xs"
          variant="default"
          mt="xs"
        >
          {t("Correct what was read")}
        </Button>
      )}
    </section>
  );
}
