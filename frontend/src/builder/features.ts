import { said, t } from "../frame/language";
import type { Feature, Preview, Side } from "../api/types";

export type Kind = Feature["kind"];
/** A feature while it is edited: every kind's keys are read and written by name. */
export type Loose = Feature & Record<string, unknown>;

export type Field =
  | { type: "size"; key: string; label: string; optional?: boolean }
  | { type: "sizes"; key: string; labels: readonly string[] }
  | { type: "point"; key: string; label: string; optional?: boolean; placing?: "into" | "out" }
  | { type: "choice"; key: string; label: string; options: readonly (readonly [string, string])[] }
  | { type: "sides"; key: string; labels: readonly [string, string] }
  | { type: "depth"; key: string; label: string }
  | { type: "count"; key: string; label: string }
  | { type: "names"; key: string; label: string }
  | { type: "mouth" }
  | { type: "spread" }
  | { type: "edges" }
  | { type: "profile" };

const SIDE_OPTIONS = (["-x", "+x", "-y", "+y", "-z", "+z"] as const).map(
  (side) => [side, side.replace("-", "−").toUpperCase()] as const,
);
const AXIS_OPTIONS = (["x", "y", "z"] as const).map((axis) => [axis, axis.toUpperCase()] as const);
const OPERATION: Field = {
  type: "choice",
  key: "operation",
  label: said("It is"),
  options: [
    ["add", said("joined to the part")],
    ["cut", said("cut out of the part")],
  ],
};
const XYZ = ["X", "Y", "Z"] as const;

interface KindForm {
  label: string;
  hint: string;
  fields: Field[];
}

