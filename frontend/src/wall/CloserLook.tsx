import { Button, Group, Modal, Text } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { answer, api } from "../api/client";
import type { Criterion, Sheet, WallSheet } from "../api/types";
import { t } from "../frame/language";
import { Trouble, Waiting } from "../frame/Messages";
import { criterionLabel } from "../frame/words";
import { ReviewedSheet } from "../table/ReviewedSheet";
import { type Chosen, isShown } from "./pile";
import classes from "./Wall.module.css";

interface Props {
  sheets: readonly WallSheet[];
  /** Which of them is looked at. */
  looked: number;
  lens: Criterion | null;
  chosen: Chosen | null;
  onLook: (sheet: number | null) => void;
}

/** One sheet taken from the wall and held close, with what the lens shows; the others follow one after another. */
export function CloserLook({ sheets, looked, lens, chosen, onLook }: Props) {
  const place = sheets.findIndex((sheet) => sheet.id === looked);
  const go = (step: number) => {
    const next = sheets[place + step];
    if (next) onLook(next.id);
  };
  useHotkeys([
    ["[", () => go(-1)],
    ["]", () => go(1)],
  ]);
  const sheet = useQuery({
    queryKey: ["sheet", looked],
    queryFn: () =>
      answer(api.GET("/api/sheets/{sheet_id}", { params: { path: { sheet_id: looked } } })),
  });
  const pinned = sheets[place];
  return (
    <Modal
      opened
      onClose={() => onLook(null)}
      size="calc(100vw - 64px)"
      centered
      classNames={{ content: classes.closer, body: classes.closerBody }}
      title={
        <>
          <strong>{pinned?.student}</strong>
          {lens && <span className="quiet"> · {criterionLabel(lens)}</span>}
        </>
      }
      closeButtonProps={{ "aria-label": t("Back to the wall") }}
    >
      <div className={classes.closerPaper}>
        {sheet.isPending && <Waiting />}
        {sheet.error && <Trouble error={sheet.error} onRetry={() => void sheet.refetch()} />}
        {sheet.data && (
          <ReviewedSheet key={looked} sheet={through(sheet.data, lens, chosen)} lit={null} />
        )}
      </div>
      <Group mt="sm" gap="sm">
        <Button variant="default" disabled={place <= 0} onClick={() => go(-1)}>
          {t("Previous")} <kbd className={classes.key}>[</kbd>
        </Button>
        <Text className="quiet small">
          {t("{{number}} of {{all}}", { number: place + 1, all: sheets.length })}
        </Text>
        <Button variant="default" disabled={place >= sheets.length - 1} onClick={() => go(1)}>
          {t("Next")} <kbd className={classes.key}>]</kbd>
        </Button>
        <Button component={Link} to={`/sheets/${looked}`} ml="auto">
          {t("Go to the table")}
        </Button>
      </Group>
    </Modal>
  );
}

/** A sheet with the findings a lens shows, each with the number it has on the slip. */
function through(sheet: Sheet, lens: Criterion | null, chosen: Chosen | null): Sheet {
  if (lens === null && chosen === null) return sheet;
  return { ...sheet, findings: sheet.findings.filter((f) => isShown(f, lens, chosen)) };
}
