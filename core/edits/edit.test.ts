import fc from 'fast-check';
import { benchMinutes } from '../model/lookup';
import type { DraftedField, Step } from '../model/procedure';
import { typed } from '../testing/workbook';
import { applyEdits, applyWithInverse, duplicating, type Edit, revisingComponent } from './edit';
import { changeComponent, changeStep, deleteStep, draftedFields, moveStep, newStep, reviseStep } from './steps';

const { procedure, series } = typed(['take off cover', 'draw rotor @each shaft', 'fit rotor', 'fit cover']);
const order = (p: typeof procedure) => p.steps.map((step) => step.id);
const [a = '', b = '', c = '', d = ''] = order(procedure);

test('a step can be moved either way and takes on the stage it is dropped in', () => {
  expect(order(moveStep(procedure, d, 1))).toEqual([a, d, b, c]);
  expect(order(moveStep(procedure, a, 99))).toEqual([b, c, d, a]);
  expect(moveStep(procedure, a, 3, 'prove').steps[3]).toMatchObject({ id: a, stage: 'prove' });
  expect(moveStep(procedure, 'nobody', 0)).toBe(procedure);
});

test('a copy stands right behind its original', () => {
  const workbook = { series, procedure };
  const copied = applyEdits(workbook, duplicating(workbook, b, 'copy'));
  expect(order(copied.procedure)).toEqual([a, b, 'copy', c, d]);
});

test('what is emptied is left out of the document; untouched steps keep their identity', () => {
  const said = changeStep(procedure, a, { why: 'It hides the rotors', minutes: 3 });
  expect(said.steps[1]).toBe(procedure.steps[1]);
  expect(benchMinutes(said)).toEqual({ minutes: 3, unsaid: 3 });
  expect(changeStep(said, a, { why: '', minutes: undefined }).steps[0]).toEqual(procedure.steps[0]);
});

test('a deleted step leaves its parts in the series', () => {
  expect(order(deleteStep(procedure, b))).toEqual([a, c, d]);
  expect(changeComponent(series, series.components[0]!.id, { count: 2 }).components[0]?.count).toBe(2);
});

describe('edits as data', () => {
  const workbook = typed(['take off cover', 'take off gasket', 'fit gasket', 'fit cover']);
  const ids = workbook.procedure.steps.map((step) => step.id);
  const edited = (edits: readonly Edit[]) => applyEdits(workbook, edits);

  test('are applied one after the other, each to what the one before left', () => {
    const fresh = newStep('fresh', 'inspect');
    const { steps } = edited([
      { kind: 'insert', index: 2, step: fresh },
      { kind: 'move', stepId: 'fresh', index: 0, stage: 'make-safe' },
      { kind: 'change', stepId: 'fresh', fields: { why: 'First of all' } },
    ]).procedure;
    expect(steps[0]).toMatchObject({ id: 'fresh', stage: 'make-safe', why: 'First of all' });
    expect(steps.slice(1).map((step) => step.id)).toEqual(ids);
  });
  test('reach parts and the procedure itself; what is emptied is left out', () => {
    const [cover] = workbook.series.components;
    const changed = edited([
      { kind: 'change-component', componentId: cover!.id, fields: { massKg: 6, partNumber: '' } },
      { kind: 'change-procedure', fields: { handsOn: true, purpose: 'To see' } },
    ]);
    expect(changed.series.components[0]).toEqual({ ...cover, massKg: 6 });
    expect(changed.procedure).toMatchObject({ handsOn: true, purpose: 'To see' });
    const back = applyEdits(changed, [{ kind: 'change-procedure', fields: { handsOn: undefined } }]);
    expect(back.procedure).not.toHaveProperty('handsOn');
  });
  test('about what is not there change nothing', () => {
    expect(edited([{ kind: 'change', stepId: 'gone', fields: { why: 'x' } }])).toEqual(workbook);
    expect(edited([{ kind: 'move', stepId: 'gone', index: 0, stage: 'look' }])).toEqual(workbook);
  });
});

describe('what is drafted', () => {
  const [step] = typed(['take off cover']).procedure.steps;
  const procedure = { ...typed([]).procedure, steps: [{ ...step!, drafted: ['verb', 'targets'] as DraftedField[] }] };
  test('is confirmed field by field as it is changed', () => {
    const once = reviseStep(procedure, step!.id, { verb: 'draw' });
    expect(draftedFields(once.steps[0]!)).toEqual(['targets']);
    const twice = reviseStep(once, step!.id, { targets: [] });
    expect(twice.steps[0]).not.toHaveProperty('drafted');
  });
  test('stays drafted while other fields are changed', () => {
    expect(draftedFields(reviseStep(procedure, step!.id, { why: 'x' }).steps[0]!)).toEqual(['verb', 'targets']);
  });
  test('is nothing where nobody drafted', () => {
    expect(draftedFields(step!)).toEqual([]);
  });
});

describe('every edit has an inverse', () => {
  const workbook = typed(['take off cover /socket', 'take off gasket', 'fit gasket', 'fit cover']);
  const ids = workbook.procedure.steps.map((step) => step.id);
  const part = workbook.series.components[0]!;
  const one = fc.oneof(
    fc.nat(5).map((index): Edit => ({ kind: 'insert', index, step: newStep('fresh', 'inspect') })),
    fc.constantFrom(...ids).map((stepId): Edit => ({ kind: 'remove', stepId })),
    fc
      .tuple(fc.constantFrom(...ids), fc.constantFrom<Partial<Step>>({ why: 'x' }, { minutes: 3 }, { why: undefined }))
      .map(([stepId, fields]): Edit => ({ kind: 'change', stepId, fields })),
    fc
      .tuple(fc.constantFrom(...ids), fc.nat(5))
      .map(([stepId, index]): Edit => ({ kind: 'move', stepId, index, stage: 'prove' })),
    fc.constant<Edit>({ kind: 'add', list: 'tools', item: { id: 'new-tool', name: 'lamp' } }),
    fc
      .constantFrom(...workbook.series.tools.map(({ id }) => id))
      .map((id): Edit => ({ kind: 'drop', list: 'tools', id })),
    fc.constant<Edit>({ kind: 'change-component', componentId: part.id, fields: { massKg: 4 } }),
    fc.constant<Edit>({ kind: 'change-procedure', fields: { handsOn: true } }),
    fc.constant<Edit>({ kind: 'change-series', fields: { note: 'said' } }),
  );
  test('so that any run of edits is undone by the inverse of it', () => {
    fc.assert(
      fc.property(fc.array(one, { maxLength: 12 }), (edits) => {
        const added = new Set<string>();
        // An id is given once only.
        const sound = edits.filter((edit) => {
          const id = edit.kind === 'insert' ? edit.step.id : edit.kind === 'add' ? edit.item.id : undefined;
          if (id === undefined) return true;
          const fresh = !added.has(id);
          added.add(id);
          return fresh;
        });
        const applied = applyWithInverse(workbook, sound);
        expect(applyEdits(applied.workbook, applied.inverse)).toEqual(workbook);
      }),
    );
  });
});

test('a step that named all pieces of a part names all of them when there are more; one that named some does not', () => {
  const workbook = typed(['take off 4 bolts', 'start by hand 2 bolts', 'start by hand bolts']);
  const [part] = workbook.series.components;
  const edits = revisingComponent(workbook, part?.id ?? '', { count: 6 });
  const { procedure, series } = applyEdits(workbook, edits);
  expect(series.components[0]?.count).toBe(6);
  expect(procedure.steps.map(({ targets }) => targets[0]?.count)).toEqual([6, 2, undefined]);
});
