import type { SaidBefore } from '../language/en/grammar/acts/reading';
import type { Doubt } from '../language/en/grammar/names/said';
import { componentById } from '../model/lookup';
import type { Procedure, Step, Workbook } from '../model/procedure';
import type { Series } from '../model/series';
import { type AppliedLine, applyLine } from './apply-line';
import { outByThen } from './out-by-then';
import { type ParsedLine, parseLine } from './parse-line';

/** A line as it is understood behind a step, shown while it is typed. */
export interface LineReading {
  readonly parsed: ParsedLine;
  /** What it would make, with the names as they are typed; undefined while it has a fault. */
  readonly applied: AppliedLine | undefined;
  /** Names that the series does not know yet. */
  readonly fresh: {
    readonly parts: readonly string[];
    readonly tools: readonly string[];
    readonly consumables: readonly string[];
  };
}

/** Reads a line behind the step at `after` (-1: at the start). */
export function readLine(text: string, workbook: Workbook, after: number): LineReading {
  const parsed = parsedBehind(text, workbook, after);
  let made = 0;
  const newId = () => {
    made += 1;
    return `preview-${made}`;
  };
  const applied = applyLine(workbook, { ...parsed, doubts: [] }, after, newId);
  const added = (list: 'components' | 'tools' | 'consumables') =>
    (applied?.edits ?? []).flatMap((edit) => (edit.kind === 'add' && edit.list === list ? [edit.item.name] : []));
  return {
    parsed,
    applied,
    fresh: { parts: added('components'), tools: added('tools'), consumables: added('consumables') },
  };
}

let last: { text: string; series: Series; step: Step | undefined; parsed: ParsedLine } | undefined;

/** A line as it is parsed behind a step; what was just shown is not parsed again when it is entered. */
export function parsedBehind(text: string, workbook: Workbook, after: number): ParsedLine {
  const { series, procedure } = workbook;
  const step = procedure.steps[after];
  if (last?.text !== text || last.series !== series || last.step !== step)
    last = { text, series, step, parsed: parseLine(text, series, saidBefore(workbook, after)) };
  return last.parsed;
}

/** What "it" and "them" mean behind a step: the parts that the step is about. */
export function saidBefore({ series, procedure }: Workbook, after: number): SaidBefore {
  const targets = procedure.steps[after]?.targets ?? [];
  return {
    parts: targets.flatMap(({ componentId }) => {
      const name = componentById(series, componentId)?.name;
      return name === undefined ? [] : [{ name, from: 0, to: 0 }];
    }),
    used: usedIn(series, procedure),
    out: outByThen({ series, procedure }, after),
  };
}

let lastUsed: { series: Series; steps: Procedure['steps']; used: ReadonlySet<string> } | undefined;

/** The names of the parts that the steps of a procedure are about. */
function usedIn(series: Series, { steps }: Procedure): ReadonlySet<string> {
  if (lastUsed?.series !== series || lastUsed.steps !== steps) {
    const ids = new Set(steps.flatMap(({ targets }) => targets.map(({ componentId }) => componentId)));
    lastUsed = {
      series,
      steps,
      used: new Set(series.components.flatMap(({ id, name }) => (ids.has(id) ? [name] : []))),
    };
  }
  return lastUsed.used;
}

/** The line with one of its offers taken. */
export function takeOffer(text: string, { from, to }: Doubt, offer: string): string {
  return text.slice(0, from) + offer + text.slice(to);
}
