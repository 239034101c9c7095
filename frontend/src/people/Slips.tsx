import { Button, Group, Text } from "@mantine/core";

import type { FirstPassword } from "../api/types";
import { t } from "../frame/language";
import styles from "./Classes.module.css";

/** First passwords, to be printed, cut apart and handed out: they are told this once. */
export function Slips({ slips }: { slips: readonly FirstPassword[] }) {
  return (
    <>
      <Group justify="space-between" className={styles.noPrint} mb="sm">
        <Text className="small">
          {t("These are told this once. Each chooses a password of their own at the first log-in.")}
        </Text>
        <Button size="xs" onClick={() => window.print()}>
          {t("Print the slips")}
        </Button>
      </Group>
      <ul className={styles.slips} aria-label={t("First passwords")} data-print="">
        {slips.map((slip) => (
          <li key={slip.login}>
            <strong>{slip.name}</strong>
            <span>{window.location.origin}</span>
            <span>
              {t("Log-in name")}: <code>{slip.login}</code>
            </span>
            <span>
              {t("First password")}: <code>{slip.password}</code>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
