import { MultiSelect } from "@mantine/core";

import { t } from "../frame/language";

interface Props {
  label: string;
  parts: readonly { id: number; name: string }[];
  chosen: string[];
  onChoose: (chosen: string[]) => void;
}

/** Assemblies and parts of the shelf that sheets are proposed for. */
export function ChooseParts({ label, parts, chosen, onChoose }: Props) {
  return (
    <MultiSelect
      label={label}
      description={t("Of an assembly sheets are proposed for the whole and for each of its parts.")}
      placeholder={chosen.length ? undefined : t("Choose from your shelf")}
      data={parts.map((own) => ({ value: String(own.id), label: own.name }))}
      value={chosen}
      onChange={onChoose}
      searchable
      hidePickedOptions
    />
  );
}
