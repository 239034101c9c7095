import { Button } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";

import { t } from "./language";

interface Props {
  /** Null where there is nothing to undo, or to do again. */
  undo: (() => void) | null;
  redo: (() => void) | null;
}

/** Undo and redo of something being edited, by button and by key. */
export function UndoRedo({ undo, redo }: Props) {
  useHotkeys([
    ["mod+Z", () => undo?.()],
    ["mod+shift+Z", () => redo?.()],
    ["mod+Y", () => redo?.()],
  ]);
  return (
    <>
      <Button variant="default" disabled={!undo} onClick={() => undo?.()}>
        {t("Undo")}
      </Button>
      <Button variant="default" disabled={!redo} onClick={() => redo?.()}>
        {t("Redo")}
      </Button>
    </>
  );
}
