/** The machine-readable verbs of an operation and what each does to the bench. */
export const STAGES = ['make-safe', 'take-down', 'look', 'renew', 'put-back', 'prove'] as const;
export type Stage = (typeof STAGES)[number];

/**
 * What a verb does to the units it names. `takes` lays them on the cloth, `refits` puts them back, `renews` bins the
 * old ones for new; `opens` lays out what sits in them, `joins` puts that in again; `stays` moves nothing.
 */
export type VerbEffect = 'takes' | 'refits' | 'renews' | 'opens' | 'joins' | 'stays';

interface VerbDefinition {
  readonly effect: VerbEffect;
  /** Whether the verb acts on parts of the series or on something said in words ("the gear oil"). */
  readonly object: 'parts' | 'words';
  /** The stage a step with this verb usually belongs to. */
  readonly stage: Stage;
}

export const VERBS = {
  isolate: { effect: 'stays', object: 'words', stage: 'make-safe' },
  'lock-out': { effect: 'stays', object: 'words', stage: 'make-safe' },
  'close-valve': { effect: 'stays', object: 'words', stage: 'make-safe' },
  'release-pressure': { effect: 'stays', object: 'words', stage: 'make-safe' },
  drain: { effect: 'stays', object: 'words', stage: 'make-safe' },
  fill: { effect: 'stays', object: 'words', stage: 'prove' },
  restore: { effect: 'stays', object: 'words', stage: 'prove' },
  'open-valve': { effect: 'stays', object: 'words', stage: 'prove' },
  loosen: { effect: 'stays', object: 'parts', stage: 'take-down' },
  'take-off': { effect: 'takes', object: 'parts', stage: 'take-down' },
  draw: { effect: 'takes', object: 'parts', stage: 'take-down' },
  pry: { effect: 'takes', object: 'parts', stage: 'take-down' },
  separate: { effect: 'takes', object: 'parts', stage: 'take-down' },
  cut: { effect: 'takes', object: 'parts', stage: 'take-down' },
  disconnect: { effect: 'takes', object: 'parts', stage: 'take-down' },
  split: { effect: 'opens', object: 'parts', stage: 'take-down' },
  compress: { effect: 'stays', object: 'parts', stage: 'take-down' },
  ease: { effect: 'stays', object: 'parts', stage: 'take-down' },
  mark: { effect: 'stays', object: 'parts', stage: 'take-down' },
  turn: { effect: 'stays', object: 'words', stage: 'take-down' },
  lay: { effect: 'stays', object: 'parts', stage: 'take-down' },
  hold: { effect: 'stays', object: 'parts', stage: 'take-down' },
  move: { effect: 'stays', object: 'parts', stage: 'take-down' },
  bend: { effect: 'stays', object: 'parts', stage: 'take-down' },
  cap: { effect: 'stays', object: 'words', stage: 'take-down' },
  'put-aside': { effect: 'stays', object: 'parts', stage: 'take-down' },
  discard: { effect: 'stays', object: 'parts', stage: 'take-down' },
  inspect: { effect: 'stays', object: 'parts', stage: 'look' },
  measure: { effect: 'stays', object: 'parts', stage: 'look' },
  compare: { effect: 'stays', object: 'parts', stage: 'look' },
  clean: { effect: 'stays', object: 'parts', stage: 'renew' },
  dress: { effect: 'stays', object: 'parts', stage: 'renew' },
  soak: { effect: 'stays', object: 'parts', stage: 'renew' },
  renew: { effect: 'renews', object: 'parts', stage: 'renew' },
  heat: { effect: 'stays', object: 'parts', stage: 'put-back' },
  lubricate: { effect: 'stays', object: 'parts', stage: 'put-back' },
  'apply-compound': { effect: 'stays', object: 'parts', stage: 'put-back' },
  wrap: { effect: 'stays', object: 'parts', stage: 'put-back' },
  place: { effect: 'refits', object: 'parts', stage: 'put-back' },
  press: { effect: 'refits', object: 'parts', stage: 'put-back' },
  seat: { effect: 'refits', object: 'parts', stage: 'put-back' },
  fit: { effect: 'refits', object: 'parts', stage: 'put-back' },
  connect: { effect: 'refits', object: 'parts', stage: 'put-back' },
  join: { effect: 'joins', object: 'parts', stage: 'put-back' },
  align: { effect: 'stays', object: 'parts', stage: 'put-back' },
  'start-by-hand': { effect: 'refits', object: 'parts', stage: 'put-back' },
  torque: { effect: 'stays', object: 'parts', stage: 'put-back' },
  pin: { effect: 'refits', object: 'parts', stage: 'put-back' },
  adjust: { effect: 'stays', object: 'parts', stage: 'put-back' },
  photo: { effect: 'stays', object: 'words', stage: 'take-down' },
  wait: { effect: 'stays', object: 'words', stage: 'put-back' },
  /** Work beside the pump, in the trainer's own words: a tray put under it, shims counted. */
  attend: { effect: 'stays', object: 'words', stage: 'take-down' },
  test: { effect: 'stays', object: 'words', stage: 'prove' },
} as const satisfies Record<string, VerbDefinition>;

export type Verb = keyof typeof VERBS;
export const VERB_IDS = Object.keys(VERBS) as [Verb, ...Verb[]];

export function verbOf(verb: Verb): VerbDefinition {
  return VERBS[verb];
}

/** Whether the verb loosens or opens something that pressure or a drive could act on. */
export function opensPump(verb: Verb): boolean {
  return verb === 'loosen' || VERBS[verb].effect === 'takes' || VERBS[verb].effect === 'opens';
}
