import { useEffect, useSyncExternalStore } from "react";

import { call } from "../api/client";
import { useMe } from "../frame/me";
import { complain } from "../frame/tell";
import { Outbox, type Piece } from "./outbox";

const boxes = new Map<string, Outbox>();

/** The outbox of who is logged in: one for all pages of this browser window. */
export function useOutbox() {
  const { login } = useMe();
  let box = boxes.get(login);
  if (!box) {
    const send = (piece: Piece) => call(piece.method, piece.path, piece.body);
    box = new Outbox(window.sessionStorage, `maqueta outbox ${login}`, send, complain);
    boxes.set(login, box);
  }
  const waiting = useSyncExternalStore(box.listen, box.waiting);
  const stuck = useSyncExternalStore(box.listen, box.isStuck);
  const open = waiting.length > 0;
  useEffect(() => {
    if (!open) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [open]);
  return { add: box.add.bind(box), waiting, stuck };
}
