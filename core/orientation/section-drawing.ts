import type { Profile } from '../model/faces';
import type { SectionPiece, StackSection } from './stack-section';

/** How a shape of the section is to be painted. */
export type SectionTone = 'wall' | 'shaft' | 'piece' | 'current' | 'wrong' | 'mark' | 'axis' | 'turn' | 'pressure';

export interface SectionShape {
  readonly tone: SectionTone;
  /** SVG path data. */
  readonly d: string;
  /** Of a piece: the part it stands for. */
  readonly componentId?: string;
}

export interface SectionLabel {
  readonly x: number;
  readonly y: number;
  /** Where its leader meets the piece. */
  readonly atX: number;
  readonly atY: number;
  /** The name of the part and how many lie there on one another; what beside stands is said by the language. */
  readonly name: string;
  readonly pieces: number;
  readonly componentId: string | null;
  readonly tone: 'piece' | 'current' | 'wrong' | 'pressure';
}

/** A section ready to be drawn, in the units of its view box; the mouth of the bore is at the top. */
export interface SectionDrawing {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly SectionShape[];
  readonly labels: readonly SectionLabel[];
  readonly labelSize: number;
}

const WIDTH = 360;
const DRAWN_WIDTH = 190;
const HEIGHT = 300;
const EDGE = 26;
const WALL = 16;
const LABEL_X = DRAWN_WIDTH + 18;
const LABEL_PITCH = 17;

/** An edge from the inside of a ring to its outside: how far along, and how deep into the ring, both as shares. */
type Edge = readonly (readonly [number, number])[];
const EDGES: Readonly<Record<Profile, Edge>> = {
  flat: [
    [0, 0],
    [1, 0],
  ],
  marked: [
    [0, 0],
    [1, 0],
  ],
  groove: [
    [0, 0],
    [0.3, 0],
    [0.3, 0.35],
    [0.7, 0.35],
    [0.7, 0],
    [1, 0],
  ],
  lip: [
    [0, 0],
    [0.1, 0],
    [0.5, 0.6],
    [0.9, 0],
    [1, 0],
  ],
  spring: [
    [0, 0],
    [0.15, 0],
    [0.3, 0.55],
    [0.7, 0.55],
    [0.85, 0],
    [1, 0],
  ],
  notches: [
    [0, 0],
    [0.15, 0],
    [0.15, 0.28],
    [0.35, 0.28],
    [0.35, 0],
    [0.65, 0],
    [0.65, 0.28],
    [0.85, 0.28],
    [0.85, 0],
    [1, 0],
  ],
  tab: [
    [0, 0.25],
    [0.35, 0.25],
    [0.35, 0],
    [0.65, 0],
    [0.65, 0.25],
    [1, 0.25],
  ],
  taper: [
    [0, 0],
    [1, 0.5],
  ],
  dished: [
    [0, 0],
    [0.15, 0.22],
    [0.35, 0.34],
    [0.65, 0.34],
    [0.85, 0.22],
    [1, 0],
  ],
  chamfer: [
    [0, 0.3],
    [0.25, 0],
    [0.75, 0],
    [1, 0.3],
  ],
  shoulder: [
    [0, 0.4],
    [0.45, 0.4],
    [0.45, 0],
    [1, 0],
  ],
  rounded: [
    [0, 0.4],
    [0.12, 0.16],
    [0.3, 0.03],
    [0.5, 0],
    [0.7, 0.03],
    [0.88, 0.16],
    [1, 0.4],
  ],
  long: [
    [0, 0],
    [0.4, 0],
    [0.4, 0.3],
    [1, 0.3],
  ],
  'small-grooves': [
    [0, 0],
    [0.1, 0],
    [0.2, 0.14],
    [0.3, 0],
    [0.4, 0],
    [0.5, 0.14],
    [0.6, 0],
    [0.7, 0],
    [0.8, 0.14],
    [0.9, 0],
    [1, 0],
  ],
};

const f = (n: number) => String(Math.round(n * 10) / 10);
const path = (points: readonly (readonly [number, number])[]) =>
  `M${points.map(([x, y]) => `${f(x)} ${f(y)}`).join('L')}Z`;
const circle = (x: number, y: number, r: number) =>
  `M${f(x - r)} ${f(y)}a${f(r)} ${f(r)} 0 1 0 ${f(2 * r)} 0a${f(r)} ${f(r)} 0 1 0 ${f(-2 * r)} 0Z`;

