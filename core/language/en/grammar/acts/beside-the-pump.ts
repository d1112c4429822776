import { nounPhraseAt } from '../names/noun-phrase';
import { isPartOrShort } from '../names/short-names';
import * as lexicon from '../words/lexicon';
import { attended } from './meant';
import type { Case } from './moving';
import { placeBehind } from './ways';

/** What is stood, held or put beside the pump: nothing of it goes anywhere in it. */
export const BESIDE_THE_PUMP: readonly Case[] = [
  {
    name: '"stand it upright": how it lies, and nowhere in the pump',
    means: ({ sentence, phrase, ways, object, at }) =>
      /^(?:stand|set|put|position|place)$/.test(phrase) &&
      ways.length === 0 &&
      object &&
      /^(?:upright|straight|on end|vertically|horizontally|flat)\b/.test(sentence.lows.slice(at, at + 2).join(' ')) &&
      !/^(?:in|on)$/.test(placeBehind(sentence, at + 1) ?? '')
        ? { verb: 'lay' }
        : undefined,
  },
  {
    name: '"lay them ready": put aside',
    means: ({ sentence, phrase, ways, at }) =>
      /^(?:lay|put|set|place)$/.test(phrase) &&
      ways.every((way) => way === 'out') &&
      /^ready\b/.test(sentence.lows.slice(at).join(' '))
        ? { verb: 'put-aside', how: 'ready', aboutEnd: at + 1 }
        : undefined,
  },
  {
    name: '"put the shaft between centres": held there',
    means: ({ sentence, phrase, ways, at }) =>
      /^(?:put|set|place|mount|lay|rest)$/.test(phrase) &&
      ways.length === 0 &&
      ON_BLOCKS.test(sentence.lows.slice(at).join(' '))
        ? { verb: 'hold' }
        : undefined,
  },
  {
    name: '"roll the shaft on two V-blocks": turned on them',
    means: ({ sentence, phrase, ways, object, at }) =>
      object &&
      /^(?:roll|turn|spin|rotate)$/.test(phrase) &&
      ways.length === 0 &&
      ON_BLOCKS.test(sentence.lows.slice(at).join(' '))
        ? { verb: 'turn', about: `the ${object.name}`, aboutEnd: at }
        : undefined,
  },
  {
    name: '"put a tray under the drain plug": beside the pump, and nothing of it is moved',
    means: ({ sentence, phrase, ways, object, at, told }) =>
      /^(?:put|place|lay|set|position|stand)$/.test(phrase) &&
      ways.length === 0 &&
      /^(?:under|underneath|below|beneath|around|round|beside|next|in front|behind)\b/.test(
        sentence.lows.slice(at).join(' '),
      ) &&
      object?.known?.kind !== 'part' &&
      lexicon.isToolName(object?.words ?? [])
        ? attended(sentence, told)
        : undefined,
  },
  {
    name: '"hook the sling around the frame": what it hangs on is held',
    means: ({ sentence, phrase, object, objectText, at }) => {
      const behindWay = /^(?:around|round|over|on)$/.test(sentence.lows[at - 1] ?? '') ? at - 1 : at;
      const isRoundPart = /^(?:around|round|through|under|to|over|on|onto)$/.test(sentence.lows[behindWay] ?? '');
      return isRoundPart &&
        /^(?:hook|put|place|pass|loop|feed|run|lay|slip)$/.test(phrase) &&
        object?.known?.kind !== 'part' &&
        SLINGS.test(objectText)
        ? { verb: 'hold', aboutEnd: behindWay }
        : undefined;
    },
  },
  {
    name: '"thread the rings on a wire": kept together',
    means: ({ reading, sentence, phrase, at }) => {
      const place = /^(?:on|onto)$/.test(sentence.lows[at] ?? '') ? at : at - 1;
      const isStrung = STRUNG.test(sentence.lows.slice(place).join(' '));
      const on = isStrung ? nounPhraseAt(sentence, place + 1)?.phrase : undefined;
      return on &&
        !isPartOrShort(on, reading.series) &&
        /^(?:thread|string|put|hang|slide|slip|place|stack|wire|tie)$/.test(phrase)
        ? { verb: 'put-aside' }
        : undefined;
    },
  },
  {
    name: '"put a wedge between the rotors": they are held with it',
    means: ({ sentence, phrase, ways, object, at }) => {
      const isTool = object?.known?.kind === 'tool' || BLOCKS.test(object?.words.at(-1) ?? '');
      const held = /^(?:between|against)$/.test(sentence.lows[at] ?? '') ? nounPhraseAt(sentence, at + 1) : undefined;
      return isTool &&
        ways.length === 0 &&
        held &&
        /^(?:put|place|stick|slip|drive|jam|lay|set|slide|push)$/.test(phrase)
        ? { verb: 'hold', aboutEnd: at }
        : undefined;
    },
  },
];

const ON_BLOCKS = /^(?:on|between|in) (?:two |the |a pair of )?(?:v-?blocks|centres|centers|rollers|knife edges)\b/;
const STRUNG = /^(?:on|onto) (?!the )(?:a |some )?(?:\w+ )?(?:wire|rod|string|cord|cable tie|zip tie|stick|dowel)\b/;
const BLOCKS = /^(?:wedges?|blocks?|bars?|rags?|wood|timber|chocks?)$/;
const SLINGS = /\b(?:slings?|straps?|chains?|ropes?|hoist|shackles?)$/;
