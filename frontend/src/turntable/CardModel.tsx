import { type ThreeEvent, useFrame, useThree } from "@react-three/fiber";
import { useEffect, useMemo, useRef } from "react";
import {
  BufferGeometry,
  Float32BufferAttribute,
  type Group as ThreeGroup,
  LineBasicMaterial,
  LineSegments,
  MeshBasicMaterial,
  OrthographicCamera,
  type Quaternion,
} from "three";
import { LineMaterial } from "three/examples/jsm/lines/LineMaterial.js";
import { LineSegments2 } from "three/examples/jsm/lines/LineSegments2.js";
import { LineSegmentsGeometry } from "three/examples/jsm/lines/LineSegmentsGeometry.js";

import type { Mesh, ModelMotion } from "../api/types";
import type { Swing } from "../reader/swing";
import { FAULT, SHEET_INK } from "../theme";
import {
  bounds,
  cardGeometry,
  edgeSegments,
  type FaceColours,
  facesGeometry,
  movedMesh,
  outlineMaterial,
} from "./cardModel";
import { nearestEdge, type Picked, sideOfNormal, tidy } from "./picking";

interface Props {
  mesh: Mesh;
  litEdges?: readonly number[];
  litFaces?: readonly number[];
  colours?: FaceColours;
  moves?: ModelMotion | null;
  swing?: Swing;
  onPoint?: (picked: Picked | null) => void;
  onPick?: (picked: Picked) => void;
  current: React.RefObject<Quaternion>;
  target: React.RefObject<Quaternion>;
  invalidate: React.RefObject<() => void>;
  held: React.RefObject<{ far: number } | null>;
}

const NONE: readonly number[] = [];
/** Screen pixels within which an edge is meant rather than its face. */
const EDGE_REACH_PX = 7;

/** From this many stretches on, ink is drawn as hairlines: each wide stretch costs eight triangles of its own. */
const HAIRLINES_FROM = 1500;

/** Ink of any amount: wide lines, or hairlines for a part of very many edges, which must still turn fluently. */
function manyLines(points: number[]) {
  if (points.length / 6 < HAIRLINES_FROM) return inkLines(points, SHEET_INK, 1.4, false);
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new Float32BufferAttribute(points, 3));
  const lines = new LineSegments(geometry, new LineBasicMaterial({ color: SHEET_INK }));
  lines.renderOrder = 1;
  lines.raycast = () => undefined;
  return lines;
}

function inkLines(points: number[], color: string, linewidth: number, through: boolean) {
  const material = new LineMaterial({ color, linewidth, depthTest: !through });
  const lines = new LineSegments2(new LineSegmentsGeometry().setPositions(points), material);
  lines.renderOrder = through ? 2 : 1;
  // Only the card is asked what lies under the pointer.
  lines.raycast = () => undefined;
  return lines;
}

