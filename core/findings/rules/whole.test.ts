import { replay } from '../../bench/replay';
import { applyEdits } from '../../edits/edit';
import type { Workbook } from '../../model/procedure';
import { at, branching, found, mended, SAFE } from '../../testing/findings';
import { componentId, typed, withComponent, withStep } from '../../testing/workbook';
import { acceptFinding, check, fixFor } from '../check';

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

describe('what lies underneath', () => {
  const buriedIn = (lines: string[]) => at(typed(lines), 'buried');
  test('the other shaft is not in the way', () => {
    expect(
      buriedIn(['draw rotor @shaft 1', 'draw sleeve @shaft 2', 'fit rotor @shaft 1', 'fit sleeve @shaft 2']),
    ).toEqual([]);
  });
  test('at the same shaft it is', () => {
    expect(
      buriedIn(['draw rotor @each shaft', 'draw sleeve @each shaft', 'fit rotor @shaft 1', 'fit sleeve', 'fit rotor']),
    ).toEqual([3]);
  });
  test('the new part counts as the old one does', () => {
    expect(buriedIn(['take off cover', 'take off gasket', 'renew gasket', 'fit cover', 'fit gasket'])).toHaveLength(1);
    expect(buriedIn(['take off cover', 'take off gasket', 'renew gasket', 'fit gasket', 'fit cover'])).toEqual([]);
  });
  test('a part that never goes back is told as left over, not as buried', () => {
    expect(buriedIn(['take off cover', 'take off gasket', 'fit cover'])).toEqual([]);
  });
  test('what an order only suggests warns, what the series says stops; struck out it is silent', () => {
    const lines = ['take off cover', 'take off gasket', 'fit cover', 'fit gasket'];
    const said = (how: 'covers' | 'clear') =>
      withComponent(typed(lines), 'gasket', (id) => ({ coveredBy: [{ componentId: id('cover'), said: how }] }));
    expect(found(typed(lines), 'buried').map((f) => f.severity)).toEqual(['warn']);
    expect(found(said('covers'), 'buried').map((f) => f.severity)).toEqual(['stop']);
    expect(found(said('clear'), 'buried')).toEqual([]);
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
  const workbook = typed(['isolate the drive', 'take off cover', 'restore the drive']);
  const after = mended(workbook, 'left-on-cloth');
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
    const workbook = branching(['take off ball', 'draw seat', 'fit ball'], [1]);
    const [asking] = workbook.procedure.steps;
    expect(found(workbook, 'left-on-cloth')).toMatchObject([
      { facts: { takenAt: 1 }, on: [{ stepId: asking!.id, answerId: 'no' }] },
    ]);
  });
  test('ways that come together again are one', () => {
    const workbook = branching(['take off ball', 'draw seat', 'fit seat', 'fit ball'], [1, 2]);
    for (const id of ['paths-disagree', 'left-on-cloth', 'not-there'] as const) expect(found(workbook, id)).toEqual([]);
  });
  test('a seat renewed on one way and kept on the other is the same seat once it is fitted', () => {
    const lines = ['mark seat', 'take off seat', 'renew seat', 'fit seat', 'inspect seat'];
    expect(found(branching(lines, [2]), 'paths-disagree')).toEqual([]);
    const renewed = replay(branching(lines, [2])).frames;
    expect(renewed.map((frame) => frame.runs.length)).toEqual([1, 1, 1, 2, 1]);
  });
  test('a method that leaves the part where it was does not agree with one that takes it off', () => {
    const workbook = withStep(typed(['pry manifold', 'fit manifold']), 0, {
      methods: [{ id: 'm', name: 'turn the crank', verb: 'inspect', toolIds: [], cautions: [] }],
    });
    expect(found(workbook, 'methods-disagree')).toMatchObject([{ facts: { methodId: 'm' } }]);
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
  const leaving = (workbook: Workbook): Workbook => ({
    ...workbook,
    procedure: { ...workbook.procedure, intends: [{ kind: 'leaves', componentId: componentId(workbook, 'gasket') }] },
  });
  expect(found(moved, 'swapped')).toHaveLength(1);
  expect(found(meant, 'swapped')).toEqual([]);
  expect(found(meant, 'change-missed')).toEqual([]);
  expect(found(leaving(typed(['take off gasket', 'fit gasket'])), 'left-on-cloth')).toEqual([]);
  expect(found(leaving(typed(['take off gasket'])), 'left-on-cloth')).toEqual([]);
});

test('a step for each shaft that finds its part at one only says at which it does not', () => {
  const partly = (lines: string[]) => found(typed(lines), 'partly-there').map(({ facts }) => facts);
  expect(partly(['draw rotor @shaft 1', 'fit rotor @each shaft'])).toMatchObject([
    { act: 'refits', positionIds: ['s2'] },
  ]);
  expect(partly(['draw rotor @shaft 2', 'draw rotor @each shaft', 'fit rotor'])).toMatchObject([
    { act: 'takes', positionIds: ['s2'] },
  ]);
});

test('a cut part is not put back, whatever its renewal', () => {
  expect(found(typed(['cut split pin', 'fit split pin']), 'reused')).toMatchObject([
    { severity: 'stop', facts: { cut: true } },
  ]);
});

test('a fix is worked out for the finding it mends, and for no other', () => {
  const workbook = typed([...SAFE, 'take off cover', 'take off gasket']);
  const timeline = replay(workbook);
  const fixes = found(workbook, 'left-on-cloth').map((finding) => fixFor(finding, workbook, timeline));
  const left = fixes.map((fix) => found(applyEdits(workbook, fix?.edits ?? []), 'left-on-cloth').length);
  expect(left).toEqual([1, 1]);
});

describe('what is right is let stand', () => {
  const told = (workbook: Workbook) =>
    check(workbook)
      .filter(({ severity }) => severity !== 'advise')
      .map(({ id }) => id);
  const SAFELY = ['isolate the drive', 'bleed the casing'];
  test('an opening of its own is closed last, whatever else is in by then', () => {
    const lines = [
      ...SAFELY,
      'take off 4 casing nuts',
      'take off casing',
      'take off spacer',
      'take off inspection cover',
      'take off cover shim',
      'draw rotor',
      'fit rotor',
      'fit spacer',
      'fit casing',
      'start by hand casing nuts',
      'torque casing nuts =40 N·m',
      'fit cover shim',
      'fit inspection cover',
      'restore the drive',
    ];
    expect(told(typed(lines))).toEqual([]);
    // The shim alone, forgotten until the end, is no opening of its own.
    const forgotten = lines.toSpliced(lines.indexOf('fit inspection cover'), 1).toSpliced(8, 0, 'fit inspection cover');
    expect(told(typed(forgotten))).not.toEqual([]);
  });
  test('a nut tightens the bolt, stud or tie rod that it goes on, and is told by what is on its thread', () => {
    const lines = [
      ...SAFELY,
      'take off 4 tie rod nuts',
      'draw 4 tie rods',
      'take off cover',
      'clean tie rods',
      'fit cover',
      'fit tie rods +anti-seize',
      'run on tie rod nuts',
      'torque tie rod nuts =40 N·m',
      'restore the drive',
    ];
    expect(told(typed(lines))).toEqual([]);
    const onNuts = withStep(typed(lines), 9, ({ torque }) => {
      const [seize] = typed(lines).series.consumables;
      return { torque: torque && { ...torque, thread: { is: 'with', consumableId: seize?.id ?? '' } } };
    });
    expect(told(onNuts)).toEqual([]);
  });
  test('a hose that is pulled out and pushed in is no fastener; one that is connected is tight', () => {
    expect(told(typed([...SAFELY, 'pull out hose', 'push in hose', 'restore the drive']))).toEqual([]);
    expect(told(typed([...SAFELY, 'disconnect hose', 'connect hose', 'restore the drive']))).toEqual([]);
  });
});

test('a trial fit that names another part than the series does is a contradiction', () => {
  const lines = ['take off plug', 'take off fitting', 'take off body', 'fit body'];
  const toward = { is: 'words', said: 'the pump' } as const;
  const fitted = (trialFit: string) =>
    found(
      withStep(
        withComponent(typed(lines), 'body', {
          keyed: true,
          faces: { toward, trialFit: 'the fitting enters this end only' },
        }),
        3,
        { faces: { toward, trialFit } },
      ),
      'faces-wrong',
    );
  expect(fitted('the plug goes into this end')).toHaveLength(1);
  expect(fitted('only this end takes the fitting')).toEqual([]);
});
