import { check } from '#core/findings/check';
import { type Finding, findingKey } from '#core/findings/finding';
import { demoProcedures, generatedProcedures } from './clean-procedures';
import { FAULTS } from './planted-faults';
import { TORQUE_FAULTS } from './torque-faults';

/** A part of what `npm run bench` measures, so that no change makes the checker blind without being noticed. */
const clean = [...demoProcedures(), ...generatedProcedures(12)];
const about = (finding: Finding) => `${finding.severity} ${findingKey(finding)}`;
const known = clean.map((workbook) => ({ workbook, before: new Set(check(workbook).map(about)) }));

test('nothing is found on clean procedures', () => {
  const falsely = clean.flatMap((workbook) => check(workbook)).filter((finding) => !finding.accepted);
  expect(falsely.map(({ id, stepId, facts }) => ({ id, stepId, facts }))).toEqual([]);
});

test.each([...FAULTS, ...TORQUE_FAULTS].map((fault) => [fault.kind, fault] as const))(
  '%s is noticed',
  (_kind, { plant }) => {
    let planted = 0;
    let noticed = 0;
    for (const { workbook, before } of known) {
      for (const faulty of plant(workbook)) {
        planted += 1;
        if (check(faulty).some((finding) => !before.has(about(finding)))) noticed += 1;
      }
    }
    expect(planted).toBeGreaterThan(0);
    expect(noticed / planted).toBeGreaterThanOrEqual(0.98);
  },
);
