import { replay } from '../../cloth/replay';
import { applyEdits, changeStep } from '../../procedure/edit';
import type { Step, Workbook } from '../../procedure/procedure';
import { draftPutBack } from '../../procedure/way-back/way-back';
import { typed, withComponent } from '../../testing/workbook';
import { check, RULES } from '../check';
import type { Finding } from '../finding';

const found = (workbook: Workbook, id: string): Finding[] => check(workbook).filter((finding) => finding.id === id);
const fixed = (workbook: Workbook, finding: Finding): Workbook => ({
  ...workbook,
  procedure: applyEdits(workbook.procedure, finding.fix?.edits ?? []),
});
const withStep = (workbook: Workbook, index: number, fields: Partial<Step>): Workbook => ({
  ...workbook,
  procedure: changeStep(workbook.procedure, workbook.procedure.steps[index]!.id, fields),
});

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
  'not-there': [
    typed(['fit cover']),
    'Step 1, "Fit cover": the covers are neither on the cloth nor ready in the tray.',
  ],
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
      expect(after.procedure).not.toEqual(workbook.procedure);
      expect(found(after, id)).toEqual([]);
      const stops = (w: Workbook) => check(w).filter((f) => f.severity === 'stop').length;
      expect(stops(after)).toBeLessThanOrEqual(stops(workbook));
    }
  });
});

describe('nothing is cried where nothing is wrong', () => {
  const whole = typed([
    'isolate the drive',
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
  const said = withStep(withComponent(whole, 'cover O-ring', { renewal: 'always' }), 7, {
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
