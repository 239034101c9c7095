import { describe, expect, it } from "vitest";

import type { Exercise, SheetDocument } from "../src/api/types";
import { copiedFrom, laidOutLike, showsTheSame } from "../src/set/laidOut";

const FORM = { name: "School form" };

function exercise(more: object = {}, model = 3): Exercise {
  const task = {
    paper: "A3",
    landscape: true,
    sheet_form: FORM,
    shows: "views",
    drafting: { kind: "projected" },
    ...more,
  };
  return { id: 1, model, task } as unknown as Exercise;
}

function sheet(more: object = {}): SheetDocument {
  return {
    paper: { size: "A3", landscape: true, captions: "es", form: FORM, frame: null },
    units: "mm",
    style: "iso",
    decimals: 1,
    fractions: false,
    views: [],
    title: { fields: { title: "PIN" }, angle: "first" },
    name: "4",
    unread_sizes: 0,
    by_hand: false,
    ...more,
  } as unknown as SheetDocument;
}

const OTHER = sheet({
  paper: { size: "A2", landscape: false, captions: "en", form: null, frame: null },
  units: "inch",
  style: "asme",
  decimals: 3,
  fractions: true,
  views: [{ id: "front" }],
  title: { fields: { title: "CLAMP" }, angle: "third" },
  name: "1",
  unread_sizes: 2,
  by_hand: true,
});

describe("a sheet laid out like another one of its set", () => {
  it("has its paper and lettering, and keeps what is drawn and written", () => {
    const drawn = sheet({ views: [{ id: "top" }] });
    expect(laidOutLike(drawn, OTHER, exercise())).toEqual({
      ...drawn,
      paper: { size: "A2", landscape: false, captions: "es", form: null, frame: null },
      units: "inch",
      style: "asme",
      decimals: 3,
      fractions: true,
    });
  });

  it("has the form its own exercise asks for where it is on that paper", () => {
    const on = sheet({ paper: { size: "A4", landscape: false, captions: "en", form: null } });
    expect(laidOutLike(on, sheet(), exercise()).paper.form).toEqual(FORM);
    expect(laidOutLike(on, sheet(), exercise({ sheet_form: null })).paper.form).toBeNull();
  });
});

describe("a sheet copied from another one of its set", () => {
  it("has all that is drawn there, and its own title block and name", () => {
    const copied = copiedFrom(sheet(), OTHER, exercise());
    expect(copied.views).toEqual(OTHER.views);
    expect(copied.paper.size).toBe("A2");
    expect([copied.title, copied.name]).toEqual([sheet().title, "4"]);
  });

  it("has no excuses of a file it was not read from", () => {
    const { unread_sizes, by_hand } = copiedFrom(sheet(), OTHER, exercise());
    expect([unread_sizes, by_hand]).toEqual([0, false]);
  });

  it("may be where both show one part in one way", () => {
    const given = exercise({ drafting: { kind: "third view" } });
    const sides = exercise({ shows: "six sides" });
    const apart = exercise({ shows: "pulled apart" });
    expect(showsTheSame(exercise(), exercise())).toBe(true);
    expect(showsTheSame(exercise(), sides)).toBe(true);
    expect(showsTheSame(apart, apart)).toBe(true);
    expect(showsTheSame(sides, apart)).toBe(false);
    expect(showsTheSame(given, given)).toBe(false);
    expect(showsTheSame(exercise(), exercise({ drafting: { kind: "drafted" } }))).toBe(false);
    expect(showsTheSame(exercise(), exercise({}, 4))).toBe(false);
  });
});
