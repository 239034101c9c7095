import { Group, NativeSelect, SegmentedControl, Text, TextInput } from "@mantine/core";

import { t } from "../frame/language";
import { term } from "../frame/words";
import { type Order, ORDERS, type Sieve, SIEVES } from "./pile";
import classes from "./Wall.module.css";

export const SIZES = ["small", "usual", "large"] as const;
export type Size = (typeof SIZES)[number];

interface Props {
  order: Order;
  onOrder: (order: Order) => void;
  sieve: Sieve;
  onSieve: (sieve: Sieve) => void;
  size: Size;
  onSize: (size: Size) => void;
  shown: number;
  all: number;
}

/** In what order, which, and how large sheets hang on the wall. */
export function WallTools({ order, onOrder, sieve, onSieve, size, onSize, shown, all }: Props) {
  return (
    <Group className={classes.tools} gap="sm" role="search" aria-label={t("Arrange the wall")}>
      <TextInput
        size="xs"
        w={150}
        aria-label={t("Find by name or group")}
        placeholder={t("Name or group")}
        value={sieve.words}
        onChange={(event) => onSieve({ ...sieve, words: event.currentTarget.value })}
      />
      <NativeSelect
        size="xs"
        aria-label={t("Which sheets")}
        data={SIEVES.map((only) => ({ value: only, label: term(`sheets ${only}`) }))}
        value={sieve.only}
        onChange={(event) =>
          onSieve({ ...sieve, only: event.currentTarget.value as Sieve["only"] })
        }
      />
      <NativeSelect
        size="xs"
        aria-label={t("In which order")}
        data={ORDERS.map((own) => ({ value: own, label: term(`by ${own}`) }))}
        value={order}
        onChange={(event) => onOrder(event.currentTarget.value as Order)}
      />
      <Text className="quiet small" role="status">
        {shown < all && t("{{shown}} of {{all}} sheets", { shown, all })}
      </Text>
      <SegmentedControl
        ml="auto"
        size="xs"
        aria-label={t("Size of the sheets")}
        data={SIZES.map((own) => ({ value: own, label: term(`sheets ${own}`) }))}
        value={size}
        onChange={(own) => onSize(own as Size)}
      />
    </Group>
  );
}
