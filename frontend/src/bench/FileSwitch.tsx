import { Switch } from "@mantine/core";

import { t } from "../frame/language";
import type { Bench } from "./bench";

/** Whether the file a sheet was read from lies under it. */
export function FileSwitch({ bench, name }: { bench: Bench; name: string }) {
  return (
    <Switch
      mt="xs"
      size="xs"
      label={t("{{name}} under the sheet", { name })}
      checked={bench.filed}
      onChange={(event) => bench.setFiled(event.currentTarget.checked)}
    />
  );
}
