import type { Verb } from '../../../../model/verbs';
import { VERB_WORDS } from '../../../../reading/en/verb-words';
import { MORE_WORDS } from './more-words';

/** Which way something is moved, as a word behind the verb or before a place tells. */
export type Way =
  | 'out'
  | 'in'
  | 'back'
  | 'down'
  | 'up'
  | 'aside'
  | 'apart'
  | 'together'
  | 'loose'
  | 'over'
  | 'on'
  | 'along';

/** Words that tell a way when they stand by themselves: "take the cover *off*". */
export const WAY_WORDS: Readonly<Record<string, Way>> = {
  off: 'out',
  clear: 'out',
  out: 'out',
  away: 'out',
  in: 'in',
  into: 'in',
  home: 'in',
  on: 'on',
  back: 'back',
  down: 'down',
  up: 'up',
  upwards: 'up',
  upward: 'up',
  downwards: 'down',
  downward: 'down',
  aside: 'aside',
  apart: 'apart',
  together: 'together',
  loose: 'loose',
  free: 'loose',
  over: 'over',
  round: 'over',
  forward: 'along',
  forwards: 'along',
  backward: 'along',
  backwards: 'along',
  sideways: 'along',
};

/** Words before a place that tell the same: "pull it *from* the bore". */
export const WAY_BEFORE_PLACE: Readonly<Record<string, Way>> = {
  from: 'out',
  off: 'out',
  clear: 'out',
  out: 'out',
  into: 'in',
  onto: 'on',
  in: 'in',
  on: 'on',
  over: 'on',
  through: 'in',
  inside: 'in',
  toward: 'along',
  towards: 'along',
};

export interface Movement {
  readonly words: string;
  /** What the verb does by itself; it asks where this is absent and no way is told. */
  readonly alone?: Verb;
  readonly ways: Readonly<Partial<Record<Way, Verb>>>;
}

const FITS = { in: 'fit', on: 'fit', back: 'fit', over: 'fit', together: 'join' } as const;
const PRESSES = { in: 'press', on: 'press', back: 'press', over: 'press', together: 'join' } as const;
const SHIFTS = { down: 'move', up: 'move', aside: 'move', along: 'move' } as const;
const PLACED = { in: 'place', on: 'place', over: 'place', back: 'place', down: 'lay', aside: 'put-aside' } as const;
const COMES_OUT = { out: 'draw', loose: 'loosen', apart: 'split' } as const;

