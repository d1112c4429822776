import { componentId, typed, withComponent } from '../testing/workbook';
import { journeyOf } from './journey';
import { replay } from './replay';

test('a part is followed from where it comes off to where its replacement goes in', () => {
  const workbook = typed(['take off cover', 'take off seal', 'inspect seal', 'renew seal', 'fit seal', 'fit cover']);
  const timeline = replay(workbook);
  expect(journeyOf(timeline, componentId(workbook, 'seal'), timeline.cells[1]!.unitIds)).toEqual({
    off: [1],
    back: [4],
    binned: [3],
    touched: [2],
  });
});

test('of matched parts each goes its own way', () => {
  const lines = ['draw rotor @each shaft', 'inspect rotor @shaft 2', 'fit rotor @shaft 1', 'fit rotor @shaft 2'];
  const workbook = withComponent(typed(lines), 'rotor', { matched: true });
  const timeline = replay(workbook);
  const id = componentId(workbook, 'rotor');
  expect(journeyOf(timeline, id, timeline.cells[0]!.unitIds)).toMatchObject({ off: [0], back: [2], touched: [] });
  expect(journeyOf(timeline, id, timeline.cells[1]!.unitIds)).toMatchObject({ off: [0], back: [3], touched: [1] });
});

test('what is carried along in its housing is touched by nothing but what names it', () => {
  const workbook = withComponent(typed(['take off manifold', 'inspect seal', 'fit manifold']), 'seal', (id) => ({
    hostId: id('manifold'),
  }));
  const timeline = replay(workbook);
  const id = componentId(workbook, 'seal');
  expect(journeyOf(timeline, id, [`${id}//1/old`])).toEqual({ off: [], back: [], binned: [], touched: [1] });
});
