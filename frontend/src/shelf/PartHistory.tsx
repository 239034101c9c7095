import { List, TagsInput, Text, Title } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";

import { t } from "../frame/language";
import { answer, api } from "../api/client";
import type { PartAnswer } from "../api/types";

/** Who made a part, its labels, what its file had to say, and the exercises that use it. */
export function PartHistory({ part }: { part: PartAnswer }) {
  const queries = useQueryClient();
  const { report } = part;
  const label = async (labels: string[]) => {
    await answer(
      api.PATCH("/api/parts/{part_id}", {
        params: { path: { part_id: part.part.id } },
        body: { labels },
      }),
    );
    await queries.invalidateQueries({ queryKey: ["part", part.part.id] });
    await queries.invalidateQueries({ queryKey: ["parts"] });
  };
  return (
    <div style={{ marginTop: 14 }}>
      <TagsInput
        className="screen-only"
        size="xs"
        label={t("Labels")}
        placeholder={t("Type one, then Enter")}
        value={part.part.labels}
        maxTags={12}
        onChange={(labels) => void label(labels)}
      />
      <Text className="quiet small" mt="xs">
        {t("Made by {{name}}, version {{number}}.", {
          name: part.part.made_by,
          number: part.versions,
        })}{" "}
        {part.used_in.length === 0 && t("Not used in an exercise yet.")}
      </Text>
      {part.used_in.length > 0 && (
        <List size="sm">
          {part.used_in.map((exercise) => (
            <List.Item key={exercise.id}>
              <Link to={`/exercises/${exercise.id}/wall`}>{exercise.title}</Link>
              {exercise.version < part.versions &&
                t(", with version {{number}}", { number: exercise.version })}
            </List.Item>
          ))}
        </List>
      )}
      {part.within.length > 0 && (
        <Text className="small" mt="xs">
          {t("Put into:")}{" "}
          {part.within.map((own, k) => (
            <span key={own.id}>
              {k > 0 && ", "}
              <Link to={`/shelf/${own.id}`}>{own.name}</Link>
            </span>
          ))}
        </Text>
      )}
      {report && (
        <>
          <Title order={3} size="h5" mt="sm">
            {t("From the STEP file ({{protocol}})", { protocol: report.protocol })}
          </Title>
          <List size="sm">
            {report.read.map((words) => (
              <List.Item key={words}>{t("Read: {{what}}", { what: words })}</List.Item>
            ))}
            {report.healed.map((words) => (
              <List.Item key={words}>{t("Healed: {{what}}", { what: words })}</List.Item>
            ))}
            {report.left_out.map((words) => (
              <List.Item key={words}>{t("Left out: {{what}}", { what: words })}</List.Item>
            ))}
            {report.healed.length + report.left_out.length === 0 && (
              <List.Item>{t("0 faults found, nothing left out")}</List.Item>
            )}
          </List>
        </>
      )}
    </div>
  );
}
