import { byName } from '../../../model/names';
import { type Verb, verbOf } from '../../../model/verbs';
import { readVerb } from '../../../reading/en/verb-words';
import * as lexicon from './lexicon';
import { isJoint, type NounPhrase, nounPhraseAt } from './noun-phrase';
import { movedBy, type ReadVerb, WAY_BEFORE_PLACE, type Way } from './operations';
import type { Reading } from './reading';
import type { Sentence } from './sentence';

export interface Meant {
  readonly verb: Verb;
  /** The way tells more than the verb does: "push the rods *down*". */
  readonly keepWay?: boolean;
  readonly about?: string | undefined;
  /** The word behind what it is about. */
  readonly aboutEnd?: number | undefined;
  readonly how?: string | undefined;
  /** What it is done with is what is put in: "secure it with the bolts". */
  readonly isByWhat?: boolean;
}

export function verbMeant(
  reading: Reading,
  sentence: Sentence,
  read: ReadVerb,
  ways: readonly Way[],
  objects: readonly NounPhrase[],
  at: number,
  told: string,
): Meant | undefined {
  const [object] = objects;
  const named = object?.pronoun ? reading.meant().map(({ name }) => name) : objects.map(({ words }) => words.join(' '));
  const objectText = named.join(' ').toLowerCase();
  if (read.is === 'verb') return plainVerb(reading, sentence, read.verb, read.phrase, objectText, object, at, told);
  const place = placeBehind(sentence, at);
  const bench = placeText(sentence, at);
  const { movement, phrase } = read;
  if (phrase === 'look' && ways.length === 0)
    return plainVerb(reading, sentence, 'inspect', phrase, objectText, object, at, told);
  if (phrase === 'back' && /\boff\b/.test(told)) return { verb: 'loosen' };
  if (phrase === 'hook' && ways.includes('up')) return { verb: 'connect' };
  if (/^(?:run|start)$/.test(phrase) && MACHINE.test(objectText)) return { verb: 'test' };
  if (phrase === 'run' && object?.pronoun && !FASTENER.test(objectText)) return { verb: 'test', keepWay: true };
  if (/^(?:remove|take|unfasten)$/.test(phrase) && LOCKS.test(objectText)) return { verb: 'restore' };
  if (/^(?:put|place|clip|snap)$/.test(phrase) && LOCKS.test(objectText)) return lockedOut(sentence, object, at);
  if (/^(?:pull|draw)$/.test(phrase) && ways.includes('up') && FASTENER.test(objectText)) return { verb: 'torque' };
  if (phrase === 'start' && ways.length === 0) return { verb: 'start-by-hand' };
  if (phrase === 'wind' && ways.includes('in') && FASTENER.test(objectText)) return { verb: 'start-by-hand' };
  if (/^(?:turn|switch)$/.test(phrase) && POWERED.test(objectText)) {
    if (ways.includes('out')) return { verb: 'isolate' };
    if (ways.includes('on')) return { verb: 'restore' };
  }
  // "Turn the sprayer off": what is no part and has no thread is switched.
  if (
    /^(?:turn|switch)$/.test(phrase) &&
    object &&
    object.known === undefined &&
    !object.pronoun &&
    !FASTENER.test(objectText)
  ) {
    if (ways.includes('out')) return { verb: 'isolate' };
    if (ways.includes('on')) return { verb: 'restore' };
  }
  if (/^(?:pull|remove|take|draw)$/.test(phrase) && MAINS_PLUG.test(objectText)) return { verb: 'isolate' };
  if (phrase === 'pull' && objectText === 'plug' && object?.known === undefined && at >= sentence.words.length)
    return { verb: 'isolate' };
  if (/^(?:pull|remove|take|draw)$/.test(phrase) && /\bfuses?\b/.test(objectText)) return { verb: 'isolate' };
  if (
    object &&
    lexicon.isSubstance(object.words) &&
    object.known?.kind !== 'part' &&
    /^(?:put|lay|run|squeeze|spread|place|drop|work)$/.test(phrase)
  )
    return { verb: 'apply-compound' };
  if (
    /^(?:set|place|lay|lower|put|stand|rest|position)$/.test(phrase) &&
    /^(?:on|onto|in|down|over|upside|upright)/.test(sentence.lows[at] ?? '') &&
    !ways.includes('aside')
  ) {
    if (lexicon.VICE.test(bench) && /^(?:in|into|between)$/.test(sentence.lows[at] ?? '')) return { verb: 'hold' };
    if (lexicon.CLOTH.test(bench)) return { verb: 'put-aside' };
    if (lexicon.BENCH.test(bench)) return { verb: 'lay' };
  }
  // "Push up on the clip": on what, and not on to what.
  const [, upOrDown] = /^(?:push|press|pull|lift) (up|down) on\b/.exec(told) ?? [];
  if (upOrDown) return { verb: 'move', how: upOrDown };
  const goesTo = place === 'in' || place === 'on' ? [place] : [];
  const toldWay = strongest(ways.includes('back') ? [...ways, ...goesTo] : ways, movement.ways.back === 'fit');
  const saidWay = toldWay === 'along' ? (place ?? toldWay) : (toldWay ?? place);
  if (/^(?:turn|rotate|swing)$/.test(phrase) && saidWay === 'over' && TURNS.test(objectText))
    return { verb: 'turn', keepWay: true };
  // "Turn the rod in" moves a shaft; only what has a thread comes out by turning.
  const way =
    /^(?:turn|rotate|spin)$/.test(phrase) &&
    !(phrase === 'spin' && ways.length > 0) &&
    saidWay !== 'over' &&
    !FASTENER.test(objectText)
      ? undefined
      : saidWay;
  if (way === 'back' && /\bback (?:along|toward|towards|until|far|a |an |by )/.test(told))
    return { verb: 'move', keepWay: true };
  const verb = movedBy(movement, way);
  if (
    /^(?:press|push|force|squeeze)$/.test(phrase) &&
    (way === 'down' || way === undefined || way === 'in') &&
    /\bsprings?\b/.test(told) &&
    /\bagainst\b|\bcompress/.test(told)
  )
    return { verb: 'compress' };
  if (/^(?:turn|rotate)$/.test(phrase) && way === 'on' && place !== 'on' && object && FASTENER.test(objectText))
    return { verb: 'torque', keepWay: true };
  if (/^(?:turn|rotate)$/.test(phrase) && (way === undefined || verb === 'turn'))
    return verb && { verb, keepWay: true };
  // "Set the head on and press it down": what is being put on goes on further, and is not moved away.
  if (verb === 'move' && way === 'down' && PRESSES.test(phrase) && putOnBefore(reading, objects))
    return { verb: 'press', keepWay: true };
  if (verb && isStartedOnly(verb, objectText, told)) return { verb: 'start-by-hand' };
  if (verb && goesToHolder(verb, bench)) return { verb: 'hold' };
  // "Roll the ball over a flat surface": nothing of the pump is there.
  if (verb && verbOf(verb).effect === 'refits' && FLAT.test(bench))
    return LOOKS.test(told) ? { verb: 'inspect' } : undefined;
  return (
    verb && {
      verb,
      keepWay: verb === 'move' || verb === 'turn' || verb === 'bend' || (verb === 'lay' && way === 'over'),
    }
  );
}

