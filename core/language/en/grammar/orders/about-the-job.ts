import { wordsOf } from '../words/words';
import { type Piece, wordsIn } from './piece';
import type { Turn } from './turns-of-speech';

/** Work about the job and not at a part: oil that is changed, a supply that is locked, what one wears. */
export const ABOUT_THE_JOB: readonly Turn[] = [
  {
    name: '"change the crankcase oil, 1.2 litres of SAE 30": drained, and filled again',
    put: ({ piece, at, said }) => {
      const change = OIL_CHANGE.exec(said);
      if (!change || !piece.mayOrder(at)) return false;
      const [all, , place = '', oil = 'oil'] = change;
      const length = wordsIn(all.trim());
      const behind = piece.words.slice(at + length);
      const amount = AMOUNT.exec(piece.lows(at + length));
      const used = amount ? wordsIn(amount[0].trim()) : 0;
      const stuff = amount
        ? behind.slice(amount[0].startsWith(',') ? 1 : 0, used)
        : put(piece, at + length - 1, `new ${oil}`);
      const where = place.trim() ? `the ${place.trim()}` : '';
      piece.words.splice(at, 1, piece.as(at, 'drain'));
      piece.words.splice(at + length, used, ...put(piece, at + length - 1, `and fill ${where} with`), ...stuff);
      return true;
    },
  },
  {
    name: '"power off, locked": switched off and locked out',
    put: ({ piece, at, said, before }) => {
      const locked = /^(?:, |and )+(?:pad)?locked(?: out| off)?(?: and tagged| , tagged)?(?= ?[,.;]|$)/.exec(said)?.[0];
      if (locked === undefined || !/\b(?:off|isolated|dead)$/.test(before.join(' '))) return false;
      if (!/\b(?:power|mains|supply|breaker|isolator|switch|motor|pump)\b/.test(before.join(' '))) return false;
      piece.words.splice(at, wordsIn(locked), ...put(piece, at - 1, 'and lock it out'));
      return true;
    },
  },
  {
    name: '"check it\'s dead": tested',
    put: ({ piece, at, said }) => {
      const dead =
        /^(?:check|prove|test|confirm|verify)(?: that)? (?:it's|everything's|it all is) dead(?= ?[,.;]|$)/.exec(
          said,
        )?.[0];
      if (dead === undefined) return false;
      piece.words.splice(at, wordsIn(dead), ...put(piece, at, 'test that it is dead'));
      return true;
    },
  },
  {
    name: '"blow the line down": let the pressure out',
    put: ({ piece, at, said }) => {
      const [all, thing = ''] =
        /^blow (?:down )?((?:the|your) (?:\w+ )?(?:line|pump|system|vessel|circuit|lines)) ?(?:down)?(?= |$)/.exec(
          said,
        ) ?? [];
      if (all === undefined || !/\bdown\b/.test(all)) return false;
      piece.words.splice(at, wordsIn(all.trim()), ...put(piece, at, `depressurise ${thing}`));
      return true;
    },
  },
  {
    name: '"gloves and goggles on": worn',
    put: ({ piece, at, said, before }) => {
      const put = WEARS.exec(said)?.[0];
      if (put !== undefined) {
        piece.words.splice(at + wordsIn(put) - 1, 1);
        piece.words[at] = piece.as(at, 'wear');
        return true;
      }
      const worn = WORN.exec(said)?.[0];
      if (worn === undefined || !/^(?:|,|[.;:–-])$/.test(before.at(-1) ?? '')) return false;
      const on = at + wordsIn(worn);
      piece.words.splice(on, 1);
      piece.words.splice(at, 0, piece.as(at, 'wear', true));
      return true;
    },
  },
];

/** "Put your glasses on". */
const WEARS =
  /^(?:put|get|have) (?:your|safety|some) (?:[\w-]+ )?(?:gloves|goggles|glasses|mask|apron|visor|ear defenders) on(?= ?[,.;]|$| and )/;

const OIL_CHANGE =
  /^(?:change|renew|replace|swap) (the|your|its) ((?:[a-z-]+ ){0,2}?)(oil|coolant|grease oil|buffer fluid|barrier fluid|transmission fluid|hydraulic oil)(?: (?:as well|too|now|while you're (?:there|at it|in there)))*(?= ?[,.;]|$| and | with | for )/;
const WORN =
  /^(?:(?:safety|rubber|leather) )?(?:gloves|goggles|glasses|mask|apron|visor|ear defenders)(?: (?:,|and) (?:(?:safety|rubber|leather) )?(?:gloves|goggles|glasses|mask|apron|visor|ear defenders))*(?= on(?: ?[,.;]|$))/;
/** "1.2 litres of SAE 30", "for 2 l of fresh oil". */
const AMOUNT =
  /^(?:, |with |for )+(?:about |around )?[\d./]+ ?(?:ml|l|cc|litres?|liters?|pints?|quarts?|millilitres?) (?:of )?[\w -]+?(?= ?[,.;]|$)/;

function put(piece: Piece, at: number, text: string) {
  return wordsOf(text).map(({ low }) => piece.behind(at, low));
}
