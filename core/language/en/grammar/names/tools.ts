import { singularName } from '../../../../model/names';
import type { Series } from '../../../../model/series';
import * as lexicon from '../words/lexicon';
import { isPlural } from '../words/words';
import { measureAt } from './figures';
import { namesAt } from './known-names';
import { isJoint } from './name-ends';
import { nounPhraseAt } from './noun-phrase';
import type { SaidTool } from './said';
import type { Sentence } from './sentence';
import { sizeKey } from './tool-doubts';

/** A tool with its size before or behind it: "a 17 mm socket", "hex key, 6 mm", "two pry bars". */
export function toolAt(sentence: Sentence, start: number): { tool: SaidTool; end: number } | undefined {
  let at = start;
  if (/^(?:the|a|an|your|one|another)$/.test(sentence.lows[at] ?? '')) at += 1;
  const numbered = numberedTool(sentence, at);
  if (numbered) return numbered;
  let count: number | undefined;
  let size: string | undefined;
  const first = lettered(sentence, at) ?? sizeAt(sentence, at);
  if (first) {
    size = first.size;
    at = first.end;
  } else if (sentence.words[at]?.value !== undefined && Number.isInteger(sentence.words[at]?.value)) {
    count = sentence.words[at]?.value;
    at += 1;
    const second = sizeAt(sentence, at);
    if (second) {
      size = second.size;
      at = second.end;
    }
  }
  const isSuitable = SUITABLE.test(sentence.lows[at] ?? '');
  const found = nounPhraseAt(sentence, isSuitable ? at + 1 : at);
  if (!found) return undefined;
  const { phrase } = found;
  const isSizedKey = size !== undefined && /^(?:key|allen|hex)$/.test(phrase.words.join(' '));
  if (phrase.known?.kind !== 'tool' && !lexicon.isToolName(phrase.words) && !isSuitable && !isSizedKey)
    return undefined;
  if (phrase.known && phrase.known.kind !== 'tool') return undefined;
  // "A 22 socket" leaves its unit out; it is one socket, and is asked about.
  if (count !== undefined && count > 1 && !isPlural(phrase.words.at(-1) ?? ''))
    return { tool: { name: `${count} ${phrase.words.join(' ')}` }, end: found.end };
  let { end } = found;
  // "A block of wood".
  const isOf =
    /^of (?:hard)?(?:wood|brass|aluminium|aluminum|steel|copper|plastic|nylon|timber|lead|rubber|leather|pipe|tube)\b/;
  const material = isOf.test(sentence.lows.slice(end).join(' ')) ? ` of ${sentence.lows[end + 1]}` : '';
  if (material !== '') end += 2;
  // Behind an instrument a length is what it shall show.
  const behind = INSTRUMENT.test(phrase.words.at(-1) ?? '') ? undefined : sizeBehind(sentence, end);
  if (behind && size === undefined) {
    size = behind.size;
    end = behind.end;
  }
  const [knownName = '', ...knownSize] = phrase.known?.kind === 'tool' ? phrase.known.name.split(',') : [phrase.name];
  const whole = size ?? (knownSize.length > 0 ? knownSize.join(',').trim() : undefined);
  return {
    tool: {
      name:
        (count !== undefined && count > 1 && !phrase.known ? singularName(knownName.trim()) : knownName.trim()) +
        material,
      ...(whole !== undefined && { size: whole }),
      ...(count !== undefined && { count }),
    },
    end,
  };
}

/** "A suitable sleeve", "a fitting tube": whatever it is called, it is found to help. */
const SUITABLE = /^(?:suitable|matching|proper)$/;

/** "Socket 17", "the 22 socket", "3/4 wrench": the one of that size, where the series has it. */
function numberedTool(sentence: Sentence, at: number): { tool: SaidTool; end: number } | undefined {
  const isFirst = sentence.words[at]?.value !== undefined;
  const numberAt = isFirst
    ? at
    : sentence.words.findIndex(({ value }, i) => i > at && i < at + 4 && value !== undefined);
  const number = sentence.lows[numberAt];
  if (number === undefined) return undefined;
  for (let end = at + 4; end > at + 1; end -= 1) {
    const [from, to] = isFirst ? [at + 1, end] : [at, numberAt];
    const tool = toolOfNumber(sentence, sentence.lows.slice(from, to), number);
    const last = isFirst ? end : numberAt + 1;
    if (tool && isJoint(sentence.words[last])) return { tool, end: last };
  }
  return undefined;
}

