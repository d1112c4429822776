import type { Principle } from '../proving/run';
import type { Series } from './series';

/** Only pumps with an impeller give a head that falls with the flow. */
export function principleOf({ pumpType }: Pick<Series, 'pumpType'>): Principle {
  return pumpType === 'end-suction' ? 'rotodynamic' : 'displacement';
}
