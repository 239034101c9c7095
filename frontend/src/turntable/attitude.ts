import { Matrix4, Quaternion, Vector3 } from "three";

import { said, t } from "../frame/language";
import type { Corner, Side } from "../api/types";

type Row = [number, number, number];
export type Frame = [Row, Row, Row];

export interface Attitude {
  side: Side;
  up: Side;
}

export const SIDES: Side[] = ["-y", "+y", "-x", "+x", "+z", "-z"];
export const CORNERS: Corner[] = ["+++", "++-", "+-+", "+--", "-++", "-+-", "--+", "---"];
export const USUAL_FRONT: Attitude = { side: "-y", up: "+z" };

const USUAL_UP: Record<Side, Side> = {
  "-x": "+z",
  "+x": "+z",
  "-y": "+z",
  "+y": "+z",
  "-z": "+y",
  "+z": "+y",
};

export function vector(side: Side): Vector3 {
  const sign = side[0] === "-" ? -1 : 1;
  return new Vector3(
    side[1] === "x" ? sign : 0,
    side[1] === "y" ? sign : 0,
    side[1] === "z" ? sign : 0,
  );
}

function sideOf(v: Vector3): Side {
  return SIDES.reduce((best, side) => (v.dot(vector(side)) > v.dot(vector(best)) ? side : best));
}

export function usual(side: Side): Attitude {
  return { side, up: USUAL_UP[side] };
}

export function opposite(side: Side): Side {
  return ((side[0] === "-" ? "+" : "-") + side[1]) as Side;
}

/** The model direction that points right on the sheet. */
export function rightOf({ side, up }: Attitude): Side {
  return sideOf(vector(up).cross(vector(side)));
}

/** The same side, turned counter-clockwise on the sheet by quarter turns. */
export function turned(attitude: Attitude, quarters: number): Attitude {
  let up = attitude.up;
  for (let k = 0; k < ((quarters % 4) + 4) % 4; k++) up = rightOf({ side: attitude.side, up });
  return { side: attitude.side, up };
}

/** What one sees after tipping the part so that a neighbouring side comes to the front. */
export function tipped(attitude: Attitude, way: "left" | "right" | "up" | "down"): Attitude {
  const right = rightOf(attitude);
  switch (way) {
    case "right":
      return { side: opposite(right), up: attitude.up };
    case "left":
      return { side: right, up: attitude.up };
    case "down":
      return { side: attitude.up, up: opposite(attitude.side) };
    case "up":
      return { side: opposite(attitude.up), up: attitude.side };
  }
}

export const ATTITUDES: Attitude[] = SIDES.flatMap((side) =>
  [0, 1, 2, 3].map((turn) => turned(usual(side), turn)),
);

function quaternion(right: Vector3, up: Vector3, towards: Vector3): Quaternion {
  const matrix = new Matrix4().makeBasis(right, up, towards);
  return new Quaternion().setFromRotationMatrix(matrix).invert();
}

/** The turn that brings the model into view: its right, up and side onto the screen's axes. */
export function turnOf(attitude: Attitude): Quaternion {
  return quaternion(vector(rightOf(attitude)), vector(attitude.up), vector(attitude.side));
}

export function turnOfCorner(corner: Corner, up: Side): Quaternion {
  const towards = new Vector3(
    corner[0] === "+" ? 1 : -1,
    corner[1] === "+" ? 1 : -1,
    corner[2] === "+" ? 1 : -1,
  ).normalize();
  const upwards = vector(up);
  upwards.addScaledVector(towards, -upwards.dot(towards)).normalize();
  return quaternion(upwards.clone().cross(towards), upwards, towards);
}

/** The same for any frame: rows are the model directions of sheet right, of sheet up, and towards the reader. */
export function turnOfFrame([right, up, towards]: Frame): Quaternion {
  return quaternion(new Vector3(...right), new Vector3(...up), new Vector3(...towards));
}

export function sameAttitude(a: Attitude | null, b: Attitude | null): boolean {
  return a?.side === b?.side && a?.up === b?.up;
}

/** The attitude nearest to a turn. */
export function nearestAttitude(turn: Quaternion): Attitude {
  return ATTITUDES.reduce((best, a) =>
    turn.angleTo(turnOf(a)) < turn.angleTo(turnOf(best)) ? a : best,
  );
}

export function nearestCorner(turn: Quaternion, up: Side): Corner {
  return CORNERS.reduce((best, c) =>
    turn.angleTo(turnOfCorner(c, up)) < turn.angleTo(turnOfCorner(best, up)) ? c : best,
  );
}

const WORDS: Record<Side, string> = {
  "-x": said("−X side"),
  "+x": said("+X side"),
  "-y": said("−Y side"),
  "+y": said("+Y side"),
  "-z": said("underside (−Z)"),
  "+z": said("upper side (+Z)"),
};

export function sideWords(side: Side): string {
  return t(WORDS[side]);
}
