import { PLANNED_LIFT_KG } from '../model/limits';
import { componentById } from '../model/lookup';
import { type Step, USUAL_CAUTION_IDS, type UsualCautionId } from '../model/procedure';
import type { Component, Series } from '../model/series';
import { opensPump, verbOf } from '../model/verbs';

type Fits = (step: Step, parts: readonly Component[], series: Series) => boolean;

/** The steps at which the usual cautions are said; the others only when somebody asks for them. Common practice. */
const FITS: Partial<Readonly<Record<UsualCautionId, Fits>>> = {
  restart: ({ verb }) => verb === 'isolate' || verb === 'lock-out',
  jet: ({ verb }) => verb === 'release-pressure',
  controller: ({ verb }) => verb === 'isolate',
  stored: ({ verb }) => verb === 'release-pressure',
  residue: ({ verb }) => verb === 'drain',
  spring: ({ verb }, parts) => parts.some((part) => part.springLoaded) && (opensPump(verb) || verb === 'ease'),
  heavy: ({ verb }, parts) =>
    parts.some((part) => (part.massKg ?? 0) >= PLANNED_LIFT_KG) && verbOf(verb).effect !== 'stays',
  pinch: ({ verb }) => verb === 'turn',
  splinters: (_step, parts) => parts.some((part) => part.brittle),
  skin: (step, _parts, series) =>
    step.applications.some(({ consumableId }) => series.consumables.find(({ id }) => id === consumableId)?.hazard),
  pry: ({ verb }) => verb === 'pry',
  scratch: ({ verb }, parts) =>
    opensPump(verb) && parts.some(({ kind }) => kind === 'o-ring' || kind === 'lip-seal' || kind === 'seal'),
  wrench: ({ verb }) => verb === 'torque',
  onward: ({ verb }, parts) => verb === 'pin' && parts.some((part) => part.kind === 'pin'),
};

/** The usual cautions for a step that it does not say yet; `says` tells whether one of its own words says one. */
export function suggestedCautions(step: Step, series: Series, says: (id: UsualCautionId) => boolean): UsualCautionId[] {
  const parts = step.targets.flatMap(({ componentId }) => componentById(series, componentId) ?? []);
  const said = new Set(step.cautions.map(({ usual }) => usual));
  return USUAL_CAUTION_IDS.filter((id) => !said.has(id) && !says(id) && FITS[id]?.(step, parts, series));
}
