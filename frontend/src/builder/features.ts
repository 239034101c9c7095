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
  label: "It is",
  options: [
    ["add", "joined to the part"],
    ["cut", "cut out of the part"],
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
    label: "Block",
    hint: "A box from its lowest corner.",
    fields: [
      { type: "sizes", key: "size", labels: XYZ },
      { type: "point", key: "at", label: "Lowest corner" },
      OPERATION,
    ],
  },
  extrude: {
    label: "Profile pushed to a depth",
    hint: "A closed outline on a plane, pushed square to it.",
    fields: [
      {
        type: "choice",
        key: "plane",
        label: "Plane of the profile",
        options: [
          ["xy", "XY, pushed along Z"],
          ["xz", "XZ, pushed along Y"],
          ["yz", "YZ, pushed along X"],
        ],
      },
      { type: "profile" },
      { type: "size", key: "offset", label: "Begins at" },
      { type: "size", key: "depth", label: "Depth" },
      OPERATION,
    ],
  },
  revolve: {
    label: "Profile turned about an axis",
    hint: "First coordinate: distance from the axis; second: along it.",
    fields: [
      { type: "choice", key: "axis", label: "Axis", options: AXIS_OPTIONS },
      { type: "point", key: "at", label: "The axis passes through" },
      { type: "profile" },
      OPERATION,
    ],
  },
  boss: {
    label: "Boss",
    hint: "A round boss that stands on a face.",
    fields: [
      { type: "point", key: "at", label: "Middle of its foot", placing: "out" },
      { type: "choice", key: "out", label: "Rises towards", options: SIDE_OPTIONS },
      { type: "size", key: "diameter", label: "Diameter" },
      { type: "size", key: "height", label: "Height" },
    ],
  },
  step: {
    label: "Step",
    hint: "Taken off where two sides meet.",
    fields: [
      { type: "sides", key: "edge", labels: ["Side", "meets side"] },
      { type: "size", key: "across", label: "Taken off the first side" },
      { type: "size", key: "down", label: "Taken off the second side" },
      {
        type: "point",
        key: "at",
        label: "Through a point (else the outermost edge)",
        optional: true,
      },
      { type: "size", key: "start", label: "From", optional: true },
      { type: "size", key: "length", label: "Length", optional: true },
    ],
  },
  slot: {
    label: "Slot",
    hint: "With round or square ends.",
    fields: [
      { type: "point", key: "at", label: "Middle of its mouth", placing: "into" },
      { type: "choice", key: "into", label: "Sunk towards", options: SIDE_OPTIONS },
      { type: "choice", key: "along", label: "Runs along", options: AXIS_OPTIONS },
      { type: "size", key: "length", label: "Length over all" },
      { type: "size", key: "width", label: "Width" },
      { type: "depth", key: "depth", label: "Depth" },
      {
        type: "choice",
        key: "ends",
        label: "Ends",
        options: [
          ["round", "round"],
          ["square", "square"],
        ],
      },
    ],
  },
  pocket: {
    label: "Pocket",
    hint: "A rectangular recess.",
    fields: [
      { type: "point", key: "at", label: "Middle of its mouth", placing: "into" },
      { type: "choice", key: "into", label: "Sunk towards", options: SIDE_OPTIONS },
      { type: "sizes", key: "size", labels: ["Length", "Width"] },
      { type: "size", key: "depth", label: "Depth" },
      { type: "size", key: "corner", label: "Radius of its corners" },
    ],
  },
  hole: {
    label: "Hole",
    hint: "Through or blind, with the mouth it needs.",
    fields: [
      { type: "point", key: "at", label: "Middle of its mouth", placing: "into" },
      { type: "choice", key: "into", label: "Drilled towards", options: SIDE_OPTIONS },
      { type: "size", key: "diameter", label: "Diameter" },
      { type: "depth", key: "depth", label: "Depth" },
      { type: "mouth" },
    ],
  },
  rib: {
    label: "Rib",
    hint: "A flat three-cornered rib in an inner corner.",
    fields: [
      { type: "point", key: "at", label: "Inner corner, middle of its thickness" },
      { type: "sides", key: "legs", labels: ["Leg towards", "and towards"] },
      { type: "sizes", key: "lengths", labels: ["First leg", "Second leg"] },
      { type: "size", key: "thickness", label: "Thickness" },
    ],
  },
  fillet: {
    label: "Fillet",
    hint: "Edges rounded.",
    fields: [{ type: "size", key: "radius", label: "Radius" }, { type: "edges" }],
  },
  chamfer: {
    label: "Chamfer",
    hint: "Edges taken off at 45°.",
    fields: [{ type: "size", key: "size", label: "Size" }, { type: "edges" }],
  },
  repeat: {
    label: "Repeat",
    hint: "Earlier features again, in a row or round an axis.",
    fields: [
      { type: "names", key: "of", label: "Features" },
      { type: "count", key: "count", label: "How many in all" },
      { type: "spread" },
    ],
  },
  mirror: {
    label: "Mirror",
    hint: "Earlier features on the other side of a plane.",
    fields: [
      { type: "names", key: "of", label: "Features" },
      { type: "choice", key: "axis", label: "Plane square to", options: AXIS_OPTIONS },
      { type: "size", key: "at", label: "at" },
    ],
  },
};

export const KIND_ORDER = Object.keys(KINDS) as Kind[];

/** A name no other feature has. */
export function freeName(kind: Kind, features: readonly Feature[]): string {
  const base = { extrude: "profile", revolve: "turned profile" }[kind as string] ?? kind;
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
