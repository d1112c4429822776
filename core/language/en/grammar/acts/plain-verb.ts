import { byName } from '../../../../model/names';
import type { Verb } from '../../../../model/verbs';
import { kindFromName } from '../../../../reading/en/kind-words';
import { readVerb } from '../../../../reading/en/verb-words';
import { isJoint } from '../names/name-ends';
import { isStuff, type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import { isPartNoun } from '../names/part-nouns';
import type { Sentence } from '../names/sentence';
import * as lexicon from '../words/lexicon';
import {
  attended,
  BY_HAND,
  FASTENER,
  goesToHolder,
  isStartedOnly,
  LOCKS,
  lockedOut,
  type Meant,
  POWERED,
  placeText,
} from './meant';
import type { Reading } from './reading';

/** What a verb means that is no movement, where what it is said of decides. */
export function plainVerb(
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
  if (verb === 'attend') return attended(sentence, told);
  // "Cut a new gasket out of sheet", "cut the rings to length" makes them, and takes nothing off.
  if (verb === 'cut' && (object?.state.includes('new') || CUT_FROM.test(told))) return attended(sentence, told);
  // "Brush sealant onto the flange": put on with a brush, and nothing is cleaned.
  const isSpread =
    SPREADS.test(phrase) && /^(?:on|onto|over|into|to|in|around|round|inside|between)$/.test(sentence.lows[at] ?? '');
  if (isSpread && object && object.known?.kind !== 'part' && isStuff(object)) return { verb: 'apply-compound' };
  // "Rub the faces with alcohol and a cloth"; rubbed down or on, it may be anything.
  if (phrase === 'rub' && object && !isStuff(object) && sentence.lows[at] === 'with') return { verb: 'clean' };
  if (phrase === 'rub') return undefined;
  // "Pack the stuffing box, four rings", "repack: five rings": with packing, whatever that is.
  const isGreased =
    /\b(?:grease|oil|jelly)\b/.test(told) ||
    /\b(?:bearing|gear|joint|coupling|housing|cavity|gearbox)s?$/.test(objectText);
  if (/^(?:re)?pack$/.test(phrase) && (!isGreased || PACKED_WITH.test(told))) return undefined;
  // "Wipe it with light oil": put on, and nothing is cleaned.
  if (/^wipe\b/.test(phrase) && WIPED_ON.test(told)) return { verb: 'lubricate' };
  if (phrase === 'replace' || phrase === 'change') {
    if (
      /\bwhere (?:it|they) (?:came|was|were|belong)\b|\bback\b(?!-)|\bin (?:its|their) (?:place|original)\b|\bon (?:its|their) own\b/.test(
        told,
      )
    )
      return { verb: 'fit' };
    // "Replace the cover with a new gasket" puts the cover back.
    if (/\bwith (?:a |an |its |the )?(?:new|fresh) (?!ones?\b|parts?\b)/.test(told) && !/\bnew\b.* with\b/.test(told))
      return { verb: 'fit' };
    const isNamed = object !== undefined && !object.pronoun && !lexicon.isSubstance(object.words);
    if (phrase === 'change' || FOR_GOOD.test(told) || !isNamed || WEARS.test(objectText)) return { verb: 'renew' };
    const from = sentence.lows.indexOf('replace');
    reading.doubt('sense', sentence, from, from + 1, ['renew', 'refit']);
    return { verb: 'renew' };
  }
  if (phrase === 'stick' && LOCKS.test(objectText)) return lockedOut(reading, sentence, object, at);
  if (
    /^(?:stick|glue)$/.test(phrase) &&
    object &&
    !lexicon.isSubstance(object.words) &&
    /^(?:to|onto|on|in|into|back)$/.test(sentence.lows[at] ?? '')
  ) {
    // "Stick a gasket on with grease", "stick the valve back": on, and nothing named.
    const isWay = isJoint(sentence.words[at + 1]);
    return { verb: 'fit', ...(isWay && { aboutEnd: at + 1 }) };
  }
  // "Lock it with the pin": held by it, or held with it.
  if (phrase === 'lock' && object?.pronoun && HELD_WITH.test(told)) return undefined;
  // "Release the clamps": no pressure is in them.
  if (verb === 'release-pressure' && phrase === 'release' && HOLDS_TIGHT.test(objectText)) return { verb: 'loosen' };
  // "Lock with wire": the bolts, and no switch.
  if (verb === 'lock-out' && LOCKED_WITH.test(told)) return { verb: 'pin' };
  if (verb === 'lock-out' && phrase === 'lock' && locksPart(objectText, object, reading)) {
    const by = sentence.lows[at] === 'with' ? nounPhraseAt(sentence, at + 1) : undefined;
    // "Lock the shaft with the wrench": held.
    if (by && (by.phrase.known?.kind === 'tool' || lexicon.isToolName(by.phrase.words))) return { verb: 'hold' };
    if (by && /\bnuts?$/.test(by.phrase.name)) return { verb: 'torque', isByWhat: true };
    if (/(?:locker|sealant|compound|loctite)\b/.test(told)) return { verb: 'apply-compound' };
    // "Lock the shaft and unscrew the nut": held.
    const isTurning = /\b(?:shaft|rotor|spindle|impeller|crank|crankshaft)s?$/.test(objectText);
    return isTurning && !/^(?:with|by|using|on|in)$/.test(sentence.lows[at] ?? '') ? { verb: 'hold' } : undefined;
  }
  if (verb === 'discard' && /\bpressure$/.test(objectText)) return { verb: 'release-pressure', aboutEnd: at };
  // "Chuck the lot in solvent" washes it.
  if (verb === 'discard' && /^(?:in|into) /.test(placeText(sentence, at)) && !WASTE.test(placeText(sentence, at))) {
    const bath = nounPhraseAt(sentence, at + 1)?.phrase;
    return bath && lexicon.isSubstance(bath.words) ? { verb: 'clean' } : undefined;
  }
  // "Tag the seal for the repair shop" marks it; a tag on what gives energy keeps it off.
  const tagged = object?.pronoun
    ? reading
        .meant()
        .map(({ name }) => name)
        .join(' ')
    : objectText;
  if (phrase === 'tag' && object && tagged !== '' && !ENERGY.test(tagged)) return { verb: 'mark' };
  if (verb === 'fit' && LOCKS.test(objectText)) return lockedOut(reading, sentence, object, at);
  if (phrase === 'unplug' && object?.known?.kind === 'part' && !MAINS.test(objectText) && !MOTOR.test(objectText))
    return { verb: 'disconnect' };
  // "Unlock the thrust bearing" gives no power back.
  if (
    phrase === 'unlock' &&
    object &&
    !object.pronoun &&
    isPartNoun(objectText) &&
    !MOTOR.test(objectText) &&
    !CLOSED.test(objectText)
  )
    return undefined;
  // "Restore the setting" switches nothing on.
  if (phrase === 'restore' && SETTING.test(objectText)) return / you \w/.test(told) ? undefined : { verb: 'adjust' };
  // "Prevent the shaft from turning"; damage is prevented by no holding.
  if (phrase === 'prevent' && !/\b(?:turning|rotating|spinning|moving|falling|dropping|tipping|rolling)\b/.test(told))
    return undefined;
  // "Stop the rotor with a bar" holds it.
  const isTurning = / from (?:turning|rotating|spinning|moving)\b/.test(told);
  if (phrase === 'stop' && (object?.known?.kind === 'part' || isTurning)) return { verb: 'hold' };
  if (phrase === 'stop' && !POWERED.test(objectText) && !STOPPED.test(objectText)) return undefined;
  if (phrase === 'hang' && sentence.lows[at] === 'up') return { verb: 'put-aside', aboutEnd: at + 1, how: 'hung up' };
  if (phrase === 'hang' && object && lexicon.CLOTH.test(placeText(sentence, at))) return { verb: 'put-aside' };
  if (phrase === 'run up' && UP_TO.test(told)) return { verb: 'test', about: 'run up', aboutEnd: at };
  if (phrase === 'pour' && object && LIQUID.test(objectText) && isIntoPart(sentence)) return { verb: 'fill' };
  if (phrase === 'pour' && (POURED.test(told) || (POURED_IN.test(told) && !isIntoPart(sentence))))
    return { verb: 'fill' };
  if (phrase === 'add' && object && lexicon.isSubstance(object.words)) return { verb: 'fill' };
  if (phrase === 'pump up' && !/\bgrease\b/.test(told)) return undefined;
  // "Jog the motor and check which way it goes".
  if (/^(?:check|see|look) (?:which|how)$/.test(phrase) && /^(?:test|turn)$/.test(reading.acts.at(-1)?.verb ?? ''))
    return { verb: 'test', about: told, aboutEnd: sentence.words.length };
  // "Look behind the gland": where.
  const where =
    /^(?:look|check|feel|inspect) (behind|under|underneath|inside|into|below|between|through|down|along)$/.exec(
      phrase,
    )?.[1];
  if (where !== undefined && object) return { verb, how: where };
  if (phrase.startsWith('give it ')) return { verb: 'test', about: 'run the pump', aboutEnd: at };
  // "Read the runout" measures it; a manual or a label is only read.
  if (phrase === 'read' && !READ_OFF.test(told)) return undefined;
  // A hose is pinched off, and no torque given to it.
  if (phrase === 'pinch' && !FASTENER.test(objectText)) return undefined;
  if (phrase === 'cross-tighten') return { verb: 'torque', how: 'crosswise' };
  if (/^cool/.test(phrase)) return { verb, how: phrase };
  if (phrase === 'let' || phrase === 'allow')
    return letHappen(
      sentence,
      told,
      object,
      reading
        .meant()
        .map(({ name }) => name)
        .join(' and '),
      reading.acts.at(-1)?.about ?? '',
    );
  if (/^(?:look|watch|listen|feel)$/.test(phrase)) {
    const isSeen = phrase !== 'listen' && / for .* (?:on|in|at|of) /.test(told) && !RUNNING.test(told);
    const on = isSeen ? lookedAt(sentence) : undefined;
    if (on) return { verb: 'inspect' };
  }
  if (phrase === 'listen' && at >= sentence.words.length) return { verb: 'test', about: 'listen', aboutEnd: at };
  if (/^(?:watch|listen)$/.test(phrase))
    return /^(?:for|to)$/.test(sentence.lows[at] ?? '') ? { verb: 'test' } : undefined;
  // "Shut the cover" puts it back, and shuts no valve.
  const isLid = object && !object.pronoun && /\b(?:cover|lid|door|hatch|flap|box|guard)s?$/.test(objectText);
  const isStopper = /\b(?:plug|cap|bolt|screw)s?$/.test(objectText);
  const isPart =
    (object?.known?.kind === 'part' || object?.pronoun) && objectText !== '' && (isStopper || !CLOSED.test(objectText));
  if (verb === 'close-valve' && isStopper && object?.known?.kind === 'part')
    return { verb: BY_HAND.test(told) ? 'start-by-hand' : 'fit' };
  if (verb === 'close-valve' && (isLid || isPart)) {
    reading.doubt('sense', sentence, 0, 1, ['fit', 'shut']);
    return { verb };
  }
  const looked = /^(look|listen|hear) (?:whether|if)$/.exec(phrase)?.[1];
  if (looked && (looked !== 'look' || RUNNING_SIGNS.test(told)))
    return {
      verb: 'test',
      about: sentence.text(sentence.lows.indexOf(looked) + 1, sentence.words.length),
      aboutEnd: sentence.words.length,
    };
  if (looked) return { verb: 'inspect' };
  // "Check it's not dripping".
  if (
    /^check\b/.test(phrase) &&
    ((RUNNING_SIGNS.test(told) && /^check (?:that )?(?:it's|it is|they're|there's|nothing(?:'s)?) /.test(told)) ||
      (/^check (?:that )?(?:it's|it is|it|the (?:motor|pump)) (?:is )?(?:turn|run|rotat|spin|prim|pump)\w+/.test(
        told,
      ) &&
        reading.acts.at(-1)?.verb === 'test'))
  ) {
    const about = sentence.text(sentence.lows.indexOf('check') + 1, sentence.words.length);
    return { verb: 'test', about, aboutEnd: sentence.words.length };
  }
  if (phrase === 'look' && sentence.lows[at] === 'for') {
    const isOnPart = (reading.acts.at(-1)?.parts.length ?? 0) > 0 && !RUNNING_SIGNS.test(told);
    return { verb: isOnPart || WORN_SIGNS.test(told) ? 'inspect' : 'test' };
  }
  if (phrase === 'look') return undefined;
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
  if ((phrase === 'fill' || phrase === 'pack') && object && /\bgrease\b/.test(told) && !/\bgrease$/.test(object.name))
    return { verb: 'lubricate' };
  if (verb === 'cut' && POWERED.test(objectText)) return { verb: 'isolate' };
  if (phrase === 'crack open' && FASTENER.test(objectText) && !/\bvalves?$/.test(objectText)) return { verb: 'loosen' };
  // "Try the start button" proves; "try the fitting in both ends" is a trial fit.
  if (phrase === 'try' && !/\b(?:start|button|switch|again|run)\b/.test(told)) return undefined;
  if (phrase === 'try to start') {
    const what = object?.pronoun ? (reading.acts.at(-1)?.about ?? object.name) : (object?.name ?? '');
    return { verb: 'test', about: `try to start ${what}`.trim(), aboutEnd: at };
  }
  // "Use silicone grease on the O-rings only".
  if (phrase === 'use' && object && lexicon.isSubstance(object.words) && sentence.lows[at] === 'on')
    return { verb: 'apply-compound' };
  if (phrase === 'use' || (phrase === 'swap' && SWAPPED.test(told))) return undefined;
  if (phrase === 'attach' && object && lexicon.isToolName(object.words) && object.known?.kind !== 'part')
    return { verb: 'hold' };
  if (verb === 'torque' && BY_HAND.test(told) && !/\d/.test(told)) return { verb: 'start-by-hand' };
  // "Open the spray gun" lets the pressure off.
  if (verb === 'split' && phrase === 'open' && /\b(?:gun|trigger|lance|nozzle)$/.test(objectText))
    return { verb: 'release-pressure', aboutEnd: at, how: `open the ${objectText}` };
  if (verb === 'split' && phrase === 'open') return opened(reading, sentence, objectText, object, at);
  if (verb === 'inspect' && usual === 'test' && /^\w+ for\b/.test(told)) {
    // "Degrease the shaft and check for scratches" looks at the shaft; leaks show on the pump.
    const isOnPart = (reading.acts.at(-1)?.parts.length ?? 0) > 0 && !RUNNING_SIGNS.test(told);
    return { verb: isOnPart ? 'inspect' : 'test' };
  }
  // "Check noise and leaks".
  if (verb === 'inspect' && phrase === 'check' && object && !object.known && SHOWN_RUNNING.test(objectText))
    return { verb: 'test' };
  if (verb === 'clean' && /\bdry\b/.test(phrase)) return { verb, how: 'dry' };
  if (verb === 'release-pressure' && usual === 'ease') return { verb: 'ease' };
  // "Release the locking elements" lets no pressure off.
  if (
    verb === 'release-pressure' &&
    phrase === 'release' &&
    object?.known?.kind === 'part' &&
    !UNDER_PRESSURE.test(objectText)
  )
    return undefined;
  // "Disconnect the pipe from the motor", "connect it to the motor": the pipe.
  const isNamed = object?.known?.kind === 'part' || (object !== undefined && kindFromName(object.name) !== 'other');
  const isPipe = isNamed && !POWERED.test(objectText);
  if (verb === 'connect' && usual === 'restore' && !isPipe) return { verb: 'restore' };
  if (verb === 'disconnect' && usual === 'isolate' && !isPipe) return { verb: 'isolate' };
  if (verb === 'pin' && phrase === 'secure' && /\b(?:vice|vise|jaws)\b/.test(told)) return { verb: 'hold' };
  if (phrase === 'fasten' && verb !== 'pin' && !FASTENER.test(objectText))
    return plainVerb(reading, sentence, 'pin', phrase, objectText, object, at, told);
  if (
    verb === 'pin' &&
    / with (?:\w+ ){0,3}?(?:thread-?locker|locker|sealant|paste|loctite|compound|adhesive|glue|varnish)\b/.test(told)
  )
    return { verb: 'apply-compound' };
  if (verb === 'pin' && SECURED_BY.test(told)) return { verb: 'fit', isByWhat: object?.pronoun === true };
  if (verb === 'pin' && object?.pronoun && sentence.lows[at] === 'with') {
    const by = nounPhraseAt(sentence, at + 1);
    if (by?.phrase.known?.kind === 'part') return { verb, isByWhat: true };
  }
  if (verb === 'fit' && goesToHolder(verb, placeText(sentence, at))) return { verb: 'hold' };
  const pluggedIn =
    verb === 'connect' && phrase === 'plug' ? /^(?:back )?in\b/.exec(sentence.lows.slice(at).join(' ')) : null;
  if (pluggedIn) return { verb, aboutEnd: at + pluggedIn[0].split(' ').length };
  return isStartedOnly(verb, objectText, told) ? { verb: 'start-by-hand' } : { verb };
}

