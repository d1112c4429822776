import { movesOf } from '../../bench/replay';
import { newPieces } from '../../bench/state';
import { renewing } from '../../drafting/preparing';
import type { Step } from '../../model/procedure';
import { verbOf } from '../../model/verbs';
import { type KitAlternative, kitAlternatives, kitsNeeded, piecesInKits, piecesNeeded } from '../../supplies/kit-need';
import { atStep, type CheckContext, comesOff, componentOf, indexOf, noticed, type Rule, stepOf } from '../rule';

export const reused: Rule<'reused'> = {
  id: 'reused',
  family: 'renewal',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'reused').map(({ step, on, notice: { componentId, cut } }) => {
      const component = componentOf(context, componentId);
      return {
        ...atStep(step, on),
        componentIds: [componentId],
        ...(cut && { severity: 'stop' as const }),
        facts: { componentId, cut, pieces: component?.positionSetId ? 2 : (component?.count ?? 1) },
      };
    }),
  fix: ({ stepId, facts: { componentId } }, context) => ({
    words: { does: 'add-renewal' },
    edits: renewing(context.workbook, [componentId], stepOf(context, stepId)?.positionIds, indexOf(context, stepId)),
  }),
};

/** A seal that is always renewed and rides along in a part that comes off, while no step ever names it. */
export const untouched: Rule<'untouched'> = {
  id: 'untouched',
  family: 'renewal',
  severity: 'warn',
  find: (context) => {
    const { timeline, workbook } = context;
    const { structure } = timeline;
    const named = new Set(
      workbook.procedure.steps
        .filter(({ verb }) => verbOf(verb).effect !== 'stays')
        .flatMap(({ targets }) => targets.map((target) => target.componentId)),
    );
    const opened = new Set(
      workbook.procedure.steps
        .filter(({ verb }) => ['split', 'join'].includes(verb))
        .flatMap(({ targets }) => targets.map((t) => t.componentId)),
    );
    return workbook.series.components.flatMap((component) => {
      if (component.renewal !== 'always' || !component.hostId || named.has(component.id)) return [];
      const pieces = structure.byComponent.get(component.id) ?? [];
      if (pieces.length === 0 || pieces.every(({ id }) => structure.comesWith.has(id))) return [];
      const hostId = component.hostId;
      const taking = workbook.procedure.steps.find(
        (step) => verbOf(step.verb).effect === 'takes' && step.targets.some((target) => target.componentId === hostId),
      );
      if (!taking || opened.has(hostId)) return [];
      return [{ stepId: taking.id, componentIds: [component.id], facts: { componentId: component.id, hostId } }];
    });
  },
};

/** A part renewed while it is in the pump, and taken off after that: the new one comes out again. */
export const renewedEarly: Rule<'renewed-early'> = {
  id: 'renewed-early',
  family: 'renewal',
  severity: 'warn',
  find: (context) => {
    const { timeline } = context;
    const partOf = (unitId: string) => timeline.units.get(unitId)?.componentId ?? '';
    return timeline.frames.flatMap((frame, index) => {
      if (frame.step.verb !== 'renew') return [];
      const inPlace = new Set(
        movesOf(frame).flatMap(({ act, from, unitId }) =>
          act === 'binned' && from === 'pump' ? [partOf(unitId)] : [],
        ),
      );
      return [...inPlace].flatMap((componentId) => {
        const takenAt = timeline.frames.findIndex((later, i) => i > index && comesOff(timeline, later, componentId));
        if (takenAt < 0) return [];
        return [{ stepId: frame.step.id, componentIds: [componentId], facts: { componentId, takenAt } }];
      });
    });
  },
};

/** What one alternative needs new of each component. */
function neededOn({ timeline, workbook }: CheckContext, { includes }: KitAlternative): Map<string, number> {
  const renewed = new Set(
    workbook.procedure.steps
      .filter((step) => step.verb === 'renew' && includes(step))
      .flatMap(({ targets }) => targets.map(({ componentId }) => componentId)),
  );
  const before = (workbook.before ?? []).length > 0;
  return piecesNeeded(newPieces(timeline).filter((componentId) => before || renewed.has(componentId)));
}

function onAnswer({ answers }: KitAlternative) {
  return answers.length > 0 ? { on: answers } : {};
}

