import { piecesInKits, piecesNeeded } from '../../supplies/kit-need';
import { nameAll, type Rule } from '../rule';

export const notInKit: Rule = {
  id: 'not-in-kit',
  family: 'renewal',
  severity: 'warn',
  looksFor: 'a part that is renewed and that none of the kits laid out holds',
  reason: 'The pump is open on the bench and the part has still to be ordered.',
  find: (context) => {
    const { series, procedure } = context.workbook;
    if (!procedure.kits || procedure.kits.length === 0) return [];
    const held = piecesInKits(series, procedure);
    return [...piecesNeeded(context.timeline)]
      .filter(
        ([componentId]) => !held.has(componentId) && !context.timeline.structure.components.get(componentId)?.hostId,
      )
      .map(([componentId, needed]) => ({
        componentIds: [componentId],
        sentence: `${needed} × ${nameAll(context, componentId)} would be renewed, and none of the kits holds any.`,
      }));
  },
};
