import { Button, Menu } from "@mantine/core";

import { t } from "../frame/language";

interface Props {
  /** Address of the drawing, without its ending. */
  of: string;
  /** What has to be done before it is fetched. */
  before?: () => void;
  /** Address of the marked sheet with its slip, where there is one. */
  slip?: string;
  label?: string;
}

/** A sheet as a file to print or to go on with elsewhere. */
export function FileMenu({ of, before, slip, label = t("As a file") }: Props) {
  return (
    <Menu position="bottom-end" onOpen={before}>
      <Menu.Target>
        <Button variant="default">{label}</Button>
      </Menu.Target>
      <Menu.Dropdown>
        {slip && (
          <Menu.Item component="a" href={slip} target="_blank">
            {t("Marked, with its slip")}
          </Menu.Item>
        )}
        {["pdf", "svg", "dxf"].map((kind) => (
          <Menu.Item key={kind} component="a" href={`${of}.${kind}`} target="_blank">
            {kind.toUpperCase()}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
