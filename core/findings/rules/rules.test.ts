import { replay } from '../../bench/replay';
import { draftPutBack } from '../../drafting/way-back/way-back';
import { applyEdits } from '../../edits/edit';
import type { Workbook } from '../../model/procedure';
import { componentId, typed, withComponent, withStep } from '../../testing/workbook';
import { acceptFinding, check, RULES } from '../check';
import type { Finding } from '../finding';

const found = (workbook: Workbook, id: string): Finding[] => check(workbook).filter((finding) => finding.id === id);
const fixed = (workbook: Workbook, finding: Finding): Workbook => applyEdits(workbook, finding.fix?.edits ?? []);
/** The workbook with kits of the named parts laid out: how many in a kit, how many kits. */
const withKit = (workbook: Workbook, name: string, inKit: number, kits: number): Workbook => ({
  series: {
    ...workbook.series,
    kits: [{ id: 'kit', name: 'seal kit', contents: [{ componentId: componentId(workbook, name), count: inKit }] }],
  },
  procedure: { ...workbook.procedure, kits: [{ kitId: 'kit', count: kits }] },
});
const intending = (workbook: Workbook, name: string): Workbook => ({
  ...workbook,
  procedure: { ...workbook.procedure, intends: [{ kind: 'leaves', componentId: componentId(workbook, name) }] },
});
const asking = {
  question: 'Did the seat come out with the ball?',
  answers: [
    { id: 'yes', text: 'yes' },
    { id: 'no', text: 'no' },
  ],
};
/** The ball comes out; when the seat stays behind it is drawn on a way of its own. */
const seatBranch = (put: string[]): Workbook => {
  const base = typed(['take off ball', 'draw seat', ...put]);
  return withStep(withStep(base, 0, { decision: asking }), 1, {
    when: [{ stepId: base.procedure.steps[0]!.id, answerIds: ['no'] }],
  });
};
/** The workbook with a consumable in the series, put on by the step at `index`. */
const stocked = (workbook: Workbook, index: number, name: string): Workbook => {
  const consumables = [{ id: 'c', name, openMinutes: 10 }];
  return withStep({ ...workbook, series: { ...workbook.series, consumables } }, index, {
    applications: [{ consumableId: 'c' }],
  });
};
/** The workbook with a stack of the named parts, from the bottom. */
const stacked = (workbook: Workbook, names: string[]): Workbook => {
  const layers = names.map((name, i) => ({ id: `l${i}`, componentId: componentId(workbook, name), count: 1 }));
  return { ...workbook, series: { ...workbook.series, stacks: [{ id: 'box', name: 'the box', bore: [], layers }] } };
};
const lip = { end: 'lip', toward: 'the pressure' };

