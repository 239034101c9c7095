import { OriginalImage } from "../drawing/OriginalImage";
import type { Bench } from "./bench";
import { useOriginal } from "./useOriginal";

interface Props {
  bench: Bench;
  paper: { width: number; height: number };
}

/** The file the sheet on the bench was read from, under what was read of it. */
export function FileUnderDraft({ bench: { exercise, sheet }, paper }: Props) {
  const own = useOriginal(exercise.id, sheet === null).data;
  const original = sheet ? sheet.original : own;
  if (!original) return null;
  const of = sheet
    ? `/api/sheets/${sheet.id}/original`
    : `/api/exercises/${exercise.id}/sheet/original`;
  // Another file is another picture.
  return <OriginalImage href={`${of}.svg?of=${original.brought_in_at}`} paper={paper} />;
}
