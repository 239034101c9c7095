import { List, TagsInput, Text, Title } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import type { PartForm } from "../api/types";
import { plural } from "../frame/words";

/** Who made a part, its labels, what its file had to say, and the exercises that use it. */
export function PartHistory({ part }: { part: PartForm }) {
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
        label="Labels"
        placeholder="Type one, then Enter"
        value={part.part.labels}
        maxTags={12}
        onChange={(labels) => void label(labels)}
      />
      <Text className="quiet small" mt="xs">
        Made by {part.part.made_by}, version {part.versions}.{" "}
        {part.used_in.length === 0 && "Not used in an exercise yet."}
      </Text>
      {part.used_in.length > 0 && (
        <List size="sm">
          {part.used_in.map((exercise) => (
            <List.Item key={exercise.id}>
              <Link to={`/exercises/${exercise.id}/wall`}>{exercise.title}</Link>
              {exercise.version < part.versions && `, with version ${exercise.version}`}
            </List.Item>
          ))}
        </List>
      )}
      {report && (
        <>
          <Title order={3} size="h5" mt="sm">
            From the STEP file ({report.protocol})
          </Title>
          <List size="sm">
            {report.read.map((words) => (
              <List.Item key={words}>Read: {words}</List.Item>
            ))}
            {report.healed.map((words) => (
              <List.Item key={words}>Healed: {words}</List.Item>
            ))}
            {report.left_out.map((words) => (
              <List.Item key={words}>Left out: {words}</List.Item>
            ))}
            {report.healed.length + report.left_out.length === 0 && (
              <List.Item>{plural(0, "fault")} found, nothing left out</List.Item>
            )}
          </List>
        </>
      )}
    </div>
  );
}
