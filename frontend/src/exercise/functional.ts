/** A functional size as an instructor types it: "⌀20", "R5" or "35"; null for what is none. */
export function functionalOf(typed: string): {
  kind: "length" | "diameter" | "radius";
  size: number;
} | null {
  const found = /^\s*(⌀|Ø|∅|dia\.?|R)?\s*(\d+(?:[.,]\d+)?)\s*$/i.exec(typed);
  const size = Number(found?.[2]?.replace(",", "."));
  if (!found || !(size > 0)) return null;
  if (!found[1]) return { kind: "length", size };
  return { kind: found[1].toUpperCase() === "R" ? "radius" : "diameter", size };
}
