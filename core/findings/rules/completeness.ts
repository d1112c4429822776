import { leftOut } from '../../bench/state';
import { NO_WAY, type Ways } from '../../bench/ways';
import { refitting, torqueAfter } from '../../drafting/refitting';
import { takingOf } from '../../drafting/takings';
import { isLeaving } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import { verbOf } from '../../model/verbs';
import type { Fix } from '../finding';
import { answersOn, type CheckContext, changeStep, type Rule } from '../rule';

export const empty: Rule<'empty'> = {
  id: 'empty',
  family: 'completeness',
  severity: 'stop',
  find: ({ workbook }) => (workbook.procedure.steps.length > 0 ? [] : [{ componentIds: [], facts: {} }]),
};

/** What is out in the end, by component, with the ways on which it is. */
function outAtEnd(context: CheckContext, where: 'cloth' | 'tray') {
  const { timeline, workbook } = context;
  if (workbook.procedure.handsOn) return [];
  const byComponent = new Map<string, { units: string[]; ways: Ways }>();
  for (const { unit, ways, where: at } of leftOut(timeline)) {
    if (at !== where || isLeaving(workbook.procedure, unit.componentId)) continue;
    const known = byComponent.get(unit.componentId) ?? { units: [], ways: NO_WAY };
    known.units.push(unit.id);
    byComponent.set(unit.componentId, { ...known, ways: timeline.questions.either(known.ways, ways) });
  }
  return [...byComponent].map(([componentId, { units, ways }]) => ({
    componentId,
    units,
    on: answersOn(timeline, ways, timeline.within),
  }));
}

function unitsNamed({ timeline }: CheckContext, ids: readonly string[] | undefined) {
  return (ids ?? []).flatMap((id) => timeline.units.get(id) ?? []);
}

/** Old and new pieces of a part are alike to a step that fits them, so all of them go back, from wherever they are. */
function putAllBack(context: CheckContext, componentId: string): Fix | undefined {
  const out = [...outAtEnd(context, 'cloth'), ...outAtEnd(context, 'tray')];
  const units = out.filter((left) => left.componentId === componentId).flatMap((left) => left.units);
  const edits = refitting(context.workbook, context.timeline, unitsNamed(context, units));
  return edits.length > 0 ? { words: { does: 'add-step' }, edits } : undefined;
}

export const leftOnCloth: Rule<'left-on-cloth'> = {
  id: 'left-on-cloth',
  family: 'completeness',
  severity: 'stop',
  find: (context) =>
    outAtEnd(context, 'cloth').map(({ componentId, units, on }) => {
      const taking = takingOf(context.timeline, unitsNamed(context, units));
      return {
        ...(taking && { stepId: taking.step.id }),
        ...(on && { on }),
        componentIds: [componentId],
        unitIds: units,
        facts: { componentId, takenAt: taking?.index ?? null },
      };
    }),
  fix: ({ facts }, context) => putAllBack(context, facts.componentId),
};

export const leftInTray: Rule<'left-in-tray'> = {
  id: 'left-in-tray',
  family: 'completeness',
  severity: 'stop',
  find: (context) =>
    outAtEnd(context, 'tray').map(({ componentId, units, on }) => {
      const renewing = context.timeline.frames.find(
        ({ step }) => step.verb === 'renew' && step.targets.some((target) => target.componentId === componentId),
      );
      return {
        ...(renewing && { stepId: renewing.step.id }),
        ...(on && { on }),
        componentIds: [componentId],
        unitIds: units,
        facts: { componentId },
      };
    }),
  fix: ({ facts }, context) => putAllBack(context, facts.componentId),
};

export const howMany: Rule<'how-many'> = {
  id: 'how-many',
  family: 'completeness',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) => {
    const open = new Set(series.components.filter(({ several }) => several).map(({ id }) => id));
    // What is only looked at or cleaned is counted by nobody.
    return procedure.steps
      .filter(({ verb }) => /^(?:takes|refits|renews|joins)$/.test(verbOf(verb).effect))
      .flatMap(({ id: stepId, targets }) =>
        targets.flatMap(({ componentId }) =>
          open.delete(componentId) ? [{ stepId, componentIds: [componentId], facts: { componentId } }] : [],
        ),
      );
  },
};

/** What a fact is like at the end, for each key it was ever changed for, on the ways where it is not as it should be. */
export function openAtEnd(
  { timeline }: CheckContext,
  name: 'aid' | 'drained' | 'isolated',
): { key: string; value: string | boolean | null; on: ReturnType<typeof answersOn> }[] {
  const { facts } = timeline.end;
  return facts.touched(name).flatMap((key) =>
    facts.variants(name, key).flatMap(({ ways, value }) => {
      const there = timeline.questions.both(ways, timeline.within);
      if (there === NO_WAY || value === null || value === false) return [];
      return [{ key, value, on: answersOn(timeline, there, timeline.within) }];
    }),
  );
}