/** "Socket, 13 mm"; "hoist, 40 kg" is what hangs on it. */
function sizeBehind(sentence: Sentence, end: number): ReturnType<typeof sizeAt> {
  const size = sizeAt(sentence, sentence.lows[end] === ',' ? end + 1 : end);
  return size && sentence.lows[end] === ',' && / kg$/.test(size.size) ? undefined : size;
}

/** The one tool that is called so and has this number for its size. */
function toolOfNumber({ names }: Sentence, words: readonly string[], number: string): SaidTool | undefined {
  const last = words.at(-1) ?? '';
  if (isPlural(last)) return undefined;
  const fitting = (names.get(words[0] ?? '') ?? []).filter(
    ({ kind, parts }) =>
      kind === 'tool' && words.every((word, i) => parts[i] === word) && parts[words.length] === number,
  );
  const [name = '', ...size] = fitting.length === 1 ? (fitting[0]?.name.split(', ') ?? []) : [];
  return name === '' ? undefined : { name, ...(size.length > 0 && { size: size.join(', ') }) };
}

const INSTRUMENT = /^(?:gauges?|gages?|indicators?|microm\w+|calliper\w*|caliper\w*|rulers?)$/;

/** "The nuts, 13 mm": the one tool of the series that has this size. */
export function toolOfSizeAt(
  sentence: Sentence,
  at: number,
  { tools }: Series,
): { tool: SaidTool; end: number } | undefined {
  const said = sizeAt(sentence, at);
  return said && theOneTool(tools, (size) => sizeKey(size) === sizeKey(said.size), said.end);
}

/** "With the 24": the one tool of the series that has this number for its size. */
export function toolOfBareNumberAt(
  sentence: Sentence,
  at: number,
  { tools }: Series,
): { tool: SaidTool; end: number } | undefined {
  const number = sentence.words[at]?.value === undefined ? undefined : sentence.lows[at];
  if (number === undefined || !isJoint(sentence.words[at + 1])) return undefined;
  return theOneTool(tools, (size) => /^[\d./]+/.exec(size)?.[0] === number, at + 1);
}

/** The only tool of such a size; nothing where several have it. */
function theOneTool(
  tools: Series['tools'],
  isMeant: (size: string) => boolean,
  end: number,
): { tool: SaidTool; end: number } | undefined {
  const fitting = tools.filter(({ size }) => size !== undefined && isMeant(size));
  const [tool] = fitting;
  return tool && fitting.length === 1
    ? { tool: { name: tool.name, ...(tool.size && { size: tool.size }) }, end }
    : undefined;
}

/** "T25", "PH2" before a tool that is not called so itself. */
function lettered(sentence: Sentence, at: number): { size: string; end: number } | undefined {
  const isNamed = namesAt(sentence.names, sentence.words, at).some(({ kind }) => kind === 'tool');
  const [letter, number] = [sentence.words[at], sentence.words[at + 1]];
  const isSize = /^(?:t|tx|ph|pz|m|h)$/.test(letter?.low ?? '') && /^\d{1,2}$/.test(number?.low ?? '');
  return isSize && !isNamed && letter?.to === number?.from
    ? { size: sentence.text(at, at + 2), end: at + 2 }
    : undefined;
}

/** "17 mm", "3/4 inch", "13mm", "three-quarter inch", "10-60 N·m", "5 tonne". */
function sizeAt(sentence: Sentence, start: number): { size: string; end: number } | undefined {
  const spoken = /^(three[- ]quarters?|half|one[- ]half|quarter|one[- ]quarter)[- ](inch)\b/.exec(
    sentence.lows.slice(start, start + 3).join(' '),
  );
  if (spoken) {
    const value = spoken[1]?.startsWith('three') ? '3/4' : spoken[1]?.includes('half') ? '1/2' : '1/4';
    return { size: `${value} in`, end: start + spoken[0].split(' ').length };
  }
  const measured = measureAt(sentence, start);
  if (!measured || !/^(?:mm|cm|in|kg|bar)$/.test(measured.unit)) return undefined;
  const number = sentence.lows[start] ?? '';
  const value = /^\d/.test(number) ? number : String(measured.value);
  return { size: `${value} ${measured.unit}`, end: measured.end };
}
