import { sayStep } from '../../language/en/sentence';
import { at, branching, found, mended } from '../../testing/findings';
import { typed, withComponent, withStep } from '../../testing/workbook';

describe('covered', () => {
  const said = (lines: string[], how: 'covers' | 'clear') =>
    withComponent(typed(lines), 'seal', (id) => ({ coveredBy: [{ componentId: id('cover'), said: how }] }));

  test('what the series says lies over a part has to be away first', () => {
    expect(found(said(['draw seal', 'take off cover'], 'covers'), 'covered')[0]).toMatchObject({
      severity: 'stop',
      facts: { sure: true },
    });
    expect(found(said(['take off cover', 'draw seal'], 'covers'), 'covered')).toEqual([]);
  });
  test('what was struck out is in nobody’s way', () => {
    expect(found(said(['draw seal', 'take off cover'], 'clear'), 'covered')).toEqual([]);
  });
  test('what came off before a part once, and is back, may cover it the second time: a warning', () => {
    const again = typed(['take off cover', 'draw seal', 'fit seal', 'fit cover', 'draw seal']);
    expect(found(again, 'covered')[0]).toMatchObject({
      severity: 'warn',
      facts: { sure: false },
    });
  });
  test('at another position it covers nothing', () => {
    const workbook = withComponent(
      typed(['draw seal @shaft 1', 'take off cap @shaft 2', 'take off cap @shaft 1']),
      'seal',
      (id) => ({ coveredBy: [{ componentId: id('cap'), said: 'covers' }] }),
    );
    expect(at(workbook, 'covered')).toEqual([1]);
    const otherEnd = typed(['take off cap @shaft 2', 'draw seal @shaft 2', 'draw seal @shaft 1']);
    expect(found(otherEnd, 'covered')).toEqual([]);
  });
  test('its fix moves it behind what covers it', () => {
    const after = mended(said(['draw seal', 'take off cover'], 'covers'), 'covered');
    expect(after.procedure.steps.map((step) => step.verb)).toEqual(['take-off', 'draw']);
  });
  test('what is only looked at, or comes off in two goes, is not away yet', () => {
    const lines = ['pry 2 dowel pins', 'inspect cover', 'take off cover', 'fit dowel pins', 'fit cover'];
    const looked = mended(typed(lines), 'covered');
    expect(looked.procedure.steps.map((step) => step.verb).slice(0, 3)).toEqual(['inspect', 'take-off', 'pry']);
    const goes = ['draw seal', 'take off 2 bolts', 'loosen bolts', 'take off 6 bolts'];
    const covered = withComponent(typed(goes), 'seal', (id) => ({
      coveredBy: [{ componentId: id('bolt'), said: 'covers' }],
    }));
    expect(found(mended(covered, 'covered'), 'covered')).toEqual([]);
  });
});

describe('buried', () => {
  test('what is put back over a part still out is told once for all that is under it', () => {
    const workbook = typed(['take off cover', 'take off gasket', 'draw seal', 'fit cover', 'fit seal', 'fit gasket']);
    expect(at(workbook, 'buried')).toEqual([4]);
    expect(found(workbook, 'buried')[0]?.unitIds).toHaveLength(2);
  });
  test('its fix moves the closing step behind the last refitting under it', () => {
    const after = mended(typed(['take off cover', 'take off gasket', 'fit cover', 'fit gasket']), 'buried');
    expect(after.procedure.steps.map((step) => sayStep(step, after.series)).slice(2)).toEqual([
      'Fit the gasket.',
      'Fit the cover.',
    ]);
  });
  test('inside a housing on the bench only its own contents count', () => {
    const lines = ['take off manifold', 'take off case', 'draw seal', 'take off cover', 'fit seal', 'fit case'];
    const hosted = ['case', 'seal'].reduce(
      (w, name) => withComponent(w, name, (id) => ({ hostId: id('manifold') })),
      typed(lines),
    );
    expect(found(hosted, 'buried')).toEqual([]);
  });
});

describe('still-tight', () => {
  const held = (lines: string[]) => withComponent(typed(lines), 'cover', (id) => ({ heldBy: [id('bolt')] }));
  test.each([
    ['taken off', ['take off 4 bolts', 'take off cover'], 0],
    ['loosened', ['loosen 4 bolts', 'take off cover'], 0],
    ['untouched', ['inspect 4 bolts', 'take off cover'], 1],
    ['torqued again', ['loosen 4 bolts', 'torque bolts =9 N·m', 'take off cover'], 1],
    ['started by hand again', ['take off 4 bolts', 'start by hand bolts', 'take off cover'], 0],
  ])('fasteners %s', (_how, lines, times) => {
    expect(found(held(lines), 'still-tight')).toHaveLength(times);
  });
  test('its fix loosens them first, marked as drafted', () => {
    const after = mended(held(['mark 4 bolts', 'take off cover']), 'still-tight');
    expect(after.procedure.steps[1]).toMatchObject({ verb: 'loosen', drafted: ['verb', 'targets'] });
  });
});

describe('not-there', () => {
  test.each([
    [['take off cover', 'take off cover'], 'not-in-pump'],
    [['fit 4 bolts'], 'not-out'],
    [['renew seal', 'renew seal'], 'already-renewed'],
    [['split valve'], 'nothing-in-it'],
    [['take off 4 bolts', 'torque bolts =9 N·m'], 'not-fitted'],
    [['take off 4 bolts', 'loosen bolts'], 'not-in-pump'],
  ])('%j', (lines, reason) => {
    expect(found(typed(lines), 'not-there').map(({ facts }) => facts)).toMatchObject([{ reason }]);
  });
  test('on one answer only it says on which', () => {
    const workbook = branching(['mark ball', 'draw seat', 'draw seat'], [1]);
    expect(at(workbook, 'not-there')).toEqual([3]);
  });
  test('an aid that nothing put in cannot be taken out; the fix forgets it', () => {
    const workbook = withStep(typed(['fit cover /guide pins']), 0, (step) => ({ aidsOut: step.toolIds }));
    expect(at(workbook, 'aid-not-there')).toEqual([1]);
    expect(found(mended(workbook, 'aid-not-there'), 'aid-not-there')).toEqual([]);
  });
});
