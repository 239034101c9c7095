import { Alert, Button, Group } from "@mantine/core";

import { t } from "../frame/language";

interface Props {
  /** Why it could not be set, if it could not. */
  trouble: string;
  busy: boolean;
  disabled?: boolean;
  /** What the first button does, where it does not set anything for the first time. */
  label?: string;
  /** Keeps what is asked as a draft, where it still may be one. */
  onDraft?: () => void;
  children?: React.ReactNode;
}

/** The end of a form that sets something for a class: what went wrong, and both ways to go on. */
export function SetOrDraft({ trouble, busy, disabled, label, onDraft, children }: Props) {
  return (
    <>
      {trouble && (
        <Alert color="ink" variant="outline" role="alert">
          {trouble}
        </Alert>
      )}
      <Group>
        <Button type="submit" loading={busy} disabled={disabled}>
          {label ?? t("Set for the class")}
        </Button>
        {onDraft && (
          <Button variant="default" disabled={busy || disabled} onClick={onDraft}>
            {t("Keep as a draft")}
          </Button>
        )}
        {children}
      </Group>
    </>
  );
}
