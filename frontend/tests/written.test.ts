import { describe, expect, it } from "vitest";

import { aroundOf, writtenAround } from "../src/bench/written";
import { functionalOf } from "../src/exercise/functional";

describe("what is written around a size", () => {
  it("is taken apart and put together again", () => {
    for (const text of [
      ...["<> ±0.1", "<> +0.2/0", "<> H7", "<> H7/g6", "<> THRU", "<> H7 THRU"],
      ...["⌀<>", "⌀<> H7", "⌀<> ±0.1 THRU"],
    ]) {
      const around = aroundOf(text);
      expect(around && writtenAround(around)).toBe(text);
    }
    expect(aroundOf("<> h9 THRU")).toEqual({ sign: "", tolerance: "h9", behind: "THRU" });
    expect(aroundOf("<>±0,05")).toEqual({ sign: "", tolerance: "±0,05", behind: "" });
    expect(aroundOf("<> −0.1/−0.3 TYP")).toEqual({
      sign: "",
      tolerance: "−0.1/−0.3",
      behind: "TYP",
    });
  });

  it("is nothing where nothing is typed, and not told of a size that is typed over", () => {
    expect(aroundOf(null)).toEqual({ sign: "", tolerance: "", behind: "" });
    expect(writtenAround({ sign: "", tolerance: " ", behind: "" })).toBeNull();
    expect(aroundOf("96 ±0.1")).toBeNull();
  });
});

describe("a functional size", () => {
  it.each([
    ["⌀20", "diameter", 20],
    ["Ø 12,5", "diameter", 12.5],
    ["R5", "radius", 5],
    ["35", "length", 35],
  ])("is read as it is typed: %s", (typed, kind, size) => {
    expect(functionalOf(typed)).toEqual({ kind, size });
  });

  it.each(["", "abc", "0", "⌀", "20 mm", "-3"])("is none: %s", (typed) => {
    expect(functionalOf(typed)).toBeNull();
  });
});
