/* What stands behind a sign of the line: places, what is put on, tools. */

import { namesOf } from '../language/en/grammar/names/known-names';
import type { SaidTool } from '../language/en/grammar/names/said';
import { Sentence } from '../language/en/grammar/names/sentence';
import { sizeKey } from '../language/en/grammar/names/tool-doubts';
import { toolAt, toolOfBareNumberAt, toolOfSizeAt } from '../language/en/grammar/names/tools';
import { stuffAt } from '../language/en/grammar/told-along/applied';
import { wordsOf } from '../language/en/grammar/words/words';
import { byName, nameKey } from '../model/names';
import type { Series } from '../model/series';

/** What is put on, how much of it and where. */
interface SaidApplied {
  readonly name: string;
  readonly where?: string;
  readonly amount?: string;
}

/** "each shaft", "both ends", "shaft 1", "all": the positions meant, or undefined when the series has none such. */
export function readPositions(
  words: string,
  series: Series,
): { positionSetId: string; positionIds: string[] } | undefined {
  const each = /^(?:each|every|all|both)\s*(.*)$/i.exec(words);
  if (each) {
    const name = each[1] ?? '';
    const set = name === '' ? onlyOne(series.positionSets) : byName(series.positionSets, name);
    return set && { positionSetId: set.id, positionIds: set.positions.map((position) => position.id) };
  }
  for (const set of series.positionSets) {
    const position = set.positions.find((candidate) => nameKey(candidate.name) === nameKey(words));
    if (position) return { positionSetId: set.id, positionIds: [position.id] };
  }
  const several = words.split(/\s*(?:,|&|\+|\band\b)\s*/i).filter(Boolean);
  if (several.length > 1) {
    const read = several.map((one) => readPositions(one, series));
    const [first] = read;
    if (!first || read.some((one) => one?.positionSetId !== first.positionSetId)) return undefined;
    return { ...first, positionIds: [...new Set(read.flatMap((one) => one?.positionIds ?? []))] };
  }
  // "@1" where one place alone ends so.
  const ends = series.positionSets.flatMap((set) =>
    set.positions.flatMap(({ id, name }) =>
      nameKey(name).split(' ').at(-1) === nameKey(words) ? [{ positionSetId: set.id, positionIds: [id] }] : [],
    ),
  );
  if (ends.length === 1) return ends[0];
  const set = byName(series.positionSets, words);
  return set && { positionSetId: set.id, positionIds: set.positions.map((position) => position.id) };
}

/** What is put on, how much and where: "silicone grease, lips", "a drop of thread locker on the threads". */
export function readApplied(words: string, series: Series): SaidApplied {
  const sentence = new Sentence(words, wordsOf(words), namesOf(series));
  const said = stuffAt(sentence, 0);
  const joint = sentence.lows[said?.end ?? 0] ?? '';
  if (!said || !/^(?:on|onto|to|in|into|around|round|under|between|over)$/.test(joint)) {
    const { name, size: where } = splitTool(words);
    return said && said.end === sentence.words.length ? said.applied : { name, ...(where && { where }) };
  }
  const where = sentence.text(said.end + 1, sentence.words.length).replace(/^(?:the|a|an)\s+/i, '');
  return { ...said.applied, where: /^(?:on|onto|to)$/.test(joint) ? where : `${joint} ${where}` };
}

function onlyOne<T>(list: readonly T[]): T | undefined {
  return list.length === 1 ? list[0] : undefined;
}

/** A tool as typed behind its sign: one the series knows, or a name with a size before or behind it. */
export function readTool(label: string, series: Series): SaidTool {
  const known = findTool(series, label);
  if (known) return { name: known.name, ...(known.size && { size: known.size }) };
  const words = wordsOf(label);
  const sentence = new Sentence(label, words, namesOf(series));
  // "/17mm" is the one tool of that size.
  const sized = toolOfSizeAt(sentence, 0, series) ?? toolOfBareNumberAt(sentence, 0, series);
  if (sized && sized.end === words.length) return sized.tool;
  const said = toolAt(sentence, 0);
  return said && said.end === words.length ? said.tool : splitTool(label.replace(/\s+/g, ' '));
}

/** Splits "ring pusher, 50 mm" into name and size at the first comma. */
export function splitTool(label: string): { name: string; size?: string } {
  const at = label.indexOf(',');
  if (at < 0) return { name: label.trim() };
  const size = label.slice(at + 1).trim();
  return size ? { name: label.slice(0, at).trim(), size } : { name: label.slice(0, at).trim() };
}

/** The tool of the series that `label` names, however its size is spelled. */
export function findTool(series: Series, label: string) {
  const { name, size } = splitTool(label);
  const named = series.tools.filter((tool) => nameKey(tool.name) === nameKey(name));
  if (size === undefined) return onlyOne(named) ?? named.find((tool) => tool.size === undefined);
  return named.find((tool) => tool.size !== undefined && sizeKey(tool.size) === sizeKey(size));
}
