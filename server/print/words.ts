import { STAGE_NAMES } from '#core/language/en/verbs';

/** Every word that is printed but not written by the trainer, in one place for the day there is a second language. */
export const WORDS = {
  stages: STAGE_NAMES,
  safety:
    'Local regulations, the site lockout procedure and licensed trades come first. Confirm isolation and released pressure before anything is loosened.',
  beforeYouBegin: 'Before you begin',
  madeSafe: 'The pump is made safe in',
  heavy: 'Plan the lift',
  look: 'Inspect',
  onBench: { up: 'up on the bench as it lies', down: 'down on the bench as it lies' },
  inPump: 'in the pump toward',
  sound: 'OK if',
  follows: { reuse: 'It may go back in.', renew: 'Renew it.', refer: 'Show it to the trainer or the lead.' },
  measure: 'Measure',
  proofs: 'Check by hand',
  isSound: 'OK',
  doneAt: 'done',
  measured: { within: 'within', under: 'under the limit', over: 'over the limit', unjudged: 'no limits' },
  released: 'Released',
  series: 'Series',
  tools: 'Tools, in order of first use',
  consumables: 'Consumables',
  steps: 'Steps',
  faces: 'Faces',
  tellBy: 'identify by',
  apply: 'Apply',
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
  label: 'Pump label',
  matHint: 'Lay each part in its cell as it comes off. Take them back in reverse order. At the end the mat is empty.',
  scaleLine: '100 mm. If it measures otherwise, print at full size.',
  methods: 'Alternative method',
  aidsIn: 'Put in',
  aidsOut: 'Take out',
  after: 'Position on bench afterwards',
  kits: 'Kits',
  notAsked: 'not applicable (other answer)',
  doneSo: 'Method used',
  record: 'Record of job',
  instruction: 'Instruction',
  workOrder: 'Work order',
  serial: 'Pump serial',
  customer: 'Customer',
  started: 'Started',
  finished: 'Finished',
  by: 'by',
  reading: 'Reading',
  pass: 'Pass',
  passHead: ['Pass', 'Torque', 'Order'],
  pinsOut: 'pins out',
  check: 'check',
  clockwise: 'clockwise, once round',
  below: 'At the bottom',
  patterns: {
    star: 'as numbered, crosswise',
    'middle-out': 'as numbered, from the middle outward',
    'side-to-side': 'as numbered, side to side',
    quadrants: 'as numbered, group by group',
    clockwise: 'as numbered, clockwise',
  },
  verdicts: { within: 'within', low: 'too low', high: 'too high', unjudged: 'no figure to compare with' },
  overridden: {
    torque: 'Torque skipped',
    photo: 'Photo skipped',
    measure: 'Measuring skipped',
    look: 'Inspection skipped',
    run: 'Test run skipped',
    proof: 'Check by hand skipped',
  },
  problem: 'Something was wrong',
  took: 'took the job over',
  paused: 'paused',
  resumed: 'continued',
  course: 'Course of the job',
  back: 'went back to step',
  seal: 'Seal (SHA-256)',
  sealedAt: 'Signed',
  workshopKey: 'Public key of the workshop (Ed25519)',
  signature: 'Signature',
  checkIt: 'Export the record as JSON and check it on the page /verify or with: npm run fukusa -- verify FILE',
  missingPhoto: 'photo not found',
  exceptions: 'Skipped checks and problems',
  clockBehind: 'The device clock was behind the server by',
  clockAhead: 'The device clock was ahead of the server by',
  sentBy: 'Sent by another person',
  entriesOf: 'entries of',
  missingSigns:
    'These characters are missing from the fonts of this program; their Unicode numbers are printed instead:',
  photoKept: 'Photo kept although doubtful',
  beforeAfter: 'Before and after',
  photos: 'Photos',
  pair: { before: 'Before', after: 'After' },
  signers: { technician: 'Technician', customer: 'Customer' },
  hours: 'Hour meter',
  confirmed: { 'made-safe': 'Confirmed safe by name', closed: 'Confirmed closed by name' },
  approved: 'Checked by a second person',
  reply: 'Answer of',
  gauged: {
    none: 'by a new ring: no gap',
    'in-places': 'by a new ring: a gap in places',
    'all-along': 'by a new ring: a gap all along',
  },
  run: { flow: 'Flow', pressure: 'Pressure', power: 'Power' },
  zone: 'Times by',
  worked: 'Working time',
  isPaused: 'paused',
  noExceptions: 'No check was skipped and no problem was entered.',
} as const;

/** A day as it is told everywhere. */
export function printedDay(day: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeZone: 'UTC' }).format(new Date(day));
}

/** "24 Nov 2026, 10:42" by the clock of a time zone, which the page names once. */
export function printedMoment(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short', timeZone: zone }).format(
    new Date(iso),
  );
}

/** "15:40" by the clock of a reader. */
export function printedTime(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeStyle: 'short', timeZone: zone }).format(new Date(iso));
}

/** "5 Jan 2026" by the clock of a reader. */
export function printedDayIn(iso: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeZone: zone }).format(new Date(iso));
}

/** The time zone of the machine that the workshop's server runs on. */
export function zoneOfWorkshop(): string {
  return new Intl.DateTimeFormat().resolvedOptions().timeZone;
}
