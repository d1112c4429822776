import { kitsNeeded } from '../../supplies/kit-need';
import type { Rule } from '../rule';

export const kitUnused: Rule = {
  id: 'kit-unused',
  family: 'renewal',
  severity: 'advise',
  looksFor: 'more kits laid out than the renewals use up',
  reason: 'New parts left in the tray look like parts forgotten in the pump.',
  find: ({ workbook: { series, procedure }, timeline }) =>
    (procedure.kits ?? []).flatMap(({ kitId, count }) => {
      const kit = series.kits.find((candidate) => candidate.id === kitId);
      const needed = kitsNeeded(series, procedure, kitId, timeline);
      if (!kit || needed >= count) return [];
      const kits = (procedure.kits ?? []).flatMap((choice) =>
        choice.kitId !== kitId ? [choice] : needed > 0 ? [{ kitId, count: needed }] : [],
      );
      return [
        {
          componentIds: kit.contents.map((content) => content.componentId),
          sentence: `${count} × ${kit.name} ${count === 1 ? 'is' : 'are'} laid out and ${needed === 0 ? 'none is' : `${needed} would be`} used.`,
          fix: {
            label: needed === 0 ? 'Take it out' : `Lay out ${needed}`,
            edits: [{ kind: 'change-procedure' as const, fields: { kits } }],
          },
        },
      ];
    }),
};
