import { replay, type Timeline, unitsIn } from '../cloth/replay';
import type { Unit } from '../cloth/units';
import { componentPhrase, titleOf } from '../narration/sentence';
import type { Workbook } from '../procedure/procedure';
import { componentById, type Series } from '../pump/series';
import type { Finding } from './finding';

/** Everything the replay shows to be wrong, stops first, in the order of the steps. */
export function check(workbook: Workbook, timeline: Timeline = replay(workbook)): Finding[] {
  const found = [
    ...emptyProcedure(workbook),
    ...leftOnCloth(workbook, timeline),
    ...leftInTray(workbook, timeline),
    ...notThere(workbook, timeline),
    ...noFigure(workbook),
  ];
  return [...found.filter((f) => f.severity === 'stop'), ...found.filter((f) => f.severity !== 'stop')];
}

/** What keeps a procedure from being released. */
export function releaseStops(workbook: Workbook): Finding[] {
  return check(workbook).filter((finding) => finding.severity === 'stop');
}

function emptyProcedure({ procedure }: Workbook): Finding[] {
  if (procedure.steps.length > 0) return [];
  return [
    {
      id: 'empty',
      severity: 'stop',
      componentIds: [],
      sentence: 'The procedure has no steps.',
      reason: 'There is nothing a technician could carry out.',
    },
  ];
}

function leftOnCloth({ series }: Workbook, timeline: Timeline): Finding[] {
  const lying = unitsIn(timeline, timeline.end, 'cloth');
  return groupByComponent(lying).map(([componentId, units]) => {
    const taking = lastStepThatMoved(timeline, units);
    return {
      id: 'left-on-cloth',
      severity: 'stop',
      ...(taking && { stepId: taking.stepId }),
      componentIds: [componentId],
      sentence: `${capital(nameUnits(series, componentId, units))} ${units.length > 1 ? 'stay' : 'stays'} on the cloth${
        taking
          ? `: step ${taking.number} takes ${units.length > 1 ? 'them' : 'it'} off and nothing puts ${units.length > 1 ? 'them' : 'it'} back`
          : ''
      }.`,
      reason: 'A part left over means the pump leaks or fails and comes apart again.',
    };
  });
}

function leftInTray({ series }: Workbook, timeline: Timeline): Finding[] {
  const unused = unitsIn(timeline, timeline.end, 'tray');
  return groupByComponent(unused).map(([componentId, units]) => {
    const renewing = timeline.frames.find(
      (frame) => frame.step.verb === 'renew' && frame.step.targets.some((t) => t.componentId === componentId),
    );
    return {
      id: 'left-in-tray',
      severity: 'stop',
      ...(renewing && { stepId: renewing.step.id }),
      componentIds: [componentId],
      sentence: `New ${nameUnits(series, componentId, units, '')} ${units.length > 1 ? 'stay' : 'stays'} in the kit tray: nothing fits ${units.length > 1 ? 'them' : 'it'}.`,
      reason: 'The old part is thrown away and the pump is closed without a new one.',
    };
  });
}

function notThere({ series }: Workbook, timeline: Timeline): Finding[] {
  return timeline.frames.flatMap(({ step, misses }, index) =>
    misses.map((miss): Finding => {
      const component = componentById(series, miss.componentId);
      const name = component ? componentPhrase(component, 2) : 'part';
      const state = {
        'not-in-pump': `${name} are not in the pump any more`,
        'not-out': `${name} are neither on the cloth nor ready in the tray`,
        'already-renewed': `${name} are renewed already`,
      }[miss.reason];
      return {
        id: 'not-there',
        severity: 'warn',
        stepId: step.id,
        componentIds: [miss.componentId],
        sentence: `Step ${index + 1}, "${titleOf(step, series)}": the ${state}.`,
        reason: 'The technician looks for a part that is not there.',
      };
    }),
  );
}

function noFigure({ procedure, series }: Workbook): Finding[] {
  return procedure.steps.flatMap((step, index): Finding[] =>
    step.verb === 'torque' && !step.torque
      ? [
          {
            id: 'no-figure',
            severity: 'warn',
            stepId: step.id,
            componentIds: step.targets.map((target) => target.componentId),
            sentence: `Step ${index + 1}, "${titleOf(step, series)}", gives no torque.`,
            reason: 'Everyone tightens to a figure of their own.',
          },
        ]
      : [],
  );
}

function groupByComponent(units: readonly Unit[]): [string, Unit[]][] {
  const groups = new Map<string, Unit[]>();
  for (const unit of units) groups.set(unit.componentId, [...(groups.get(unit.componentId) ?? []), unit]);
  return [...groups];
}

function lastStepThatMoved(timeline: Timeline, units: readonly Unit[]): { stepId: string; number: number } | undefined {
  const index = timeline.frames.findLastIndex((frame) =>
    frame.moves.some((move) => units.some((unit) => unit.id === move.unitId)),
  );
  const frame = timeline.frames[index];
  return frame && { stepId: frame.step.id, number: index + 1 };
}

/** "the two rotor nuts", or "the rotor of shaft 2" when only some positions are meant. */
function nameUnits(series: Series, componentId: string, units: readonly Unit[], article = 'the '): string {
  const component = componentById(series, componentId);
  if (!component) return `${article}part`;
  const name = `${article}${componentPhrase(component, units.length)}`;
  const set = series.positionSets.find((s) => s.id === component.positionSetId);
  const at = set?.positions.filter((position) => units.some((unit) => unit.positionId === position.id)) ?? [];
  return set && at.length < set.positions.length ? `${name} of ${at.map((p) => p.name).join(' and ')}` : name;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