const READ_OFF =
  /^read (?:off )?(?:the |its )?(?:\w+ )?(?:run-?out|clearance|play|float|gap|backlash|diameter|thickness|length|height|depth|lift|wear|step)\b/;
/** What wear leaves, whether it runs or not. */
const WORN_SIGNS =
  /\bfor (?:an? |any |the |signs of )?(?:\w+ )?(?:grooves?|scor\w+|scratch\w*|crack\w*|pit\w*|wear|nicks?|chips?|burrs?|corrosion|rust|damage|cuts?|tears?|dents?|marks?|steps?|erosion|discolou?r\w+|galling|flat spots?)\b/;
const SPREADS = /^(?:brush|wipe|rub|paint|squirt|drip|spread|smooth|daub)$/;

/** A screw is locked, and no energy with it. */
function locksPart(objectText: string, object: NounPhrase | undefined, reading: Reading): boolean {
  const isPart =
    object?.known?.kind === 'part' ||
    (object !== undefined && !object.pronoun && kindFromName(objectText) !== 'other') ||
    FASTENER.test(objectText) ||
    (object?.pronoun === true && reading.acts.at(-1)?.parts.length === 1);
  return (
    isPart &&
    !MOTOR.test(objectText) &&
    !/\b(?:valve|cock|isolator|breaker|switch|starter|lever|wheel)s?$/.test(objectText)
  );
}

