import { Modal, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { term } from "../frame/words";
import classes from "./Wall.module.css";

interface Props {
  exercise: number;
  onClose: () => void;
}

/** Sheets that agree in much that nothing asks for: what agrees, and how rarely that happens by chance. */
export function NearCopies({ exercise, onClose }: Props) {
  const pairs = useQuery({
    queryKey: ["near copies", exercise],
    queryFn: () =>
      answer(
        api.GET("/api/exercises/{exercise_id}/near-copies", {
          params: { path: { exercise_id: exercise } },
        }),
      ),
  });
  return (
    <Modal opened onClose={onClose} title={t("Sheets much alike")} size="lg">
      <Text className="quiet small">
        {t(
          "What agrees to a tenth of a millimetre although nothing asks for it. It may have many reasons: two who worked side by side, one file handed on. Only you see this.",
        )}
      </Text>
      {pairs.isPending && <Waiting />}
      {pairs.error && <Trouble error={pairs.error} />}
      {pairs.data?.length === 0 && <Text mt="md">{t("None.")}</Text>}
      <ul className={classes.pairs}>
        {pairs.data?.map((pair) => (
          <li key={`${pair.first} ${pair.second}`}>
            <Link to={`/sheets/${pair.first}?beside=${pair.second}`}>
              {pair.first_student} – {pair.second_student}
            </Link>
            <Text className="small">
              {Object.entries(pair.things)
                .map(([kind, count]) => `${count} ${term(`alike ${kind}`)}`)
                .join(", ")}
              {" · "}
              {t("by chance once in 10^{{digits}}", {
                digits: Math.floor(pair.bits * Math.log10(2)),
              })}
            </Text>
          </li>
        ))}
      </ul>
    </Modal>
  );
}
