import { kindFromName } from '../../../../reading/en/kind-words';
import { isEnd, isFeature, isManner, isSubstance, isToolName, MANNER_PHRASE, SECURES } from '../words/lexicon';
import { WAY_BEFORE_PLACE, WAY_WORDS } from '../words/operations';
import { baseOf } from '../words/verb-forms';
import { WORN } from '../words/verdict-words';
import type { Word } from '../words/words';
import { type KnownName, namesAt } from './known-names';
import type { Sentence } from './sentence';

/* Where a name ends in a sentence, and something else begins. */

export const DETERMINERS = /^(?:the|a|an|your|its|their|his|this|that|these|those|my|our|any|some)$/;

export const PRONOUN = /^(?:it|them|they|these|those|this|that|everything|all|both|one|ones)$/;

export const UNITS =
  /^(?:mm|cm|in|inch|inches|n·m|nm|bar|ml|l|litre|litres|liter|liters|kg|g|min|minutes?|hours?|seconds?|turns?|drops?|times|degrees|passes|steps|newton\w*|foot|ft|lb|lbs|pounds?|millimet\w+|percent|%)$/;

const JOINTS = new Set(
  'across relative with using by via from off out of into in onto on over to at for until till so because since as before after while when whenever wherever once without through under around against toward towards between along past facing pointing looking if unless that which who where than then and or but otherwise plus per like inside underneath beneath behind above below beside next near instead rather except such somewhere irrespective regardless despite prior during upon , ; : . ? ! ( ) ± = + & - –'.split(
    ' ',
  ),
);

export function isJoint(word: Word | undefined): boolean {
  return word === undefined || (!word.quoted && JOINTS.has(word.low));
}

export function namesHere(sentence: Sentence, at: number, kind?: KnownName['kind']): boolean {
  return namesAt(sentence.names, sentence.words, at).some((known) => kind === undefined || known.kind === kind);
}

/** A known name is whole where what follows says how or which way: "back-up rings groove down". */
export function isPastName(sentence: Sentence, at: number): boolean {
  const word = sentence.words[at];
  return (
    isJoint(word) ||
    endsName(sentence, at - 1, at) ||
    (beginsFacing(sentence, at) && !isPartAndWay(sentence, at)) ||
    /^(?:right|straight|each|too|only|just|simply|still|usually|normally|now)$/.test(sentence.lows[at] ?? '') ||
    namesHere(sentence, at, 'place') ||
    saysWhatItDoes(sentence.lows[at] ?? '') ||
    (isFeature([sentence.lows[at] ?? '']) && isJoint(sentence.words[at + 1]))
  );
}

/** A verb that says what the part does: "check that the spacer *moves* freely". */
export function saysWhatItDoes(low: string): boolean {
  return /^(?:moves?|turns?|sits?|opens?|closes?|fits?|is|are|has|have|was|were|does|doesn't|do|don't|isn't|aren't|can|cannot|can't|won't|will|must|should|comes?|goes|holds?|stays?|slides?|swings?|rolls|rotates?|runs?|spins?|weighs?|looks?|feels?|rocks?|wobbles?|touch(?:es)?|rubs?|binds?|sticks?|meets?|catches|drags|drops?|falls?|rises?|drips?|leaks?|gets?|takes?|needs?|relax|decompress|expand|drain|cure|dry|set|cool|stand|settle|harden)$/.test(
    low,
  );
}

export function beginsFacing(sentence: Sentence, at: number): boolean {
  for (let i = at; i < Math.min(at + 3, sentence.words.length - 1); i += 1) {
    const low = sentence.lows[i] ?? '';
    // "A hammer lips in": the tool ends where the facing begins.
    if (isJoint(sentence.words[i]) || (!isEnd(low) && (isToolName([low]) || kindFromName(low) !== 'other')))
      return false;
    if (
      isEnd(sentence.lows[i] ?? '') &&
      /^(?:up|down|in|out|facing|toward|towards|to|first|upwards?|downwards?|inwards?|outwards?|away|pointing|looking)$/.test(
        sentence.lows[i + 1] ?? '',
      )
    )
      return (
        !/^(?:in|out|up|down)$/.test(sentence.lows[i + 1] ?? '') ||
        !/^(?:the|a|an|its|their|each|line|of)$/.test(sentence.lows[i + 2] ?? '')
      );
  }
  return false;
}

