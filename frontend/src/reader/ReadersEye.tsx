import { Button, Group, Slider, Text, Title } from "@mantine/core";

import { t } from "../frame/language";
import { CountTable } from "./CountTable";
import classes from "./Reader.module.css";
import type { Reader } from "./useReader";

/** What a reader of the sheet would know: counts, what is open, what is said twice, as far as it may be seen. */
export function ReadersEye({ reader }: { reader: Reader }) {
  const { reading } = reader;
  if (reader.error) return <Text size="sm">{reader.error.message}</Text>;
  if (!reading || reading.insight === "nothing") return null;
  const placed = reading.insight !== "counts";
  return (
    <section aria-label={t("Reader's eye")} aria-live="polite" style={{ marginTop: 14 }}>
      <Title order={3} size="h5">
        {t("Reader’s eye")}
      </Title>
      {reading.reason ? (
        <Text size="sm">
          {t("The sizes cannot be read: {{reason}}.", { reason: reading.reason })}
        </Text>
      ) : (
        <>
          {placed && reading.open.length === 0 && reading.chains.length === 0 && (
            <Text size="sm">{t("Everything is determined, and nothing twice.")}</Text>
          )}
          {reading.counts.length > 0 && (
            <CountTable rows={reading.counts} needed={reading.needed} least={reading.least} />
          )}
          {placed && <Open reader={reader} />}
          {placed && <Chains reader={reader} />}
        </>
      )}
    </section>
  );
}

function Open({ reader }: { reader: Reader }) {
  const open = reader.reading?.open ?? [];
  if (open.length === 0) return null;
  return (
    <>
      <Text size="sm" fw={600} mt="sm">
        {t("{{count}} sizes open", { count: open.length })}
      </Text>
      {reader.chosen !== null && <Hold reader={reader} />}
      <ul className={classes.list} aria-label={t("Open sizes")}>
        {open.map((size, number) => (
          <li key={number}>
            <button
              type="button"
              className={classes.entry}
              aria-pressed={reader.chosen === number}
              onClick={() => reader.choose(reader.chosen === number ? null : number)}
            >
              {size.words || t("Open place {{number}}", { number: number + 1 })}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Hold the motion anywhere, or let it swing. */
function Hold({ reader }: { reader: Reader }) {
  return (
    <Group gap={8} wrap="nowrap" mt={4}>
      <Slider
        style={{ flex: 1 }}
        size="sm"
        min={-1}
        max={1}
        step={0.05}
        label={null}
        thumbLabel={t("How far it is moved")}
        value={reader.held ?? (reader.still ? 1 : 0)}
        onChange={reader.hold}
      />
      {!reader.still && (
        <Button
          size="compact-xs"
          variant="default"
          onClick={() => reader.hold(reader.held === null ? 0 : null)}
        >
          {reader.held === null ? t("Hold") : t("Let swing")}
        </Button>
      )}
    </Group>
  );
}

function Chains({ reader }: { reader: Reader }) {
  const chains = reader.reading?.chains ?? [];
  if (chains.length === 0) return null;
  return (
    <>
      <Text size="sm" fw={600} mt="sm">
        {t("{{count}} sizes too many", { count: chains.length })}
      </Text>
      <ul className={classes.list} aria-label={t("Closed chains")}>
        {chains.map((chain, number) => (
          <li key={chain.members.join(" ")}>
            <button
              type="button"
              className={classes.entry}
              aria-pressed={reader.chain === number}
              onClick={() => reader.chooseChain(reader.chain === number ? null : number)}
            >
              {chain.words || t("Closed chain {{number}}", { number: number + 1 })}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
