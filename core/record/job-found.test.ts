import type { Entry, EntryContent } from '../job/entry';
import { foldJob } from '../job/job';
import { typed, withComponent, withStep } from '../testing/workbook';
import { foundInJob, partsWanted, pointsTo } from './job-found';

const mm = (value: number) => ({ value, unit: 'mm' as const });
const lines = typed(['take off plunger @each shaft', 'inspect plunger @each shaft', 'fit plunger @each shaft']);
const named = withComponent(lines, 'plunger', { kind: 'plunger', renewal: 'judge' });
const inspected = withStep(named, 1, {
  looks: [
    {
      ...{ id: 'surface', at: 'the surface', sound: 'smooth' },
      faults: [{ id: 'scored', sign: 'scoring along the stroke', follows: 'renew' as const }],
    },
  ],
  measurements: [
    { ...{ id: 'od', what: 'diameter', least: mm(35.9), toolId: 'cal' }, points: [], directions: 1, follows: 'renew' },
  ],
});
const calliper = { id: 'cal', name: 'calliper', kind: 'measuring' as const };
const workbook = { ...inspected, series: { ...inspected.series, tools: [calliper] } };
const stepId = workbook.procedure.steps[1]?.id ?? '';
const places = workbook.series.positionSets[0]?.positions.map(({ id }) => id) ?? [];
const [one = '', two = ''] = places;

let n = 0;
const state = (...contents: EntryContent[]) =>
  foldJob(
    workbook,
    'mara',
    contents.map((content): Entry => {
      n += 1;
      return { id: `e${n}`, at: '2026-01-05T08:30:00.000Z', by: 'mara', content };
    }),
  );
const looked = (positionId: string, more: Partial<EntryContent & { kind: 'looked' }> = {}): EntryContent => ({
  ...{ kind: 'looked', stepId, lookId: 'surface', positionId, faultId: 'scored' },
  ...more,
});
const measured = (positionId: string, value: number): EntryContent => ({
  ...{ kind: 'measured', stepId, measurementId: 'od', positionId, point: null, direction: 1, reading: mm(value) },
});

test('a part out of its kit that has to be renewed is wanted, once however much is wrong with it, with the step it stops', () => {
  const worn = state(looked(one), measured(one, 35.5), measured(two, 36));
  expect(partsWanted(workbook, worn)).toMatchObject([
    { component: { name: 'plunger' }, count: 1, stops: { index: 2 } },
  ]);
  const kit = {
    id: 'kit',
    name: 'kit',
    contents: [{ componentId: workbook.series.components[0]?.id ?? '', count: 1 }],
  };
  const withKit = {
    ...{ series: { ...workbook.series, kits: [kit] } },
    procedure: { ...workbook.procedure, kits: [{ kitId: 'kit', count: 1 }] },
  };
  expect(partsWanted(withKit, worn)).toEqual([]);
  expect(partsWanted(withKit, state(looked(one), looked(two)))).toMatchObject([{ count: 1 }]);
});

test('a size too close to its limit for the calliper is referred, and one out of it is renewed', () => {
  const found = foundInJob(workbook, state(measured(one, 35.91), measured(two, 35.8)));
  expect(found.map(({ found: what, follows }) => [what, follows])).toEqual([
    [{ near: true }, 'refer'],
    [{ limit: 'under' }, 'renew'],
  ]);
});

test('a new ring in place of an instrument: a gap in places is referred, one all along is renewed', () => {
  const gauged = (positionId: string, gap: 'none' | 'in-places' | 'all-along'): EntryContent => ({
    ...{ kind: 'gauged', stepId, measurementId: 'od', positionId, gap },
  });
  expect(foundInJob(workbook, state(gauged(one, 'in-places'), gauged(two, 'all-along'))).map((f) => f.follows)).toEqual(
    ['refer', 'renew'],
  );
  expect(foundInJob(workbook, state(gauged(one, 'in-places'), gauged(one, 'none')))).toEqual([]);
});

test('what a look does not name is found too, and counts for what the job points to', () => {
  const other = { sign: 'sand in the grooves', follows: 'refer' as const };
  const seen = state(looked(one), looked(two, { faultId: null, other }));
  expect(foundInJob(workbook, seen).map(({ found }) => found)).toEqual([
    { sign: 'scoring along the stroke' },
    { sign: 'sand in the grooves' },
  ]);
  expect(pointsTo(workbook, seen)[0]).toMatchObject({
    cause: 'dirt',
    evidence: [{ place: 'shaft 1' }, { place: 'shaft 2' }],
  });
});
