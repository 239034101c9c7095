import { Button, Text } from "@mantine/core";
import { useState } from "react";

import { t } from "../frame/language";
import { RemarkField } from "../marking/RemarkField";
import type { PinTool } from "./PinLayer";
import classes from "./Table.module.css";

interface Props {
  tool: PinTool;
  onPut: (words: string) => void;
  onCancel: () => void;
}

/** What a pin says; or, with the freehand stroke in hand, how to draw and how to put it down. */
export function PinWords({ tool, onPut, onCancel }: Props) {
  const [words, setWords] = useState("");
  return (
    <form
      className={classes.pinWords}
      aria-label={tool === "pin" ? t("A pin") : t("A stroke")}
      onSubmit={(event) => {
        event.preventDefault();
        if (tool === "pin") onPut(words.trim());
      }}
      onKeyDown={(event) => event.key === "Escape" && onCancel()}
    >
      {tool === "stroke" ? (
        <Text className="small">{t("Draw on the sheet. Esc puts the pen down.")}</Text>
      ) : (
        <>
          <RemarkField
            size="xs"
            w={260}
            aria-label={t("What the pin says")}
            placeholder={t("What the pin says")}
            value={words}
            onChange={setWords}
            data-pin-words
          />
          <Button size="xs" type="submit">
            {t("Put it there")}
          </Button>
        </>
      )}
      <Button size="xs" variant="default" onClick={onCancel}>
        {tool === "pin" ? t("Cancel") : t("Pen down")}
      </Button>
    </form>
  );
}
