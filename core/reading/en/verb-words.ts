import { VERB_IDS, type Verb } from '../../model/verbs';

/** What people type for a verb; the first is offered by completion. Common practice. */
export const VERB_WORDS: Readonly<Record<Verb, readonly string[]>> = {
  isolate: ['isolate', 'switch off', 'turn off', 'shut off'],
  'lock-out': ['lock out', 'lock off', 'lock', 'lock and tag', 'tag out'],
  'close-valve': ['close', 'shut'],
  'release-pressure': [
    'release pressure',
    'release the pressure',
    'release',
    'bleed',
    'vent',
    'deaerate',
    'de-aerate',
    'depressurise',
    'relieve',
    'relieve the pressure',
    'relieve pressure',
    'let off',
    'depressurize',
  ],
  drain: ['drain', 'empty'],
  fill: ['fill', 'top up', 'refill'],
  restore: ['restore', 'unlock', 'switch on', 'turn on', 'remove the lock from'],
  'open-valve': ['open valve', 'reopen'],
  loosen: ['loosen', 'slacken', 'back off', 'crack loose', 'ease off', 'slack off'],
  'take-off': [
    'take off',
    'take out',
    'remove',
    'lift off',
    'lift out',
    'lift',
    'unscrew',
    'take away',
    'unbolt',
    'undo',
    'detach',
    'strip off',
  ],
  draw: [
    'draw',
    'draw out',
    'pull',
    'pull out',
    'slide off',
    'pull off',
    'draw off',
    'slide out',
    'hook out',
    'withdraw',
    'extract',
    'knock out',
    'drive out',
    'tap out',
    'press out',
    'push out',
    'drift out',
  ],
  pry: ['pry', 'pry off', 'prise', 'lever off', 'pry out'],
  separate: ['separate', 'break loose'],
  cut: ['cut', 'cut away', 'cut off'],
  disconnect: ['disconnect'],
  split: ['split', 'open', 'open up', 'dismantle'],
  compress: ['compress'],
  ease: ['ease', 'ease out'],
  mark: ['mark', 'scribe', 'match-mark', 'number', 'label'],
  turn: ['turn', 'rotate'],
  lay: ['lay down', 'turn over', 'flip'],
  hold: ['hold', 'support', 'steady', 'clamp', 'block up'],
  move: ['move', 'shift'],
  bend: ['bend', 'bend over', 'straighten', 'flare', 'peen', 'crimp'],
  cap: ['cover', 'cap', 'plug', 'blank off', 'mask'],
  'put-aside': ['put aside', 'set aside'],
  discard: ['discard', 'throw away', 'scrap'],
  inspect: ['inspect', 'look at', 'check', 'examine', 'look over', 'feel'],
  measure: ['measure', 'gauge'],
  compare: ['compare'],
  clean: ['clean', 'wipe', 'degrease', 'wash', 'flush', 'flush out', 'rinse', 'scrub', 'blow out'],
  heat: ['heat', 'heat up', 'warm', 'warm up', 'preheat'],
  dress: ['dress', 'deburr', 'file', 'polish', 'hone'],
  soak: ['soak'],
  renew: ['renew', 'replace', 'change'],
  lubricate: ['lubricate', 'grease', 'oil', 'smear', 'coat', 'lube'],
  'apply-compound': ['apply compound', 'apply compound to', 'apply', 'seal'],
  wrap: ['wrap', 'tape'],
  place: ['place', 'lay', 'set', 'lower', 'lower in'],
  press: [
    'press',
    'press in',
    'push',
    'push in',
    'drive in',
    'press on',
    'push on',
    'drive on',
    'tap in',
    'knock in',
    'drift in',
  ],
  seat: ['seat'],
  fit: [
    'fit',
    'refit',
    'install',
    'mount',
    'put back',
    'slide on',
    'insert',
    'reinstall',
    'slide in',
    'put in',
    'put on',
    'slip on',
    'attach',
    'reattach',
  ],
  connect: ['connect', 'reconnect'],
  join: ['join', 'join up', 'assemble', 'snap together'],
  align: ['align', 'line up'],
  'start-by-hand': [
    'start by hand',
    'start',
    'hand start',
    'run on',
    'screw in',
    'screw on',
    'thread in',
    'thread on',
    'run in',
    'spin on',
    'hand-tighten',
    'hand tighten',
    'finger-tighten',
    'finger tighten',
  ],
  torque: ['torque', 'tighten'],
  pin: ['pin', 'secure with', 'secure', 'wire'],
  adjust: ['adjust', 'readjust', 'reset'],
  photo: ['photo', 'photograph', 'take a photo of', 'take a picture of'],
  wait: ['wait', 'wait for', 'let stand'],
  attend: ['see to', 'attend to'],
  test: ['test', 'prove', 'run', 'leak test', 'pressure test'],
};

