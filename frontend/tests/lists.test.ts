import { expect, it } from "vitest";

import { PENS } from "../src/drawing/pens";
import { CRITERIA, FILLED_FIELDS, PAPERS, points, SIDES, TITLE_FIELDS } from "../src/frame/words";
import { examples } from "./examples";

it("offers just what the core knows", () => {
  expect(CRITERIA.map(({ id }) => id)).toEqual(examples.lists.criteria);
  expect(PAPERS).toEqual(examples.lists.papers);
  expect([...TITLE_FIELDS].sort()).toEqual([...examples.lists.title_fields].sort());
  expect(FILLED_FIELDS).toEqual(examples.lists.filled_fields);
  expect(SIDES).toEqual(examples.lists.datum_sides);
});

it.each(Object.entries(examples.pens))(
  "draws %s lines as wide and with the dashes of the paper",
  (pen, told) => {
    const own = PENS[pen as keyof typeof PENS];
    expect(own.strokeWidth).toBe(told.width);
    expect((own.strokeDasharray ?? "").split(" ").filter(Boolean).map(Number)).toEqual(told.dashes);
  },
);

it("writes points without needless decimals", () => {
  expect([points(3), points(2.5), points(2.25), points(0)]).toEqual(["3", "2.5", "2.3", "0"]);
});
