import { draftStep } from '../../drafting/draft-step';
import { writtenIn } from '../../edits/written';
import { PLANNED_LIFT_KG } from '../../model/limits';
import { toolLabel } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import { opensPump } from '../../model/verbs';
import { convert, readQuantity } from '../../quantity/quantity';
import { callLine, energyOf, linesIn } from '../../reading/en/safety-words';
import { isLiftingTool, isWeakIsolation, levers, saysLift } from '../../reading/en/wording';
import {
  asNoticed,
  atStep,
  type CheckContext,
  changeStep,
  componentOf,
  draftedBefore,
  indexOf,
  noticed,
  type Rule,
  stepOf,
  targetIds,
  toolsOf,
} from '../rule';

export const springRelease: Rule<'spring-release'> = {
  id: 'spring-release',
  family: 'safety',
  severity: 'stop',
  find: (context) => asNoticed(context, 'spring-release'),
  fix: ({ stepId, facts: { componentId } }, context) => ({
    words: { does: 'ease-first' },
    edits: draftedBefore(context, stepId, 'ease', componentId, {
      cautions: [{ signal: 'WARNING', usual: 'spring' }],
    }),
  }),
};

export const notIsolated: Rule<'not-isolated'> = {
  id: 'not-isolated',
  family: 'safety',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'not-isolated').map(({ step, on }) => ({
      ...atStep(step, on),
      componentIds: targetIds(step),
      facts: {},
    })),
  fix: (_finding, { workbook }) => {
    const step = draftStep(workbook, 'isolate', 'first', { cautions: [{ signal: 'DANGER', usual: 'restart' }] });
    return { words: { does: 'add-isolating' }, edits: [{ kind: 'insert', index: 0, step }] };
  },
};

/** Stopping at the controller is not isolation: somebody, or the machine itself, starts it again. */
export const weakIsolation: Rule<'weak-isolation'> = {
  id: 'weak-isolation',
  family: 'safety',
  severity: 'warn',
  find: ({ workbook: { procedure } }) =>
    procedure.steps.flatMap((step) => {
      const { verb, about } = step;
      if ((verb !== 'isolate' && verb !== 'lock-out') || !about || !isWeakIsolation(about)) return [];
      const proper = procedure.steps.some(
        (other) =>
          other !== step &&
          (other.verb === 'isolate' || other.verb === 'lock-out') &&
          !isWeakIsolation(other.about ?? ''),
      );
      return proper ? [] : [{ stepId: step.id, componentIds: [], facts: { about } }];
    }),
};

export const pressureKept: Rule<'pressure-kept'> = {
  id: 'pressure-kept',
  family: 'safety',
  severity: 'warn',
  find: (context) =>
    noticed(context, 'pressure-kept').map(({ step, on, notice: { line } }) => ({
      ...atStep(step, on),
      componentIds: targetIds(step),
      facts: { line },
    })),
  fix: ({ stepId, facts: { line } }, context) => {
    const { steps } = context.workbook.procedure;
    const isolated = steps.findLastIndex(
      ({ verb, stage }) => ['isolate', 'lock-out', 'close-valve'].includes(verb) && stage === 'make-safe',
    );
    const step = draftStep(context.workbook, 'release-pressure', line ?? 'all', {
      ...(line && { about: callLine(line) }),
      cautions: [{ signal: 'DANGER', usual: 'jet' }],
    });
    const opening = indexOf(context, stepId);
    const index = isolated >= 0 && isolated < opening ? isolated + 1 : 0;
    return { words: { does: 'add-release' }, edits: [{ kind: 'insert', index, step }] };
  },
};

/** Pressure let off while the drive can still start builds up again. */
export const pressureFirst: Rule<'pressure-first'> = {
  id: 'pressure-first',
  family: 'safety',
  severity: 'warn',
  find: ({ workbook: { procedure } }) => {
    const { steps } = procedure;
    const opening = steps.findIndex(({ verb }) => opensPump(verb));
    const safe = opening < 0 ? steps : steps.slice(0, opening);
    const isDrive = (step: Step) =>
      (step.verb === 'isolate' || step.verb === 'lock-out') && energyOf(step.about) !== 'valve';
    // The line fills again as long as its own valve is open.
    const feeds = (step: Step, released: Step) =>
      step.verb === 'close-valve' && linesIn(step.about).some((line) => linesIn(released.about).includes(line));
    return steps.flatMap((step, index) => {
      if (step.verb !== 'release-pressure') return [];
      const drive = steps.findIndex(isDrive);
      const valve = safe.findIndex((later, at) => at > index && feeds(later, step));
      const [isolatedAt, by] = index < drive ? [drive, 'drive' as const] : [valve, 'valve' as const];
      return isolatedAt < 0 ? [] : [{ stepId: step.id, componentIds: [], facts: { isolatedAt, by } }];
    });
  },
  fix: ({ facts: { isolatedAt }, stepId }, context) => {
    const isolating = context.workbook.procedure.steps[isolatedAt];
    if (!isolating) return undefined;
    return {
      words: { does: 'isolate-first' },
      edits: [{ kind: 'move', stepId: isolating.id, index: indexOf(context, stepId), stage: isolating.stage }],
    };
  },
};

