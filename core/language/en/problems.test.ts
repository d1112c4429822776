import { z } from 'zod';
import { faultsOf, type Problem, SCHEMA_PROBLEMS } from '../../model/faults';
import { Procedure } from '../../model/procedure';
import { Series } from '../../model/series';
import { sayFaults, sayProblem } from './problems';

const told = (schema: z.ZodType, value: unknown): string[] => {
  const parsed = schema.safeParse(value);
  return parsed.success ? [] : sayFaults(faultsOf(parsed.error)).map(({ path, reason }) => `${path} ${reason}`);
};
const series = { id: 's', name: 'Series', code: 'S-1', pumpType: 'gear' };
const step = { id: 'a', stage: 'look', verb: 'inspect' };
const procedure = (fields: object) => ({ id: 'p', seriesId: 's', title: 'Test', ...fields });

test.each([
  [Series, { ...series, name: '' }, 'name is empty'],
  [Series, { ...series, id: 'no spaces' }, 'id may hold letters, digits, - and _ only'],
  [Series, { ...series, colour: 'red' }, '(file) has a field that is not known: "colour"'],
  [Series, { ...series, components: {} }, 'components must be an array'],
  [
    Series,
    { ...series, components: [{ id: 'c', name: 'bolt', kind: 'bolt', count: 99 }] },
    'components[0].count must be at most 96',
  ],
  [
    Procedure,
    procedure({ steps: [{ ...step, torque: { figure: { value: 3, unit: 'mm' } } }] }),
    'steps[0].torque.figure is not a torque',
  ],
  [
    Procedure,
    procedure({ steps: [{ ...step, verb: 'wiggle' }] }),
    'steps[0].verb is none of the 42 values that are known',
  ],
  [Procedure, procedure({ title: 'x'.repeat(161) }), 'title must be at most 160 letters'],
])('what a schema refuses is said in plain words', (schema, value, expected) => {
  expect(told(schema, value)[0]?.replace(/of the \d+ values/, 'of the 42 values')).toBe(expected);
});

test('a schema of its own is told in its own words', () => {
  expect(
    told(z.strictObject({ password: z.string().min(8, 'needs at least 8 characters') }), { password: 'x' }),
  ).toEqual(['password needs at least 8 characters']);
});

test('every problem is said, without the code it has', () => {
  const others: Problem[] = [
    { is: 'waits-for-itself' },
    { is: 'ring-of-modules' },
    { is: 'not-json', detail: 'unexpected end' },
    { is: 'newer-format', format: 'fukusa/9', reads: 'fukusa/2' },
    { is: 'absent', what: 'answer', id: 'yes' },
    { is: 'twice', id: 'a' },
    { is: 'sits-in-itself', id: 'a' },
    { is: 'asks-nothing', id: 'a' },
    { is: 'other-series', id: 'a' },
    { is: 'malformed', what: 'value' },
    { is: 'choice', values: ['one'] },
  ];
  for (const problem of [...SCHEMA_PROBLEMS.map((is): Problem => ({ is })), ...others]) {
    expect(sayProblem(problem)).toMatch(/^(is|must|needs|may|has|ends|there|the) ?/);
    expect(sayProblem(problem)).not.toContain(
      problem.is === 'twice' ? '-' : problem.is.includes('-') ? problem.is : '§',
    );
  }
});
