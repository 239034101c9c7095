/** Stands for the part's own size in a text that is typed. */
export const TRUE_SIZE = "<>";

/** What is written around a size: the sign of a diameter, a tolerance, and words behind it. */
export interface Around {
  sign: "" | "⌀";
  tolerance: string;
  behind: string;
}

const TOLERANCE =
  /^(?:±\s*[\d.,]+|[+-−]?\s*[\d.,]+\s*\/\s*[+-−]?\s*[\d.,]+|[A-Za-z]{1,2}\d{1,2}(?:\s*\/\s*[A-Za-z]{1,2}\d{1,2})?)/;

/** What stands around the part's own size; null where the size itself is typed over. */
export function aroundOf(text: string | null): Around | null {
  if (text === null) return { sign: "", tolerance: "", behind: "" };
  const sign = text.startsWith("⌀") ? "⌀" : "";
  if (!text.startsWith(TRUE_SIZE, sign.length)) return null;
  const rest = text.slice(sign.length + TRUE_SIZE.length).trim();
  const tolerance = TOLERANCE.exec(rest)?.[0] ?? "";
  return { sign, tolerance, behind: rest.slice(tolerance.length).trim() };
}

/** The text with something written around the part's own size; null where nothing is. */
export function writtenAround({ sign, tolerance, behind }: Around): string | null {
  const written = [`${sign}${TRUE_SIZE}`, tolerance.trim(), behind.trim()].filter(Boolean);
  return written.length > 1 || sign ? written.join(" ") : null;
}
