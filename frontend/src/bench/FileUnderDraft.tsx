import { OriginalImage } from "../drawing/OriginalImage";
import { useOriginal } from "./useOriginal";

interface Props {
  exercise: number;
  paper: { width: number; height: number };
}

/** The file a draft was read from, under what was read of it. */
export function FileUnderDraft({ exercise, paper }: Props) {
  const original = useOriginal(exercise).data;
  if (!original) return null;
  // Another file is another picture.
  const href = `/api/exercises/${exercise}/sheet/original.svg?of=${original.brought_in_at}`;
  return <OriginalImage href={href} paper={paper} />;
}
