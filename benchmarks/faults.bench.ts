import { check } from '#core/findings/check';
import { readPackage } from '#core/package/package';
import { deleteStep, moveStep } from '#core/procedure/edit';
import type { Step, Workbook } from '#core/procedure/procedure';
import { verbOf } from '#core/procedure/verbs';
import { draftPutBack } from '#core/procedure/way-back/way-back';
import { typed } from '#core/testing/workbook';
import pellwick from '../demo/pellwick-rl-50.fukusa.json' with { type: 'json' };

/**
 * Quality is measured, not claimed: clean procedures, one fault planted at a time, and a count of what the checker
 * notices and what it cries on the clean ones. Kinds of fault that no rule looks for yet are planted too and show as
 * missed. `npm run bench` prints the table.
 */
interface Fault {
  readonly kind: string;
  /** Every way to plant it, one at a time. */
  plant(workbook: Workbook): Workbook[];
}

const withSteps = (workbook: Workbook, steps: readonly Step[]): Workbook => ({
  ...workbook,
  procedure: { ...workbook.procedure, steps: [...steps] },
});
const without = (workbook: Workbook, step: Step): Workbook => ({
  ...workbook,
  procedure: deleteStep(workbook.procedure, step.id),
});
const changed = (workbook: Workbook, step: Step, change: Partial<Step>): Workbook =>
  withSteps(
    workbook,
    workbook.procedure.steps.map((other) => (other.id === step.id ? { ...other, ...change } : other)),
  );
const where = (workbook: Workbook, holds: (step: Step) => boolean): Step[] => workbook.procedure.steps.filter(holds);
const effect = (step: Step) => verbOf(step.verb).effect;

const FAULTS: readonly Fault[] = [
  {
    kind: 'taking dropped',
    plant: (w) => where(w, (step) => effect(step) === 'takes').map((step) => without(w, step)),
  },
  {
    kind: 'refitting dropped',
    plant: (w) => where(w, (step) => effect(step) === 'refits').map((step) => without(w, step)),
  },
  {
    kind: 'renewal dropped',
    plant: (w) => where(w, (step) => effect(step) === 'renews').map((step) => without(w, step)),
  },
  {
    kind: 'unit lost',
    plant: (w) =>
      where(w, (step) => effect(step) === 'refits' && step.targets.length > 0).flatMap((step) => {
        const component = w.series.components.find((c) => c.id === step.targets[0]?.componentId);
        if (!component || component.count < 2) return [];
        return [changed(w, step, { targets: [{ componentId: component.id, count: component.count - 1 }] })];
      }),
  },
  {
    kind: 'one position forgotten',
    plant: (w) =>
      where(w, (step) => effect(step) === 'refits' && step.positionIds.length > 1).map((step) =>
        changed(w, step, { positionIds: step.positionIds.slice(1) }),
      ),
  },
  {
    kind: 'refitted before it is off',
    plant: (w) =>
      where(w, (step) => effect(step) === 'refits').map((step) => ({
        ...w,
        procedure: moveStep(w.procedure, step.id, 0, 'make-safe'),
      })),
  },
  {
    kind: 'torque blanked',
    plant: (w) =>
      where(w, (step) => step.torque !== undefined).map((step) => {
        const { torque: _blanked, ...rest } = step;
        return withSteps(
          w,
          w.procedure.steps.map((other) => (other.id === step.id ? rest : other)),
        );
      }),
  },
  {
    kind: 'torque step dropped',
    plant: (w) => where(w, (step) => step.verb === 'torque').map((step) => without(w, step)),
  },
  {
    kind: 'torque told in the take-down',
    plant: (w) => where(w, (step) => step.verb === 'torque').map((step) => changed(w, step, { stage: 'take-down' })),
  },
  {
    kind: 'source forgotten',
    plant: (w) =>
      where(w, (step) => step.torque?.source !== undefined).map((step) => {
        const { source: _forgotten, ...torque } = step.torque ?? {
          figure: { value: 1, unit: 'N·m' as const },
          tolerancePercent: 4,
        };
        return changed(w, step, { torque });
      }),
  },
  {
    kind: 'isolation dropped',
    plant: (w) => {
      const isolating = where(w, (step) => step.verb === 'isolate' || step.verb === 'lock-out');
      return isolating.length > 0
        ? [
            withSteps(
              w,
              w.procedure.steps.filter((step) => !isolating.includes(step)),
            ),
          ]
        : [];
    },
  },
  {
    kind: 'restoring dropped',
    plant: (w) => {
      const restoring = where(w, (step) => step.verb === 'restore');
      return restoring.length > 0
        ? [
            withSteps(
              w,
              w.procedure.steps.filter((step) => !restoring.includes(step)),
            ),
          ]
        : [];
    },
  },
  {
    kind: 'two refittings swapped',
    plant: (w) => {
      const refits = where(w, (step) => effect(step) === 'refits');
      return refits.slice(1).map((step, i) => ({
        ...w,
        procedure: moveStep(
          w.procedure,
          step.id,
          w.procedure.steps.findIndex((other) => other.id === refits[i]?.id),
        ),
      }));
    },
  },
  {
    kind: 'face left unsaid',
    plant: (w) =>
      where(w, (step) => step.faces !== undefined).map((step) => {
        const { faces: _unsaid, ...rest } = step;
        return withSteps(
          w,
          w.procedure.steps.map((other) => (other.id === step.id ? rest : other)),
        );
      }),
  },
];

