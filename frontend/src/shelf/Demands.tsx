import { Button, Group, List, Select, Text, Title } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { term, viewLabel } from "../frame/words";
import { t, written } from "../frame/language";
import { answer, api } from "../api/client";
import type { ModelDetail, PartSummary, Side } from "../api/types";
import { CountTable } from "../reader/CountTable";
import { SIDES, sideWords } from "../turntable/attitude";
import classes from "./Shelf.module.css";
import { Uncut } from "./Uncut";

interface Props {
  part: PartSummary;
  detail: ModelDetail;
  onFaces: (faces: readonly number[] | undefined) => void;
  edges?: number;
  /** The face last clicked on the turntable. */
  picked?: number;
}

/** What an instructor reads before setting an exercise; printed as it stands. */
export function Demands({ part, detail, onFaces, edges, picked }: Props) {
  const sizes = detail.extents.map((e) => written(e)).join(" × ");
  return (
    <div className={classes.demands}>
      <Group justify="space-between" wrap="nowrap">
        <Text>
          {sizes} {term(detail.unit)}, {detail.material || t("no material given")},{" "}
          {t("{{count}} faces", { count: detail.faces })} (
          {t("{{flat}} flat", { flat: detail.flat_faces })})
          {edges ? `, ${t("{{count}} edges", { count: edges })}` : ""}
          {detail.solids > 1 ? `, ${t("{{count}} solids", { count: detail.solids })}` : ""}
        </Text>
        <Button
          size="compact-sm"
          variant="default"
          style={{ flexShrink: 0 }}
          onClick={() => window.print()}
        >
          {t("Print")}
        </Button>
      </Group>
      <Standing part={part} detail={detail} />
      <Title order={3} size="h5">
        {t("Views")}
      </Title>
      <List size="sm">
        {detail.view_reasons.map((view) => (
          <List.Item key={view.name}>
            <strong>{viewLabel(view.name)}</strong> — {view.why}
          </List.Item>
        ))}
      </List>
      <List size="sm">
        {detail.special.map((view) => (
          <List.Item
            key={view.why}
            tabIndex={0}
            onPointerEnter={() => onFaces(view.faces)}
            onPointerLeave={() => onFaces(undefined)}
            onFocus={() => onFaces(view.faces)}
            onBlur={() => onFaces(undefined)}
          >
            {view.why}
          </List.Item>
        ))}
      </List>
      <Uncut part={part} detail={detail} picked={picked} onFaces={onFaces} />
      <Title order={3} size="h5">
        {t("Dimensions")}
      </Title>
      {detail.sizes_reason ? (
        <Text size="sm">{t("Not counted: {{reason}}.", { reason: detail.sizes_reason })}</Text>
      ) : (
        <CountTable bare rows={detail.counts} needed={detail.sizes} least={detail.least_sizes} />
      )}
      <Title order={3} size="h5">
        {t("Features")}
      </Title>
      {detail.features.length === 0 && (
        <Text size="sm">{t("Flat faces only, no holes, slots or rounded edges.")}</Text>
      )}
      <ul className={classes.features}>
        {detail.features.map((feature, index) => (
          <li
            key={index}
            tabIndex={0}
            onPointerEnter={() => onFaces(feature.faces)}
            onPointerLeave={() => onFaces(undefined)}
            onFocus={() => onFaces(feature.faces)}
            onBlur={() => onFaces(undefined)}
          >
            {feature.words}
          </li>
        ))}
      </ul>
      {[...detail.patterns, ...detail.symmetry].map((words) => (
        <Text key={words} size="sm">
          {words}
        </Text>
      ))}
      <Title order={3} size="h5">
        {t("Scales")}
      </Title>
      <table className="plain">
        <tbody>
          {detail.scales.map((row) => (
            <tr key={row.paper}>
              <td>{row.paper}</td>
              <td className="number">{row.scale ?? t("none fits")}</td>
              <td className="quiet small">
                {row.across}
                <br />
                {row.up}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Text className="quiet small">
        {t("Gaps across and up, in {{unit}}, for the views needed in third angle, landscape.", {
          unit: term(detail.unit),
        })}
      </Text>
    </div>
  );
}

/** How the part stands, proposed by its weight, set by the instructor. */
function Standing({ part, detail }: { part: PartSummary; detail: ModelDetail }) {
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState("");
  const firm = detail.standings[0];
  const set = async (up: Side) => {
    try {
      await answer(
        api.PATCH("/api/parts/{part_id}", {
          params: { path: { part_id: part.id } },
          body: { natural_up: up },
        }),
      );
      await queries.invalidateQueries({ queryKey: ["part", part.id] });
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <Select
      size="xs"
      label={t("Natural position: what points up in use")}
      description={
        firm
          ? t("It stands firmest with {{up}} up, on {{share}} % of its outline.", {
              up: firm.up.replace("-", "−"),
              share: Math.round(100 * firm.footprint),
            })
          : t("It stands on none of its six sides by itself.")
      }
      error={trouble || undefined}
      data={SIDES.map((side) => ({
        value: side,
        label: t("{{axis}}, the {{side}}", { axis: side.replace("-", "−"), side: sideWords(side) }),
      }))}
      value={detail.natural_up ?? null}
      placeholder={t("not set")}
      allowDeselect={false}
      onChange={(value) => value && void set(value as Side)}
    />
  );
}
