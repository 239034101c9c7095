import { describe, expect, it } from "vitest";

import type { Exercise } from "../src/api/types";
import { grouped, nextOf, ofItsSet, placeOf } from "../src/set/grouped";

function exercise(id: number, more: Partial<Exercise> = {}): Exercise {
  return { id, in_set: null, sheet: null, sheet_state: null, ...more } as Exercise;
}

function inSet(id: number, place: number, more: Partial<Exercise> = {}): Exercise {
  return exercise(id, { in_set: { id: 7, title: "Pedal", place, of: 3 }, ...more });
}

describe("exercises as they are listed", () => {
  it("stand together where they are one set, in its order, at the place of the first", () => {
    const listed = grouped([exercise(1), inSet(4, 3), exercise(2), inSet(5, 1), inSet(6, 2)]);
    expect(listed.map(({ exercises }) => exercises.map((own) => own.id))).toEqual([
      [1],
      [5, 6, 4],
      [2],
    ]);
  });

  it("are left as they are where there is no set", () => {
    const alone = [exercise(3), exercise(1), exercise(2)];
    expect(grouped(alone).map(({ exercises }) => exercises[0].id)).toEqual([3, 1, 2]);
    expect(ofItsSet(exercise(3), alone)).toEqual([]);
  });

  it("of another set are not of this one", () => {
    const other = exercise(9, { in_set: { id: 8, title: "Shuttle", place: 1, of: 2 } });
    expect(ofItsSet(inSet(4, 1), [other, inSet(5, 2), inSet(4, 1)]).map((own) => own.id)).toEqual([
      4, 5,
    ]);
  });
});

describe("the sheet a student goes on with", () => {
  it("is the one that is drawn on, then the first not begun, then the first", () => {
    const handedIn = inSet(1, 1, { sheet_state: "handed-in", sheet: 11 });
    const blank = inSet(2, 2);
    const draft = inSet(3, 3, { sheet_state: "draft", sheet: 13 });
    expect(nextOf([handedIn, blank, draft]).id).toBe(3);
    expect(nextOf([handedIn, blank]).id).toBe(2);
    expect(nextOf([handedIn]).id).toBe(1);
  });

  it("is opened at the bench until it is handed in", () => {
    expect(placeOf(inSet(2, 2))).toBe("/exercises/2/bench");
    expect(placeOf(inSet(3, 3, { sheet_state: "draft", sheet: 13 }))).toBe("/exercises/3/bench");
    expect(placeOf(inSet(1, 1, { sheet_state: "returned", sheet: 11 }))).toBe("/sheets/11");
  });
});
