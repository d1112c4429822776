import type { Unit } from '../bench/units';
import { componentPhrase } from '../language/en/sentence';
import { componentById, type Series } from '../model/series';

/** "the two rotor nuts", or "the rotor of shaft 2" when only some positions are meant. */
export function nameUnits(series: Series, componentId: string, units: readonly Unit[], article = 'the '): string {
  const component = componentById(series, componentId);
  if (!component) return `${article}part`;
  const name = `${article}${componentPhrase(component, units.length)}`;
  const set = series.positionSets.find((candidate) => candidate.id === component.positionSetId);
  const at = set?.positions.filter((position) => units.some((unit) => unit.positionId === position.id)) ?? [];
  return set && at.length < set.positions.length ? `${name} of ${at.map((p) => p.name).join(' and ')}` : name;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
