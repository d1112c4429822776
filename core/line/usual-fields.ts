import { componentById } from '../model/lookup';
import type { Step } from '../model/procedure';
import type { Series } from '../model/series';
import { verbOf } from '../model/verbs';

/** What a step may say beyond what it does, to what and with what. */
export type UsualField =
  | 'faces'
  | 'applied'
  | 'torque'
  | 'caution'
  | 'detail'
  | 'why'
  | 'photo'
  | 'looks'
  | 'measurements'
  | 'proofs'
  | 'run'
  | 'minutes'
  | 'pose'
  | 'pictures'
  | 'question';

interface Usual {
  /** Without it the step says nothing; its field stands there from the start. */
  readonly needed: readonly UsualField[];
  /** What is said most often, the likeliest first. */
  readonly likely: readonly UsualField[];
}

const KINDS_WITH_ENDS: ReadonlySet<string> = new Set([
  'seal',
  'lip-seal',
  'packing',
  'seal-face',
  'ring',
  'retainer',
  'valve-seat',
  'poppet',
  'bearing',
  'diaphragm',
  'impeller',
  'cup-washer',
]);
const KINDS_GREASED: ReadonlySet<string> = new Set(['seal', 'lip-seal', 'o-ring', 'packing', 'shaft', 'plunger']);

/** What a step of this verb and these parts usually has to say. Common practice. */
export function usualFields(step: Step, series: Series): Usual {
  const kinds = step.targets.flatMap(({ componentId }) => componentById(series, componentId)?.kind ?? []);
  const has = (set: ReadonlySet<string>) => kinds.some((kind) => set.has(kind));
  const { effect } = verbOf(step.verb);
  switch (step.verb) {
    case 'torque':
      return { needed: ['torque'], likely: ['detail', 'applied', 'caution', 'photo'] };
    case 'lubricate':
    case 'apply-compound':
    case 'wrap':
      return { needed: ['applied'], likely: ['detail', 'why', 'caution', 'photo'] };
    case 'inspect':
    case 'compare':
      return { needed: ['looks'], likely: ['question', 'pictures', 'photo', 'measurements'] };
    case 'measure':
      return { needed: ['measurements'], likely: ['looks', 'pictures', 'question', 'detail'] };
    case 'wait':
    case 'soak':
      return { needed: ['minutes'], likely: ['detail', 'why', 'caution', 'applied'] };
    case 'lay':
      return { needed: ['pose'], likely: ['detail', 'caution', 'pictures', 'why'] };
    case 'photo':
      return { needed: ['photo'], likely: ['detail', 'why', 'caution', 'pictures'] };
    case 'test':
      return { needed: [], likely: ['proofs', 'run', 'detail', 'caution', 'looks'] };
    case 'fill':
    case 'turn':
      if (step.stage === 'prove') return { needed: [], likely: ['proofs', 'caution', 'detail', 'why', 'photo'] };
      break;
    default:
  }
  if (effect === 'refits')
    return {
      needed: [],
      likely: [
        ...(has(KINDS_WITH_ENDS) ? (['faces'] as const) : []),
        ...(has(KINDS_GREASED) ? (['applied'] as const) : []),
        'detail',
        'photo',
        'caution',
        ...(has(KINDS_WITH_ENDS) ? [] : (['faces'] as const)),
      ],
    };
  return { needed: [], likely: ['caution', 'detail', 'why', 'photo', 'pictures'] };
}
