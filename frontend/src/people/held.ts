/** Hand what is held about a person to whoever asked for it, as a file. */
export function saveHeld(login: string, held: unknown): void {
  const data = new Blob([JSON.stringify(held, null, 2)], { type: "application/json" });
  const link = document.createElement("a");
  link.href = URL.createObjectURL(data);
  link.download = `${login}.json`;
  link.click();
  URL.revokeObjectURL(link.href);
}
