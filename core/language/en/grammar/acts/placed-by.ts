import { byName } from '../../../../model/names';
import type { Series } from '../../../../model/series';
import { type KnownPlace, type NameIndex, namesAt, partsEndingIn } from '../names/known-names';
import { Sentence } from '../names/sentence';
import { partsOf, wordsOf } from '../words/words';
import type { OpenAct } from './reading';

/** "The bolts of the left chamber": what belongs to a part at one place is at that place, and so is the part. */
export function placedByOwner(acts: readonly OpenAct[], series: Series, names: NameIndex): void {
  for (const [i, act] of acts.entries()) {
    const owner = act.positionIds.length === 0 ? ownerIn([...act.how, act.into ?? ''], names) : undefined;
    if (!owner || !isAt(act, owner.place, series)) continue;
    const isOwner = ({ parts }: OpenAct) => parts.length > 0 && parts.every(({ name }) => name === owner.name);
    for (const one of [act, ...acts.slice(i + 1).filter(isOwner)])
      if (one.positionIds.length === 0) putAt(one, owner.place);
  }
}

function ownerIn(texts: readonly string[], names: NameIndex): { name: string; place: KnownPlace } | undefined {
  for (const text of texts) {
    const { words, lows } = new Sentence(text, wordsOf(text), names);
    for (const at of words.keys()) {
      const known = namesAt(names, words, at + 1).find(({ placed }) => placed?.has(lows[at] ?? ''));
      const place = known?.placed?.get(lows[at] ?? '');
      if (known && place) return { name: known.name, place };
    }
  }
  return undefined;
}

/** Whether what is done is done to parts of these places, or to what may be such for short. */
function isAt({ parts }: OpenAct, { setId }: KnownPlace, series: Series): boolean {
  const isThere = (name: string) => byName(series.components, name)?.positionSetId === setId;
  return (
    parts.length > 0 &&
    parts.every(({ name }) => isThere(name) || partsEndingIn(series, partsOf(name)).some((part) => isThere(part.name)))
  );
}

function putAt(act: OpenAct, { id, setId }: KnownPlace): void {
  act.positionSetId = setId;
  act.positionIds = [id];
}
