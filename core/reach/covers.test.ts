import { replay } from '../bench/replay';
import { componentId, typed, withComponent } from '../testing/workbook';
import { Covers } from './covers';

const DOWN = ['take off 4 nuts', 'take off cover', 'draw rotor @each shaft', 'draw seal @each shaft'];
const presumed = (workbook: ReturnType<typeof typed>, name: string) =>
  new Covers(replay(workbook))
    .presumed(componentId(workbook, name))
    .map((id) => workbook.series.components.find((part) => part.id === id)?.name);

test('what came off before is presumed, the nearest first', () => {
  expect(presumed(typed(DOWN), 'seal')).toEqual(['rotor', 'cover', 'nut']);
  expect(presumed(typed(DOWN), 'nut')).toEqual([]);
});

test('what is said is presumed no longer, whichever way it was said', () => {
  const said = withComponent(typed(DOWN), 'seal', (id) => ({
    coveredBy: [
      { componentId: id('rotor'), said: 'covers' },
      { componentId: id('nut'), said: 'clear' },
    ],
  }));
  expect(presumed(said, 'seal')).toEqual(['cover']);
});

test('what sits in a part is not in its way', () => {
  const hosted = withComponent(typed(['draw spring', 'take off valve']), 'spring', (id) => ({ hostId: id('valve') }));
  expect(presumed(hosted, 'valve')).toEqual([]);
});

test('fasteners that hold a part are in its way though nobody took them off', () => {
  const workbook = withComponent(typed(['take off cover', 'inspect 4 bolts']), 'cover', (id) => ({
    heldBy: [id('bolt')],
  }));
  const covers = new Covers(replay(workbook));
  const over = covers.over({ componentId: componentId(workbook, 'cover'), positionId: null });
  expect(over.map((spot) => spot.reason)).toEqual(['holds']);
});
