import { Group, NumberInput, Select } from "@mantine/core";

import type { Dimension, LinearDimension } from "../../api/types";
import { said, t } from "../../frame/language";
import { directionOf } from "../textStanding";

interface Props {
  dimension: LinearDimension;
  change: (next: Partial<LinearDimension>) => void;
}

const ARROWS = [
  { value: "fitting", label: said("as they fit") },
  { value: "inside", label: said("inside") },
  { value: "outside", label: said("outside") },
];
/** A text put on a leader by the keyboard stands so far off its line, mm. */
const OFF = 12;

/** Where arrowheads and text of a size between two points stand; on the sheet the text is moved by its handle. */
export function TextStanding({ dimension, change }: Props) {
  const offLine = (): [number, number] => {
    const [ax, ay] = directionOf(dimension);
    return [dimension.place[0] - OFF * ay + OFF * ax, dimension.place[1] + OFF * ax + OFF * ay];
  };
  return (
    <>
      <Group grow gap={6} mt={6} align="start">
        <Select
          size="xs"
          label={t("Arrowheads")}
          allowDeselect={false}
          data={ARROWS.map(({ value, label }) => ({ value, label: t(label) }))}
          value={dimension.arrows}
          onChange={(arrows) => change({ arrows: arrows as LinearDimension["arrows"] })}
        />
        <Decimals dimension={dimension} change={change} />
      </Group>
      <Group grow gap={6} mt={6} align="start">
        <Select
          size="xs"
          label={t("Text")}
          allowDeselect={false}
          data={[
            { value: "line", label: t("on its line") },
            { value: "led", label: t("on a leader") },
          ]}
          value={dimension.led ? "led" : "line"}
          onChange={(where) =>
            change(where === "led" ? { led: offLine(), shift: 0 } : { led: null, shift: 0 })
          }
        />
        {!dimension.led && (
          <NumberInput
            size="xs"
            label={t("Off the middle, mm")}
            min={-1000}
            max={1000}
            step={2}
            decimalScale={1}
            value={dimension.shift}
            onChange={(shift) => typeof shift === "number" && change({ shift })}
          />
        )}
      </Group>
    </>
  );
}

interface DecimalsProps {
  dimension: Exclude<Dimension, { kind: "angle" }>;
  change: (next: { decimals: number | null }) => void;
}

/** Decimals of its own, where a size has to be closer than the others, or need not be as close. */
export function Decimals({ dimension, change }: DecimalsProps) {
  return (
    <Select
      size="xs"
      label={t("Decimals")}
      allowDeselect={false}
      data={[
        { value: "", label: t("as the sheet") },
        ...[0, 1, 2, 3, 4].map((number) => ({ value: `${number}`, label: `${number}` })),
      ]}
      value={dimension.decimals == null ? "" : `${dimension.decimals}`}
      onChange={(number) => change({ decimals: number ? Number(number) : null })}
    />
  );
}
