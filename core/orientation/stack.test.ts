import type { Faces, Pose } from '../model/faces';
import type { Workbook } from '../model/procedure';
import type { Stack } from '../model/series';
import { readDirection } from '../reading/en/direction-words';
import { found, mended, sentences } from '../testing/findings';
import { componentId, typed, withComponent, withStep } from '../testing/workbook';
import { bothWays, compareFacings, endMeant, otherWay, placesInStacks, poseAround } from './directions';
import { profileFromWords } from './profiles';
import { countInStack, stackSection, stacksWith } from './stack-section';

/** A stuffing box that opens upward as it lies face up: head ring at the bottom, three packings, gland. */
function packed(more: Partial<Stack> = {}, lines: readonly string[] = []): Workbook {
  const base = typed([
    'take off gland',
    'take off 3 packing rings',
    'take off head ring',
    'fit head ring',
    'fit packing rings',
    'fit gland',
    ...lines,
  ]);
  const layer = (id: string, name: string, count = 1) => ({ id, componentId: componentId(base, name), count });
  const stack: Stack = {
    id: 'box',
    name: 'the stuffing box',
    pressureAt: 'bottom',
    driveAt: 'mouth',
    bore: [
      { diameterMm: 40, lengthMm: 10 },
      { diameterMm: 50, lengthMm: 40 },
    ],
    shaft: { diameterMm: 30 },
    layers: [layer('l1', 'head ring'), layer('l2', 'packing ring', 3), layer('l3', 'gland')],
    ...more,
  };
  return { ...base, series: { ...base.series, stacks: [stack] } };
}
const boxOf = (workbook: Workbook): Stack => workbook.series.stacks?.[0] as Stack;
const place = (workbook: Workbook, name: string) => placesInStacks(workbook.series, componentId(workbook, name))[0];
const lip = (toward: string, { series }: Workbook): Faces => ({ end: 'lip', toward: readDirection(toward, series) });
const meant = (toward: string, pose?: 'face-up' | 'face-down' | 'on-its-side', name = 'packing ring') => {
  const workbook = packed();
  const at = place(workbook, name);
  return at && endMeant(readDirection(toward, workbook.series), at, pose);
};

describe('a direction in a stack', () => {
  test.each([
    ['the pressure', 'bottom'],
    ['the motor', 'mouth'],
    ['out of the bore', 'mouth'],
    ['into the bore', 'bottom'],
    ['the gland', 'mouth'],
    ['the head ring', 'bottom'],
    ['away from the gland', 'bottom'],
    ['the window', undefined],
  ])('%s', (toward, end) => {
    expect(meant(toward)).toBe(end);
  });
  test('up and down mean something once it is known how the housing lies, and turn with it', () => {
    expect(meant('up on the bench')).toBeUndefined();
    expect(meant('up on the bench', 'on-its-side')).toBeUndefined();
    expect(meant('up on the bench', 'face-up')).toBe('mouth');
    expect(meant('up on the bench', 'face-down')).toBe('bottom');
  });
});

describe('one facing said in two ways', () => {
  const workbook = withComponent(packed(), 'packing ring', { faces: { end: 'lip', toward: { is: 'pressure' } } });
  const component = workbook.series.components.find(({ name }) => name === 'packing ring');
  const says = (toward: string, pose?: 'face-up' | 'face-down') =>
    component?.faces &&
    compareFacings(
      lip(toward, workbook),
      component.faces,
      component,
      placesInStacks(workbook.series, component.id),
      pose,
    );
  test('agrees where both mean one end, contradicts where they do not, and is left open where that is not known', () => {
    expect(says('into the bore')).toBe('same');
    expect(says('the gland')).toBe('contrary');
    expect(says('down on the bench', 'face-up')).toBe('same');
    expect(says('down on the bench', 'face-down')).toBe('contrary');
    expect(says('the window')).toBe('unknown');
  });
  test('is told both for the pump and for the bench', () => {
    if (!component?.faces) throw new Error('no faces');
    expect(bothWays(component.faces, component, workbook.series, 'face-up')).toEqual({
      inPump: { is: 'pressure' },
      onBench: 'down',
    });
    expect(bothWays({ end: 'lip', toward: { is: 'up', said: 'up' } }, component, workbook.series, 'face-down')).toEqual(
      {
        inPump: { is: 'pressure' },
        onBench: 'up',
      },
    );
  });
});

