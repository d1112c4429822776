import { verbOf } from '../../../../model/verbs';
import type { OpenAct, Reading } from '../acts/reading';
import { type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import { isPlural } from '../words/words';

/** "in each bore", "of rod 1 and rod 3", "at both ends", "on the left side". */
export function places(reading: Reading, sentence: Sentence, start: number, act: OpenAct): number | undefined {
  const found = nounPhraseAt(sentence, start);
  const known = found?.phrase.known;
  if (found && !known) return unknownPlace(reading, sentence, start, found);
  if (!found || !known || (known.kind !== 'place' && known.kind !== 'places')) return undefined;
  const sets = reading.series.positionSets;
  const takes =
    verbOf(act.verb).effect === 'takes' || verbOf(act.verb).effect === 'stays' || found.phrase.every === true;
  if (known.kind === 'places') {
    const set = sets.find(({ id }) => id === known.id);
    const plural = isPlural(sentence.lows[found.end - 1] ?? '');
    // "Into the bore" says where to, and not at which of them.
    // "In both ends of the stator" are ends of something else.
    const owner = sentence.lows[found.end] === 'of' ? nounPhraseAt(sentence, found.end + 1)?.phrase.known : undefined;
    if (owner?.kind === 'part' && owner.numbered === undefined) return undefined;
    if (!set || !(found.phrase.every || plural || found.phrase.count !== undefined) || (!takes && !found.phrase.every))
      return undefined;
    act.positionSetId = set.id;
    act.positionIds = set.positions.map(({ id }) => id);
    act.positionNames = [...(act.positionNames ?? []), sentence.text(start, found.end)];
    return found.end;
  }
  const set = sets.find(({ positions }) => positions.some(({ id }) => id === known.id));
  if (!set) return undefined;
  if (!takes && /^(?:into|onto)$/.test(sentence.lows[start - 1] ?? '')) return undefined;
  act.positionSetId = set.id;
  act.positionIds.push(known.id);
  let { end } = found;
  while (/^(?:and|,|&)$/.test(sentence.lows[end] ?? '')) {
    const next = nounPhraseAt(sentence, end + 1);
    const id = next?.phrase.known?.kind === 'place' ? next.phrase.known.id : undefined;
    if (!next || id === undefined || !set.positions.some((position) => position.id === id)) break;
    act.positionIds.push(id);
    ({ end } = next);
  }
  act.positionNames = [...(act.positionNames ?? []), sentence.text(start, end)];
  return end;
}

/** "Cylinder 4" of three: asked, and not kept as a remark. */
function unknownPlace(
  reading: Reading,
  sentence: Sentence,
  start: number,
  { phrase, end }: { phrase: NounPhrase; end: number },
): number | undefined {
  const [head, number] = phrase.words;
  if (phrase.words.length !== 2 || !/^\d+$/.test(number ?? '')) return undefined;
  const alike = reading.series.positionSets
    .flatMap(({ positions }) => positions)
    .filter(({ name }) => name.toLowerCase().split(' ')[0] === head);
  if (alike.length === 0) return undefined;
  reading.doubt(
    'place',
    sentence,
    start,
    end,
    alike.map(({ name }) => name),
  );
  return end;
}
