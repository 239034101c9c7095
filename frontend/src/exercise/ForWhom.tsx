import { Select } from "@mantine/core";
import { DateTimePicker } from "@mantine/dates";
import type { GetInputPropsReturnType } from "@mantine/form";

import type { SchoolClass } from "../api/types";
import { t } from "../frame/language";

interface Props {
  classes: readonly SchoolClass[];
  /** The class that is meant unless another is chosen. */
  first: string | null;
  chosen: string | null;
  inputOf: (field: "group" | "due") => GetInputPropsReturnType;
}

/** The class something is set for, and when it is due. */
export function ForWhom({ classes, first, chosen, inputOf }: Props) {
  return (
    <>
      <Select
        label={t("Class")}
        data={classes.map((own) => ({
          value: String(own.id),
          label: `${own.name}, ${t("{{count}} students", { count: own.students })}`,
        }))}
        {...inputOf("group")}
        value={chosen ?? first}
        required
      />
      <DateTimePicker
        label={t("Due")}
        valueFormat="ddd D MMM YYYY, HH:mm"
        {...inputOf("due")}
        required
      />
    </>
  );
}
