import { toolLabel } from '../model/lookup';
import { nameKey } from '../model/names';
import type { Series } from '../model/series';

/**
 * The series with the tools of another that it lacks, by name and size, with all that is known of each. What also does
 * comes along as far as it is here or comes too.
 */
export function withToolsOf(series: Series, other: Series, newId: () => string): Series {
  const known = new Map(series.tools.map((tool) => [nameKey(toolLabel(tool)), tool.id]));
  const fresh = other.tools.filter((tool) => !known.has(nameKey(toolLabel(tool))));
  const ids = new Map(
    other.tools.map((tool) => [tool.id, known.get(nameKey(toolLabel(tool))) ?? freeId(series.tools, tool.id, newId)]),
  );
  const tools = fresh.map(({ substituteIds, ...tool }) => {
    const substitutes = (substituteIds ?? []).flatMap((id) => ids.get(id) ?? []);
    return { ...tool, id: ids.get(tool.id) ?? newId(), ...(substitutes.length > 0 && { substituteIds: substitutes }) };
  });
  return { ...series, tools: [...series.tools, ...tools] };
}

/** The series with the consumables of another that it lacks, by name. */
export function withConsumablesOf(series: Series, other: Series, newId: () => string): Series {
  const known = new Set(series.consumables.map(({ name }) => nameKey(name)));
  const fresh = other.consumables
    .filter(({ name }) => !known.has(nameKey(name)))
    .map((consumable) => ({ ...consumable, id: freeId(series.consumables, consumable.id, newId) }));
  return { ...series, consumables: [...series.consumables, ...fresh] };
}

function freeId(list: readonly { id: string }[], id: string, newId: () => string): string {
  return list.some((item) => item.id === id) ? newId() : id;
}