/** A procedure in which the named rule finds something, and the sentence it then says. */
const PLANTED: Record<string, [Workbook, string]> = {
  empty: [typed([]), 'The procedure has no steps.'],
  buried: [
    typed(['take off cover', 'take off gasket', 'fit cover', 'fit gasket']),
    'Step 3, "Fit cover", closes over the gasket still out.',
  ],
  'left-on-cloth': [
    typed(['isolate the drive', 'take off cover', 'restore the drive']),
    'The cover stays on the cloth: step 2 takes it off and nothing puts it back.',
  ],
  'left-in-tray': [typed(['take off gasket', 'renew gasket']), 'New gasket stays in the kit tray: nothing fits it.'],
  'not-there': [typed(['fit cover']), 'Step 1, "Fit cover": the cover is neither on the cloth nor ready in the tray.'],
  'not-isolated': [
    typed(['loosen 8 cover nuts']),
    'Step 1, "Loosen cover nuts", opens the pump before it is isolated.',
  ],
  reused: [
    withComponent(typed(['take off cover O-ring', 'fit cover O-ring']), 'cover O-ring', { renewal: 'always' }),
    'Step 2, "Fit cover O-ring", puts back the old cover O-ring.',
  ],
  'loose-at-end': [
    typed(['take off 8 cover nuts', 'start by hand cover nuts']),
    'The cover nuts are left loose: nothing torques them after step 2.',
  ],
  'not-refilled': [typed(['drain the gear oil']), 'Step 1, "Drain the gear oil": nothing fills it again.'],
  'not-restored': [typed(['lock out the drive']), 'Step 1, "Lock out the drive": nothing restores it.'],
  'torque-misplaced': [
    withStep(typed(['torque 8 cover nuts =45 N·m', 'take off cover', 'fit cover']), 0, { stage: 'take-down' }),
    'Step 1, "Torque cover nuts", stands in the take-down.',
  ],
  'wrench-loosens': [
    typed(['loosen 8 cover nuts /torque wrench, 10-60 N·m']),
    'Step 1, "Loosen cover nuts", loosens with the torque wrench.',
  ],
  'power-tightens': [
    typed(['torque 8 cover nuts =45 N·m /air ratchet']),
    'Step 1, "Torque cover nuts", tightens with the air ratchet.',
  ],
  'no-figure': [typed(['torque 8 cover nuts']), 'Step 1, "Torque cover nuts", gives no torque.'],
  'no-source': [typed(['torque 8 cover nuts =45 N·m']), 'Step 1, "Torque cover nuts": 45 N·m has no source.'],
  'aid-left-in': [
    withStep(typed(['take off cover', 'fit cover /guide pins']), 1, (step) => ({ aidsIn: step.toolIds })),
    'Nothing takes out the guide pins that step 2 puts in.',
  ],
  'change-missed': [
    intending(typed(['take off gasket', 'fit gasket']), 'gasket'),
    'The gasket is meant to leave the pump and still in it.',
  ],
  covered: [
    withComponent(typed(['take off gasket', 'take off cover']), 'gasket', (id) => ({
      coveredBy: [{ componentId: id('cover'), said: 'covers' }],
    })),
    'Step 1, "Take off gasket": the cover covers it.',
  ],
  'still-tight': [
    withComponent(typed(['take off cover', 'take off 8 cover nuts']), 'cover', (id) => ({ heldBy: [id('cover nut')] })),
    'Step 1, "Take off cover", is done while the cover nuts are tight.',
  ],
  swapped: [
    withStep(withComponent(typed(['draw rotor @each shaft', 'fit rotor @shaft 2']), 'rotor', { matched: true }), 1, {
      fromPositionId: 's1',
    }),
    'Step 2, "Fit rotor", fits the one of shaft 1 at shaft 2.',
  ],
  unmarked: [
    withComponent(typed(['draw rotor @each shaft']), 'rotor', { matched: true }),
    'Step 1, "Draw out rotors": the rotors are matched and not marked.',
  ],
  'not-in-kit': [
    withKit(typed(['take off gasket', 'take off seal', 'renew gasket', 'renew seal']), 'gasket', 1, 1),
    '1 × seal would be renewed, and none of the kits holds any.',
  ],
  'kit-short': [
    withKit(typed(['take off 4 seals', 'renew seals']), 'seal', 3, 1),
    '4 seals are renewed and the kits hold 3.',
  ],
  'kit-unused': [
    withKit(typed(['take off gasket', 'renew gasket']), 'gasket', 1, 2),
    '2 × seal kit are laid out and 1 would be used.',
  ],
  'pressure-kept': [
    typed(['isolate the drive', 'loosen 8 cover nuts']),
    'Step 2, "Loosen cover nuts", opens the pump before the pressure is released.',
  ],
  'spring-release': [
    withComponent(typed(['take off spring housing']), 'spring housing', { springLoaded: true }),
    'Step 1, "Take off spring housing": the spring housing is under spring tension.',
  ],
  heavy: [
    withComponent(typed(['draw stator']), 'stator', { massKg: 38 }),
    'Step 1, "Draw out stator": the stator of 38 kg is moved without a planned lift.',
  ],
  'brittle-pry': [
    withComponent(typed(['pry plunger']), 'plunger', { brittle: true }),
    'Step 1, "Pry off plunger": the plunger is brittle and is pried.',
  ],
  'faces-unsaid': [
    withComponent(typed(['take off seal', 'fit seal']), 'seal', { faces: lip }),
    'Step 2, "Fit seal", does not say which way the seal faces.',
  ],
  'faces-wrong': [
    withStep(withComponent(typed(['take off seal', 'fit seal']), 'seal', { faces: lip }), 1, {
      faces: { end: 'lip', toward: 'the crankcase' },
    }),
    'Step 2, "Fit seal": elsewhere the seal has lip toward the pressure.',
  ],
  'faces-clash': [
    withStep(
      withStep(
        withComponent(typed(['take off manifold', 'take off seal', 'fit seal', 'fit manifold']), 'seal', (id) => ({
          hostId: id('manifold'),
          faces: { end: 'lip', toward: 'out of the bore' },
        })),
        0,
        (_step, id) => ({ pose: { componentId: id('manifold'), lies: 'face-down' } }),
      ),
      2,
      { faces: { end: 'lip', toward: 'up on the bench' } },
    ),
    'Step 3, "Fit seal": with the manifold face down that is not out of the bore.',
  ],
  unrecorded: [
    withComponent(typed(['take off seal']), 'seal', { keyed: true }),
    'Step 1, "Take off seal": nothing records which way round the seal was.',
  ],
  'no-last-look': [
    withStep(typed(['take off cover', 'take off seal', 'fit seal', 'fit cover']), 2, { faces: lip }),
    'No photo shows the seal before step 4 puts the cover over it.',
  ],
  'no-as-found': [
    typed(['take off gasket', 'clean gasket', 'fit gasket']),
    'No photo shows what was found before step 2 cleans or renews it.',
  ],
  'no-unit': [
    withStep(typed(['fit 4 bolts']), 0, { detail: 'Tighten crosswise to 218 pounds.' }),
    'Step 1, "Fit bolts", says 218 pounds and no unit of torque.',
  ],
  'paths-disagree': [seatBranch(['fit ball']), 'The pump ends in another state when "no".'],
  'dead-path': [
    withStep(seatBranch(['fit seat', 'fit ball']), 2, { when: [{ stepId: 'gone', answerIds: ['yes'] }] }),
    'Step 3, "Fit seat", is never reached: no answer leads to it.',
  ],
  swells: [
    stocked(typed(['take off EPDM ring', 'fit EPDM ring']), 1, 'mineral grease'),
    'Step 2, "Fit EPDM ring": mineral grease attacks the EPDM of the EPDM ring.',
  ],
  'dry-seal': [
    typed(['take off lip seal', 'renew lip seal', 'fit lip seal']),
    'Step 3, "Fit lip seal", fits the lip seal dry.',
  ],
  'old-compound': [
    stocked(typed(['take off 4 bolts', 'start by hand bolts']), 1, 'thread-locker'),
    'Step 2, "Start by hand bolts": thread-locker goes on bolts that nothing cleaned.',
  ],
  'sets-first': [
    stocked(
      withStep(typed(['clean 4 bolts', 'wait for tea ~12', 'torque bolts =20 N·m']), 0, { minutes: 1 }),
      0,
      'thread-locker',
    ),
    'Step 3, "Torque bolts": thread-locker on the bolts sets after 10 minutes; the torque comes after about 13.',
  ],
  'soak-short': [
    withComponent(typed(['take off packing', 'soak packing ~4', 'fit packing']), 'packing', { soakMinutes: 10 }),
    'Step 3, "Fit packing": the packing has soaked about 4 of 10 minutes.',
  ],
  'thread-condition': [
    stocked(typed(['clean 4 bolts', 'torque bolts =20 N·m']), 0, 'anti-seize paste'),
    'Step 2, "Torque bolts": 20 N·m does not say what thread it is for; anti-seize paste is on the bolts.',
  ],
  'two-figures': [
    withStep(typed(['torque 4 bolts =20 N·m']), 0, {
      torque: { figure: { value: 20, unit: 'N·m' }, tolerancePercent: 4, also: { value: 20, unit: 'lbf·ft' } },
    }),
    'Step 1, "Torque bolts": 20 N·m and 20 lbf·ft are 36 % apart.',
  ],
  'stack-order': [
    stacked(typed(['take off gland', 'take off ring', 'fit gland', 'fit ring']), ['ring', 'gland']),
    'Step 4, "Fit ring": in the box the ring lies deeper than the gland fitted before.',
  ],
  'stack-count': [
    stacked(typed(['take off 3 rings', 'fit rings']), ['ring', 'ring']),
    'The stack holds 2 × ring, the parts list 3.',
  ],
  'text-differs': [
    withStep(typed(['torque 4 bolts =20 N·m']), 0, { text: 'Torque the bolts to 30 N·m.' }),
    'Step 1, "Torque bolts": its sentence names the figure "30 N·m", the step does not.',
  ],
  'unlisted-tool': [
    withStep(typed(['take off cover']), 0, { detail: 'Tap it with the mallet.' }),
    'Step 1, "Take off cover": the mallet is named in words and is not among its tools.',
  ],
  vague: [
    withStep(typed(['fit cover']), 0, { detail: 'Fit it as required.' }),
    'Step 1, "Fit cover", says "as required".',
  ],
  'long-sentence': [
    withStep(typed(['fit cover']), 0, { detail: Array.from({ length: 21 }, () => 'word').join(' ') }),
    'Step 1, "Fit cover", has a sentence of 21 words.',
  ],
  'two-actions': [
    withStep(typed(['fit cover']), 0, { detail: 'Lift the cover and turn the shaft.' }),
    'Step 1, "Fit cover": "Lift the cover and turn the shaft" tells two things to do.',
  ],
  'house-term': [
    {
      ...withStep(typed(['fit cover']), 0, { detail: 'Wipe the hole.' }),
      house: { terms: [{ say: 'bore', insteadOf: ['hole'] }] },
    },
    'Step 1, "Fit cover", says "hole"; here it is called "bore".',
  ],
  unconfirmed: [draftPutBack(typed(['take off cover'])), 'One drafted step is not confirmed.'],
};

