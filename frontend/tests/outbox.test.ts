import { describe, expect, it, vi } from "vitest";

import { ServiceError } from "../src/api/client";
import { Outbox, type Piece } from "../src/marking/outbox";

function shelf(kept: Record<string, string> = {}) {
  return {
    kept,
    getItem: (name: string) => kept[name] ?? null,
    setItem: (name: string, value: string) => {
      kept[name] = value;
    },
    removeItem: (name: string) => void delete kept[name],
  };
}

const change = (path: string) => ({ method: "PUT" as const, path, body: { decision: "upheld" } });
const now = () => Promise.resolve();
const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

describe("changes on their way", () => {
  it("arrive one after the other, in the order they were made", async () => {
    const arrived: string[] = [];
    const box = new Outbox(shelf(), "box", async (piece: Piece) => {
      await settled();
      arrived.push(piece.path);
      return piece.path;
    });
    expect(await Promise.all(["a", "b", "c"].map((path) => box.add(change(path))))).toEqual([
      "a",
      "b",
      "c",
    ]);
    expect(arrived).toEqual(["a", "b", "c"]);
    expect(box.waiting()).toEqual([]);
  });

  it.each([0, 401, 429, 502, 503])("wait and are tried again after a %d", async (status) => {
    const send = vi
      .fn<(piece: Piece) => Promise<unknown>>()
      .mockRejectedValueOnce(new ServiceError("away", status))
      .mockRejectedValueOnce(new ServiceError("away", status))
      .mockResolvedValue("kept");
    const stuck: boolean[] = [];
    const box: Outbox = new Outbox(shelf(), "box", send, vi.fn(), async () => {
      stuck.push(box.isStuck());
    });
    expect(await box.add(change("a"))).toBe("kept");
    expect([send.mock.calls.length, stuck, box.isStuck()]).toEqual([3, [true, true], false]);
  });

  it.each([404, 409, 422, 500])("are told of and gone when refused with %d", async (status) => {
    const send = vi
      .fn<(piece: Piece) => Promise<unknown>>()
      .mockRejectedValueOnce(new ServiceError("no", status))
      .mockResolvedValue("kept");
    const own = shelf();
    const box = new Outbox(own, "box", send);
    const first = box.add(change("a"));
    const second = box.add(change("b"));
    await expect(first).rejects.toThrow("no");
    expect(await second).toBe("kept");
    expect(own.kept).toEqual({});
  });

  it("are still there after a reload, and go out then", async () => {
    const own = shelf();
    const away = () => new Promise<never>(() => undefined);
    const before = new Outbox(
      own,
      "box",
      () => Promise.reject(new ServiceError("", 0)),
      vi.fn(),
      away,
    );
    void before.add(change("a"));
    void before.add(change("b"));
    await settled();
    const arrived: string[] = [];
    const after = new Outbox(own, "box", async (piece) => void arrived.push(piece.path));
    expect(after.waiting().length).toBeGreaterThan(0);
    await vi.waitFor(() => expect(after.waiting()).toEqual([]));
    expect(arrived).toEqual(["a", "b"]);
    expect(own.kept).toEqual({});
  });

  it("are told of when they were made before a reload and are refused after it", async () => {
    const piece = { ...change("a"), id: "one" };
    const told = vi.fn();
    const refuse = () => Promise.reject(new ServiceError("returned meanwhile", 409));
    const box = new Outbox(shelf({ box: JSON.stringify([piece]) }), "box", refuse, told);
    await vi.waitFor(() => expect(box.waiting()).toEqual([]));
    expect(told).toHaveBeenCalledTimes(1);
    expect((told.mock.calls[0]![0] as Error).message).toBe("returned meanwhile");
  });

  it.each(["not json", '{"id": 1}'])("begin with nothing where %s is kept", (text) => {
    expect(new Outbox(shelf({ box: text }), "box", now).waiting()).toEqual([]);
  });

  it("go out where the browser keeps nothing", async () => {
    const full = {
      ...shelf(),
      setItem: () => {
        throw new Error("full");
      },
    };
    expect(await new Outbox(full, "box", async () => "kept").add(change("a"))).toBe("kept");
  });

  it("tell whoever listens, until they do so no longer", async () => {
    const box = new Outbox(shelf(), "box", async () => "kept");
    const heard = vi.fn();
    const stop = box.listen(heard);
    await box.add(change("a"));
    const times = heard.mock.calls.length;
    expect(times).toBeGreaterThanOrEqual(2);
    stop();
    await box.add(change("b"));
    expect(heard.mock.calls.length).toBe(times);
  });
});
