import { agree, nameAll, type Rule } from '../rule';

export const changeMissed: Rule = {
  id: 'change-missed',
  family: 'completeness',
  severity: 'stop',
  looksFor: 'a change that the procedure means to make and does not reach',
  reason: 'The pump goes back as it came, and the customer paid for a conversion.',
  find: (context) => {
    const { timeline, workbook } = context;
    const place = (id: string) =>
      workbook.series.positionSets.flatMap((set) => set.positions).find((p) => p.id === id)?.name ?? id;
    return (workbook.procedure.intends ?? []).flatMap((change) => {
      const units = timeline.structure.byComponent.get(change.componentId) ?? [];
      const name = nameAll(context, change.componentId);
      const reached = timeline.ends.every(({ state }) => {
        const fitted = units.filter((unit) => state.places.get(unit.id) === 'pump');
        if (change.kind === 'leaves') return fitted.length === 0;
        if (change.kind === 'joins') return fitted.length > 0;
        return fitted.some(
          (unit) => unit.positionId === change.fromPositionId && state.seats.get(unit.pieceId) === change.toPositionId,
        );
      });
      if (reached) return [];
      const meant =
        change.kind === 'leaves'
          ? `The ${name} ${agree(context, change.componentId, 'is', 'are')} meant to leave the pump and still in it.`
          : change.kind === 'joins'
            ? `The ${name} ${agree(context, change.componentId, 'is', 'are')} meant to join the pump and not in it.`
            : `The ${name} ${agree(context, change.componentId, 'is', 'are')} meant to change from ${place(change.fromPositionId)} to ${place(change.toPositionId)} and stays.`;
      return [{ componentIds: [change.componentId], sentence: meant }];
    });
  },
};
