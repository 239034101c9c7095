import { Anchor, Text } from "@mantine/core";

import { locale, t } from "../frame/language";
import type { SaveState } from "./useDraft";

interface Props {
  save: SaveState;
  /** What is said of a sheet that was not saved yet. */
  fresh: string;
  onRetry: () => void;
}

/** Says whether the sheet is kept, in words. */
export function SaveNote({ save, fresh, onRetry }: Props) {
  if (save.kind === "unsaved")
    return (
      <Text className="small" c="var(--fault)" role="alert" maw={300} truncate title={save.why}>
        {t("Not saved yet, kept in this browser.")}{" "}
        <Anchor component="button" size="sm" onClick={onRetry}>
          {t("Try now")}
        </Anchor>
      </Text>
    );
  if (save.kind === "closed")
    return (
      <Text className="small" c="var(--fault)" role="alert" maw={380} lineClamp={2}>
        {save.why}
      </Text>
    );
  const words = {
    saving: t("Saving …"),
    conflict: t("Changed in another tab"),
    saved: save.kind === "saved" && save.at ? t("Saved {{time}}", { time: clock(save.at) }) : fresh,
  };
  return (
    <Text className="quiet small" role="status">
      {words[save.kind]}
    </Text>
  );
}

function clock(time: Date): string {
  return time.toLocaleTimeString(locale(), { hour: "2-digit", minute: "2-digit" });
}