const UNDER_PRESSURE =
  /\b(?:valve|cock|line|pump|casing|housing|chamber|head|manifold|accumulator|vessel|tank|hose|pipe|system|plug|screw|cap|fitting|vent|case|body|block|circuit|side|bladder|cylinder|gun|trigger|filter|strainer)s?$/;
const LIQUID = /\b(?:water|product|liquid|coolant|solvent|diesel|fuel)$/;
const WASTE = /\b(?:bin|scrap|skip|waste|rubbish|trash|bag|container|dustbin)\b/;
const ENERGY = new RegExp(
  `${POWERED.source}|\\b(?:valve|cock|isolator|switch|starter|lever|wheel|panel|controls?|line|handle|box|set)s?\\b`,
);
const MOTOR = /\b(?:pump|motor|machine|unit|drive|set)s?$/;
const STOPPED = /\b(?:tractor|engine|line|plant|mixer|agitator|conveyor|compressor|turbine|sprayer|flow|process)$/;
const SETTING =
  /\b(?:settings?|strokes?|positions?|adjustments?|alignment|clearance|preload|speed|order|shape|finish)\b/;
const MAINS = /\b(?:mains|power|supply)\b/;

/** What is worn, or replaced by a rule, is renewed. */
const FOR_GOOD =
  /\b(?:new|worn|damaged|every (?:time|\d)|regardless|irrespective|whatever|as a (?:set|pair|kit)|if (?!necessary)|when (?:it|they)|in any case|always)\b/;