test('every rule has a planted fault here', () => {
  expect(RULES.map((rule) => rule.id).sort()).toEqual(Object.keys(PLANTED).sort());
});

describe.each(Object.entries(PLANTED))('%s', (id, [workbook, sentence]) => {
  test('is found and told in one plain sentence', () => {
    expect(found(workbook, id).map((finding) => finding.sentence)).toEqual([sentence]);
    expect(sentence.split(' ').length).toBeLessThanOrEqual(20);
  });

  test('its fix, where there is one, removes it and adds no stop', () => {
    for (const finding of found(workbook, id)) {
      if (!finding.fix) continue;
      const after = fixed(workbook, finding);
      expect(after).not.toEqual(workbook);
      expect(found(after, id)).toEqual([]);
      const stops = (w: Workbook) => check(w).filter((f) => f.severity === 'stop').length;
      expect(stops(after)).toBeLessThanOrEqual(stops(workbook));
    }
  });
});

describe('nothing is cried where nothing is wrong', () => {
  const whole = typed([
    'isolate the drive',
    'bleed the casing ?the gauge at nothing',
    'drain the gear oil',
    'take off 8 cover nuts /socket, 17 mm',
    'take off cover O-ring',
    'renew cover O-ring',
    'fit cover O-ring',
    'start by hand cover nuts',
    'torque cover nuts =45 N·m /torque wrench, 10-60 N·m',
    'fill the gear oil',
    'restore the drive',
  ]);
  const said = withStep(withComponent(whole, 'cover O-ring', { renewal: 'always', dry: true }), 8, {
    torque: { figure: { value: 45, unit: 'N·m' }, tolerancePercent: 4, source: 'Sheet 4' },
  });

  test('on a whole procedure', () => {
    expect(check(said)).toEqual([]);
  });

  test('a casing drained of its product need not be filled', () => {
    expect(found(typed(['drain the casing']), 'not-refilled')).toEqual([]);
  });

  test('an impact driver may take down', () => {
    expect(found(typed(['take off 8 cover nuts /impact driver']), 'power-tightens')).toEqual([]);
  });

  test('a cover that is loosened is no fastener', () => {
    expect(found(typed(['loosen cover']), 'loose-at-end')).toEqual([]);
  });
});

