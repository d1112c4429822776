import { z } from 'zod';
import { Id } from '../model/ids';
import { Step } from '../model/procedure';
import { STAGES } from '../model/verbs';
import { type Edit, SERIES_LISTS } from './edit';

/**
 * Edits as they are sent and kept: a field that is taken away is null, since JSON knows no undefined. Whether what they
 * make is a valid document is judged once they are applied.
 */
const Fields = z.record(z.string(), z.unknown());
const List = z.enum(SERIES_LISTS);
const Index = z.int().min(0).max(10_000);

const SentEdit = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('insert'), index: Index, step: Step }),
  z.strictObject({ kind: z.literal('remove'), stepId: Id }),
  z.strictObject({ kind: z.literal('change'), stepId: Id, fields: Fields }),
  z.strictObject({ kind: z.literal('move'), stepId: Id, index: Index, stage: z.enum(STAGES) }),
  z.strictObject({ kind: z.literal('add'), list: List, index: Index.optional(), item: z.looseObject({ id: Id }) }),
  z.strictObject({ kind: z.literal('drop'), list: List, id: Id }),
  z.strictObject({ kind: z.literal('change-component'), componentId: Id, fields: Fields }),
  z.strictObject({ kind: z.literal('change-series'), fields: Fields }),
  z.strictObject({ kind: z.literal('change-procedure'), fields: Fields }),
]);
export const SentEdits = z.array(SentEdit).max(20_000);
export type SentEdits = z.infer<typeof SentEdits>;

export function toSent(edits: readonly Edit[]): SentEdits {
  return edits.map((edit) => ('fields' in edit ? { ...edit, fields: nulled(edit.fields) } : edit) as SentEdits[number]);
}

export function fromSent(sent: SentEdits): Edit[] {
  return sent.map((edit) => ('fields' in edit ? { ...edit, fields: unnulled(edit.fields) } : edit) as Edit);
}

function nulled(fields: object): Record<string, unknown> {
  return Object.fromEntries(Object.entries(fields).map(([key, value]) => [key, value === undefined ? null : value]));
}

function unnulled(fields: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(Object.entries(fields).map(([key, value]) => [key, value === null ? undefined : value]));
}

/** Whether an edit changes the series rather than the procedure. */
export function changesSeries({ kind }: Edit): boolean {
  return kind === 'add' || kind === 'drop' || kind === 'change-component' || kind === 'change-series';
}