/** "Hook the cover seal out", "lift the pump head up": the name goes on, and its way stands behind. */
function isPartAndWay({ lows }: Sentence, start: number): boolean {
  const way = /^(?:up|down|in|out|away)(?= |$)|^to (?:one|the) side\b/;
  const at = lows.findIndex((low, i) => i >= start && isEnd(low) && way.test(lows.slice(i + 1, i + 4).join(' ')));
  const low = lows[at] ?? '';
  return kindFromName(low) !== 'other' || /^(?:cup|head|nose|cone)s?$/.test(low);
}

/** How a part may be that is looked at. */
export function isWornWord(low: string): boolean {
  return IS_WORN.test(low);
}

const IS_WORN = new RegExp(`^(?:${WORN})$`);
const FLUSHES = /^(?:line|pipe|tube|hose|connection|port|plug|valve|fitting|water|plan)s?$/;
const SAYS_WHERE = /^(?:lies|sits|stays|remains|belongs|stands|hangs|points|comes|goes)$/;

/** What a part does where it is. */
export const LIES = /^(?:lying|sitting|resting|standing|hanging|located|seated|hidden|stuck)$/;
const WHERE = /^(?:behind|under|underneath|beneath|in|inside|on|between|above|below|against|at|there|beside)$/;
const ENDS = /^(?:either (?:end|side)|both (?:ends|sides))$/;

