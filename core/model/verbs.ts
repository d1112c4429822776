/** The machine-readable verbs of an operation and what each does to the bench. */
export const STAGES = ['make-safe', 'take-down', 'look', 'renew', 'put-back', 'prove'] as const;
export type Stage = (typeof STAGES)[number];
export const STAGE_NAMES = {
  'make-safe': 'Make safe',
  'take-down': 'Take down',
  look: 'Look',
  renew: 'Renew',
  'put-back': 'Put back',
  prove: 'Prove',
} satisfies Record<Stage, string>;

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
  /** The imperative that opens the sentence. */
  readonly say: string;
  /** What people type for it; the first is offered by completion. */
  readonly words: readonly string[];
}

export const VERBS = {
  isolate: { effect: 'stays', object: 'words', stage: 'make-safe', say: 'Isolate', words: ['isolate'] },
  'lock-out': {
    effect: 'stays',
    object: 'words',
    stage: 'make-safe',
    say: 'Lock out',
    words: ['lock out', 'lock off', 'lock'],
  },
  'release-pressure': {
    effect: 'stays',
    object: 'words',
    stage: 'make-safe',
    say: 'Release the pressure',
    words: ['release pressure', 'release', 'bleed', 'vent'],
  },
  drain: { effect: 'stays', object: 'words', stage: 'make-safe', say: 'Drain', words: ['drain'] },
  fill: { effect: 'stays', object: 'words', stage: 'prove', say: 'Fill', words: ['fill', 'top up'] },
  restore: {
    effect: 'stays',
    object: 'words',
    stage: 'prove',
    say: 'Restore',
    words: ['restore', 'reconnect', 'unlock'],
  },
  loosen: { effect: 'stays', object: 'parts', stage: 'take-down', say: 'Loosen', words: ['loosen', 'slacken', 'undo'] },
  'take-off': {
    effect: 'takes',
    object: 'parts',
    stage: 'take-down',
    say: 'Take off',
    words: ['take off', 'take out', 'remove', 'lift off', 'lift out', 'lift', 'unscrew'],
  },
  draw: {
    effect: 'takes',
    object: 'parts',
    stage: 'take-down',
    say: 'Draw out',
    words: ['draw', 'draw out', 'pull', 'pull out', 'slide off'],
  },
  pry: {
    effect: 'takes',
    object: 'parts',
    stage: 'take-down',
    say: 'Pry off',
    words: ['pry', 'pry off', 'prise', 'lever off'],
  },
  separate: {
    effect: 'takes',
    object: 'parts',
    stage: 'take-down',
    say: 'Separate',
    words: ['separate', 'break loose'],
  },
  cut: { effect: 'takes', object: 'parts', stage: 'take-down', say: 'Cut away', words: ['cut', 'cut away', 'cut off'] },
  split: {
    effect: 'opens',
    object: 'parts',
    stage: 'take-down',
    say: 'Open',
    words: ['split', 'open', 'open up', 'dismantle'],
  },
  compress: { effect: 'stays', object: 'parts', stage: 'take-down', say: 'Compress', words: ['compress'] },
  ease: { effect: 'stays', object: 'parts', stage: 'take-down', say: 'Ease out', words: ['ease', 'ease out'] },
  mark: { effect: 'stays', object: 'parts', stage: 'take-down', say: 'Mark', words: ['mark', 'scribe'] },
  turn: { effect: 'stays', object: 'words', stage: 'take-down', say: 'Turn', words: ['turn', 'rotate'] },
  inspect: { effect: 'stays', object: 'parts', stage: 'look', say: 'Inspect', words: ['inspect', 'look at', 'check'] },
  measure: { effect: 'stays', object: 'parts', stage: 'look', say: 'Measure', words: ['measure', 'gauge'] },
  compare: { effect: 'stays', object: 'parts', stage: 'look', say: 'Compare', words: ['compare'] },
  clean: { effect: 'stays', object: 'parts', stage: 'renew', say: 'Clean', words: ['clean', 'wipe', 'degrease'] },
  soak: { effect: 'stays', object: 'parts', stage: 'renew', say: 'Soak', words: ['soak'] },
  renew: { effect: 'renews', object: 'parts', stage: 'renew', say: 'Renew', words: ['renew', 'replace', 'change'] },
  lubricate: {
    effect: 'stays',
    object: 'parts',
    stage: 'put-back',
    say: 'Lubricate',
    words: ['lubricate', 'grease', 'oil'],
  },
  'apply-compound': {
    effect: 'stays',
    object: 'parts',
    stage: 'put-back',
    say: 'Apply compound to',
    words: ['apply compound', 'apply', 'seal'],
  },
  place: { effect: 'refits', object: 'parts', stage: 'put-back', say: 'Place', words: ['place', 'lay', 'set'] },
  press: {
    effect: 'refits',
    object: 'parts',
    stage: 'put-back',
    say: 'Press',
    words: ['press', 'press in', 'push', 'push in', 'drive in'],
  },
  seat: { effect: 'refits', object: 'parts', stage: 'put-back', say: 'Seat', words: ['seat'] },
  fit: {
    effect: 'refits',
    object: 'parts',
    stage: 'put-back',
    say: 'Fit',
    words: ['fit', 'refit', 'install', 'mount', 'put back', 'slide on'],
  },
  join: {
    effect: 'joins',
    object: 'parts',
    stage: 'put-back',
    say: 'Join up',
    words: ['join', 'join up', 'assemble', 'snap together'],
  },
  align: { effect: 'stays', object: 'parts', stage: 'put-back', say: 'Align', words: ['align', 'line up'] },
  'start-by-hand': {
    effect: 'refits',
    object: 'parts',
    stage: 'put-back',
    say: 'Start by hand',
    words: ['start by hand', 'start', 'hand start', 'run on'],
  },
  torque: { effect: 'stays', object: 'parts', stage: 'put-back', say: 'Torque', words: ['torque', 'tighten'] },
  pin: {
    effect: 'refits',
    object: 'parts',
    stage: 'put-back',
    say: 'Secure with',
    words: ['pin', 'secure with', 'secure', 'wire'],
  },
  photo: { effect: 'stays', object: 'words', stage: 'take-down', say: 'Photograph', words: ['photo', 'photograph'] },
  wait: {
    effect: 'stays',
    object: 'words',
    stage: 'put-back',
    say: 'Wait for',
    words: ['wait', 'wait for', 'let stand'],
  },
  test: { effect: 'stays', object: 'words', stage: 'prove', say: 'Test', words: ['test', 'prove', 'run'] },
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

const phrases: readonly { phrase: string; verb: Verb }[] = VERB_IDS.flatMap((verb) =>
  verbOf(verb).words.map((phrase) => ({ phrase, verb })),
).sort((a, b) => b.phrase.length - a.phrase.length);

/** The verb that opens `text` and what follows it. The longest phrase wins, so "take off" is not "take". */
export function readVerb(text: string): { verb: Verb; phrase: string; rest: string } | undefined {
  const trimmed = text.trimStart();
  const folded = trimmed.toLowerCase();
  const hit = phrases.find(({ phrase }) => folded === phrase || folded.startsWith(`${phrase} `));
  return hit && { verb: hit.verb, phrase: hit.phrase, rest: trimmed.slice(hit.phrase.length).trim() };
}

/** Verb phrases that begin with `start`, the preferred word of each verb first. */
export function verbsStartingWith(start: string): { phrase: string; verb: Verb }[] {
  const folded = start.trimStart().toLowerCase();
  const seen = new Set<Verb>();
  return VERB_IDS.flatMap((verb) => verbOf(verb).words.map((phrase, rank) => ({ phrase, verb, rank })))
    .filter(({ phrase }) => phrase.startsWith(folded))
    .sort((a, b) => a.rank - b.rank)
    .filter(({ verb }) => !seen.has(verb) && seen.add(verb))
    .map(({ phrase, verb }) => ({ phrase, verb }));
}