export const kitShort: Rule<'kit-short'> = {
  id: 'kit-short',
  family: 'renewal',
  severity: 'stop',
  find: (context) => {
    const { series, procedure } = context.workbook;
    if (!procedure.kits) return [];
    return kitAlternatives(procedure).flatMap((alternative) => {
      const held = piecesInKits(series, alternative.kits);
      return [...neededOn(context, alternative)].flatMap(([componentId, needed]) => {
        const there = held.get(componentId);
        if (there === undefined || there >= needed) return [];
        return [{ ...onAnswer(alternative), componentIds: [componentId], facts: { componentId, needed, held: there } }];
      });
    });
  },
  fix: ({ on, facts: { componentId, needed } }, context) => {
    const { series, procedure } = context.workbook;
    const alternative = kitAlternatives(procedure).find(({ answers }) =>
      answers.every(({ answerId }) => on?.some((given) => given.answerId === answerId)),
    );
    const kit = series.kits.find(
      ({ id, contents }) =>
        contents.some((content) => content.componentId === componentId) &&
        alternative?.kits.some((choice) => choice.kitId === id),
    );
    if (!kit || !alternative) return undefined;
    const count = kitsNeeded(series, alternative.kits, kit.id, Array(needed).fill(componentId));
    const kits = (procedure.kits ?? []).map((choice) => (choice.kitId === kit.id ? { ...choice, count } : choice));
    return { words: { does: 'lay-out-kits', count }, edits: [{ kind: 'change-procedure', fields: { kits } }] };
  },
};

export const notInKit: Rule<'not-in-kit'> = {
  id: 'not-in-kit',
  family: 'renewal',
  severity: 'warn',
  find: (context) => {
    const { series, procedure } = context.workbook;
    if (!procedure.kits || procedure.kits.length === 0) return [];
    return kitAlternatives(procedure).flatMap((alternative) => {
      const held = piecesInKits(series, alternative.kits);
      return [...neededOn(context, alternative)]
        .filter(([componentId]) => !held.has(componentId))
        .map(([componentId, needed]) => ({
          ...onAnswer(alternative),
          componentIds: [componentId],
          facts: { componentId, needed },
        }));
    });
  },
};

export const kitUnused: Rule<'kit-unused'> = {
  id: 'kit-unused',
  family: 'renewal',
  severity: 'advise',
  find: ({ workbook: { series, procedure }, timeline }) =>
    (procedure.kits ?? []).flatMap((choice) => {
      const { kitId, count, when } = choice;
      const kit = series.kits.find((candidate) => candidate.id === kitId);
      // A kit picked by an answer is not unused because the other answer picks another one.
      if (!kit || when) return [];
      const always = (procedure.kits ?? []).filter((other) => !other.when);
      const needed = kitsNeeded(series, always, kitId, newPieces(timeline));
      if (needed >= count) return [];
      return [
        {
          componentIds: kit.contents.map((content) => content.componentId),
          facts: { kitId, laidOut: count, needed },
        },
      ];
    }),
  fix: ({ facts: { kitId, needed } }, { workbook: { procedure } }) => {
    const kits = (procedure.kits ?? []).flatMap((choice) =>
      choice.kitId !== kitId ? [choice] : needed > 0 ? [{ ...choice, count: needed }] : [],
    );
    return {
      words: needed === 0 ? { does: 'take-kit-out' } : { does: 'lay-out-kits', count: needed },
      edits: [{ kind: 'change-procedure', fields: { kits } }],
    };
  },
};

/** A look or a measurement that says "renew" with nothing behind it: no kit, no part number, no step. */
export const noSpare: Rule<'no-spare'> = {
  id: 'no-spare',
  family: 'renewal',
  severity: 'warn',
  find: (context) => {
    const { series, procedure } = context.workbook;
    const inKits = new Set(series.kits.flatMap(({ contents }) => contents.map(({ componentId }) => componentId)));
    const renewed = new Set(
      procedure.steps
        .filter(({ verb }) => verb === 'renew')
        .flatMap(({ targets }) => targets.map((t) => t.componentId)),
    );
    return procedure.steps.flatMap((step) => {
      const [target, more] = step.targets;
      const component = target && componentOf(context, target.componentId);
      const sign = renewSign(step);
      if (!component || more || !sign || step.decision) return [];
      if (inKits.has(component.id) || renewed.has(component.id) || component.partNumber) return [];
      return [{ stepId: step.id, componentIds: [component.id], facts: { componentId: component.id, sign } }];
    });
  },
};

function renewSign({ looks = [], measurements = [] }: Step): string | undefined {
  const fault = looks.flatMap(({ faults }) => faults).find(({ follows }) => follows === 'renew');
  return fault?.sign ?? measurements.find(({ follows, least, most }) => follows === 'renew' && (least || most))?.what;
}
