import { useEffect, useState } from "react";

import type { Assembly, PlacedPart } from "../api/types";
import { useHistory } from "../frame/useHistory";

const keyOf = (part: number | null): string => `maqueta-assembly-${part ?? "new"}`;

interface Kept {
  base: string;
  assembly: Assembly;
}

/** What this browser keeps of an assembly that is being changed, made from what the shelf has now. */
export function keptHere(part: number | null, start: Assembly): Assembly {
  try {
    const own = JSON.parse(localStorage.getItem(keyOf(part)) ?? "null") as Kept | null;
    return own?.base === JSON.stringify(start) ? own.assembly : start;
  } catch {
    return start;
  }
}

export function forget(part: number | null): void {
  localStorage.removeItem(keyOf(part));
}

/** An assembly being put together, with undo and redo; this browser keeps it until it is on the shelf. */
export function useAssembly(part: number | null, start: Assembly) {
  const [begun] = useState(() => keptHere(part, start));
  const { now: assembly, changed, change, undo, redo } = useHistory(begun);
  useEffect(() => {
    if (!changed) return;
    const kept: Kept = { base: JSON.stringify(start), assembly };
    localStorage.setItem(keyOf(part), JSON.stringify(kept));
  }, [part, start, assembly, changed]);
  const setComponents = (next: (components: PlacedPart[]) => PlacedPart[]) =>
    change((now) => ({ ...now, components: next(now.components) }));
  return {
    assembly,
    change,
    undo,
    redo,
    set: (id: string, next: Partial<PlacedPart>) =>
      setComponents((all) => all.map((own) => (own.id === id ? { ...own, ...next } : own))),
    add: (added: PlacedPart[]) => setComponents((all) => [...all, ...added]),
    remove: (id: string) => setComponents((all) => all.filter((own) => own.id !== id)),
    setWays: (ways: ReadonlyMap<string, PlacedPart["apart"]>) =>
      setComponents((all) => all.map((own) => ({ ...own, apart: ways.get(own.id) ?? null }))),
  };
}

export type AssemblyEditor = ReturnType<typeof useAssembly>;

/** Ids for components that are put in, none of which is there yet. */
export function freshIds(assembly: Assembly, count: number): string[] {
  const taken = new Set(assembly.components.map(({ id }) => id));
  const found: string[] = [];
  for (let number = 1; found.length < count; number++)
    if (!taken.has(`c${number}`)) found.push(`c${number}`);
  return found;
}
