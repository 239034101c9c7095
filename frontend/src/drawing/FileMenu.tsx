import { Button, Menu } from "@mantine/core";

import { t } from "../frame/language";

interface Props {
  /** Address of the drawing, without its ending. */
  of: string;
  /** What has to be done before it is fetched. */
  before?: () => void;
  label?: string;
}

/** A sheet as a file to print or to go on with elsewhere. */
export function FileMenu({ of, before, label = t("As a file") }: Props) {
  return (
    <Menu position="bottom-end" onOpen={before}>
      <Menu.Target>
        <Button variant="default">{label}</Button>
      </Menu.Target>
      <Menu.Dropdown>
        {["pdf", "svg", "dxf"].map((kind) => (
          <Menu.Item key={kind} component="a" href={`${of}.${kind}`} target="_blank">
            {kind.toUpperCase()}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