test('one shaft forgotten is told by its position, two of eight by their number', () => {
  expect(found(typed(['draw rotor @each shaft', 'fit rotor @shaft 1']), 'left-on-cloth')[0]?.sentence).toBe(
    'The rotor of shaft 2 stays on the cloth: step 1 takes it off and nothing puts it back.',
  );
  expect(found(typed(['take off 8 cover nuts', 'fit 6 cover nuts']), 'left-on-cloth')[0]?.sentence).toBe(
    'The two cover nuts stay on the cloth: step 1 takes them off and nothing puts them back.',
  );
});

describe('what lies underneath', () => {
  const buriedIn = (lines: string[]) => found(typed(lines), 'buried').map((finding) => finding.sentence);
  test('the other shaft is not in the way', () => {
    expect(
      buriedIn(['draw rotor @shaft 1', 'draw sleeve @shaft 2', 'fit rotor @shaft 1', 'fit sleeve @shaft 2']),
    ).toEqual([]);
  });
  test('at the same shaft it is', () => {
    expect(
      buriedIn(['draw rotor @each shaft', 'draw sleeve @each shaft', 'fit rotor @shaft 1', 'fit sleeve', 'fit rotor']),
    ).toEqual(['Step 3, "Fit rotor", closes over the sleeve still out.']);
  });
  test('the new part counts as the old one does', () => {
    expect(buriedIn(['take off cover', 'take off gasket', 'renew gasket', 'fit cover', 'fit gasket'])).toHaveLength(1);
    expect(buriedIn(['take off cover', 'take off gasket', 'renew gasket', 'fit gasket', 'fit cover'])).toEqual([]);
  });
  test('a part that never goes back is told as left over, not as buried', () => {
    expect(buriedIn(['take off cover', 'take off gasket', 'fit cover'])).toEqual([]);
  });
});

