import { SegmentedControl, Select, Stack, Text, Title } from "@mantine/core";

import type { SheetDocument } from "../../api/types";
import { PAPERS } from "../../frame/words";
import type { Bench } from "../bench";

const DECIMALS = ["0", "1", "2", "3", "4"];
const FRACTIONS = "fractions";

/** Paper, units and standard, settled before anything is placed. */
export function PaperStage({ bench }: { bench: Bench }) {
  const { document, draft, exercise } = bench;
  const set = (change: Partial<SheetDocument>) => draft.change((now) => ({ ...now, ...change }));
  const { task } = exercise;
  return (
    <Stack gap="sm">
      <Title order={2} size="h4">
        Paper
      </Title>
      <Text className="quiet small">
        Asked for: {task.paper} {task.landscape ? "landscape" : "portrait"}, {task.units},{" "}
        {task.angle} angle
        {task.scale ? `, ${task.scale}` : ""}
        {task.views ? `; views: ${task.views.join(", ")}` : ""}
        {task.pictorial === "required" ? ", and a pictorial" : ""}.
      </Text>
      <Select
        label="Size"
        data={PAPERS}
        value={document.paper.size}
        onChange={(size) =>
          size &&
          set({ paper: { ...document.paper, size: size as SheetDocument["paper"]["size"] } })
        }
        allowDeselect={false}
      />
      <SegmentedControl
        aria-label="Orientation"
        data={["landscape", "portrait"]}
        value={document.paper.landscape ? "landscape" : "portrait"}
        onChange={(value) =>
          set({ paper: { ...document.paper, landscape: value === "landscape" } })
        }
      />
      <Text size="sm" fw={500}>
        Units of the sizes
      </Text>
      <SegmentedControl
        aria-label="Units"
        data={["mm", "inch"]}
        value={document.units}
        onChange={(value) => set({ units: value as SheetDocument["units"] })}
      />
      <Text size="sm" fw={500}>
        Lettering of dimensions
      </Text>
      <SegmentedControl
        aria-label="Style"
        data={[
          { value: "iso", label: "along the line" },
          { value: "asme", label: "one direction" },
        ]}
        value={document.style}
        onChange={(value) => set({ style: value as SheetDocument["style"] })}
      />
      <Select
        label="Decimals"
        data={[...DECIMALS, ...(document.units === "inch" ? [FRACTIONS] : [])]}
        value={
          document.fractions && document.units === "inch" ? FRACTIONS : String(document.decimals)
        }
        onChange={(value) =>
          value &&
          set(
            value === FRACTIONS
              ? { fractions: true }
              : { fractions: false, decimals: Number(value) },
          )
        }
        allowDeselect={false}
      />
    </Stack>
  );
}
