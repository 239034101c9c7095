// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { api } from "../src/api/client";
import type { KeptForm } from "../src/api/types";
import { keptHere, useFormSaving, type Named } from "../src/sheetForm/useFormSaving";

const named = (name: string): Named => ({ name, form: FORM });
const FORM = { size: "A3", landscape: true } as unknown as Named["form"];
const KEPT = { id: 7, name: "begun", revision: 2, form: FORM } as unknown as KeptForm;
const QUIET = 2000;

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

describe("a sheet form being edited", () => {
  it("is kept here until it is saved", async () => {
    const put = vi
      .spyOn(api, "PUT")
      .mockResolvedValue({ data: { revision: 3 }, response: new Response() } as never);
    const { result, rerender } = renderHook((now: Named) => useFormSaving(KEPT, now), {
      initialProps: named("begun"),
    });
    await act(() => vi.advanceTimersByTimeAsync(QUIET));
    rerender(named("changed"));
    expect(keptHere(KEPT)?.name).toBe("changed");
    // Not saved yet is never said to be saved.
    expect(result.current.save.kind).toBe("saving");
    await act(() => vi.advanceTimersByTimeAsync(QUIET));
    expect(put).toHaveBeenCalledTimes(1);
    expect(result.current.save.kind).toBe("saved");
    expect(keptHere(KEPT)).toBeNull();
  });

  it("leaves nothing behind where a change is undone before it was saved", async () => {
    const put = vi.spyOn(api, "PUT");
    const begun = named("begun");
    const { result, rerender } = renderHook((now: Named) => useFormSaving(KEPT, now), {
      initialProps: begun,
    });
    rerender(named("changed"));
    expect(keptHere(KEPT)?.name).toBe("changed");
    rerender(begun);
    await act(() => vi.advanceTimersByTimeAsync(QUIET));
    expect(put).not.toHaveBeenCalled();
    expect(result.current.save.kind).toBe("saved");
    expect(keptHere(KEPT)).toBeNull();
  });
});
