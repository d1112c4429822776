import { verbOf } from '../../../../model/verbs';
import { type Construction, keep } from '../acts/place';
import type { OpenAct, Reading } from '../acts/reading';
import { torqueAt } from '../names/figures';
import { type KnownName, lastWordsOf, namesAt } from '../names/known-names';
import { isJoint } from '../names/name-ends';
import { STATE } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import { toolAt, toolOfBareNumberAt, toolOfSizeAt } from '../names/tools';
import * as lexicon from '../words/lexicon';
import { verbAt, WAY_WORDS } from '../words/operations';
import { NUMBERS } from '../words/words';
import { putOn, stuffAt, whereTo, withWhat } from './applied';
import { facing } from './facing';
import { KEPT_AS_SAID } from './kept-as-said';
import { MEASURES_SAID, OPENS_OR_CLOSES } from './measures-said';
import { MORE_PARTS } from './more-parts';
import { places } from './places';
import { SIGNS_SAID } from './signs-said';

/** Reads all that follows what is named; what is not understood is asked about. */
export function trailing(reading: Reading, sentence: Sentence, start: number, from: OpenAct): void {
  let at = start;
  let act = from;
  while (at < sentence.words.length) {
    const told = sentence.lows.slice(at).join(' ');
    const place = { reading, sentence, at, act, told };
    const begun = reading.acts.length;
    let end: number | undefined;
    for (const construction of CONSTRUCTIONS) {
      end = construction.read(place);
      if (end !== undefined) break;
    }
    if (end === undefined || end <= at) {
      reading.doubt('unread', sentence, at, sentence.words.length);
      return;
    }
    at = end;
    // "..., six screws, 10 N·m" goes on with the tightening.
    if (reading.acts.length > begun) act = reading.acts.at(-1) ?? act;
  }
}

const GOES_TO =
  /^(?:(?:and|then|,) )*(?:go(?: up| on)?|finish(?: off| up)?|end(?: up)?|bring (?:it|them)(?: up)?|take (?:it|them)(?: up)?) (?=(?:to|at|with) \d)/;

