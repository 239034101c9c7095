import { Button, NumberInput, SegmentedControl, Switch, TextInput } from "@mantine/core";

import type { Dimension } from "../../api/types";
import type { Bench } from "../bench";

interface Props {
  bench: Bench;
  dimension: Dimension;
}

/** What can be said of the dimension that is chosen; its value is the part's unless it is typed over. */
export function ChosenDimension({ bench, dimension }: Props) {
  const change = (next: Partial<Dimension>) =>
    bench.draft.change((now) => ({
      ...now,
      dimensions: now.dimensions.map((d) =>
        d.id === dimension.id ? ({ ...d, ...next } as Dimension) : d,
      ),
    }));
  const whole = calloutOf(bench, dimension);
  return (
    <div style={{ marginTop: 12 }}>
      {dimension.kind === "linear" && (
        <SegmentedControl
          size="xs"
          fullWidth
          aria-label="Direction"
          data={[
            { value: "across", label: "across" },
            { value: "up", label: "up" },
            { value: "aligned", label: "straight" },
          ]}
          value={dimension.along}
          onChange={(along) => change({ along: along as "across" | "up" | "aligned" })}
        />
      )}
      {"count" in dimension && (
        <NumberInput
          size="xs"
          label="How many alike"
          min={1}
          max={99}
          value={dimension.count}
          onChange={(count) => change({ count: Number(count) || 1 })}
        />
      )}
      {whole && whole !== dimension.text && (
        <Button size="xs" mt={6} variant="default" onClick={() => change({ text: whole })}>
          Whole hole: {whole}
        </Button>
      )}
      <Switch
        size="xs"
        mt={8}
        label="In brackets, for reference only"
        checked={dimension.reference}
        onChange={(e) => change({ reference: e.currentTarget.checked })}
      />
      <TextInput
        size="xs"
        mt={6}
        label="Typed over"
        description="Empty: the size of the part"
        placeholder="the part's own size"
        value={dimension.text ?? ""}
        maxLength={120}
        onChange={(e) => change({ text: e.currentTarget.value || null })}
      />
    </div>
  );
}

const NEAR = 1e-3;

/** Depth and mouth beside the diameter, where a diameter stands at a hole that has them. */
function calloutOf({ ink }: Bench, dimension: Dimension): string | null {
  if (dimension.kind !== "diameter") return null;
  const facts = ink?.views.find((view) => view.id === dimension.view);
  const [x, y] = dimension.centre;
  const found = facts?.callouts.find(
    ({ centre, radius }) =>
      Math.hypot(centre[0] - x, centre[1] - y) < NEAR && Math.abs(radius - dimension.radius) < NEAR,
  );
  return found?.text ?? null;
}
