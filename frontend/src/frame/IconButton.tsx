import { ActionIcon, type ActionIconProps, Tooltip } from "@mantine/core";
import type { ReactNode } from "react";

interface Props extends Pick<ActionIconProps, "variant" | "className" | "disabled"> {
  /** What it says when pointed at, and what it is called: the same, if not told otherwise. */
  tip: string;
  label?: string;
  onClick: () => void;
  "data-wide"?: boolean;
  /** A letter, or lines in a square of 18. */
  children: ReactNode;
}

/** A button with a sign of our own for a word. */
export function IconButton({ tip, label = tip, variant = "subtle", children, ...rest }: Props) {
  return (
    <Tooltip label={tip}>
      <ActionIcon variant={variant} aria-label={label} {...rest}>
        {typeof children === "string" ? (
          children
        ) : (
          <svg
            viewBox="0 0 18 18"
            width={18}
            height={18}
            fill="none"
            stroke="currentColor"
            aria-hidden
          >
            {children}
          </svg>
        )}
      </ActionIcon>
    </Tooltip>
  );
}
