import type { Plan, Point } from '../model/fastener-group';

/** A joint as it is drawn: its outline, the edge of its opening, and where its fasteners sit, in the units of the drawing. */
export interface PlanDrawing {
  readonly width: number;
  readonly height: number;
  readonly outline: string;
  readonly opening: string;
  readonly places: readonly Point[];
  /** Radius of a fastener: smaller where many sit close together. */
  readonly radius: number;
}

/** The longer side between the outermost fasteners. */
const SIDE = 240;
/** From the outermost fasteners to the edge of the drawing. */
const MARGIN = 44;
/** From the fasteners out to the outline, and in to the opening. */
const RIM = 26;
const LARGEST = 21;
const LEAST = 60;

export function drawPlan(plan: Plan, slots: readonly Point[]): PlanDrawing {
  const xs = slots.map(({ x }) => x);
  const ys = slots.map(({ y }) => y);
  const [left, right] = [Math.min(...xs, 0.5), Math.max(...xs, 0.5)];
  const [top, bottom] = [Math.min(...ys, 0.5), Math.max(...ys, 0.5)];
  // A few in a line still sit on something.
  const [across, down] = [Math.max((right - left) * SIDE, LEAST), Math.max((bottom - top) * SIDE, LEAST)];
  const [toMiddleX, toMiddleY] = [(across - (right - left) * SIDE) / 2, (down - (bottom - top) * SIDE) / 2];
  const places = slots.map(({ x, y }) => ({
    x: MARGIN + toMiddleX + (x - left) * SIDE,
    y: MARGIN + toMiddleY + (y - top) * SIDE,
  }));
  const gaps = places.flatMap((one, i) => places.slice(i + 1).map((two) => Math.hypot(one.x - two.x, one.y - two.y)));
  const box = (by: number) => ({ x: MARGIN - by, y: MARGIN - by, width: across + 2 * by, height: down + 2 * by });
  const shape = plan.shape === 'circle' || plan.shape === 'oval' ? ellipse : roundedBox;
  return {
    width: across + 2 * MARGIN,
    height: down + 2 * MARGIN,
    outline: shape(box(RIM)),
    opening: shape(box(-RIM)),
    places,
    radius: Math.min(LARGEST, Math.min(...gaps, SIDE) * 0.42),
  };
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function ellipse({ x, y, width, height }: Box): string {
  if (width <= 0 || height <= 0) return '';
  const [a, b] = [round(width / 2), round(height / 2)];
  return `M${round(x)} ${round(y + height / 2)}a${a} ${b} 0 1 0 ${2 * a} 0a${a} ${b} 0 1 0 ${-2 * a} 0Z`;
}

function roundedBox({ x, y, width, height }: Box): string {
  if (width <= 0 || height <= 0) return '';
  const r = round(Math.min(26, width / 2, height / 2));
  const [w, h] = [round(width - 2 * r), round(height - 2 * r)];
  return `M${round(x + r)} ${round(y)}h${w}a${r} ${r} 0 0 1 ${r} ${r}v${h}a${r} ${r} 0 0 1 ${-r} ${r}h${-w}a${r} ${r} 0 0 1 ${-r} ${-r}v${-h}a${r} ${r} 0 0 1 ${r} ${-r}Z`;
}

/** The six corners of a fastener's head, as points of a polygon. */
export function hexagon({ x, y }: Point, radius: number): string {
  return Array.from({ length: 6 }, (_, i) => {
    const angle = (Math.PI / 3) * i;
    return `${round(x + radius * Math.cos(angle))},${round(y + radius * Math.sin(angle))}`;
  }).join(' ');
}

function round(value: number): number {
  return Number(value.toFixed(1));
}
