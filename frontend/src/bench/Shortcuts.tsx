import { Modal } from "@mantine/core";

const KEYS: [string, string][] = [
  ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["arrow keys", "move what is selected by 1 mm (Shift: 10 mm, Alt: 0.1 mm)"],
  ["Delete", "take away what is selected"],
  ["Esc", "put the tool down, or select nothing"],
  ["on the turntable: arrow keys", "tip the part to its next side"],
  ["on the turntable: , and .", "turn it on the spot"],
  ["on the sheet, with a tool: arrow keys", "go from point to point of the view"],
  ["on the sheet, with a tool: Enter", "take the point, or set the dimension down"],
  ["with a drafting tool: arrow keys", "move the pen by the paper grid (Alt: 0.1 mm)"],
  ["with a drafting tool: Shift and arrow keys", "go to the next end, centre, crossing or middle"],
  ["with a drafting tool: Enter", "set the pen down, or draw"],
  ["?", "this list"],
];

export function Shortcuts({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Modal opened={opened} onClose={onClose} title="Keys at the bench" size="lg" centered>
      <table className="plain" style={{ textAlign: "left" }}>
        <tbody>
          {KEYS.map(([key, what]) => (
            <tr key={key}>
              <td>
                <kbd>{key}</kbd>
              </td>
              <td style={{ textAlign: "left", paddingLeft: 16 }}>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal>
  );
}
