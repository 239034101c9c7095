import { ServiceError } from "../api/client";

/** A change on its way to the service, as it is kept until it has arrived. */
export interface Piece {
  id: string;
  method: "PUT" | "POST" | "DELETE";
  path: string;
  body?: unknown;
}

type Send = (piece: Piece) => Promise<unknown>;
type Shelf = Pick<Storage, "getItem" | "setItem" | "removeItem">;

/** What is worth trying again: no connection, an expired log-in, a service that restarts or is full. */
function passes(error: unknown): boolean {
  if (!(error instanceof ServiceError)) return false;
  return error.status === 0 || error.status === 401 || error.status === 429 || error.status >= 502;
}

/**
 * Changes in the order they were made, one on its way at a time. What cannot arrive now is kept, over a reload too, and
 * tried again; what is refused is told to who made it and is gone.
 */
export class Outbox {
  private pieces: Piece[];
  private waits = new Map<
    string,
    { kept: (value: unknown) => void; refused: (why: unknown) => void }
  >();
  private listeners = new Set<() => void>();
  private sending = false;
  /** Whether the last try did not get through. */
  private stuck = false;

  constructor(
    private shelf: Shelf,
    private name: string,
    private send: Send,
    /** Told of what is refused although nobody here waits for it: it was made before a reload. */
    private lost: (why: unknown) => void = () => undefined,
    private pause: (ms: number) => Promise<void> = (ms) =>
      new Promise((resolve) => setTimeout(resolve, ms)),
  ) {
    this.pieces = read(shelf, name);
    if (this.pieces.length > 0) void this.run();
  }

  /** Send a change; resolves with the service's answer once it is kept. */
  add(piece: Omit<Piece, "id">): Promise<unknown> {
    const id = crypto.randomUUID();
    this.pieces = [...this.pieces, { ...piece, id }];
    this.write();
    const answer = new Promise((kept, refused) => this.waits.set(id, { kept, refused }));
    void this.run();
    return answer;
  }

  /** What is not kept yet, the oldest first; the same list while nothing changes. */
  waiting = (): readonly Piece[] => this.pieces;

  isStuck = (): boolean => this.stuck;

  listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private async run(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    while (this.pieces[0]) {
      const piece = this.pieces[0];
      try {
        const answer = await this.send(piece);
        this.done(piece);
        this.waits.get(piece.id)?.kept(answer);
      } catch (error) {
        if (passes(error)) {
          this.stuck = true;
          this.tell();
          await this.pause(2000);
          continue;
        }
        this.done(piece);
        const wait = this.waits.get(piece.id);
        if (wait) wait.refused(error);
        else this.lost(error);
      }
      this.waits.delete(piece.id);
    }
    this.sending = false;
  }

  private done(piece: Piece): void {
    this.stuck = false;
    this.pieces = this.pieces.filter((own) => own.id !== piece.id);
    this.write();
  }

  private write(): void {
    try {
      if (this.pieces.length > 0) this.shelf.setItem(this.name, JSON.stringify(this.pieces));
      else this.shelf.removeItem(this.name);
    } catch {
      // A browser that keeps nothing still sends what it has.
    }
    this.tell();
  }

  private tell(): void {
    this.listeners.forEach((listener) => listener());
  }
}

function read(shelf: Shelf, name: string): Piece[] {
  try {
    const kept: unknown = JSON.parse(shelf.getItem(name) ?? "[]");
    return Array.isArray(kept) ? (kept as Piece[]) : [];
  } catch {
    return [];
  }
}
