import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { applyLine } from '#core/line/apply-line';
import { readLine } from '#core/line/read-line';
import type { Workbook } from '#core/model/procedure';
import type { Component } from '#core/model/series';
import { emptyWorkbook } from '#core/testing/workbook';
import { differences, type Meaning, readMeaning } from './meaning';

/**
 * Whole jobs as trainers tell them, typed one line after the other into a series that knows nothing, each line with what
 * it means there. What asks is left out, as if the trainer had gone on; behind the last line stand the parts that the
 * series knows by then.
 */
export interface FirstJob {
  readonly title: string;
  readonly lines: readonly { readonly line: string; readonly meaning: Meaning }[];
  readonly parts: string;
}

export const readFirstJobs = () => jobsIn('first-jobs');

/** Lines of one kind each, typed like a job: names that order something elsewhere, two orders in a note, how far. */
export const readSheets = () => jobsIn('sheets');

function jobsIn(name: string): FirstJob[] {
  const folder = fileURLToPath(new URL(`./${name}/`, import.meta.url));
  return readdirSync(folder)
    .sort()
    .map((name) => {
      const rows = readFileSync(folder + name, 'utf8').split('\n');
      const [title = ''] = rows;
      const lines = rows.flatMap((row) => {
        const [line = '', meaning] = row.split(' => ');
        return meaning === undefined ? [] : [{ line, meaning: readMeaning(meaning.trim()) }];
      });
      const parts = rows.find((row) => row.startsWith('parts ')) ?? '';
      return { title: title.replace(/^# /, ''), lines, parts: parts.slice('parts '.length) };
    });
}

export interface JudgedJob {
  readonly right: number;
  readonly asked: number;
  /** Lines that were read as something else, with how. */
  readonly wrong: readonly string[];
  /** The parts that the series knows in the end, as the job says them. */
  readonly parts: string;
}

/** Types a job from its first line to its last. */
export function typeJob({ lines }: FirstJob): JudgedJob {
  const empty = emptyWorkbook();
  let workbook: Workbook = { ...empty, series: { ...empty.series, positionSets: [] } };
  let [after, made, right, asked] = [-1, 0, 0, 0];
  const wrong: string[] = [];
  for (const { line, meaning } of lines) {
    const applied = applyLine(workbook, readLine(line, workbook, after).parsed, after, () => `new-${++made}`);
    if (!applied) {
      asked += 1;
      continue;
    }
    const how = meaning.is === 'ask' ? ['it does not ask'] : differences(meaning, applied);
    if (how.length === 0) right += 1;
    else wrong.push(`${line}: ${how.join(', ')}`);
    ({ workbook } = applied);
    const last = applied.stepIds.at(-1) ?? applied.stepId;
    after = workbook.procedure.steps.findIndex(({ id }) => id === last);
  }
  return { right, asked, wrong, parts: workbook.series.components.map(sayPart).join('; ') };
}

const sayPart = ({ name, count, several }: Component) => `${several ? 'several' : count} ${name}`;
