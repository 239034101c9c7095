import { describe, expect, it } from "vitest";

import type { Ink, LinearDimension, Point, SheetDocument } from "../src/api/types";
import { byHalf, rightAcross } from "../src/bench/byHalf";

const sheet = { views: [{ id: "v1", at: [100, 50], scale: 2 }] } as unknown as SheetDocument;
// An upright axis at 10 in the plane of the view.
const ink = {
  views: [
    {
      id: "v1",
      factor: 2,
      axis_lines: [
        [
          [10, 0],
          [10, 30],
        ],
      ],
    },
  ],
} as unknown as Ink;

function size(start: Point, end: Point, along: LinearDimension["along"] = "across") {
  return { kind: "linear", view: "v1", start, end, along, by_half: false } as LinearDimension;
}

describe("a size given by half", () => {
  it("ends on the axis, whichever end was pointed at first", () => {
    const half = { start: [25, 4], end: [10, 20], by_half: true };
    expect(byHalf(size([25, 4], [10, 20]), ink, sheet)).toEqual(half);
    expect(byHalf(size([10, 20], [25, 4]), ink, sheet)).toEqual(half);
  });

  it("that went right across ends in its middle, and comes back to where it was", () => {
    const whole = size([-5, 4], [25, 4]);
    const half = byHalf(whole, ink, sheet);
    expect(half).toEqual({ start: [-5, 4], end: [10, 4], by_half: true });
    expect(rightAcross({ ...whole, ...half })).toEqual({
      start: whole.start,
      end: whole.end,
      by_half: false,
    });
  });

  it("is as wide on the other side in its own direction alone", () => {
    expect(rightAcross(size([25, 4], [10, 20])).end).toEqual([-5, 20]);
    expect(rightAcross(size([4, 25], [20, 10], "up")).end).toEqual([20, -5]);
    expect(rightAcross(size([0, 0], [3, 4], "aligned")).end).toEqual([6, 8]);
  });
});