test('stops come first, advice last', () => {
  const severities = check(typed(['take off cover', 'torque 8 cover nuts =45 N·m'])).map((finding) => finding.severity);
  expect(severities).toEqual(
    [...severities].sort((a, b) => 'stop warn advise'.indexOf(a) - 'stop warn advise'.indexOf(b)),
  );
  expect(new Set(severities).size).toBe(3);
});

test('a fix leaves the other steps as they were', () => {
  const [workbook] = PLANTED['left-on-cloth']!;
  const [finding] = found(workbook, 'left-on-cloth');
  const after = fixed(workbook, finding!);
  expect(after.procedure.steps.filter((step) => !step.drafted)).toEqual(workbook.procedure.steps);
  expect(replay(after).frames).toHaveLength(4);
});

describe('letting a warning stand', () => {
  const workbook = typed(['loosen 8 cover nuts']);
  const [warning] = found(workbook, 'not-isolated');
  const accepted = acceptFinding(workbook, warning!, 'The pump comes in on a pallet');

  test('takes a reason, which is kept and told last', () => {
    expect(found(accepted, 'not-isolated')[0]?.accepted).toBe('The pump comes in on a pallet');
    expect(check(accepted).at(-1)?.id).toBe('not-isolated');
    expect(check(accepted)).toHaveLength(check(workbook).length);
  });
  test('is taken back without a trace', () => {
    expect(acceptFinding(accepted, warning!, undefined)).toEqual(workbook);
  });
  test('does not reach another step, and never a stop', () => {
    const [, other] = typed(['inspect cover', 'loosen 8 cover nuts']).procedure.steps;
    const elsewhere = { ...accepted, procedure: { ...accepted.procedure, steps: [{ ...other!, id: 'elsewhere' }] } };
    expect(found(elsewhere, 'not-isolated')[0]?.accepted).toBeUndefined();
    const left = typed(['take off cover']);
    const [stop] = found(left, 'left-on-cloth');
    expect(found(acceptFinding(left, stop!, 'never mind'), 'left-on-cloth')[0]?.accepted).toBeUndefined();
  });
});

