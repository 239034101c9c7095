import type { Ink, SheetDocument } from "../api/types";
import { Bands, Occupied } from "./CanvasAids";
import { CarriedInk, type CarriedProps } from "./CarriedInk";
import { type LiveSheet, useLive } from "./live";
import type { Hanging } from "./useHanging";

interface Props extends Pick<CarriedProps, "selection" | "takeable" | "onTake" | "drawn"> {
  live: LiveSheet;
  /** The sheet as it is while nothing is dragged. */
  document: SheetDocument;
  ink: Ink;
  hanging: Hanging;
}

/** What follows the sheet while something on it is dragged. */
export function LiveInk({ live, document, ink, hanging, drawn, ...rest }: Props) {
  const now = useLive(live);
  const shown = now ?? document;
  const { paper } = ink;
  return (
    <>
      <CarriedInk groups={ink.groups} height={paper.height} {...{ shown, drawn }} {...rest} />
      <Bands {...{ shown, ink, drawn }} />
      {hanging.known && now && hanging.liesOn(now) !== null && (
        <Occupied box={hanging.boxIn(now)} paper={paper} />
      )}
    </>
  );
}
