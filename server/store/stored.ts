import { EntryContent } from '#core/job/entry';
import { HouseRules } from '#core/model/house-rules';
import {
  DOCUMENT_FORMAT,
  migrateEntry,
  migrateProcedure,
  migrateSeries,
  migrateWorkbook,
} from '#core/model/migrations/migrate';
import { Procedure, type Workbook } from '#core/model/procedure';
import { Series } from '#core/model/series';

/**
 * A document as the database has it, with the format it was written in. Everything stored is read through here. One of
 * the present format was found valid when it was written and is taken as it is.
 */
interface Stored {
  readonly format: number;
  readonly document: unknown;
}

export function storedSeries({ document, format }: Stored): Series {
  return format === DOCUMENT_FORMAT ? (document as Series) : Series.parse(migrateSeries(document, format));
}

/** A procedure, given its series as that is stored: what an old one means depends on the parts it names. */
export function storedProcedure({ document, format }: Stored, series: unknown): Procedure {
  return format === DOCUMENT_FORMAT
    ? (document as Procedure)
    : Procedure.parse(migrateProcedure(document, format, series));
}

/** What a release froze. */
export function storedWorkbook({ document, format }: Stored): Workbook {
  if (format === DOCUMENT_FORMAT) return document as Workbook;
  const { series, procedure, before, house } = migrateWorkbook(document, format) as Record<string, unknown>;
  return {
    series: Series.parse(series),
    procedure: Procedure.parse(procedure),
    ...(Array.isArray(before) && before.length > 0 && { before: before.map((module) => Procedure.parse(module)) }),
    ...(house !== undefined && { house: HouseRules.parse(house) }),
  };
}

export function storedEntry({ content, format }: { readonly content: unknown; readonly format: number }): EntryContent {
  return format === DOCUMENT_FORMAT ? (content as EntryContent) : EntryContent.parse(migrateEntry(content, format));
}
