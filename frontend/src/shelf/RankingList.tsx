import { Anchor, Text } from "@mantine/core";
import { useState } from "react";

import { term } from "../frame/words";
import { t, written } from "../frame/language";
import type { Ranked } from "../api/types";
import { type Attitude, sameAttitude, sideWords } from "../turntable/attitude";
import classes from "./Shelf.module.css";

interface Props {
  ranking: Ranked[];
  chosen: Attitude | null;
  onChoose: (entry: Ranked) => void;
}

const FEW = 6;
const MEASURES = ["length", "shape", "hidden", "natural"] as const;

/** The front views in order, each with its four measures and, when chosen, its reasons in words. */
export function RankingList({ ranking, chosen, onChoose }: Props) {
  const [all, setAll] = useState(false);
  return (
    <div>
      {(all ? ranking : ranking.slice(0, FEW)).map((entry, index) => {
        const pressed = sameAttitude(chosen, entry);
        return (
          <button
            key={entry.side + entry.up}
            type="button"
            className={classes.rank}
            aria-pressed={pressed}
            onClick={() => onChoose(entry)}
          >
            <span className="quiet">{index + 1}</span>
            <span>
              <strong>{sideWords(entry.side)}</strong>,{" "}
              {t("{{up}} up", { up: entry.up.replace("-", "−") })}
              {entry.equal_to.length > 0 && (
                <span className="quiet small">
                  {" "}
                  · {t("like {{count}} others", { count: entry.equal_to.length })}
                </span>
              )}
            </span>
            <span className="number">{written(entry.score, 1, true)}</span>
            <span className={classes.bars}>
              {MEASURES.map((measure) => (
                <span key={measure}>
                  {term(measure)}
                  <span className={classes.bar} style={{ display: "block" }}>
                    <span style={{ width: `${100 * (entry.measures[measure] ?? 0)}%` }} />
                  </span>
                </span>
              ))}
            </span>
            {pressed && (
              <span style={{ gridColumn: "2 / 4" }} className="small">
                {entry.words.join(" ")}
              </span>
            )}
          </button>
        );
      })}
      {ranking.length > FEW && (
        <Anchor component="button" size="sm" mt="xs" c="inherit" onClick={() => setAll(!all)}>
          <Text span size="sm">
            {all ? t("Show the best six") : t("Show all {{number}}", { number: ranking.length })}
          </Text>
        </Anchor>
      )}
    </div>
  );
}