/** What each kind of feature is called, and which sizes it asks for. */
export const KINDS: Record<Kind, KindForm> = {
  block: {
    label: said("Block"),
    hint: said("A box from its lowest corner."),
    fields: [
      { type: "sizes", key: "size", labels: XYZ },
      { type: "point", key: "at", label: said("Lowest corner") },
      OPERATION,
    ],
  },
  extrude: {
    label: said("Profile pushed to a depth"),
    hint: said("A closed outline on a plane, pushed square to it."),
    fields: [
      {
        type: "choice",
        key: "plane",
        label: said("Plane of the profile"),
        options: [
          ["xy", said("XY, pushed along Z")],
          ["xz", said("XZ, pushed along Y")],
          ["yz", said("YZ, pushed along X")],
        ],
      },
      { type: "profile" },
      { type: "size", key: "offset", label: said("Begins at") },
      { type: "size", key: "depth", label: said("Depth") },
      OPERATION,
    ],
  },
  revolve: {
    label: said("Profile turned about an axis"),
    hint: said("First coordinate: distance from the axis; second: along it."),
    fields: [
      { type: "choice", key: "axis", label: said("Axis"), options: AXIS_OPTIONS },
      { type: "point", key: "at", label: said("The axis passes through") },
      { type: "profile" },
      OPERATION,
    ],
  },
  boss: {
    label: said("Boss"),
    hint: said("A round boss that stands on a face."),
    fields: [
      { type: "point", key: "at", label: said("Middle of its foot"), placing: "out" },
      { type: "choice", key: "out", label: said("Rises towards"), options: SIDE_OPTIONS },
      { type: "size", key: "diameter", label: said("Diameter") },
      { type: "size", key: "height", label: said("Height") },
    ],
  },
  step: {
    label: said("Step"),
    hint: said("Taken off where two sides meet."),
    fields: [
      { type: "sides", key: "edge", labels: [said("Side"), said("meets side")] },
      { type: "size", key: "across", label: said("Taken off the first side") },
      { type: "size", key: "down", label: said("Taken off the second side") },
      {
        type: "point",
        key: "at",
        label: said("Through a point (else the outermost edge)"),
        optional: true,
      },
      { type: "size", key: "start", label: said("From"), optional: true },
      { type: "size", key: "length", label: said("Length"), optional: true },
    ],
  },
  slot: {
    label: said("Slot"),
    hint: said("With round or square ends."),
    fields: [
      { type: "point", key: "at", label: said("Middle of its mouth"), placing: "into" },
      { type: "choice", key: "into", label: said("Sunk towards"), options: SIDE_OPTIONS },
      { type: "choice", key: "along", label: said("Runs along"), options: AXIS_OPTIONS },
      { type: "size", key: "length", label: said("Length over all") },
      { type: "size", key: "width", label: said("Width") },
      { type: "depth", key: "depth", label: said("Depth") },
      {
        type: "choice",
        key: "ends",
        label: said("Ends"),
        options: [
          ["round", said("round")],
          ["square", said("square")],
        ],
      },
    ],
  },
  pocket: {
    label: said("Pocket"),
    hint: said("A rectangular recess."),
    fields: [
      { type: "point", key: "at", label: said("Middle of its mouth"), placing: "into" },
      { type: "choice", key: "into", label: said("Sunk towards"), options: SIDE_OPTIONS },
      { type: "sizes", key: "size", labels: [said("Length"), said("Width")] },
      { type: "size", key: "depth", label: said("Depth") },
      { type: "size", key: "corner", label: said("Radius of its corners") },
    ],
  },
  hole: {
    label: said("Hole"),
    hint: said("Through or blind, with the mouth it needs."),
    fields: [
      { type: "point", key: "at", label: said("Middle of its mouth"), placing: "into" },
      { type: "choice", key: "into", label: said("Drilled towards"), options: SIDE_OPTIONS },
      { type: "size", key: "diameter", label: said("Diameter") },
      { type: "depth", key: "depth", label: said("Depth") },
      { type: "mouth" },
    ],
  },
  rib: {
    label: said("Rib"),
    hint: said("A flat three-cornered rib in an inner corner."),
    fields: [
      { type: "point", key: "at", label: said("Inner corner, middle of its thickness") },
      { type: "sides", key: "legs", labels: [said("Leg towards"), said("and towards")] },
      { type: "sizes", key: "lengths", labels: [said("First leg"), said("Second leg")] },
      { type: "size", key: "thickness", label: said("Thickness") },
    ],
  },
  fillet: {
    label: said("Fillet"),
    hint: said("Edges rounded."),
    fields: [{ type: "size", key: "radius", label: said("Radius") }, { type: "edges" }],
  },
  chamfer: {
    label: said("Chamfer"),
    hint: said("Edges taken off at 45°."),
    fields: [{ type: "size", key: "size", label: said("Size") }, { type: "edges" }],
  },
  repeat: {
    label: said("Repeat"),
    hint: said("Earlier features again, in a row or round an axis."),
    fields: [
      { type: "names", key: "of", label: said("Features") },
      { type: "count", key: "count", label: said("How many in all") },
      { type: "spread" },
    ],
  },
  mirror: {
    label: said("Mirror"),
    hint: said("Earlier features on the other side of a plane."),
    fields: [
      { type: "names", key: "of", label: said("Features") },
      { type: "choice", key: "axis", label: said("Plane square to"), options: AXIS_OPTIONS },
      { type: "size", key: "at", label: said("at") },
    ],
  },
};

export const KIND_ORDER = Object.keys(KINDS) as Kind[];

/** What new features are called, until somebody names them. */
const NAMES: Record<Kind, string> = {
  block: said("block"),
  extrude: said("profile"),
  revolve: said("turned profile"),
  boss: said("boss"),
  step: said("feature|step"),
  slot: said("slot"),
  pocket: said("pocket"),
  hole: said("hole"),
  rib: said("rib"),
  fillet: said("fillet"),
  chamfer: said("chamfer"),
  repeat: said("repeat"),
  mirror: said("mirror"),
};

/** A name no other feature has. */
export function freeName(kind: Kind, features: readonly Feature[]): string {
  const base = t(NAMES[kind]);
  let name = base;
  for (let n = 2; features.some((f) => f.name === name); n++) name = `${base} ${n}`;
  return name;
}

