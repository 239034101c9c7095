// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";

import { api, ServiceError } from "../src/api/client";
import * as telling from "../src/frame/tell";
import { useBringIn } from "../src/shelf/useBringIn";

afterEach(() => vi.restoreAllMocks());

const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
);

describe("a file being examined", () => {
  it("says why it could not be stopped", async () => {
    const away = new ServiceError("The database does not answer just now.", 503);
    vi.spyOn(api, "DELETE").mockRejectedValue(away);
    const complained = vi.spyOn(telling, "complain").mockImplementation(() => undefined);
    const { result } = renderHook(() => useBringIn(), { wrapper });
    await act(async () => result.current.cancel(7));
    expect(complained).toHaveBeenCalledWith(away);
  });
});
