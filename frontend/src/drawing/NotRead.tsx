import { Checkbox, List } from "@mantine/core";

import type { NotRead as Told, Point } from "../api/types";
import { t } from "../frame/language";

interface Props {
  notRead: Told[];
  /** Where something is that is pointed at; null for nothing. */
  onPoint?: (at: Point | null) => void;
  /** Notes that a question was looked at; without it the list is only told. */
  onLook?: (place: number, looked: boolean) => void;
}

/** What of a file was not read, or not surely: first the questions to whoever marks, ticked off one by one. */
export function NotRead({ notRead, onPoint, onLook }: Props) {
  const all = notRead.map((told, place) => ({ ...told, place }));
  return (
    <>
      <Those
        told={all.filter(({ asked }) => asked)}
        name={t("Questions")}
        {...{ onPoint, onLook }}
      />
      <Those told={all.filter(({ asked }) => !asked)} name={t("Not read")} onPoint={onPoint} />
    </>
  );
}

interface ThoseProps extends Omit<Props, "notRead"> {
  told: (Told & { place: number })[];
  name: string;
}

function Those({ told, name, onPoint, onLook }: ThoseProps) {
  if (told.length === 0) return null;
  return (
    <List
      size="xs"
      mt={4}
      spacing={4}
      listStyleType={onLook ? "none" : "disc"}
      className={onLook ? undefined : "quiet"}
      aria-label={name}
    >
      {told.map(({ words, at, looked_at, place }) => (
        <List.Item
          key={place}
          onMouseEnter={() => onPoint?.(at)}
          onMouseLeave={() => onPoint?.(null)}
          onFocus={() => onPoint?.(at)}
          onBlur={() => onPoint?.(null)}
        >
          {onLook ? (
            <Checkbox
              size="xs"
              label={words}
              checked={looked_at}
              onChange={(event) => onLook(place, event.currentTarget.checked)}
            />
          ) : (
            words
          )}
        </List.Item>
      ))}
    </List>
  );
}

/** How many of the questions nobody has looked at. */
export function openQuestions(notRead: Told[]): number {
  return notRead.filter((told) => told.asked && !told.looked_at).length;
}
