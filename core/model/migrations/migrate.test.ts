import { readFileSync } from 'node:fs';
import { replay } from '../../bench/replay';
import { leftOut } from '../../bench/state';
import { check } from '../../findings/check';
import { demandsOf } from '../../job/demands';
import { foldJob, runOf } from '../../job/job';
import { refuseEntry } from '../../job/refuse-entry';
import { stepInJob } from '../../job/to-do';
import { type Package, readPackage } from '../../package/package';
import { DOCUMENT_FORMAT, migrateProcedure, migrateSeries } from './migrate';

/** Packages as the first format wrote them, kept as they were. */
const NAMES = ['pellwick-rl-50', 'corrick-dd-40', 'fennimoor-es-40', 'tarnbeck-pc-30'];
const stored = (name: string) => JSON.parse(readFileSync(`core/package/fixtures/${name}.fukusa-1.json`, 'utf8'));
const opened = (name: string): Package => {
  const reading = readPackage(stored(name));
  if (!reading.ok) throw new Error(JSON.stringify(reading.faults));
  return reading.package;
};

describe.each(NAMES)('a package of the first format: %s', (name) => {
  test('opens as one of today, and opened again it is the same', () => {
    const today = opened(name);
    expect(today.format).toBe(`fukusa/${DOCUMENT_FORMAT}`);
    expect(readPackage(JSON.parse(JSON.stringify(today)))).toEqual({ ok: true, package: today });
  });

  test('is checked: the procedure that was released has no stop, and its cloth ends empty', () => {
    const { series, procedures } = opened(name);
    const workbook = { series, procedure: procedures[0]! };
    expect(check(workbook).filter(({ severity }) => severity === 'stop')).toEqual([]);
    expect(leftOut(replay(workbook))).toEqual([]);
  });

  test('runs: a job goes through all of its steps', () => {
    const { series, procedures } = opened(name);
    const workbook = { series, procedure: procedures[0]! };
    let state = foldJob(workbook, 'mara', []);
    let n = 0;
    const enter = (content: Parameters<typeof refuseEntry>[3]) => {
      expect(refuseEntry(workbook, state, 'mara', content)).toBeUndefined();
      n += 1;
      entries.push({ id: `e${n}`, at: new Date(n * 60_000).toISOString(), by: 'mara', content });
      state = foldJob(workbook, 'mara', entries);
    };
    const entries: Parameters<typeof foldJob>[2][number][] = [];
    for (let said = workbook.procedure.steps[0]; said; said = workbook.procedure.steps[state.cursor]) {
      const step = stepInJob(said, state, undefined, workbook)!;
      const reason = 'not at hand here';
      for (const what of ['torque', 'photo', 'measure', 'look'] as const)
        if (demandsOf(step, runOf(state, step.id), workbook).some((demand) => demand.what === what))
          enter({ kind: 'overridden', stepId: step.id, what, reason });
      if (step.decision) enter({ kind: 'answered', stepId: step.id, answerId: step.decision.answers[0]!.id });
      for (const demand of demandsOf(step, runOf(state, step.id), workbook))
        if (demand.what === 'place') enter({ kind: 'place-done', stepId: step.id, positionId: demand.positionId });
      enter({ kind: 'step-done', stepId: step.id });
    }
    enter({ kind: 'finished' });
    expect(state.phase).toBe('finished');
  });
});

test('words for a direction become what they mean: a part before a word, a word before mere words', () => {
  const series = { components: [{ id: 'hp', name: 'high pressure seal', faces: { end: 'lip', toward: 'pressure' } }] };
  const faces = (toward: string) =>
    migrateProcedure({ steps: [{ id: 's', faces: { end: 'lip', toward } }] }, 1, series) as {
      steps: [{ faces: { toward: object } }];
    };
  expect(faces('the high pressure seal').steps[0].faces.toward).toMatchObject({ is: 'part', componentId: 'hp' });
  expect(faces('pressure').steps[0].faces.toward).toMatchObject({ is: 'pressure' });
  expect(faces('the old chapel').steps[0].faces.toward).toMatchObject({ is: 'words', said: 'the old chapel' });
  expect(migrateSeries(series, 1)).toMatchObject({ components: [{ faces: { toward: { is: 'pressure' } } }] });
  // What is of today already is left as it is.
  expect(migrateSeries(series, DOCUMENT_FORMAT)).toBe(series);
});
