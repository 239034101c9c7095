import type { Criterion, Finding, FindingPlace, WallSheet } from "../api/types";

/** One finding on one sheet. */
export interface Place {
  sheet: WallSheet;
  finding: Finding;
}

/** The same mistake on one sheet or several. */
export interface Shared {
  share: string;
  finding: Finding;
  places: Place[];
}

/** A kind of mistake, with the single ones under it. */
export interface Kind {
  kind: string;
  finding: Finding;
  places: Place[];
  shares: Shared[];
}

/** What is looked at: a kind of mistake, or a single one of it. */
export interface Chosen {
  kind: string;
  share: string | null;
}

export const ORDERS = ["name", "mark", "findings", "handed in", "group", "alike"] as const;
export type Order = (typeof ORDERS)[number];
export const SIEVES = ["all", "waiting", "decided", "returned", "late", "answered"] as const;

/** Which sheets hang on the wall: those of a kind, and those whose student or group has some words in it. */
export interface Sieve {
  words: string;
  only: (typeof SIEVES)[number];
}

export const OPEN_SIEVE: Sieve = { words: "", only: "all" };

/** How far a sheet is: waiting for decisions, decided, returned. */
export function standingOf(sheet: WallSheet): "waiting" | "decided" | "returned" {
  if (sheet.state === "returned") return "returned";
  return sheet.decided === sheet.findings.length ? "decided" : "waiting";
}

export function sheetsOf(places: readonly Place[]): number {
  return new Set(places.map((place) => place.sheet.id)).size;
}

/** The places of mistakes that can still be decided about. */
export function stillOut(places: readonly Place[]): Place[] {
  return places.filter((place) => place.sheet.state === "handed-in");
}

export function findingPlace({ sheet, finding }: Place): FindingPlace {
  return { sheet: sheet.id, number: finding.number, share: finding.share };
}

/** The kinds of mistakes a lens shows: errors first, then by how many sheets have them. */
export function kindsOf(sheets: readonly WallSheet[], lens: Criterion | null): Kind[] {
  const kinds = new Map<string, Kind & { byShare: Map<string, Shared> }>();
  for (const sheet of sheets) {
    for (const finding of sheet.findings) {
      if (lens !== null && finding.criterion !== lens) continue;
      let kind = kinds.get(finding.kind);
      if (!kind) {
        kind = { kind: finding.kind, finding, places: [], shares: [], byShare: new Map() };
        kinds.set(finding.kind, kind);
      }
      let shared = kind.byShare.get(finding.share);
      if (!shared) {
        shared = { share: finding.share, finding, places: [] };
        kind.byShare.set(finding.share, shared);
        kind.shares.push(shared);
      }
      const place = { sheet, finding };
      kind.places.push(place);
      shared.places.push(place);
    }
  }
  const weight = (places: readonly Place[]) =>
    (places.some((place) => place.finding.severity === "error") ? 100_000 : 0) + sheetsOf(places);
  const heaviest = (a: { places: Place[] }, b: { places: Place[] }) =>
    weight(b.places) - weight(a.places);
  return [...kinds.values()].sort(heaviest).map(({ kind, finding, places, shares }) => ({
    kind,
    finding,
    places,
    shares: shares.sort(heaviest),
  }));
}

/** Whether a finding is among what is looked at. */
export function isShown(finding: Finding, lens: Criterion | null, chosen: Chosen | null): boolean {
  if (chosen) {
    return (
      finding.kind === chosen.kind && (chosen.share === null || finding.share === chosen.share)
    );
  }
  return finding.criterion === lens;
}

/** One text for sheets with the same mistakes. */
function likeness(sheet: WallSheet): string {
  return [...new Set(sheet.findings.map((finding) => finding.share))].sort().join("\n");
}

const BEFORE: Record<Order, (a: WallSheet, b: WallSheet) => number> = {
  name: () => 0,
  mark: (a, b) => a.counting - b.counting,
  findings: (a, b) => b.findings.length - a.findings.length,
  "handed in": (a, b) => (a.handed_in_at ?? "").localeCompare(b.handed_in_at ?? ""),
  group: (a, b) => a.group.localeCompare(b.group),
  alike: (a, b) => b.findings.length - a.findings.length || likeness(a).localeCompare(likeness(b)),
};

function passes(sheet: WallSheet, { only }: Sieve): boolean {
  if (only === "all") return true;
  if (only === "late") return sheet.late;
  if (only === "answered") return sheet.findings.some((finding) => finding.answer !== "");
  return standingOf(sheet) === only;
}

/** The sheets that pass a sieve, in an order; those with the chosen mistake stand together before the others. */
export function arranged(
  sheets: readonly WallSheet[],
  order: Order,
  sieve: Sieve,
  chosen: Chosen | null,
): WallSheet[] {
  const words = sieve.words.trim().toLowerCase();
  const passing = sheets.filter(
    (sheet) =>
      `${sheet.student}\n${sheet.group}`.toLowerCase().includes(words) && passes(sheet, sieve),
  );
  const sorted = passing.sort(
    (a, b) => BEFORE[order](a, b) || a.student.localeCompare(b.student) || a.id - b.id,
  );
  if (!chosen) return sorted;
  // Those that agree in it stand side by side: by what mistake it is, then in their order.
  const share = (sheet: WallSheet) =>
    sheet.findings.find((finding) => isShown(finding, null, chosen))?.share ?? null;
  const shares = [...new Set(sorted.map(share))].filter((own) => own !== null);
  return [...shares, null].flatMap((own) => sorted.filter((sheet) => share(sheet) === own));
}