/** Put the other way about, and not renewed. */
const SWAPPED = /\b(?:end for end|over|round|around|places|sides|about)\b/;
/** Bolts and screws are put in; pins, clips and wire lock. */
const HELD_WITH = /\bwith (?:\w+ ){0,4}?(?:pin|bolt|screw|stud|key|wedge|plate|bar|clip)s?\b/;
const SECURED_BY = /\bwith (?:\w+ ){0,4}?(?:bolt|screw|nut|stud)s?\b/;
/** "Open the cover" takes apart, "open the drain plug" drains, "open the filler cap" takes it off. */
function opened(
  reading: Reading,
  sentence: Sentence,
  objectText: string,
  object: NounPhrase | undefined,
  at: number,
): Meant {
  if (/\b(?:disconnect|breaker|isolator|switch)e?s?$/.test(objectText)) return { verb: 'isolate' };
  const read = readVerb(`open ${objectText}`, (words) => byName(reading.series.components, words) !== undefined);
  const verb = read?.verb ?? 'split';
  if (verb === 'drain' && object) {
    const first = sentence.words.findIndex(({ from }) => from === object.from);
    return { verb, aboutEnd: at, how: `at the ${sentence.text(first, at)}` };
  }
  if (
    /(?:\b(?:drain|vent|bleed|bleeder|bypass|gate|tap|faucet)|cock)s?$/.test(objectText) &&
    object?.known === undefined
  )
    return { verb: 'open-valve' };
  return { verb: verb === 'split' && /\b(?:plug|cap|lid|cock|screw)s?$/.test(objectText) ? 'take-off' : verb };
}

