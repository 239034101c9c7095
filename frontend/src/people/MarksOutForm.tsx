import { Button, Group, Modal, MultiSelect, Select, Switch } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answer, api } from "../api/client";
import type { MarksOut } from "../api/types";
import { said, t } from "../frame/language";
import { Complaint, Trouble, Waiting } from "../frame/Messages";
import { tell } from "../frame/tell";

const COLUMNS: Record<MarksOut["columns"][number], string> = {
  name: said("Name"),
  given: said("Given name"),
  family: said("Family name"),
  login: said("Log-in name"),
  email: said("E-mail"),
  group: said("Group"),
  points: said("Points"),
  of: said("Full points"),
  percent: said("Percent"),
  grade: said("Grade"),
  criteria: said("Points of every criterion"),
  state: said("State"),
  attempt: said("Attempt"),
  "handed in": said("Handed in"),
  late: said("Late"),
  remark: said("Remark"),
};

interface Props {
  school: number;
  onClose: () => void;
}

/** How the marks of a class are written out: chosen once, kept for all its exercises. */
export function MarksOutForm({ school, onClose }: Props) {
  const chosen = useQuery({
    queryKey: ["marks out", school],
    queryFn: () =>
      answer(
        api.GET("/api/classes/{class_id}/marks-out", { params: { path: { class_id: school } } }),
      ),
  });
  return (
    <Modal opened onClose={onClose} title={t("Columns of the marks")} size="lg">
      {chosen.isPending && <Waiting />}
      {chosen.error && <Trouble error={chosen.error} />}
      {chosen.data && <Form school={school} chosen={chosen.data} onClose={onClose} />}
    </Modal>
  );
}

function Form({ school, chosen, onClose }: Props & { chosen: MarksOut }) {
  const queries = useQueryClient();
  const [out, setOut] = useState(chosen);
  const [trouble, setTrouble] = useState("");
  const keep = async () => {
    setTrouble("");
    try {
      const kept = await answer(
        api.PUT("/api/classes/{class_id}/marks-out", {
          params: { path: { class_id: school } },
          body: out,
        }),
      );
      queries.setQueryData(["marks out", school], kept);
      tell(t("Kept."));
      onClose();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <>
      <MultiSelect
        label={t("Columns, in their order")}
        description={t("As your school's list wants them.")}
        data={Object.entries(COLUMNS).map(([value, label]) => ({ value, label: t(label) }))}
        value={out.columns}
        onChange={(columns) => setOut({ ...out, columns: columns as MarksOut["columns"] })}
      />
      <Group grow mt="sm" align="end">
        <Select
          label={t("In the table of the whole class")}
          data={[
            { value: "points", label: t("Points") },
            { value: "percent", label: t("Percent") },
            { value: "grade", label: t("Grade") },
          ]}
          allowDeselect={false}
          value={out.figure}
          onChange={(figure) => figure && setOut({ ...out, figure: figure as MarksOut["figure"] })}
        />
        <Select
          label={t("CSV: cells are parted by")}
          data={[
            { value: ",", label: t("comma") },
            { value: ";", label: t("semicolon") },
            { value: "\t", label: t("tabulator") },
          ]}
          allowDeselect={false}
          value={out.separator}
          onChange={(cut) => cut && setOut({ ...out, separator: cut as MarksOut["separator"] })}
        />
      </Group>
      <Switch
        mt="sm"
        label={t("CSV: numbers with a decimal comma")}
        checked={out.decimal_comma}
        onChange={(event) => setOut({ ...out, decimal_comma: event.currentTarget.checked })}
      />
      <Complaint words={trouble} />
      <Button mt="md" disabled={out.columns.length === 0} onClick={() => void keep()}>
        {t("Keep")}
      </Button>
    </>
  );
}
