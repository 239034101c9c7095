// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { api, ServiceError } from "../src/api/client";
import type { Draft, SheetDocument } from "../src/api/types";
import type { DraftCalls } from "../src/bench/draftCalls";
import { keepDraft, keptDraft, openFormer } from "../src/bench/keptDraft";
import { useDraft } from "../src/bench/useDraft";

const sheet = (name: string) =>
  ({
    format: 2,
    name,
    views: [],
    cutting_lines: [],
    circled: [],
    balloons: [],
    trails: [],
  }) as unknown as SheetDocument;
const draft = (revision: number, name: string): Draft => ({
  id: 1,
  state: "draft",
  revision,
  document: sheet(name),
  saved_at: null,
  checks_left: 0,
  attempt: 1,
  attempts_left: 0,
});
const KEY = "maqueta-draft-test";

function calls(save: DraftCalls["save"], load = async () => draft(9, "other tab")): DraftCalls {
  return { key: KEY, load, save };
}
const kept = async (document: SheetDocument, base: number): Promise<Draft> => ({
  ...draft(base + 1, ""),
  document,
  saved_at: "2026-11-26T10:00:00+00:00",
});

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
});
afterEach(() => vi.useRealTimers());

const settled = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe("a draft", () => {
  it("is kept here at once and saved when the hand rests", async () => {
    const save = vi.fn(kept);
    const { result } = renderHook(() => useDraft(calls(save), draft(3, "begun")));
    act(() => result.current.change(sheet("one")));
    act(() => result.current.change(sheet("two")));
    expect(keptDraft(KEY)?.document).toEqual(sheet("two"));
    await settled(1000);
    expect(save).toHaveBeenCalledTimes(1);
    expect(save).toHaveBeenCalledWith(sheet("two"), 3);
    expect(keptDraft(KEY)).toBeNull();
    expect(result.current.save.kind).toBe("saved");
    act(() => result.current.change(sheet("three")));
    await settled(1000);
    expect(save).toHaveBeenLastCalledWith(sheet("three"), 4);
  });

  it("is saved already where a change is undone before it was", async () => {
    const save = vi.fn(kept);
    const { result } = renderHook(() => useDraft(calls(save), draft(3, "begun")));
    act(() => result.current.change(sheet("one")));
    expect(result.current.save.kind).toBe("saving");
    act(() => result.current.undo?.());
    await settled(1000);
    expect(save).not.toHaveBeenCalled();
    expect(result.current.save.kind).toBe("saved");
    // Or the change would be back after a reload.
    expect(keptDraft(KEY)).toBeNull();
  });

  it("is never said to be saved as it is not, not for the moment of a change", async () => {
    const said: (string | null | undefined)[] = [];
    const { result } = renderHook(() => {
      const own = useDraft(calls(kept), draft(3, "begun"));
      if (own.save.kind === "saved") said.push(own.document.name);
      return own;
    });
    act(() => result.current.change(sheet("one")));
    act(() => result.current.undo?.());
    act(() => result.current.redo?.());
    expect(new Set(said)).toEqual(new Set(["begun"]));
    act(() => result.current.change((now) => now));
    await settled(1000);
    expect(result.current.save.kind).toBe("saved");
    expect(said.at(-1)).toBe("one");
  });

  it("tells that the exercise is closed, and stays here", async () => {
    const save = vi.fn(() => Promise.reject(new ServiceError("It is closed.", 403)));
    const { result } = renderHook(() => useDraft(calls(save), draft(3, "begun")));
    act(() => result.current.change(sheet("late")));
    await settled(20_000);
    expect(result.current.save).toEqual({ kind: "closed", why: "It is closed." });
    expect(save).toHaveBeenCalledTimes(1);
    expect(keptDraft(KEY)?.document).toEqual(sheet("late"));
  });

  it("goes back and forth through its changes", async () => {
    const { result } = renderHook(() => useDraft(calls(vi.fn(kept)), draft(3, "begun")));
    expect(result.current.undo).toBeNull();
    act(() => result.current.change(sheet("one")));
    act(() => result.current.change(sheet("two")));
    act(() => result.current.undo?.());
    expect(result.current.document.name).toBe("one");
    act(() => result.current.undo?.());
    expect(result.current.document.name).toBe("begun");
    expect(result.current.undo).toBeNull();
    act(() => result.current.redo?.());
    act(() => result.current.change(sheet("else")));
    expect(result.current.redo).toBeNull();
    expect(result.current.document.name).toBe("else");
  });

  it("is sent again when the service was away, and is here meanwhile", async () => {
    let away = true;
    const save = vi.fn((document: SheetDocument, base: number) =>
      away ? Promise.reject(new Error("no answer")) : kept(document, base),
    );
    const { result } = renderHook(() => useDraft(calls(save), draft(3, "begun")));
    act(() => result.current.change(sheet("one")));
    await settled(1000);
    expect(result.current.save).toEqual({ kind: "unsaved", why: "no answer" });
    expect(keptDraft(KEY)).toEqual({ base: 3, document: sheet("one") });
    away = false;
    await settled(5000);
    expect(result.current.save.kind).toBe("saved");
  });

  it("tells who asks for it whether the service has all of it", async () => {
    const refused = vi.fn().mockRejectedValue(new ServiceError("changed", 409, { revision: 9 }));
    const { result } = renderHook(() => useDraft(calls(refused), draft(3, "begun")));
    await act(async () => expect(await result.current.saveNow()).toBe(true));
    act(() => result.current.change(sheet("one")));
    await act(async () => expect(await result.current.saveNow()).toBe(false));
    expect(keptDraft(KEY)?.document).toEqual(sheet("one"));
  });

  it("is not kept here any longer once it turns out to be what the service has", () => {
    keepDraft(KEY, 2, sheet("begun"));
    const { result } = renderHook(() => useDraft(calls(vi.fn(kept)), draft(3, "begun")));
    expect(result.current.save.kind).toBe("saved");
    expect(keptDraft(KEY)).toBeNull();
  });

  it("asks who wins when another tab saved in between", async () => {
    const save = vi.fn(async (document: SheetDocument, base: number) => {
      if (base < 9) throw new ServiceError("saved elsewhere", 409, { revision: 9 });
      return kept(document, base);
    });
    const { result } = renderHook(() => useDraft(calls(save), draft(3, "begun")));
    act(() => result.current.change(sheet("mine")));
    await settled(1000);
    expect(result.current.save).toEqual({ kind: "conflict", revision: 9 });
    await act(() => result.current.settle(true));
    await settled(1000);
    expect(save).toHaveBeenLastCalledWith(sheet("mine"), 9);
  });

  it("takes the other tab's sheet when told so", async () => {
    const save = vi.fn(() =>
      Promise.reject(new ServiceError("saved elsewhere", 409, { revision: 9 })),
    );
    const { result } = renderHook(() => useDraft(calls(save), draft(3, "begun")));
    act(() => result.current.change(sheet("mine")));
    await settled(1000);
    await act(() => result.current.settle(false));
    await settled(1000);
    expect(result.current.document.name).toBe("other tab");
    expect(keptDraft(KEY)).toBeNull();
  });

  it("comes back after a reload, with the saved one behind it", () => {
    keepDraft(KEY, 3, sheet("unsaved"));
    const { result } = renderHook(() => useDraft(calls(vi.fn(kept)), draft(3, "saved")));
    expect(result.current.document.name).toBe("unsaved");
    act(() => result.current.undo?.());
    expect(result.current.document.name).toBe("saved");
  });
});