describe('how a part faces as its housing lies', () => {
  const hosted = withComponent(packed({}, ['take off casing']), 'packing ring', (id) => ({ hostId: id('casing') }));
  const { series } = hosted;
  const [ring, casing] = ['packing ring', 'casing'].map((name) => componentId(hosted, name));
  const part = series.components.find(({ id }) => id === ring);
  const lying = (pose: Pose): ReadonlyMap<string, Pose> => new Map([[casing ?? '', pose]]);
  const told = (toward: string, poses: ReadonlyMap<string, Pose>) =>
    part && otherWay(lip(toward, hosted), part, series, poses);

  test('is told by the nearest housing that was laid down', () => {
    expect(poseAround(casing, lying('face-up'), series)).toEqual({ housingId: casing, pose: 'face-up' });
    expect(poseAround(ring, lying('face-up'), series)?.housingId).toBe(casing);
    expect(poseAround(casing, new Map(), series)).toBeUndefined();
    // Said in a circle by mistake it ends all the same.
    const circle = withComponent(hosted, 'casing', { hostId: ring ?? '' }).series;
    expect(poseAround(ring, new Map(), circle)).toBeUndefined();
  });
  test('said for the pump it is told for the bench, and the other way about; never twice the same', () => {
    expect(told('the pressure', lying('face-up'))).toEqual({ is: 'on-bench', direction: 'down' });
    expect(told('the pressure', lying('face-down'))).toEqual({ is: 'on-bench', direction: 'up' });
    expect(told('down on the bench', lying('face-up'))).toEqual({ is: 'in-pump', toward: { is: 'pressure' } });
    expect(told('the pressure', new Map())).toBeUndefined();
  });
});

describe('findings of a stack', () => {
  test('the wrong way round is found whatever the words, and other words for the same are no fault', () => {
    const lipped = withComponent(packed(), 'packing ring', { faces: { end: 'lip', toward: { is: 'pressure' } } });
    const said = (toward: string) => withStep(lipped, 4, { faces: lip(toward, lipped) });
    expect(found(said('into the bore'), 'faces-wrong')).toEqual([]);
    expect(found(said('the gland'), 'faces-wrong')).toHaveLength(1);
  });

  test('a ring fitted over what lies above it is out of order', () => {
    const swapped = packed();
    const { steps } = swapped.procedure;
    const [a, b, c, head, rings, gland] = steps;
    if (!a || !b || !c || !head || !rings || !gland) throw new Error('no steps');
    const workbook = { ...swapped, procedure: { ...swapped.procedure, steps: [a, b, c, rings, head, gland] } };
    expect(sentences(workbook, 'stack-order')).toEqual([
      'Step 5, "Fit head ring": in the stuffing box the head ring lies deeper than the packing rings fitted before.',
    ]);
    expect(found(swapped, 'stack-order')).toEqual([]);
  });

  test('rings are counted against the parts list', () => {
    const short = packed();
    const box = boxOf(short);
    const layers = box.layers.map((layer) => (layer.id === 'l2' ? { ...layer, count: 4 } : layer));
    const workbook = { ...short, series: { ...short.series, stacks: [{ ...box, layers }] } };
    expect(sentences(workbook, 'stack-count')).toEqual(['The stack holds 4 × packing ring, the parts list 3.']);
    expect(found(mended(workbook, 'stack-count'), 'stack-count')).toEqual([]);
    expect(found(short, 'stack-count')).toEqual([]);
    expect(countInStack(boxOf(workbook), componentId(workbook, 'packing ring'))).toBe(4);
  });
});

describe('the section', () => {
  test('lays the pieces on one another from the bottom, each ring by itself, in the bore as it widens', () => {
    const workbook = packed();
    const section = stackSection(boxOf(workbook), workbook.series);
    expect(section.pieces.map(({ name, number, of }) => `${name} ${number}/${of}`)).toEqual([
      'head ring 1/1',
      'packing ring 1/3',
      'packing ring 2/3',
      'packing ring 3/3',
      'gland 1/1',
    ]);
    section.pieces.slice(1).forEach((piece, i) => {
      expect(piece.fromMm).toBeCloseTo(section.pieces[i]?.toMm ?? -1);
    });
    expect(section.pieces[0]).toMatchObject({ outerMm: 40, innerMm: 30 });
    expect(section.pieces.at(-1)?.outerMm).toBe(50);
    expect(section.bore.map(({ fromMm, toMm }) => [fromMm, toMm])).toEqual([
      [0, 10],
      [10, 50],
    ]);
    expect(stacksWith(workbook.series, [componentId(workbook, 'gland')])).toHaveLength(1);
  });

  test('shows the profile on the side it faces, and turned round where a step says the contrary', () => {
    const workbook = withComponent(packed(), 'packing ring', {
      faces: { end: 'lip', toward: { is: 'pressure' }, tellBy: 'small grooves on the other side' },
    });
    const [, ring] = stackSection(boxOf(workbook), workbook.series).pieces;
    expect(ring).toMatchObject({ atBottom: 'lip', atMouth: 'small-grooves', wrong: false, known: true });
    const said = new Map([[componentId(workbook, 'packing ring'), lip('the gland', workbook)]]);
    const [, turned] = stackSection(boxOf(workbook), workbook.series, said).pieces;
    expect(turned).toMatchObject({ atMouth: 'lip', wrong: true });
  });

  test('a part of which nothing is said is drawn plain', () => {
    const workbook = packed();
    expect(stackSection(boxOf(workbook), workbook.series).pieces.every(({ known }) => !known)).toBe(true);
  });
});

test.each([
  ['spring side', 'spring'],
  ['small grooves', 'small-grooves'],
  ['curved side', 'rounded'],
  ['stamped number', 'marked'],
  ['lapped face', 'flat'],
  ['other end', undefined],
])('"%s" looks like %s', (words, profile) => {
  expect(profileFromWords(words)).toBe(profile);
});