/** Clean procedures: the demo's, and drafted ones of several shapes with everything confirmed and sourced. */
function cleanProcedures(): Workbook[] {
  const reading = readPackage(pellwick);
  if (!reading.ok) throw new Error('the demo package is broken');
  const { series, procedures } = reading.package;
  const [sealRenewal] = procedures;
  const demo = sealRenewal ? [{ series, procedure: sealRenewal }] : [];
  const shapes = Array.from({ length: 40 }, (_, n) => {
    const parts = Array.from({ length: 3 + (n % 12) }, (_unused, i) => {
      const shape = (n * 7 + i * 3) % 5;
      if (shape === 0) return `take off ${2 + (i % 7)} ${letters(i)} bolts /socket ${i}`;
      if (shape === 1) return `draw 1 sleeve ${letters(i)} @each shaft`;
      if (shape === 2) return `take off ${2 + (i % 5)} ${letters(i)} nuts`;
      return `take off plate ${letters(i)}`;
    });
    return draftPutBack(typed(['isolate the drive', ...new Set(parts)]));
  }).map((w) =>
    withSteps(
      w,
      w.procedure.steps.map(({ drafted: _confirmed, ...step }) =>
        step.verb === 'torque'
          ? {
              ...step,
              torque: { figure: { value: 20, unit: 'N·m' as const }, tolerancePercent: 4, source: 'generated' },
            }
          : step,
      ),
    ),
  );
  return [...demo, ...shapes];
}

function letters(i: number): string {
  return `${String.fromCharCode(97 + (i % 26))}${String.fromCharCode(97 + ((i * 5) % 26))}`;
}

const clean = cleanProcedures();
const cried = clean.flatMap((workbook) => check(workbook));
console.log(
  `${clean.length} clean procedures: ${cried.filter((finding) => finding.severity === 'stop').length} false stops, ${cried.length} findings in all`,
);
console.log('fault planted                    cases  caught');
let cases = 0;
let caught = 0;
for (const { kind, plant } of FAULTS) {
  let planted = 0;
  let noticed = 0;
  for (const workbook of clean) {
    const before = new Set(check(workbook).map((finding) => `${finding.id} ${finding.sentence}`));
    for (const faulty of plant(workbook)) {
      planted += 1;
      if (check(faulty).some((finding) => !before.has(`${finding.id} ${finding.sentence}`))) noticed += 1;
    }
  }
  cases += planted;
  caught += noticed;
  console.log(
    `${kind.padEnd(32)} ${String(planted).padStart(5)}  ${planted > 0 ? `${((100 * noticed) / planted).toFixed(1)} %` : '-'}`,
  );
}
console.log(`${'all'.padEnd(32)} ${String(cases).padStart(5)}  ${((100 * caught) / cases).toFixed(1)} %`);
