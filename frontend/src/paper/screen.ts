import { readLocalStorageValue } from "@mantine/hooks";

/** Where a browser keeps how large a millimetre is on its screen. */
const KEPT = "maqueta.screen";
/** A millimetre of CSS, where nobody has held a ruler to the screen (CSS Values 4, 6.2: 1in = 96px). */
export const USUAL_PX_PER_MM = 96 / 25.4;
const LEAST = 1.5;
const MOST = 16;

/** Pixels to a real millimetre on this screen. */
export function pxPerMm(): number {
  const kept = Number(readLocalStorageValue<number>({ key: KEPT }));
  return kept >= LEAST && kept <= MOST ? kept : USUAL_PX_PER_MM;
}

/** Whether somebody has held a ruler to this screen. */
export function isMeasured(): boolean {
  return window.localStorage.getItem(KEPT) !== null;
}

/** Keep how large a millimetre is; null forgets it. */
export function keepPxPerMm(value: number | null): void {
  if (value === null) window.localStorage.removeItem(KEPT);
  else window.localStorage.setItem(KEPT, JSON.stringify(Math.min(Math.max(value, LEAST), MOST)));
}
