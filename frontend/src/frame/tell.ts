import { type NotificationData, notifications } from "@mantine/notifications";

import { t } from "./language";

/** Tells in passing that something was done. */
export function tell(words: string): void {
  show({ message: words, role: "status", color: "var(--settled)" });
}

/** Tells why something was not done; it stays until it has been read. */
export function complain(error: unknown): void {
  show({ message: (error as Error).message, color: "var(--fault)", autoClose: false });
}

function show(data: NotificationData): void {
  notifications.show({ ...data, closeButtonProps: { "aria-label": t("Close") } });
}
