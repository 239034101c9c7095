// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";

import { api, ServiceError } from "../src/api/client";
import { useProposed } from "../src/set/useProposed";

/** Answers to requests for proposals that are given when a test lets them. */
function answers() {
  const waiting = new Map<number, (sheets: [number, string][]) => void>();
  const failing = new Map<number, () => void>();
  vi.spyOn(api, "POST").mockImplementation(((
    _: string,
    { body }: { body: { parts: number[] } },
  ) => {
    const of = body.parts[0]!;
    return new Promise((resolve, reject) => {
      waiting.set(of, (sheets) =>
        resolve({
          data: {
            title: `Set ${of}`,
            sheets: sheets.map(([part, shows]) => ({ part, task: { shows } })),
          },
          response: new Response(),
        }),
      );
      failing.set(of, () => reject(new ServiceError("This part is not ready.", 409)));
    });
  }) as never);
  return { waiting, failing };
}

afterEach(() => vi.restoreAllMocks());

describe("sheets that are proposed", () => {
  const asked = () => renderHook(() => useProposed(() => undefined)).result;
  const parts = (result: ReturnType<typeof asked>) => result.current.sheets.map((own) => own.part);

  it("stand in the order in which they were chosen, whichever answer comes first", async () => {
    const { waiting } = answers();
    const result = asked();
    act(() => result.current.choose(["1"]));
    act(() => result.current.choose(["1", "2"]));
    await act(async () => waiting.get(2)!([[2, "views"]]));
    expect(parts(result)).toEqual([]);
    await act(async () =>
      waiting.get(1)!([
        [1, "six sides"],
        [11, "views"],
      ]),
    );
    expect(parts(result)).toEqual([1, 11, 2]);
  });

  it("go with the assembly they were proposed for, and are asked once", async () => {
    const { waiting } = answers();
    const result = asked();
    act(() => result.current.choose(["1", "11"]));
    await act(async () =>
      waiting.get(1)!([
        [1, "six sides"],
        [11, "views"],
      ]),
    );
    await act(async () => waiting.get(11)!([[11, "views"]]));
    expect(parts(result)).toEqual([1, 11]);
    act(() => result.current.choose([]));
    expect(parts(result)).toEqual([]);
  });

  it("come after those that are set already, which stay, and which an assembly does not bring again", async () => {
    const { waiting } = answers();
    const there = [11, 12].map((part) => ({
      part,
      of: part,
      exercise: 100 + part,
      task: { shows: "views" },
    }));
    const result = renderHook(() => useProposed(() => undefined, there as never)).result;
    act(() => result.current.choose(["1", "12"]));
    await act(async () =>
      waiting.get(1)!([
        [1, "six sides"],
        [11, "views"],
        [13, "views"],
      ]),
    );
    await act(async () => waiting.get(12)!([[12, "views"]]));
    expect(parts(result)).toEqual([11, 12, 1, 13, 12]);
    act(() => result.current.choose([]));
    expect(parts(result)).toEqual([11, 12]);
  });

  it("do not come for what is no longer chosen, nor for what is refused", async () => {
    const { waiting, failing } = answers();
    const result = asked();
    act(() => result.current.choose(["1", "2", "3"]));
    act(() => result.current.choose(["2", "3"]));
    await act(async () => {
      waiting.get(1)!([[1, "views"]]);
      failing.get(2)!();
      waiting.get(3)!([[3, "views"]]);
    });
    expect(parts(result)).toEqual([3]);
    expect(result.current.chosen).toEqual(["3"]);
    expect(result.current.refused).toBe("This part is not ready.");
  });
});