/** "Run up to pressure" proves it. */
const UP_TO = /^run up to (?:\w+ ){0,2}?(?:pressure|speed|temperature|\d)/;
/** By the litre it is filled in; a drop or a film is put on. */
const POURED = /^\w+ (?:in )?(?:about )?[\w.,/]+ (?:l|ml|lit(?:re|er)s?|gallons?|quarts?|pints?)\b/;
function isIntoPart(sentence: Sentence): boolean {
  const into = sentence.lows.findIndex((low) => /^(?:in|into|through|down)$/.test(low));
  return nounPhraseAt(sentence, into + 1)?.phrase.known?.kind === 'part';
}

/** "Pour water in at the top". */
const POURED_IN = /^pour (?:\w+ ){1,4}(?:in|into|through|down)(?=$| (?:at|the|until)\b)/;
/** What shows only under pressure or while it runs. */
export const RUNNING_SIGNS =
  /\b(?:leaks?|leaking|leakage|drips?|dripping|weeps?|weeping|knocks?|knocking|vibrat\w+|nois\w+)\b/;
const SHOWN_RUNNING = new RegExp(
  `^(?:the )?(?:${RUNNING_SIGNS.source}|temp(?:erature)?s?|pressures?|amps|flow|current)(?:$| and )`,
);
const RUNNING = new RegExp(`^(?:look|watch|listen|feel) for (?:\\w+ ){0,2}${RUNNING_SIGNS.source}`);