/** The heaviest thing a step moves, with all that sits in it. */
function heaviestMoved({ timeline }: CheckContext, index: number): { componentId: string; kg: number } | undefined {
  const massOf = (unitId: string) =>
    timeline.structure.components.get(timeline.units.get(unitId)?.componentId ?? '')?.massKg ?? 0;
  let heaviest: { componentId: string; kg: number } | undefined;
  for (const { moves } of timeline.frames[index]?.runs ?? []) {
    let lifted: typeof heaviest;
    for (const move of moves) {
      if (move.act === 'out' || move.act === 'home')
        lifted = { componentId: timeline.units.get(move.unitId)?.componentId ?? '', kg: massOf(move.unitId) };
      else if (move.act === 'along' && lifted) lifted = { ...lifted, kg: lifted.kg + massOf(move.unitId) };
      if (lifted && lifted.kg > (heaviest?.kg ?? 0)) heaviest = lifted;
    }
  }
  return heaviest;
}

function hasMasses(context: CheckContext): boolean {
  return context.workbook.series.components.some(({ massKg }) => massKg !== undefined);
}

export const heavy: Rule<'heavy'> = {
  id: 'heavy',
  family: 'safety',
  severity: 'warn',
  find: (context) => {
    const { procedure, series } = context.workbook;
    if (!hasMasses(context)) return [];
    return procedure.steps.flatMap((step, index) => {
      const heaviest = heaviestMoved(context, index);
      if (!heaviest || heaviest.kg < PLANNED_LIFT_KG) return [];
      const tools = toolsOf(step, series);
      if (tools.some(({ kind, name }) => kind === 'lifting' || saysLift(name))) return [];
      if (step.cautions.some(({ usual }) => usual === 'heavy') || writtenIn(step).some(({ text }) => saysLift(text)))
        return [];
      return [{ stepId: step.id, componentIds: [heaviest.componentId], facts: heaviest }];
    });
  },
  fix: ({ stepId }, context) => {
    const step = stepOf(context, stepId);
    return (
      step && {
        words: { does: 'add-caution' },
        edits: [changeStep(step, { cautions: [...step.cautions, { signal: 'WARNING', usual: 'heavy' }] })],
      }
    );
  },
};

/** Lifting gear whose load is said and too small. */
export const liftShort: Rule<'lift-short'> = {
  id: 'lift-short',
  family: 'safety',
  severity: 'warn',
  find: (context) => {
    const { procedure, series } = context.workbook;
    if (!hasMasses(context)) return [];
    return procedure.steps.flatMap((step, index) => {
      const lifting = step.toolIds.flatMap(
        (id) =>
          series.tools.find((tool) => tool.id === id && (tool.kind === 'lifting' || isLiftingTool(tool.name))) ?? [],
      );
      const heaviest = lifting.length > 0 ? heaviestMoved(context, index) : undefined;
      return lifting.flatMap((tool) => {
        const reading = readQuantity(/\d[\d.,]*\s*(kg|t|lbs?)\b/i.exec(toolLabel(tool))?.[0] ?? '', 'mass');
        if (!heaviest || !reading.ok || convert(reading.quantity, 'kg').value >= heaviest.kg) return [];
        const facts = { ...heaviest, toolId: tool.id, load: reading.quantity };
        return [{ stepId: step.id, componentIds: [heaviest.componentId], facts }];
      });
    });
  },
};

export const brittlePry: Rule<'brittle-pry'> = {
  id: 'brittle-pry',
  family: 'safety',
  severity: 'warn',
  find: (context) =>
    context.workbook.procedure.steps.flatMap((step) => {
      const pries = step.verb === 'pry' || (step.methods ?? []).some(({ verb }) => verb === 'pry');
      const levered =
        ['take-off', 'draw', 'separate', 'disconnect'].includes(step.verb) &&
        toolsOf(step, context.workbook.series).some(({ name }) => levers(name));
      if (!pries && !levered) return [];
      return step.targets
        .filter(({ componentId }) => componentOf(context, componentId)?.brittle)
        .map(({ componentId }) => ({ stepId: step.id, componentIds: [componentId], facts: { componentId } }));
    }),
  fix: ({ stepId }, context) => {
    const step = stepOf(context, stepId);
    const methods = (step?.methods ?? []).filter(({ verb }) => verb !== 'pry');
    if (!step || (step.verb !== 'pry' && methods.length === step.methods?.length)) return undefined;
    return {
      words: { does: 'draw-instead' },
      edits: [
        changeStep(step, {
          ...(step.verb === 'pry' && { verb: 'draw' as const }),
          ...(step.methods && { methods: methods.length > 0 ? methods : undefined }),
        }),
      ],
    };
  },
};
