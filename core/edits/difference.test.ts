import fc from 'fast-check';
import type { Workbook } from '../model/procedure';
import { typed } from '../testing/workbook';
import { editsBetween } from './difference';
import { applyEdits } from './edit';
import { fromSent, SentEdits, toSent } from './sent';

const base = typed([
  'take off cover /socket, 10 mm',
  'draw rotor @each shaft',
  'take off ring',
  'fit ring',
  'fit cover',
]);

/** Another version of the base: its steps and parts in any order, some gone, some new, some said otherwise. */
const version = fc
  .record({
    steps: fc.shuffledSubarray([...base.procedure.steps.keys()]),
    parts: fc.shuffledSubarray([...base.series.components.keys()]),
    added: fc.array(fc.nat(6), { maxLength: 3 }),
    why: fc.nat(4),
    titled: fc.boolean(),
  })
  .map(({ steps, parts, added, why, titled }): Workbook => {
    const kept = steps
      .flatMap((i) => base.procedure.steps[i] ?? [])
      .map((step, i) => (i === why ? { ...step, why: 'so' } : step));
    const withNew = added.reduce(
      (list, at, n) => list.toSpliced(at, 0, { ...(base.procedure.steps[0] as (typeof list)[number]), id: `new${n}` }),
      kept,
    );
    const components = parts
      .flatMap((i) => base.series.components[i] ?? [])
      .map((part, i) => (i === why ? { ...part, massKg: 4 } : part));
    return {
      series: { ...base.series, components, ...(titled && { note: 'noted' }) },
      procedure: { ...base.procedure, steps: withNew, ...(titled && { purpose: 'to learn' }) },
    };
  });

test('the edits between two versions lead from one to the other, also once they were sent', () => {
  fc.assert(
    fc.property(version, version, (one, other) => {
      const edits = editsBetween(one, other);
      expect(applyEdits(one, edits)).toEqual(other);
      const sent = SentEdits.parse(JSON.parse(JSON.stringify(toSent(edits))));
      expect(applyEdits(one, fromSent(sent))).toEqual(other);
    }),
    { numRuns: 400 },
  );
});

test('one step moved or said otherwise is one edit, and nothing changed is none', () => {
  const { procedure } = base;
  const [first, ...others] = procedure.steps;
  const moved = { ...base, procedure: { ...procedure, steps: [...others, ...(first ? [first] : [])] } };
  expect(editsBetween(base, moved).map(({ kind }) => kind)).toEqual(['move']);
  const said = {
    ...base,
    procedure: { ...procedure, steps: procedure.steps.map((step, i) => (i === 1 ? { ...step, why: 'so' } : step)) },
  };
  expect(editsBetween(base, said)).toEqual([{ kind: 'change', stepId: others[0]?.id, fields: { why: 'so' } }]);
  expect(editsBetween(base, structuredClone(base))).toEqual([]);
});
