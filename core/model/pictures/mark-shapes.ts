import type { PictureMark } from './picture';

type Arrow = PictureMark & { kind: 'arrow' };

/** As much of the width of a picture is the thickness of a drawn line. */
const LINE = 1 / 110;

/** An arrow on a picture of this size: its shaft, and the corners of its head, in pixels. */
export function arrowShape({ fromX, fromY, toX, toY }: Arrow, { width, height }: { width: number; height: number }) {
  const line = width * LINE;
  const [x1, y1, x2, y2] = [fromX * width, fromY * height, toX * width, toY * height];
  const long = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [ux, uy] = [(x2 - x1) / long, (y2 - y1) / long];
  const head = Math.min(line * 4.5, long);
  const [bx, by] = [x2 - ux * head, y2 - uy * head];
  const half = head * 0.45;
  return {
    line,
    shaft: { x1, y1, x2: bx, y2: by },
    head: [
      [x2, y2],
      [bx - uy * half, by + ux * half],
      [bx + uy * half, by - ux * half],
    ] as const,
  };
}

/** The arrows of a picture as SVG over it, to be put into an image of this size. */
export function arrowsAsSvg(marks: readonly PictureMark[], size: { width: number; height: number }): string {
  return marks
    .flatMap((mark) => {
      if (mark.kind !== 'arrow') return [];
      const { line, shaft, head } = arrowShape(mark, size);
      const points = head.map((corner) => corner.map((value) => value.toFixed(1)).join(',')).join(' ');
      const ends = Object.entries(shaft).map(([name, value]) => `${name}="${value.toFixed(1)}"`);
      const drawn = (colour: string, wide: number) =>
        `<line ${ends.join(' ')} stroke="${colour}" stroke-width="${(line * wide).toFixed(1)}"/>` +
        `<polygon points="${points}" fill="${colour}" stroke="${colour}" stroke-width="${(line * (wide - 1)).toFixed(1)}"/>`;
      return [drawn('#fff7ef', 2), drawn('#c8471a', 1)];
    })
    .join('');
}
