import { Button, FileButton } from "@mantine/core";

import { t } from "../frame/language";
import { SHEET_FILES } from "./sheetFiles";

/** Where files of a class are chosen to be brought to a wall. */
export function BringInSheets({ onFiles }: { onFiles: (files: File[]) => void }) {
  return (
    <FileButton multiple accept={SHEET_FILES} onChange={onFiles}>
      {(props) => (
        <Button {...props} variant="default">
          {t("Bring in sheets")}
        </Button>
      )}
    </FileButton>
  );
}
