import { deleteStep, moveStep } from '#core/edits/steps';
import { sayStep } from '#core/language/en/sentence';
import { CONSUMABLE_BASES } from '#core/model/consumables';
import type { Direction } from '#core/model/faces';
import { isFastener } from '#core/model/kinds';
import { positionSetById } from '#core/model/lookup';
import type { Step, Workbook } from '#core/model/procedure';
import type { Component } from '#core/model/series';
import { verbOf } from '#core/model/verbs';
import { endMeant, placesInStacks } from '#core/orientation/directions';
import { sayQuantity } from '#core/quantity/quantity';
import { isKeptFluid } from '#core/reading/en/safety-words';
import { rate } from '#core/supplies/compatibility';
import { isCompound } from '#core/supplies/consumable-kinds';
import { materialOf } from '#core/supplies/materials';

/** A kind of mistake that trainers make. */
export interface Fault {
  readonly kind: string;
  /** Every way to plant it, one at a time. */
  plant(workbook: Workbook): Workbook[];
}

const effect = (step: Step) => verbOf(step.verb).effect;
const takes = (step: Step) => effect(step) === 'takes' && step.targets.length > 0;
const refits = (step: Step) => effect(step) === 'refits' && step.targets.length > 0;

const withSteps = (workbook: Workbook, steps: readonly Step[]): Workbook => ({
  ...workbook,
  procedure: { ...workbook.procedure, steps: [...steps] },
});
const without = (workbook: Workbook, step: Step): Workbook => ({
  ...workbook,
  procedure: deleteStep(workbook.procedure, step.id),
});
const where = (workbook: Workbook, holds: (step: Step) => boolean): Step[] => workbook.procedure.steps.filter(holds);

/** One workbook for each step that a change applies to; a change of undefined leaves that step alone. */
const eachStep = (workbook: Workbook, change: (step: Step) => Partial<Step> | undefined): Workbook[] =>
  workbook.procedure.steps.flatMap((step) => {
    const fields = change(step);
    if (!fields) return [];
    const changed = Object.fromEntries(
      Object.entries({ ...step, ...fields }).filter(([, value]) => value !== undefined),
    ) as Step;
    return [
      withSteps(
        workbook,
        workbook.procedure.steps.map((other) => (other === step ? changed : other)),
      ),
    ];
  });
const eachComponent = (workbook: Workbook, change: (part: Component) => Partial<Component> | undefined): Workbook[] =>
  workbook.series.components.flatMap((part) => {
    const fields = change(part);
    if (!fields) return [];
    const components = workbook.series.components.map((other) => (other === part ? { ...part, ...fields } : other));
    return [{ ...workbook, series: { ...workbook.series, components } }];
  });
const dropped =
  (holds: (step: Step) => boolean) =>
  (workbook: Workbook): Workbook[] =>
    where(workbook, holds).map((step) => without(workbook, step));
/** All steps of a kind gone at once; nothing where there is none. */
const allDropped =
  (holds: (step: Step) => boolean) =>
  (workbook: Workbook): Workbook[] => {
    const kept = where(workbook, (step) => !holds(step));
    return kept.length < workbook.procedure.steps.length ? [withSteps(workbook, kept)] : [];
  };
const partOf = ({ series }: Workbook, step: Step) =>
  series.components.find((part) => part.id === step.targets[0]?.componentId);
/** The direction away from the one given. */
const turnedRound = ({ away, ...direction }: Direction): Direction => (away ? direction : { ...direction, away: true });
/** The workbook with a tool of this name in the series, and its id. */
const withTool = (workbook: Workbook, name: string): { workbook: Workbook; id: string } => {
  const tools = [...workbook.series.tools, { id: 'planted', name }];
  return { workbook: { ...workbook, series: { ...workbook.series, tools } }, id: 'planted' };
};

const isCompoundOf = ({ series }: Workbook, id: string): boolean => {
  const consumable = series.consumables.find((candidate) => candidate.id === id);
  return consumable !== undefined && isCompound(consumable);
};
const openMinutesOf = ({ series }: Workbook, id: string) =>
  series.consumables.find((consumable) => consumable.id === id)?.openMinutes;

