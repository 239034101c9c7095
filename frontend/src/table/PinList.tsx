import { Button, Text } from "@mantine/core";

import type { Pin } from "../api/types";
import { t } from "../frame/language";
import classes from "./Table.module.css";

interface Props {
  pins: readonly Pin[];
  onTakeOff?: (id: number) => void;
}

/** What was pinned to the sheet, by the letters of the pins. */
export function PinList({ pins, onTakeOff }: Props) {
  if (pins.length === 0) return null;
  return (
    <ul className={classes.pins} aria-label={t("Pinned to the sheet")}>
      {pins.map((pin, index) => (
        <li key={pin.id}>
          <span className={classes.pinLetter}>{pinLetter(index)}</span>
          <Text className="small">{pin.words || (pin.points.length > 1 ? t("a stroke") : "")}</Text>
          {onTakeOff && (
            <Button
              size="compact-xs"
              variant="subtle"
              color="ink"
              aria-label={t("Take pin {{letter}} off", { letter: pinLetter(index) })}
              onClick={() => onTakeOff(pin.id)}
            >
              {t("Take off")}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** a, b, … z, aa, ab, …: findings have numbers, pins letters. */
export function pinLetter(index: number): string {
  const last = String.fromCharCode(97 + (index % 26));
  return index < 26 ? last : pinLetter(Math.floor(index / 26) - 1) + last;
}
