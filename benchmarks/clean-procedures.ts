import { draftPutBack } from '#core/drafting/way-back';
import { changeStep } from '#core/edits/steps';
import type { Step, Workbook } from '#core/model/procedure';
import { type Component, type Consumable, Series, type Tool } from '#core/model/series';
import type { TorqueFigure } from '#core/model/torque-figure';
import { readPackage } from '#core/package/package';
import { isCompound } from '#core/supplies/consumable-kinds';
import { componentId, typed, withComponent, withStep } from '#core/testing/workbook';
import corrick from '../demo/corrick-dd-40.fukusa.json' with { type: 'json' };
import fennimoor from '../demo/fennimoor-es-40.fukusa.json' with { type: 'json' };
import pellwick from '../demo/pellwick-rl-50.fukusa.json' with { type: 'json' };
import tarnbeck from '../demo/tarnbeck-pc-30.fukusa.json' with { type: 'json' };

/** The released procedures of the demo. */
export function demoProcedures(): Workbook[] {
  return [pellwick, corrick, fennimoor, tarnbeck].flatMap((json): Workbook[] => {
    const reading = readPackage(json);
    if (!reading.ok) throw new Error('a demo package is broken');
    const { series, procedures } = reading.package;
    const [released] = procedures;
    return released ? [{ series, procedure: released }] : [];
  });
}

const WRENCH: Tool = { id: 'wrench', name: 'torque wrench', size: '5-60 N·m' };

/** Drafted procedures of several shapes, with structure, branches and faces, confirmed and sourced throughout. */
export function generatedProcedures(count: number): Workbook[] {
  return Array.from({ length: count }, (_, n) => confirmed(draftPutBack(teardown(n)).workbook));
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
  const packed = n % 4 === 1;
  if (packed) lines.push('take off gland', 'draw 3 packing rings', 'draw head ring', 'take off EPDM O-ring');
  lines.push('draw rotor @each shaft ?both rotors as found');
  let workbook = withComponent(typed(lines), 'rotor', {
    matched: true,
    keyed: true,
    faces: { end: 'numbered side', toward: { is: 'words', said: 'the cover' } },
  });
  for (const [part, by] of held) workbook = withComponent(workbook, part, (id) => ({ heldBy: [id(by)] }));
  workbook = { ...workbook, series: { ...workbook.series, consumables: CONSUMABLES } };
  for (const [, by] of held)
    if (n % 2 === 0) workbook = withComponent(workbook, by, { wants: [{ consumableId: 'locker' }] });
  if (packed) workbook = withPacking(workbook);
  for (const { name } of workbook.series.components.filter((part) => part.name.startsWith('ring'))) {
    workbook = withComponent(workbook, name, {
      renewal: 'always',
      keyed: true,
      faces: { end: 'lip', toward: { is: 'pressure' } },
    });
  }
  const rings = workbook.series.components.filter((part) => part.renewal === 'always');
  if (rings.length > 0) {
    const contents = rings.map(({ id, count }) => ({ componentId: id, count }));
    const series = { ...workbook.series, kits: [{ id: 'kit', name: 'kit', contents }] };
    workbook = { series, procedure: { ...workbook.procedure, kits: [{ kitId: 'kit', count: 1 }] } };
  }
  return n % 3 === 0 ? branched(workbook) : workbook;
}

const CONSUMABLES: Consumable[] = [
  { id: 'silicone', name: 'silicone grease', kind: 'grease', base: 'silicone' },
  { id: 'locker', name: 'thread-locker', kind: 'thread-locker', base: 'anaerobic', openMinutes: 15 },
];

/** A stuffing box with its stack, packing that soaks, and an O-ring that wants grease. */
function withPacking(workbook: Workbook): Workbook {
  const id = (name: string) => componentId(workbook, name);
  const layer = (name: string, count: number) => ({ id: id(name), componentId: id(name), count });
  const layers = [layer('head ring', 1), layer('packing ring', 3), layer('gland', 1)];
  const stacks = [{ id: 'box', name: 'the stuffing box', pressureAt: 'bottom' as const, bore: [], layers }];
  const parts: [string, Partial<Component>][] = [
    [
      'packing ring',
      { renewal: 'always', keyed: true, faces: { end: 'lip', toward: { is: 'pressure' } }, soakMinutes: 10 },
    ],
    ['head ring', { keyed: true, faces: { end: 'curved side', toward: { is: 'words', said: 'the packing ring' } } }],
    ['EPDM O-ring', { renewal: 'always', material: 'EPDM', wants: [{ consumableId: 'silicone', where: 'thin film' }] }],
  ];
  const stacked: Workbook = { ...workbook, series: { ...workbook.series, stacks } };
  return parts.reduce((changed, [name, fields]) => withComponent(changed, name, fields), stacked);
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
  const threadOf = (step: Step): NonNullable<TorqueFigure['thread']> => {
    const part = workbook.series.components.find(({ id }) => id === step.targets[0]?.componentId);
    const compound = workbook.series.consumables.find(
      (consumable) => isCompound(consumable) && part?.wants?.some(({ consumableId }) => consumableId === consumable.id),
    );
    return compound ? { is: 'with', consumableId: compound.id } : { is: 'dry' };
  };
  const procedure = workbook.procedure.steps.reduce(
    (changed, step) =>
      changeStep(changed, step.id, {
        drafted: undefined,
        ...(step.verb === 'torque' && { torque: { ...figure, thread: threadOf(step) }, toolIds: [WRENCH.id] }),
      } satisfies Partial<Step>),
    workbook.procedure,
  );
  return { ...workbook, procedure, series: { ...workbook.series, tools: [...workbook.series.tools, WRENCH] } };
}

function letters(i: number): string {
  return `${String.fromCharCode(97 + (i % 26))}${String.fromCharCode(97 + ((i * 5) % 26))}`;
}

/** A clean procedure: everything comes off in order and goes back in reverse, a tenth of it renewed. */
export function longProcedure(steps: number, unitsWanted: number): Workbook {
  // A series holds 400 components; what is left over is looked at.
  const takings = Math.min(380, Math.floor(steps * 0.45), unitsWanted);
  const count = Math.max(1, Math.round(unitsWanted / takings));
  const components = Array.from({ length: takings }, (_, i) => ({
    id: `c${i}`,
    name: `part ${i}`,
    kind: 'other',
    count,
  }));
  const series = Series.parse({ id: 's', name: 'Bench', code: 'B', pumpType: 'other', components });
  const step = (id: string, stage: Step['stage'], verb: Step['verb'], component: number): Step => ({
    id,
    stage,
    verb,
    targets: [{ componentId: `c${component}` }],
    positionIds: [],
    toolIds: [],
    applications: [],
    cautions: [],
  });
  const down = components.map((_, i) => step(`down${i}`, 'take-down', 'take-off', i));
  const renewed = components.flatMap((_, i) => (i % 10 === 0 ? [step(`renew${i}`, 'renew', 'renew', i)] : []));
  const up = components.map((_, i) => step(`up${i}`, 'put-back', 'fit', i)).reverse();
  const looks = Array.from({ length: Math.max(0, steps - down.length - renewed.length - up.length) }, (_, i) =>
    step(`look${i}`, 'look', 'inspect', i % takings),
  );
  return {
    series,
    procedure: { id: 'p', seriesId: 's', title: 'Bench', steps: [...down, ...looks, ...renewed, ...up] },
  };
}