/** Verbs of which the way decides what happens. Common practice. */
const MOVEMENTS: readonly Movement[] = [
  { words: 'take get', ways: { out: 'take-off', down: 'take-off', apart: 'split', aside: 'put-aside' } },
  {
    words: 'remove detach unscrew unthread unbolt undo unclip unhook dismount demount unfasten strip retrieve recover',
    alone: 'take-off',
    ways: { out: 'take-off', loose: 'loosen' },
  },
  { words: 'bring', ways: { ...FITS, out: 'draw' } },
  {
    words: 'zip buzz zap rattle',
    ways: { out: 'take-off', in: 'start-by-hand', on: 'start-by-hand', down: 'start-by-hand' },
  },
  { words: 'bolt', ways: { ...FITS, up: 'fit', down: 'fit' } },
  { words: 'peel', alone: 'take-off', ways: { ...SHIFTS, out: 'take-off', back: 'move' } },
  { words: 'scrape', alone: 'clean', ways: { out: 'take-off' } },
  {
    words: 'hook',
    alone: 'draw',
    ways: { ...COMES_OUT, in: 'fit', on: 'fit', back: 'fit', over: 'fit', up: 'connect' },
  },
  {
    words: 'fish dig rake suck scoop',
    alone: 'draw',
    ways: { ...SHIFTS, ...COMES_OUT, up: 'draw' },
  },
  // Whichever way it comes, it comes out.
  {
    words: 'withdraw extract',
    alone: 'draw',
    ways: { ...COMES_OUT, up: 'draw', down: 'draw', along: 'draw', aside: 'put-aside' },
  },
  {
    words: 'pull draw pick drag yank tug haul whip flick',
    alone: 'draw',
    ways: { ...SHIFTS, ...COMES_OUT, up: 'draw', in: 'fit', on: 'fit', back: 'move', over: 'fit', together: 'join' },
  },
  { words: 'string', ways: { on: 'put-aside', together: 'put-aside' } },
  { words: 'shake', ways: { out: 'draw' } },
  { words: 'introduce enter', ways: { in: 'fit', on: 'fit', back: 'fit', over: 'fit' } },
  { words: 'poke', ways: { in: 'fit', on: 'fit', back: 'fit', over: 'fit', out: 'draw' } },
  { words: 'fire', ways: { up: 'test' } },
  { words: 'do', ways: { up: 'torque' } },
  { words: 'offer', alone: 'fit', ways: { up: 'fit', in: 'fit', on: 'fit' } },
  { words: 'top', ways: { up: 'fill' } },
  { words: 'bar', ways: { over: 'turn', along: 'turn' } },
  { words: 'line', ways: { up: 'align' } },
  { words: 'hose', ways: { down: 'clean', out: 'clean' } },
  { words: 'build', ways: { up: 'join', together: 'join' } },
  {
    words: 'tie',
    ways: { up: 'put-aside', back: 'put-aside', aside: 'put-aside', together: 'put-aside', down: 'hold' },
  },
  { words: 'look', ways: { over: 'inspect' } },
  { words: 'switch', ways: { out: 'isolate', on: 'restore' } },
  { words: 'shut', alone: 'close-valve', ways: { out: 'isolate', down: 'isolate' } },
  {
    words: 'slide slip glide feed guide walk coax worm stretch pop work tease tuck wriggle manoeuvre maneuver',
    ways: { ...SHIFTS, ...COMES_OUT, in: 'fit', on: 'fit', over: 'fit', together: 'join' },
  },
  {
    words: 'roll',
    ways: { ...SHIFTS, ...COMES_OUT, back: 'move', in: 'fit', on: 'fit', over: 'fit' },
  },
  { words: 'rock wiggle jiggle', alone: 'move', ways: { ...SHIFTS, ...COMES_OUT, in: 'fit', on: 'fit', over: 'fit' } },
  {
    words: 'swing',
    alone: 'move',
    ways: { ...SHIFTS, out: 'move', over: 'move', in: 'move', on: 'place', back: 'move' },
  },
  { words: 'twist wind', alone: 'turn', ways: { ...COMES_OUT, out: 'take-off', ...FITS } },
  { words: 'snap clip click', ways: { ...COMES_OUT, out: 'take-off', ...FITS } },
  { words: 'ease', alone: 'ease', ways: { ...COMES_OUT, out: 'take-off', ...FITS } },
  {
    words: 'push press drive force',
    alone: 'press',
    ways: { ...SHIFTS, ...COMES_OUT, ...PRESSES, back: 'move' },
  },
  {
    words:
      'tap rap knock drift punch hammer bump jack squeeze shove nudge chisel smack whack thump beat hit strike bash belt',
    ways: { ...SHIFTS, ...COMES_OUT, ...PRESSES, back: 'move' },
  },
  {
    words: 'screw thread',
    alone: 'start-by-hand',
    ways: {
      out: 'take-off',
      in: 'start-by-hand',
      on: 'start-by-hand',
      down: 'start-by-hand',
      back: 'fit',
      together: 'join',
    },
  },
  {
    words: 'run start',
    ways: { out: 'take-off', in: 'start-by-hand', on: 'start-by-hand', down: 'start-by-hand', up: 'start-by-hand' },
  },
  {
    words: 'spin',
    alone: 'turn',
    ways: { along: 'turn', out: 'take-off', in: 'start-by-hand', on: 'start-by-hand', down: 'start-by-hand' },
  },
  {
    words: 'turn rotate revolve crank',
    alone: 'turn',
    ways: { out: 'take-off', in: 'start-by-hand', over: 'lay', back: 'turn', on: 'turn' },
  },
  {
    words: 'lift hoist raise heave winch',
    alone: 'take-off',
    ways: {
      out: 'take-off',
      up: 'take-off',
      in: 'place',
      on: 'place',
      over: 'place',
      back: 'place',
      down: 'lay',
      aside: 'put-aside',
    },
  },
  {
    words: 'set position stand rest',
    ways: { ...PLACED, together: 'join' },
  },
  {
    words: 'drop',
    alone: 'place',
    ways: { ...PLACED, out: 'take-off' },
  },
  {
    words: 'place lower stack land',
    alone: 'place',
    ways: { ...PLACED, together: 'join' },
  },
  {
    words: 'lay',
    alone: 'place',
    ways: { in: 'place', on: 'place', over: 'lay', back: 'fit', down: 'lay', aside: 'put-aside', out: 'put-aside' },
  },
  {
    words: 'put',
    ways: {
      in: 'fit',
      on: 'fit',
      over: 'fit',
      back: 'fit',
      down: 'lay',
      aside: 'put-aside',
      together: 'join',
      out: 'put-aside',
    },
  },
  {
    words: 'tip tilt flip invert upend',
    alone: 'lay',
    ways: { over: 'lay', back: 'lay', up: 'lay', down: 'lay', on: 'lay', along: 'lay', out: 'take-off' },
  },
  { words: 'pry prise prize lever', alone: 'pry', ways: { out: 'pry', loose: 'pry', apart: 'pry', up: 'pry' } },
  { words: 'back', ways: { out: 'take-off' } },
  { words: 'crack break', alone: 'loosen', ways: { loose: 'loosen' } },
  {
    words: 'bend fold flare peen stake crimp straighten flatten',
    alone: 'bend',
    ways: { over: 'bend', back: 'bend', down: 'bend', up: 'bend', out: 'bend', in: 'bend', on: 'bend' },
  },
  { words: 'spread', alone: 'bend', ways: { out: 'take-off', apart: 'bend', over: 'bend' } },
  { words: 'throw', alone: 'discard', ways: { out: 'discard' } },
  { words: 'toss', alone: 'discard', ways: { out: 'discard', aside: 'put-aside' } },
];

