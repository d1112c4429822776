import type { Stage } from '#core/procedure/verbs';

/** Every word that is printed but not written by the trainer, in one place for the day there is a second language. */
export const WORDS = {
  stages: {
    'make-safe': 'Make safe',
    'take-down': 'Take down',
    look: 'Look',
    renew: 'Renew',
    'put-back': 'Put back',
    prove: 'Prove',
  } satisfies Record<Stage, string>,
  safety:
    'Local regulations, the site lockout procedure and licensed trades come first. Confirm isolation and released pressure before anything is loosened.',
  released: 'Released',
  series: 'Series',
  tools: 'Tools, in order of first use',
  consumables: 'Consumables',
  steps: 'Steps',
  faces: 'Faces',
  tellBy: 'tell by',
  apply: 'Put on',
  torque: 'Torque',
  window: 'accept',
  source: 'source',
  noSource: 'no source given',
  why: 'Why',
  photo: 'Photo must show',
  minutes: 'min',
  cell: 'Cell',
  step: 'step',
  mat: 'Bench mat',
  matHint: 'Lay each part in its cell as it comes off; pick them up in reverse. The mat ends empty.',
  scaleLine: '100 mm. If it measures otherwise, print at full size.',
  methods: 'Or',
  aidsIn: 'Put in',
  aidsOut: 'Take out',
  after: 'After it',
  kits: 'Kits',
  notAsked: 'not on this way',
  record: 'Record of job',
  instruction: 'Instruction',
  workOrder: 'Work order',
  serial: 'Pump serial',
  customer: 'Customer',
  started: 'Started',
  finished: 'Finished',
  by: 'by',
  reading: 'Reading',
  verdicts: { within: 'within', low: 'too low', high: 'too high', unjudged: 'no figure to judge by' },
  overridden: { torque: 'Torque overridden', photo: 'Photo overridden' },
  problem: 'Something was wrong',
  took: 'took the job over',
  paused: 'paused',
  resumed: 'resumed',
  course: 'Course of the job',
  back: 'went back to step',
  seal: 'Seal (SHA-256)',
  missingPhoto: 'photo not found',
  exceptions: 'Overrides and problems',
  noExceptions: 'No override and no problem was entered.',
} as const;

/** "24 Nov 2026, 10:42 UTC": one clock for every reader of a printed record. */
export function printedMoment(iso: string): string {
  const format = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short', timeZone: 'UTC' });
  return `${format.format(new Date(iso))} UTC`;
}
