import { applyEdits, type Edit } from '#core/edits/edit';
import { applyLine } from '#core/line/apply-line';
import { Procedure, Step, type Workbook } from '#core/model/procedure';
import { Component, Consumable, type Kit, type PositionSet, Series, type Stack } from '#core/model/series';
import { readingOf } from '#core/narration/reading';

/** What things are called, turned into their ids once all lines are typed. */
export interface Named {
  readonly part: (name: string) => string;
  readonly place: (name: string) => string;
  readonly tool: (name: string) => string;
  readonly consumable: (name: string) => string;
  /** The id of the step that asks the question of the job. */
  readonly asking: string;
}

/** Fields, or what makes them of names and of what was typed. */
export type Filled<T> = Partial<T> | ((named: Named, typed: T) => Partial<T>);

/** A line as it is typed, and the fields of its step that are filled in by hand. */
export interface WrittenLine {
  /** Stays with the line when others are left out or moved. */
  readonly key: string;
  readonly line: string;
  readonly fields?: Filled<Step>;
}

/** A whole job as a trainer writes it: lines, fields of steps, and what the pages of the series say. */
export interface WrittenJob {
  readonly name: string;
  readonly positionSets: readonly PositionSet[];
  readonly lines: readonly WrittenLine[];
  readonly parts?: Readonly<Record<string, Filled<Component>>>;
  readonly consumables?: Readonly<Record<string, Partial<Consumable>>>;
  readonly stacks?: (named: Named) => Stack[];
  readonly kits?: (named: Named) => Kit[];
  readonly about?: Filled<Procedure>;
}

export function lines(...typed: readonly (string | readonly [string, Filled<Step>])[]): WrittenLine[] {
  return typed.map((written, i) => {
    const [line, fields] = typeof written === 'string' ? [written] : written;
    return { key: String(i + 1), line, ...(fields && { fields }) };
  });
}

/** Where the figure of a torque comes from, what is on its thread (nothing where no compound is named), and the rest. */
export function sourced(source: string, compound?: string, rest?: Partial<Step> | ((named: Named) => Partial<Step>)) {
  return (named: Named, { torque }: Step): Partial<Step> => {
    const thread = compound
      ? { is: 'with' as const, consumableId: named.consumable(compound) }
      : { is: 'dry' as const };
    return {
      ...(torque && { torque: { ...torque, source, thread } }),
      ...(typeof rest === 'function' ? rest(named) : rest),
    };
  };
}

export function places(name: string, ...names: readonly string[]): PositionSet {
  const id = name.replaceAll(' ', '-');
  return { id, name, positions: names.map((place) => ({ id: place.replaceAll(' ', '-'), name: place })) };
}

/**
 * The workbook that comes of writing a job, with the tools and consumables that the workshop has already; a line that
 * is not understood throws.
 */
export function workbookOf(job: WrittenJob, known?: Pick<Series, 'tools' | 'consumables'>): Workbook {
  return filledIn(typed(job.lines, blankOf(job, known), known ? 'again' : 'line'), job);
}

/** What the series holds when so many lines are typed and nothing is filled in. */
export function seriesTyped(job: WrittenJob, lines: number): Series {
  return typed(job.lines.slice(0, lines), blankOf(job), 'line').series;
}

function blankOf(job: WrittenJob, known?: Pick<Series, 'tools' | 'consumables'>): Workbook {
  return {
    series: Series.parse({
      id: 'series',
      name: job.name,
      code: 'W-1',
      pumpType: 'other',
      positionSets: job.positionSets,
      tools: known?.tools,
      consumables: known?.consumables,
    }),
    procedure: { id: 'procedure', seriesId: 'series', title: job.name, steps: [] },
  };
}

/** The lines typed last and what came of each: jobs that differ in one line share those before it. */
const typedLast = new Map<string, { readonly lines: readonly WrittenLine[]; readonly after: readonly Workbook[] }>();

function typed(lines: readonly WrittenLine[], blank: Workbook, made: string): Workbook {
  const under = `${made} ${JSON.stringify(blank.series)}`;
  const before = typedLast.get(under);
  const differs = lines.findIndex(({ key, line }, i) => key !== before?.lines[i]?.key || line !== before.lines[i].line);
  const shared = before?.after.slice(0, differs < 0 ? lines.length : differs) ?? [];
  const after = [...shared];
  for (const line of lines.slice(shared.length)) after.push(typeLine(after.at(-1) ?? blank, line, made));
  typedLast.set(under, { lines, after });
  return after.at(-1) ?? blank;
}