export const FAULTS: readonly Fault[] = [
  { kind: 'taking dropped', plant: dropped(takes) },
  { kind: 'refitting dropped', plant: dropped(refits) },
  { kind: 'renewal dropped', plant: dropped((step) => effect(step) === 'renews') },
  {
    kind: 'unit lost',
    plant: (w) =>
      eachStep(w, (step) => {
        const part = refits(step) ? partOf(w, step) : undefined;
        return part && part.count > 1 ? { targets: [{ componentId: part.id, count: part.count - 1 }] } : undefined;
      }),
  },
  {
    kind: 'one position forgotten',
    plant: (w) =>
      eachStep(w, (step) => {
        const places = positionSetById(w.series, partOf(w, step)?.positionSetId)?.positions.map((p) => p.id) ?? [];
        const meant = step.positionIds.length > 0 ? step.positionIds : places;
        return refits(step) && meant.length > 1 ? { positionIds: meant.slice(1) } : undefined;
      }),
  },
  {
    kind: 'refitted before it is off',
    plant: (w) => where(w, refits).map((step) => ({ ...w, procedure: moveStep(w.procedure, step.id, 0, 'make-safe') })),
  },
  {
    kind: 'two refittings swapped',
    plant: (w) => {
      const steps = where(w, refits);
      return steps.slice(1).flatMap((step, i) => {
        const before = steps[i];
        if (!before || before.when || step.when) return [];
        return [{ ...w, procedure: moveStep(w.procedure, step.id, w.procedure.steps.indexOf(before)) }];
      });
    },
  },
  {
    kind: 'taken off tight',
    plant: (w) =>
      where(w, takes).flatMap((step) => {
        const holds = partOf(w, step)?.heldBy ?? [];
        const at = w.procedure.steps.indexOf(step);
        const loosening = w.procedure.steps.findIndex(
          (other) => takes(other) && other.targets.some((target) => holds.includes(target.componentId)),
        );
        if (loosening < 0 || loosening > at) return [];
        return [{ ...w, procedure: moveStep(w.procedure, step.id, loosening) }];
      }),
  },
  {
    kind: 'put to the wrong shaft or end',
    plant: (w) =>
      eachStep(w, (step) => {
        const part = partOf(w, step);
        const [one, two] = positionSetById(w.series, part?.positionSetId)?.positions ?? [];
        if (!refits(step) || !part?.matched || !one || !two) return undefined;
        return { positionIds: [two.id], fromPositionId: one.id };
      }),
  },
  {
    kind: 'marking of matched parts dropped',
    plant: (w) => dropped((step) => step.verb === 'mark' && partOf(w, step)?.matched === true)(w),
  },
  {
    kind: 'face flipped',
    plant: (w) =>
      eachStep(w, (step) =>
        step.faces && refits(step) ? { faces: { ...step.faces, toward: turnedRound(step.faces.toward) } } : undefined,
      ),
  },
  {
    kind: 'face left unsaid',
    plant: (w) => eachStep(w, (step) => (step.faces && refits(step) ? { faces: undefined } : undefined)),
  },
  { kind: 'torque blanked', plant: (w) => eachStep(w, (step) => (step.torque ? { torque: undefined } : undefined)) },
  { kind: 'torque step dropped', plant: dropped((step) => step.verb === 'torque') },
  {
    kind: 'torque told in the take-down',
    plant: (w) => eachStep(w, (step) => (step.verb === 'torque' ? { stage: 'take-down' } : undefined)),
  },
  {
    kind: 'torque in words without a unit',
    plant: (w) =>
      eachStep(w, (step) =>
        step.torque
          ? { torque: undefined, detail: `Tighten crosswise to ${step.torque.figure.value}, then once more.` }
          : undefined,
      ),
  },
  {
    kind: 'source forgotten',
    plant: (w) =>
      eachStep(w, (step) => {
        if (!step.torque?.source) return undefined;
        const { source: _forgotten, ...torque } = step.torque;
        return { torque };
      }),
  },
  {
    kind: 'impact tool tightens',
    plant: (w) => {
      const { workbook, id } = withTool(w, 'impact driver');
      return eachStep(workbook, (step) => (step.verb === 'torque' ? { toolIds: [id] } : undefined));
    },
  },
  {
    kind: 'torque wrench loosens',
    plant: (w) => {
      const { workbook, id } = withTool(w, 'torque wrench');
      return eachStep(workbook, (step) =>
        takes(step) && isFastener(partOf(w, step)?.kind ?? 'other') ? { toolIds: [id] } : undefined,
      );
    },
  },
  {
    kind: 'aid left in',
    plant: (w) => {
      const { workbook, id } = withTool(w, 'guide pins');
      return eachStep(workbook, (step) => (refits(step) ? { aidsIn: [...(step.aidsIn ?? []), id] } : undefined));
    },
  },
  { kind: 'isolation dropped', plant: allDropped((step) => step.verb === 'isolate' || step.verb === 'lock-out') },
  { kind: 'pressure release dropped', plant: allDropped((step) => step.verb === 'release-pressure') },
  { kind: 'restoring dropped', plant: allDropped((step) => step.verb === 'restore') },
  {
    kind: 'oil not filled again',
    plant: (w) =>
      w.procedure.steps.some(({ verb, about }) => verb === 'drain' && isKeptFluid(about))
        ? allDropped((step) => step.verb === 'fill')(w)
        : [],
  },
  {
    kind: 'spring let go',
    plant: (w) =>
      eachComponent(w, (part) =>
        w.procedure.steps.some((step) => takes(step) && step.targets.some((t) => t.componentId === part.id))
          ? { springLoaded: true }
          : undefined,
      ),
  },
  {
    kind: 'brittle part pried',
    plant: (w) =>
      where(w, takes).flatMap((step) => {
        const part = partOf(w, step);
        if (!part) return [];
        const [brittle] = eachComponent(w, (other) => (other.id === part.id ? { brittle: true } : undefined));
        return brittle ? eachStep(brittle, (other) => (other === step ? { verb: 'pry' } : undefined)) : [];
      }),
  },
  {
    kind: 'heavy part lifted without a word',
    plant: (w) =>
      eachComponent(w, (part) =>
        w.procedure.steps.some(
          (step) =>
            takes(step) && !step.detail && step.cautions.length === 0 && step.targets[0]?.componentId === part.id,
        )
          ? { massKg: 40 }
          : undefined,
      ),
  },
  {
    kind: 'kit one short',
    plant: (w) =>
      (w.procedure.kits ?? []).flatMap(({ kitId }) => {
        const kit = w.series.kits.find(({ id }) => id === kitId);
        return (kit?.contents ?? [])
          .filter(({ count }) => count > 1)
          .map((content) => {
            const contents = (kit?.contents ?? []).map((other) =>
              other === content ? { ...content, count: content.count - 1 } : other,
            );
            const kits = w.series.kits.map((other) => (other.id === kitId ? { ...other, contents } : other));
            return { ...w, series: { ...w.series, kits } };
          });
      }),
  },
  {
    kind: 'photo at the last look dropped',
    plant: (w) => eachStep(w, (step) => (step.photo && step.faces && refits(step) ? { photo: undefined } : undefined)),
  },
  {
    kind: 'answer leads nowhere',
    plant: (w) =>
      eachStep(w, (step) =>
        step.when ? { when: step.when.map((condition) => ({ ...condition, answerIds: ['gone'] })) } : undefined,
      ),
  },
  {
    kind: 'grease that attacks the seal',
    plant: (w) =>
      w.series.consumables.length === 0
        ? []
        : where(w, (step) => step.applications.length > 0).flatMap((step) => {
            const material = step.targets.flatMap(({ componentId }) => {
              const part = w.series.components.find(({ id }) => id === componentId);
              return part ? (materialOf(part) ?? []) : [];
            })[0];
            const base = material && CONSUMABLE_BASES.find((candidate) => (rate(material, candidate) ?? 0) >= 3);
            if (!base) return [];
            const consumables = [
              ...w.series.consumables,
              { id: 'planted', name: 'other grease', base, kind: 'grease' as const },
            ];
            return eachStep({ ...w, series: { ...w.series, consumables } }, (other) =>
              other === step ? { applications: [{ consumableId: 'planted' }] } : undefined,
            );
          }),
  },
  {
    kind: 'grease forgotten',
    plant: (w) =>
      eachStep(w, (step) =>
        refits(step) && partOf(w, step)?.wants && step.applications.length > 0 ? { applications: [] } : undefined,
      ),
  },
  {
    kind: 'old compound left on the thread',
    plant: (w) =>
      dropped(
        (step) =>
          step.verb === 'clean' &&
          step.targets.some(({ componentId }) =>
            w.procedure.steps.some(
              (other) =>
                other.targets.some((target) => target.componentId === componentId) &&
                other.applications.some(({ consumableId }) => isCompoundOf(w, consumableId)),
            ),
          ),
      )(w),
  },
  {
    kind: 'compound sets before the torque',
    plant: (w) =>
      eachStep(w, (step) =>
        refits(step) && step.applications.some(({ consumableId }) => openMinutesOf(w, consumableId) !== undefined)
          ? { minutes: 90 }
          : undefined,
      ),
  },
  { kind: 'soak dropped', plant: dropped((step) => step.verb === 'soak') },
  {
    kind: 'soak put off to the last moment',
    plant: (w) =>
      where(w, (step) => step.verb === 'soak').flatMap((step) => {
        const part = partOf(w, step);
        const { steps } = w.procedure;
        const fitted = steps.findIndex((other) => refits(other) && other.targets[0]?.componentId === part?.id);
        if (fitted < 0) return [];
        return [{ ...w, procedure: moveStep(w.procedure, step.id, fitted - 1) }];
      }),
  },
  {
    kind: 'figure for another thread',
    plant: (w) =>
      eachStep(w, (step) => {
        if (!step.torque?.thread) return undefined;
        const consumableId = w.series.consumables[0]?.id ?? '';
        const thread = step.torque.thread.is === 'dry' ? { is: 'with' as const, consumableId } : { is: 'dry' as const };
        return consumableId ? { torque: { ...step.torque, thread } } : undefined;
      }),
  },
  {
    kind: 'the same figure twice, inch for foot',
    plant: (w) =>
      eachStep(w, (step) =>
        step.torque
          ? { torque: { ...step.torque, also: { value: step.torque.figure.value / 1.3558, unit: 'lbf·in' } } }
          : undefined,
      ),
  },
  {
    kind: 'ring of a stack turned round',
    plant: (w) =>
      eachStep(w, (step) => {
        const part = partOf(w, step);
        const [place] = part ? placesInStacks(w.series, part.id) : [];
        const end = place && part?.faces && endMeant(part.faces.toward, place);
        if (!refits(step) || !step.faces || !end) return undefined;
        return { faces: { ...step.faces, toward: { is: end === 'mouth' ? 'bottom' : 'mouth' } } };
      }),
  },
  {
    kind: 'stack fitted in another order',
    plant: (w) => {
      const steps = where(w, (step) => refits(step) && placesInStacks(w.series, partOf(w, step)?.id ?? '').length > 0);
      return steps.slice(1).flatMap((step, i) => {
        const before = steps[i];
        return before ? [{ ...w, procedure: moveStep(w.procedure, step.id, w.procedure.steps.indexOf(before)) }] : [];
      });
    },
  },
  {
    kind: 'stack one ring short',
    plant: (w) =>
      (w.series.stacks ?? []).flatMap((stack) =>
        stack.layers
          .filter(({ count }) => count > 1)
          .map((layer) => {
            const layers = stack.layers.map((other) =>
              other === layer ? { ...layer, count: layer.count - 1 } : other,
            );
            const stacks = (w.series.stacks ?? []).map((other) => (other === stack ? { ...stack, layers } : other));
            return { ...w, series: { ...w.series, stacks } };
          }),
      ),
  },
  {
    kind: 'another figure in the own words',
    plant: (w) =>
      eachStep(w, (step) =>
        step.torque
          ? {
              text: sayStep(step, w.series).replace(
                sayQuantity(step.torque.figure),
                `${step.torque.figure.value + 9} N·m`,
              ),
            }
          : undefined,
      ),
  },
  {
    kind: 'part left out of the own words',
    plant: (w) => eachStep(w, (step) => (refits(step) ? { text: 'Put it back as it was.' } : undefined)),
  },
  {
    kind: 'tool told in words only',
    plant: (w) =>
      eachStep(w, (step) =>
        takes(step) && !step.detail ? { detail: 'Loosen it with a rubber mallet first.' } : undefined,
      ),
  },
  {
    kind: 'vague words',
    plant: (w) => eachStep(w, (step) => (refits(step) && !step.detail ? { detail: 'Seat it properly.' } : undefined)),
  },
  {
    kind: 'as shown, with no picture',
    plant: (w) =>
      eachStep(w, (step) =>
        refits(step) && !step.detail && !step.pictures ? { detail: 'It sits as shown.' } : undefined,
      ),
  },
  {
    kind: 'two things in one sentence',
    plant: (w) =>
      eachStep(w, (step) =>
        takes(step) && !step.detail ? { detail: 'Turn it by hand, then lift the other end.' } : undefined,
      ),
  },
  {
    kind: 'a sentence too long',
    plant: (w) => {
      const long =
        'This is said in so many words that by the end of the sentence nobody at all knows what the beginning of it had been about.';
      return eachStep(w, (step) => (refits(step) && !step.detail ? { detail: long } : undefined));
    },
  },
  {
    kind: 'a word this workshop says otherwise',
    plant: (w) =>
      eachStep({ ...w, house: { terms: [{ say: 'bore', insteadOf: ['hole'] }] } }, (step) =>
        refits(step) && !step.detail ? { detail: 'Look into the hole.' } : undefined,
      ),
  },
];
