import type { Pose } from '../model/faces';
import type { SectionShape } from './section-drawing';

/** How a housing lies, ready to be drawn, in the units of its view box: its face stands out, the bench is below. */
export interface PoseDrawing {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly SectionShape[];
}

const WIDTH = 170;
const HEIGHT = 116;
const BENCH_Y = 96;
const BODY = { width: 70, height: 46 };
/** The face reaches over the body, as a flange does. */
const FACE = { width: 90, depth: 12 };
const MIDDLE = 78;
const ARROW = 26;

/** A housing on the bench with an arrow where its face looks; undefined where it stands as it is fitted. */
export function poseDrawing(pose: Pose): PoseDrawing | undefined {
  if (pose === 'as-fitted') return undefined;
  return { width: WIDTH, height: HEIGHT, shapes: [...bench(), ...HOUSINGS[pose]] };
}

const HOUSINGS: Readonly<Record<Exclude<Pose, 'as-fitted'>, readonly SectionShape[]>> = {
  'face-up': [
    box('piece', MIDDLE - BODY.width / 2, BENCH_Y - BODY.height, BODY.width, BODY.height),
    box('current', MIDDLE - FACE.width / 2, BENCH_Y - BODY.height - FACE.depth, FACE.width, FACE.depth),
    arrow(MIDDLE, BENCH_Y - BODY.height - FACE.depth - 4, 0, -ARROW),
  ],
  'face-down': [
    box('piece', MIDDLE - BODY.width / 2, BENCH_Y - FACE.depth - BODY.height, BODY.width, BODY.height),
    box('current', MIDDLE - FACE.width / 2, BENCH_Y - FACE.depth, FACE.width, FACE.depth),
    arrow(MIDDLE + FACE.width / 2 + 16, BENCH_Y - ARROW - 12, 0, ARROW),
  ],
  'on-its-side': [
    box('piece', MIDDLE - BODY.height, BENCH_Y - BODY.width - (FACE.width - BODY.width) / 2, BODY.height, BODY.width),
    box('current', MIDDLE, BENCH_Y - FACE.width, FACE.depth, FACE.width),
    arrow(MIDDLE + FACE.depth + 6, BENCH_Y - FACE.width / 2, ARROW, 0),
  ],
};

function box(tone: SectionShape['tone'], x: number, y: number, width: number, height: number): SectionShape {
  return { tone, d: `M${x} ${y}h${width}v${height}h${-width}Z` };
}

/** A line from a point along (dx, dy), with a head at its end. */
function arrow(x: number, y: number, dx: number, dy: number): SectionShape {
  const [toX, toY] = [x + dx, y + dy];
  const length = Math.hypot(dx, dy);
  const [alongX, alongY] = [(dx / length) * 8, (dy / length) * 8];
  const wings = [1, -1].map((side) => [toX - alongX - side * alongY * 0.7, toY - alongY + side * alongX * 0.7]);
  const [left = [], right = []] = wings;
  return { tone: 'pressure', d: `M${x} ${y}L${toX} ${toY}M${left.join(' ')}L${toX} ${toY}L${right.join(' ')}` };
}

/** The line of the bench, hatched below. */
function bench(): SectionShape[] {
  const strokes = Array.from({ length: 10 }, (_, i) => `M${18 + i * 14} ${BENCH_Y + 1}l-8 10`);
  return [{ tone: 'shaft', d: `M8 ${BENCH_Y}H${WIDTH - 12}${strokes.join('')}` }];
}
