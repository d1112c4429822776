import { verbOf } from '../../../../model/verbs';
import { isJoint } from '../names/name-ends';
import { type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import { isPartLike } from '../names/short-names';
import * as lexicon from '../words/lexicon';
import { movedBy, type ReadVerb, WAY_WORDS, type Way } from '../words/operations';
import { BY_HAND, FASTENER, goesElsewhere, goesToHolder, isStartedOnly, type Meant, placeText } from './meant';
import { MACHINES, meantByWhatMoves } from './moved-things';
import { plainVerb } from './plain-verb';
import type { Reading } from './reading';
import { placeBehind, strongest } from './ways';

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
  const isInPart =
    sentence.lows[at + 1] !== 'its' &&
    /^(?:part|place)$/.test(nounPhraseAt(sentence, at + 1)?.phrase.known?.kind ?? '');
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
  // "Spread the flanges with a wedge": apart, and nothing is bent.
  if (phrase === 'spread' && HALVES.test(objectText)) return { verb: 'split' };
  // "Break all sharp edges": with a stone, and nothing comes loose.
  if (phrase === 'break' && EDGES.test(objectText)) return { verb: 'dress' };
  const moving = { reading, sentence, movement, phrase, ways, objects, object, objectText, at, told, where, bench };
  const moved = meantByWhatMoves({ ...moving, isFacing: facing !== null });
  if (moved) return moved === 'asked' ? undefined : moved;
  // "Roll the boot back over the rod" moves it; pushed back over something, it may be moved or put back.
  const isBackOver =
    movement.ways.back === 'move' && /\bback (?:[\w-]+ ){0,4}?(?:over|along|up) (?:the|its|their|a)\b/.test(told);
  if (isBackOver) return PRESSES.test(phrase) ? undefined : { verb: 'move', keepWay: true };
  const goesTo = place === 'in' || place === 'on' ? [place] : [];
  // "Pull the rod back out": out again.
  const isBackOut = ways.includes('back') && ways.includes('out');
  const toldWays = isBackOut ? ways.filter((way) => way !== 'back') : ways;
  const toldWay = strongest(
    toldWays.includes('back') ? [...toldWays, ...goesTo] : toldWays,
    movement.ways.back === 'fit',
  );
  // "Draw the case forward over the shafts": off, along, or put there.
  if (/^(?:pull|draw|drag|tug|yank)$/.test(phrase) && toldWay === 'along' && place === 'on') return undefined;
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
    /^(?:fit|press)$/.test(movement.ways.in ?? '') &&
    INTO.test(told);
  const isOff = /^(?:down|up)$/.test(toldWay ?? '') && place === 'out' && movement.ways.out === 'draw';
  const saidWay = toldWay === 'along' || isOff || isInto ? (place ?? toldWay) : (toldWay ?? place);
  if (
    /^(?:turn|rotate|swing|spin|roll)$/.test(phrase) &&
    saidWay === 'over' &&
    (TURNS.test(objectText) || REVOLVES.test(told))
  )
    return { verb: 'turn', keepWay: true };
  if (/^(?:turn|roll|tip|tilt|flip|set|stand|put)$/.test(phrase) && /\bupside down\b/.test(told))
    return { verb: 'lay' };
  // "Turn the impeller in": it may go in by turning, or be turned where it sits.
  const isTurnedIn = /^(?:turn|rotate)$/.test(phrase) && /^(?:in|out)$/.test(toldWay ?? '');
  if (isTurnedIn && object?.known?.kind === 'part' && !FASTENER.test(objectText) && !SHAFTS.test(objectText))
    return undefined;
  // "Spin the line shaft into the coupling": by its thread; turned into something, it may be.
  const isThreaded = /^(?:turn|rotate|spin)$/.test(phrase) && ways.length === 0 && goesInto(reading, sentence, at);
  const isTurnedOff =
    /^(?:turn|rotate|spin)$/.test(phrase) &&
    ways.length === 0 &&
    ((/^(?:off|from)$/.test(sentence.lows[at] ?? '') &&
      (isPartAt(reading, sentence, at + 1) || /^(?:it|them)$/.test(sentence.lows[at + 1] ?? ''))) ||
      (/^out of$/.test(sentence.lows.slice(at, at + 2).join(' ')) && isPartAt(reading, sentence, at + 2)));
  if (isTurnedOff) return { verb: 'take-off' };
  if (isThreaded) return phrase === 'spin' ? { verb: 'start-by-hand' } : undefined;
  // "Turn the rod in" moves a shaft; only what has a thread comes out by turning.
  const way =
    /^(?:turn|rotate|spin)$/.test(phrase) &&
    !(phrase === 'spin' && ways.length > 0) &&
    saidWay !== 'over' &&
    !FASTENER.test(objectText)
      ? undefined
      : saidWay;
  const isShifted = movement.ways.back === 'fit' ? SHIFTED_BACK : MOVED_BACK;
  if (way === 'back' && isShifted.test(told)) return { verb: 'move', keepWay: true };
  // "Loosen the gland nuts and slide the gland back": out of the way.
  const isFreed = reading.acts.at(-1)?.verb === 'loosen' && object && !object.pronoun && isJoint(sentence.words[at]);
  if (isFreed && way === 'back' && PULLS_BACK.test(phrase)) return { verb: 'move', keepWay: true };
  // "Take up the nuts a flat at a time".
  if (way === 'up' && /^(?:take|bring)$/.test(phrase) && /\b(?:nut|bolt|screw|gland)s?$/.test(objectText))
    return { verb: BY_HAND.test(told) ? 'start-by-hand' : 'torque' };
  // "Undo the nuts on the line" says where, and takes them off all the same.
  const moves = movedBy(movement, way) ?? (toldWay === undefined ? movement.alone : undefined);
  const verb = moves === 'loosen' && PULLS.test(phrase) && /\bfree\b/.test(told) ? 'draw' : moves;
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
  // "Unscrew the nut two turns": loosened.
  if (verb === 'take-off' && /^(?:unscrew|undo|unthread|remove)$/.test(phrase) && SO_MANY_TURNS.test(told))
    return { verb: 'loosen', keepWay: true };
  // "Back the screw out to the dimension you measured": set, and still there.
  if (
    verb === 'take-off' &&
    /^(?:back|screw|turn|wind|run|spin)$/.test(phrase) &&
    /\b(?:out|off) (?:again )?to (?:(?:the|its|your|that) )?(?:\w+ )?(?:dimension|mark|size|height|position|length|setting|measure\w*|distance|depth|figure|\d)/.test(
      told,
    )
  )
    return { verb: 'adjust', how: 'out', aboutEnd: at, about: objectText };
  // "Push the plungers back into the power end", which were never out: moved, or put back?
  const { out } = reading.before;
  const isIn =
    out !== undefined &&
    out.size > 0 &&
    !(object?.pronoun ? reading.meant() : objects.flatMap(({ known }) => known ?? [])).some(({ name }) =>
      out.has(name),
    );
  if (
    isIn &&
    ways.includes('back') &&
    /^(?:push|slide|press|tap|drive|knock|roll)$/.test(phrase) &&
    verb &&
    verbOf(verb).effect === 'refits'
  )
    return undefined;
  // "Unclamp the plungers and push them forward into the box": out of the way, or home.
  if (verb === 'press' && takenBefore(reading, objects)) return undefined;
  if (verb === 'torque' && BY_HAND.test(told) && !/\d/.test(told)) return { verb: 'start-by-hand' };
  if (verb && isStartedOnly(verb, objectText, told)) return { verb: 'start-by-hand' };
  // "Line the stages up on the bench": laid there.
  if (verb === 'align' && (lexicon.BENCH.test(bench) || lexicon.CLOTH.test(bench))) return { verb: 'put-aside' };
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

/** "Push the shaft through the centre block", where the shaft is out by then: it goes in. */
export function meantByWhatIsOut(
  reading: Reading,
  read: ReadVerb,
  ways: readonly Way[],
  objects: readonly NounPhrase[],
): Meant | undefined {
  const { out } = reading.before;
  if (read.is !== 'movement' || out === undefined || objects.length === 0) return undefined;
  const named = objects.flatMap(({ known, pronoun }): readonly { readonly name: string }[] =>
    pronoun ? reading.meant() : known?.kind === 'part' ? [known] : [],
  );
  const areOut = named.length >= objects.length && named.every(({ name }) => out.has(name));
  const isTold = ways.every((way) => /^(?:through|along|down|up|over)$/.test(way));
  // "Stand it up" puts nothing back.
  const isPose = /^(?:stand|set|position|rest|turn|tip|tilt|swing|put|lay|roll)$/.test(read.phrase);
  const verb = read.movement.ways.in;
  return areOut && !isPose && isTold && verb && verbOf(verb).effect === 'refits' ? { verb } : undefined;
}

/** So far and no further: "a turn at a time" goes on until it is out, "after two turns" says when. */
const SO_MANY_TURNS =
  /^(?!.*\b(?:after|every|until|till|in)\b)\w+ [\w -]+? (?:by )?(?:a |about |only )*(?:half|quarter|one|two|three|four|five|six|a few|a couple of|[\d./-]+)(?: or \w+)? (?:full |complete |of a )?turns?\b(?! at a time)/;
/** "Pull the rotor free": out of what held it. */
const PULLS = /^(?:pull|draw|slide|slip|lift|pick|hook|withdraw|extract|tug|yank|drag)$/;
const PULLS_BACK = /^(?:slide|push|pull|draw|slip|ease|move|bring)$/;
const SHIFTED_BACK = /\bback (?:along|toward|towards|far) /;
const MOVED_BACK = /\bback (?:along|toward|towards|until|far|a |an |by )/;
/** Loosened, unless its thread is a left-hand one. */
const THREADED = /\b(?:nut|bolt|screw|stud|plug)s?$/;
const LEFTWARDS = /\b(?:counter-?|anti-?)clockwise\b|\bccw\b|\bto the left\b/;

/** "Turn it until it comes off". */
const COMES_AWAY =
  /\buntil (?:it|they) (?:comes?|slides?|falls?|drops?|pops?|is|are) (?:right |fully )?(?:off|out|away|free (?:of|from))\b/;
const KNOCKS = /^(?:tap|knock|hammer|smack|whack|thump|bump|punch)$/;
const HALVES = /\b(?:flange|halve|half|casing|case|housing|joint)s?$/;
const EDGES = /\b(?:edge|corner|burr)s?$/;

/** "Tap it until it moves": loosened, and still there. */
const COMES_LOOSE =
  /\b(?:(?:un)?till? (?:it|they|(?:the|its) [\w-]+(?: [\w-]+)?) (?:moves?|comes? (?:free|loose)|breaks? (?:free|loose)|frees?|lets? go|is (?:free|loose)|works? loose)|to (?:free|loosen|break) (?:it|them|the)\b)/;
const INTO = /\b(?:up|down) (?:into|onto|through)\b|\bdown over\b/;
const TURNS = /\b(?:shaft|crank|crankshaft|rotors?|spindle|wheel|coupling|flywheel|motor|impeller)$/;
/** "Turn it over by hand a couple of times". */
const REVOLVES = /\bby hand\b|\btimes\b|\b(?:full|complete) (?:turns?|revolutions?)\b/;
const SHAFTS = /\b(?:shaft|crank|crankshaft|rod|spindle|screw|stem|bolt)s?$/;
const PRESSES = /^(?:press|push|tap|knock|drive|force|drift|hammer)$/;
const FLAT =
  /^(?:in|into|on|onto|over|across|along) (?:the |a |an )?(?:\w+ )?(?:bench|table|workbench|surface|surface plate|glass plate|flat plate|glass|floor)\b/;
const LOOKS = /\bto (?:see|check|feel|find)\b/;
/** "Run the pump": the words go on saying that it runs. */
export const RUNS = new RegExp(
  `^(?:run|start|cycle|operate|stroke|jog|deadhead|dead-head) (?:the )?(?:${MACHINES})\\b|^(?:raise|increase|build up|bring(?: up)?|take(?: up)?|run(?: up)?|put(?: up)?) (?:the )?pressure\\b`,
);

/** "Into the coupling": a part of the pump. */
function goesInto(reading: Reading, sentence: Sentence, at: number): boolean {
  return /^(?:into|onto)$/.test(sentence.lows[at] ?? '') && isPartAt(reading, sentence, at + 1);
}

function isPartAt({ series }: Reading, sentence: Sentence, at: number): boolean {
  const named = nounPhraseAt(sentence, at)?.phrase;
  return named !== undefined && isPartLike(named, series);
}

/** What was loosened or disconnected in the same breath. */
function takenBefore({ acts }: Reading, [object]: readonly NounPhrase[]): boolean {
  const last = acts.at(-1);
  return object?.pronoun === true && last !== undefined && /^(?:loosen|disconnect)$/.test(last.verb);
}

function putOnBefore(reading: Reading, objects: readonly NounPhrase[]): boolean {
  const last = reading.acts.at(-1);
  const [object] = objects;
  if (!last || !object || verbOf(last.verb).effect !== 'refits') return false;
  return object.pronoun === true || last.parts.some(({ name }) => name === object.name);
}