const byWord = new Map(
  MOVEMENTS.flatMap((movement) => movement.words.split(' ').map((word) => [word, movement] as const)),
);

interface Phrase {
  readonly words: readonly string[];
  readonly verb: Verb;
}

/** Every phrase by its first word, the longest first. */
const phrases = new Map<string, Phrase[]>();
for (const table of [VERB_WORDS, MORE_WORDS] as const)
  for (const [verb, list] of Object.entries(table) as [Verb, readonly string[]][])
    for (const phrase of list) {
      const words = phrase.split(' ');
      const [first = ''] = words;
      phrases.set(
        first,
        [...(phrases.get(first) ?? []), { words, verb }].sort((a, b) => b.words.length - a.words.length),
      );
    }

/** The words with which verbs begin. */
export function verbFirstWords(): ReadonlySet<string> {
  return new Set([...phrases.keys(), ...byWord.keys()]);
}

/** Phrases that are more than a movement and a way, though they look like it. */
const KEPT_WHOLE =
  /^(?:turn o(?:ff|n)|switch o(?:ff|n)|start by hand|back off|run (?:in|on|up|down)|throw (?:out|away)|knock over|set aside|put aside|put away|lay aside|put together|pull (?:up|down)|drop in|tip out|look \w+)$/;

export type ReadVerb =
  | { readonly is: 'verb'; readonly verb: Verb; readonly length: number; readonly phrase: string }
  | { readonly is: 'movement'; readonly movement: Movement; readonly length: number; readonly phrase: string };

/** The verb that a run of words begins with, in at most so many words; undefined where it begins with none. */
export function verbAt(lows: readonly string[], at: number, most = Number.POSITIVE_INFINITY): ReadVerb | undefined {
  const first = lows[at] ?? '';
  const fits = (phrases.get(first) ?? []).filter(
    ({ words }) => words.length <= most && words.every((word, i) => lows[at + i] === word),
  );
  const movement = byWord.get(first);
  const whole = fits.find(({ words }) => !movement || isMoreThanMovement(words, lows, at));
  if (whole) return { is: 'verb', verb: whole.verb, length: whole.words.length, phrase: whole.words.join(' ') };
  if (movement) return { is: 'movement', movement, length: 1, phrase: first };
  return undefined;
}

function isMoreThanMovement(words: readonly string[], lows: readonly string[], at: number): boolean {
  if (words.length === 1) return false;
  const phrase = words.join(' ');
  if (/^pull (?:up|down)$/.test(phrase) && /\b(?:from|off|out)\b/.test(lows.slice(at).join(' '))) return false;
  // "Pull down the pump head to the front" tightens nothing.
  if (
    /^pull (?:up|down)$/.test(phrase) &&
    lows.length > at + 3 &&
    !/(?:nut|bolt|screw|stud|gland|it|them|all|both)s?\b|\bevenly(?! to)\b/.test(lows.slice(at).join(' '))
  )
    return false;
  // "Turn on and look for drips".
  if (/^turn o(?:n|ff)$/.test(phrase) && /^(?:|,|and|then|again|slowly)$/.test(lows[at + 2] ?? '')) return true;
  if (KEPT_WHOLE.test(phrase)) return !/^turn on$/.test(phrase) || POWERED.test(lows.slice(at).join(' '));
  return words.length > 2 || WAY_WORDS[words[1] ?? ''] === undefined;
}

/** Verbs that are nouns as well: they open an action only before something that is named. */
export const ALSO_NOUN =
  /^(?:seal|pin|oil|cap|press|mark|gauge|test|drain|plug|clip|lock|cover|ring|clean|dry|level|grease|compound|wire|tape|block|clamp|file|stone|support|hold|hook|pick|punch|hammer|drift|chisel|jack|brush|wash|flush|fit|start|run|turn|twist|spin|drop|rest|stand|set|time|seat|bottom|bed|label|number|photo|screw|thread|bolt|spring|slip|slide|guide|lift|hoist|pull|back|free|square|open|shut|close|empty|lap|mask|sand|soak|peel|sling|rig|hose|flare|crimp|stake|bend|fold|wrap|centre|center|index|match|join|cool|shim)$/;
/** Verbs that are no nouns, and say what is done whatever stands behind. */
export const NOTHING_ELSE =
  'connect|disconnect|reconnect|restore|isolate|inspect|renew|replace|discard|lubricate|refit|install|remove|loosen|tighten|prime';
const POWERED = /\b(?:power|supply|mains|motor|pump|drive|unit|machine|water|air|switch|current)\b/;

/** Every word that begins a verb, for telling an action from a list. */
export function beginsVerb(lows: readonly string[], at: number): boolean {
  return verbAt(lows, at) !== undefined;
}

export function movedBy(movement: Movement, way: Way | undefined): Verb | undefined {
  return way === undefined ? movement.alone : (movement.ways[way] ?? undefined);
}
