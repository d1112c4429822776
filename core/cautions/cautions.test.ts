import { USUAL_CAUTIONS } from '../language/en/cautions';
import { SIGNAL_WORDS } from '../model/procedure-words';
import { typed, withComponent, withStep } from '../testing/workbook';
import { safetyPage } from './safety-page';
import { SIGNALS } from './signal-words';
import { suggestedCautions } from './usual';

const at = (lines: string[], index = 0) => {
  const workbook = typed(lines);
  const step = workbook.procedure.steps[index];
  if (!step) throw new Error('no step');
  return { step, series: workbook.series };
};
const ids = (lines: string[]) => {
  const { step, series } = at(lines);
  return suggestedCautions(step, series, () => false);
};

/** The definitions of ANSI Z535.6, by their verbs: will, could, could, and no injury at all; from memory. */
test('signal words keep to their published meaning, the gravest first', () => {
  expect(SIGNAL_WORDS).toEqual(['DANGER', 'WARNING', 'CAUTION', 'NOTICE']);
  expect(SIGNALS.DANGER.meaning).toMatch(/will kill or seriously injure/);
  expect(SIGNALS.WARNING.meaning).toMatch(/could kill or seriously injure/);
  expect(SIGNALS.CAUTION.meaning).toMatch(/could injure slightly or moderately/);
  expect(SIGNALS.NOTICE.meaning).toMatch(/nobody is hurt/);
  expect(SIGNAL_WORDS.map((word) => SIGNALS[word].colour)).toEqual(['red', 'orange', 'yellow', 'blue']);
});

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function contrast(a: string, b: string): number {
  const [one = 0, other = 0] = [a, b].map((hex) => {
    const [r = 0, g = 0, blue = 0] = [1, 3, 5].map((i) => {
      const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r + 0.7152 * g + 0.0722 * blue;
  });
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}

test.each(SIGNAL_WORDS)('%s is legible on its panel', (word) => {
  expect(contrast(SIGNALS[word].panel, SIGNALS[word].word)).toBeGreaterThanOrEqual(4.5);
});

test('a notice warns of damage only, and no other word does', () => {
  const hurt = /\b(hand|finger|skin|eye|injur|burn|splinter|glove|wear|lift|start|isolat|pressure|face away)/i;
  for (const { signal, text } of Object.values(USUAL_CAUTIONS))
    expect([text, hurt.test(text)]).toEqual([text, signal !== 'NOTICE']);
});

test('isolating suggests the restart, prying the even prying, a spring the easing', () => {
  expect(ids(['isolate the drive'])).toEqual(['restart', 'controller']);
  expect(ids(['pry cover'])).toEqual(['pry']);
  const { series, procedure } = withComponent(typed(['take off spring housing']), 'spring housing', {
    springLoaded: true,
  });
  expect(suggestedCautions(procedure.steps[0]!, series, () => false)).toEqual(['spring']);
});

test('what is said already is not suggested again', () => {
  const { step, series } = at(['pry cover']);
  const [first] = suggestedCautions(step, series, () => false);
  if (!first) throw new Error('nothing suggested');
  const said = { ...step, cautions: [{ signal: 'NOTICE' as const, usual: first }] };
  expect(suggestedCautions(said, series, () => false)).toEqual([]);
  expect(suggestedCautions(step, series, (id) => id === first)).toEqual([]);
});

describe('the safety page', () => {
  const workbook = withComponent(
    withComponent(
      typed([
        'isolate the drive !!!It starts by itself',
        'bleed the casing !!A jet goes through gloves',
        'take off stator !!Heavy',
        'take off spring housing',
        'fit spring housing',
        'fit stator !!Heavy',
      ]),
      'stator',
      { massKg: 38 },
    ),
    'spring housing',
    { springLoaded: true, massKg: 2 },
  );
  const consumables = [
    { id: 'locker', name: 'thread-locker', hazard: 'irritates the skin' },
    { id: 'unused', name: 'solvent', hazard: 'burns' },
  ];
  const used = withStep({ ...workbook, series: { ...workbook.series, consumables } }, 4, {
    applications: [{ consumableId: 'locker' }],
  });

  test('tells each caution once, the gravest first, with the steps it stands before', () => {
    expect(safetyPage(used).cautions.map(({ signal, text, steps }) => [signal, text, steps])).toEqual([
      ['DANGER', 'It starts by itself', [1]],
      ['WARNING', 'A jet goes through gloves', [2]],
      ['WARNING', 'Heavy', [3, 6]],
    ]);
  });

  test('in a setting asks for what its methods ask for, and leaves out those of the other', () => {
    const method = { id: 'van', name: 'by hand', verb: 'take-off' as const, toolIds: [], setting: 'field' as const };
    const cautions = [{ signal: 'WARNING' as const, text: 'Two people' }];
    const split = withStep(used, 2, { methods: [{ ...method, cautions }] });
    const says = (setting?: 'workshop' | 'field') =>
      safetyPage(split, setting).cautions.some(({ text }) => text === 'Two people');
    expect([says(), says('field'), says('workshop')]).toEqual([true, true, false]);
  });

  test('names how the pump is made safe, what is heavy or under tension, and what is put on that can hurt', () => {
    const page = safetyPage(used);
    expect(page.makingSafe).toEqual([1, 2]);
    expect(page.heavy.map(({ name }) => name)).toEqual(['stator']);
    expect(page.springs.map(({ name }) => name)).toEqual(['spring housing']);
    expect(page.substances.map(({ name }) => name)).toEqual(['thread-locker']);
  });
});