/** Lays a section out for drawing; `current` are the parts of the step in hand. */
export function drawSection(section: StackSection, current: readonly string[] = []): SectionDrawing {
  const scaleY = (HEIGHT - 2 * EDGE) / section.lengthMm;
  const scaleX = (DRAWN_WIDTH - 2 * WALL - 8) / section.widthMm;
  const centre = DRAWN_WIDTH / 2;
  const y = (mm: number) => HEIGHT - EDGE - mm * scaleY;
  const shapes: SectionShape[] = [];
  const bottom = y(0);
  const outer = centre - 4;

  for (const side of [-1, 1]) {
    const x = (mm: number) => centre + (side * mm * scaleX) / 2;
    const inner = section.bore.flatMap(({ fromMm, toMm, diameterMm }) => [
      [x(diameterMm), y(fromMm)] as const,
      [x(diameterMm), y(toMm)] as const,
    ]);
    const rim = centre + side * outer;
    shapes.push({
      tone: 'wall',
      d: path([[rim, bottom], ...inner, [rim, inner.at(-1)?.[1] ?? bottom]]),
    });
  }
  if (section.shaftMm) {
    const half = (section.shaftMm * scaleX) / 2;
    shapes.push({
      tone: 'shaft',
      d: path([
        [centre - half, 8],
        [centre + half, 8],
        [centre + half, HEIGHT - 8],
        [centre - half, HEIGHT - 8],
      ]),
    });
  }
  for (const piece of section.pieces) {
    const tone = piece.wrong ? 'wrong' : current.includes(piece.componentId) ? 'current' : 'piece';
    shapes.push(...pieceShapes(piece, tone, centre, scaleX, y));
  }
  shapes.push({ tone: 'axis', d: `M${f(centre)} 2V${HEIGHT - 2}` });
  const labels = labelsOf(section, current, centre, scaleX, y);
  if (section.pressureAt) {
    const mouth = section.pressureAt === 'mouth';
    const tip = mouth ? 18 : HEIGHT - 18;
    const tail = mouth ? 2 : HEIGHT - 2;
    const at = centre + ((section.shaftMm ?? 0) * scaleX) / 2 + 16;
    const head = mouth ? tip - 7 : tip + 7;
    shapes.push({
      tone: 'pressure',
      d: `M${f(at)} ${tail}V${tip}M${f(at - 5)} ${head}L${f(at)} ${tip}L${f(at + 5)} ${head}`,
    });
    labels.push({
      x: at + 10,
      y: mouth ? 12 : HEIGHT - 5,
      atX: at,
      atY: tip,
      name: '',
      pieces: 0,
      componentId: null,
      tone: 'pressure',
    });
  }
  return { width: WIDTH, height: HEIGHT, shapes, labels, labelSize: 12.5 };
}

function pieceShapes(
  piece: SectionPiece,
  tone: 'piece' | 'current' | 'wrong',
  centre: number,
  scaleX: number,
  y: (mm: number) => number,
): SectionShape[] {
  const { componentId, kind } = piece;
  const top = y(piece.toMm) + 0.8;
  const bottom = y(piece.fromMm) - 0.8;
  const rInner = (piece.innerMm * scaleX) / 2;
  const rOuter = (piece.outerMm * scaleX) / 2;
  if (kind === 'valve-ball')
    return [{ tone, componentId, d: circle(centre, (top + bottom) / 2, Math.min(rOuter, (bottom - top) / 2)) }];
  const shapes: SectionShape[] = [];
  for (const side of [-1, 1]) {
    const width = rOuter - rInner;
    const x = (share: number) => centre + side * (rInner + share * width);
    const middle = (top + bottom) / 2;
    const reach = Math.min(bottom - top, width * 1.4);
    if (kind === 'o-ring') {
      const r = Math.min(width / 2, (bottom - top) / 2);
      shapes.push({ tone, componentId, d: circle(x(1) - side * r, middle, r) });
      continue;
    }
    if (kind === 'spring') {
      const r = Math.min(width / 2.4, 5);
      const turns = Math.max(2, Math.round((bottom - top) / (3 * r)));
      const pitch = (bottom - top) / turns;
      const coils = Array.from({ length: turns }, (_, i) => circle(x(0.5), top + (i + 0.5) * pitch, r)).join('');
      shapes.push({ tone, componentId, d: coils });
      continue;
    }
    const mouth = EDGES[piece.atMouth].map(([along, deep]) => [x(along), top + deep * reach] as const);
    const foot = EDGES[piece.atBottom].map(([along, deep]) => [x(along), bottom - deep * reach] as const);
    shapes.push({ tone, componentId, d: path([...mouth, ...foot.toReversed()]) });
    for (const [profile, edge, into] of [
      [piece.atMouth, top, 1],
      [piece.atBottom, bottom, -1],
    ] as const) {
      if (profile === 'marked') shapes.push({ tone: 'mark', d: circle(x(0.5), edge + into * 5, 2.2) });
      if (profile === 'spring') shapes.push({ tone: 'mark', d: circle(x(0.5), edge + into * reach * 0.33, 3.4) });
    }
  }
  if (piece.turns) {
    const r = rInner + 7;
    shapes.push({
      tone: 'turn',
      d: `M${f(centre - r)} ${f(top + 5)}A${f(r)} 5 0 0 0 ${f(centre + r)} ${f(top + 5)}l-1 -5m1 5l-6 0`,
    });
  }
  return shapes;
}

/** One label for each layer beside its middle, spread where they would overlap. */
function labelsOf(
  section: StackSection,
  current: readonly string[],
  centre: number,
  scaleX: number,
  y: (mm: number) => number,
): SectionLabel[] {
  const layers = new Map<string, SectionPiece[]>();
  for (const piece of section.pieces) layers.set(piece.layerId, [...(layers.get(piece.layerId) ?? []), piece]);
  const wanted = [...layers.values()].toReversed().flatMap((layer) => {
    const [first] = layer;
    const last = layer.at(-1);
    if (!first || !last) return [];
    const middle = y((first.fromMm + last.toMm) / 2);
    const tone: SectionLabel['tone'] = first.wrong
      ? 'wrong'
      : current.includes(first.componentId)
        ? 'current'
        : 'piece';
    const atX = centre + ((first.innerMm + first.outerMm) * scaleX) / 4;
    const { name, of: pieces, componentId } = first;
    return [{ middle, tone, name, pieces, atX, componentId }];
  });
  // Each stands beside its piece, or as near below the one above as there is room; the last ones push back up.
  const places: number[] = [];
  for (const { middle } of wanted) places.push(Math.max(middle + 4, (places.at(-1) ?? 0) + LABEL_PITCH));
  for (let i = places.length - 1, lowest = HEIGHT - 6; i >= 0; i -= 1) {
    places[i] = Math.min(places[i] ?? 0, lowest);
    lowest = (places[i] ?? 0) - LABEL_PITCH;
  }
  return wanted.map(({ middle, ...label }, i) => ({ ...label, x: LABEL_X, y: places[i] ?? middle, atY: middle }));
}