const phrases: readonly { phrase: string; verb: Verb }[] = VERB_IDS.flatMap((verb) =>
  VERB_WORDS[verb].map((phrase) => ({ phrase, verb })),
).sort((a, b) => b.phrase.length - a.phrase.length);

interface Opening {
  readonly verb: Verb;
  readonly phrase: string;
  readonly rest: string;
}

/**
 * The verb that opens `text` and what follows it. The longest phrase wins, so "take off" is not "take", unless a shorter
 * one leaves a known part: "open valve cage" takes a cage apart and opens no valve.
 */
export function readVerb(text: string, isPart: (words: string) => boolean = () => false): Opening | undefined {
  const trimmed = text.trimStart();
  const folded = trimmed.toLowerCase();
  const hits = phrases
    .filter(({ phrase }) => folded === phrase || folded.startsWith(`${phrase} `))
    .map(({ verb, phrase }) => ({ verb, phrase, rest: trimmed.slice(phrase.length).trim() }));
  const hit = hits.find(({ rest }) => isPart(rest)) ?? hits[0];
  if (!hit) return undefined;
  // "Run the pump" and "start the pump" are tests that need it to run, which their words go on saying.
  if (hit.phrase === 'run' || (hit.phrase === 'start' && MACHINE.test(hit.rest)))
    return { ...hit, rest: trimmed, verb: 'test' };
  return { ...hit, verb: byObject(hit.verb, hit.phrase, hit.rest) };
}

const MACHINE = /^(?:the\s+)?(?:pump|motor|engine|machine|unit|drive|set)\b/i;

/** Opened by a valve, not taken apart. */
const OPENED_AS_VALVE =
  /\b(valves?|cocks?|taps?|(?:bleed(?:er)?|vent|drain) (?:screws?|plugs?|ports?)|(?:air )?vents?|air|water|steam|suction|discharge|inlet|outlet|feed|supply)(?:\s+(?:slowly|gently|fully|carefully|again|a little|by hand))*$/i;
/** Valves whose opening lets the pressure off, or the liquid out. */
const BLEEDS =
  /\b(bleed(?:er)?|vent|relief|air release)\b.*\b(valves?|cocks?|taps?|screws?|plugs?|ports?)\b|\bvents?$/i;
const DRAINS = /\bdrain\b.*\b(valves?|cocks?|taps?|plugs?|screws?)\b/i;
const SUPPLY =
  /\b(power|supply|mains|battery|electric\w*|drive|motor|current)\b|^(?:the )?(?:compressed )?(?:air|water|steam)(?: feed| pressure)?(?=$|,| and\b| at\b| to\b| from\b| then\b| before\b)/i;

/** What some words do depends on what they are said of. */
function byObject(verb: Verb, phrase: string, rest: string): Verb {
  if (verb === 'release-pressure' && /\bsprings?\b/i.test(rest)) return 'ease';
  if (verb === 'split' && phrase === 'open' && OPENED_AS_VALVE.test(rest))
    return BLEEDS.test(rest) ? 'release-pressure' : DRAINS.test(rest) ? 'drain' : 'open-valve';
  if (verb === 'inspect' && /^for\b/i.test(rest)) return 'test';
  if (verb === 'connect' && SUPPLY.test(rest)) return 'restore';
  if (verb === 'disconnect' && SUPPLY.test(rest)) return 'isolate';
  if (verb === 'turn' && /\bover$/i.test(rest)) return 'lay';
  return verb;
}

/** Verb phrases that begin with `start`, the preferred word of each verb first. */
export function verbsStartingWith(start: string): { phrase: string; verb: Verb }[] {
  const folded = start.trimStart().toLowerCase();
  const seen = new Set<Verb>();
  return VERB_IDS.flatMap((verb) => VERB_WORDS[verb].map((phrase, rank) => ({ phrase, verb, rank })))
    .filter(({ phrase }) => phrase.startsWith(folded))
    .sort((a, b) => a.rank - b.rank)
    .filter(({ verb }) => !seen.has(verb) && seen.add(verb))
    .map(({ phrase, verb }) => ({ phrase, verb }));
}
