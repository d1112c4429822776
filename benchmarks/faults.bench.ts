import { check } from '#core/findings/check';
import { type Finding, findingKey } from '#core/findings/finding';
import { demoProcedures, generatedProcedures } from './clean-procedures';
import { FAULTS } from './planted-faults';
import { TORQUE_FAULTS } from './torque-faults';

/**
 * Quality is measured, not claimed: clean procedures, one fault planted at a time, and a count of what the checker
 * notices and what it finds wrongly on the clean ones. `npm run bench` prints the table.
 */
const key = (finding: Finding) => `${finding.severity} ${findingKey(finding)}`;
const clean = [...demoProcedures(), ...generatedProcedures(60)];
const falsely = clean.flatMap((workbook) => check(workbook)).filter((finding) => !finding.accepted);
const count = (severity: Finding['severity']) => falsely.filter((finding) => finding.severity === severity).length;
console.log(
  `${clean.length} clean procedures: ${count('stop')} false stops, ${count('warn')} warnings, ${count('advise')} pieces of advice`,
);
const byId = new Map<string, number>();
for (const { id } of falsely) byId.set(id, (byId.get(id) ?? 0) + 1);
for (const [id, times] of byId) console.log(`  ${id} ${times}`);
console.log('fault planted                      cases   caught');
let cases = 0;
let caught = 0;
for (const { kind, plant } of [...FAULTS, ...TORQUE_FAULTS]) {
  let planted = 0;
  let noticed = 0;
  const missed: string[] = [];
  for (const workbook of clean) {
    const before = new Set(check(workbook).map(key));
    for (const faulty of plant(workbook)) {
      planted += 1;
      if (check(faulty).some((finding) => !before.has(key(finding)))) noticed += 1;
      else missed.push(workbook.procedure.title);
    }
  }
  cases += planted;
  caught += noticed;
  const share = planted > 0 ? `${((100 * noticed) / planted).toFixed(1)} %` : '-';
  const where = missed.length > 0 ? `   missed in: ${[...new Set(missed)].join(', ')}` : '';
  console.log(`${kind.padEnd(34)} ${String(planted).padStart(5)}  ${share.padStart(7)}${where}`);
}
console.log(
  `${'all'.padEnd(34)} ${String(cases).padStart(5)}  ${`${((100 * caught) / cases).toFixed(1)} %`.padStart(7)}`,
);