/** A new feature with sizes that suit the part as it stands, so that something is seen at once. */
export function fresh(kind: Kind, features: readonly Feature[], now: Preview | null): Feature {
  const [x, y, z] = now?.mesh && now.extents[0] > 0 ? now.extents : [80, 40, 20];
  const least = Math.min(x, y, z);
  const unit = nice(least / 4);
  const name = freeName(kind, features);
  const last = features[features.length - 1]?.name ?? "";
  const top: [number, number, number] = [round(x / 2), round(y / 2), round(z)];
  const common = { name, suppressed: false };
  switch (kind) {
    case "block":
      return features.length
        ? {
            ...common,
            kind,
            size: [nice(x / 3), round(y), nice(z)],
            at: [0, 0, round(z)],
            operation: "add",
          }
        : { ...common, kind, size: [80, 40, 20], at: [0, 0, 0], operation: "add" };
    case "extrude": {
      const profile: [number, number][] = [
        [0, 0],
        [nice(x / 2), 0],
        [nice(x / 2), unit],
        [unit, nice(z * 1.5)],
        [0, nice(z * 1.5)],
      ];
      return {
        ...common,
        kind,
        plane: "xz",
        profile,
        offset: 0,
        depth: round(y),
        operation: "add",
      };
    }
    case "revolve": {
      const radius = nice(least / 2);
      const profile: [number, number][] = [
        [0, 0],
        [radius, 0],
        [radius, unit],
        [0, unit],
      ];
      return {
        ...common,
        kind,
        axis: "z",
        at: features.length ? top : [0, 0, 0],
        profile,
        operation: "add",
      };
    }
    case "boss":
      return {
        ...common,
        kind,
        at: top,
        out: "+z",
        diameter: nice(Math.min(x, y) / 2),
        height: unit,
      };
    case "step":
      return {
        ...common,
        kind,
        edge: ["+x", "+z"],
        across: nice(x / 4),
        down: nice(z / 3),
        at: null,
        start: null,
        length: null,
      };
    case "slot": {
      const along = x >= y ? "x" : "y";
      return {
        ...common,
        kind,
        at: top,
        into: "-z",
        along,
        length: nice(Math.max(x, y) / 2),
        width: nice(Math.min(x, y) / 5),
        depth: "through",
        ends: "round",
      };
    }
    case "pocket":
      return {
        ...common,
        kind,
        at: top,
        into: "-z",
        size: [nice(x / 2), nice(y / 2)],
        depth: nice(z / 3),
        corner: 0,
      };
    case "hole":
      return {
        ...common,
        kind,
        at: top,
        into: "-z",
        diameter: nice(Math.min(x, y) / 4),
        depth: "through",
        counterbore: null,
        countersink: null,
      };
    case "rib":
      return {
        ...common,
        kind,
        at: top,
        legs: ["+x", "+z"],
        lengths: [nice(x / 3), nice(x / 3)],
        thickness: unit,
      };
    case "fillet":
      return { ...common, kind, radius: unit, edges: [{ between: ["+x", "+z"] }] };
    case "chamfer":
      return { ...common, kind, size: nice(unit / 2), edges: [{ between: ["+x", "+z"] }] };
    case "repeat":
      return {
        ...common,
        kind,
        of: [last],
        count: 2,
        step: [nice(x / 4), 0, 0],
        about: null,
        at: [0, 0, 0],
      };
    case "mirror":
      return { ...common, kind, of: [last], axis: "x", at: round(x / 2) };
  }
}

/** A size a person would choose: one or two digits. */
function nice(value: number): number {
  const digit = 10 ** Math.floor(Math.log10(Math.max(value, 1e-3)));
  return Number((Math.max(Math.round((2 * value) / digit), 1) * (digit / 2)).toPrecision(3));
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000;
}

export const OPPOSITE: Record<Side, Side> = {
  "-x": "+x",
  "+x": "-x",
  "-y": "+y",
  "+y": "-y",
  "-z": "+z",
  "+z": "-z",
};
