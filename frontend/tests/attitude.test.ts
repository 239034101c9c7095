import { describe, expect, it } from "vitest";

import {
  ATTITUDES,
  CORNERS,
  nearestAttitude,
  nearestCorner,
  opposite,
  rightOf,
  sameAttitude,
  SIDES,
  tipped,
  turned,
  turnOf,
  turnOfCorner,
  usual,
} from "../src/turntable/attitude";
import { examples } from "./examples";

describe("attitudes are those of the core", () => {
  it("has the same 24", () => {
    const ours = ATTITUDES.map((a) => a.side + a.up).sort();
    expect(ours).toEqual(examples.attitudes.map(({ attitude: a }) => a.side + a.up).sort());
    expect(new Set(ours).size).toBe(24);
  });

  it.each(examples.attitudes)("turns and tips $attitude as the core does", (told) => {
    expect(rightOf(told.attitude)).toBe(told.right);
    expect(turned(told.attitude, 1)).toEqual(told.turned);
    expect(turned(told.attitude, -3)).toEqual(told.turned);
    for (const way of ["left", "right", "up", "down"] as const)
      expect(tipped(told.attitude, way)).toEqual(told.tipped[way]);
  });
});

describe("the turntable comes to rest", () => {
  it.each(ATTITUDES)("on $side with $up up, from a little beside it", (attitude) => {
    const turn = turnOf(attitude);
    const beside = turn.clone().slerp(turnOf(turned(attitude, 1)), 0.3);
    expect(nearestAttitude(beside)).toEqual(attitude);
    expect(sameAttitude(nearestAttitude(turn), attitude)).toBe(true);
  });

  it.each(CORNERS)("on the corner %s", (corner) => {
    for (const up of SIDES) expect(nearestCorner(turnOfCorner(corner, up), up)).toBe(corner);
  });
});

it("knows that the opposite of the opposite is the side itself", () => {
  for (const side of SIDES) {
    expect(opposite(opposite(side))).toBe(side);
    expect(opposite(side)).not.toBe(side);
    expect(usual(side).side).toBe(side);
  }
  expect(sameAttitude(null, usual("-y"))).toBe(false);
});
