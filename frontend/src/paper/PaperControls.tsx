import { Button, Tooltip } from "@mantine/core";

import { IconButton } from "../frame/IconButton";
import { t, written } from "../frame/language";
import classes from "./Paper.module.css";
import { pxPerMm } from "./screen";
import type { PaperSight } from "./useSight";

interface Props {
  eye: PaperSight;
  /** Show the next view alone, where there is one. */
  onView?: () => void;
  onMeasure: () => void;
}

/** How near the paper is, and other ways to see it. */
export function PaperControls({ eye, onView, onMeasure }: Props) {
  const percent = written((100 * eye.sight.scale) / pxPerMm(), 0);
  return (
    <div
      className={classes.controls}
      role="group"
      aria-label={t("How near the sheet is")}
      onPointerDownCapture={(event) => event.stopPropagation()}
      onClick={(event) => {
        // What was clicked lets go of the keys, so that space pushes the paper again.
        if (event.detail > 0) (document.activeElement as HTMLElement | null)?.blur();
      }}
    >
      <IconButton
        data-wide
        tip={t("Further away (−)")}
        label={t("Further away")}
        onClick={() => eye.step(-1)}
      >
        −
      </IconButton>
      <Tooltip label={t("True size (T); a ruler on the screen makes it exact")}>
        <Button
          data-wide
          variant="subtle"
          size="compact-sm"
          className={classes.percent}
          aria-label={t("True size; now {{percent}} %", { percent })}
          onClick={eye.showTrueSize}
        >
          {percent} %
        </Button>
      </Tooltip>
      <IconButton data-wide tip={t("Nearer (+)")} label={t("Nearer")} onClick={() => eye.step(1)}>
        +
      </IconButton>
      <IconButton tip={t("Whole sheet (W)")} label={t("Whole sheet")} onClick={eye.showWhole}>
        <rect x={1.5} y={4} width={15} height={10.5} strokeWidth={1.3} />
        <path d="M11.5 11.5h5M11.5 11.5v3" strokeWidth={0.9} />
      </IconButton>
      {onView && (
        <IconButton tip={t("View by view (V)")} label={t("View by view")} onClick={onView}>
          <rect x={1.5} y={4} width={15} height={10.5} strokeWidth={0.7} />
          <path d="M3.5 12.5v-6H6v3h3.5v3z" strokeWidth={1.3} />
          <path d="M11.5 6.5h3M11.5 9.5h3M11.5 12.5h3" strokeWidth={0.7} />
        </IconButton>
      )}
      <IconButton data-wide tip={t("Hold a ruler to the screen")} onClick={onMeasure}>
        <rect x={1.5} y={5.5} width={15} height={7} strokeWidth={1.2} />
        <path d="M4.5 5.5v3M7.5 5.5v2M10.5 5.5v3M13.5 5.5v2" strokeWidth={0.9} />
      </IconButton>
    </div>
  );
}
