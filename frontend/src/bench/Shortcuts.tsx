import { KeySheet } from "../frame/KeySheet";
import { said, t } from "../frame/language";

const KEYS: [string, string][] = [
  [said("Ctrl Z, Ctrl Shift Z"), said("undo, redo")],
  [said("arrow keys"), said("move what is selected by 1 mm (Shift: 10 mm, Alt: 0.1 mm)")],
  [said("Delete"), said("take away what is selected")],
  [said("Esc"), said("put the tool down, or select nothing")],
  [said("on the turntable: arrow keys"), said("tip the part to its next side")],
  [said("on the turntable: , and ."), said("turn it on the spot")],
  [said("on the sheet, with a tool: arrow keys"), said("go from point to point of the view")],
  [said("on the sheet, with a tool: Enter"), said("take the point, or set the dimension down")],
  [
    said("on the sheet, with a row: Space, Backspace"),
    said("set the row down, or let the last point go"),
  ],
  [said("with a drafting tool: arrow keys"), said("move the pen by the paper grid (Alt: 0.1 mm)")],
  [
    said("with a drafting tool: Shift and arrow keys"),
    said("go to the next end, centre, crossing or middle"),
  ],
  [said("with a drafting tool: Enter"), said("set the pen down, or draw")],
  [said("+ and −"), said("nearer and further away, about the pointer")],
  [said("W, V, T"), said("the whole sheet, view by view, true size")],
  [said("Space and drag, Ctrl and arrow keys"), said("push the paper")],
  [said("?"), said("this list")],
];

export function Shortcuts({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return <KeySheet title={t("Keys at the bench")} keys={KEYS} opened={opened} onClose={onClose} />;
}