const PACKED_WITH = /\bwith (?:[\w.]+ ){0,5}?(?:rings?|packing|rope|cord)\b/;
const CUT_FROM =
  /\b(?:out of|from) (?:[\w.,]+ ){0,4}?(?:sheet|stock|cord|roll|paper|material|rope|tube|strip|rod|bar)\b|\bto length\b/;
const WIPED_ON =
  /\bwith (?:a (?:little|bit of|touch of|(?:thin |light )?film of|drop of) |clean |light |fresh |some |thin )*(?:[\w-]+ )?(?:oil|grease|lubricant|glycerine?)\b/;
const CLOSED =
  /\b(?:valves?|cocks?|taps?|supply|inlet|outlet|lines?|suction|discharge|water|air|steam|feed|ports?|hatch|vents?|drains?)\b/;

/** The part that signs are looked for on: "look for scratches on the seal faces". */
function lookedAt(sentence: Sentence): NounPhrase | undefined {
  for (let at = 2; at < sentence.words.length - 1; at += 1) {
    if (!/^(?:on|in|at|of)$/.test(sentence.lows[at] ?? '')) continue;
    const found = nounPhraseAt(sentence, at + 1)?.phrase;
    if (found?.known?.kind === 'part' || (found && !found.pronoun && kindFromName(found.name) !== 'other'))
      return found;
  }
  return undefined;
}