const MACHINES = 'pump|motor|engine|machine|unit|drive|set';
const MACHINE = new RegExp(`\\b(?:${MACHINES})\\b`);

const TURNS = /\b(?:shaft|crank|crankshaft|rotors?|spindle|wheel|coupling|flywheel|motor|impeller)$/;
const BY_HAND = /\b(?:finger|hand)[- ]tight\b|\bby hand\b/;
const LOCKS = /^(?:(?:own|personal|safety|red) )*(?:pad)?locks?$|\btags?$|^lock-?outs?\b/;
const MAINS_PLUG = /\b(?:mains|power|supply) (?:plug|lead|cord|cable)s?$/;
const PRESSES = /^(?:press|push|tap|knock|drive|force|drift|hammer)$/;
/** What holds a part while it is worked on: putting it there puts nothing back into the pump. */
const HOLDERS =
  /^(?:in|into|on|onto|from|between) (?:\w+ ){0,3}?(?:hoist|crane|slings?|chains?|vice|vise|jaws|clamp|chuck|fixture|jack|trolley|stand)\b/;

const FLAT =
  /^(?:in|into|on|onto|over|across|along) (?:the |a |an )?(?:\w+ )?(?:bench|table|workbench|surface|surface plate|glass plate|flat plate|glass|floor)\b/;
const LOOKS = /\bto (?:see|check|feel|find)\b/;

function goesToHolder(verb: Verb, behind: string): boolean {
  return (verb === 'fit' || verb === 'place' || verb === 'connect') && HOLDERS.test(behind);
}

