import { usualRenewal } from '../edits/steps';
import { type ComponentKind, closesOver, isFastener } from '../model/kinds';
import { componentById } from '../model/lookup';
import type { Workbook } from '../model/procedure';
import type { Component } from '../model/series';

/** A fact about a part that the checks depend on, asked once, as the part is named for the first time. */
export type AskedFact = 'kind' | 'count' | 'heldBy' | 'host' | 'keyed' | 'renewal';

/** One answer: what it says, and what it makes of the part. */
export interface PartAnswer {
  /** A number, a part's id, a kind, or yes or no; put into words by the language. */
  readonly says:
    | { readonly is: 'number'; readonly value: number }
    | { readonly is: 'part'; readonly componentId: string }
    | { readonly is: 'kind'; readonly kind: ComponentKind }
    | { readonly is: 'yes' }
    | { readonly is: 'no' };
  readonly fields: Partial<Component>;
}

export interface PartQuestion {
  readonly componentId: string;
  readonly fact: AskedFact;
  /** At most five, so that each has a key; where nothing fits another is chosen by its field. */
  readonly answers: readonly PartAnswer[];
}

const MOST_ANSWERS = 5;
const COUNTS = [2, 3, 4, 6, 8];
/** Kinds whose name tells least. */
const PLAIN_KINDS: readonly ComponentKind[] = ['housing', 'cover', 'shaft', 'spacer', 'retainer'];
const SITS_IN: readonly ComponentKind[] = ['o-ring', 'seal', 'lip-seal', 'bearing', 'valve-seat'];
const HOLDS_OTHERS: readonly ComponentKind[] = ['housing', 'cover', 'retainer', 'plunger', 'rotor', 'shaft', 'other'];
const MAY_BE_KEYED: readonly ComponentKind[] = ['lip-seal', 'cup-washer', 'valve-seat', 'diaphragm'];
const OFTEN_RENEWED: readonly ComponentKind[] = ['clip', 'bearing', 'washer', 'pin'];

/** What is worth knowing of a part that a line has just named for the first time. */
export function questionsAbout(componentId: string, { series, procedure }: Workbook): PartQuestion[] {
  const component = componentById(series, componentId);
  if (!component) return [];
  // What came off last stands next to it.
  const before = procedure.steps
    .flatMap(({ targets }) => targets.map((target) => target.componentId))
    .toReversed()
    .filter((id, i, ids) => id !== componentId && ids.indexOf(id) === i)
    .flatMap((id) => componentById(series, id) ?? []);
  const parts = (fits: (other: Component) => boolean, fields: (id: string) => Partial<Component>): PartAnswer[] =>
    before
      .filter(fits)
      // A cover O-ring sits in the front cover rather than in what came off last.
      .sort((one, other) => Number(isNamedIn(other, component)) - Number(isNamedIn(one, component)))
      .slice(0, MOST_ANSWERS)
      .map(({ id }) => ({ says: { is: 'part', componentId: id }, fields: fields(id) }));
  const yesOrNo = (fields: Partial<Component>): PartAnswer[] => [
    { says: { is: 'yes' }, fields },
    { says: { is: 'no' }, fields: {} },
  ];
  const { kind } = component;
  const held = new Set(series.components.flatMap(({ heldBy }) => heldBy ?? []));
  const asked: Readonly<Record<AskedFact, readonly PartAnswer[]>> = {
    kind: kind === 'other' ? PLAIN_KINDS.map((one) => ofKind(one, component)) : [],
    count: component.several
      ? COUNTS.map((value) => ({ says: { is: 'number', value }, fields: { count: value } }))
      : [],
    heldBy:
      closesOver(kind) && !isFastener(kind) && component.heldBy === undefined
        ? parts(
            (other) => isFastener(other.kind) && !held.has(other.id),
            (id) => ({ heldBy: [id] }),
          )
        : [],
    host:
      SITS_IN.includes(kind) && component.hostId === undefined
        ? parts(
            (other) => HOLDS_OTHERS.includes(other.kind),
            (id) => ({ hostId: id }),
          )
        : [],
    keyed: MAY_BE_KEYED.includes(kind) && !component.keyed ? yesOrNo({ keyed: true }) : [],
    renewal: OFTEN_RENEWED.includes(kind) && component.renewal === 'judge' ? yesOrNo({ renewal: 'always' }) : [],
  };
  return (Object.keys(asked) as AskedFact[]).flatMap((fact) =>
    asked[fact].length > 0 ? [{ componentId, fact, answers: asked[fact] }] : [],
  );
}

/** Whether a part is called after another: the cover O-ring after the front cover. */
function isNamedIn({ name }: Component, { name: of }: Component): boolean {
  const words = of.toLowerCase().split(' ').slice(0, -1);
  return words.includes(name.toLowerCase().split(' ').at(-1) ?? '');
}

function ofKind(kind: ComponentKind, { name }: Component): PartAnswer {
  return { says: { is: 'kind', kind }, fields: { kind, renewal: usualRenewal(kind, name) } };
}
