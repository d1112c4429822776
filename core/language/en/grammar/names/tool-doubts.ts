import { toolLabel } from '../../../../model/lookup';
import type { Series } from '../../../../model/series';
import { partsOf, singular } from '../words/words';
import { endsIn } from './known-names';
import type { Doubt, SaidTool } from './said';

/** Names that workshops have for the same tool. Common practice. */
const SAME_TOOL: readonly (readonly string[])[] = [
  ['hex key', 'allen key', 'hexagon key', 'allen wrench', 'hex wrench', 'hexagonal key', 'key', 'allen', 'hex'],
  ['open-end wrench', 'open-end spanner', 'open-ended spanner', 'open-ended wrench', 'open spanner'],
  ['ring spanner', 'box wrench', 'box-end wrench', 'ring wrench', 'box spanner'],
  ['combination wrench', 'combination spanner'],
  ['adjustable wrench', 'adjustable spanner', 'shifting spanner'],
  ['wrench', 'spanner'],
  ['hook spanner', 'hook wrench', 'c-spanner', 'c spanner', 'pin spanner'],
  ['soft mallet', 'soft hammer', 'soft-faced hammer', 'plastic hammer', 'plastic mallet', 'rubber mallet'],
  ['pry bar', 'prybar', 'crowbar', 'lever bar'],
  ['pick', 'o-ring pick', 'seal pick', 'scribe'],
  ['circlip pliers', 'snap ring pliers', 'retaining ring pliers'],
  ['vice', 'vise'],
  ['socket', 'socket wrench'],
];

const keyOf = (name: string): string => partsOf(name).join(' ');
const group = new Map(SAME_TOOL.flatMap((names, i) => names.map((name) => [keyOf(name), i] as const)));

/** A size however it is spelled: "6mm", "6 mm", "6 millimetres"; "1/4 in" and "1/4 inch". */
export function sizeKey(size: string): string {
  return size
    .toLowerCase()
    .replace(/millimet\w+/g, 'mm')
    .replace(/\binch(?:es)?\b|["″]/g, 'in')
    .replace(/(\d)\s+(?=\d+\/)/, '$1-')
    .replace(/\s+/g, '');
}

/**
 * The tool of the series that is meant beyond doubt: the only one of that sort and size ("a 6 mm allen key" where there is
 * a hex key of 6 mm), or the only one that "the mallet" can be. Otherwise the tool as it was said.
 */
export function toolMeant(tool: SaidTool, { tools }: Series, text: string): SaidTool {
  const key = keyOf(tool.name);
  if (tools.some(({ name }) => keyOf(name) === key)) return tool;
  const alike = tools.filter(
    (one) => isLike(one, key) && (tool.size === undefined || sizeKey(one.size ?? '') === sizeKey(tool.size)),
  );
  const at = text.toLowerCase().indexOf(tool.name.toLowerCase());
  const isKnownOne = /\b(?:the|your|that|same)\s+$/i.test(text.slice(0, Math.max(at, 0)));
  const [only, other] = alike;
  if (!only || other || !(tool.size !== undefined || isKnownOne)) return tool;
  return { ...tool, name: only.name, ...(only.size !== undefined && { size: only.size }) };
}

/** A tool that is called by another word for the same, or in full. */
function isLike({ name }: Series['tools'][number], key: string): boolean {
  if (/^(?:two|three|pair|set)\b/.test(name)) return false;
  // "The spanner", where there is a spanner wrench.
  const isBegun = ['wrench', 'spanner', 'tool', 'key'].some((last) => keyOf(name) === `${key} ${last}`);
  return isBegun || sameGroup(keyOf(name), key) || endsIn(partsOf(name), key.split(' '));
}

/** What has to be asked about a tool: one of several sizes, or one that the series knows under another name. */
export function doubtAboutTool({ name, size }: SaidTool, series: Series, text: string): Doubt | undefined {
  const bare = /^(\d[\d./]*) (\D.*)$/.exec(name);
  if (bare && size === undefined) {
    const from = Math.max(text.indexOf(name), 0);
    return {
      kind: 'unit',
      from,
      to: from + name.length,
      text: bare[1] ?? '',
      offers: [`${bare[1]} mm ${bare[2]}`, `${bare[1]} in ${bare[2]}`],
    };
  }
  // A size alone is no tool.
  if (size === undefined && /^\d[\d./]*\s*(?:mm|cm|in|inch|["″])?$/i.test(name)) {
    const from = Math.max(text.indexOf(name), 0);
    const fitting = series.tools.filter((tool) => tool.size !== undefined && sizeKey(tool.size) === sizeKey(name));
    return { kind: 'tool', from, to: from + name.length, text: name, offers: fitting.map(toolLabel) };
  }
  const key = keyOf(name);
  const sameName = series.tools.filter((tool) => keyOf(tool.name) === key);
  const fits = (tool: Series['tools'][number]) => size === undefined || sizeKey(tool.size ?? '') === sizeKey(size);
  if (sameName.some(fits) && (size !== undefined || sameName.length === 1)) return undefined;
  const at = text.toLowerCase().indexOf(name.toLowerCase());
  const from = Math.max(at, 0);
  const asked = (tools: readonly Series['tools'][number][]): Doubt => ({
    kind: 'tool',
    from,
    to: at < 0 ? from : from + name.length,
    text: name,
    offers: tools.map(toolLabel),
  });
  if (size === undefined && sameName.length > 1) return asked(sameName);
  if (sameName.length > 0) return undefined;
  // "The mallet" where there is a rubber mallet.
  const synonyms = series.tools.filter((tool) => isLike(tool, key) && fits(tool));
  return synonyms.length > 0 ? asked(synonyms) : undefined;
}

function sameGroup(one: string, two: string): boolean {
  const of = group.get(one);
  return of !== undefined && of === group.get(two) && singular(one) !== singular(two);
}