/** By hand, or finger tight, a thread is only started. */
function isStartedOnly(verb: Verb, objectText: string, told: string): boolean {
  return (verb === 'fit' || verb === 'place') && FASTENER.test(objectText) && BY_HAND.test(told);
}

function putOnBefore(reading: Reading, objects: readonly NounPhrase[]): boolean {
  const last = reading.acts.at(-1);
  const [object] = objects;
  if (!last || !object || verbOf(last.verb).effect !== 'refits') return false;
  return object.pronoun === true || last.parts.some(({ name }) => name === object.name);
}

/** "Run the pump": the words go on saying that it runs. */
export const RUNS = new RegExp(`^(?:run|start) (?:the )?(?:${MACHINES})\\b`);

const POWERED =
  /\b(?:power|supply|mains|motor|pump|drive|unit|machine|current|battery|breaker|fan|heater|water|air|steam)\b/;

const FASTENER = /\b(?:nut|bolt|screw|cap|plug|fitting|stud|nipple|adapter|union|retainer|gland|cartridge|valve)s?$/;

/** "Back in" is in, "off to one side" aside: the way that tells most. */
function strongest(ways: readonly Way[], backFits: boolean): Way | undefined {
  const goesIn = ways.find((way) => way === 'in' || way === 'on');
  if (ways.includes('back') && goesIn && !backFits) return goesIn;
  return (
    ['aside', 'apart', 'together', 'over', 'loose', 'back', 'out', 'in', 'on', 'down', 'up', 'along'] as const
  ).find((way) => ways.includes(way));
}

/** The way a place tells: "from the bore" is out. Not where it says at which of several: "on each side". */
function placeBehind(sentence: Sentence, start: number): Way | undefined {
  for (let at = start; at < sentence.words.length; at += 1) {
    const low = sentence.lows[at] ?? '';
    if (low === 'through' && sentence.lows[at + 1] === 'to') return 'along';
    if (/^(?:,|;|until|so|because|for|before|after|while)$/.test(low)) return undefined;
    const way =
      low === 'down' && /^(?:onto|into|over|on)$/.test(sentence.lows[at + 1] ?? '') ? 'on' : WAY_BEFORE_PLACE[low];
    if (way === undefined) {
      if (low === 'back' && WAY_BEFORE_PLACE[sentence.lows[at + 1] ?? ''] !== undefined) return 'back';
      continue;
    }
    const next = nounPhraseAt(sentence, at + 1);
    const isPosition =
      next?.phrase.known?.kind === 'place' || (next?.phrase.known?.kind === 'places' && next.phrase.every);
    if (isPosition && (low === 'on' || low === 'in')) continue;
    if (
      /^(?:a|two|three|the right|the same|pairs|turn|line|order|one)\b/.test(
        sentence.lows.slice(at + 1, at + 3).join(' '),
      ) &&
      low === 'in'
    )
      continue;
    if (
      way === 'out' &&
      low === 'from' &&
      /^(?:behind|inside|the inside|the other|the outside|the drive|the front|the rear|below|above)\b/.test(
        sentence.lows.slice(at + 1, at + 3).join(' '),
      )
    )
      continue;
    return way;
  }
  return undefined;
}

function placeText(sentence: Sentence, start: number): string {
  const rest = sentence.lows.slice(start, start + 9);
  const comma = rest.findIndex((low) => /^(?:,|with|using|until|so)$/.test(low));
  return rest.slice(0, comma < 0 ? rest.length : comma).join(' ');
}

