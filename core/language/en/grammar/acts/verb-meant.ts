import { verbOf } from '../../../../model/verbs';
import { isJoint, type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import { isPartOrShort } from '../names/short-names';
import * as lexicon from '../words/lexicon';
import { movedBy, type ReadVerb, WAY_BEFORE_PLACE, WAY_WORDS, type Way } from '../words/operations';
import {
  attended,
  BY_HAND,
  FASTENER,
  goesElsewhere,
  goesToHolder,
  isStartedOnly,
  LOCKS,
  lockedOut,
  type Meant,
  POWERED,
  placeText,
} from './meant';
import { plainVerb } from './plain-verb';
import type { Reading } from './reading';

/** What a verb means here: by its way, by what it is said of, by where that goes. Undefined where it could be several. */
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
  // A "centre block" of the pump is no block on the bench.
  const isInPart = nounPhraseAt(sentence, at + 1)?.phrase.known?.kind === 'part';
  // "Position it upright in a fixture".
  let where = at;
  while (/..ly$/.test(sentence.lows[where] ?? '')) where += 1;
  // "Put it face down on the bench".
  const facing = /^(?:with )?(?:the |its )?\w+ (?:side |end )?(?:up|down|upwards?|downwards?) (?=on |onto |in )/.exec(
    sentence.lows.slice(where, where + 8).join(' '),
  );
  if (facing && lexicon.isEnd(facing[0].replace(/^(?:with )?(?:the |its )?/, '').split(' ')[0] ?? ''))
    where += facing[0].trim().split(' ').length;
  const bench = isInPart ? '' : placeText(sentence, where);
  const { movement, phrase } = read;
  if (phrase === 'look' && ways.length === 0)
    return plainVerb(reading, sentence, 'inspect', phrase, objectText, object, at, told);
  if (phrase === 'shut' && ways.length === 0)
    return plainVerb(reading, sentence, 'close-valve', phrase, objectText, object, at, told);
  // "Back it off" loosens; "back it right off" goes on until it is out.
  // "Raise the shaft with the fork": up a little, or off.
  const isFar = /^(?:by|as far as)\b/.test(sentence.lows.slice(at).join(' '));
  if (phrase === 'raise' && ways.length === 0 && object && !object.pronoun && !isFar && !LIFTED_OFF.test(objectText))
    return placeBehind(sentence, at) === 'out' ? { verb: 'take-off' } : undefined;
  if (phrase === 'back' && /\b(?:right|completely|fully|all the way) off\b/.test(told)) return { verb: 'take-off' };
  if (phrase === 'back' && /\boff\b/.test(told)) return { verb: 'loosen' };
  // "Crack the air open".
  if (phrase === 'crack' && sentence.lows[at] === 'open' && object && !FASTENER.test(objectText))
    return { verb: 'open-valve', aboutEnd: at, about: sentence.text(at - object.words.length, at), how: 'a little' };
  // "Crack the drain cock" opens it a little.
  const isDrain = object?.known?.kind !== 'part' && /\b(?:drain|bleeder)$/.test(objectText);
  if (phrase === 'crack' && (isDrain || /\b(?:cock|valve|tap|vent)s?$/.test(objectText)))
    return plainVerb(reading, sentence, 'split', 'open', objectText, object, at, told);
  if (phrase === 'hook' && ways.includes('up')) return { verb: 'connect' };
  const isTimed = phrase === 'run' && sentence.words[sentence.lows.indexOf('run') + 1]?.value !== undefined;
  if ((isTimed || /^run (?:dry|empty|unloaded|for|at|without)\b/.test(told)) && ways.length === 0)
    return { verb: 'test', about: 'run', aboutEnd: sentence.lows.indexOf('run') + 1 };
  // Pulled through, it may come out or go in.
  const isThrough = ways.length === 0 && sentence.lows[at] === 'through';
  if (isThrough && /^(?:pull|draw)$/.test(phrase)) return undefined;
  // "Push the rod through from the left": through what, and so which way, is not said.
  if (isThrough && object?.known?.kind !== 'substance' && isJoint(sentence.words[at + 1])) return undefined;
  if (/\bpressure$/.test(objectText) && /^(?:drop|lower|take|get|run|work|bring)$/.test(phrase))
    return { verb: 'release-pressure', aboutEnd: at };
  if (/^(?:press|push|hit|knock)$/.test(phrase) && BUTTON.test(objectText))
    return /\bstop\b/.test(objectText) ? { verb: 'isolate' } : undefined;
  // "Squeeze the trigger until no more water comes".
  if (/^(?:squeeze|pull|press)$/.test(phrase) && ways.length === 0 && /\b(?:trigger|gun|lance)$/.test(objectText))
    return { verb: 'release-pressure', aboutEnd: at, how: `${phrase} the ${objectText}` };
  // "Tip the oil into a tin".
  if (/^(?:tip|tilt)$/.test(phrase) && object && lexicon.isSubstance(object.words) && object.known?.kind !== 'part')
    return { verb: 'drain', aboutEnd: at, about: sentence.text(at - object.words.length, at) };
  if (phrase === 'bump' && MACHINE.test(objectText) && ways.length === 0)
    return { verb: 'test', about: `bump ${objectText}`, aboutEnd: at };
  if (/^(?:run|start)$/.test(phrase) && MACHINE.test(objectText)) return { verb: 'test' };
  const isIt = object?.pronoun === true && !FASTENER.test(objectText);
  if (isIt && (phrase === 'run' || (phrase === 'start' && !BY_HAND.test(told)))) return { verb: 'test', keepWay: true };
  if (/^(?:remove|take|unfasten)$/.test(phrase) && LOCKS.test(objectText)) return { verb: 'restore' };
  if (/^(?:put|place|clip|snap)$/.test(phrase) && LOCKS.test(objectText))
    return lockedOut(reading, sentence, object, at);
  // "Pull the bolts down evenly"; a sleeve is pulled up and out.
  if (/^(?:pull|draw)$/.test(phrase) && ways.some((way) => way === 'up' || way === 'down') && FASTENER.test(objectText))
    return { verb: 'torque' };
  // "Start at 1 bar": the pump.
  if (phrase === 'start' && ways.length === 0 && objects.length === 0 && /^(?:at|in|)$/.test(sentence.lows[at] ?? ''))
    return { verb: 'test', about: 'start', aboutEnd: at };
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
  if (
    phrase === 'pull' &&
    objectText === 'plug' &&
    object &&
    at >= sentence.words.length &&
    !isPartOrShort(object, reading.series)
  )
    return { verb: 'isolate' };
  if (/^(?:pull|remove|take|draw)$/.test(phrase) && /\bfuses?\b/.test(objectText)) return { verb: 'isolate' };
  if (
    object &&
    lexicon.isSubstance(object.words) &&
    object.known?.kind !== 'part' &&
    /^(?:put|lay|run|squeeze|spread|place|drop|work|wind)$/.test(phrase)
  ) {
    // "Round the face" says where it goes, and no way.
    const isRound = /^(?:round|around|over)$/.test(sentence.lows[at - 1] ?? '') && !isJoint(sentence.words[at]);
    return { verb: 'apply-compound', ...(isRound && { aboutEnd: at - 1 }) };
  }
  if (
    /^(?:set|place|lay|lower|put|stand|rest|position|lift|hoist|carry)$/.test(phrase) &&
    /^(?:on|onto|in|down|over|upside|upright)/.test(sentence.lows[where] ?? '') &&
    !ways.includes('aside')
  ) {
    if (lexicon.VICE.test(bench) && /^(?:in|into|between)$/.test(sentence.lows[where] ?? '')) return { verb: 'hold' };
    if (lexicon.CLOTH.test(bench) && !facing) return { verb: 'put-aside' };
    // "On the block", where there is a cylinder block, is in the pump.
    const on = nounPhraseAt(sentence, where + 1)?.phrase;
    const isOnPart = on !== undefined && !on.pronoun && /\bblock$/.test(on.name) && isPartOrShort(on, reading.series);
    if ((lexicon.BENCH.test(bench) && !isOnPart) || (facing && lexicon.CLOTH.test(bench))) return { verb: 'lay' };
  }
  // "Put a tray under the drain plug": beside the pump, and nothing of it is moved.
  const isBeside = /^(?:under|underneath|below|beneath|around|round|beside|next|in front|behind)\b/.test(
    sentence.lows.slice(at).join(' '),
  );
  if (
    /^(?:put|place|lay|set|position|stand)$/.test(phrase) &&
    ways.length === 0 &&
    isBeside &&
    object?.known?.kind !== 'part' &&
    lexicon.isToolName(object?.words ?? [])
  )
    return attended(sentence, told);
  // "Hook the sling around the frame": what it hangs on is held.
  const behindWay = /^(?:around|round|over|on)$/.test(sentence.lows[at - 1] ?? '') ? at - 1 : at;
  const isRoundPart = /^(?:around|round|through|under|to|over|on|onto)$/.test(sentence.lows[behindWay] ?? '');
  if (
    /^(?:hook|put|place|pass|loop|feed|run|lay|slip)$/.test(phrase) &&
    isRoundPart &&
    object?.known?.kind !== 'part' &&
    SLINGS.test(objectText)
  )
    return { verb: 'hold', aboutEnd: behindWay };
  // "Push up on the clip": on what, and not on to what.
  const [, upOrDown] = /^(?:push|press|pull|lift) (up|down) on\b/.exec(told) ?? [];
  if (upOrDown) return { verb: 'move', how: upOrDown };
  if (
    /^(?:knock|tap|hammer|flatten|push|press|lever|pry|prise)$/.test(phrase) &&
    TABS.test(objectText) &&
    ways.some((way) => /^(?:back|down|over|up)$/.test(way))
  )
    return { verb: 'bend', keepWay: true };
  const goesTo = place === 'in' || place === 'on' ? [place] : [];
  // "Pull the shaft with its bearings through the left side": out or in.
  const isPulledThrough =
    /^(?:pull|draw|drag|push|drive)$/.test(phrase) &&
    ways.length === 0 &&
    place === 'in' &&
    firstPlace(sentence, at) === 'through';
  if (isPulledThrough && !/\bthrough (?:the )?\w+ ?(?:until|into|onto)\b/.test(told)) return undefined;
  const toldWay = strongest(ways.includes('back') ? [...ways, ...goesTo] : ways, movement.ways.back === 'fit');
  // "Set the pressure to 12 bar", "set the gap with a feeler gauge".
  if (
    phrase === 'set' &&
    ways.length === 0 &&
    object &&
    !object.pronoun &&
    isAdjusted(objectText, sentence.lows.slice(at).join(' '))
  )
    return { verb: 'adjust' };
  // "Set the screw back to its mark": turned to where it was.
  if (phrase === 'set' && ways.includes('back') && TO_WHERE_IT_WAS.test(told)) return { verb: 'turn', keepWay: true };
  // "Slide it up from the bottom": put in, or pushed out.
  if (
    /\b(?:up|down|through) from (?:the )?(?:bottom|top|below|above|underneath)\b/.test(told) &&
    movement.ways.in === 'fit'
  )
    return undefined;
  // "Up and over the stack" may be off it or on it.
  if (/\b(?:up|down) (?:and )?over (?:the|its|it)\b/.test(told) && movement.ways.out === 'draw') return undefined;
  // "Lower it by half": it moves, and is not put anywhere.
  if (
    /^(?:lower|raise|lift)$/.test(phrase) &&
    /^(?:by|as far as it|as far as they)\b/.test(sentence.lows.slice(at).join(' '))
  )
    return { verb: 'move', how: phrase };
  const far = /^as far (forward|back|down|up|in|out|over) as\b/.exec(sentence.lows.slice(at, at + 4).join(' '))?.[1];
  if (far !== undefined && ways.length === 0) {
    const farVerb = movedBy(movement, WAY_WORDS[far]);
    if (farVerb) return { verb: farVerb };
  }
  // "Pull it down from the shaft" takes it off.
  // "Feed the shaft up through the bush" puts it there.
  const isInto =
    /^(?:down|up)$/.test(toldWay ?? '') &&
    /^(?:in|on)$/.test(place ?? '') &&
    movement.ways.in === 'fit' &&
    INTO.test(told);
  const isOff = /^(?:down|up)$/.test(toldWay ?? '') && place === 'out' && movement.ways.out === 'draw';
  const saidWay = toldWay === 'along' || isOff || isInto ? (place ?? toldWay) : (toldWay ?? place);
  if (
    /^(?:turn|rotate|swing|spin|roll)$/.test(phrase) &&
    saidWay === 'over' &&
    (TURNS.test(objectText) || REVOLVES.test(told))
  )
    return { verb: 'turn', keepWay: true };
  if (/^(?:turn|roll)$/.test(phrase) && /\bupside down\b/.test(told)) return { verb: 'lay' };
  // "Turn the impeller in": it may go in by turning, or be turned where it sits.
  const isTurnedIn = /^(?:turn|rotate)$/.test(phrase) && /^(?:in|out)$/.test(toldWay ?? '');
  if (isTurnedIn && object?.known?.kind === 'part' && !FASTENER.test(objectText) && !SHAFTS.test(objectText))
    return undefined;
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
  // "Undo the nuts on the line" says where, and takes them off all the same.
  const verb = movedBy(movement, way) ?? (toldWay === undefined ? movement.alone : undefined);
  if (
    /^(?:press|push|force|squeeze)$/.test(phrase) &&
    (way === 'down' || way === undefined || way === 'in') &&
    /\bsprings?\b/.test(told) &&
    /\bagainst\b|\bcompress/.test(told)
  )
    return { verb: 'compress' };
  if (/^(?:turn|rotate)$/.test(phrase) && way === 'on' && place !== 'on' && object && FASTENER.test(objectText))
    return { verb: 'torque', keepWay: true };
  // "Tap the cover on both sides": knocked, so that it comes loose.
  if (
    objects.length > 0 &&
    verb === undefined &&
    KNOCKS.test(phrase) &&
    /^on (?:both|all|either|each) sides?\b/.test(sentence.lows.slice(at).join(' '))
  )
    return { verb: 'loosen', keepWay: true };
  if (objects.length > 0 && verb === undefined && KNOCKS.test(phrase) && COMES_LOOSE.test(told))
    return { verb: 'loosen', keepWay: true };
  if (objects.length > 0 && (verb === undefined || verbOf(verb).effect === 'stays') && COMES_AWAY.test(told))
    return { verb: 'take-off', keepWay: true };
  if (/^(?:turn|rotate)$/.test(phrase) && THREADED.test(objectText) && LEFTWARDS.test(told)) return undefined;
  if (/^(?:turn|rotate)$/.test(phrase) && (way === undefined || verb === 'turn'))
    return verb && { verb, keepWay: true };
  // "Set the head on and press it down": what is being put on goes on further, and is not moved away.
  if (verb === 'move' && way === 'down' && PRESSES.test(phrase) && putOnBefore(reading, objects))
    return { verb: 'press', keepWay: true };
  // "Spin the screws out three turns": turned, and still there.
  if (
    verb === 'take-off' &&
    /^(?:spin|screw|turn|back|wind|run)$/.test(phrase) &&
    /\b(?:out|off) (?:by )?(?:\w+|\d+) (?:full |more )?turns?\b/.test(told)
  )
    return { verb: 'loosen', keepWay: true };
  if (verb && isStartedOnly(verb, objectText, told)) return { verb: 'start-by-hand' };
  if (verb && verbOf(verb).effect === 'refits' && goesElsewhere(bench))
    return /\b(?:oven|hot ?plate)\b/.test(bench) ? { verb: 'heat' } : undefined;
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

/** What is raised with a crane comes off. */
const LIFTED_OFF =
  /\b(?:head|casing|cover|half|motor|housing|lid|bonnet|frame|body|unit|block|manifold|chamber|top|bell|bracket)s?$/;

/** Loosened, unless its thread is a left-hand one. */
const THREADED = /\b(?:nut|bolt|screw|stud|plug)s?$/;
const LEFTWARDS = /\b(?:counter-?|anti-?)clockwise\b|\bccw\b|\bto the left\b/;

/** A setting, or anything that is set to a figure, and not put somewhere. */
function isAdjusted(objectText: string, behind: string): boolean {
  return (
    ADJUSTED.test(objectText) ||
    /^(?:back )?(?:to|at) (?:about |exactly |around )?(?:\d|zero\b|half|full|max|min|\w+ (?:percent|per cent|bar|psi|mm|millimet\w+|degrees|turns?)\b|crack\b|open\b|lift\b|trip\b|switch\b)/.test(
      behind,
    )
  );
}

const ADJUSTED =
  /\b(?:pressure|stroke|clearance|gap|play|float|preload|backlash|speed|flow|rate|temperature|timing|tension|regulator|thermostat|settings?)$/;

/** "Turn it until it comes off". */
const COMES_AWAY =
  /\buntil (?:it|they) (?:comes?|slides?|falls?|drops?|pops?|is|are) (?:right |fully )?(?:off|out|away)\b/;
const KNOCKS = /^(?:tap|knock|hammer|smack|whack|thump|bump|punch)$/;
/** "Tap it until it moves": loosened, and still there. */
const COMES_LOOSE =
  /\b(?:(?:un)?till? (?:it|they) (?:moves?|comes? (?:free|loose)|breaks? (?:free|loose)|frees?|lets? go|is (?:free|loose)|works? loose)|to (?:free|loosen|break) (?:it|them|the)\b)/;
const SLINGS = /\b(?:slings?|straps?|chains?|ropes?|hoist|shackles?)$/;
const BUTTON = /\b(?:e-?stop|emergency stop|(?:stop |start |reset )?(?:button|switch))$/;
const TO_WHERE_IT_WAS =
  /\bback to (?:the|its|their) (?:\w+ )?(?:numbers?|marks?|settings?|positions?|height|depth|figure|same)\b/;
const INTO = /\b(?:up|down) (?:into|onto|through)\b/;
const TABS = /\b(?:tab|lock|locking|lockwasher|tongue)(?: (?:washer|plate))?s?$|\btabs?\b/;
const MACHINES = 'pump|motor|engine|machine|unit|drive|set';
const MACHINE = new RegExp(`\\b(?:${MACHINES})$`);
const TURNS = /\b(?:shaft|crank|crankshaft|rotors?|spindle|wheel|coupling|flywheel|motor|impeller)$/;
/** "Turn it over by hand a couple of times". */
const REVOLVES = /\bby hand\b|\btimes\b|\b(?:full|complete) (?:turns?|revolutions?)\b/;
const SHAFTS = /\b(?:shaft|crank|crankshaft|rod|spindle|screw|stem|bolt)s?$/;
const MAINS_PLUG = /\b(?:mains|power|supply) (?:plug|lead|cord|cable)s?$/;
const PRESSES = /^(?:press|push|tap|knock|drive|force|drift|hammer)$/;
const FLAT =
  /^(?:in|into|on|onto|over|across|along) (?:the |a |an )?(?:\w+ )?(?:bench|table|workbench|surface|surface plate|glass plate|flat plate|glass|floor)\b/;
const LOOKS = /\bto (?:see|check|feel|find)\b/;
/** "Run the pump": the words go on saying that it runs. */
export const RUNS = new RegExp(
  `^(?:run|start|cycle|operate|stroke) (?:the )?(?:${MACHINES})\\b|^(?:raise|increase|build up|bring(?: up)?|take(?: up)?|run(?: up)?|put(?: up)?) (?:the )?pressure\\b`,
);

function putOnBefore(reading: Reading, objects: readonly NounPhrase[]): boolean {
  const last = reading.acts.at(-1);
  const [object] = objects;
  if (!last || !object || verbOf(last.verb).effect !== 'refits') return false;
  return object.pronoun === true || last.parts.some(({ name }) => name === object.name);
}

/** "Back in" is in, "off to one side" aside: the way that tells most. */
function strongest(ways: readonly Way[], backFits: boolean): Way | undefined {
  const goesIn = ways.find((way) => way === 'in' || way === 'on');
  if (ways.includes('back') && goesIn && !backFits) return goesIn;
  // "Slide both off together": at the same time.
  if (ways.includes('together')) ways = ways.length > 1 ? ways.filter((way) => way !== 'together') : ways;
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
    // "Tap it on both sides" says where it is tapped.
    if (
      low === 'on' &&
      /^(?:both|all|either|each|the|one|its) sides?\b/.test(sentence.lows.slice(at + 1, at + 3).join(' '))
    )
      continue;
    if (
      /^(?:a|two|three|the right|the same|pairs|turn|line|order|one|direction|the direction)\b/.test(
        sentence.lows.slice(at + 1, at + 3).join(' '),
      ) &&
      low === 'in'
    )
      continue;
    if (
      way === 'out' &&
      low === 'from' &&
      /^(?:behind|inside|the inside|the other|the outside|the drive (?:side|end)|the front|the rear|the back|the backside|below|above|underneath|the (?:bottom|top|left|right|side|middle|other))\b/.test(
        sentence.lows.slice(at + 1, at + 4).join(' '),
      )
    )
      continue;
    return /^(?:in|on)$/.test(way) && isOutBehind(sentence, at + 1) ? 'out' : way;
  }
  return undefined;
}

/** The word by which it is known where something goes. */
function firstPlace({ lows }: Sentence, start: number): string | undefined {
  return lows.slice(start).find((low) => WAY_BEFORE_PLACE[low] !== undefined);
}

/** "Spin the screws in the seal *out*". */
function isOutBehind({ lows, words }: Sentence, start: number): boolean {
  for (
    let at = start;
    at < lows.length && !/^(?:,|until|till|so|because|while|before|after)$/.test(lows[at] ?? '');
    at += 1
  )
    if (
      /^(?:out|off)$/.test(lows[at] ?? '') &&
      (isJoint(words[at + 1]) || words[at + 1]?.value !== undefined) &&
      lows[at + 1] !== 'of'
    )
      return true;
  return false;
}
