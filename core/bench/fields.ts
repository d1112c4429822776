import type { Faces, Pose } from '../model/faces';
import type { Structure } from './structure';

/** Where a piece is: home in the pump or in what it sits in, on the cloth, wanted from the kit tray, or gone. */
export type Whereabouts = 'home' | 'cloth' | 'tray' | 'bin';

/** Of one thread; one that nobody touched is tight. */
export type Tightness = 'tight' | 'loose' | 'by-hand' | 'torqued';

/** Something put on a piece, and the step that put it there. */
type Applied = { readonly consumableId: string; readonly at: number };

/** What cannot change and so needs no copying: two ways may share it. */
type Unchanging =
  | string
  | number
  | boolean
  | null
  | readonly Unchanging[]
  | { readonly [key: string]: Unchanging | undefined };

/** A fact of the bench. Whoever adds one has to say how it starts and when two of it are the same for what follows. */
interface Field<T extends Unchanging> {
  readonly of: 'piece' | 'component' | 'tool' | 'step' | 'words' | 'pump';
  readonly start: (structure: Structure, key: string) => T;
  readonly same: (a: T, b: T) => boolean;
  /** Whether two ways that differ in it leave different pumps behind. */
  readonly endsDifferent: (value: T) => unknown;
}

/** Field definitions are checked one by one, so that none can be left half said. */
function field<T extends Unchanging>(definition: Field<T>): Field<T> {
  return definition;
}

const same = (a: Unchanging, b: Unchanging) => a === b;
const sameDeep = (a: Unchanging, b: Unchanging) => a === b || JSON.stringify(a) === JSON.stringify(b);
/** No trace of it is left once the pump is closed. */
const noTrace = () => null;
const itself = <T>(value: T) => value;

export const FIELDS = {
  at: field<Whereabouts>({
    of: 'piece',
    start: ({ pieces, joining, startsOut }, key) => {
      const id = pieces.get(key)?.componentId ?? '';
      return joining.has(id) ? 'tray' : startsOut.has(id) ? 'cloth' : 'home';
    },
    same,
    // A seat kept and a seat renewed are the same seat once it is fitted.
    endsDifferent: itself,
  }),
  generation: field<'old' | 'new'>({
    of: 'piece',
    start: ({ pieces, joining }, key) => (joining.has(pieces.get(key)?.componentId ?? '') ? 'new' : 'old'),
    same,
    endsDifferent: noTrace,
  }),
  /** The piece it sits in when it is home; null for the pump itself. */
  host: field<string | null>({
    of: 'piece',
    start: ({ hostOf }, key) => hostOf.get(key) ?? null,
    same,
    endsDifferent: itself,
  }),
  /** The position it sits at. */
  seat: field<string | null>({
    of: 'piece',
    start: ({ pieces }, key) => pieces.get(key)?.positionId ?? null,
    same,
    endsDifferent: itself,
  }),
  /** The step that took it off last, while it is off. */
  offAt: field<number | null>({ of: 'piece', start: () => null, same, endsDifferent: noTrace }),
  /** The step that took it off first. */
  firstOff: field<number | null>({ of: 'piece', start: () => null, same, endsDifferent: noTrace }),
  /** Parts taken off between one closing part and the next belong together. */
  segment: field<number>({ of: 'piece', start: () => -1, same, endsDifferent: noTrace }),
  thread: field<Tightness>({
    of: 'piece',
    start: () => 'tight',
    same,
    endsDifferent: (state) => state === 'loose' || state === 'by-hand',
  }),
  /** The torque it was brought to, in N·m. */
  figure: field<number | null>({ of: 'piece', start: () => null, same, endsDifferent: noTrace }),
  /** The pin or tab that came off just before it, which presumably locks it. */
  lock: field<string | null>({ of: 'piece', start: () => null, same, endsDifferent: noTrace }),
  facing: field<Faces | null>({ of: 'piece', start: () => null, same: sameDeep, endsDifferent: noTrace }),
  marked: field<boolean>({ of: 'piece', start: () => false, same, endsDifferent: noTrace }),
  cleaned: field<boolean>({ of: 'piece', start: () => false, same, endsDifferent: noTrace }),
  /** Cut, so that it holds nothing any more. */
  cut: field<boolean>({ of: 'piece', start: () => false, same, endsDifferent: noTrace }),
  lubricated: field<boolean>({ of: 'piece', start: () => false, same, endsDifferent: noTrace }),
  /** What was put on it since it was last cleaned. */
  applied: field<readonly Applied[]>({
    of: 'piece',
    start: () => [],
    same: sameDeep,
    endsDifferent: noTrace,
  }),
  soaking: field<number | null>({ of: 'piece', start: () => null, same, endsDifferent: noTrace }),
  /** A spring that is compressed, or eased out under control. */
  tamed: field<boolean>({ of: 'component', start: () => false, same, endsDifferent: noTrace }),
  pose: field<Pose | null>({ of: 'component', start: () => null, same, endsDifferent: noTrace }),
  /** The step that put a temporary aid in, while it is in. */
  aid: field<string | null>({ of: 'tool', start: () => null, same, endsDifferent: (step) => step !== null }),
  /** The step that isolated or locked something, while it is. */
  isolated: field<string | null>({ of: 'words', start: () => null, same, endsDifferent: (step) => step !== null }),
  /** Whether a line still holds its pressure. */
  pressure: field<'held' | 'released'>({
    of: 'words',
    start: ({ series }) => (series.unpressurised ? 'released' : 'held'),
    same,
    endsDifferent: noTrace,
  }),
  /** Whether what a step drained is still missing. */
  drained: field<boolean>({ of: 'step', start: () => false, same, endsDifferent: itself }),
  /** How the shaft was last turned, in the words of the step. */
  shaft: field<string | null>({ of: 'pump', start: () => null, same, endsDifferent: noTrace }),
  /** Whether anything was loosened yet; isolation is judged once. */
  opened: field<boolean>({ of: 'pump', start: () => false, same, endsDifferent: noTrace }),
  /** Whether more than a line was opened; the pressure of the pump is judged once. */
  entered: field<boolean>({ of: 'pump', start: () => false, same, endsDifferent: noTrace }),
  /** What was taken off last: a lock, a fastener, a closing part or something inside. */
  lastTaken: field<{ readonly role: 'fastener' | 'lock' | 'other'; readonly componentId: string } | null>({
    of: 'pump',
    start: () => null,
    same: sameDeep,
    endsDifferent: noTrace,
  }),
  /** How many closing parts were opened so far. */
  opening: field<number>({ of: 'pump', start: () => 0, same, endsDifferent: noTrace }),
} as const;

export type FieldName = keyof typeof FIELDS;
export type ValueOf<F extends FieldName> = ReturnType<(typeof FIELDS)[F]['start']>;
export const FIELD_NAMES = Object.keys(FIELDS) as readonly FieldName[];