const CONSTRUCTIONS: readonly Construction[] = [
  ...MORE_PARTS,
  {
    name: 'something by itself: "the cover screw by screw" could be screw or cover',
    read: ({ reading, sentence, at }) => {
      if (sentence.lows[at] !== 'by' || sentence.lows[at - 1] !== sentence.lows[at + 1]) return undefined;
      reading.doubt('unread', sentence, at, sentence.words.length);
      return sentence.words.length;
    },
  },
  {
    name: 'the numbers of marks: "number the pistons one to nine"',
    read: ({ sentence, at, act, told }) => {
      const said = act.verb === 'mark' ? NUMBERED.exec(told)?.[0] : undefined;
      if (said === undefined) return undefined;
      const end = at + said.split(' ').length;
      act.how.push(sentence.text(at, end));
      return end;
    },
  },
  {
    name: 'another tool: "with a punch and hammer"',
    read: ({ sentence, at, act }) => {
      const more =
        sentence.lows[at] === 'and' && act.tools.length + act.applied.length > 0 ? toolAt(sentence, at + 1) : undefined;
      const isWithMore = sentence.lows[at] === 'and' && act.tools.length + act.applied.length > 0;
      const stuff = more || !isWithMore ? undefined : stuffAt(sentence, at + 1);
      if (stuff) act.applied.push(stuff.applied);
      if (more) act.tools.push(more.tool);
      return more?.end ?? stuff?.end;
    },
  },
  {
    name: 'a list going on with what was kept: "at top, middle and bottom"',
    read: ({ sentence, at, act }) => {
      const joint = sentence.lows[at] ?? '';
      const kept = act.how.at(-1);
      if (!/^(?:,|and|or)$/.test(joint) || kept === undefined || STATE.test(kept) || !isBareWord(sentence, at + 1))
        return undefined;
      act.how[act.how.length - 1] = `${kept}${joint === ',' ? ',' : ` ${joint}`} ${sentence.text(at + 1, at + 2)}`;
      return at + 2;
    },
  },
  {
    name: 'a remark in brackets: "(left-hand thread)"',
    read: ({ reading, sentence, at, act }) => {
      const close = sentence.lows[at] === '(' ? sentence.lows.indexOf(')', at) : -1;
      const isSize =
        /^[\d./]+ (?:mm|inch|in|cm)$/.test(sentence.lows.slice(at + 1, close).join(' ')) &&
        toolOfSizeAt(sentence, at + 1, reading.series) === undefined;
      const isRemark =
        close > at + 1 && (isSize || sentence.words.slice(at, close).every(({ value }) => value === undefined));
      const names = sentence.words
        .slice(at, close)
        .some((_, i) => namesAt(sentence.names, sentence.words, at + i).length > 0);
      const isTold = /\b(?:is|are|has|have)\b/.test(sentence.lows.slice(at, close).join(' '));
      if (!isRemark || (names && !isTold) || verbAt(sentence.lows, at + 1)) return undefined;
      act.how.push(sentence.text(at + 1, close));
      return close + 1;
    },
  },
  {
    name: 'a comma, a bracket, "then to 240"',
    read: ({ sentence, at, act }) => {
      const low = sentence.lows[at] ?? '';
      if (low === 'then' && act.figure && /^(?:to|at)$/.test(sentence.lows[at + 1] ?? '')) return at + 1;
      // "By hand and then go to 12 N·m", "finish at 45 N·m".
      const goes = act.verb === 'torque' ? GOES_TO.exec(sentence.lows.slice(at).join(' '))?.[0] : undefined;
      if (goes) return at + goes.trim().split(' ').length;
      // "Snug them up, then 40 N·m".
      const isNumberNext = sentence.words[at + 1]?.value !== undefined;
      if (/^(?:then|finally)$/.test(low) && /^(?:torque|start-by-hand)$/.test(act.verb) && isNumberNext) return at + 1;
      return /^(?:,|\(|\)|and|:|-|–)$/.test(low) ? at + 1 : undefined;
    },
  },
  {
    name: 'a caution said along: "do not cock it"',
    read: ({ sentence, at, act, told }) => {
      // "Not less than 12 mm" is a limit of what is measured.
      const isLimit =
        /^(?:measure|inspect)$/.test(act.verb) && /^not (?:less|more|under|over|below|above|\w+er than) /.test(told);
      const never =
        !isLimit &&
        /^(?:(?:and )?(?:never|not)|but (?:do not|don't|never)|(?:it|they) (?:must|should|may|can) (?:not|never))\b/.test(
          told,
        );
      const signal = lexicon.SIGNAL_WORD.test(sentence.lows[at] ?? '');
      if (!never && !signal && !lexicon.CAUTION_OPENING.test(told)) return undefined;
      const from = signal || /^(?:but|and)$/.test(sentence.lows[at] ?? '') ? at + 1 : at;
      // "Not too tight, 12 N·m".
      const comma = sentence.lows.indexOf(',', at + 1);
      if (comma > 0 && torqueAt(sentence, comma + 1)) {
        act.cautions.push({ signal: 'CAUTION', text: sentence.text(from, comma) });
        return comma;
      }
      act.cautions.push({
        signal: 'CAUTION',
        text: sentence.text(
          sentence.lows[from] === ',' || sentence.lows[from] === ':' ? from + 1 : from,
          sentence.words.length,
        ),
      });
      return sentence.words.length;
    },
  },
  {
    name: 'a reason: "so that it cannot roll"',
    read: ({ sentence, at, act, told }) => {
      if (
        !lexicon.REASON_OPENING.test(told) &&
        !/^(?:as (?:it|they) (?!(?:came|was|were|comes?|goes|go|slides?|moves?|turns?|drops?|falls?|slips?|lifts?|leaves?|enters?|appears?|warms?|cools?|runs?|fills?|drains?|rises?|gets?|starts?|begins?|nears?|reach(?:es)?)\b)|it (?:weighs|is heavy)|they (?:are|weigh)|to (?:keep|prevent|protect|avoid|stop|make (?:sure|room)|get (?:at|to|access)|reach|expose|give|free|see|gain|spare|save|help|let|allow))\b/.test(
          told,
        )
      )
        return undefined;
      if (/^since\b/.test(told) && /^since \d/.test(told)) return undefined;
      act.why.push(sentence.text(at, sentence.words.length));
      return sentence.words.length;
    },
  },
  {
    name: 'what it is done for: "to lock the housing", "to ensure proper reassembly"',
    read: ({ sentence, at, act, told }) => {
      const purpose =
        /^to ([a-z-]+) (?:the|a|an|it|them|any|all|your|its|their|each|that|sure|certain|proper|correct|free|more)\b/.exec(
          told,
        )?.[1];
      if (purpose === undefined || sentence.lows[at - 1] === 'up') return undefined;
      if (!/^(?:be|ensure|insure|assure|prevent|get|make|find|bring|help)$/.test(purpose) && !verbAt([purpose], 0))
        return undefined;
      act.why.push(sentence.text(at, sentence.words.length));
      return sentence.words.length;
    },
  },
  {
    name: 'a danger told as a statement: "the housing is under tension"',
    read: ({ sentence, at, act, told }) => {
      if (lexicon.SECURES.test(sentence.lows[at] ?? '')) return undefined;
      // "Using a bar because it is heavy": the reason is told, and how.
      if (/^[^,]*? (?:because|since|so|otherwise)\b/.test(told)) return undefined;
      if (
        !/^(?:the|it|they|this|there|stopping|(?!(?:spring|ring|bearing|housing|casing|bushing|coupling|packing)\b)\w+ing)\b.*\b(?:is|are|will|can|may|burns?|breaks?)\b/.test(
          told,
        )
      )
        return undefined;
      if (
        !/\b(?:tension|pressure|hot|heavy|sharp|burns?|fly|jump|slip|brittle|break|breaks|not enough|loaded|fall|drop|spring)\b/.test(
          told,
        )
      )
        return undefined;
      act.cautions.push({ signal: 'CAUTION', text: sentence.text(at, sentence.words.length) });
      return sentence.words.length;
    },
  },
  ...MEASURES_SAID,
  {
    name: 'no direction: "same way as the others"',
    read: ({ reading, sentence, at, act, told }) => {
      const said = verbOf(act.verb).effect === 'refits' ? lexicon.NO_DIRECTION.exec(told)?.[0] : undefined;
      if (said === undefined) return undefined;
      const end = Math.min(at + said.trim().split(' ').length, sentence.words.length);
      reading.doubt('facing', sentence, at, end);
      return end;
    },
  },
  {
    name: 'which way an end looks: "lips down"',
    read: facing,
  },
  {
    name: 'at which places: "in each bore"',
    read: ({ reading, sentence, at, act, told }) => {
      const low = sentence.lows[at] ?? '';
      // "Fit diffuser stage 1".
      // "Six screws each end".
      // "Hook the packing out, both ends".
      const isEach =
        (/^(?:each|every)$/.test(low) && WAY_WORDS[sentence.lows[at - 1] ?? ''] === undefined) ||
        /^(?:both|all)$/.test(low);
      const every = isEach ? at + 1 : at;
      const isPlace = ({ kind }: KnownName) => kind === 'place' || (every > at && kind === 'places');
      const placed = namesAt(sentence.names, sentence.words, every).find(isPlace);
      // "..., driven side first" says in which order.
      if (placed && /^(?:first|last|next)$/.test(sentence.lows[every + placed.length] ?? ''))
        return keep({ reading, sentence, at, act, told }, at, every + placed.length + 1);
      if (placed) return places(reading, sentence, at, act);
      if (!/^(?:in|at|on|from|of|to|for|off|and|out|per|into)$/.test(low)) return undefined;
      // "Lay it on its left end" says what it lies on.
      if (low === 'on' && sentence.lows[at + 1] === 'its' && /^(?:lay|hold)$/.test(act.verb)) return undefined;
      // Put in from one side it comes to sit on another.
      if (/^(?:from|to)$/.test(low) && !/^(?:takes|opens)$/.test(verbOf(act.verb).effect)) return undefined;
      const from = low === 'out' && sentence.lows[at + 1] === 'of' ? at + 2 : at + 1;
      return places(reading, sentence, from, act);
    },
  },
  {
    name: 'the size of its tool alone: "the nuts, 13 mm", "with the 6 mm"',
    read: ({ reading, sentence, at, act }) => {
      const from = /^(?:with|using) the (?=\d)/.test(sentence.lows.slice(at).join(' ')) ? at + 2 : at;
      if (!OPENS_OR_CLOSES.includes(act.verb) && !act.parts.some(({ name }) => lexicon.FASTENS.test(name)))
        return undefined;
      const said =
        toolOfSizeAt(sentence, from, reading.series) ??
        (from > at ? toolOfBareNumberAt(sentence, from, reading.series) : undefined);
      // "With the 6 mm hex key" names its tool.
      if (!isJoint(sentence.words[said?.end ?? at])) return undefined;
      if (said) act.tools.push(said.tool);
      return said?.end;
    },
  },
  {
    name: 'renewed "with new ones", "against a new one": nothing more than the renewal says',
    read: ({ reading, at, act, told }) => {
      const said = act.verb === 'renew' ? /^(?:with|against|by|for) (?:an? )?new (?:ones?|parts?)\b/.exec(told) : null;
      if (said) reading.verbs.push(...said[0].split(' '));
      return said ? at + said[0].split(' ').length : undefined;
    },
  },
  {
    name: 'with what: "with a 6 mm hex key"',
    read: withWhat,
  },
  {
    name: 'a tool with its size behind a comma: "the nuts, 19 mm socket"',
    read: ({ sentence, at, act }) => {
      const said =
        sentence.lows[at - 1] === ',' && (sentence.words[at]?.value !== undefined || isKnownTool(sentence, at))
          ? toolAt(sentence, at)
          : undefined;
      if (said) act.tools.push(said.tool);
      return said?.end;
    },
  },
  ...SIGNS_SAID,
  {
    name: 'where to: "into the seal pocket"',
    read: whereTo,
  },
  {
    name: 'what is put on: "to the plunger bolts"',
    read: putOn,
  },
  ...KEPT_AS_SAID,
];

const NUMBERED = new RegExp(`^(?:\\d+|${NUMBERS}|[a-h])(?: (?:to|-|,|and|through) (?:\\d+|${NUMBERS}|[a-h]))+(?= |$)`);

/** A tool of the series, and nothing more up to the next comma. */
function isKnownTool(sentence: Sentence, at: number): boolean {
  if (verbAt(sentence.lows, at)) return false;
  return namesAt(sentence.names, sentence.words, at).some(
    ({ kind, length }) => kind === 'tool' && /^(?:|,)$/.test(sentence.lows[at + length] ?? ''),
  );
}

/** One word that goes on with a list: it begins nothing else. */
function isBareWord(sentence: Sentence, at: number): boolean {
  const word = sentence.words[at];
  if (
    !word ||
    isJoint(word) ||
    /^(?:never|not|no)$/.test(word.low) ||
    lexicon.SIGNAL_WORD.test(word.low) ||
    word.value !== undefined ||
    lexicon.isManner(word.low) ||
    lexicon.MANNER_PHRASE.test(sentence.lows.slice(at).join(' ')) ||
    lastWordsOf(sentence.names).has(word.parts.at(-1) ?? '')
  )
    return false;
  const next = sentence.words[at + 1];
  return next === undefined || /^(?:and|or|,|with|using)$/.test(next.low);
}
