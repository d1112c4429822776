import { kitsNeeded, piecesInKits, piecesNeeded } from '../../supplies/kit-need';
import { nameAll, type Rule } from '../rule';

export const kitShort: Rule = {
  id: 'kit-short',
  family: 'renewal',
  severity: 'stop',
  looksFor: 'kits laid out that hold fewer pieces than are renewed',
  reason: 'The last ones are missing when everything else is done.',
  find: (context) => {
    const { series, procedure } = context.workbook;
    const held = piecesInKits(series, procedure);
    return [...piecesNeeded(context.timeline)].flatMap(([componentId, needed]) => {
      const there = held.get(componentId);
      if (there === undefined || there >= needed) return [];
      const kit = series.kits.find(
        ({ id, contents }) =>
          contents.some((content) => content.componentId === componentId) &&
          procedure.kits?.some((choice) => choice.kitId === id),
      );
      const count = kit ? kitsNeeded(series, procedure, kit.id, context.timeline) : 0;
      return [
        {
          componentIds: [componentId],
          sentence: `${needed} ${nameAll(context, componentId)} are renewed and the kits hold ${there}.`,
          ...(kit && {
            fix: {
              label: `Lay out ${count} kits`,
              edits: [
                {
                  kind: 'change-procedure' as const,
                  fields: {
                    kits: (procedure.kits ?? []).map((choice) =>
                      choice.kitId === kit.id ? { ...choice, count } : choice,
                    ),
                  },
                },
              ],
            },
          }),
        },
      ];
    });
  },
};
