import type { PictureMark } from '#core/model/pictures/picture';

export const TOOLS = ['arrow', 'ring', 'number', 'text', 'blur', 'move'] as const;
export type Tool = (typeof TOOLS)[number];

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Drawn shorter than this share of the picture it was a slip of the hand. */
const SHORTEST = 0.012;

/** The mark a tool begins at a point of the picture, in shares of its width and height. */
export function startMark(
  tool: Exclude<Tool, 'move'>,
  id: string,
  colour: Extract<PictureMark, { kind: 'arrow' }>['colour'],
  { x, y }: Point,
  marks: readonly PictureMark[],
  word: string,
): PictureMark {
  switch (tool) {
    case 'arrow':
      return { id, kind: 'arrow', colour, fromX: x, fromY: y, toX: x, toY: y };
    case 'ring':
      return { id, kind: 'ring', colour, x, y, width: 0, height: 0 };
    case 'blur':
      return { id, kind: 'blur', x, y, width: 0, height: 0 };
    case 'number':
      return { id, kind: 'number', colour, x, y, number: nextNumber(marks) };
    case 'text':
      return { id, kind: 'text', colour, x, y, text: word };
  }
}

function nextNumber(marks: readonly PictureMark[]): number {
  return Math.min(99, Math.max(0, ...marks.map((mark) => (mark.kind === 'number' ? mark.number : 0))) + 1);
}

/** The mark as it is while it is drawn out to a point. Once it is `done`, a slip of the hand is no mark. */
export function dragged(mark: PictureMark, to: Point): PictureMark;
export function dragged(mark: PictureMark, to: Point, done: true): PictureMark | undefined;
export function dragged(mark: PictureMark, to: Point, done = false): PictureMark | undefined {
  if (mark.kind === 'arrow') {
    const next = { ...mark, toX: to.x, toY: to.y };
    return done && Math.hypot(to.x - mark.fromX, to.y - mark.fromY) < SHORTEST ? undefined : next;
  }
  if (mark.kind !== 'ring' && mark.kind !== 'blur') return mark;
  const next = { ...mark, width: to.x - mark.x, height: to.y - mark.y };
  if (!done) return next;
  if (Math.abs(next.width) < SHORTEST || Math.abs(next.height) < SHORTEST) return undefined;
  // Drawn up or to the left it is the same box.
  return {
    ...next,
    x: Math.min(mark.x, to.x),
    y: Math.min(mark.y, to.y),
    width: Math.abs(next.width),
    height: Math.abs(next.height),
  };
}

export function moveMark(marks: readonly PictureMark[], id: string, dx: number, dy: number): PictureMark[] {
  return marks.map((mark) => {
    if (mark.id !== id) return mark;
    if (mark.kind === 'arrow')
      return { ...mark, fromX: mark.fromX + dx, fromY: mark.fromY + dy, toX: mark.toX + dx, toY: mark.toY + dy };
    return { ...mark, x: mark.x + dx, y: mark.y + dy };
  });
}

export function removeMark(marks: readonly PictureMark[], id: string): PictureMark[] {
  return marks.filter((mark) => mark.id !== id);
}
