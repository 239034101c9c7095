import { Modal } from "@mantine/core";

import { t } from "./language";

interface Props {
  title: string;
  /** Keys, and what each does; sentences marked to be said. */
  keys: readonly (readonly [string, string])[];
  opened: boolean;
  onClose: () => void;
}

/** All keys of a place, with what they do. */
export function KeySheet({ title, keys, opened, onClose }: Props) {
  return (
    <Modal opened={opened} onClose={onClose} title={title} size="lg" centered>
      <table className="plain" style={{ textAlign: "left" }}>
        <tbody>
          {keys.map(([key, what]) => (
            <tr key={key}>
              <td>
                <kbd>{t(key)}</kbd>
              </td>
              <td style={{ textAlign: "left", paddingLeft: 16 }}>{t(what)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal>
  );
}
