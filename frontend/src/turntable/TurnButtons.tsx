import { Button, Group, Text } from "@mantine/core";

import { t } from "../frame/language";
import { type Attitude, opposite, sideWords, SIDES, turned, usual } from "./attitude";

interface Props {
  attitude: Attitude | null;
  onChoose: (attitude: Attitude) => void;
}

/** The six sides and the quarter turns as buttons, for those who do not drag. */
export function TurnButtons({ attitude, onChoose }: Props) {
  return (
    <>
      <Group gap={4} mt={6} aria-label={t("Sides")}>
        {SIDES.map((side) => (
          <Button
            key={side}
            size="compact-xs"
            variant={attitude?.side === side ? "filled" : "default"}
            aria-label={t("Show the {{side}}", { side: sideWords(side) })}
            onClick={() => onChoose(usual(side))}
          >
            {side.replace("-", "−").toUpperCase()}
          </Button>
        ))}
        {attitude && (
          <Button size="compact-xs" variant="default" onClick={() => onChoose(turned(attitude, 1))}>
            {t("Quarter turn")}
          </Button>
        )}
      </Group>
      <Text className="quiet small" mt={6}>
        {attitude
          ? t("You look at the {{side}}; {{up}} points up, {{down}} down.", {
              side: sideWords(attitude.side),
              up: attitude.up.replace("-", "−"),
              down: opposite(attitude.up).replace("-", "−"),
            })
          : t("Drag the part, or choose a side.")}
      </Text>
    </>
  );
}
