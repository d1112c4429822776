import { toolLabel } from '../model/lookup';
import { pluralName } from '../model/names';
import type { Series } from '../model/series';
import { verbOf } from '../model/verbs';
import { readVerb, verbsStartingWith } from '../reading/en/verb-words';
import { splitLine } from './segments';

export interface Completion {
  readonly kind: 'verb' | 'part' | 'tool' | 'position' | 'consumable';
  /** Replaces the characters `from` to `to` of the line. */
  readonly insert: string;
  readonly from: number;
  readonly to: number;
}

const MOST = 8;

/** What could come next at the caret, from the verbs and from what the series already knows. Nearest match first. */
export function completeLine(typed: string, caret: number, series: Series): Completion[] {
  const before = typed.slice(0, caret);
  const segment = splitLine(before).at(-1);
  if (!segment) return [];
  switch (segment.sign) {
    case 'said':
      return completeSaid(segment.text, segment.from, caret, series);
    case '/':
      return choose(series.tools.map(toolLabel), segment.text, 'tool', caret);
    case '+':
      return choose(
        series.consumables.map(({ name }) => name),
        segment.text,
        'consumable',
        caret,
      );
    case '@':
      return choose(positionPhrases(series), segment.text, 'position', caret);
    default:
      return [];
  }
}

/** Words after which something else is named: "with the ...", "from ...". */
const JOINT =
  /^(.*(?:^|\s)(?:with|using|from|in|at|of|to|on|into|onto|over|off|out|and|by)\s+|.*,\s*)?(?:(?:the|a|an|all|both|each|every|new|two|three|four|five|six|eight|ten|twelve|\d{1,2})\s+)*([^,]*)$/i;

function completeSaid(text: string, offset: number, caret: number, series: Series): Completion[] {
  const opening = readVerb(text);
  const verbOpen = !opening || (opening.rest === '' && !text.endsWith(' '));
  if (verbOpen) {
    const start = text.trimStart();
    if (start === '') return [];
    const from = offset + text.length - start.length;
    return verbsStartingWith(start)
      .filter(({ phrase }) => phrase !== start.toLowerCase())
      .slice(0, MOST)
      .map(({ phrase }) => ({ kind: 'verb', insert: `${phrase} `, from, to: caret }));
  }
  const [, before = '', named = ''] = JOINT.exec(opening.rest) ?? [];
  const joint = /(\w+)\s+$/.exec(before)?.[1]?.toLowerCase() ?? '';
  if (joint === 'with' || joint === 'using') return choose(series.tools.map(toolLabel), named, 'tool', caret);
  if (verbOf(opening.verb).object === 'words') return [];
  return choose(series.components.map(partPhrase), named, 'part', caret);

  function partPhrase(component: { name: string; count: number; positionSetId?: string | undefined }) {
    return component.count > 1 || component.positionSetId ? pluralName(component.name) : component.name;
  }
}

function positionPhrases(series: Series): string[] {
  return series.positionSets.flatMap((set) => [`each ${set.name}`, ...set.positions.map((position) => position.name)]);
}

/** Names that hold the typed words, those that begin with them first; nothing when one is already typed in full. */
function choose(names: readonly string[], typed: string, kind: Completion['kind'], caret: number): Completion[] {
  const wanted = typed.trimStart().toLowerCase();
  const from = caret - typed.trimStart().length;
  if (names.some((name) => name.toLowerCase() === wanted)) return [];
  return names
    .map((name) => ({ name, at: name.toLowerCase().indexOf(wanted) }))
    .filter(({ at }) => at >= 0)
    .sort((a, b) => Number(a.at > 0) - Number(b.at > 0))
    .slice(0, MOST)
    .map(({ name }) => ({ kind, insert: name, from, to: caret }));
}
