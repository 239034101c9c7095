import {
  Button,
  CloseButton,
  Group,
  Select,
  Stack,
  Switch,
  Text,
  TextInput,
  Title,
} from "@mantine/core";

import { said, t } from "../../frame/language";
import { linedUp, putBack, scaledApart } from "../apart";
import { type Bench, without } from "../bench";
import { ListRows } from "./ListRows";
import { SCALES, scaleLabel } from "./placing";
import { ToolButtons } from "./ToolButtons";

/** An assembly's parts: pulled apart on the paper, named by balloons, listed. */
export function PartsStage({ bench }: { bench: Bench }) {
  const apart = bench.exercise.task.shows === "pulled apart";
  return (
    <Stack gap={8}>
      <Title order={2} size="h4">
        {t("Parts")}
      </Title>
      {apart && <Pulling bench={bench} />}
      {apart && <Balloons bench={bench} />}
      <ListRows bench={bench} />
    </Stack>
  );
}

function Pulling({ bench }: { bench: Bench }) {
  const { document, draft, ink, selection } = bench;
  const parts = document.views.filter((v) => v.only);
  const nameOf = (id: string) => ink?.views.find((v) => v.id === id)?.name ?? id;
  return (
    <section aria-label={t("Pulled apart")}>
      <Text className="quiet small">
        {t("Take hold of a part and pull it the way it comes out.")}
      </Text>
      <Switch
        size="xs"
        mt={6}
        label={t("Pull along the axes")}
        checked={bench.alongAxes}
        onChange={(e) => bench.setAlongAxes(e.currentTarget.checked)}
      />
      <Select
        size="xs"
        mt={6}
        label={t("Scale")}
        data={SCALES.map(({ label }) => label)}
        value={parts[0] ? scaleLabel(parts[0]) : null}
        disabled={parts.length === 0}
        onChange={(value) => {
          const own = SCALES.find(({ label }) => label === value);
          if (own) draft.change((now) => scaledApart(now, own.value));
        }}
        allowDeselect={false}
      />
      {parts.map(({ id }) => (
        <Group key={id} gap={6} mt={4} wrap="nowrap" justify="space-between">
          <Button
            size="compact-xs"
            variant={selection?.role === "view" && selection.id === id ? "filled" : "default"}
            onClick={() => bench.select({ role: "view", id })}
          >
            {nameOf(id)}
          </Button>
          <Button
            size="compact-xs"
            variant="subtle"
            aria-label={t("Put {{part}} back", { part: nameOf(id) })}
            onClick={() => draft.change((now) => putBack(now, id))}
          >
            {t("Put back")}
          </Button>
        </Group>
      ))}
    </section>
  );
}

const TOOLS = [
  { tool: "move", label: said("Move") },
  { tool: "balloon", label: said("Balloon") },
] as const;

function Balloons({ bench }: { bench: Bench }) {
  const { document, draft } = bench;
  return (
    <section aria-label={t("Balloons")}>
      <Text size="sm" fw={500}>
        {t("Balloons")}
      </Text>
      <ToolButtons bench={bench} tools={[...TOOLS]} />
      {bench.tool === "balloon" && (
        <Text className="quiet small" role="status">
          {t("Point at a part, then at where its number is to stand.")}
        </Text>
      )}
      {document.balloons.map((balloon, place) => (
        <Group key={balloon.id} gap={6} mt={4} wrap="nowrap">
          <TextInput
            size="xs"
            style={{ flex: 1 }}
            aria-label={t("Number of balloon {{place}}", { place: place + 1 })}
            maxLength={8}
            value={balloon.number}
            onFocus={() => bench.select({ role: "balloon", id: balloon.id })}
            onChange={(e) => {
              const number = e.currentTarget.value;
              draft.change((now) => ({
                ...now,
                balloons: now.balloons.map((b) => (b.id === balloon.id ? { ...b, number } : b)),
              }));
            }}
          />
          <CloseButton
            size={24}
            aria-label={t("Take balloon {{place}} away", { place: place + 1 })}
            onClick={() => draft.change((now) => without(now, { role: "balloon", id: balloon.id }))}
          />
        </Group>
      ))}
      {document.balloons.length > 1 && (
        <Button size="xs" mt={6} variant="default" onClick={() => draft.change(linedUp)}>
          {t("Line them up")}
        </Button>
      )}
    </section>
  );
}
