import type { Faces } from '../../model/faces';
import type { Step } from '../../model/procedure';
import { mentioned, toolsOnlyInText } from '../../reading/en/mentions';
import { componentId, typed, withComponent, withStep } from '../../testing/workbook';
import { compareText } from './compare-text';

/** What the trainer's sentence and the fields of the last step do not share. */
function differences(line: string, text: string, fields: Partial<Step> = {}, before: string[] = []): string[] {
  const workbook = typed([...before, line]);
  const last = workbook.procedure.steps.length - 1;
  const { procedure, series } = withStep(workbook, last, { ...fields, text });
  const step = procedure.steps[last];
  return step ? compareText(step, series).map(({ what, only, name }) => `${what} only in the ${only}: ${name}`) : [];
}

describe('figures', () => {
  const torque = 'torque 4 cover bolts =45 N·m';
  test.each([
    ['Torque the cover bolts to 45 N·m.'],
    ['Torque the cover bolts to 45 Nm, crosswise.'],
    ['Torque the cover bolts to 33.2 lbf·ft.'],
    ['Torque the cover bolts to 33 ft-lb in two passes.'],
  ])('%s agrees with 45 N·m', (text) => {
    expect(differences(torque, text)).toEqual([]);
  });
  test.each([
    ['Torque the cover bolts to 54 N·m.', ['figure only in the text: 54 N·m']],
    ['Torque the cover bolts hand tight.', ['figure only in the step: 45 N·m']],
    // A size or a count is no torque.
    ['Torque the 4 cover bolts of 12 mm.', ['figure only in the step: 45 N·m']],
  ])('%s does not', (text, expected) => {
    expect(differences(torque, text)).toEqual(expected);
  });
  test('the second figure of a source may be the one that is said', () => {
    const also = { value: 398, unit: 'lbf·in' as const };
    const figure = { value: 45, unit: 'N·m' as const };
    const said = 'Torque the cover bolts to 398 lbf·in.';
    expect(differences(torque, said, { torque: { figure, also, tolerancePercent: 6 } })).toEqual([]);
  });
});

describe('tools and parts', () => {
  test('a tool of the series that the step does not take up, and one it takes up that is not said', () => {
    const before = ['take off ring /hook tool'];
    expect(differences('take off cover /lamp', 'Take off the cover with the hook tool.', {}, before)).toEqual([
      'tool only in the text: hook tool',
      'tool only in the step: lamp',
    ]);
  });
  test('the part it sits in, and what a facing names, may be said as well', () => {
    const workbook = withComponent(typed(['take off cover', 'fit O-ring into the groove']), 'O-ring', (id) => ({
      hostId: id('cover'),
    }));
    const { procedure, series } = withStep(workbook, 1, { text: 'Fit the O-ring to the cover.' });
    expect(compareText(procedure.steps[1] as Step, series)).toEqual([]);
    const faces: Faces = { end: 'groove', toward: { is: 'words', said: 'the cover' } };
    expect(differences('fit seal', 'Fit the seal, groove facing the cover.', { faces }, ['take off cover'])).toEqual(
      [],
    );
  });
  test('another part is another part, and a longer name is not the shorter one in it', () => {
    const before = ['take off cover', 'take off cover nut'];
    expect(differences('fit cover nut', 'Fit the cover nut.', {}, before)).toEqual([]);
    expect(differences('fit cover nut', 'Fit the cover.', {}, before)).toEqual([
      'part only in the text: cover',
      'part only in the step: cover nut',
    ]);
  });
});

