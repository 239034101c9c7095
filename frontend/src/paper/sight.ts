import type { Point } from "../api/types";

/** Width and height: of a window in pixels, of paper in mm. */
export interface Size {
  width: number;
  height: number;
}

/** How paper is seen through a window: where its upper left corner lies (pixels), and how large a millimetre is. */
export interface Sight {
  left: number;
  top: number;
  /** Pixels of the screen to a millimetre of the paper. */
  scale: number;
}

/** A stretch of the paper, in mm from its upper left corner. */
export interface Stretch extends Size {
  left: number;
  top: number;
}

/** White left around what is fitted into a window, in pixels. */
export const MARGIN = 14;
/** Millimetres are never smaller than this share of their size where the whole paper fits, nor larger than in pixels. */
const LEAST_SHARE = 0.5;
const LARGEST_SCALE = 64;
/** One step of a key, and of a wheel that tells lines or pages instead of pixels. */
export const STEP = 1.25;

/** A stretch as large as the window allows, in its middle. */
export function fitted(stretch: Stretch, window: Size): Sight {
  const room = {
    width: Math.max(window.width - 2 * MARGIN, 1),
    height: Math.max(window.height - 2 * MARGIN, 1),
  };
  const scale = Math.min(room.width / stretch.width, room.height / stretch.height, LARGEST_SCALE);
  return centred(stretch, window, scale);
}

/** A stretch in the middle of the window, at a scale. */
export function centred(stretch: Stretch, window: Size, scale: number): Sight {
  return {
    left: window.width / 2 - scale * (stretch.left + stretch.width / 2),
    top: window.height / 2 - scale * (stretch.top + stretch.height / 2),
    scale,
  };
}

/** The whole paper as a stretch of itself. */
export function whole(paper: Size): Stretch {
  return { left: 0, top: 0, ...paper };
}

/** Where a point of the window lies on the paper: mm from its upper left corner. */
export function onPaper(sight: Sight, [x, y]: Point): Point {
  return [(x - sight.left) / sight.scale, (y - sight.top) / sight.scale];
}

/** Nearer by a factor; what lies under a point of the window stays there. */
export function nearer(sight: Sight, at: Point, factor: number, paper: Size, window: Size): Sight {
  const least = LEAST_SHARE * fitted(whole(paper), window).scale;
  const scale = Math.min(Math.max(sight.scale * factor, least), LARGEST_SCALE);
  const [x, y] = onPaper(sight, at);
  return held({ left: at[0] - scale * x, top: at[1] - scale * y, scale }, paper, window);
}

/** Paper pushed by some pixels. */
export function pushed(sight: Sight, by: Point, paper: Size, window: Size): Sight {
  return held({ ...sight, left: sight.left + by[0], top: sight.top + by[1] }, paper, window);
}

/** The middle of the window is always on the paper, so that whatever is brought nearer stays under the pointer. */
export function held(sight: Sight, paper: Size, window: Size): Sight {
  const along = (start: number, long: number, room: number): number =>
    Math.min(room / 2, Math.max(start, room / 2 - long));
  return {
    left: along(sight.left, sight.scale * paper.width, window.width),
    top: along(sight.top, sight.scale * paper.height, window.height),
    scale: sight.scale,
  };
}

/** What of the paper, and beyond it, is seen in the window. */
export function seen(sight: Sight, window: Size): Stretch {
  const [left, top] = onPaper(sight, [0, 0]);
  return { left, top, width: window.width / sight.scale, height: window.height / sight.scale };
}

/** Two fingers, before and after: the paper follows both. */
export function pinched(
  sight: Sight,
  before: [Point, Point],
  after: [Point, Point],
  paper: Size,
  window: Size,
): Sight {
  const spread = ([a, b]: [Point, Point]) => Math.hypot(b[0] - a[0], b[1] - a[1]);
  const middle = ([a, b]: [Point, Point]): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const [from, to] = [middle(before), middle(after)];
  const by: Point = [to[0] - from[0], to[1] - from[1]];
  const factor = spread(before) > 1 ? spread(after) / spread(before) : 1;
  const moved = { ...sight, left: sight.left + by[0], top: sight.top + by[1] };
  return nearer(moved, to, factor, paper, window);
}

/** How much nearer a turn of the wheel brings the paper; a wheel tells pixels, lines or pages. */
export function wheelFactor(event: Pick<WheelEvent, "deltaY" | "deltaMode" | "ctrlKey">): number {
  if (event.deltaMode !== 0) return event.deltaY < 0 ? STEP : 1 / STEP;
  // A pinch on a touchpad comes as a wheel with Ctrl, in small steps.
  const pace = event.ctrlKey ? 0.01 : 0.0022;
  return Math.exp(-pace * Math.max(-240, Math.min(240, event.deltaY)));
}
