import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";

import type { Point } from "../api/types";
import { pxPerMm } from "./screen";
import {
  centred,
  fitted,
  held,
  nearer,
  pinched,
  pushed,
  seen,
  type Sight,
  type Size,
  STEP,
  type Stretch,
  wheelFactor,
  whole,
} from "./sight";

/** Pixels the paper is pushed by a key. */
const PUSH = 60;

export interface PaperSight {
  frame: React.RefObject<HTMLDivElement | null>;
  sight: Sight;
  window: Size;
  /** Whether the whole paper is shown as large as it fits. */
  isWhole: boolean;
  /** Whether the paper follows the pointer just now, or would. */
  hand: boolean;
  showWhole: () => void;
  show: (stretch: Stretch) => void;
  /** Bring a point of the paper, mm from its upper left corner, into the middle. */
  lookAt: (at: Point) => void;
  showTrueSize: () => void;
  step: (way: 1 | -1) => void;
  push: (by: Point) => void;
  gestures: React.DOMAttributes<HTMLDivElement>;
}

/**
 * How a sheet of paper is seen in its window: nearer and further about the pointer with wheel, fingers and keys,
 * pushed with the middle button, with space held down, or with two fingers.
 */
export function useSight(paper: Size, dragPushes: boolean, amid: boolean): PaperSight {
  const frame = useRef<HTMLDivElement>(null);
  const [window_, setWindow] = useState<Size>({ width: 0, height: 0 });
  // What somebody has chosen to see; null follows the window with the whole paper.
  const [chosen, setChosen] = useState<Sight | null>(null);
  const { width, height } = paper;
  const size = useMemo<Size>(() => ({ width, height }), [width, height]);
  const sight = useMemo(
    () => (chosen ? held(chosen, size, window_) : fitted(whole(size), window_)),
    [chosen, size, window_],
  );
  const now = useRef({ sight, window: window_, size, dragPushes });
  useLayoutEffect(() => {
    now.current = { sight, window: window_, size, dragPushes };
  });
  useEffect(() => setChosen(null), [size]);

  useLayoutEffect(() => {
    const element = frame.current;
    if (!element) return;
    const measure = () => {
      const { width, height } = element.getBoundingClientRect();
      setWindow((was) => (was.width === width && was.height === height ? was : { width, height }));
    };
    measure();
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    return () => watcher.disconnect();
  }, []);

  const change = useCallback((next: (sight: Sight, size: Size, window: Size) => Sight) => {
    const { sight, size, window } = now.current;
    const found = next(sight, size, window);
    // Several events may come before the next picture.
    now.current = { ...now.current, sight: found };
    setChosen(found);
  }, []);

  const pointer = useRef<Point | null>(null);
  const at = useCallback((event: { clientX: number; clientY: number }): Point => {
    const box = frame.current?.getBoundingClientRect();
    return [event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0)];
  }, []);

  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const turned = (event: WheelEvent) => {
      if (amid && !event.ctrlKey && !event.metaKey) return;
      // The page behind stays where it is; React's own listener could not keep it.
      event.preventDefault();
      const place = at(event);
      change((sight, size, window) => nearer(sight, place, wheelFactor(event), size, window));
    };
    element.addEventListener("wheel", turned, { passive: false });
    return () => element.removeEventListener("wheel", turned);
  }, [change, amid, at]);

  const [space, setSpace] = useState(false);
  useEffect(() => {
    const over = () => frame.current?.matches(":hover") ?? false;
    const typing = (event: KeyboardEvent) =>
      event.target instanceof HTMLElement &&
      (event.target.isContentEditable ||
        /^(INPUT|TEXTAREA|SELECT|BUTTON|A)$/.test(event.target.tagName));
    const down = (event: KeyboardEvent) => {
      if (event.key !== " " || typing(event) || !over()) return;
      event.preventDefault();
      setSpace(true);
    };
    const up = (event: KeyboardEvent) => event.key === " " && setSpace(false);
    const away = () => setSpace(false);
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    window.addEventListener("blur", away);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      window.removeEventListener("blur", away);
    };
  }, []);

  const fingers = useRef(new Map<number, Point>());
  const [pushing, setPushing] = useState<number | null>(null);
  const last = useRef<Point>([0, 0]);
  const gestures: React.DOMAttributes<HTMLDivElement> = {
    onPointerDownCapture: (event) => {
      const place = at(event);
      if (event.pointerType === "touch") {
        fingers.current.set(event.pointerId, place);
        if (fingers.current.size === 2) event.stopPropagation();
      }
      const free = now.current.dragPushes && event.button === 0 && !onThing(event.target);
      if (event.button === 1 || (event.button === 0 && space) || free) {
        if (!free) {
          event.stopPropagation();
          event.preventDefault();
        }
        frame.current?.setPointerCapture(event.pointerId);
        last.current = place;
        setPushing(event.pointerId);
      }
    },
    onPointerMoveCapture: (event) => {
      const place = at(event);
      pointer.current = place;
      const { current: held } = fingers;
      if (held.size === 2 && held.has(event.pointerId)) {
        const before = [...held.values()] as [Point, Point];
        held.set(event.pointerId, place);
        const after = [...held.values()] as [Point, Point];
        change((sight, size, window) => pinched(sight, before, after, size, window));
        event.stopPropagation();
        return;
      }
      if (held.has(event.pointerId)) held.set(event.pointerId, place);
      if (pushing === event.pointerId) {
        const by: Point = [place[0] - last.current[0], place[1] - last.current[1]];
        last.current = place;
        change((sight, size, window) => pushed(sight, by, size, window));
        event.stopPropagation();
      }
    },
    onPointerUpCapture: (event) => {
      fingers.current.delete(event.pointerId);
      if (pushing === event.pointerId) setPushing(null);
    },
    onPointerCancelCapture: (event) => {
      fingers.current.delete(event.pointerId);
      if (pushing === event.pointerId) setPushing(null);
    },
    onLostPointerCapture: (event) => {
      fingers.current.delete(event.pointerId);
      setPushing((held) => (held === event.pointerId ? null : held));
    },
    onPointerLeave: () => {
      pointer.current = null;
    },
  };

  const middle = (): Point => [now.current.window.width / 2, now.current.window.height / 2];
  return {
    frame,
    sight,
    window: window_,
    isWhole: chosen === null,
    hand: space || pushing !== null,
    showWhole: () => setChosen(null),
    show: (stretch) => change((_, size, window) => held(fitted(stretch, window), size, window)),
    lookAt: ([left, top]) =>
      change(({ scale }, size, window) =>
        held(centred({ left, top, width: 0, height: 0 }, window, scale), size, window),
      ),
    showTrueSize: () =>
      change((sight, size, window) => {
        const { left, top, width, height } = seen(sight, window);
        const place = pointer.current ?? middle();
        const about = { left: left + place[0] / sight.scale, top: top + place[1] / sight.scale };
        const from = pointer.current
          ? { ...about, width: 0, height: 0 }
          : { left, top, width, height };
        return held(centred(from, window, pxPerMm()), size, window);
      }),
    step: (way) =>
      change((sight, size, window) =>
        nearer(sight, pointer.current ?? middle(), way > 0 ? STEP : 1 / STEP, size, window),
      ),
    push: ([x, y]) =>
      change((sight, size, window) => pushed(sight, [x * PUSH, y * PUSH], size, window)),
    gestures,
  };
}

/** Whether something lies under the pointer that is there to be clicked. */
function onThing(target: EventTarget): boolean {
  return (
    target instanceof Element && target.closest("[data-thing],button,a,[role=button]") !== null
  );
}
