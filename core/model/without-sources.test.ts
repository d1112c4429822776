import { typed } from '../testing/workbook';
import { Procedure } from './procedure';
import { procedureReferences } from './references';
import { withoutSources } from './without-sources';

test('what a procedure was written from is left out, with what points at it, also in the modules before', () => {
  const { series, procedure } = typed(['take off cover', 'fit cover']);
  const [first, ...rest] = procedure.steps;
  const told = Procedure.parse({
    ...procedure,
    narrations: [{ id: 'told', name: 'Told', passages: [{ id: 'p1', text: 'Take the cover off.' }] }],
    steps: [{ ...first, source: { narrationId: 'told', passageIds: ['p1'] } }, ...rest],
  });
  const plain = withoutSources({ series, procedure: told, before: [told] });
  expect(JSON.stringify(plain)).not.toContain('told');
  expect(plain.procedure.steps).toEqual(procedure.steps);
  expect(procedureReferences(plain.procedure, series)).toEqual([]);
});
