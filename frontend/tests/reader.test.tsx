// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { SheetDocument } from "../src/api/types";
import { useReader } from "../src/reader/useReader";

const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
);

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("matchMedia", () => ({ matches: true, addEventListener: vi.fn() }));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe("the reader's eye", () => {
  it("comes to rest while nothing changes, however often it is asked", async () => {
    const document = { format: 2, views: [] } as unknown as SheetDocument;
    const params = { path: { exercise_id: 1 }, query: {} };
    let rendered = 0;
    const { rerender } = renderHook(
      () => {
        rendered += 1;
        return useReader({ kind: "bench", params, document }, false);
      },
      { wrapper },
    );
    rerender();
    const before = rendered;
    for (let step = 0; step < 20; step++) await act(() => vi.advanceTimersByTimeAsync(160));
    expect(rendered - before).toBeLessThan(3);
  });
});
