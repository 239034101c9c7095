import { Canvas, useFrame, useThree } from "@react-three/fiber";
import { useEffect, useMemo, useRef } from "react";
import {
  type Group as ThreeGroup,
  MeshBasicMaterial,
  OrthographicCamera,
  Quaternion,
  Vector3,
} from "three";
import { LineMaterial } from "three/examples/jsm/lines/LineMaterial.js";
import { LineSegments2 } from "three/examples/jsm/lines/LineSegments2.js";
import { LineSegmentsGeometry } from "three/examples/jsm/lines/LineSegmentsGeometry.js";

import type { Mesh } from "../api/types";
import { FAULT, SHEET_INK } from "../theme";
import { bounds, cardGeometry, edgeSegments, outlineMaterial } from "./cardModel";

export interface TurntableProps {
  mesh: Mesh;
  /** Where the part should turn to; it glides there. */
  turn: Quaternion;
  /** Told when a drag or a key has ended, with the turn reached by hand. */
  onTurned?: (turn: Quaternion) => void;
  onTip?: (way: "left" | "right" | "up" | "down") => void;
  onRoll?: (quarters: number) => void;
  litEdges?: readonly number[];
  litFaces?: readonly number[];
  label: string;
}

const NONE: readonly number[] = [];

/** The part in 3D as a card maquette; drag it, or use the arrow keys, to turn it. */
export function Turntable(props: TurntableProps) {
  const { mesh, turn, onTurned, onTip, onRoll, label } = props;
  const current = useRef(turn.clone());
  const target = useRef(turn.clone());
  const grip = useRef<{ x: number; y: number } | null>(null);
  const invalidate = useRef<() => void>(() => undefined);
  useEffect(() => {
    target.current.copy(turn);
    invalidate.current();
  }, [turn]);

  const drag = (event: React.PointerEvent) => {
    if (!grip.current) return;
    const dx = event.clientX - grip.current.x;
    const dy = event.clientY - grip.current.y;
    grip.current = { x: event.clientX, y: event.clientY };
    const spin = new Quaternion()
      .setFromAxisAngle(new Vector3(0, 1, 0), dx * 0.01)
      .multiply(new Quaternion().setFromAxisAngle(new Vector3(1, 0, 0), dy * 0.01));
    current.current.premultiply(spin);
    target.current.copy(current.current);
    invalidate.current();
  };
  const release = () => {
    if (!grip.current) return;
    grip.current = null;
    onTurned?.(current.current.clone());
  };
  const key = (event: React.KeyboardEvent) => {
    const ways = {
      ArrowLeft: "left",
      ArrowRight: "right",
      ArrowUp: "up",
      ArrowDown: "down",
    } as const;
    const way = ways[event.key as keyof typeof ways];
    if (way && onTip) onTip(way);
    else if (event.key === "," && onRoll) onRoll(1);
    else if (event.key === "." && onRoll) onRoll(-1);
    else return;
    event.preventDefault();
  };

  return (
    <div
      tabIndex={onTurned ? 0 : -1}
      role="img"
      aria-label={label}
      style={{
        width: "100%",
        height: "100%",
        touchAction: "none",
        cursor: onTurned ? "grab" : "default",
      }}
      onPointerDown={(e) => {
        if (!onTurned) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        grip.current = { x: e.clientX, y: e.clientY };
      }}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerCancel={release}
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
          {...props}
          mesh={mesh}
          current={current}
          target={target}
          invalidate={invalidate}
        />
      </Canvas>
    </div>
  );
}

interface ModelProps extends TurntableProps {
  current: React.RefObject<Quaternion>;
  target: React.RefObject<Quaternion>;
  invalidate: React.RefObject<() => void>;
}

function CardModel({
  mesh,
  litEdges = NONE,
  litFaces = NONE,
  current,
  target,
  invalidate,
}: ModelProps) {
  const group = useRef<ThreeGroup>(null);
  const { camera, size, invalidate: redraw } = useThree();
  const box = useMemo(() => bounds(mesh), [mesh]);
  const parts = useMemo(() => {
    const geometry = cardGeometry(mesh, new Set(litFaces));
    const segments = edgeSegments(mesh, new Set(litEdges));
    const line = (points: number[], color: string, linewidth: number, through: boolean) => {
      const material = new LineMaterial({ color, linewidth, depthTest: !through });
      const lines = new LineSegments2(new LineSegmentsGeometry().setPositions(points), material);
      lines.renderOrder = through ? 2 : 1;
      return lines;
    };
    return {
      geometry,
      // Card is pushed back a little so that the ink on its corners is not swallowed.
      card: new MeshBasicMaterial({
        vertexColors: true,
        polygonOffset: true,
        polygonOffsetFactor: 1.5,
        polygonOffsetUnits: 2,
      }),
      rim: outlineMaterial(box.radius * 0.006),
      ink: segments.ink.length ? line(segments.ink, SHEET_INK, 1.4, false) : null,
      lit: segments.lit.length ? line(segments.lit, FAULT, 3.5, true) : null,
    };
  }, [mesh, litEdges, litFaces, box.radius]);
  useEffect(
    () => () => {
      parts.geometry.dispose();
      parts.card.dispose();
      parts.rim.dispose();
    },
    [parts],
  );
  useEffect(() => {
    invalidate.current = redraw;
    if (camera instanceof OrthographicCamera) {
      camera.zoom = Math.min(size.width, size.height) / (box.radius * 2.1);
      camera.near = 0.01;
      camera.far = box.radius * 8;
      camera.position.set(0, 0, box.radius * 4);
      camera.updateProjectionMatrix();
    }
    redraw();
  }, [camera, size, box.radius, invalidate, redraw, parts]);
  useFrame((_, delta) => {
    const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    const share = still ? 1 : 1 - Math.exp(-12 * Math.min(delta, 0.05));
    current.current.slerp(target.current, share);
    if (current.current.angleTo(target.current) > 1e-3) redraw();
    else current.current.copy(target.current);
    group.current?.quaternion.copy(current.current);
  });
  return (
    <group ref={group}>
      <group position={[-box.middle[0], -box.middle[1], -box.middle[2]]}>
        <mesh geometry={parts.geometry} material={parts.rim} />
        <mesh geometry={parts.geometry} material={parts.card} />
        {parts.ink && <primitive object={parts.ink} />}
        {parts.lit && <primitive object={parts.lit} />}
      </group>
    </group>
  );
}