/** "Let the oil drain", "let the spring relax", "allow the sealant to cure". */
function letHappen(
  sentence: Sentence,
  told: string,
  object: NounPhrase | undefined,
  meant: string,
  before: string,
): Meant | undefined {
  const happens = HAPPENS.exec(told)?.[0];
  const [, liquid, out] =
    /^let (?:the |all the |any )?((?:\w+ )?(?:oil|water|liquid|coolant|fluid|product|fuel|grease)) (out|off|away)\b/.exec(
      told,
    ) ?? [];
  if (liquid && out) return { verb: 'drain', about: liquid, aboutEnd: sentence.lows.indexOf(out) + 1 };
  if (happens === undefined) return undefined;
  const words = happens.split(' ');
  const at = sentence.lows.findIndex((_, i) => words.every((word, n) => sentence.lows[i + n] === word));
  const aboutEnd = at + words.length;
  if (RELAXES.test(happens)) return { verb: 'ease', aboutEnd };
  // "Connect the air and let it run dry for one minute": it runs, and nothing is drained.
  if (happens === 'run dry' && sentence.lows[aboutEnd] === 'for')
    return { verb: 'test', about: 'run the pump dry', aboutEnd };
  if (/^(?:slip|fall|drop|slide|pop|come) /.test(happens)) return { verb: 'take-off', aboutEnd };
  const from = sentence.lows.findIndex((low) => /^(?:let|allow)$/.test(low)) + 1;
  const to = sentence.lows[at - 1] === 'to' ? at - 1 : at;
  // "Let run the pump" names it behind.
  const named = to > from ? undefined : nounPhraseAt(sentence, aboutEnd);
  const thing = named ? sentence.text(aboutEnd, named.end) : to > from ? sentence.text(from, to) : object?.name;
  // "Open the air and let it run": the pump runs, and no air.
  // "Let the wine run into a bucket" drains it.
  const isFlow =
    happens === 'run' && /^(?:into|out|off|through|down)$/.test(sentence.lows[aboutEnd] ?? '') && !object?.pronoun;
  // "Drain plug out, let it run": what runs comes out of it.
  const runsOut = happens === 'run' && object?.pronoun === true && DRAINS.test(meant || before);
  const isRun = /^(?:run|cycle)$/.test(happens) && !isFlow && !runsOut;
  const it = isRun ? (/\b(?:pump|motor|engine|machine|unit)$/.test(meant) ? meant : '') : meant || before;
  // "Crack the drain plug and let it empty": the pump.
  const drains =
    isFlow ||
    runsOut ||
    /^(?:drain|flow|empty|run (?:out|off|dry|empty))/.test(happens) ||
    (object?.pronoun === true && happens === 'drip' && !/\b(?:gland|packing|box)s?$/.test(meant || before));
  const isOfPlug = drains && /\b(?:plug|cock|valve|tap|screw|nut|cap|hose|pipe|line)s?$/.test(it);
  const about = object?.pronoun && it !== '' ? (isOfPlug ? 'the pump' : it) : thing;
  const end = named?.end ?? aboutEnd;
  const flowed =
    /^let (?:the |all the |any |old )*((?:\w+ )?(?:oil|water|liquid|coolant|fluid|product|fuel|lubricant)) (?:run|drip|go) (?=into|in )/.exec(
      told,
    )?.[1];
  if (flowed) return { verb: 'drain', about: flowed, aboutEnd };
  if (isRun)
    return {
      verb: 'test',
      about: `${happens} ${about === undefined || about === 'it' ? 'the pump' : about}`,
      aboutEnd: end,
    };
  return {
    verb: drains ? 'drain' : 'wait',
    ...(about && {
      about: drains && about === 'it' ? 'the pump' : about,
      aboutEnd: end,
      how: drains ? undefined : happens,
    }),
  };
}

const RELAXES = /^(?:relax|decompress|expand)$/;
const HAPPENS =
  /\b(?:(?:air|drip)[- ]dry|relax|decompress|expand|(?:slip|fall|drop|slide|pop|come) (?:out|off)|run (?:out|off|dry|empty)|run|cycle|empty|drain (?:out|off|away)|drain|flow (?:out|off|away)|cure|dry|set|cool (?:down|off)|cool|stand|soak|settle|harden|warm up|drip (?:off|out)|drip|bleed (?:down|off)|vent|depressuri[sz]e|go cold)\b/;

const WEARS =
  /\b(?:seals?|o-?rings?|rings?|gaskets?|packings?|bearings?|washers?|diaphragms?|filters?|screens?|pins?|kit|brushes|belts?|springs?|vanes?|hoses?|poppets?|seats?|leathers?|wipers?)$/;

const DRAINS = /\bdrain (?:plug|cock|tap|valve|screw)s?$|^drains?$/;

const LOCKED_WITH = /^lock (?:(?:it|them|both|all) )?with (?:an? |the |new )*(?:locking |safety |steel )?wires?\b/;

const HOLDS_TIGHT =
  /\b(?:clamp|clip|latch|catch|brake|strap|band|grip|jaw|chuck|collet|belt|chain|nut|bolt|screw)s?$|^(?!.*spring).*tension$/;
