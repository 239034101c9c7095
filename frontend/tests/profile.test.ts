import { describe, expect, it } from "vitest";

import {
  endOf,
  faultOf,
  type Flat,
  gridStep,
  kindOf,
  outline,
  type Step,
  withEnd,
} from "../src/builder/profile";

const SQUARE: Step[] = [
  [0, 0],
  [40, 0],
  [40, 30],
  [0, 30],
];
const area = (points: Flat[]) =>
  points.reduce((sum, [x, y], k) => {
    const [p, q] = points[(k + 1) % points.length]!;
    return sum + (x * q - p * y) / 2;
  }, 0);

describe("the outline of a profile", () => {
  it("is the profile itself where it has corners alone", () => {
    expect(outline(SQUARE)).toEqual(SQUARE);
  });

  it("goes round an arc on one circle, on the side of the middle point", () => {
    const steps: Step[] = [[0, 0], [20, 0], { through: [30, 10], to: [20, 20] }, [0, 20]];
    const points = outline(steps);
    for (const [x, y] of points.slice(2, -1)) expect(Math.hypot(x - 20, y - 10)).toBeCloseTo(10);
    expect(area(points)).toBeCloseTo(20 * 20 + (Math.PI * 100) / 2, 0);
  });

  it("rounds a corner by a circle that touches both lines", () => {
    const steps: Step[] = [[0, 0], [40, 0], { to: [40, 30], radius: 5 }, [0, 30]];
    const points = outline(steps);
    for (const [x, y] of points.slice(2, -1)) expect(Math.hypot(x - 35, y - 25)).toBeCloseTo(5);
    expect(area(points)).toBeCloseTo(1200 - 25 * (1 - Math.PI / 4), 1);
  });

  it("keeps a corner that cannot be rounded", () => {
    for (const radius of [0, -3, 400, Number.NaN])
      expect(outline([[0, 0], [40, 0], { to: [40, 30], radius }, [0, 30]])).toEqual(SQUARE);
  });

  it("takes three points in line for a straight line", () => {
    expect(outline([[0, 0], { through: [5, 0], to: [10, 0] }, [10, 9]])).toEqual([
      [0, 0],
      [10, 0],
      [10, 9],
    ]);
  });
});

describe("a fault is told", () => {
  it.each([
    [
      "open",
      [
        [0, 0],
        [4, 0],
      ] as Step[],
      /open/,
    ],
    [
      "crossing itself",
      [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ] as Step[],
      /crosses/,
    ],
    [
      "flat",
      [
        [0, 0],
        [10, 0],
        [20, 0],
      ] as Step[],
      /no area/,
    ],
  ])("where it is %s", (_, steps, words) => {
    expect(faultOf(steps)).toMatch(words);
  });

  it("nowhere else", () => {
    expect(faultOf(SQUARE)).toBeNull();
  });
});

it("moves the end of any step and keeps the rest of it", () => {
  const arc: Step = { through: [1, 1], to: [2, 0] };
  expect(withEnd(arc, [3, 0])).toEqual({ through: [1, 1], to: [3, 0] });
  expect(withEnd([1, 2], [3, 4])).toEqual([3, 4]);
  expect([kindOf(arc), kindOf([1, 2]), kindOf({ to: [1, 2], radius: 3 })]).toEqual([
    "arc",
    "line",
    "rounded",
  ]);
  expect(endOf(arc)).toEqual([2, 0]);
});

it("leaves a few dozen squares of the grid across", () => {
  for (const span of [0.3, 7, 64, 100, 2500]) {
    const squares = span / gridStep(span);
    expect(squares).toBeGreaterThan(8);
    expect(squares).toBeLessThanOrEqual(24);
  }
});
