import { isFastener } from '../../model/kinds';
import { componentById } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import type { Consumable, Series } from '../../model/series';
import { verbOf } from '../../model/verbs';
import { drySaid, oldSaid, substancesIn, turningSaid, waitsIn } from '../../reading/en/remark-words';
import { isCompound, kindOf } from '../../supplies/consumable-kinds';
import type { Difference } from './difference';

/** Grease, whether the old part goes back, and times, where the words say other than the fields. */
export function treatmentAgainst(text: string, step: Step, series: Series): Difference[] {
  return [
    ...greaseAgainst(text, step, series),
    ...oldAgainst(text, step, series),
    ...waitsAgainst(text, step),
    ...turningAgainst(text, step, series),
  ];
}

const PUTS_ON: readonly Step['verb'][] = ['lubricate', 'apply-compound', 'soak', 'torque'];

function greaseAgainst(text: string, step: Step, series: Series): Difference[] {
  if (verbOf(step.verb).effect !== 'refits' && !PUTS_ON.includes(step.verb)) return [];
  const ids = step.applications.flatMap(({ consumableId, orConsumableIds = [] }) => [consumableId, ...orConsumableIds]);
  const own = series.consumables.filter(({ id }) => ids.includes(id));
  const dry = drySaid(text);
  if (dry && own.length > 0) return [{ what: 'dry', only: 'text', name: dry }];
  const other = substancesIn(text).find((substance) => !own.some((consumable) => isCalled(substance, consumable)));
  return other ? [{ what: 'consumable', only: 'text', name: other }] : [];
}

/** Whether a word for a substance can mean this consumable: by its name, or by its kind where the word says no more. */
function isCalled(substance: string, consumable: Consumable): boolean {
  const [said, words] = [substance, consumable.name.toLowerCase()].map((name) => name.replaceAll('-', ' '));
  if (said === undefined || words === undefined) return false;
  if (words.includes(said) || said.includes(words)) return true;
  const plain = said.split(' ').length === 1;
  return plain && (kindOf(consumable).includes(said) || (said === 'compound' && isCompound(consumable)));
}

function oldAgainst(text: string, step: Step, series: Series): Difference[] {
  const renewed = step.targets.some(({ componentId }) => componentById(series, componentId)?.renewal === 'always');
  const said = renewed && verbOf(step.verb).effect === 'refits' ? oldSaid(text) : undefined;
  return said ? [{ what: 'old', only: 'text', name: said }] : [];
}

function waitsAgainst(text: string, { verb, minutes }: Step): Difference[] {
  if (minutes === undefined || (verb !== 'soak' && verb !== 'wait')) return [];
  const other = waitsIn(text).find((wait) => Math.abs(wait.minutes - minutes) > 0.01);
  return other ? [{ what: 'time', only: 'text', name: other.words }] : [];
}

const LOOSENS: readonly Step['verb'][] = ['loosen', 'take-off', 'ease'];
const TIGHTENS: readonly Step['verb'][] = ['torque', 'start-by-hand'];

/** "Turn clockwise" on the way off, or the other way on the way on, of a thread that is not left-handed. */
function turningAgainst(text: string, { verb, targets }: Step, series: Series): Difference[] {
  const way = turningSaid(text);
  const [target, more] = targets;
  const part = target && componentById(series, target.componentId);
  const turns = LOOSENS.includes(verb) ? 'off' : TIGHTENS.includes(verb) ? 'on' : undefined;
  if (!way || !part || more || !turns || !(isFastener(part.kind) || part.threaded)) return [];
  const isUsual = (turns === 'on') === (way === 'clockwise');
  return isUsual === (part.leftHand !== true) ? [] : [{ what: 'turning', only: 'text', name: way }];
}