function plainVerb(
  reading: Reading,
  sentence: Sentence,
  verb: Verb,
  phrase: string,
  objectText: string,
  object: NounPhrase | undefined,
  at: number,
  told: string,
): Meant | undefined {
  // Words of the object decide between some readings, as everywhere in the program.
  const usual = readVerb(told.replaceAll(' ,', ','))?.verb;
  if (phrase === 'replace' || phrase === 'change') {
    if (
      /\bwhere (?:it|they) (?:came|was|were|belong)\b|\bback\b(?!-)|\bin (?:its|their) (?:place|original)\b|\bon (?:its|their) own\b/.test(
        told,
      )
    )
      return { verb: 'fit' };
    if (phrase === 'change' || /\bnew\b/.test(told) || object?.known === undefined || WEARS.test(objectText))
      return { verb: 'renew' };
    const from = sentence.lows.indexOf('replace');
    reading.doubt('sense', sentence, from, from + 1, ['renew', 'refit']);
    return { verb: 'renew' };
  }
  if (
    /^(?:stick|glue)$/.test(phrase) &&
    object &&
    !lexicon.isSubstance(object.words) &&
    /^(?:to|onto|on|in|into)$/.test(sentence.lows[at] ?? '')
  ) {
    // "Stick a gasket on with grease": on, and nothing named.
    const isWay = isJoint(sentence.words[at + 1]);
    return { verb: 'fit', ...(isWay && { aboutEnd: at + 1 }) };
  }
  if (verb === 'fit' && LOCKS.test(objectText)) return lockedOut(sentence, object, at);
  if (phrase === 'pour' && POURED.test(told)) return { verb: 'fill' };
  if (phrase === 'cross-tighten') return { verb: 'torque', how: 'crosswise' };
  if (phrase === 'let')
    return letHappen(
      sentence,
      told,
      object,
      reading
        .meant()
        .map(({ name }) => name)
        .join(' and '),
    );
  if (/^(?:look|watch|listen|feel)$/.test(phrase)) {
    const on = / for .* (?:on|in|at|of) /.test(told) && !RUNNING.test(told) ? lookedAt(sentence) : undefined;
    if (on) return { verb: 'inspect' };
  }
  if (phrase === 'listen' && at >= sentence.words.length) return { verb: 'test', about: 'listen', aboutEnd: at };
  if (/^(?:watch|listen)$/.test(phrase)) return sentence.lows[at] === 'for' ? { verb: 'test' } : undefined;
  if (verb === 'close-valve' && object?.known?.kind === 'part' && !CLOSED.test(objectText)) {
    reading.doubt('sense', sentence, 0, 1, ['fit', 'shut']);
    return { verb };
  }
  if (/^look (?:whether|if)$/.test(phrase))
    return {
      verb: RUNNING_SIGNS.test(told) ? 'test' : 'inspect',
      about: sentence.text(sentence.lows.indexOf('look') + 1, sentence.words.length),
      aboutEnd: sentence.words.length,
    };
  if (phrase === 'look') return sentence.lows[at] === 'for' ? { verb: 'test' } : undefined;
  if (verb === 'lock-out' && /(?:locker|sealant|compound)\b/.test(told)) return { verb: 'apply-compound' };
  if (
    verb === 'cap' &&
    phrase === 'plug' &&
    (/\bin$/.test(told) || /^(?:back )?in\b/.test(sentence.lows.slice(at).join(' ')))
  )
    return plainVerb(reading, sentence, 'connect', phrase, objectText, object, at, told);
  if ((phrase === 'assemble' || phrase === 'reassemble') && /\b(?:onto|into|on|in|to)\b/.test(told))
    return { verb: 'fit' };
  if (phrase === 'assemble') return { verb: 'join' };
  if ((phrase === 'fill' || phrase === 'pack') && object?.known?.kind === 'part' && /grease/.test(told))
    return { verb: 'lubricate' };
  if (verb === 'cut' && POWERED.test(objectText)) return { verb: 'isolate' };
  // "Try the start button" proves; "try the fitting in both ends" is a trial fit.
  if (phrase === 'try' && !/\b(?:start|button|switch|again|run)\b/.test(told)) return undefined;
  if (phrase === 'use' || (phrase === 'swap' && SWAPPED.test(told))) return undefined;
  if (phrase === 'attach' && object && lexicon.isToolName(object.words) && object.known?.kind !== 'part')
    return { verb: 'hold' };
  if (verb === 'torque' && BY_HAND.test(told) && !/\d/.test(told)) return { verb: 'start-by-hand' };
  if (verb === 'split' && phrase === 'open')
    return {
      verb:
        readVerb(`open ${objectText}`, (words) => byName(reading.series.components, words) !== undefined)?.verb ?? verb,
    };
  if (verb === 'inspect' && usual === 'test' && /^\w+ for\b/.test(told)) return { verb: 'test' };
  if (verb === 'clean' && /\bdry\b/.test(phrase)) return { verb, how: 'dry' };
  if (verb === 'release-pressure' && usual === 'ease') return { verb: 'ease' };
  if (verb === 'connect' && usual === 'restore') return { verb: 'restore' };
  if (verb === 'disconnect' && usual === 'isolate') return { verb: 'isolate' };
  if (verb === 'pin' && phrase === 'secure' && /\b(?:vice|vise|jaws)\b/.test(told)) return { verb: 'hold' };
  if (verb === 'pin' && SECURED_BY.test(told)) return { verb: 'fit', isByWhat: object?.pronoun === true };
  if (verb === 'fit' && goesToHolder(verb, placeText(sentence, at))) return { verb: 'hold' };
  const pluggedIn =
    verb === 'connect' && phrase === 'plug' ? /^(?:back )?in\b/.exec(sentence.lows.slice(at).join(' ')) : null;
  if (pluggedIn) return { verb, aboutEnd: at + pluggedIn[0].split(' ').length };
  return isStartedOnly(verb, objectText, told) ? { verb: 'start-by-hand' } : { verb };
}

