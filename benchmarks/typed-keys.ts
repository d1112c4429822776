import { completeLine } from '#core/line/complete-line';
import type { Series } from '#core/model/series';

/** The keys it takes to type a line and Enter where Tab takes what is offered first, as soon as it leads on. */
export function typedKeys(line: string, series: Series): number {
  let typed = '';
  let keys = 1;
  for (; typed !== line; keys += 1) {
    const [offer] = completeLine(typed, typed.length, series);
    const taken = offer ? typed.slice(0, offer.from) + offer.insert : '';
    const leadsOn = line.startsWith(taken) && taken.length > typed.length + 1;
    typed = leadsOn ? taken : line.slice(0, typed.length + 1);
  }
  return keys;
}
