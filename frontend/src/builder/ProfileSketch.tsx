import { Button, Group, Switch, Text } from "@mantine/core";
import { useRef, useState } from "react";

import { t, written } from "../frame/language";
import type { Feature } from "../api/types";
import classes from "./Builder.module.css";
import type { Loose } from "./features";
import { endOf, faultOf, type Flat, gridStep, outline, type Step, withEnd } from "./profile";
import { ProfileRows } from "./ProfileRows";

interface Props {
  loose: Loose;
  plain: Feature | null;
  set: (change: Record<string, unknown>) => void;
  /** The service has said already what is wrong with this feature. */
  told: boolean;
}

const SIZE = 260;

/** A profile drawn on its plane: points are dragged, typed, or set down one after another. */
export function ProfileSketch({ loose, plain, set, told }: Props) {
  const steps = loose["profile"] as Step[];
  const numbers = ((plain as Loose | null)?.["profile"] as Step[] | undefined) ?? steps;
  const [drawing, setDrawing] = useState<Flat[] | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [held, setHeld] = useState<{ index: number; at: Flat } | null>(null);
  const [snapping, setSnapping] = useState(true);
  const svg = useRef<SVGSVGElement>(null);

  const shown =
    drawing ??
    (held
      ? outline(numbers.map((s, k) => (k === held.index ? withEnd(s, held.at) : s)))
      : outline(numbers));
  const fixed = outline(numbers);
  const xs = [...fixed.map(([x]) => x), 0];
  const ys = [...fixed.map(([, y]) => y), 0];
  const span =
    Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 1) * 1.3;
  const [left, top] = [
    (Math.min(...xs) + Math.max(...xs)) / 2 - span / 2,
    -(Math.min(...ys) + Math.max(...ys)) / 2 - span / 2,
  ];
  const step = gridStep(span);
  const toPlane = (event: { clientX: number; clientY: number }): Flat => {
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      svg.current?.getScreenCTM()?.inverse(),
    );
    const snap = (v: number) => (snapping ? Math.round(v / step) * step : v);
    return [Number(snap(at.x).toPrecision(6)), Number(snap(-at.y).toPrecision(6))];
  };
  const change = (next: Step[]) => set({ profile: next });
  const fault = drawing
    ? `${t("Set down points; the first one, or Enter, closes the outline.")} ${drawing.length < 3 ? t("It is still open.") : ""}`
    : faultOf(numbers);

  const close = () => {
    if (drawing && drawing.length >= 3) {
      change(drawing);
      setDrawing(null);
    }
  };
  const reach = span / 40;
  const down = (event: React.PointerEvent) => {
    if (!drawing) return;
    const at = toPlane(event);
    const first = drawing[0];
    if (first && drawing.length >= 3 && Math.hypot(at[0] - first[0], at[1] - first[1]) < 2 * reach)
      close();
    else if (!drawing.some(([x, y]) => x === at[0] && y === at[1])) setDrawing([...drawing, at]);
  };
  const release = () => {
    if (!held) return;
    const old = endOf(numbers[held.index]!);
    if (old[0] !== held.at[0] || old[1] !== held.at[1]) {
      change(steps.map((s, k) => (k === held.index ? withEnd(s, held.at) : s)));
    }
    setHeld(null);
  };
  const lines = Array.from(
    { length: Math.ceil(span / step) + 1 },
    (_, k) => Math.ceil(left / step) * step + k * step,
  );
  const rows = Array.from(
    { length: Math.ceil(span / step) + 1 },
    (_, k) => Math.ceil(top / step) * step + k * step,
  );
  const points: Flat[] =
    drawing ??
    numbers.map((s, k) => (held?.index === k ? held.at : (endOf(s).map(Number) as Flat)));
  return (
    <div>
      <svg
        ref={svg}
        className={classes.sketch}
        width={SIZE}
        height={SIZE}
        viewBox={`${left} ${top} ${span} ${span}`}
        role="application"
        aria-label={t("Profile")}
        tabIndex={0}
        data-drawing={drawing !== null}
        data-testid="profile-sketch"
        onPointerDown={down}
        onPointerMove={(event) => held && setHeld({ ...held, at: toPlane(event) })}
        onPointerUp={release}
        onPointerCancel={() => setHeld(null)}
        onKeyDown={(event) => {
          if (event.key === "Enter") close();
          else if (event.key === "Escape") setDrawing(null);
          else if (event.key === "Backspace" && drawing) setDrawing(drawing.slice(0, -1));
        }}
      >
        <g stroke="var(--rule)" strokeWidth={span / 900}>
          {lines.map((x) => (
            <line key={`x${x}`} x1={x} x2={x} y1={top} y2={top + span} />
          ))}
          {rows.map((y) => (
            <line key={`y${y}`} y1={y} y2={y} x1={left} x2={left + span} />
          ))}
        </g>
        <g stroke="var(--quiet-ink)" strokeWidth={span / 500}>
          <line x1={0} x2={0} y1={top} y2={top + span} />
          <line y1={0} y2={0} x1={left} x2={left + span} />
        </g>
        <path
          d={`M${shown.map(([x, y]) => `${x} ${-y}`).join("L")}${drawing ? "" : "Z"}`}
          fill={drawing ? "none" : "var(--tint-front)"}
          fillOpacity={0.5}
          stroke="currentColor"
          strokeWidth={span / 160}
        />
        {points.map(([x, y], index) => (
          <circle
            key={index}
            cx={x}
            cy={-y}
            r={reach}
            className={classes.corner}
            data-chosen={chosen === index}
            strokeWidth={span / 200}
            onPointerDown={(event) => {
              if (drawing) return;
              event.stopPropagation();
              svg.current?.setPointerCapture(event.pointerId);
              setChosen(index);
              // A point that is written as an expression is changed where it is written.
              if (endOf(steps[index]!).every((v) => typeof v === "number"))
                setHeld({ index, at: [x, y] });
            }}
          />
        ))}
      </svg>
      <Group gap={8} mt={4}>
        {drawing ? (
          <>
            <Button size="compact-xs" disabled={drawing.length < 3} onClick={close}>
              {t("Close the outline")}
            </Button>
            <Button size="compact-xs" variant="default" onClick={() => setDrawing(null)}>
              {t("Keep the old one")}
            </Button>
          </>
        ) : (
          <Button
            size="compact-xs"
            variant="default"
            onClick={() => {
              setDrawing([]);
              svg.current?.focus();
            }}
          >
            {t("Draw anew")}
          </Button>
        )}
        <Switch
          size="xs"
          label={t("snap to {{step}}", { step: written(step) })}
          checked={snapping}
          onChange={(event) => setSnapping(event.currentTarget.checked)}
        />
      </Group>
      {fault && (drawing || !told) && (
        <Text
          className="small"
          c={drawing ? undefined : "var(--fault)"}
          role={drawing ? "status" : "alert"}
        >
          {fault}
        </Text>
      )}
      {!drawing && (
        <ProfileRows steps={steps} chosen={chosen} onChoose={setChosen} onChange={change} />
      )}
    </div>
  );
}
