import { describe, expect, it } from "vitest";

import type { Point } from "../src/api/types";
import {
  centred,
  fitted,
  held,
  MARGIN,
  nearer,
  onPaper,
  pinched,
  pushed,
  seen,
  type Sight,
  wheelFactor,
  whole,
} from "../src/paper/sight";

const A3 = { width: 420, height: 297 };
const WINDOW = { width: 800, height: 690 };
const START = fitted(whole(A3), WINDOW);

/** Numbers that look random and are the same in every run. */
function* numbers(seed: number): Generator<number> {
  for (let state = seed; ; ) {
    state = (state * 1103515245 + 12345) % 2147483648;
    yield state / 2147483648;
  }
}

function close(a: Point, b: Point) {
  expect(a[0]).toBeCloseTo(b[0], 6);
  expect(a[1]).toBeCloseTo(b[1], 6);
}

describe("paper in a window", () => {
  it("is whole, in the middle, with white around it", () => {
    const corner = onPaper(START, [MARGIN, WINDOW.height / 2]);
    close(corner, [0, A3.height / 2]);
    close(onPaper(START, [WINDOW.width / 2, WINDOW.height / 2]), [210, 148.5]);
  });

  it("keeps what lies under the pointer where it is, nearer and nearer", () => {
    const random = numbers(7);
    for (let round = 0; round < 200; round++) {
      const at: Point = [random.next().value! * WINDOW.width, random.next().value! * WINDOW.height];
      let sight: Sight = START;
      const before = onPaper(sight, at);
      for (let step = 0; step < 8; step++) sight = nearer(sight, at, 1.25, A3, WINDOW);
      const inside =
        before[0] > 0 && before[0] < A3.width && before[1] > 0 && before[1] < A3.height;
      if (inside) close(onPaper(sight, at), before);
    }
  });

  it("is neither smaller than half of whole nor larger than a millimetre of 64 pixels", () => {
    let sight = START;
    for (let step = 0; step < 60; step++) sight = nearer(sight, [10, 10], 1.25, A3, WINDOW);
    expect(sight.scale).toBe(64);
    for (let step = 0; step < 90; step++) sight = nearer(sight, [10, 10], 0.8, A3, WINDOW);
    expect(sight.scale).toBeCloseTo(START.scale / 2, 9);
  });

  it("never leaves the window, however far it is pushed", () => {
    const random = numbers(11);
    let sight = nearer(START, [400, 300], 6, A3, WINDOW);
    for (let round = 0; round < 300; round++) {
      const by: Point = [(random.next().value! - 0.5) * 3000, (random.next().value! - 0.5) * 3000];
      sight = pushed(sight, by, A3, WINDOW);
      const { left, top, width, height } = seen(sight, WINDOW);
      const [x, y] = [left + width / 2, top + height / 2];
      expect(x).toBeGreaterThanOrEqual(-1e-9);
      expect(y).toBeGreaterThanOrEqual(-1e-9);
      expect(x).toBeLessThanOrEqual(A3.width + 1e-9);
      expect(y).toBeLessThanOrEqual(A3.height + 1e-9);
      const again = held(sight, A3, WINDOW);
      close([again.left, again.top], [sight.left, sight.top]);
    }
  });

  it("follows two fingers that draw apart and wander", () => {
    const sight = centred({ left: 210, top: 148, width: 0, height: 0 }, WINDOW, 6);
    const before: [Point, Point] = [
      [300, 300],
      [500, 300],
    ];
    const after: [Point, Point] = [
      [280, 320],
      [580, 320],
    ];
    const next = pinched(sight, before, after, A3, WINDOW);
    expect(next.scale).toBeCloseTo(9, 9);
    close(onPaper(next, after[0]), onPaper(sight, before[0]));
    close(onPaper(next, after[1]), onPaper(sight, before[1]));
  });

  it("comes nearer as a wheel is turned away, and back by as much", () => {
    const turn = (deltaY: number, ctrlKey = false, deltaMode = 0) =>
      wheelFactor({ deltaY, deltaMode, ctrlKey });
    expect(turn(-100)).toBeGreaterThan(1);
    expect(turn(-100) * turn(100)).toBeCloseTo(1, 12);
    expect(turn(-3, true)).toBeGreaterThan(turn(-3));
    expect(turn(-1, false, 1)).toBe(1.25);
    expect(turn(-1e9)).toBeLessThan(2);
  });
});
