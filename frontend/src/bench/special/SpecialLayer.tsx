import { useEffect, useMemo, useRef, useState } from "react";

import type { Ink, Point, SheetDocument } from "../../api/types";
import { usePaperScale } from "../../paper/Paper";
import type { Bench } from "../bench";
import { nearest, nextPoint, pickables, REACH_PX, WAYS } from "../geometry";
import { ends, Shown } from "../ToolMarks";
import { ToolSurface } from "../ToolSurface";
import { homeOf, made, pointsNeeded, straightened } from "./drawn";

interface Props {
  bench: Bench;
  ink: Ink;
  drawn: SheetDocument;
  toSheet: (event: React.PointerEvent) => Point;
}

const KEY_STEP_MM = 1;
const SAME_MM = 0.05;

/** Cutting lines, circles about regions and folding lines, drawn point by point over a view. */
export function SpecialLayer({ bench, ink, drawn, toSheet }: Props) {
  const scale = usePaperScale();
  const { tool, draft } = bench;
  const surface = useRef<SVGRectElement>(null);
  const [taken, setTaken] = useState<Point[]>([]);
  const [at, setAt] = useState<Point | null>(null);
  const picks = useMemo(() => pickables(ink, drawn), [ink, drawn]);
  useEffect(() => {
    setTaken([]);
    setAt(null);
    surface.current?.focus();
  }, [tool]);

  const pointAt = (point: Point) => {
    const last = taken.at(-1);
    const ends = tool === "cutting line" && last;
    if (ends && Math.hypot(point[0] - last[0], point[1] - last[1]) < REACH_PX / scale) {
      setAt(last);
      return;
    }
    // A rim goes round what it is drawn about, not through its corners.
    const free = tool === "circled region" && last;
    const near = free
      ? null
      : nearest(picks, point, REACH_PX / scale, ["point", "circle"], undefined);
    const caught = near ? (near.kind === "circle" ? near.centre : near.at) : null;
    setAt(caught ?? straightened(tool, taken, point, picks, REACH_PX / scale));
  };
  const finish = (points: Point[]) => {
    setTaken([]);
    const home = homeOf(points, ink);
    if (!home) return;
    const result = made(tool, points, home, ink, draft.document);
    if (!result) return;
    draft.change(result.change);
    bench.select(result.chosen);
    bench.setTool("move");
    if (result.hanging) bench.hang(result.hanging);
  };
  const act = () => {
    if (!at) return;
    const last = taken.at(-1);
    const again = last && Math.hypot(at[0] - last[0], at[1] - last[1]) < SAME_MM;
    // Pointed at once more, a line ends there.
    if (again) {
      if (taken.length > 1) finish(taken);
      return;
    }
    const points = [...taken, at];
    if (points.length === pointsNeeded(tool)) finish(points);
    else setTaken(points);
  };
  const key = (event: React.KeyboardEvent) => {
    if (event.key === "Enter") act();
    else if (event.key === " " && taken.length > 1) finish(taken);
    else if (event.key === "Backspace" && taken.length) setTaken(taken.slice(0, -1));
    else if (event.key.startsWith("Arrow")) {
      const [dx, dy] = WAYS[event.key]!;
      if (event.altKey && at) setAt([at[0] + dx * KEY_STEP_MM, at[1] + dy * KEY_STEP_MM]);
      else {
        const next = at
          ? nextPoint(picks, at, event.key, undefined)
          : picks.find((pick) => pick.kind === "point");
        if (next) setAt(next.at);
      }
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const flip = ([x, y]: Point): Point => [x, ink.paper.height - y];
  const shown = at ? [...taken, at] : taken;
  const [centre, rim] = shown;
  return (
    <ToolSurface
      {...{ surface, tool, toSheet }}
      paper={ink.paper}
      onPoint={pointAt}
      onTake={act}
      onKey={key}
    >
      {tool === "circled region" && centre && rim ? (
        <circle
          cx={flip(centre)[0]}
          cy={flip(centre)[1]}
          r={Math.hypot(rim[0] - centre[0], rim[1] - centre[1])}
        />
      ) : (
        shown
          .slice(1)
          .map((point, k) => (
            <line
              key={k}
              {...ends(flip(shown[k]!), flip(point))}
              strokeDasharray="6 0.75 0.4 0.75"
            />
          ))
      )}
      {shown.map((point, k) => (
        <Shown key={k} pick={{ kind: "point", view: "", at: point }} flip={flip} />
      ))}
    </ToolSurface>
  );
}
