import { describe, expect, it } from "vitest";

import type { SheetDocument, View } from "../src/api/types";
import { choiceOf, sayingOf, sayings, takenFor } from "../src/bench/saidOf";

const view = (id: string, kind: View["kind"], more: Partial<View> = {}) =>
  ({ id, kind, parent: null, letter: null, ...more }) as View;
const sheet = {
  views: [
    view("v1", "principal"),
    view("v2", "principal", { parent: "v1" }),
    view("s1", "section", { parent: "v2", letter: "A" }),
    view("d1", "detail", { parent: "s1", letter: "B" }),
    view("a1", "auxiliary", { parent: "v1" }),
    view("x1", "unrecognised"),
    view("d2", "detail"),
  ],
  cutting_lines: [
    { id: "cut1", view: "v2", letter: "A", other: "A'" },
    { id: "cut2", view: "v1", letter: null },
  ],
  circled: [{ id: "reg1", view: "s1", letter: "B" }],
} as unknown as SheetDocument;
const names = new Map([
  ["v1", "front"],
  ["v2", "top"],
  ["s1", "section"],
  ["a1", "auxiliary"],
]);
const values = (id: string) =>
  sayings(sheet, sheet.views.find((own) => own.id === id)!, names).map(({ value }) => value);

describe("what a group of lines can be said to be", () => {
  it("is every view, and the special view of every line, circle and parent but its own", () => {
    const all = values("x1");
    expect(all.slice(0, 7)).toContain("pictorial");
    expect(all.slice(7, -2)).toEqual([
      "section:cut1",
      "section:cut2",
      "detail:reg1",
      "auxiliary:v1",
      "auxiliary:v2",
      "auxiliary:s1",
      "auxiliary:a1",
    ]);
    expect(all.slice(-2)).toEqual(["section", "none"]);
    expect(values("v2")).not.toContain("section:cut1");
    expect(values("s1")).not.toContain("detail:reg1");
    expect(values("a1")).not.toContain("auxiliary:a1");
  });

  it("holds what each group was taken for", () => {
    for (const own of sheet.views) {
      const taken = takenFor(sheet, own, names.get(own.id) ?? own.kind);
      expect(values(own.id), own.id).toContain(choiceOf(taken));
      expect(sayingOf(choiceOf(taken))).toEqual(taken);
    }
    expect(takenFor(sheet, sheet.views[2]!, "section")).toEqual({ said: "section", of: "cut1" });
    expect(takenFor(sheet, sheet.views[5]!, "unrecognised").said).toBe("none");
  });

  it("is said in words", () => {
    const label = (value: string) =>
      sayings(sheet, sheet.views[5]!, names).find((own) => own.value === value)?.label;
    expect(label("section:cut1")).toBe("section A–A'");
    expect(label("section:cut2")).toBe("section at cutting line 2");
    expect(label("auxiliary:v2")).toBe("auxiliary view, from: top view");
  });
});
