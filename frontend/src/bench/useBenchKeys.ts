import { useHotkeys } from "@mantine/hooks";

import { type Bench, isFixed, moved, movedWith, without } from "./bench";
import { inLine } from "./snapping";

/** What the keys do at the bench, whatever the stage. */
export function useBenchKeys(bench: Bench, showKeys: () => void) {
  const { draft, tool, setTool, selection, select, hanging, hang } = bench;
  const nudge = (dx: number, dy: number) => {
    if (selection && tool === "move" && !isFixed(bench, selection))
      draft.change((now) => {
        const next = moved(now, selection, dx, dy, movedWith(bench, selection));
        return inLine(bench, next, selection.id, 0, now);
      });
  };
  useHotkeys([
    ["mod+Z", () => draft.undo?.()],
    ["mod+shift+Z", () => draft.redo?.()],
    ["Escape", () => (hanging ? hang(null) : tool === "move" ? select(null) : setTool("move"))],
    ["shift+?", () => showKeys()],
    [
      "Delete",
      () => {
        if (!selection || (selection.role === "view" && isFixed(bench, selection))) return;
        draft.change((now) => without(now, selection));
        select(null);
      },
    ],
    ...(
      [
        ["ArrowLeft", -1, 0],
        ["ArrowRight", 1, 0],
        ["ArrowUp", 0, 1],
        ["ArrowDown", 0, -1],
      ] as const
    ).flatMap(([key, dx, dy]): [string, () => void][] => [
      [key, () => nudge(dx, dy)],
      [`shift+${key}`, () => nudge(10 * dx, 10 * dy)],
      [`alt+${key}`, () => nudge(0.1 * dx, 0.1 * dy)],
    ]),
  ]);
}
