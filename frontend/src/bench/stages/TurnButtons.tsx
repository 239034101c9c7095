import { Button, Group, Text } from "@mantine/core";

import { type Attitude, opposite, sideWords, SIDES, turned, usual } from "../../turntable/attitude";

interface Props {
  attitude: Attitude | null;
  onChoose: (attitude: Attitude) => void;
}

/** The six sides and the quarter turns as buttons, for those who do not drag. */
export function TurnButtons({ attitude, onChoose }: Props) {
  return (
    <>
      <Group gap={4} mt={6} aria-label="Sides">
        {SIDES.map((side) => (
          <Button
            key={side}
            size="compact-xs"
            variant={attitude?.side === side ? "filled" : "default"}
            aria-label={`Show the ${sideWords(side)}`}
            onClick={() => onChoose(usual(side))}
          >
            {side.replace("-", "−").toUpperCase()}
          </Button>
        ))}
        {attitude && (
          <Button size="compact-xs" variant="default" onClick={() => onChoose(turned(attitude, 1))}>
            Quarter turn
          </Button>
        )}
      </Group>
      <Text className="quiet small" mt={6}>
        {attitude
          ? `You look at the ${sideWords(attitude.side)}; ${attitude.up.replace("-", "−")} points up, ${opposite(
              attitude.up,
            ).replace("-", "−")} down.`
          : "Drag the part, or choose a side."}
      </Text>
    </>
  );
}
