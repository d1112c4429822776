import type { FastenerGroup, FigureUse } from '../model/fastener-group';
import { componentById, groupOf } from '../model/lookup';
import type { Series } from '../model/series';
import type { TorqueFigure } from '../model/torque-figure';
import { kindOf } from '../supplies/consumable-kinds';
import type { ThreadCondition } from './friction';
import type { Fastening } from './preload';
import { classIn } from './strength';
import { type Thread, threadIn } from './threads';

/**
 * What is known of a fastener: as its group says, else as its name does, else by the key that turns it. Undefined where
 * its thread is not known.
 */
export function fasteningOf(
  series: Series,
  componentId: string,
  figure: TorqueFigure | undefined,
  byKey?: Thread,
): Fastening | undefined {
  const group = groupOf(series, componentId);
  const name = componentById(series, componentId)?.name ?? '';
  const thread = threadOfGroup(group) ?? threadIn(name) ?? byKey;
  if (!thread) return undefined;
  return {
    thread,
    class: group?.class ?? classIn(name),
    condition: conditionOf(series, figure?.thread),
    engagement: group?.engagementMm,
    into: group?.into,
  };
}

export function threadOfGroup(group: FastenerGroup | undefined): Thread | undefined {
  return group?.thread === undefined ? undefined : threadIn(group.thread);
}

/** What is on the thread, with the nut factor of its data sheet where that is known. */
export function conditionOf({ consumables }: Series, thread: TorqueFigure['thread']): ThreadCondition | undefined {
  if (!thread || thread.is === 'dry') return thread;
  const consumable = consumables.find(({ id }) => id === thread.consumableId);
  return consumable && { is: 'with', kind: kindOf(consumable), nutFactor: consumable.nutFactor };
}

/** The figure of a group for fitting: that for every fitting, else that for the first, else the one for checking. */
export function figureOfGroup({ figures }: FastenerGroup): TorqueFigure | undefined {
  return FIGURES_IN_ORDER.map((use) => figures.find((one) => one.use === use)).find((one) => one !== undefined)?.torque;
}

const FIGURES_IN_ORDER: readonly FigureUse[] = ['reuse', 'first', 'check'];
