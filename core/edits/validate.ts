import type { z } from 'zod';
import { FastenerGroup } from '../model/fastener-group';
import { type DocumentFault, faultsOf } from '../model/faults';
import { Procedure, Step, type Workbook } from '../model/procedure';
import { procedureReferences, seriesReferences } from '../model/references';
import { Component, Consumable, Kit, PositionSet, Stack, Tool } from '../model/series';
import { type Applied, applyWithInverse, type Edit, type SeriesList } from './edit';

export type Edited =
  | ({ readonly ok: true } & Applied)
  | { readonly ok: false; readonly faults: readonly DocumentFault[] };

const ITEMS: Readonly<Record<SeriesList, z.ZodType>> = {
  components: Component,
  tools: Tool,
  consumables: Consumable,
  kits: Kit,
  positionSets: PositionSet,
  stacks: Stack,
  fastenerGroups: FastenerGroup,
};

/** Applies edits if what they make is a valid document; else says what is wrong and changes nothing. */
export function edit(workbook: Workbook, edits: readonly Edit[]): Edited {
  const applied = applyWithInverse(workbook, edits);
  const faults = edits.flatMap((one) => faultsIn(one, applied.workbook));
  if (faults.length > 0) return { ok: false, faults };
  const references = [
    ...(applied.workbook.series === workbook.series ? [] : seriesReferences(applied.workbook.series)),
    ...procedureReferences(applied.workbook.procedure, applied.workbook.series),
  ];
  return references.length > 0 ? { ok: false, faults: references } : { ok: true, ...applied };
}

/** What is wrong with the things an edit touches, as they are after all edits; the rest was valid before. */
function faultsIn(one: Edit, { series, procedure }: Workbook): DocumentFault[] {
  const check = (schema: z.ZodType, value: unknown, at: string): DocumentFault[] => {
    if (value === undefined) return [];
    const parsed = schema.safeParse(value);
    return parsed.success ? [] : faultsOf(parsed.error).map((fault) => ({ ...fault, path: `${at}.${fault.path}` }));
  };
  switch (one.kind) {
    case 'insert':
    case 'change': {
      const id = one.kind === 'insert' ? one.step.id : one.stepId;
      const index = procedure.steps.findIndex((step) => step.id === id);
      return check(Step, procedure.steps[index], `procedure.steps[${index}]`);
    }
    case 'add': {
      const list: readonly { readonly id: string }[] = series[one.list] ?? [];
      const index = list.findIndex(({ id }) => id === one.item.id);
      return check(ITEMS[one.list], list[index], `series.${one.list}[${index}]`);
    }
    case 'change-component': {
      const index = series.components.findIndex(({ id }) => id === one.componentId);
      return check(Component, series.components[index], `series.components[${index}]`);
    }
    case 'change-procedure':
      return check(Procedure, { ...procedure, steps: [] }, 'procedure');
    default:
      return [];
  }
}
