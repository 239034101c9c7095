import { Button, SegmentedControl, Text } from "@mantine/core";
import { Link } from "react-router";

import type { Sheet } from "../api/types";
import { FileMenu } from "../drawing/FileMenu";
import { Header } from "../frame/Header";
import { IconButton } from "../frame/IconButton";
import { t } from "../frame/language";
import { useMe } from "../frame/me";
import { dayAndTime } from "../frame/words";
import { OutboxNote } from "../marking/OutboxNote";
import { AnotherAttempt } from "./AnotherAttempt";
import { OVERLAY_NAMES, type OverlayKind, overlaysOf } from "./Overlay";
import { SetTrail } from "../set/SetTrail";
import type { Marking } from "./useMarking";

interface Props {
  sheet: Sheet;
  /** Which of the pile it is. */
  place: number;
  onGo: (step: number) => void;
  overlay: OverlayKind;
  onOverlay: (overlay: OverlayKind) => void;
  onKeys: () => void;
  marking: Marking;
}

/** Whose sheet it is, the way through the pile, what is laid over, and giving it back. */
export function TableHeader({ sheet, place, onGo, overlay, onOverlay, onKeys, marking }: Props) {
  const teaching = useMe().role === "instructor";
  const { exercise } = sheet;
  const overlays = overlaysOf(sheet, teaching);
  return (
    <Header
      trail={
        <>
          <Link to="/">{t("Exercises")}</Link> / <SetTrail exercise={exercise} />
          {teaching ? (
            <Link to={`/exercises/${exercise.id}/wall`}>{exercise.title}</Link>
          ) : (
            exercise.title
          )}{" "}
          / <strong>{teaching ? sheet.student : t("your sheet")}</strong>
          {sheet.handed_in_at &&
            ` · ${t("handed in {{when}}", { when: dayAndTime(sheet.handed_in_at) })}`}
          {sheet.late && ` · ${t("late")}`}
        </>
      }
    >
      <OutboxNote />
      {overlays.length > 1 && (
        <SegmentedControl
          size="xs"
          aria-label={t("What is seen of the sheet")}
          data={overlays.map((kind) => ({ value: kind, label: t(OVERLAY_NAMES[kind]) }))}
          value={overlay}
          onChange={(kind) => onOverlay(kind as OverlayKind)}
        />
      )}
      {teaching && (
        <>
          <IconButton tip={`${t("Previous")} [`} label={t("Previous")} onClick={() => onGo(-1)}>
            {"‹"}
          </IconButton>
          <Text className="quiet small" style={{ whiteSpace: "nowrap" }}>
            {t("{{number}} of {{all}}", { number: place + 1, all: sheet.neighbours.length })}
          </Text>
          <IconButton tip={`${t("Next")} ]`} label={t("Next")} onClick={() => onGo(1)}>
            {"›"}
          </IconButton>
          <IconButton tip={t("Keys at the table")} onClick={onKeys}>
            {"?"}
          </IconButton>
          <Button
            disabled={sheet.state === "returned"}
            loading={marking.returning}
            onClick={() => void marking.giveBack()}
          >
            {sheet.state === "returned" ? t("Returned") : t("Return sheet")}
          </Button>
        </>
      )}
      {!teaching && <AnotherAttempt exercise={exercise.id} />}
      {!teaching && sheet.state === "returned" && (
        <FileMenu of={`/api/exercises/${exercise.id}/answer/drawing`} label={t("Model answer")} />
      )}
      <FileMenu
        of={`/api/sheets/${sheet.id}/drawing`}
        slip={sheet.reviewed ? `/api/sheets/${sheet.id}/slip.pdf` : undefined}
      />
    </Header>
  );
}
