import type { Faces, Pose, Profile } from '../model/faces';
import type { ComponentKind } from '../model/kinds';
import { componentById } from '../model/lookup';
import type { Step } from '../model/procedure';
import type { Component, Series, Stack, StackEnd } from '../model/series';
import { endMeant } from './directions';
import { profileFromWords } from './profiles';

/** One piece as it is drawn: millimetres along the bore from its bottom, and across it. */
export interface SectionPiece {
  readonly layerId: string;
  readonly componentId: string;
  readonly name: string;
  readonly kind: ComponentKind;
  /** "2 of 5" for one of several on one another. */
  readonly number: number;
  readonly of: number;
  readonly fromMm: number;
  readonly toMm: number;
  readonly innerMm: number;
  readonly outerMm: number;
  readonly atMouth: Profile;
  readonly atBottom: Profile;
  readonly turns: boolean;
  /** It is said the other way round than the series has it. */
  readonly wrong: boolean;
  /** Which end looks where is known; else the piece is drawn plain. */
  readonly known: boolean;
}

/** A cross-section through a stack, to be drawn: the bore with its steps, what is in it, and where the pressure acts. */
export interface StackSection {
  readonly stackId: string;
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  /** The bore from the bottom to the mouth. */
  readonly bore: readonly { fromMm: number; toMm: number; diameterMm: number }[];
  readonly shaftMm: number | null;
  readonly pieces: readonly SectionPiece[];
  readonly pressureAt: StackEnd | undefined;
}

/** Lengths taken where nobody measured, in shares of the radial width of the bore. */
const LENGTHS: Partial<Record<ComponentKind, number>> = {
  'o-ring': 0.5,
  gasket: 0.25,
  washer: 0.3,
  'cup-washer': 0.5,
  'seal-face': 0.9,
  spring: 2,
  'lip-seal': 1.1,
  packing: 0.9,
  spacer: 1.1,
  bearing: 1.4,
  'valve-seat': 1,
  'valve-ball': 1.8,
  cover: 1,
  plug: 1.4,
  nut: 1.2,
};
const DEFAULT_LENGTH = 1;
const DEFAULT_BORE_MM = 50;
/** The share of the bore its shaft takes, where nobody measured. */
const SHAFT_IN_BORE = 0.4;

/** What a step says about parts it fits, which may contradict the series. */
export type SaidFacings = ReadonlyMap<string, Faces>;

/** What a step says of how its part faces; which of several parts it means nobody can tell. */
export function saidFacings({ faces, targets: [only, more] }: Step): SaidFacings {
  return new Map(faces && only && !more ? [[only.componentId, faces]] : []);
}

/** Computes the section of a stack; `said` holds facings that differ from those of the series, `pose` how it lies. */
export function stackSection(
  stack: Stack,
  series: Series,
  said: SaidFacings = new Map(),
  pose?: Pose | undefined,
): StackSection {
  const widest = Math.max(
    0,
    ...stack.bore.map(({ diameterMm }) => diameterMm),
    ...stack.layers.map((l) => l.outerMm ?? 0),
  );
  const shaftMm = stack.shaft?.diameterMm ?? null;
  // A bore has room beside its shaft, also while only one of the two is said.
  const bore = widest > (shaftMm ?? 0) ? widest : shaftMm ? shaftMm / SHAFT_IN_BORE : DEFAULT_BORE_MM;
  const radial = (bore - (shaftMm ?? bore * SHAFT_IN_BORE)) / 2;
  const pieces: SectionPiece[] = [];
  let at = 0;
  stack.layers.forEach((layer, index) => {
    const component = componentById(series, layer.componentId);
    if (!component) return;
    const length = layer.lengthMm ?? (LENGTHS[component.kind] ?? DEFAULT_LENGTH) * radial;
    const ends = endsOf(component, { stack, layer: index }, said.get(component.id), pose);
    for (let n = 1; n <= layer.count; n += 1) {
      const outer = layer.outerMm ?? diameterAt(stack, at + length / 2) ?? bore;
      pieces.push({
        layerId: layer.id,
        componentId: component.id,
        name: component.name,
        kind: component.kind,
        number: n,
        of: layer.count,
        fromMm: at,
        toMm: at + length,
        innerMm: Math.min(layer.innerMm ?? shaftMm ?? outer * SHAFT_IN_BORE, outer),
        outerMm: outer,
        turns: layer.turns ?? false,
        ...ends,
      });
      at += length;
    }
  });
  let deep = 0;
  const drilled = stack.bore.map(({ diameterMm, lengthMm }) => {
    const fromMm = deep;
    deep += lengthMm;
    return { fromMm, toMm: deep, diameterMm };
  });
  const lengthMm = Math.max(at, drilled.at(-1)?.toMm ?? 0, 1);
  return {
    stackId: stack.id,
    name: stack.name,
    lengthMm,
    widthMm: Math.max(bore, ...pieces.map(({ outerMm }) => outerMm)),
    bore: drilled.length > 0 ? drilled : [{ fromMm: 0, toMm: lengthMm, diameterMm: bore }],
    shaftMm,
    pieces,
    pressureAt: stack.pressureAt,
  };
}

/** The profile on either side of a part in its place; turned round where a step says the contrary of the series. */
function endsOf(
  component: Component,
  place: { stack: Stack; layer: number },
  said: Faces | undefined,
  pose: Pose | undefined,
): Pick<SectionPiece, 'atMouth' | 'atBottom' | 'wrong' | 'known'> {
  const own = component.faces && endMeant(component.faces.toward, place);
  const faces = said ?? component.faces;
  const end = faces && endMeant(faces.toward, place, pose);
  if (!faces || !end) return { atMouth: 'flat', atBottom: 'flat', wrong: false, known: false };
  const named = component.profiles?.end ?? profileFromWords(faces.end ?? '') ?? 'marked';
  const behind = component.profiles?.behind ?? profileFromWords(faces.tellBy ?? '') ?? 'flat';
  const other = behind === named ? 'flat' : behind;
  const ends = end === 'mouth' ? { atMouth: named, atBottom: other } : { atMouth: other, atBottom: named };
  return { ...ends, wrong: own !== undefined && own !== end, known: true };
}

function diameterAt(stack: Stack, mm: number): number | undefined {
  let from = 0;
  for (const { diameterMm, lengthMm } of stack.bore) {
    from += lengthMm;
    if (mm <= from) return diameterMm;
  }
  return stack.bore.at(-1)?.diameterMm;
}

/** The stacks that show any of these parts, for a step that acts on them. */
export function stacksWith(series: Series, componentIds: readonly string[]): Stack[] {
  return (series.stacks ?? []).filter((stack) =>
    stack.layers.some(({ componentId }) => componentIds.includes(componentId)),
  );
}

/** How many of a part a stack holds, over all its layers. */
export function countInStack(stack: Stack, componentId: string): number {
  return stack.layers.reduce((sum, layer) => sum + (layer.componentId === componentId ? layer.count : 0), 0);
}