export const aidLeftIn: Rule<'aid-left-in'> = {
  id: 'aid-left-in',
  family: 'completeness',
  severity: 'stop',
  find: (context) => {
    const { procedure } = context.workbook;
    if (procedure.handsOn) return [];
    return openAtEnd(context, 'aid').map(({ key, value, on }) => {
      const index = procedure.steps.findIndex(({ id }) => id === value);
      return {
        ...(index >= 0 && { stepId: String(value) }),
        ...(on && { on }),
        componentIds: [],
        facts: { toolId: key, putInAt: index >= 0 ? index : null },
      };
    });
  },
  fix: ({ facts: { toolId } }, { workbook: { procedure } }) => {
    const last = procedure.steps.findLast((other) => other.stage === 'put-back') ?? procedure.steps.at(-1);
    return (
      last && {
        words: { does: 'take-out-at-end' },
        edits: [changeStep(last, { aidsOut: [...(last.aidsOut ?? []), toolId] })],
      }
    );
  },
};

export const changeMissed: Rule<'change-missed'> = {
  id: 'change-missed',
  family: 'completeness',
  severity: 'stop',
  find: ({ timeline, workbook }) => {
    const { facts } = timeline.end;
    const pieces = (id: string) => timeline.structure.byComponent.get(id) ?? [];
    const always = <T>(name: 'at' | 'seat' | 'facing', key: string, holds: (value: unknown) => boolean, _type?: T) =>
      facts
        .variants(name, key)
        .every(({ value, ways }) => timeline.questions.both(ways, timeline.within) === NO_WAY || holds(value));
    return (workbook.procedure.intends ?? []).flatMap((change) => {
      const own = pieces(change.componentId);
      const home = (id: string) => always('at', id, (at) => at === 'home');
      const reached = (() => {
        switch (change.kind) {
          case 'leaves':
            return own.every(({ id }) => always('at', id, (at) => at !== 'home'));
          case 'joins':
            return own.some(({ id }) => home(id));
          case 'moves':
            return own.some(
              ({ id, positionId }) =>
                positionId === change.fromPositionId &&
                home(id) &&
                always('seat', id, (seat) => seat === change.toPositionId),
            );
          case 'turns':
            return own.some(({ id }) => home(id) && always('facing', id, (facing) => facing !== null));
          case 'exchanges': {
            const moved = (id: string) =>
              pieces(id).some((piece) => always('seat', piece.id, (seat) => seat !== piece.positionId));
            return moved(change.componentId) && moved(change.withComponentId);
          }
        }
      })();
      if (reached) return [];
      const { kind, componentId, ...more } = change;
      return [{ componentIds: [componentId], facts: { change: kind, componentId, ...more } }];
    });
  },
};

const TIGHTENED_BY: readonly Step['verb'][] = [
  'loosen',
  'start-by-hand',
  'fit',
  'place',
  'seat',
  'press',
  'pin',
  'connect',
];

export const looseAtEnd: Rule<'loose-at-end'> = {
  id: 'loose-at-end',
  family: 'completeness',
  severity: 'warn',
  find: (context) => {
    const { workbook, timeline } = context;
    if (workbook.procedure.handsOn) return [];
    const { facts } = timeline.end;
    const { questions, within, structure } = timeline;
    const byComponent = new Map<string, { pieces: string[]; ways: Ways }>();
    for (const pieceId of facts.touched('thread')) {
      const piece = structure.pieces.get(pieceId);
      if (!piece) continue;
      for (const { ways, value } of facts.variants('thread', pieceId)) {
        if (value !== 'loose' && value !== 'by-hand') continue;
        for (const where of facts.variants('at', pieceId)) {
          const there = where.value === 'home' ? questions.both(within, questions.both(ways, where.ways)) : NO_WAY;
          if (there === NO_WAY) continue;
          const known = byComponent.get(piece.componentId) ?? { pieces: [], ways: NO_WAY };
          known.pieces.push(`${pieceId}/old`);
          byComponent.set(piece.componentId, { ...known, ways: questions.either(known.ways, there) });
        }
      }
    }
    const { steps } = workbook.procedure;
    return [...byComponent].map(([componentId, { pieces, ways }]) => {
      const last = steps.findLastIndex(
        (step) => TIGHTENED_BY.includes(step.verb) && step.targets.some((target) => target.componentId === componentId),
      );
      const on = answersOn(timeline, ways, within);
      return {
        ...(last >= 0 && { stepId: steps[last]?.id ?? '' }),
        ...(on && { on }),
        componentIds: [componentId],
        unitIds: pieces,
        facts: {
          componentId,
          startedAt: last >= 0 ? last : null,
          pieces: pieces.length,
          of: structure.byComponent.get(componentId)?.length ?? 0,
        },
      };
    });
  },
  fix: ({ facts: { componentId, startedAt } }, { workbook }) => ({
    words: { does: 'add-torque' },
    edits: torqueAfter(workbook, componentId, startedAt ?? -1),
  }),
};
