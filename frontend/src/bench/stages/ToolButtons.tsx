import { Button } from "@mantine/core";

import { t } from "../../frame/language";
import type { Bench, Tool } from "../bench";
import classes from "../Bench.module.css";

interface Props {
  bench: Bench;
  tools: { tool: Tool; label: string }[];
}

/** The tools of a stage; one of them is in hand. */
export function ToolButtons({ bench, tools }: Props) {
  return (
    <div className={classes.tools} role="group" aria-label={t("Tools")}>
      {tools.map(({ tool, label }) => (
        <Button
          key={tool}
          size="xs"
          variant={bench.tool === tool ? "filled" : "default"}
          aria-pressed={bench.tool === tool}
          onClick={() => bench.setTool(tool)}
        >
          {t(label)}
        </Button>
      ))}
    </div>
  );
}
