import type { Series } from '../../../../model/series';
import { partsOf } from '../words/words';
import { endsIn } from './known-names';
import type { Doubt, SaidApplied } from './said';

/** "A little", "a bit of": how much, and no part of the name. */
const AMOUNT =
  /^(?:(?:a|the|some) )?(?:(?:little|tiny|small|thin|good|generous) )?(?:bit|dab|touch|smear|film|coat|drop|blob|little)s?(?: of)? (?=\S)/i;

/** What is put on, by the name that the series has for it, where the words can mean one only; how much of it apart. */
export function stuffMeant(said: SaidApplied, { consumables }: Series): SaidApplied {
  const [amount = ''] = AMOUNT.exec(said.name) ?? [];
  const bare = said.name.slice(amount.length);
  const parts = partsOf(bare);
  const [only, other] = parts.length > 1 ? consumables.filter((one) => endsIn(partsOf(one.name), parts)) : [];
  const name = only && !other ? only.name : bare;
  const isMuch = amount !== '' && said.amount === undefined;
  return {
    ...said,
    name,
    ...(isMuch && {
      amount: `a ${amount
        .replace(/^(?:a|the|some) /i, '')
        .replace(/ of$/, '')
        .trim()}`,
    }),
  };
}

/**
 * What has to be asked about something that is put on: the series knows it by a name that differs by a hyphen or by a word
 * before it. Plain "grease" or "oil" is taken as it is said; a name that is like none of its own is a new one.
 */
export function doubtAboutStuff(name: string, { consumables }: Series, text: string): Doubt | undefined {
  const parts = partsOf(name);
  const run = parts.join('');
  const known = consumables.map((one) => ({ name: one.name, parts: partsOf(one.name) }));
  if (known.some((one) => one.parts.join(' ') === parts.join(' '))) return undefined;
  const like = known.filter((one) => {
    const other = one.parts.join('');
    const isShorter = parts.length > 1 && endsIn(one.parts, parts);
    return isShorter || other === run || (one.parts.length > 1 && run.endsWith(other));
  });
  if (like.length === 0) return undefined;
  const at = text.toLowerCase().indexOf(name.toLowerCase());
  const from = Math.max(at, 0);
  return {
    kind: 'tool',
    from,
    to: at < 0 ? from : from + name.length,
    text: name,
    offers: [...like.map((one) => one.name), `"${name}"`],
  };
}
