import fc from 'fast-check';
import { replay } from '../bench/replay';
import { titleOf } from '../language/en/sentence';
import { branching } from '../testing/findings';
import { componentId, typed, withComponent } from '../testing/workbook';
import { foldOf } from './fold';

const TEARDOWN = [
  'isolate pump',
  'drain the gear oil',
  'loosen 8 cover nuts',
  'take off cover nuts',
  'take off cover',
  'draw rotor @each shaft',
  'inspect rotor',
  'clean seal pocket',
  'fit rotor',
  'fit cover',
  'start by hand cover nuts',
  'torque cover nuts =45 N·m',
  'fill the gear oil',
  'restore the drive',
];

function folded(lines: string[]) {
  const workbook = typed(lines);
  const fold = foldOf(replay(workbook));
  const title = (step: (typeof workbook.procedure.steps)[number] | undefined) => step && titleOf(step, workbook.series);
  return { workbook, fold, rows: fold.rows.map((row) => [title(row.left), title(row.right), row.paired]) };
}

test('each taking faces its refitting, and the drain faces the fill', () => {
  expect(folded(TEARDOWN).rows).toEqual([
    ['Isolate pump', 'Restore the drive', true],
    ['Drain the gear oil', 'Fill the gear oil', true],
    ['Loosen cover nuts', 'Torque cover nuts', true],
    ['Take off cover nuts', 'Start by hand cover nuts', true],
    ['Take off cover', 'Fit cover', true],
    ['Draw out rotors', 'Fit rotors', true],
  ]);
});

test('looking and renewing lie in the bend', () => {
  expect(folded(TEARDOWN).fold.bend.map((step) => step.verb)).toEqual(['inspect', 'clean']);
});

test('what never goes back is frayed', () => {
  const { fold, workbook } = folded(['take off cover', 'draw rotor @each shaft', 'fit cover']);
  expect(fold.rows.map((row) => row.frayed)).toEqual([[], [workbook.series.components[1]?.id]]);
});

test('a renewed part is paired through its replacement', () => {
  const { fold } = folded(['take off gasket', 'renew gasket', 'fit gasket']);
  expect(fold.rows).toHaveLength(1);
  expect(fold.rows[0]?.paired).toBe(true);
});

test('threads that would cross keep their own rows', () => {
  const { rows } = folded(['take off cover', 'draw rotor @each shaft', 'fit cover', 'fit rotor']);
  expect(rows.filter(([left, right]) => left && right)).toHaveLength(1);
  expect(rows.flat().filter((cell) => typeof cell === 'string')).toHaveLength(4);
});

test('every step stands in the fold exactly once, down the left and up the right', () => {
  const parts = ['cover', 'gasket', 'rotor @each shaft', '8 cover nuts'];
  const line = fc
    .tuple(fc.constantFrom('take off', 'fit', 'renew', 'loosen', 'torque', 'inspect'), fc.constantFrom(...parts))
    .map((words) => words.join(' '));
  fc.assert(
    fc.property(fc.array(line, { maxLength: 40 }), (lines) => {
      const workbook = typed(lines);
      const fold = foldOf(replay(workbook));
      const left = fold.rows.flatMap((row) => row.left?.id ?? []);
      const right = fold.rows.flatMap((row) => row.right?.id ?? []).reverse();
      const order = workbook.procedure.steps.map((step) => step.id);
      const inOrder = (ids: string[]) =>
        ids.every((id, i) => i === 0 || order.indexOf(id) > order.indexOf(ids[i - 1]!));
      expect([...left, ...right, ...fold.bend.map((step) => step.id)].sort()).toEqual([...order].sort());
      expect(inOrder(left) && inOrder(right)).toBe(true);
    }),
    { numRuns: 80 },
  );
});

describe('beyond one straight way', () => {
  test('a part that comes off on one answer only is paired with its refitting on that answer', () => {
    const workbook = branching(['mark ball', 'draw seat', 'fit seat'], [1, 2]);
    const fold = foldOf(replay(workbook));
    const [, draw, fit] = workbook.procedure.steps;
    expect(fold.partners.get(draw!.id)).toEqual([fit!.id]);
    expect(fold.rows.flatMap((row) => row.frayed)).toEqual([]);
  });

  test('left out on one answer only it is frayed all the same', () => {
    const workbook = branching(['mark ball', 'draw seat', 'fit seat'], [2]);
    const frayed = foldOf(replay(workbook)).rows.flatMap((row) => row.frayed);
    expect(frayed).toEqual([componentId(workbook, 'seat')]);
  });

  test('what sits in a housing is not frayed while the housing is back', () => {
    const hosted = withComponent(typed(['take off manifold', 'inspect seal', 'fit manifold']), 'seal', (id) => ({
      hostId: id('manifold'),
    }));
    expect(foldOf(replay(hosted)).rows.flatMap((row) => row.frayed)).toEqual([]);
  });

  test('opening faces joining up', () => {
    const base = typed(['take off valve', 'split valve', 'join valve', 'fit valve', 'inspect spring']);
    const workbook = withComponent(base, 'spring', (id) => ({ hostId: id('valve') }));
    const { fold } = { fold: foldOf(replay(workbook)) };
    const verbs = fold.rows.filter((row) => row.paired).map((row) => [row.left?.verb, row.right?.verb]);
    expect(verbs).toEqual([
      ['take-off', 'fit'],
      ['split', 'join'],
    ]);
  });

  test('what is meant to leave, and what is handed on, frays nothing', () => {
    const workbook = typed(['take off bracket']);
    const leaving = [{ kind: 'leaves' as const, componentId: componentId(workbook, 'bracket') }];
    const meant = { ...workbook, procedure: { ...workbook.procedure, intends: leaving } };
    const handed = { ...workbook, procedure: { ...workbook.procedure, handsOn: true as const } };
    for (const other of [meant, handed]) {
      expect(foldOf(replay(other)).rows.flatMap((row) => row.frayed)).toEqual([]);
    }
  });
});