describe('on some ways only', () => {
  test('what is left over says with which answer', () => {
    expect(found(seatBranch(['fit ball']), 'left-on-cloth')[0]?.sentence).toBe(
      'The seat stays on the cloth when "no": step 2 takes it off and nothing puts it back.',
    );
  });
  test('ways that come together again are one', () => {
    const base = seatBranch(['fit seat', 'fit ball']);
    const joined = withStep(base, 2, { when: base.procedure.steps[1]!.when });
    expect(found(joined, 'paths-disagree')).toEqual([]);
    expect(found(joined, 'left-on-cloth')).toEqual([]);
    expect(found(joined, 'not-there')).toEqual([]);
  });
  test('a method that leaves the part where it was does not agree with one that takes it off', () => {
    const workbook = withStep(typed(['pry manifold', 'fit manifold']), 0, {
      methods: [{ id: 'm', name: 'turn the crank', verb: 'inspect', toolIds: [], cautions: [] }],
    });
    expect(found(workbook, 'paths-disagree').map((finding) => finding.sentence)).toEqual([
      'Step 1, "Pry off manifold": the method "turn the crank" leaves another bench behind.',
    ]);
  });
});

test('a change that is meant is not taken for a mistake', () => {
  const moved = withStep(
    withComponent(typed(['mark rotor @each shaft', 'draw rotor @shaft 1', 'fit rotor @shaft 2']), 'rotor', {
      matched: true,
    }),
    2,
    { fromPositionId: 's1' },
  );
  const meant: Workbook = {
    ...moved,
    procedure: {
      ...moved.procedure,
      intends: [{ kind: 'moves', componentId: componentId(moved, 'rotor'), fromPositionId: 's1', toPositionId: 's2' }],
    },
  };
  expect(found(moved, 'swapped')).toHaveLength(1);
  expect(found(meant, 'swapped')).toEqual([]);
  expect(found(meant, 'change-missed')).toEqual([]);
  expect(found(intending(typed(['take off gasket', 'fit gasket']), 'gasket'), 'left-on-cloth')).toEqual([]);
  expect(found(intending(typed(['take off gasket']), 'gasket'), 'left-on-cloth')).toEqual([]);
});

test('what an order only suggests warns, what the series says stops; struck out it is silent', () => {
  const lines = ['take off cover', 'take off gasket', 'fit cover', 'fit gasket'];
  const said = (how: 'covers' | 'clear') =>
    withComponent(typed(lines), 'gasket', (id) => ({ coveredBy: [{ componentId: id('cover'), said: how }] }));
  expect(found(typed(lines), 'buried').map((f) => f.severity)).toEqual(['advise']);
  expect(found(said('covers'), 'buried').map((f) => f.severity)).toEqual(['stop']);
  expect(found(said('clear'), 'buried')).toEqual([]);
});

test('a step for each shaft that finds its part at one only says at which it does not', () => {
  const sentences = (lines: string[]) => found(typed(lines), 'not-there').map((finding) => finding.sentence);
  expect(sentences(['draw rotor @shaft 1', 'fit rotor @each shaft'])).toEqual([
    'Step 2, "Fit rotors": at shaft 2 it is not out.',
  ]);
  expect(sentences(['draw rotor @shaft 2', 'draw rotor @each shaft', 'fit rotor'])).toEqual([
    'Step 2, "Draw out rotors": at shaft 2 it is out already.',
  ]);
});

test('a cut part is not put back, whatever its renewal', () => {
  const [finding] = found(typed(['cut split pin', 'fit split pin']), 'reused');
  expect(finding?.severity).toBe('stop');
});
