import { useMemo } from "react";

import { t } from "../../frame/language";
import { turnOfCorner } from "../../turntable/attitude";
import { PartView } from "../../turntable/PartView";
import type { Bench } from "../bench";
import classes from "../Bench.module.css";

/** The part as a card maquette, in sight while the sheet is worked on. */
export function PartCorner({ bench }: { bench: Bench }) {
  const turn = useMemo(() => turnOfCorner("+-+", bench.up), [bench.up]);
  return (
    <div className={classes.corner}>
      <PartView
        model={bench.exercise.model}
        turn={turn}
        moves={bench.reader.moves}
        swing={bench.reader.swing}
        label={t("{{part}}, card model", { part: bench.exercise.part_name })}
      />
    </div>
  );
}
