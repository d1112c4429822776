import { readPackage } from '#core/package/package';
import { changeStep } from '#core/procedure/edit';
import type { Step, Workbook } from '#core/procedure/procedure';
import { draftPutBack } from '#core/procedure/way-back/way-back';
import { typed, withComponent, withStep } from '#core/testing/workbook';
import corrick from '../demo/corrick-dd-40.fukusa.json' with { type: 'json' };
import pellwick from '../demo/pellwick-rl-50.fukusa.json' with { type: 'json' };

/** The released procedures of the demo. */
export function demoProcedures(): Workbook[] {
  return [pellwick, corrick].flatMap((json): Workbook[] => {
    const reading = readPackage(json);
    if (!reading.ok) throw new Error('a demo package is broken');
    const { series, procedures } = reading.package;
    const [released] = procedures;
    return released ? [{ series, procedure: released }] : [];
  });
}

/** Drafted procedures of several shapes, with structure, branches and faces, confirmed and sourced throughout. */
export function generatedProcedures(count: number): Workbook[] {
  return Array.from({ length: count }, (_, n) => confirmed(draftPutBack(teardown(n))));
}

function teardown(n: number): Workbook {
  const lines = ['isolate the drive', 'bleed the casing', 'drain the gear oil', 'mark rotor @each shaft'];
  const held: [string, string][] = [];
  for (let i = 0; i < 2 + (n % 9); i += 1) {
    const name = letters(i);
    const shape = (n * 7 + i * 3) % 5;
    if (shape === 0) {
      lines.push(`take off ${2 + (i % 7)} bolts ${name} bolts /socket ${i}`, `take off plate ${name}`);
      held.push([`plate ${name}`, `bolts ${name} bolt`]);
    } else if (shape === 1) lines.push(`draw 1 sleeve ${name} @each shaft`);
    else if (shape === 2) lines.push(`take off ${2 + (i % 5)} ${name} nuts`);
    else if (shape === 3) lines.push(`take off ring ${name} ?how ring ${name} was found`);
    else lines.push(`take off cap ${name}`);
  }
  lines.push('draw rotor @each shaft ?both rotors as found');
  let workbook = withComponent(typed(lines), 'rotor', {
    matched: true,
    keyed: true,
    faces: { end: 'numbered side', toward: 'the cover' },
  });
  for (const [part, by] of held) workbook = withComponent(workbook, part, (id) => ({ heldBy: [id(by)] }));
  for (const { name } of workbook.series.components.filter((part) => part.name.startsWith('ring'))) {
    workbook = withComponent(workbook, name, {
      renewal: 'always',
      keyed: true,
      faces: { end: 'lip', toward: 'the pressure' },
    });
  }
  const rings = workbook.series.components.filter((part) => part.renewal === 'always');
  if (rings.length > 0) {
    const contents = rings.map(({ id }) => ({ componentId: id, count: 1 }));
    const series = { ...workbook.series, kits: [{ id: 'kit', name: 'kit', contents }] };
    workbook = { series, procedure: { ...workbook.procedure, kits: [{ kitId: 'kit', count: 1 }] } };
  }
  return n % 3 === 0 ? branched(workbook) : workbook;
}

/** The last cap or nut comes off on one answer only. */
function branched(workbook: Workbook): Workbook {
  const { steps } = workbook.procedure;
  const at = steps.findLastIndex((step) => step.verb === 'take-off' && !step.photo);
  const asking = steps[3];
  if (at < 4 || !asking) return workbook;
  const asked = withStep(workbook, 3, {
    decision: {
      question: 'Does it come out by itself?',
      answers: [
        { id: 'yes', text: 'yes' },
        { id: 'no', text: 'no' },
      ],
    },
  });
  return withStep(asked, at, { when: [{ stepId: asking.id, answerIds: ['no'] }] });
}

function confirmed(workbook: Workbook): Workbook {
  const figure = { figure: { value: 20, unit: 'N·m' as const }, tolerancePercent: 4, source: 'generated' };
  const procedure = workbook.procedure.steps.reduce(
    (changed, step) =>
      changeStep(changed, step.id, {
        drafted: undefined,
        ...(step.verb === 'torque' && { torque: figure }),
      } satisfies Partial<Step>),
    workbook.procedure,
  );
  return { ...workbook, procedure };
}

function letters(i: number): string {
  return `${String.fromCharCode(97 + (i % 26))}${String.fromCharCode(97 + ((i * 5) % 26))}`;
}
