import { lines, places, sourced, type WrittenJob } from './written-job';

/** Jobs on pumps of other kinds, written after the checks were, to see what they know of work they were not made for. */

const HOSE_PUMP: WrittenJob = {
  name: 'hose change of a peristaltic pump',
  positionSets: [places('flange', 'suction flange', 'discharge flange')],
  lines: lines(
    'switch off the motor !!!Padlock on the isolator.',
    'close the suction valve',
    'close the discharge valve',
    'depressurise the discharge line slowly',
    'empty the hose through the drain cock',
    'take a photo of the pump ?flanges and hose ends as found',
    'remove drain bung /hex key, 8 mm',
    'drain the glycerine into a tray',
    'undo 6 cover bolts /socket, 13 mm',
    'lift off cover !Heavy: two people lift it.',
    'remove cover seal',
    'undo 4 flange bolts @each flange /socket, 17 mm',
    'pull flange bracket @each flange',
    'remove hose clamp @each flange /screwdriver',
    'pull out hose',
    [
      'check pressing shoes for wear',
      {
        looks: [
          {
            id: 'edge',
            at: 'the running edge of both shoes',
            sound: 'smooth, no groove',
            faults: [{ id: 'groove', sign: 'a groove', means: 'a dry hose', follows: 'refer' }],
          },
        ],
      },
    ],
    'wash rotor with warm water',
    'replace hose',
    'replace cover seal',
    'push in hose +hose lubricant, all along',
    'fit hose clamp @each flange /screwdriver',
    'put back flange bracket @each flange',
    'hand-tighten flange bolts @each flange',
    ['tighten flange bolts @each flange =25 N·m /torque wrench, 10-60 N·m', sourced('sheet 21')],
    'fit cover seal +silicone grease, thin film',
    'mount cover ?the seal lies in its groove all round !Heavy: two people lift it.',
    'hand-tighten cover bolts',
    ['tighten cover bolts =12 N·m /torque wrench, 5-25 N·m', sourced('sheet 21', undefined, { detail: 'Crosswise.' })],
    'clean drain bung',
    'screw in drain bung +PTFE tape, threads',
    ['tighten drain bung =20 N·m /torque wrench, 10-60 N·m', sourced('sheet 21', 'PTFE tape')],
    'fill the glycerine to the sight glass',
    'reopen the suction valve',
    'reopen the discharge valve',
    'unlock the motor',
    'run the pump',
    'watch for leaks',
  ),
  parts: {
    cover: (it) => ({ massKg: 24, heldBy: [it.part('cover bolt')] }),
    'flange bracket': (it) => ({ heldBy: [it.part('flange bolt')] }),
    hose: { renewal: 'always' },
  },
  kits: (it) => [
    {
      id: 'kit',
      name: 'hose kit',
      contents: [
        { componentId: it.part('hose'), count: 1 },
        { componentId: it.part('cover seal'), count: 1 },
      ],
    },
  ],
  about: { kits: [{ kitId: 'kit', count: 1 }] },
};

const CAVITY_PUMP: WrittenJob = {
  name: 'rotor and stator of a progressive cavity pump',
  positionSets: [],
  lines: lines(
    'isolate the drive at the main switch !!!Lock it and keep the key.',
    'shut the suction valve',
    'shut the discharge valve',
    'vent the discharge branch',
    'drain the suction casing',
    'photograph the pump ?as found from both sides',
    'remove 4 tie rod nuts /spanner, 24 mm',
    'withdraw 4 tie rods',
    'pull off discharge branch !Support it with a sling.',
    'remove branch gasket',
    'pull off stator /strap wrench !Support it with a sling.',
    'remove stator gasket',
    'remove inspection cover /socket, 13 mm',
    'remove cover gasket',
    'extract joint pin /drift',
    'remove joint sleeve',
    'withdraw rotor !Mind your fingers between rotor and casing.',
    [
      'inspect rotor',
      {
        looks: [
          {
            id: 'crest',
            at: 'the crests',
            sound: 'bright all along',
            by: 'with a thumbnail',
            faults: [{ id: 'scored', sign: 'scoring', means: 'solids', follows: 'renew' }],
          },
        ],
      },
    ],
    [
      'measure rotor /calliper, 0-150 mm',
      {
        measurements: [
          {
            id: 'd',
            what: 'crest diameter',
            nominal: { value: 38, unit: 'mm' },
            least: { value: 37.4, unit: 'mm' },
            points: ['drive end', 'middle', 'free end'],
            directions: 1,
            follows: 'renew',
          },
        ],
      },
    ],
    'clean tie rods /wire brush',
    'renew stator',
    'renew branch gasket, stator gasket, cover gasket',
    'renew joint sleeve',
    'insert rotor +soft soap, crests',
    'slip on joint sleeve',
    'drive in joint pin +joint grease, hole /drift',
    'fit stator gasket',
    'push on stator >bevelled end to the suction casing +soft soap, bore !Support it with a sling.',
    'fit branch gasket',
    'put on discharge branch !Support it with a sling.',
    'insert tie rods +anti-seize, threads',
    'run on tie rod nuts',
    [
      'tighten tie rod nuts =60 N·m /torque wrench, 20-100 N·m',
      sourced('drawing 31', 'anti-seize', { detail: 'Side to side, in three passes.' }),
    ],
    'fit cover gasket',
    'fit inspection cover',
    'open the suction valve',
    'open the discharge valve',
    'restore the drive',
    'run the pump with water for two minutes',
  ),
  parts: {
    stator: (it) => ({
      massKg: 21,
      renewal: 'always',
      keyed: true,
      faces: { end: 'bevelled end', toward: { is: 'words', said: 'the suction casing' } },
      heldBy: [it.part('tie rod nut')],
    }),
    'discharge branch': (it) => ({ massKg: 17, heldBy: [it.part('tie rod nut')] }),
    rotor: { partNumber: '31-4' },
  },
  kits: (it) => [
    {
      id: 'kit',
      name: 'stator kit',
      contents: ['stator', 'branch gasket', 'stator gasket', 'cover gasket', 'joint sleeve'].map((name) => ({
        componentId: it.part(name),
        count: 1,
      })),
    },
  ],
  about: { kits: [{ kitId: 'kit', count: 1 }] },
};

export const OTHER_PUMPS: readonly WrittenJob[] = [HOSE_PUMP, CAVITY_PUMP];
