import { Canvas } from "@react-three/fiber";
import { useCallback, useEffect, useRef } from "react";
import { Quaternion, Vector3 } from "three";

import type { Mesh, ModelMotion } from "../api/types";
import type { Swing } from "../reader/swing";
import { CardModel } from "./CardModel";
import type { FaceColours } from "./cardModel";
import type { Picked } from "./picking";

export interface TurntableProps {
  mesh: Mesh;
  /** Where the part should turn to; it glides there. */
  turn: Quaternion;
  /** Told when a drag, the wheel or a key has ended, with the turn reached by hand. */
  onTurned?: (turn: Quaternion) => void;
  onTip?: (way: "left" | "right" | "up" | "down") => void;
  onRoll?: (quarters: number) => void;
  /** Told what the pointer is over, null when it leaves the part. */
  onPoint?: (picked: Picked | null) => void;
  onPick?: (picked: Picked) => void;
  litEdges?: readonly number[];
  litFaces?: readonly number[];
  /** Faces of coloured card. */
  colours?: FaceColours;
  /** A motion of the part's points, and how far it stands. */
  moves?: ModelMotion | null;
  swing?: Swing;
  label: string;
}

const WAYS = { ArrowLeft: "left", ArrowRight: "right", ArrowUp: "up", ArrowDown: "down" } as const;
const DRAG_TURN = 0.01;
const WHEEL_TURN = 0.004;
const WHEEL_REST_MS = 250;
/** A pointer that moved no farther than this has clicked, not dragged. */
const CLICK_REACH_PX = 2;

/** The part in 3D as a card maquette: drag it, turn the wheel, or use the arrow keys. */
export function Turntable(props: TurntableProps) {
  const { turn, onTurned, onTip, onRoll, label } = props;
  const place = useRef<HTMLDivElement>(null);
  const current = useRef(turn.clone());
  const target = useRef(turn.clone());
  const grip = useRef<{ x: number; y: number; far: number } | null>(null);
  const invalidate = useRef<() => void>(() => undefined);
  const turned = useRef(onTurned);
  useEffect(() => {
    turned.current = onTurned;
  });
  useEffect(() => {
    target.current.copy(turn);
    invalidate.current();
  }, [turn]);

  const spin = useCallback((dx: number, dy: number) => {
    const by = new Quaternion()
      .setFromAxisAngle(new Vector3(0, 1, 0), dx)
      .multiply(new Quaternion().setFromAxisAngle(new Vector3(1, 0, 0), dy));
    current.current.premultiply(by);
    target.current.copy(current.current);
    invalidate.current();
  }, []);
  useEffect(() => {
    const own = place.current;
    if (!own) return;
    let rest: ReturnType<typeof setTimeout>;
    const wheel = (event: WheelEvent) => {
      if (!turned.current) return;
      event.preventDefault();
      const along = event.shiftKey ? event.deltaX || event.deltaY : event.deltaX;
      const down = event.shiftKey ? 0 : event.deltaY;
      // The plain wheel spins the table about its upright axis; with Shift, or sideways, it tips the part.
      spin(down * WHEEL_TURN, along * WHEEL_TURN);
      clearTimeout(rest);
      rest = setTimeout(() => turned.current?.(current.current.clone()), WHEEL_REST_MS);
    };
    own.addEventListener("wheel", wheel, { passive: false });
    return () => {
      clearTimeout(rest);
      own.removeEventListener("wheel", wheel);
    };
  }, [spin]);

  const drag = (event: React.PointerEvent) => {
    if (!grip.current) return;
    const dx = event.clientX - grip.current.x;
    const dy = event.clientY - grip.current.y;
    const far = grip.current.far + Math.hypot(dx, dy);
    grip.current = { x: event.clientX, y: event.clientY, far };
    // A pointer captured at once would keep its click from the model.
    if (far > CLICK_REACH_PX && !place.current?.hasPointerCapture(event.pointerId)) {
      place.current?.setPointerCapture(event.pointerId);
    }
    spin(dx * DRAG_TURN, dy * DRAG_TURN);
  };
  const release = () => {
    const far = grip.current?.far ?? 0;
    grip.current = null;
    if (far > CLICK_REACH_PX) onTurned?.(current.current.clone());
  };
  const key = (event: React.KeyboardEvent) => {
    const way = WAYS[event.key as keyof typeof WAYS];
    if (way && onTip) onTip(way);
    else if (event.key === "," && onRoll) onRoll(1);
    else if (event.key === "." && onRoll) onRoll(-1);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    <div
      ref={place}
      tabIndex={onTurned ? 0 : -1}
      role="img"
      aria-label={label}
      style={{
        width: "100%",
        height: "100%",
        touchAction: "none",
        cursor: props.onPick ? "crosshair" : onTurned ? "grab" : "default",
      }}
      onPointerDown={(e) => {
        if (!onTurned) return;
        grip.current = { x: e.clientX, y: e.clientY, far: 0 };
      }}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerCancel={release}
      onPointerLeave={() => props.onPoint?.(null)}
      onKeyDown={key}
    >
      <Canvas
        orthographic
        frameloop="demand"
        dpr={[1, 2]}
        flat
        gl={{ antialias: true, alpha: true }}
      >
        <CardModel
          mesh={props.mesh}
          litEdges={props.litEdges}
          litFaces={props.litFaces}
          colours={props.colours}
          moves={props.moves}
          swing={props.swing}
          onPoint={props.onPoint}
          onPick={props.onPick}
          current={current}
          target={target}
          invalidate={invalidate}
          held={grip}
        />
      </Canvas>
    </div>
  );
}