export function endsName(sentence: Sentence, start: number, at: number): boolean {
  const word = sentence.words[at] as Word;
  if (isJoint(word)) return true;
  if (word.quoted) return at > start;
  const low = word.low;
  const before = sentence.lows[at - 1] ?? '';
  const isOwned = /^(?:its|their)$/.test(before);
  const named = at === start && DETERMINERS.test(before) && (isOwned || !isJoint(sentence.words[at + 1]));
  if ((WAY_WORDS[low] !== undefined || WAY_BEFORE_PLACE[low] !== undefined) && !named) return true;
  const isLevel = low === 'level' && isSubstance(sentence.lows.slice(start, at));
  // "The seal flush line".
  const isFlushed = low === 'flush' && FLUSHES.test(sentence.lows[at + 1] ?? '');
  if (at > start && (PRONOUN.test(low) || isManner(low)) && !isLevel && !isFlushed) return true;
  if (at > start && SECURES.test(low) && /^(?:each|every|both|all)$/.test(sentence.lows[at + 1] ?? '')) return true;
  if (at > start && SECURES.test(low) && DETERMINERS.test(sentence.lows[at + 1] ?? '')) return true;
  if (at > start && MANNER_PHRASE.test(sentence.lows.slice(at, at + 5).join(' '))) return true;
  const isRangeOfTurns = /^(?:to|or|-|–) \S+ turns?$/.test(sentence.lows.slice(at + 1, at + 4).join(' '));
  if (at > start && word.value !== undefined && isRangeOfTurns) return true;
  const isAbout = /^(?:about|approximately|roughly|approx|around|nearly|almost)$/.test(low);
  if (at > start && isAbout && sentence.words[at + 1]?.value !== undefined) return true;
  if (at > start && word.value !== undefined && UNITS.test(sentence.lows[at + 1] ?? '')) return true;
  if (at > start && beginsFacing(sentence, at) && !isPartAndWay(sentence, at)) return true;
  // "The rotor can and the stator can": of a canned motor.
  const isCan = low === 'can' && /^(?:rotor|stator|motor|containment)$/.test(before) && isJoint(sentence.words[at + 1]);
  if (
    at > start &&
    !isCan &&
    /^(?:is|are|was|were|has|have|should|must|will|can|may|can't|cannot|isn't|aren't|won't|doesn't|don't|hasn't|haven't|wasn't|weren't)$/.test(
      low,
    )
  )
    return true;
  if (at > start && /^(?:always|again|too|also|likewise|yet|already|twice|included)$/.test(low)) return true;
  // "The plugs get 80 N·m".
  if (at > start && /^(?:gets?|takes?|needs?)$/.test(low) && sentence.words[at + 1]?.value !== undefined) return true;
  // "The cylinder screws M6".
  if (at > start && low === 'm' && Number.isInteger(sentence.words[at + 1]?.value) && isJoint(sentence.words[at + 2]))
    return true;
  // "Shaft cracked or scored?"
  if (at > start && isWornWord(low) && isJoint(sentence.words[at + 1])) return true;
  if (at > start && /^(?:very|quite|rather|really|extremely)$/.test(low)) return true;
  // "Packing rings (5)".
  if (at > start && low === '(') return true;
  // "The suction manifold same way".
  if (at > start && low === 'same' && /^(?:way|again|procedure|thing)$/.test(sentence.lows[at + 1] ?? '')) return true;
  // "The lantern ring lies between the others".
  if (at > start && SAYS_WHERE.test(low) && !isJoint(sentence.words[at + 1])) return true;
  // "The worm gear ensuring correct mesh", "the valves, taking note of the seats".
  const isGoingOn =
    /^(?:ensuring|making|taking|noting|observing|allowing|avoiding|paying|leaving|keeping|using|applying)$/.test(low);
  if (isGoingOn && !isJoint(sentence.words[at + 1])) return true;
  // "Stop the shaft turning", "keep the block falling".
  if (
    at > start &&
    /^(?:turning|rotating|spinning|moving|falling|dropping)$/.test(low) &&
    isJoint(sentence.words[at + 1])
  )
    return true;
  // "Two pry bars placed opposite each other".
  if (
    at > start &&
    /^(?:provided|supplied|placed|held|positioned|wrapped|fitted|inserted|set)$/.test(low) &&
    !isJoint(sentence.words[at + 1])
  )
    return true;
  // "The diaphragm lying behind it", "the cap screws either end".
  const isThere = LIES.test(low) && WHERE.test(sentence.lows[at + 1] ?? '');
  if (at > start && (isThere || ENDS.test(sentence.lows.slice(at, at + 2).join(' ')))) return true;
  // "Twelve screws come out".
  const behind = sentence.lows[at + 1] ?? '';
  const isWayNext = WAY_WORDS[behind] !== undefined || WAY_BEFORE_PLACE[behind] !== undefined;
  if (at > start && /^(?:comes?|go|goes)$/.test(low) && isWayNext) return true;
  // "Check the pump holds pressure".
  const isMachine = /^(?:pump|motor|machine|unit|engine|gearbox|shaft)$/.test(before);
  if (at > start && isMachine && /s$/.test(low) && saysWhatItDoes(low)) return true;
  // "Check that the rotor turns freely".
  if (at > start && saysWhatItDoes(low) && /^(?:that|whether|if|until)$/.test(sentence.lows[start - 2] ?? ''))
    return true;
  // "Screw it on the rotor turning it left".
  const goesOn = /^(?:it|them|the|a|your|its|from|until|by|with|left|right)$/.test(sentence.lows[at + 1] ?? '');
  if (at > start && goesOn && baseOf(low, 'ing') !== undefined && kindFromName(low) === 'other') return true;
  // "Check the level drops": what a level does.
  if (at > start && saysWhatItDoes(low) && isFeature(sentence.lows.slice(start, at)) && isJoint(sentence.words[at + 1]))
    return true;
  // "Plate a" ends with its letter.
  if (at > start && DETERMINERS.test(low) && !(low === 'a' && isJoint(sentence.words[at + 1]))) return true;
  return at === start && /ly$|^smooth$/.test(low) && isManner(low);
}
