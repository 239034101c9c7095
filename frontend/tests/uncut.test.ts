import { describe, expect, it } from "vitest";

import type { ModelDetail } from "../src/api/types";
import { marksOf } from "../src/shelf/Uncut";

type Known = ModelDetail["uncut"][number];
const told: Known = { of: "rib", face: 7, faces: [7, 9], whole: true, told: true, words: "" };
const marked: Known = { of: "rib", face: 3, faces: [3, 4], whole: true, told: false, words: "" };

describe("what is said of ribs and pins", () => {
  it("is only what their faces do not tell", () => {
    expect(marksOf([{ ...told }], { of: "rib", face: 3, whole: true })).toEqual([
      { of: "rib", face: 3, whole: true },
    ]);
    expect(marksOf([{ ...told }, { ...marked }], { of: "rib", face: 7, whole: false })).toEqual([
      { of: "rib", face: 3, whole: true },
      { of: "rib", face: 7, whole: false },
    ]);
  });

  it("is nothing once it is as their faces tell again", () => {
    const off = { ...told, whole: false };
    expect(marksOf([off, { ...marked }], { of: "rib", face: 7, whole: true })).toEqual([
      { of: "rib", face: 3, whole: true },
    ]);
    expect(marksOf([{ ...marked }], { of: "rib", face: 3, whole: false })).toEqual([]);
  });

  it("tells a rib from a body with the same face", () => {
    const pin: Known = { ...told, of: "body" };
    expect(marksOf([{ ...pin, whole: false }], { of: "rib", face: 7, whole: true })).toEqual([
      { of: "body", face: 7, whole: false },
      { of: "rib", face: 7, whole: true },
    ]);
  });
});
