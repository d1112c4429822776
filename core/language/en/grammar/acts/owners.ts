import { byName, singularName } from '../../../../model/names';
import { type PartName, partsEndingIn } from '../names/known-names';
import type { NounPhrase } from '../names/noun-phrase';
import type { SaidPart } from '../names/said';
import { FASTENS } from '../words/lexicon';
import { partsOf } from '../words/words';
import type { OpenAct, Reading } from './reading';

/** "M12 bolts": their size, and what they are. */
export const SIZED = /^(m ?\d[\d.x]*) (\w+)$/i;

/** "The rear cover, six screws", "take out the cover and press out its seal": called after what they belong to. */
export function nameAfterOwner(
  reading: Reading,
  { known, quoted, words, own, fromCount, name, count }: NounPhrase,
  act: OpenAct,
): { name?: string } {
  // "Six M8 screws" are the screws of the cover before.
  const [, size, bare = name] = SIZED.exec(name) ?? [];
  const isBare = !known && !quoted && !bare.includes(' ');
  const isFastener = fromCount !== undefined && FASTENS.test(words.at(-1) ?? '') && act.parts.length === 1;
  const before = reading.acts.findLast((one) => one !== act && one.parts.length > 0)?.parts ?? [];
  const [owner, other] = act.parts.length > 0 ? act.parts : before;
  const isOwned = isBare && (isFastener || own) && owner && !other && owner.name.split(' ').length < 3;
  if (!isOwned || FASTENS.test(owner.name)) return {};
  const alike = partsEndingIn(reading.series, partsOf(bare));
  const isElsewhere = (known: PartName) => isFastener && isOfOther(reading, known, owner, count);
  if (!alike.every(isElsewhere) || byName(reading.series.components, name)) return {};
  if (size !== undefined) act.how.push(size.toUpperCase());
  return { name: `${singularName(owner.name)} ${bare}` };
}

/** "The pump head, four screws", where the fan cover has screws as well: not those, unless the line names that cover. */
function isOfOther(reading: Reading, { name, parts }: PartName, owner: SaidPart, count?: number): boolean {
  const { components } = reading.series;
  const lead = parts.slice(0, -1).join(' ');
  const own = partsOf(owner.name);
  const isNamed = reading.inLine.some((part) => partsOf(part.name).join(' ') === lead);
  const isPart = components.some((part) => partsOf(part.name).join(' ') === lead);
  const known = byName(components, name);
  const areOthers = known !== undefined && !known.several && count !== undefined && known.count !== count;
  const isOwn = lead === '' || lead.split(' ').some((word) => own.includes(word));
  return !isOwn && !isNamed && (isPart || areOthers);
}
