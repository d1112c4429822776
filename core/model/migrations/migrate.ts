import { typedDirection } from './typed-directions';

/**
 * The format documents are written in. Whatever is older is brought up to it wherever it is read: drafts, releases,
 * jobs, entries and packages. Every change of meaning gets a migration of its own below; none is ever taken out.
 */
export const DOCUMENT_FORMAT = 2;

type Json = unknown;
type JsonObject = { readonly [key: string]: Json };

/** What a procedure or an entry has to know of its series to be brought up. */
interface Context {
  readonly components: readonly { readonly id: string; readonly name: string }[];
}

interface Migration {
  /** The format it leads to. */
  readonly to: number;
  readonly name: string;
  readonly series?: (series: JsonObject, context: Context) => JsonObject;
  readonly procedure?: (procedure: JsonObject, context: Context) => JsonObject;
  readonly entry?: (entry: JsonObject) => JsonObject;
}

const MIGRATIONS: readonly Migration[] = [
  {
    to: 2,
    name: 'directions are typed, and drafted steps name their drafted fields',
    series: (series, context) => ({
      ...series,
      ...mapped(series, 'components', (component) => typedFaces(component, context)),
    }),
    procedure: (procedure, context) => ({
      ...procedure,
      ...mapped(procedure, 'steps', (step) => {
        const { drafted, ...rest } = typedFaces(step, context);
        const fields = drafted === true ? ['verb', 'targets', 'about'] : drafted;
        return { ...rest, ...(fields !== undefined && { drafted: fields }) };
      }),
    }),
  },
];

/** A series as it is written today, whatever format it was stored in; not validated yet. */
export function migrateSeries(series: Json, from: number): Json {
  return upTo(series, from, ({ series: change }, document) => change?.(document, contextOf(series)) ?? document);
}

/** A procedure as it is written today, given the series it is of, as that was stored. */
export function migrateProcedure(procedure: Json, from: number, series: Json): Json {
  return upTo(procedure, from, ({ procedure: change }, document) => change?.(document, contextOf(series)) ?? document);
}

/** What was frozen by a release. */
export function migrateWorkbook(workbook: Json, from: number): Json {
  if (!isObject(workbook)) return workbook;
  const { series, procedure, before } = workbook;
  return {
    ...workbook,
    series: migrateSeries(series, from),
    procedure: migrateProcedure(procedure, from, series),
    ...(Array.isArray(before) && { before: before.map((module) => migrateProcedure(module, from, series)) }),
  };
}

/** An entry of a job. */
export function migrateEntry(content: Json, from: number): Json {
  return upTo(content, from, ({ entry: change }, document) => change?.(document) ?? document);
}

function upTo(document: Json, from: number, step: (migration: Migration, document: JsonObject) => JsonObject): Json {
  if (!isObject(document)) return document;
  return MIGRATIONS.filter(({ to }) => to > from).reduce((changed, migration) => step(migration, changed), document);
}

function contextOf(series: Json): Context {
  const list = isObject(series) && Array.isArray(series.components) ? series.components : [];
  return {
    components: list.flatMap((component) =>
      isObject(component) && typeof component.id === 'string' && typeof component.name === 'string'
        ? [{ id: component.id, name: component.name }]
        : [],
    ),
  };
}

/** "toward": "the pressure" becomes a direction; parts of the series go before words. */
function typedFaces(item: JsonObject, context: Context): JsonObject {
  const { faces } = item;
  if (!isObject(faces) || typeof faces.toward !== 'string' || faces.toward.trim() === '') return item;
  return { ...item, faces: { ...faces, toward: typedDirection(faces.toward, context.components) } };
}

function mapped(document: JsonObject, key: string, change: (item: JsonObject) => JsonObject): JsonObject {
  const list = document[key];
  return Array.isArray(list) ? { [key]: list.map((item) => (isObject(item) ? change(item) : item)) } : {};
}

function isObject(value: Json): value is JsonObject {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
