import type { Profile } from '../model/faces';

/** First match wins, so the telling words stand first. */
const WORDS: readonly [RegExp, Profile][] = [
  [/small grooves?/i, 'small-grooves'],
  [/grooves?|grooved/i, 'groove'],
  [/\blips?\b|\bopen side|v-?side/i, 'lip'],
  [/spring/i, 'spring'],
  [/notch/i, 'notches'],
  [/\btabs?\b|\blugs?\b/i, 'tab'],
  [/taper|conical/i, 'taper'],
  [/dished|concave|hollow/i, 'dished'],
  [/chamfer|bevel/i, 'chamfer'],
  [/shoulder|collar|flange/i, 'shoulder'],
  [/round|curved|radius/i, 'rounded'],
  [/mark|number|stamp|word|letter|colour/i, 'marked'],
  [/long/i, 'long'],
  [/either|flat|lapped|face|plain|heel|back/i, 'flat'],
];

/** The profile that words about an end tell of: "spring side" is spring; undefined when they tell of none. */
export function profileFromWords(words: string): Profile | undefined {
  return WORDS.find(([pattern]) => pattern.test(words))?.[1];
}
