import { KeySheet } from "../frame/KeySheet";
import { said, t } from "../frame/language";

const KEYS: [string, string][] = [
  [said("arrow up, arrow down"), said("the finding before, the next one")],
  ["[ ]", said("the sheet before, the next one")],
  ["N", said("the same mistake on the next sheet that has it")],
  ["U, X", said("uphold, waive; then the next that is open")],
  ["R", said("write a remark on the finding (Enter keeps it)")],
  ["M", said("give points by hand (Enter keeps them, empty takes them back)")],
  ["A", said("add a mistake the program did not find")],
  ["P", said("put a pin: point at its place, or arrow keys and Enter")],
  ["F", said("a freehand stroke on the sheet")],
  ["E", said("what was drawn, what was expected, the difference")],
  ["C", said("another sheet beside this one, or under it")],
  ["Shift G", said("give the sheet back")],
  ["Esc", said("put down what is in hand")],
  ["?", said("this list")],
];

export function TableKeys({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return <KeySheet title={t("Keys at the table")} keys={KEYS} opened={opened} onClose={onClose} />;
}