describe("a draft of a former format", () => {
  const former = { format: 1, front: "v1", views: [] } as unknown as SheetDocument;

  it("is opened by the service before it is read", async () => {
    keepDraft(KEY, 3, former);
    const post = vi
      .spyOn(api, "POST")
      .mockResolvedValue({ data: sheet("opened"), response: new Response() } as never);
    await openFormer(KEY, draft(3, "saved"));
    expect(post).toHaveBeenCalledWith("/api/documents", { body: { document: former } });
    expect(keptDraft(KEY)).toEqual({ base: 3, document: sheet("opened") });
    await openFormer(KEY, draft(3, "saved"));
    expect(post).toHaveBeenCalledTimes(1);
  });

  it("is opened as well where it lacks what the format has by now", async () => {
    const older: Partial<SheetDocument> = { ...sheet("older") };
    delete older.circled;
    keepDraft(KEY, 3, older as SheetDocument);
    const post = vi
      .spyOn(api, "POST")
      .mockResolvedValue({ data: sheet("opened"), response: new Response() } as never);
    await openFormer(KEY, draft(3, "saved"));
    expect(post).toHaveBeenCalledTimes(1);
    expect(keptDraft(KEY)?.document).toEqual(sheet("opened"));
  });

  it("is opened also where another tab of a version before wrote it in between", async () => {
    vi.spyOn(api, "POST").mockResolvedValue({
      data: sheet("opened"),
      response: new Response(),
    } as never);
    const save = vi
      .fn()
      .mockRejectedValueOnce(new ServiceError("out of date", 409, { revision: 9 }));
    save.mockImplementation(kept);
    const { result } = renderHook(() => useDraft(calls(save), draft(3, "begun")));
    act(() => result.current.change(sheet("mine")));
    await settled(1000);
    expect(result.current.save.kind).toBe("conflict");
    keepDraft(KEY, 8, former);
    await act(() => result.current.settle(true));
    expect(result.current.document).toEqual(sheet("opened"));
  });

  it("is put aside, not lost, when it cannot be opened", async () => {
    keepDraft(KEY, 3, former);
    vi.spyOn(api, "POST").mockRejectedValue(new ServiceError("no sheet", 422));
    await openFormer(KEY, draft(3, "saved"));
    expect(keptDraft(KEY)).toBeNull();
    expect(localStorage.getItem(`${KEY}-former`)).toContain('"front":"v1"');
  });

  it("waits while the service is away", async () => {
    keepDraft(KEY, 3, former);
    vi.spyOn(api, "POST").mockRejectedValue(new Error("no answer"));
    await expect(openFormer(KEY, draft(3, "saved"))).rejects.toThrow("no answer");
    expect(keptDraft(KEY)?.document).toEqual(former);
  });

  it("is nothing when nothing, or nonsense, is kept", async () => {
    await openFormer(KEY, draft(3, "saved"));
    localStorage.setItem(KEY, "{not json");
    expect(keptDraft(KEY)).toBeNull();
    await openFormer(KEY, draft(3, "saved"));
  });
});
