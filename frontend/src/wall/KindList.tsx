import { Text, Title } from "@mantine/core";
import { useMemo } from "react";

import type { Criterion, WallSheet } from "../api/types";
import { FindingSign } from "../drawing/FindingSign";
import { t } from "../frame/language";
import { criterionLabel } from "../frame/words";
import { GroupDecision } from "./GroupDecision";
import { type Chosen, type Kind, kindsOf, type Shared, sheetsOf, stillOut } from "./pile";
import classes from "./Wall.module.css";

interface Props {
  sheets: readonly WallSheet[];
  exercise: number;
  lens: Criterion | null;
  chosen: Chosen | null;
  onChoose: (chosen: Chosen | null) => void;
}

/** The mistakes of the pile by kind; a kind opens to the single ones, and either can be decided about. */
export function KindList({ sheets, exercise, lens, chosen, onChoose }: Props) {
  const kinds = useMemo(() => kindsOf(sheets, lens), [sheets, lens]);
  return (
    <aside className={`${classes.shared} panel`} aria-label={t("Shared mistakes")}>
      <Title order={2} size="h4">
        {lens ? criterionLabel(lens) : t("All criteria")}
      </Title>
      <Text
        className="quiet small"
        pb={6}
        style={{ borderBottom: "2px solid var(--mantine-color-text)" }}
      >
        {kinds.length === 0
          ? t("Nothing to mark here.")
          : t("{{count}} kinds of mistakes", { count: kinds.length })}
      </Text>
      {kinds.map((kind) => (
        <KindRow
          key={kind.kind}
          kind={kind}
          exercise={exercise}
          chosen={chosen?.kind === kind.kind ? chosen : null}
          onChoose={onChoose}
        />
      ))}
    </aside>
  );
}

/** How many sheets have it, how often in all, and how much of that is still to be decided. */
function Counts({ places }: { places: Shared["places"] }) {
  const open = stillOut(places).filter(({ finding }) => finding.decision === null).length;
  const sheets = sheetsOf(places);
  return (
    <span className="quiet small">
      {t("{{count}} sheets", { count: sheets })}
      {places.length > sheets && `, ${t("{{count}} times", { count: places.length })}`}
      {" · "}
      {open > 0 ? (
        t("{{count}} open", { count: open })
      ) : (
        <span style={{ color: "var(--settled)" }}>{t("decided")}</span>
      )}
    </span>
  );
}

interface RowProps extends Pick<Props, "exercise" | "chosen" | "onChoose"> {
  kind: Kind;
}

function KindRow({ kind, exercise, chosen, onChoose }: RowProps) {
  const { finding } = kind;
  const whole = chosen !== null && chosen.share === null;
  return (
    <section className={classes.kind} data-open={chosen !== null}>
      <button
        type="button"
        className={classes.kindHead}
        aria-expanded={chosen !== null}
        onClick={() => onChoose(whole ? null : { kind: kind.kind, share: null })}
      >
        <FindingSign sign={finding.sign} severity={finding.severity} />
        <span>
          <span className={classes.kindName}>{finding.kind_heading}</span>
          <Counts places={kind.places} />
        </span>
      </button>
      {whole && <GroupDecision key="all" places={kind.places} exercise={exercise} />}
      {chosen && kind.shares.length > 1 && (
        <ul className={classes.shares}>
          {kind.shares.map((shared) => {
            const own = chosen.share === shared.share;
            return (
              <li key={shared.share}>
                <button
                  type="button"
                  className={classes.shareHead}
                  aria-pressed={own}
                  onClick={() => onChoose({ kind: kind.kind, share: own ? null : shared.share })}
                >
                  {shared.finding.message} <Counts places={shared.places} />
                </button>
                {own && <GroupDecision places={shared.places} exercise={exercise} />}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
