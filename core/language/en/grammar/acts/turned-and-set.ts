import { unitOf } from '../../../../quantity/units';
import { measureAt } from '../names/figures';
import { nounPhraseAt } from '../names/noun-phrase';
import { isPartLike } from '../names/short-names';
import { FASTENER } from './meant';
import type { Case } from './moving';

/** What is set by turning it, laid on its side, put as far as a shoulder, or moved so far and no further. */
export const TURNED_AND_SET: readonly Case[] = [
  {
    name: '"put the O-rings in the bin": thrown away',
    means: ({ sentence, phrase, ways, at }) =>
      /^(?:put|drop|place|lay|set)$/.test(phrase) &&
      ways.length === 0 &&
      /^(?:straight )?(?:in|into|on|onto) the (?:scrap|waste|rubbish|trash|garbage)?(?: ?(?:bin|skip|heap)|(?<=scrap|waste|rubbish|trash|garbage)(?: box| can)?)\b/.test(
        sentence.lows.slice(at).join(' '),
      )
        ? { verb: 'discard' }
        : undefined,
  },
  {
    name: '"lift the shaft 1.5 mm with the fork": moved so far',
    means: ({ sentence, phrase, ways, object, at }) => {
      const isMoved = /^(?:lift|raise|lower|push|pull|slide|move)$/.test(phrase) && object !== undefined;
      const isUpOrDown = ways.every((way) => way === 'up' || way === 'down');
      const far = isMoved && isUpOrDown ? measureAt(sentence, at) : undefined;
      return far && unitOf(far.unit).dimension === 'length'
        ? { verb: 'move', how: [phrase, ...ways].join(' ') }
        : undefined;
    },
  },
  {
    name: '"drive shaft in": driven in, or the drive shaft put in',
    means: ({ sentence, phrase, object, at }) => {
      const named = sentence.words.findIndex(({ from }) => from === object?.from);
      const isBare = phrase === 'drive' && object && named > 0 && sentence.lows[named - 1] === 'drive' && named < at;
      return isBare && object.fromCount === undefined && DRIVES.test(object.name) ? 'asked' : undefined;
    },
  },
  {
    name: '"unlock and run": the pump',
    means: ({ sentence, phrase, ways, objects, at }) =>
      phrase === 'run' && ways.length === 0 && objects.length === 0 && at >= sentence.words.length
        ? { verb: 'test', about: 'run', aboutEnd: at }
        : undefined,
  },
  {
    name: '"pull the gear on the end of the shaft": which gear, or where to',
    means: ({ sentence, phrase, ways, at }) =>
      /^(?:pull|draw|drag)$/.test(phrase) &&
      ways.length === 0 &&
      /^on (?:the )?(?:end|top|side|front|back) of\b/.test(sentence.lows.slice(at).join(' '))
        ? 'asked'
        : undefined,
  },
  {
    name: '"draw the motor straight back": off, or out of the way',
    means: ({ phrase, ways, told }) =>
      /^(?:pull|draw|slide)$/.test(phrase) && ways.includes('back') && /\bstraight back\b/.test(told)
        ? 'asked'
        : undefined,
  },
  {
    name: '"turn the knob to zero": set',
    means: ({ sentence, phrase, ways, objectText, at }) =>
      /^(?:turn|rotate|wind|bring|take)$/.test(phrase) &&
      ways.length === 0 &&
      SET_BY_TURNING.test(objectText) &&
      /^(?:back )?to\b/.test(sentence.lows.slice(at).join(' '))
        ? { verb: 'adjust' }
        : undefined,
  },
  {
    name: '"turn the pump on its back": how it lies',
    means: ({ sentence, phrase, ways, at }) =>
      /^(?:turn|rotate|roll|flip|tip|swing|put)$/.test(phrase) &&
      ways.every((way) => way === 'over') &&
      (phrase === 'put' ? ON_ITS_OWN_SIDE : ON_ITS_SIDE).test(sentence.lows.slice(at).join(' '))
        ? { verb: 'lay' }
        : undefined,
  },
  {
    name: '"turn the stator onto the rotor": put on by turning',
    means: ({ reading, sentence, phrase, ways, object, objectText, at }) =>
      /^(?:turn|rotate|twist)$/.test(phrase) &&
      ways.length === 0 &&
      object &&
      !FASTENER.test(objectText) &&
      sentence.lows[at] === 'onto' &&
      isPartLike(nounPhraseAt(sentence, at + 1)?.phrase ?? object, reading.series)
        ? { verb: 'fit' }
        : undefined,
  },
  {
    name: '"slide the bearing against the shoulder": put there, as far as that',
    means: ({ sentence, phrase, ways, at }) =>
      /^(?:slide|push|press|bring|set|tap|drive)$/.test(phrase) &&
      ways.length === 0 &&
      /^(?:(?:right|firmly|hard|home) )?(?:up )?against (?:the|its|their) (?:[\w-]+ )?(?:shoulder|stop|step|collar|register|end|face)\b/.test(
        sentence.lows.slice(at).join(' '),
      )
        ? { verb: /^(?:slide|bring|set)$/.test(phrase) ? 'fit' : 'press' }
        : undefined,
  },
  {
    name: '"bring the liner up to the shoulder": put there, as far as that',
    means: ({ phrase, ways, object, told, reading }) =>
      phrase === 'bring' &&
      ways.length === 0 &&
      object &&
      isPartLike(object, reading.series) &&
      /\bup to the\b/.test(told)
        ? { verb: 'fit' }
        : undefined,
  },
];

/** What is turned to set something. */
export const SET_BY_TURNING = /\b(?:knob|dial|stroke|setting|selector|regulator|handwheel|wheel|pointer|micrometer)$/;

const ON_ITS_SIDE =
  /^(?:on|onto) (?:its|the|their) (?:(?:left|right|other|flat|drive|motor|suction|discharge|front|rear) )?(?:side|back|end|head|face|top|belly|nose|feet)\b/;

/** What there is in a drive, and may be driven as well. */
const DRIVES = /^(?:shaft|gear|end|belt|coupling|pin|screw|rotor|hub|pulley|chain|plate|magnet|wheel|key)s?$/i;

const ON_ITS_OWN_SIDE = /^(?:on|onto) (?:its|their) /;
