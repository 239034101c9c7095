import { Card, Text } from "@mantine/core";
import { Link } from "react-router";

import { term } from "../frame/words";
import { t, written } from "../frame/language";
import type { PartSummary } from "../api/types";
import { PartPicture } from "../turntable/PartPicture";
import classes from "./Shelf.module.css";

/** A part on the shelf. */
export function PartCard({ part }: { part: PartSummary }) {
  const sizes = part.extents.map((e) => written(e)).join(" × ");
  if (part.state !== "ready") {
    return (
      <Card
        withBorder
        padding="sm"
        className={classes.card}
        component={Link}
        to={`/shelf/${part.id}`}
      >
        <div className={classes.model} />
        <Text fw={700}>{part.name}</Text>
        <Text className="small" c="var(--fault)">
          {part.state === "refused"
            ? t("Not usable: {{reason}}", { reason: part.error ?? "" })
            : t("Being examined …")}
        </Text>
      </Card>
    );
  }
  return (
    <Card
      withBorder
      padding="sm"
      component={Link}
      to={`/shelf/${part.id}`}
      className={classes.card}
    >
      <div className={classes.model}>
        <PartPicture model={part.model} />
      </div>
      <Text fw={700} truncate>
        {part.name}
      </Text>
      <Text className="quiet small" truncate>
        {sizes} {term(part.unit)}
      </Text>
      <Text className="quiet small" truncate>
        {[
          part.assembly
            ? t("{{count}} components", { count: part.components })
            : part.material || t("no material given"),
          ...part.labels,
        ].join(" · ")}
      </Text>
    </Card>
  );
}