/** Put the other way about, and not renewed. */
const SWAPPED = /\b(?:end for end|over|round|around|places|sides|about)\b/;
/** Bolts and screws are put in; pins, clips and wire lock. */
const SECURED_BY = /\bwith (?:\w+ ){0,4}?(?:bolt|screw|nut|stud)s?\b/;
/** By the litre it is filled in; a drop or a film is put on. */
const POURED = /^\w+ (?:in )?(?:about )?[\w.,/]+ (?:l|ml|lit(?:re|er)s?|gallons?|quarts?|pints?)\b/;
/** What shows only under pressure or while it runs. */
const RUNNING_SIGNS = /\b(?:leaks?|leaking|leakage|drips?|weeps?|weeping|knocks?|knocking|vibrat\w+|nois\w+)\b/;
const RUNNING = new RegExp(`^(?:look|watch|listen|feel) for (?:\\w+ ){0,2}${RUNNING_SIGNS.source}`);

const CLOSED =
  /\b(?:valves?|cocks?|taps?|supply|inlet|outlet|lines?|suction|discharge|water|air|steam|feed|ports?|hatch|vents?|drains?)\b/;

/** The part that signs are looked for on: "look for scratches on the seal faces". */
function lookedAt(sentence: Sentence): NounPhrase | undefined {
  for (let at = 2; at < sentence.words.length - 1; at += 1) {
    if (!/^(?:on|in|at|of)$/.test(sentence.lows[at] ?? '')) continue;
    const found = nounPhraseAt(sentence, at + 1);
    if (found?.phrase.known?.kind === 'part') return found.phrase;
  }
  return undefined;
}

/** "Hang your lock on the valve" locks out the valve. */
function lockedOut(sentence: Sentence, object: NounPhrase | undefined, at: number): Meant {
  const on = sentence.lows[at] === 'on' ? nounPhraseAt(sentence, at + 1) : undefined;
  if (!on || on.phrase.pronoun || !object) return { verb: 'lock-out' };
  return { verb: 'lock-out', about: sentence.text(at + 1, on.end), aboutEnd: on.end, how: `with ${object.name}` };
}

/** "Let the oil drain", "let the spring relax", "let the sealant cure". */
function letHappen(sentence: Sentence, told: string, object: NounPhrase | undefined, meant: string): Meant | undefined {
  const happens = HAPPENS.exec(told)?.[0];
  if (happens === undefined) return undefined;
  if (happens !== undefined && RELAXES.test(happens))
    return { verb: 'ease', aboutEnd: sentence.lows.indexOf(happens) + 1 };
  const from = sentence.lows.indexOf('let') + 1;
  const to = happens === undefined ? -1 : sentence.lows.indexOf(happens);
  const about = object?.pronoun && meant !== '' ? meant : to > from ? sentence.text(from, to) : object?.name;
  if (happens === 'run') return { verb: 'test', about: `run ${about ?? 'it'}`, aboutEnd: to + 1 };
  return {
    verb: happens === 'drain' ? 'drain' : 'wait',
    ...(about && { about, aboutEnd: to > from ? to + 1 : undefined, how: happens === 'drain' ? undefined : happens }),
  };
}

const RELAXES = /^(?:relax|decompress|expand)$/;
const HAPPENS =
  /\b(?:relax|decompress|expand|run|drain|cure|dry|set|cool|cool down|stand|soak|settle|harden|warm up|run out|drip)\b/;

const WEARS =
  /\b(?:seals?|o-?rings?|rings?|gaskets?|packings?|bearings?|washers?|diaphragms?|filters?|screens?|pins?|kit|brushes|belts?|springs?|poppets?|seats?|leathers?|wipers?)$/;
