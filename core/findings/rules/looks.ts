import { writtenIn } from '../../edits/written';
import { closesOver } from '../../model/kinds';
import type { Measurement, Step } from '../../model/procedure';
import type { Component } from '../../model/series';
import { inSi, readQuantity } from '../../quantity/quantity';
import { rangeIn } from '../../quantity/range';
import { unitOf } from '../../quantity/units';
import { isBroken } from '../../reading/en/remark-words';
import { isEmptyVerdict } from '../../reading/en/wording';
import type { FactsOf } from '../finding';
import { type CheckContext, changeStep, comesOff, componentOf, type Rule, stepOf, targetIds } from '../rule';

/** Every measurement of a step, with those of its other methods. */
function measurementsOf(step: Step): Measurement[] {
  return [...(step.measurements ?? []), ...(step.methods ?? []).flatMap(({ measurements }) => measurements ?? [])];
}

export const limitsContradict: Rule<'limits-contradict'> = {
  id: 'limits-contradict',
  family: 'looks',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) =>
      measurementsOf(step).flatMap((measurement) => {
        const wrong = contradiction(measurement);
        return wrong
          ? [{ stepId: step.id, componentIds: targetIds(step), facts: { what: measurement.what, wrong } }]
          : [];
      }),
    ),
  fix: ({ stepId, facts: { what, wrong } }, context) => {
    const step = stepOf(context, stepId);
    if (!step?.measurements || wrong !== 'order') return undefined;
    const measurements = step.measurements.map((one) => {
      if (one.what !== what || !one.least || !one.most) return one;
      return { ...one, least: one.most, most: one.least };
    });
    return { words: { does: 'swap-limits' }, edits: [changeStep(step, { measurements })] };
  },
};

/** New sizes further than this from their limits are a slip of the point, not wear. */
const MOST_WEAR = 0.5;

function contradiction({
  nominal,
  least,
  most,
  follows,
}: Measurement): FactsOf['limits-contradict']['wrong'] | undefined {
  if (least && most && inSi(least) >= inSi(most)) return 'order';
  if ((least || most) && follows === 'reuse') return 'verdict';
  if (!nominal) return undefined;
  // A new part is within its own limits; where only one is said, on its right side.
  const apart = [least, most].some(
    (limit) => limit && Math.abs(inSi(limit) - inSi(nominal)) > MOST_WEAR * inSi(nominal),
  );
  if (apart) return 'units';
  if ((least && inSi(nominal) < inSi(least)) || (most && inSi(nominal) > inSi(most))) return 'nominal';
  return undefined;
}

/** "Cracked: use again" is a slip of the list. */
export const oddVerdict: Rule<'odd-verdict'> = {
  id: 'odd-verdict',
  family: 'looks',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) => {
      const broken = (step.looks ?? [])
        .flatMap(({ faults }) => faults)
        .find(({ sign, follows }) => follows === 'reuse' && isBroken(sign));
      return broken ? [{ stepId: step.id, componentIds: targetIds(step), facts: { sign: broken.sign } }] : [];
    }),
};

export const noLimits: Rule<'no-limits'> = {
  id: 'no-limits',
  family: 'looks',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) =>
      measurementsOf(step).flatMap((measurement) => {
        if (measurement.least || measurement.most) return [];
        // The limit may be told in words.
        if (writtenIn(step).some(({ where, text }) => where !== 'measurement' && /\d/.test(text))) return [];
        return [{ stepId: step.id, componentIds: targetIds(step), facts: { what: measurement.what } }];
      }),
    ),
};

/** Something is measured and nothing is laid out to measure it with. */
export const noGauge: Rule<'no-gauge'> = {
  id: 'no-gauge',
  family: 'looks',
  severity: 'warn',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) => {
      if (step.toolIds.length > 0) return [];
      const bare = measurementsOf(step).find(({ toolId }) => !toolId);
      if (
        !bare ||
        writtenIn(step).some(({ text }) => /\b(calipers?|callipers?|micrometer|gauge|rule|ring|depth)\b/i.test(text))
      )
        return [];
      return [{ stepId: step.id, componentIds: targetIds(step), facts: { what: bare.what } }];
    }),
};

export const gaugeRange: Rule<'gauge-range'> = {
  id: 'gauge-range',
  family: 'looks',
  severity: 'warn',
  find: ({ workbook: { series, procedure } }) =>
    procedure.steps.flatMap((step) =>
      measurementsOf(step).flatMap(({ what, nominal, least, most, toolId }) => {
        const size = nominal ?? least ?? most;
        const ids = toolId ? [toolId] : step.toolIds;
        const gauges = series.tools.flatMap((tool) => {
          if (!ids.includes(tool.id)) return [];
          const range = tool.range ?? rangeIn(tool.size ?? '', readLength);
          return range && unitOf(range.from.unit).dimension === 'length' ? [{ tool, ...range }] : [];
        });
        const [first] = gauges;
        if (!size || !first) return [];
        const fits = gauges.some(({ from, to }) => inSi(size) >= inSi(from) * 0.999 && inSi(size) <= inSi(to) * 1.001);
        return fits ? [] : [{ stepId: step.id, componentIds: targetIds(step), facts: { toolId: first.tool.id, what } }];
      }),
    ),
};

function readLength(words: string) {
  const reading = readQuantity(words, 'length');
  return reading.ok ? reading.quantity : undefined;
}

