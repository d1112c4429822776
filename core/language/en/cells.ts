import type { Cell } from '../../bench/cells';
import type { Timeline } from '../../bench/replay';
import { placeNameOf } from '../../model/lookup';
import { componentPhrase } from './sentence';

/** What is written in a cell of a whole cloth: "rotor of shaft 1", "8 cover nuts". */
export function cellName(timeline: Timeline, cell: Cell, pieces = cell.unitIds.length): string {
  const component = timeline.structure.components.get(cell.componentId);
  if (!component) return '';
  const phrase = componentPhrase(component, pieces, false);
  const positionId = timeline.units.get(cell.unitIds[0] ?? '')?.positionId ?? null;
  const place = placeNameOf(timeline.workbook.series, positionId);
  if (component.matched && place) return `${phrase} of ${place}`;
  return pieces > 1 ? `${pieces} ${phrase}` : phrase;
}
