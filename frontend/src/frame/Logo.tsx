import { Group, Text } from "@mantine/core";

/** The mark: a card block with its three tints. */
export function Logo({ size = 28 }: { size?: number }) {
  return (
    <Group gap={10} wrap="nowrap">
      <img src="/mark.svg" width={size} height={size} alt="" />
      <Text
        component="span"
        fz={size * 0.8}
        fw={700}
        lh={1}
        ff='"Bricolage Grotesque Variable", sans-serif'
      >
        Maqueta
      </Text>
    </Group>
  );
}
