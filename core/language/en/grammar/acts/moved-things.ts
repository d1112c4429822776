import { torqueAt } from '../names/figures';
import { isJoint } from '../names/name-ends';
import { type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import { isPartLike, isPartOrShort } from '../names/short-names';
import * as lexicon from '../words/lexicon';
import { WAY_BEFORE_PLACE } from '../words/operations';
import { BESIDE_THE_PUMP } from './beside-the-pump';
import { BY_HAND, FASTENER, LOCKS, lockedOut, type Meant, POWERED } from './meant';
import type { Case, Moving } from './moving';
import { plainVerb } from './plain-verb';
import { TURNED_AND_SET } from './turned-and-set';
import { placeBehind } from './ways';

/** What is moved, or where, decides what such a verb means, before any way does; the first that fits. */
const CASES: readonly Case[] = [
  {
    name: 'looked at, and shut: as plain verbs',
    means: ({ reading, sentence, phrase, ways, objectText, object, at, told }) => {
      const verb = phrase === 'look' ? 'inspect' : phrase === 'shut' ? 'close-valve' : undefined;
      if (verb === undefined || ways.length > 0) return undefined;
      return plainVerb(reading, sentence, verb, phrase, objectText, object, at, told) ?? 'asked';
    },
  },
  {
    name: '"raise the shaft with the fork": up a little, or off',
    means: ({ sentence, phrase, ways, object, objectText, at }) => {
      const isFar = /^(?:by|as far as)\b/.test(sentence.lows.slice(at).join(' '));
      if (phrase !== 'raise' || ways.length > 0 || !object || object.pronoun || isFar) return undefined;
      if (LIFTED_OFF.test(objectText)) return undefined;
      return placeBehind(sentence, at) === 'out' ? { verb: 'take-off' } : 'asked';
    },
  },
  {
    name: '"back it off" loosens; "back it right off" goes on until it is out',
    means: ({ phrase, told }) => {
      if (phrase !== 'back' || !/\boff\b/.test(told)) return undefined;
      return { verb: /\b(?:right|completely|fully|all the way) off\b/.test(told) ? 'take-off' : 'loosen' };
    },
  },
  {
    name: '"crack the air open", "crack the drain cock": open it a little',
    means: ({ reading, sentence, phrase, object, objectText, at, told }) => {
      if (phrase !== 'crack') return undefined;
      if (sentence.lows[at] === 'open' && object && !FASTENER.test(objectText))
        return {
          verb: 'open-valve',
          aboutEnd: at,
          about: sentence.text(at - object.words.length, at),
          how: 'a little',
        };
      const isDrain = object?.known?.kind !== 'part' && /\b(?:drain|bleeder)$/.test(objectText);
      if (!isDrain && !/\b(?:cock|valve|tap|vent)s?$/.test(objectText)) return undefined;
      return plainVerb(reading, sentence, 'split', 'open', objectText, object, at, told) ?? 'asked';
    },
  },
  {
    name: '"hook it up"',
    means: ({ phrase, ways }) => (phrase === 'hook' && ways.includes('up') ? { verb: 'connect' } : undefined),
  },
  {
    name: '"take the washer with it": off as well',
    means: ({ sentence, phrase, ways, object, at }) => {
      const [, along] = /^with (it|them)$/.exec(sentence.lows.slice(at, at + 2).join(' ')) ?? [];
      return phrase === 'take' && ways.length === 0 && object && !object.pronoun && along
        ? { verb: 'take-off', aboutEnd: at + 2 }
        : undefined;
    },
  },
  {
    name: '"hose off pump": washed, or its hose taken off',
    means: ({ phrase, told }) =>
      phrase === 'hose' && /^hose off (?!the|it|them|all|both|your)/.test(told) ? 'asked' : undefined,
  },
  {
    name: '"run for five minutes", "run dry"',
    means: ({ sentence, phrase, ways, told }) => {
      const run = sentence.lows.indexOf('run');
      const isTimed = phrase === 'run' && sentence.words[run + 1]?.value !== undefined;
      const isRun = (isTimed || /^run (?:dry|empty|unloaded|for|at|without)\b/.test(told)) && ways.length === 0;
      return isRun ? { verb: 'test', about: 'run', aboutEnd: run + 1 } : undefined;
    },
  },
  {
    name: 'pulled or pushed through: it may come out or go in',
    means: ({ sentence, phrase, ways, object, at }) => {
      if (ways.length > 0 || sentence.lows[at] !== 'through' || /^(?:turn|rotate|bar)$/.test(phrase)) return undefined;
      // "Push the rod through from the left": through what, and so which way, is not said.
      const isThroughNothing = object?.known?.kind !== 'substance' && isJoint(sentence.words[at + 1]);
      return /^(?:pull|draw)$/.test(phrase) || isThroughNothing ? 'asked' : undefined;
    },
  },
  {
    name: '"take the pressure off"',
    means: ({ phrase, objectText, at }) =>
      /\bpressure$/.test(objectText) && /^(?:drop|lower|take|get|run|work|bring)$/.test(phrase)
        ? { verb: 'release-pressure', aboutEnd: at }
        : undefined,
  },
  {
    name: '"push the stop button"',
    means: ({ phrase, objectText }) => {
      if (!/^(?:press|push|hit|knock)$/.test(phrase) || !BUTTON.test(objectText)) return undefined;
      return /\bstop\b/.test(objectText) ? { verb: 'isolate' } : 'asked';
    },
  },
  {
    name: '"squeeze the trigger until no more water comes"',
    means: ({ phrase, ways, objectText, at }) =>
      /^(?:squeeze|pull|press)$/.test(phrase) && ways.length === 0 && /\b(?:trigger|gun|lance)$/.test(objectText)
        ? { verb: 'release-pressure', aboutEnd: at, how: `${phrase} the ${objectText}` }
        : undefined,
  },
  {
    name: '"tip the oil into a tin"',
    means: ({ sentence, phrase, object, at }) =>
      /^(?:tip|tilt)$/.test(phrase) && isPoured(object)
        ? { verb: 'drain', aboutEnd: at, about: sentence.text(at - (object?.words.length ?? 0), at) }
        : undefined,
  },
  {
    name: '"bump the motor", "run the pump", "start it"',
    means: ({ phrase, ways, object, objectText, at, told }) => {
      const isBumped = MACHINE.test(objectText) || (object?.pronoun && /\bfor (?:rotation|direction)\b/.test(told));
      if (phrase === 'bump' && isBumped && ways.length === 0)
        return { verb: 'test', about: `bump ${object?.pronoun ? 'the pump' : objectText}`, aboutEnd: at };
      if (!/^(?:run|start)$/.test(phrase)) return undefined;
      if (MACHINE.test(objectText)) return { verb: 'test' };
      const isIt = object?.pronoun === true && !FASTENER.test(objectText);
      return isIt && !ways.includes('out') && (phrase === 'run' || !BY_HAND.test(told))
        ? { verb: 'test', keepWay: true }
        : undefined;
    },
  },
  {
    name: 'locks and tags: "take your lock off", "put your lock on the valve"',
    means: ({ reading, sentence, phrase, object, objectText, at }) => {
      if (!LOCKS.test(objectText)) return undefined;
      if (/^(?:remove|take|unfasten)$/.test(phrase)) return { verb: 'restore' };
      return /^(?:put|place|clip|snap)$/.test(phrase) ? lockedOut(reading, sentence, object, at) : undefined;
    },
  },
  {
    name: '"draw it down with the six bolts": they are tightened',
    means: ({ sentence, phrase, ways, object, at }) => {
      const [way] = ways.filter((one) => /^(?:down|up|together|in)$/.test(one));
      const isDrawn = /^(?:pull|draw|bring|take)$/.test(phrase) && way !== undefined;
      const by =
        isDrawn && /^(?:with|by|using)$/.test(sentence.lows[at] ?? '') ? nounPhraseAt(sentence, at + 1) : undefined;
      if (!by || !FASTENER.test(by.phrase.words.join(' '))) return undefined;
      const isNamed = object !== undefined && !object.pronoun;
      return { verb: 'torque', isByWhat: true, ...(isNamed && { how: `to ${phrase} the ${object.name} ${way}` }) };
    },
  },
  {
    name: '"pull the bolts down evenly"; a sleeve is pulled up and out',
    means: ({ phrase, ways, objectText, told }) =>
      /^(?:pull|draw)$/.test(phrase) && ways.some((way) => way === 'up' || way === 'down') && FASTENER.test(objectText)
        ? { verb: BY_HAND.test(told) ? 'start-by-hand' : 'torque' }
        : undefined,
  },
  {
    name: '"start at 1 bar": the pump; "start the nuts", "wind the screw in": by hand',
    means: ({ sentence, phrase, ways, objects, objectText, at }) => {
      if (phrase === 'wind' && ways.includes('in') && FASTENER.test(objectText)) return { verb: 'start-by-hand' };
      if (phrase !== 'start' || ways.length > 0) return undefined;
      const isPump = objects.length === 0 && /^(?:at|in|)$/.test(sentence.lows[at] ?? '');
      return isPump ? { verb: 'test', about: 'start', aboutEnd: at } : { verb: 'start-by-hand' };
    },
  },
  {
    name: '"turn the sprayer off": what gives power, or is no part and has no thread, is switched',
    means: ({ phrase, ways, object, objectText }) => {
      if (!/^(?:turn|switch)$/.test(phrase)) return undefined;
      const isOther = object && object.known === undefined && !object.pronoun && !FASTENER.test(objectText);
      if (!POWERED.test(objectText) && !isOther) return undefined;
      if (ways.includes('out')) return { verb: 'isolate' };
      return ways.includes('on') ? { verb: 'restore' } : undefined;
    },
  },
  {
    name: '"knock the power off", "put the juice back on": switched',
    means: ({ phrase, ways, objectText }) => {
      if (!/^(?:power|mains|electricity|juice|current|breaker|main supply|power supply)$/.test(objectText))
        return undefined;
      if (ways.includes('out') && !/^(?:lock|tag)/.test(phrase)) return { verb: 'isolate' };
      return ways.some((way) => way === 'on' || way === 'back') ? { verb: 'restore' } : undefined;
    },
  },
  {
    name: '"pull the fuses", "pull the plug"',
    means: ({ reading, sentence, phrase, object, objectText, at }) => {
      if (!/^(?:pull|remove|take|draw)$/.test(phrase)) return undefined;
      const isPlug = phrase === 'pull' && objectText === 'plug' && object && at >= sentence.words.length;
      return MAINS_PLUG.test(objectText) ||
        /\bfuses?\b/.test(objectText) ||
        (isPlug && !isPartOrShort(object, reading.series))
        ? { verb: 'isolate' }
        : undefined;
    },
  },
  {
    name: '"put grease on it"',
    means: ({ sentence, phrase, object, at }) => {
      if (!isPoured(object) || !/^(?:put|lay|run|squeeze|spread|place|drop|work|wind)$/.test(phrase)) return undefined;
      // "Round the face" says where it goes, and no way.
      const isRound = /^(?:round|around|over)$/.test(sentence.lows[at - 1] ?? '') && !isJoint(sentence.words[at]);
      return { verb: 'apply-compound', ...(isRound && { aboutEnd: at - 1 }) };
    },
  },
  {
    name: 'put away from the pump: "lay it on the bench", "set it in the vice", "place it on a cloth"',
    means: ({ reading, sentence, phrase, ways, where, bench, isFacing }) => {
      if (
        !/^(?:set|place|lay|lower|land|put|stand|rest|position|lift|hoist|carry)$/.test(phrase) ||
        !/^(?:on|onto|in|down|over|upside|upright)/.test(sentence.lows[where] ?? '') ||
        ways.includes('aside')
      )
        return undefined;
      if (lexicon.VICE.test(bench) && /^(?:in|into|between)$/.test(sentence.lows[where] ?? '')) return { verb: 'hold' };
      if (lexicon.CLOTH.test(bench)) return { verb: isFacing ? 'lay' : 'put-aside' };
      // "On the block", where there is a cylinder block, is in the pump.
      const on = nounPhraseAt(sentence, where + 1)?.phrase;
      const isBlock = on !== undefined && !on.pronoun && /\bblock$/.test(on.name);
      const isOnPart = isBlock && (lexicon.PUMPS_BLOCK.test(on.name) || isPartOrShort(on, reading.series));
      return lexicon.BENCH.test(bench) && !isOnPart ? { verb: 'lay' } : undefined;
    },
  },
  {
    name: '"set the impeller in the middle", "set it axially": adjusted there',
    means: ({ phrase, ways, told }) =>
      /^(?:set|position)$/.test(phrase) &&
      ways.length === 0 &&
      /\b(?:axially|radially)\b|\bin the (?:middle|centre|center)\b/.test(told)
        ? { verb: 'adjust' }
        : undefined,
  },
  {
    name: '"stand the pump on the ring: the whole of it goes into nothing',
    means: ({ reading, sentence, phrase, ways, objectText, where }) => {
      const isWhole = ways.length === 0 && /^(?:pump|unit|machine)$/.test(objectText);
      if (!isWhole || !/^(?:set|place|lay|put|stand|rest|position)$/.test(phrase)) return undefined;
      const on = /^(?:on|onto)$/.test(sentence.lows[where] ?? '') ? nounPhraseAt(sentence, where + 1) : undefined;
      const isTool = on && (on.phrase.known?.kind === 'tool' || lexicon.isToolName(on.phrase.words));
      return on && (isTool || !isPartLike(on.phrase, reading.series)) ? { verb: 'lay' } : undefined;
    },
  },
  {
    name: '"pull it tight": tightened, and not out',
    means: ({ sentence, phrase, ways, at }) =>
      /^(?:pull|draw|bring|snap|wind)$/.test(phrase) &&
      ways.length === 0 &&
      /^(?:up )?tight\b/.test(sentence.lows.slice(at).join(' '))
        ? { verb: 'torque' }
        : undefined,
  },
  {
    name: '"slack the clamp and slide it back over the liner": out of the way',
    means: ({ reading, phrase, object, told }) => {
      const isSlack = object?.pronoun === true && /^(?:loosen|disconnect)$/.test(reading.acts.at(-1)?.verb ?? '');
      return isSlack &&
        /^(?:slide|slip|push|roll|move)$/.test(phrase) &&
        /\bback (?:over|along|up|onto|on)\b/.test(told)
        ? { verb: 'move', keepWay: true }
        : undefined;
    },
  },
  {
    name: '"bolt the housing to the bracket": put there, with whatever holds it',
    means: ({ reading, sentence, phrase, ways, object, objectText, at }) =>
      /^(?:bolt|screw)$/.test(phrase) &&
      ways.length === 0 &&
      object &&
      !FASTENER.test(objectText) &&
      sentence.lows[at] === 'to' &&
      isPartLike(nounPhraseAt(sentence, at + 1)?.phrase ?? object, reading.series)
        ? { verb: 'fit' }
        : undefined,
  },
  ...BESIDE_THE_PUMP,
  ...TURNED_AND_SET,
  {
    name: '"push up on the clip": on what, and not on to what',
    means: ({ told }) => {
      const [, upOrDown] = /^(?:push|press|pull|lift) (up|down) on\b/.exec(told) ?? [];
      return upOrDown ? { verb: 'move', how: upOrDown } : undefined;
    },
  },
  {
    name: '"knock the tab back"',
    means: ({ phrase, ways, objectText }) =>
      /^(?:knock|tap|hammer|flatten|push|press|lever|pry|prise)$/.test(phrase) &&
      TABS.test(objectText) &&
      ways.some((way) => /^(?:back|down|over|up)$/.test(way))
        ? { verb: 'bend', keepWay: true }
        : undefined,
  },
  {
    name: '"pull the shaft with its bearings through the left side": out or in',
    means: ({ sentence, phrase, ways, at, told }) => {
      const isThrough =
        /^(?:pull|draw|drag|push|drive)$/.test(phrase) &&
        ways.length === 0 &&
        placeBehind(sentence, at) === 'in' &&
        firstPlace(sentence, at) === 'through';
      return isThrough && !/\bthrough (?:the )?\w+ ?(?:until|into|onto)\b/.test(told) ? 'asked' : undefined;
    },
  },
  {
    name: '"ease off the nuts": loosened, and still there',
    means: ({ phrase, told, objectText }) =>
      phrase === 'ease' && /\boff\b/.test(told) && FASTENER.test(objectText) ? { verb: 'loosen' } : undefined,
  },
  {
    name: '"unhook the cable": disconnected',
    means: ({ phrase, objectText }) =>
      /^un(?:hook|clip)$/.test(phrase) && /\b(?:cable|hose|line|lead|wire|connector|plug)s?$/.test(objectText)
        ? { verb: 'disconnect' }
        : undefined,
  },
  {
    name: '"set the nuts to 24 N·m"',
    means: ({ sentence, phrase, objectText, at }) =>
      /^(?:set|bring|take)$/.test(phrase) &&
      FASTENER.test(objectText) &&
      sentence.lows[at] === 'to' &&
      torqueAt(sentence, at + 1)
        ? { verb: 'torque' }
        : undefined,
  },
  {
    name: '"set the pressure to 12 bar"; "set the screw back to its mark": turned to where it was',
    means: ({ sentence, phrase, ways, object, objectText, at, told }) => {
      if (phrase !== 'set') return undefined;
      if (ways.includes('back') && TO_WHERE_IT_WAS.test(told)) return { verb: 'turn', keepWay: true };
      const isSet = ways.every((way) => way === 'back') && object && !object.pronoun;
      return isSet && isAdjusted(objectText, sentence.lows.slice(at).join(' ')) ? { verb: 'adjust' } : undefined;
    },
  },
  {
    name: '"slide it up from the bottom": put in, or pushed out; "up and over the stack": off it, or on it',
    means: ({ movement, told }) => {
      const isFrom = /\b(?:up|down|through) from (?:the )?(?:bottom|top|below|above|underneath)\b/.test(told);
      const isOver = /\b(?:up(?: and)?|down and) over (?:the|its|it)\b/.test(told);
      return (isFrom && movement.ways.in === 'fit') || (isOver && movement.ways.out === 'draw') ? 'asked' : undefined;
    },
  },
  {
    name: '"lower it by half": it moves, and is not put anywhere',
    means: ({ sentence, phrase, at }) =>
      /^(?:lower|raise|lift)$/.test(phrase) &&
      /^(?:by (?!hand\b)|as far as (?:it|they)\b)/.test(sentence.lows.slice(at).join(' '))
        ? { verb: 'move', how: phrase }
        : undefined,
  },
];

/** What a verb means of which what is moved, or where, decides; undefined where its way does. */
export function meantByWhatMoves(moving: Moving): Meant | 'asked' | undefined {
  for (const { means } of CASES) {
    const meant = means(moving);
    if (meant) return meant;
  }
  return undefined;
}

function isPoured(object: NounPhrase | undefined): boolean {
  return object !== undefined && lexicon.isSubstance(object.words) && object.known?.kind !== 'part';
}

/** The word by which it is known where something goes. */
function firstPlace({ lows }: Sentence, start: number): string | undefined {
  return lows.slice(start).find((low) => WAY_BEFORE_PLACE[low] !== undefined);
}

/** What is raised with a crane comes off. */
const LIFTED_OFF =
  /\b(?:head|casing|cover|half|motor|housing|lid|bonnet|frame|body|unit|block|manifold|chamber|top|bell|bracket)s?$/;

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

const BUTTON = /\b(?:e-?stop|emergency stop|(?:stop |start |reset )?(?:button|switch))$/;
const TO_WHERE_IT_WAS =
  /\bback to (?:the|its|their) (?:\w+ )?(?:numbers?|marks?|settings?|positions?|height|depth|figure|same)\b/;
const TABS = /\b(?:tab|lock|locking|lockwasher|tongue)(?: (?:washer|plate))?s?$|\btabs?\b/;
const MAINS_PLUG = /\b(?:mains|power|supply) (?:plug|lead|cord|cable)s?$/;
export const MACHINES = 'pump|motor|engine|machine|unit|drive|set';
const MACHINE = new RegExp(`\\b(?:${MACHINES})$`);
