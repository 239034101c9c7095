import { describe, expect, it } from "vitest";

import type { SheetForm } from "../src/api/types";
import {
  boxOf,
  caught,
  changedAt,
  isThere,
  moved,
  onGrid,
  squared,
  withBox,
  withSide,
  without,
} from "../src/sheetForm/form";

const FORM = {
  size: "A3",
  landscape: true,
  border: [20, 10, 410, 287],
  title: [230, 10, 410, 46],
  lines: [{ start: [230, 22], end: [410, 22], pen: "grid" }],
  texts: [{ text: "TITLE", at: [232, 42], height: 1.8, anchor: "start" }],
  fields: [{ field: "title", box: [232, 24, 300, 34], height: 3.5, anchor: "start" }],
  zones: null,
} as unknown as SheetForm;

describe("drawing on a form", () => {
  it("keeps lines level or upright, whichever is nearer", () => {
    expect(squared([0, 0], [10, 3])).toEqual([10, 0]);
    expect(squared([0, 0], [-2, 7])).toEqual([0, 7]);
  });

  it("is caught by ends and sides within reach, each way by itself, and by the grid elsewhere", () => {
    expect(caught(FORM, [231, 21.2], 1.5)).toEqual([230, 22]);
    expect(caught(FORM, [231, 30.2], 1.5)).toEqual([230, 30]);
    expect(caught(FORM, [100.3, 150.2], 1.5)).toEqual([100.5, 150]);
    expect(onGrid(0.26)).toBe(0.5);
  });

  it("moves what is chosen and nothing else", () => {
    const line = moved(FORM, { kind: "line", index: 0 }, 1, -2);
    expect(line.lines[0]).toMatchObject({ start: [231, 20], end: [411, 20] });
    expect(line.texts).toBe(FORM.texts);
    expect(moved(FORM, { kind: "text", index: 0 }, 0.5, 0).texts[0]!.at).toEqual([232.5, 42]);
    expect(moved(FORM, { kind: "field", index: 0 }, 0, 1).fields[0]!.box).toEqual([
      232, 25, 300, 35,
    ]);
    expect(moved(FORM, { kind: "title" }, -10, 0).title).toEqual([220, 10, 400, 46]);
    expect(moved(FORM, { kind: "line", index: 7 }, 1, 1).lines).toEqual(FORM.lines);
  });

  it("never turns a rectangle inside out", () => {
    expect(withSide([0, 0, 10, 10], 0, 30)).toEqual([8, 0, 10, 10]);
    expect(withSide([0, 0, 10, 10], 3, -5)).toEqual([0, 0, 10, 2]);
    expect(withSide([0, 0, 10, 10], 2, 25)).toEqual([0, 0, 25, 10]);
  });

  it("gives and takes the rectangle of border, title block and fields only", () => {
    expect(boxOf(FORM, { kind: "border" })).toEqual(FORM.border);
    expect(boxOf(FORM, { kind: "line", index: 0 })).toBeNull();
    expect(withBox(FORM, { kind: "line", index: 0 }, [0, 0, 1, 1])).toBe(FORM);
    expect(withBox(FORM, { kind: "field", index: 0 }, [1, 2, 3, 4]).fields[0]!.box).toEqual([
      1, 2, 3, 4,
    ]);
  });

  it("takes away lines, lettering and fields, never border and title block", () => {
    expect(without(FORM, { kind: "field", index: 0 }).fields).toEqual([]);
    expect(without(FORM, { kind: "border" })).toBe(FORM);
    expect(isThere(without(FORM, { kind: "text", index: 0 }), { kind: "text", index: 0 })).toBe(
      false,
    );
    expect(isThere(FORM, { kind: "title" })).toBe(true);
    expect(isThere(FORM, null)).toBe(false);
  });

  it("changes one of several by its place", () => {
    const wide = changedAt(FORM, "lines", 0, (line) => ({ ...line, pen: "border" }));
    expect(wide.lines.map((line) => line.pen)).toEqual(["border"]);
    expect(changedAt(FORM, "texts", 3, (text) => ({ ...text, text: "" })).texts).toEqual(
      FORM.texts,
    );
  });
});
