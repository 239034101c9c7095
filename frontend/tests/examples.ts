import type { CuttingLine, Side, View, ViewLook } from "../src/api/types";
import type { Standing, V3 } from "../src/assembly/standing";
import type { Attitude } from "../src/turntable/attitude";
import told from "./examples.json";

type Parents = Record<string, string | null>;

/** What the core says (tests/frontend writes it): the interface has to agree. */
export const examples = told as unknown as {
  attitudes: {
    attitude: Attitude;
    right: Side;
    turned: Attitude;
    tipped: Record<"left" | "right" | "up" | "down", Attitude>;
  }[];
  standings: {
    start: Standing;
    about: V3;
    axis: 0 | 1 | 2;
    degrees: number;
    turned: Standing;
    point: V3;
    there: V3;
  }[];
  point: [number, number, number];
  looks: { look: ViewLook; up: Side; seen: [number, number] }[];
  graphs: {
    views: View[];
    front: string | null;
    with_front: Record<string, Parents>;
    without: Record<string, Parents>;
  }[];
  set_down: { parent: View; line: CuttingLine; section: View; auxiliary: View }[];
  angles: {
    vertex: [number, number];
    start: [number, number];
    end: [number, number];
    degrees: number;
  }[];
  pens: Record<string, { width: number; dashes: number[] }>;
  lists: {
    criteria: string[];
    papers: string[];
    filled_fields: string[];
    title_fields: string[];
    datum_sides: Record<string, string[]>;
  };
};
