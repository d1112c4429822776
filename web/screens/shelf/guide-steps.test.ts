import { stepsDone } from './guide-steps';

const procedure = (steps: number, stops: number, release: unknown = null) => ({ id: 'p', steps, stops, release });
const shelf = (...procedures: ReturnType<typeof procedure>[]) => [{ id: 's', name: 'Testwick', code: 'T', procedures }];

test.each([
  ['nothing on the shelf', [], 0],
  ['a series and no procedure', shelf(), 1],
  ['a procedure without steps', shelf(procedure(0, 1)), 1],
  ['a way down', shelf(procedure(8, 3)), 2],
  ['a way back that nothing stops', shelf(procedure(16, 0)), 3],
  ['a release, though its draft is open again', shelf(procedure(17, 2, { number: 1 })), 4],
])('%s', (_what, series, done) => {
  expect(stepsDone(series)).toBe(done);
});
