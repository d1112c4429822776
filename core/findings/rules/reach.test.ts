import { sayStep } from '../../language/en/sentence';
import { branching, found, mended, sentences } from '../../testing/findings';
import { typed, withComponent, withStep } from '../../testing/workbook';

describe('covered', () => {
  const said = (lines: string[], how: 'covers' | 'clear') =>
    withComponent(typed(lines), 'seal', (id) => ({ coveredBy: [{ componentId: id('cover'), said: how }] }));

  test('what the series says lies over a part has to be away first', () => {
    expect(found(said(['draw seal', 'take off cover'], 'covers'), 'covered')[0]).toMatchObject({
      severity: 'stop',
      sentence: 'Step 1, "Draw out seal": the cover covers it.',
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
      sentence: 'Step 5, "Draw out seal": the cover came off before it and may cover it.',
    });
  });
  test('at another position it covers nothing', () => {
    const workbook = withComponent(
      typed(['draw seal @shaft 1', 'take off cap @shaft 2', 'take off cap @shaft 1']),
      'seal',
      (id) => ({ coveredBy: [{ componentId: id('cap'), said: 'covers' }] }),
    );
    expect(sentences(workbook, 'covered')).toEqual(['Step 1, "Draw out seal": the caps cover it.']);
    const otherEnd = typed(['take off cap @shaft 2', 'draw seal @shaft 2', 'draw seal @shaft 1']);
    expect(found(otherEnd, 'covered')).toEqual([]);
  });
  test('its fix moves it behind what covers it', () => {
    const after = mended(said(['draw seal', 'take off cover'], 'covers'), 'covered');
    expect(after.procedure.steps.map((step) => step.verb)).toEqual(['take-off', 'draw']);
  });
});

describe('buried', () => {
  test('what is put back over a part still out is told once for all that is under it', () => {
    const workbook = typed(['take off cover', 'take off gasket', 'draw seal', 'fit cover', 'fit seal', 'fit gasket']);
    expect(sentences(workbook, 'buried')).toEqual(['Step 4, "Fit cover", closes over the seal and gasket still out.']);
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
    [['take off cover', 'take off cover'], 'Step 2, "Take off cover": the cover is not in the pump any more.'],
    [['fit 4 bolts'], 'Step 1, "Fit bolts": the bolts are neither on the cloth nor ready in the tray.'],
    [['renew seal', 'renew seal'], 'Step 2, "Renew seal": the seal is renewed already.'],
    [['split valve'], 'Step 1, "Open valve": the valve holds nothing that could be laid out.'],
    [['take off 4 bolts', 'torque bolts =9 N·m'], 'Step 2, "Torque bolts": the bolts are not in the pump yet.'],
    [['take off 4 bolts', 'loosen bolts'], 'Step 2, "Loosen bolts": the bolts are not in the pump any more.'],
  ])('%j', (lines, sentence) => {
    expect(sentences(typed(lines), 'not-there')).toEqual([sentence]);
  });
  test('on one answer only it says on which', () => {
    const workbook = branching(['mark ball', 'draw seat', 'draw seat'], [1]);
    expect(sentences(workbook, 'not-there')).toEqual([
      'Step 3, "Draw out seat": the seat is not in the pump any more when "no".',
    ]);
  });
  test('an aid that nothing put in cannot be taken out; the fix forgets it', () => {
    const workbook = withStep(typed(['fit cover /guide pins']), 0, (step) => ({ aidsOut: step.toolIds }));
    const wanted = 'Step 1, "Fit cover", takes out the guide pins that nothing put in.';
    expect(sentences(workbook, 'not-there')).toContain(wanted);
    const after = withStep(workbook, 0, { aidsOut: [] });
    expect(sentences(after, 'not-there')).not.toContain(wanted);
  });
});
