import { Switch } from "@mantine/core";

import type { LinearDimension } from "../../api/types";
import { t } from "../../frame/language";
import type { Bench } from "../bench";
import { byHalf, rightAcross } from "../byHalf";
import { aroundOf, writtenAround } from "../written";

interface Props {
  bench: Bench;
  dimension: LinearDimension;
  change: (next: Partial<LinearDimension>) => void;
}

/** Of a size across something round: its sign, and whether it is given from the outline to the axis alone. */
export function ByHalf({ bench: { ink, document }, dimension, change }: Props) {
  const around = aroundOf(dimension.text ?? null);
  return (
    <>
      <Switch
        size="xs"
        mt={8}
        label={t("Given by half, to the axis")}
        checked={dimension.by_half}
        disabled={!ink}
        onChange={(e) => {
          const half = e.currentTarget.checked;
          if (ink) change(half ? byHalf(dimension, ink, document) : rightAcross(dimension));
        }}
      />
      {around && (
        <Switch
          size="xs"
          mt={8}
          label={t("A diameter: ⌀ before it")}
          checked={around.sign === "⌀"}
          onChange={(e) =>
            change({ text: writtenAround({ ...around, sign: e.currentTarget.checked ? "⌀" : "" }) })
          }
        />
      )}
    </>
  );
}