/** Card faces, ink edges and what is lit; made once per mesh, only what is lit is made again. */
export function CardModel(props: Props) {
  const {
    mesh,
    litEdges = NONE,
    litFaces = NONE,
    colours,
    current,
    target,
    invalidate,
    held,
  } = props;
  const group = useRef<ThreeGroup>(null);
  const { camera, size, invalidate: redraw } = useThree();
  const box = useMemo(() => bounds(mesh), [mesh]);
  const card = useMemo(() => {
    const ink = edgeSegments(mesh, () => true);
    return {
      geometry: cardGeometry(mesh, colours),
      // Card is pushed back a little so that the ink on its corners is not swallowed.
      face: new MeshBasicMaterial({
        vertexColors: true,
        polygonOffset: true,
        polygonOffsetFactor: 1.5,
        polygonOffsetUnits: 2,
      }),
      rim: outlineMaterial(box.radius * 0.006),
      ink: ink.length ? manyLines(ink) : null,
    };
  }, [mesh, box.radius, colours]);
  const lit = useMemo(() => {
    const edges = new Set(litEdges);
    const segments = edges.size ? edgeSegments(mesh, (edge) => edges.has(edge)) : [];
    return {
      lines: segments.length ? inkLines(segments, FAULT, 3.5, true) : null,
      faces: litFaces.length ? facesGeometry(card.geometry, mesh, new Set(litFaces)) : null,
    };
  }, [mesh, card.geometry, litEdges, litFaces]);
  useMoving(card, mesh, props.moves ?? null, props.swing, redraw);
  useDisposed(card.geometry, card.face, card.rim, card.ink?.geometry, card.ink?.material);
  useDisposed(lit.faces, lit.lines?.geometry, lit.lines?.material);

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
  }, [camera, size, box.radius, invalidate, redraw, card, lit]);
  useFrame((_, delta) => {
    const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    const share = still ? 1 : 1 - Math.exp(-12 * Math.min(delta, 0.05));
    current.current.slerp(target.current, share);
    if (current.current.angleTo(target.current) > 1e-3) redraw();
    else current.current.copy(target.current);
    group.current?.quaternion.copy(current.current);
  });

  const picked = (event: ThreeEvent<MouseEvent>): Picked | null => {
    const face = mesh.face_of_triangle[event.faceIndex ?? -1];
    if (face === undefined) return null;
    const at = event.eventObject.worldToLocal(event.point.clone());
    const zoom = camera instanceof OrthographicCamera ? camera.zoom : 1;
    const edge = nearestEdge(mesh, at, EDGE_REACH_PX / zoom);
    const towards = event.face ? sideOfNormal(event.face.normal) : null;
    return { face, edge, at: [tidy(at.x), tidy(at.y), tidy(at.z)], towards };
  };
  const { onPoint, onPick } = props;
  return (
    <group ref={group}>
      <group position={[-box.middle[0], -box.middle[1], -box.middle[2]]}>
        <mesh geometry={card.geometry} material={card.rim} raycast={() => undefined} />
        <mesh
          geometry={card.geometry}
          material={card.face}
          onPointerMove={onPoint && ((e) => !held.current && onPoint(picked(e)))}
          onPointerOut={onPoint && (() => onPoint(null))}
          onClick={
            onPick &&
            ((e) => {
              const what = e.delta <= 3 ? picked(e) : null;
              if (what) onPick(what);
            })
          }
        />
        {lit.faces && (
          <mesh geometry={lit.faces} renderOrder={1} raycast={() => undefined}>
            <meshBasicMaterial color={FAULT} transparent opacity={0.45} />
          </mesh>
        )}
        {card.ink && <primitive object={card.ink} />}
        {lit.lines && <primitive object={lit.lines} />}
      </group>
    </group>
  );
}

interface Card {
  geometry: BufferGeometry;
  ink: LineSegments | LineSegments2 | null;
}

/** Carry card and ink along an open motion; both lie as made when there is none. */
function useMoving(
  card: Card,
  mesh: Mesh,
  moves: ModelMotion | null,
  swing: Swing | undefined,
  redraw: () => void,
) {
  useEffect(() => {
    if (!moves || !swing) return;
    const place = (value: number) => {
      laid(card, movedMesh(mesh, moves, value));
      redraw();
    };
    const leave = swing.watch(place);
    return () => {
      leave();
      place(0);
    };
  }, [card, mesh, moves, swing, redraw]);
}

/** Lay card and ink where a mesh has its points. */
function laid({ geometry, ink }: Card, mesh: Mesh) {
  const positions = geometry.getAttribute("position");
  positions.array.set(mesh.points);
  positions.needsUpdate = true;
  const segments = edgeSegments(mesh, () => true);
  if (ink instanceof LineSegments2) ink.geometry.setPositions(segments);
  else if (ink) {
    const own = ink.geometry.getAttribute("position");
    own.array.set(segments);
    own.needsUpdate = true;
  }
}

/** Free what the graphics card holds when it is replaced or the part leaves the screen. */
function useDisposed(...things: (BufferGeometry | { dispose(): void } | null | undefined)[]) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: the things are the dependencies
  useEffect(() => () => things.forEach((thing) => thing?.dispose()), things);
}