function typeLine(workbook: Workbook, { key, line }: WrittenLine, made: string): Workbook {
  let count = 0;
  const parsed = readingOf(line, workbook.series, []);
  // Names are meant as they are typed, slips and all.
  const meant = { ...parsed, doubts: [] };
  const applied = applyLine(workbook, meant, workbook.procedure.steps.length - 1, () => `${made}-${key}-${++count}`);
  if (!applied) throw new Error(`"${line}": ${JSON.stringify(parsed.faults)}`);
  return inTypedOrder(workbook, applied.edits, key);
}

/** The step stands where it was typed, whatever its stage. */
function inTypedOrder(workbook: Workbook, edits: readonly Edit[], key: string): Workbook {
  const index = workbook.procedure.steps.length;
  const ordered = edits.map(
    (edit): Edit => (edit.kind === 'insert' ? { ...edit, index, step: { ...edit.step, id: stepIdOf(key) } } : edit),
  );
  return applyEdits(workbook, ordered);
}

function stepIdOf(key: string): string {
  return `step-${key}`;
}

function filledIn(workbook: Workbook, job: WrittenJob): Workbook {
  const { series, procedure } = workbook;
  const named = namesOf(workbook, job);
  const fill = <T extends object>(thing: T, fields: Filled<T> | undefined): T =>
    fields
      ? { ...thing, ...(withoutMissing(typeof fields === 'function' ? fields(named, thing) : fields) as T) }
      : thing;
  return {
    series: {
      ...Series.parse({
        ...series,
        components: [],
        consumables: [],
        ...(job.stacks && { stacks: withoutMissing(job.stacks(named)) as Stack[] }),
        ...(job.kits && { kits: withoutMissing(job.kits(named)) as Kit[] }),
      }),
      components: series.components.map((part) => parsedOnce(Component, fill(part, job.parts?.[part.name]))),
      consumables: series.consumables.map((one) => parsedOnce(Consumable, fill(one, job.consumables?.[one.name]))),
    },
    procedure: {
      ...Procedure.parse({ ...fill(procedure, job.about), steps: [] }),
      steps: procedure.steps.map((step, i) => parsedOnce(Step, fill(step, job.lines[i]?.fields))),
    },
  };
}

/** What was checked lately comes out as it did then: thousands of jobs differ in one line. */
const checked = new Map<string, unknown>();
const KEPT = 4000;

function parsedOnce<T>(schema: { parse(value: unknown): T }, value: NoInfer<T>): T {
  const written = JSON.stringify(value);
  const known = (checked.get(written) as T | undefined) ?? schema.parse(value);
  if (checked.size > KEPT) checked.clear();
  checked.set(written, known);
  return known;
}

function namesOf({ series }: Workbook, job: WrittenJob): Named {
  const asks = job.lines.find(({ fields }) => typeof fields === 'object' && fields.decision);
  const idIn = (list: readonly { readonly id: string; readonly name: string }[]) => (name: string) =>
    list.find((thing) => thing.name === name)?.id ?? MISSING;
  return {
    part: idIn(series.components),
    place: idIn(job.positionSets.flatMap(({ positions }) => positions)),
    tool: idIn(series.tools),
    consumable: idIn(series.consumables),
    asking: asks ? stepIdOf(asks.key) : MISSING,
  };
}

/** What a job without some of its lines cannot name, because no line typed it. */
const MISSING = 'missing';

/** The same without what names something missing: a field, or the whole item of a list that is about it. */
function withoutMissing(value: unknown): unknown {
  if (Array.isArray(value)) return value.filter((item) => !isAboutMissing(item)).map(withoutMissing);
  if (typeof value !== 'object' || value === null) return value;
  const kept = Object.entries(value).filter(([, field]) => field !== MISSING && !isAboutMissing(field));
  return Object.fromEntries(kept.map(([key, field]) => [key, withoutMissing(field)]));
}

function isAboutMissing(value: unknown): boolean {
  if (value === MISSING) return true;
  return typeof value === 'object' && value !== null && !Array.isArray(value) && Object.values(value).includes(MISSING);
}
