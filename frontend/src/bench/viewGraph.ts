import type { SheetDocument, View } from "../api/types";
import type { Attitude } from "../turntable/attitude";

/** How a principal view looks at the part; null for any other. */
export function attitudeOf(view: View | undefined): Attitude | null {
  return view?.look && "side" in view.look ? view.look : null;
}

/** The front view: the principal one that stands for itself and that principal ones are folded out from. */
export function frontOf({ views }: Pick<SheetDocument, "views">): View | null {
  const principal = views.filter((view) => view.kind === "principal");
  const alone = principal.filter((view) => !view.parent);
  const fronts =
    alone.length > 1 ? alone.filter((a) => principal.some((view) => view.parent === a.id)) : alone;
  return fronts.length === 1 ? fronts[0]! : null;
}

/** The views with another front: principal ones that stood for themselves, or on the old one, stand on it. */
export function withFront(views: View[], front: string): View[] {
  const old = frontOf({ views })?.id ?? null;
  return views.map((view) => {
    if (view.kind !== "principal") return view;
    if (view.id === front) return { ...view, parent: null };
    const free = !view.parent || view.parent === old || view.parent === front;
    return free ? { ...view, parent: front } : view;
  });
}

/** A view and all that are folded out from it, at first or second hand. */
export function kinOf(views: readonly View[], id: string): ReadonlySet<string> {
  const kin = new Set([id]);
  // Each round finds those that hang on the ones found before; a chain is never longer than the list.
  for (let round = 0; round < views.length; round++)
    for (const view of views) if (view.parent && kin.has(view.parent)) kin.add(view.id);
  return kin;
}

/** The views without one of them; what was folded out from it stands for itself. */
export function withoutView(views: View[], id: string): View[] {
  return views
    .filter((view) => view.id !== id)
    .map((view) => (view.parent === id ? { ...view, parent: null } : view));
}
