import { emptyWorkbook, typed } from '#core/testing/workbook';
import { useAuthor } from './author-store';
import { computed } from './timeline';

const author = () => useAuthor.getState();
const order = () => author().workbook.procedure.steps.map((step) => step.verb);

beforeEach(() => author().open(emptyWorkbook()));

test('lines are added behind the step in hand, and a faulty one changes nothing', () => {
  expect(author().addLine('take off cover')).toBe(true);
  expect(author().addLine('draw rotor @each shaft')).toBe(true);
  author().select(author().workbook.procedure.steps[0]?.id ?? null);
  expect(author().addLine('mark rotor')).toBe(true);
  expect(order()).toEqual(['take-off', 'mark', 'draw']);
  const before = author().workbook;
  expect(author().addLine('wobble it')).toBe(false);
  expect(author().workbook).toBe(before);
});

test('undo takes back the part that a line created along with its step, and redo brings both back', () => {
  author().addLine('take off cover');
  author().addLine('take off gasket');
  author().undo();
  expect(author().workbook.series.components.map((component) => component.name)).toEqual(['cover']);
  expect(order()).toEqual(['take-off']);
  author().redo();
  expect(author().workbook.series.components).toHaveLength(2);
});

test('choosing a step is no edit', () => {
  author().addLine('take off cover');
  author().select(null);
  author().select(author().workbook.procedure.steps[0]?.id ?? null);
  expect(author().past).toHaveLength(1);
});

test('after a deletion the next step is in hand, or the last one', () => {
  for (const line of ['take off cover', 'take off gasket', 'draw rotor']) author().addLine(line);
  const [a, b, c] = author().workbook.procedure.steps.map((step) => step.id);
  author().remove(b ?? '', 'always');
  expect(author().selected).toBe(c);
  author().remove(c ?? '', 'always');
  expect(author().selected).toBe(a);
  author().remove(a ?? '', 'always');
  expect(author().selected).toBeNull();
});

test('an edit that would break the document is refused, says why and changes nothing', () => {
  author().addLine('take off cover');
  const before = author().workbook;
  const [cover] = before.series.components;
  expect(author().apply([{ kind: 'change-component', componentId: cover?.id ?? '', fields: { count: 99 } }])).toBe(
    false,
  );
  expect(author().workbook).toBe(before);
  expect(author().past).toHaveLength(1);
  expect(author().refused).toMatchObject([{ path: expect.stringContaining('count') }]);
  author().addLine('fit cover');
  expect(author().refused).toBeNull();
});

test('undo after a version of somebody else was taken over takes back only the own edit', () => {
  author().addLine('take off cover');
  author().addLine('take off gasket');
  author().takeOver({ ...author().workbook, series: { ...author().workbook.series, note: 'said elsewhere' } });
  author().undo();
  expect(author().workbook.series.note).toBe('said elsewhere');
  expect(order()).toEqual(['take-off']);
});

test('a copy is in hand at once', () => {
  author().addLine('take off cover');
  const original = author().selected;
  author().duplicate(original ?? '');
  expect(order()).toEqual(['take-off', 'take-off']);
  expect(author().selected).not.toBe(original);
});

test('what the server sends is no undoable edit', () => {
  author().addLine('take off cover');
  author().takeOver(typed(['take off gasket']));
  expect(author().past).toHaveLength(1);
});

test('opening another procedure starts a new history', () => {
  author().addLine('take off cover');
  author().open(typed(['take off gasket', 'fit gasket']));
  expect(author().past).toHaveLength(0);
  expect(author().selected).toBe(author().workbook.procedure.steps[1]?.id);
});

test('what is computed from a workbook is computed once', () => {
  author().addLine('isolate the drive');
  author().addLine('bleed the casing');
  author().addLine('take off cover');
  const first = computed(author().workbook);
  expect(computed(author().workbook)).toBe(first);
  expect(first.findings.map((finding) => finding.id)).toContain('left-on-cloth');
  author().addLine('fit cover');
  author().addLine('restore the drive');
  expect(computed(author().workbook).findings).toEqual([]);
});

test('a step that undo takes away leaves another in hand', () => {
  author().open(typed(['take off cover', 'draw rotor @each shaft']));
  author().addLine('draw seal');
  const added = author().selected;
  author().undo();
  expect(author().selected).not.toBe(added);
  expect(author().workbook.procedure.steps.some(({ id }) => id === author().selected)).toBe(true);
});
