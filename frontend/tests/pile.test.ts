import { describe, expect, it } from "vitest";

import type { Finding, WallSheet } from "../src/api/types";
import {
  arranged,
  findingPlace,
  isShown,
  kindsOf,
  OPEN_SIEVE,
  sheetsOf,
  standingOf,
  stillOut,
} from "../src/wall/pile";

const finding = (number: number, kind: string, share: string, more: Partial<Finding> = {}) =>
  ({
    number,
    kind,
    share,
    criterion: "lines",
    severity: "error",
    decision: null,
    answer: "",
    ...more,
  }) as Finding;

const sheet = (id: number, student: string, findings: Finding[], more: Partial<WallSheet> = {}) =>
  ({
    id,
    student,
    group: "",
    state: "handed-in",
    late: false,
    handed_in_at: `2026-11-0${id}T10:00:00+00:00`,
    counting: 30 - findings.length,
    decided: findings.filter((own) => own.decision !== null).length,
    findings,
    ...more,
  }) as WallSheet;

const hole = (number: number, name: string, more: Partial<Finding> = {}) =>
  finding(number, "dimensions.undetermined:position", `position|${name}`, {
    criterion: "dimensions",
    ...more,
  });

const ANA = sheet(1, "Ana", [hole(0, "left hole"), hole(1, "right hole")]);
const BEN = sheet(2, "Ben", [finding(0, "lines.extra", "extra", { severity: "warning" })]);
const CLEO = sheet(3, "Cleo", [hole(0, "right hole", { decision: "upheld" })], { group: "B" });
const DEV = sheet(4, "Dev", [], { state: "returned", late: true });
const PILE = [ANA, BEN, CLEO, DEV];
const names = (sheets: WallSheet[]) => sheets.map((own) => own.student).join(" ");

describe("mistakes of a pile", () => {
  it("are grouped by kind, with the single ones under it, errors and frequent ones first", () => {
    const [holes, lines] = kindsOf([BEN, ANA, CLEO, DEV], null);
    expect(holes!.kind).toBe("dimensions.undetermined:position");
    expect([holes!.places.length, sheetsOf(holes!.places)]).toEqual([3, 2]);
    expect(holes!.shares.map((own) => [own.share, own.places.length])).toEqual([
      ["position|right hole", 2],
      ["position|left hole", 1],
    ]);
    expect(lines!.kind).toBe("lines.extra");
  });

  it("are those under the lens", () => {
    expect(kindsOf(PILE, "lines").map((own) => own.kind)).toEqual(["lines.extra"]);
    expect(kindsOf(PILE, "front")).toEqual([]);
  });

  it("can be decided about where the sheet is still out", () => {
    const back = { ...ANA, state: "returned" as const };
    const [kind] = kindsOf([back, CLEO], null);
    expect(stillOut(kind!.places).map(findingPlace)).toEqual([
      { sheet: 3, number: 0, share: "position|right hole" },
    ]);
  });
});

describe("the wall", () => {
  it("hangs sheets in the order asked for, equal ones by name", () => {
    expect(names(arranged([DEV, CLEO, BEN, ANA], "name", OPEN_SIEVE, null))).toBe(
      "Ana Ben Cleo Dev",
    );
    expect(names(arranged(PILE, "mark", OPEN_SIEVE, null))).toBe("Ana Ben Cleo Dev");
    expect(names(arranged(PILE, "findings", OPEN_SIEVE, null))).toBe("Ana Ben Cleo Dev");
    expect(names(arranged([DEV, ANA], "handed in", OPEN_SIEVE, null))).toBe("Ana Dev");
    expect(names(arranged(PILE, "group", OPEN_SIEVE, null))).toBe("Ana Ben Dev Cleo");
  });

  it("hangs sheets with the same mistakes side by side", () => {
    const twin = sheet(5, "Eva", [finding(0, "lines.extra", "extra")]);
    expect(names(arranged([ANA, BEN, CLEO, twin], "alike", OPEN_SIEVE, null))).toBe(
      "Ana Ben Eva Cleo",
    );
  });

  it("lets through what is asked for", () => {
    const through = (sieve: Partial<typeof OPEN_SIEVE>) =>
      names(arranged(PILE, "name", { ...OPEN_SIEVE, ...sieve }, null));
    expect(through({ words: " cLE" })).toBe("Cleo");
    expect(through({ words: "b" })).toBe("Ben Cleo");
    expect(through({ only: "waiting" })).toBe("Ana Ben");
    expect(through({ only: "decided" })).toBe("Cleo");
    expect(through({ only: "returned" })).toBe("Dev");
    expect(through({ only: "late" })).toBe("Dev");
    expect(through({ only: "answered" })).toBe("");
  });

  it("brings those with the chosen mistake to the front, one kind of it beside the other", () => {
    const chosen = { kind: "dimensions.undetermined:position", share: null };
    const also = sheet(6, "Bea", [hole(0, "left hole")]);
    const order = arranged([ANA, also, BEN, CLEO, DEV], "name", OPEN_SIEVE, chosen);
    expect(names(order)).toBe("Ana Bea Cleo Ben Dev");
    expect(isShown(ANA.findings[0]!, null, chosen)).toBe(true);
    expect(isShown(ANA.findings[0]!, null, { ...chosen, share: "position|right hole" })).toBe(
      false,
    );
  });

  it("says how far a sheet is", () => {
    expect(PILE.map(standingOf)).toEqual(["waiting", "waiting", "decided", "returned"]);
  });

  it("arranges two hundred sheets without losing or doubling any", () => {
    const many = Array.from({ length: 200 }, (_, id) =>
      sheet(id, `S${id % 17}`, id % 3 ? [hole(0, `hole ${id % 5}`)] : []),
    );
    const chosen = { kind: "dimensions.undetermined:position", share: "position|hole 2" };
    const order = arranged(many, "alike", OPEN_SIEVE, chosen);
    expect(new Set(order.map((own) => own.id)).size).toBe(200);
    const having = order.map((own) => own.findings.some((f) => isShown(f, null, chosen)));
    expect(having.lastIndexOf(true)).toBe(having.filter(Boolean).length - 1);
  });
});