/** "Inspect the seat" and nothing to look for, or "good" for all there is to find. */
export const nothingToLookFor: Rule<'nothing-to-look-for'> = {
  id: 'nothing-to-look-for',
  family: 'looks',
  severity: 'advise',
  find: ({ workbook }) =>
    workbook.procedure.steps.flatMap((step) => {
      const [target] = step.targets;
      if (!target || !LOOKING.includes(step.verb)) return [];
      const looks = step.looks ?? [];
      const empty = looks.find((look) => isEmptyVerdict(look.sound) && look.faults.length === 0);
      const bare =
        looks.length === 0 &&
        measurementsOf(step).length === 0 &&
        !step.detail &&
        !step.text &&
        !step.photo &&
        !step.decision;
      // A measurement without anything to enter cannot be kept at the bench.
      const unmeasured =
        step.verb === 'measure' &&
        measurementsOf(step).length === 0 &&
        !writtenIn(step).some(({ text }) => /\d/.test(text));
      if (!empty && !bare && !unmeasured) return [];
      return [
        {
          stepId: step.id,
          componentIds: targetIds(step),
          ...((empty || unmeasured) && { severity: 'warn' as const }),
          facts: { componentId: target.componentId, measures: unmeasured },
        },
      ];
    }),
};

const LOOKING: readonly Step['verb'][] = ['inspect', 'measure', 'compare'];

/** The series says what to look at on a part whenever it is out, and no step does. */
export const neverLooked: Rule<'never-looked'> = {
  id: 'never-looked',
  family: 'looks',
  severity: 'warn',
  find: (context) => {
    const { workbook, timeline } = context;
    const looked = new Set(
      workbook.procedure.steps
        .filter(({ verb, looks, measurements }) => LOOKING.includes(verb) || looks || measurements)
        .flatMap(targetIds),
    );
    return workbook.series.components.flatMap((component) => {
      if (!component.looks || component.looks.length === 0 || looked.has(component.id)) return [];
      const taking = timeline.frames.find((frame) => comesOff(timeline, frame, component.id));
      if (!taking) return [];
      return [{ stepId: taking.step.id, componentIds: [component.id], facts: { componentId: component.id } }];
    });
  },
};

/** The steps that look at a single part, with their place, as far as they judge it in a way that matters. */
function looksAtOnePart(context: CheckContext, judges: (step: Step) => boolean) {
  return context.workbook.procedure.steps.flatMap((step, index) => {
    const [target, more] = step.targets;
    const part = target && !more ? componentOf(context, target.componentId) : undefined;
    return part && LOOKING.includes(step.verb) && judges(step) ? [{ step, index, part }] : [];
  });
}

/** A look that may say "renew" comes when the part is back in its place already. */
export const lookLate: Rule<'look-late'> = {
  id: 'look-late',
  family: 'looks',
  severity: 'warn',
  find: (context) =>
    looksAtOnePart(context, judgesWear).flatMap(({ step, index, part }) => {
      const { frames, units } = context.timeline;
      let last: string | undefined;
      for (const { moves } of frames.slice(0, index))
        for (const { act, unitId } of moves)
          if (units.get(unitId)?.componentId === part.id && (act === 'out' || act === 'home')) last = act;
      if (last !== 'home' || isOutAgain(context, part.id, index)) return [];
      return [{ stepId: step.id, componentIds: [part.id], facts: { componentId: part.id } }];
    }),
};

/** A look or a measurement told while the part is still under a cover that comes off later. */
export const lookEarly: Rule<'look-early'> = {
  id: 'look-early',
  family: 'looks',
  severity: 'warn',
  find: (context) => {
    const { timeline } = context;
    const judges = (step: Step) =>
      step.looks?.some(({ faults }) => faults.length > 0) === true || measurementsOf(step).length > 0;
    return looksAtOnePart(context, judges).flatMap(({ step, index, part }) => {
      // Before anything is opened a part may be looked at from outside.
      const isOpen = timeline.frames.slice(0, index).some(({ moves }) => moves.some(({ act }) => act === 'out'));
      const takenAt = timeline.frames.findIndex((frame) => comesOff(timeline, frame, part.id));
      if (!isOpen || takenAt <= index) return [];
      const byComponentId = coverTakenBetween(context, part, index, takenAt);
      if (byComponentId === undefined) return [];
      return [{ stepId: step.id, componentIds: [part.id], facts: { componentId: part.id, byComponentId } }];
    });
  },
};

/** The first cover that comes off between two steps and may lie over a part; its own fasteners do not hide it. */
function coverTakenBetween(context: CheckContext, part: Component, from: number, to: number): string | undefined {
  const { frames, units, structure } = context.timeline;
  return frames
    .slice(from + 1, to)
    .flatMap(({ moves }) => moves.flatMap(({ act, unitId }) => (act === 'out' ? (units.get(unitId) ?? []) : [])))
    .find(({ componentId }) => {
      const kind = componentOf(context, componentId)?.kind;
      const said = part.coveredBy?.find((cover) => cover.componentId === componentId)?.said;
      const covers = kind !== undefined && closesOver(kind) && !structure.threaded.has(componentId);
      return componentId !== part.id && covers && said !== 'clear';
    })?.componentId;
}

function judgesWear({ looks = [] }: Step): boolean {
  return looks.some(({ faults }) => faults.some(({ follows }) => follows === 'renew'));
}

/** Taken off once more for the look. */
function isOutAgain({ timeline }: CheckContext, componentId: string, index: number): boolean {
  return timeline.frames.slice(index + 1).some((frame) => comesOff(timeline, frame, componentId));
}
