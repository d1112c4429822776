import { replay } from '../bench/replay';
import { check } from '../findings/check';
import type { Workbook } from '../model/procedure';
import { typed, withComponent } from '../testing/workbook';
import { previewLine } from './preview-line';
import { readLine } from './read-line';

const SAFE = ['isolate the drive', 'bleed the casing'];
const preview = (workbook: Workbook, line: string) => {
  const timeline = replay(workbook);
  const { applied } = readLine(line, workbook, workbook.procedure.steps.length - 1);
  return applied && previewLine(applied, timeline, check(workbook, timeline));
};

test('a line tells the cell it would lay a part in, or take it from, before it is added', () => {
  const workbook = typed([...SAFE, 'take off cover', 'take off shim']);
  expect(preview(workbook, 'draw rotor @each shaft')).toMatchObject({ lays: [3], empties: [], finds: [] });
  expect(preview(workbook, 'fit shim')).toMatchObject({ lays: [], empties: [2], finds: [] });
});

test('what would go wrong is said before Enter; what the way back still owes is not', () => {
  const workbook = withComponent(typed([...SAFE, 'take off seal', 'take off cover']), 'seal', { renewal: 'always' });
  expect(preview(workbook, 'fit seal')?.finds.map((finding) => finding.id)).toEqual(['reused']);
  expect(preview(workbook, 'fit lid')?.finds.map((finding) => finding.id)).toEqual(['not-there']);
  expect(preview(typed([]), 'take off 8 nuts')?.finds.map((finding) => finding.id)).toEqual([
    'not-isolated',
    'pressure-kept',
  ]);
});

test('behind an earlier module a line acts on the bench that module leaves', () => {
  const down = typed([...SAFE, 'take off cover']);
  const up: Workbook = {
    series: down.series,
    procedure: { ...down.procedure, id: 'up', steps: [] },
    before: [down.procedure],
  };
  expect(preview(up, 'fit cover')).toMatchObject({ empties: [1], finds: [] });
  expect(typed(['fit cover'], up).before).toBe(up.before);
});

test('a line with a fault has no preview, and trying changes nothing', () => {
  const workbook = typed(SAFE);
  expect(preview(workbook, 'caress the rotor')).toBeUndefined();
  expect(workbook.procedure.steps).toHaveLength(2);
});