describe('faces', () => {
  const faces: Faces = { end: 'lip', toward: { is: 'pressure' } };
  test.each([
    ['Fit the seal, lip facing the pressure.', []],
    ['Fit the seal, lip toward the pressure side.', []],
    // On the bench it depends on how the housing lies; the bench replay judges that.
    ['Fit the seal, lip facing up.', []],
    ['Fit the seal, lip facing the drive.', ['face only in the text: drive']],
    ['Fit the seal.', ['face only in the step: lip']],
  ])('%s', (text, expected) => {
    expect(differences('fit seal', text, { faces })).toEqual(expected);
  });
  test('an end that is called a face is no direction, and one of several phrases may be about something else', () => {
    const lapped: Faces = { end: 'lapped face', toward: { is: 'words', said: 'the rotor' } };
    expect(differences('fit seal', 'Fit the seal, lapped face toward the rotor.', { faces: lapped })).toEqual([]);
    expect(differences('fit seal', 'Push the seal toward the wall, lip facing the pressure.', { faces })).toEqual([]);
  });
  test('in a stack other words may mean the same end of the bore', () => {
    const workbook = typed(['take off gland', 'take off ring', 'fit ring']);
    const stack = {
      id: 'box',
      name: 'the box',
      pressureAt: 'bottom' as const,
      bore: [],
      layers: ['ring', 'gland'].map((name) => ({ id: name, componentId: componentId(workbook, name), count: 1 })),
    };
    const told = (text: string) => {
      const { procedure, series } = withStep(workbook, 2, { faces, text });
      return compareText(procedure.steps[2] as Step, { ...series, stacks: [stack] }).map(({ what }) => what);
    };
    expect(told('Fit the ring, lip facing into the bore.')).toEqual([]);
    expect(told('Fit the ring, lip facing out of the bore.')).toEqual(['face']);
  });
  test('a facing that the step does not have', () => {
    expect(differences('fit seal', 'Fit the seal facing the drive.')).toEqual(['face only in the text: drive']);
  });
});

test('a composed sentence is never compared with itself', () => {
  const { procedure, series } = typed(['torque 4 cover bolts =45 N·m /torque wrench']);
  expect(compareText(procedure.steps[0] as Step, series)).toEqual([]);
});

describe('what a text names', () => {
  const named = (text: string, ...names: string[]) =>
    mentioned(
      text,
      names.map((name) => ({ name })),
    ).map(({ name }) => name);
  test('in the singular, the plural and whatever capitals, as a whole word only', () => {
    expect(named('Both Seats and the spring.', 'seat', 'spring')).toEqual(['spring', 'seat']);
    expect(named('The seating is spring-loaded.', 'seat', 'loaded')).toEqual([]);
    expect(named('Take the O-ring (4) off.', 'O-ring (4)', 'ring')).toEqual(['O-ring (4)']);
  });

  test('tools that are told to be used and are not listed', () => {
    const { series } = typed(['take off ring /hook tool', 'take off cover /socket, 17 mm']);
    const only = (text: string, listed = series.tools.slice(0, 1)) => toolsOnlyInText(text, listed, series);
    expect(only('Lift it with the hook tool and a mallet.')).toEqual(['mallet']);
    expect(only('Undo it with the socket.')).toEqual(['socket']);
    expect(only('Never pry with a screwdriver. Use the hook tool.')).toEqual([]);
    expect(only('Two screwdrivers, one at each side.')).toEqual(['screwdrivers']);
    expect(only('Measure with a micrometer.', [{ id: 'm', name: 'micrometer', size: '25-50 mm' }])).toEqual([]);
  });
});

test('what a method says is compared with what the method does', () => {
  const { procedure, series } = withStep(typed(['torque 4 bolts =20 N·m']), 0, {
    methods: [
      {
        id: 'field',
        name: 'in the field',
        verb: 'torque',
        toolIds: [],
        cautions: [],
        torque: { figure: { value: 30, unit: 'N·m' }, tolerancePercent: 4 },
        detail: 'Tighten to 20 N·m.',
      },
    ],
  });
  const told = (step: Step) => compareText(step, series).map(({ where, name }) => `${where}: ${name}`);
  const [step] = procedure.steps;
  expect(told(step as Step)).toEqual(['method: 20 N·m']);
  const [method] = step?.methods ?? [];
  expect(
    told({ ...(step as Step), methods: [{ ...(method as never as object), detail: 'To 30 N·m.' } as never] }),
  ).toEqual([]);
});
