import { check } from '#core/findings/check';
import { type Finding, findingKey } from '#core/findings/finding';
import { demoProcedures, generatedProcedures } from './clean-procedures';
import { FAULTS } from './planted-faults';
import { TORQUE_FAULTS } from './torque-faults';

/** A part of what `npm run bench` measures, so that no change makes the checker blind without being noticed. */
const clean = [...demoProcedures(), ...generatedProcedures(12)];
const about = (finding: Finding) => `${finding.severity} ${findingKey(finding)}`;
const known = clean.map((workbook) => ({ workbook, before: new Set(check(workbook).map(about)) }));

/** Each kind at some of its places; all of them are in the bench. */
const AT_MOST = 200;

test('nothing is found on clean procedures', () => {
  const falsely = clean.flatMap((workbook) => check(workbook)).filter((finding) => !finding.accepted);
  expect(falsely.map(({ id, stepId, facts }) => ({ id, stepId, facts }))).toEqual([]);
});

test.each([...FAULTS, ...TORQUE_FAULTS].map((fault) => [fault.kind, fault] as const))(
  '%s is noticed',
  (_kind, { plant }) => {
    const all = known.flatMap(({ workbook, before }) => plant(workbook).map((faulty) => ({ faulty, before })));
    const every = Math.ceil(all.length / AT_MOST);
    const planted = all.filter((_, i) => i % every === 0);
    const missed = planted.filter(
      ({ faulty, before }) => !check(faulty).some((finding) => !before.has(about(finding))),
    );
    expect(planted.length).toBeGreaterThan(0);
    // One of the few that there are may be what nobody can know.
    expect(missed.length).toBeLessThanOrEqual(Math.max(1, planted.length * 0.02));
  },
);
