import type { ComponentKind } from '../model/kinds';
import { NAMED_SILHOUETTES, type NamedShape, SILHOUETTES } from './silhouettes';

/** What the words of a name draw, the most particular first. Common practice. */
const BY_NAME: readonly (readonly [RegExp, NamedShape])[] = [
  [/\b(?:v|vee|chevron)[- ]?(?:ring|packing)s?\b/i, 'v-ring'],
  [/\bu[- ]?(?:cup|seal)s?\b|\bcup seals?\b/i, 'u-cup'],
  [/\bback-?up rings?\b|\bsupport rings?\b/i, 'split-ring'],
  [/\b(?:circlip|snap ring|retaining ring|e-clip)s?\b/i, 'circlip'],
  [/\b(?:slinger|deflector|flinger)s?\b/i, 'slinger'],
  [/\bcages?\b/i, 'cage'],
  [/\badapters?\b/i, 'adapter'],
  [/\b(?:hose|tube|pipe|line)s?$/i, 'hose'],
  [/\bgauges?$/i, 'gauge'],
  [/\b(?:gear|pinion|gearwheel)s?$/i, 'gear'],
  [/\bcoupling(?: hal(?:f|ves))?s?$/i, 'coupling'],
  [/\b(?:bush|bushing)(?:es|s)?$/i, 'bush'],
  [/\b(?:stud|tie rod)s?$/i, 'stud'],
  [/\b(?:filter|strainer|screen)(?: element)?s?$/i, 'filter'],
  [/\bvanes?$/i, 'vane'],
  [/\bmanifolds?$/i, 'manifold'],
  [/\b(?:split|cotter) pins?\b/i, 'split-pin'],
  [/\bdowels?\b|\bdowel pins?\b/i, 'dowel'],
  [/\b(?:crankshaft|crank)s?$/i, 'crankshaft'],
  [/\bconnecting rods?$/i, 'connecting-rod'],
  [/\b(?:sight ?glass|oil window)(?:es)?$/i, 'sight-glass'],
  [/\bclamps?$/i, 'clamp'],
];

/** The outline of a part: as its name says, or as its kind does. */
export function silhouetteOf({ kind, name }: { readonly kind: ComponentKind; readonly name: string }): string {
  const named = BY_NAME.find(([words]) => words.test(name));
  return named && !FASTENED.test(name) ? NAMED_SILHOUETTES[named[1]] : SILHOUETTES[kind];
}

/** "Manifold bolt" is a bolt. */
const FASTENED = /\b(?:bolt|screw|nut|washer|gasket|o-?ring|seal|cover|plug|cap)s?$/i;
