import { asks, tellerOf } from '../../../testing/said';
import { emptyWorkbook } from '../../../testing/workbook';

/* A thing named first, and what is done to it told behind: with "it", or in the passive with much between. */

const unknown = tellerOf(emptyWorkbook().series);

test.each<[string, string, readonly string[]]>([
  ['there, with where', "There's a pin through the shaft, push it out", ['draw: pin; through the shaft']],
  [
    'where first',
    'In the housing there are two lip seals, push them out from the back',
    ['draw: 2 lip seals; In the housing from the back'],
  ],
  [
    'one at each place, and how many',
    "under each plunger there's a seal case, hook the three of them out with two screwdrivers",
    ['draw: 3 seal case; under each plunger'],
  ],
  ['what holds', 'Eight bolts hold the top manifold, take them out', ['take-off: 8 top manifold bolts']],
  [
    'held by',
    'The pump housing is held by two nuts behind, loosen them and pull the housing off',
    ['loosen: 2 pump housing nuts', 'draw: pump housing'],
  ],
  [
    'held by one: what is lifted',
    'The fan cover is held by a clip, lift it off',
    ['take-off: fan cover; The fan cover is held by a clip'],
  ],
  ['what it has', 'Each plunger has a copper washer on it, throw them away', ['discard: plunger copper washer']],
  ['named alone', 'The wear ring, pull it out.', ['draw: wear ring']],
  ['named with its size', 'Four staybolt nuts, 24 mm, crack them', ['loosen: 4 staybolt nuts; 24 mm']],
  [
    'where it sits',
    'The bearing sits behind it, pull it off with the puller',
    ['draw: bearing; The bearing sits behind it'],
  ],
])('"it" behind what was named: %s', (_name, line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each([
  'The low pressure seals are behind the brass spacers, drive those out',
  'The ring inside the block holds the spring, so compress it',
  'The gear and the key, put them by',
  'There are two rings in it, take the other out',
])('nobody knows which it is: %s', (line) => {
  expect(asks(line, emptyWorkbook().series)).toBe(true);
});

test.each<[string, string, readonly string[]]>([
  ['in brackets', 'The eight cap screws (arrowed) are removed.', ['take-off: 8 cap screws; arrowed']],
  ['a tool in brackets', 'The eight cap screws (10 mm key) are removed.', ['take-off: 8 cap screws']],
  ['a remark in commas', 'The cover, which is heavy, is removed.', ['take-off: cover; which is heavy']],
  ['where it is', 'The bearing on the drive side is pulled off.', ['draw: bearing; on the drive side']],
  ['what has to be', 'The screws at the front have to be taken out.', ['take-off: screws; at the front']],
  ['what sits there', 'The seal that sits in the cover is driven out.', ['draw: seal; that sits in the cover']],
  ['which they are', 'The valve balls that sit under it are lifted out.', ['take-off: valve balls; that sit under it']],
  ['one word', 'The gasket underneath must always be replaced.', ['renew: gasket; underneath']],
  ['free to be', 'The spring inside is now free to be lifted out.', ['take-off: spring; inside']],
  [
    'the next without "is"',
    'The circlip is removed and the bearing pressed out.',
    ['take-off: circlip', 'draw: bearing'],
  ],
  [
    'with what comes along',
    'The drive gear is then withdrawn, along with the rear bush block.',
    ['draw: drive gear, rear bush block'],
  ],
])('told in the passive: %s', (_name, line, meant) => {
  expect(unknown(line)).toEqual(meant);
});

test.each([
  'The bearing, if it is to be renewed, is pulled off.',
  'Inspect the vane tips; a vane that rocks in its slot must be replaced.',
  'The cover, and the gasket behind it, which hides, is off.',
])('what is done only then, or hides an order, is asked about: %s', (line) => {
  expect(asks(line, emptyWorkbook().series)).toBe(true);
});

test('half full of grease is no part', () => {
  expect(unknown('fill the bearing space half with grease')).toEqual(['lubricate: bearing space; half full']);
});
