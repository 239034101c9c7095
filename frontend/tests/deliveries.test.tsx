// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { describe, expect, it, vi } from "vitest";

import type { Delivery, SetDelivery } from "../src/api/types";
import { outcome, type Pin, unknownOf, useDeliveries } from "../src/deliveries/useDeliveries";

const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
);
const pinned: Delivery = {
  sheet: 4,
  student: { id: 7, name: "Dina Farouk" },
  why: null,
  candidates: [],
  questions: 0,
  findings: 2,
  pages: 3,
};
const whose: Delivery = {
  ...pinned,
  sheet: null,
  student: null,
  why: "nobody is named",
  candidates: [{ id: 7, name: "Dina Farouk" }],
};
const ofFork = { exercise: 12, title: "Pedal fork", unplaced: false };
const KEY = ["set wall", 1];

describe("what became of a page", () => {
  it("is told with the sheet it is, where it is one of a set", () => {
    expect(outcome(pinned, {}).words).toBe("Dina Farouk: pinned up, 2 findings");
    expect(outcome({ ...pinned, ...ofFork, questions: 1 }, {}).words).toBe(
      "Pedal fork · Dina Farouk: pinned up, 2 findings, 1 question",
    );
    const left = outcome({ ...pinned, ...ofFork, why: "is handed in" }, {});
    expect(left).toEqual({ state: "left", words: "Pedal fork · Dina Farouk: is handed in" });
    expect(outcome({ ...pinned, student: null, why: "no sheet" }, {}).state).toBe("failed");
  });

  it("is asked with what is known already", () => {
    expect(outcome({ ...whose, ...ofFork }, {})).toMatchObject({
      state: "unknown",
      said: { exercise: 12 },
    });
    const none: SetDelivery = {
      ...whose,
      candidates: [],
      exercise: null,
      title: "",
      unplaced: true,
    };
    expect(outcome(none, { student: 7 })).toMatchObject({
      state: "unplaced",
      said: { student: 7 },
    });
  });
});

describe("files of a class", () => {
  it("are brought in page by page, and one that fails stops none", async () => {
    const pin = vi.fn<Pin>((file, page) =>
      file.name === "bad.pdf"
        ? Promise.reject(new Error("cut off"))
        : Promise.resolve({ ...pinned, pages: page === 1 ? 3 : 1 }),
    );
    const { result } = renderHook(() => useDeliveries(KEY, pin), { wrapper });
    act(() => result.current.bringIn([new File([], "class.pdf"), new File([], "bad.pdf")]));
    await waitFor(() => expect(result.current.list.map((own) => own.state)).toHaveLength(4));
    await waitFor(() =>
      expect(result.current.list.map((own) => own.state)).toEqual([
        "pinned",
        "pinned",
        "pinned",
        "failed",
      ]),
    );
    expect(result.current.list.map((own) => own.page)).toEqual([1, 2, 3, 1]);
    expect(result.current.list[3]!.words).toBe("cut off");
  });

  it("are settled together where several pages of one tell nobody", async () => {
    const pin = vi.fn<Pin>((_, __, said) =>
      Promise.resolve({ ...(said.student ? pinned : whose), ...ofFork, pages: 2 }),
    );
    const { result } = renderHook(() => useDeliveries(KEY, pin), { wrapper });
    const file = new File([], "scan.pdf");
    act(() => result.current.bringIn([file]));
    await waitFor(() => expect(unknownOf(result.current.list, file)).toHaveLength(2));
    await act(() => result.current.settle(unknownOf(result.current.list, file), { student: 7 }));
    expect(result.current.list.map((own) => own.state)).toEqual(["pinned", "pinned"]);
    // Which sheet it is was found out before and is not asked again.
    expect(pin.mock.calls.slice(2).map(([, page, said]) => [page, said])).toEqual([
      [1, { exercise: 12, student: 7 }],
      [2, { exercise: 12, student: 7 }],
    ]);
  });
});
