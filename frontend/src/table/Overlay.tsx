import { useQuery } from "@tanstack/react-query";

import { answer, api } from "../api/client";
import type { InkItem, Sheet } from "../api/types";
import { InkPiece } from "../drawing/Ink";
import { said } from "../frame/language";
import classes from "./Table.module.css";

/** What is seen of a sheet: what was drawn, what should be there, what lies between them, or the file under it. */
export type OverlayKind = "drawn" | "expected" | "difference" | "file";

/** What somebody may see of a sheet: its student sees it as it was drawn, and the file it was read from. */
export function overlaysOf(sheet: Sheet, teaching: boolean): OverlayKind[] {
  const seen: OverlayKind[] = teaching ? ["drawn", "expected", "difference"] : ["drawn"];
  return sheet.original ? [...seen, "file"] : seen;
}

export const OVERLAY_NAMES: Record<OverlayKind, string> = {
  drawn: said("Drawn"),
  expected: said("Expected"),
  difference: said("Difference"),
  file: said("File"),
};

interface Props {
  sheet: number;
  kind: OverlayKind;
  height: number;
}

/** The part's own lines over the sheet, or the lines that are too few and too many. */
export function Overlay({ sheet, kind, height }: Props) {
  const difference = useQuery({
    queryKey: ["sheet", sheet, "difference"],
    enabled: kind === "expected" || kind === "difference",
    staleTime: Infinity,
    queryFn: () =>
      answer(
        api.GET("/api/sheets/{sheet_id}/difference", { params: { path: { sheet_id: sheet } } }),
      ),
  });
  if (kind === "drawn" || kind === "file" || !difference.data) return null;
  const { expected, missing, surplus } = difference.data;
  if (kind === "expected")
    return <Items className={classes.expected} items={expected} height={height} />;
  return (
    <>
      <Items className={classes.lacking} items={missing} height={height} />
      <Items className={classes.surplus} items={surplus} height={height} />
    </>
  );
}

interface ItemsProps {
  className?: string;
  items: InkItem[];
  height: number;
}

function Items({ className, items, height }: ItemsProps) {
  return (
    <g className={className} data-overlay="">
      {items.map((item, index) => (
        <InkPiece key={index} item={item} height={height} />
      ))}
    </g>
  );
}
