import { TextInput, type TextInputProps } from "@mantine/core";
import { useEffect, useState } from "react";

import { t } from "../frame/language";

type Value = number | string | null;

interface Props extends Omit<TextInputProps, "value" | "onChange"> {
  value: Value;
  onChange: (value: Value) => void;
  optional?: boolean;
  /** Numbers alone: where nothing has named sizes. */
  plain?: boolean;
}

const NUMBER = /^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/;

/** What was typed: a number, an expression as it stands, or nothing. */
function read(text: string): Value {
  const plain = text.trim().replace("−", "-");
  if (plain === "") return null;
  return NUMBER.test(plain) ? Number(plain.replace(",", ".")) : plain;
}

/** A size: a number, a fraction such as 1 3/8, or a sum of named sizes. Taken over on Enter or when left. */
export function SizeInput({ value, onChange, optional = false, plain = false, ...rest }: Props) {
  const shown = value === null ? "" : String(value);
  const [text, setText] = useState(shown);
  const [wrong, setWrong] = useState(false);
  useEffect(() => setText(shown), [shown]);
  const take = () => {
    const next = read(text);
    const refused = plain && typeof next === "string";
    setWrong(refused);
    if (refused) return;
    if (next === null && !optional) setText(shown);
    else if (next !== value) onChange(next);
  };
  return (
    <TextInput
      size="xs"
      inputMode="text"
      autoComplete="off"
      spellCheck={false}
      {...rest}
      error={wrong ? t("This is no number.") : rest.error}
      value={text}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === "Enter") {
          event.preventDefault();
          take();
        }
        if (event.key === "Escape") {
          setText(shown);
          setWrong(false);
        }
      }}
    />
  );
}
