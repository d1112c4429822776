import { lines, places, sourced, type WrittenJob } from './written-job';

/** Jobs on small blocks and dosing pumps. Invented; order, words and precautions are common practice. */

export const VALVE_BLOCK: WrittenJob = {
  name: 'a small valve block told apart by trial fit',
  positionSets: [],
  lines: lines(
    'shut off the air !!!Lock the air valve. Keep the key.',
    'release pressure of the block',
    'photo the block ?both ends with their fittings as found',
    'disconnect inlet hose',
    'disconnect outlet hose',
    'mark valve body /paint marker',
    [
      'unscrew inlet fitting /spanner, 19 mm',
      (it, { toolIds }) => ({ aidsIn: [it.tool('soft jaws')], toolIds: [...(toolIds ?? []), it.tool('soft jaws')] }),
    ],
    'take off fitting seal',
    'unscrew end plug /spanner, 22 mm /soft jaws',
    'take off plug O-ring /O-ring pick',
    'draw cone spring',
    'draw valve cone >cone to the seat',
    'draw valve seat /seat tool >chamfer to the valve cone',
    'take off seat seal /O-ring pick',
    [
      'inspect valve cone',
      {
        looks: [
          {
            id: 'cone',
            at: 'the sealing line',
            sound: 'an even fine line',
            faults: [{ id: 'groove', sign: 'a groove', means: 'dirt', follows: 'renew' }],
          },
        ],
      },
    ],
    [
      'inspect valve seat',
      {
        looks: [
          {
            id: 'edge',
            at: 'the edge',
            sound: 'sharp all round',
            faults: [{ id: 'nick', sign: 'a nick', means: 'hard dirt', follows: 'renew' }],
          },
        ],
      },
    ],
    'clean valve body /brush',
    'renew fitting seal, plug O-ring, seat seal',
    'fit seat seal +silicone grease, thin film',
    [
      'press valve seat /seat tool >chamfer to the valve cone',
      (_it, { faces }) => (faces ? { faces: { ...faces, trialFit: 'the fitting enters this end only' } } : {}),
    ],
    'fit valve cone >cone to the seat',
    'fit cone spring',
    'fit plug O-ring +silicone grease, thin film',
    'screw in end plug',
    ['torque end plug =35 N·m /torque wrench, 10-60 N·m', sourced('drawing 8')],
    'fit fitting seal',
    'screw in inlet fitting',
    [
      'torque inlet fitting =30 N·m /torque wrench, 10-60 N·m',
      sourced('drawing 8', undefined, (it) => ({ aidsOut: [it.tool('soft jaws')] })),
    ],
    'connect inlet hose',
    'connect outlet hose',
    'unlock the air',
    'test the block for leaks',
  ),
  parts: {
    'inlet fitting': {},
    'end plug': {},
    'fitting seal': { renewal: 'always', dry: true },
    'plug O-ring': { renewal: 'always', material: 'NBR' },
    'seat seal': { renewal: 'always', material: 'NBR' },
    'valve cone': {
      keyed: true,
      faces: { end: 'cone', toward: { is: 'words', said: 'the seat' } },
      partNumber: '8-20',
    },
    'valve seat': (it) => ({
      keyed: true,
      faces: { end: 'chamfer', toward: { is: 'part', componentId: it.part('valve cone') } },
      partNumber: '8-21',
    }),
    'cone spring': (it) => ({ heldBy: [it.part('end plug')] }),
  },
  consumables: { 'silicone grease': { kind: 'grease', base: 'silicone' } },
  kits: (it) => [
    {
      id: 'kit',
      name: 'seal kit',
      contents: ['fitting seal', 'plug O-ring', 'seat seal'].map((name) => ({ componentId: it.part(name), count: 1 })),
    },
  ],
  about: { kits: [{ kitId: 'kit', count: 1 }] },
};

export const CHEMICAL_INJECTION: WrittenJob = {
  name: 'liquid end of a chemical injection pump',
  positionSets: [places('head side', 'suction side', 'discharge side')],
  lines: lines(
    'isolate the pump at the battery switch !!!Lock the switch. Stopping at the controller is not isolation.',
    'close the suction valve',
    'close the discharge valve',
    'release pressure of the suction line !!Open the bleed slowly. Wear face protection.',
    'release pressure of the discharge line !!Open the bleed slowly. Wear face protection.',
    'flush the liquid end with water',
    'drain the liquid end',
    'photo the liquid end ?tubes and fittings as found',
    'disconnect tube @each head side /spanner, 17 mm',
    'unscrew check valve @each head side /spanner, 24 mm',
    'take off valve O-ring @each head side /O-ring pick',
    'take off 4 head screws /hex key, 4 mm',
    'take off liquid head',
    'take off head O-ring /O-ring pick',
    'draw plunger seal /seal hook >spring side to the pressure',
    'take off seal washer',
    [
      'inspect plunger',
      {
        looks: [
          {
            id: 'face',
            at: 'the running face',
            sound: 'polished all round',
            faults: [{ id: 'scoring', sign: 'scoring', means: 'crystals in the liquid', follows: 'renew' }],
          },
        ],
      },
    ],
    [
      'inspect check valve @each head side',
      {
        looks: [
          {
            id: 'ball',
            at: 'ball and seat',
            sound: 'the ball falls freely',
            faults: [{ id: 'stuck', sign: 'a sticking ball', means: 'deposits', follows: 'renew' }],
          },
        ],
      },
    ],
    [
      'measure plunger /micrometer, 0-25 mm',
      {
        measurements: [
          {
            id: 'd',
            what: 'outside diameter',
            nominal: { value: 6.35, unit: 'mm' },
            least: { value: 6.3, unit: 'mm' },
            points: ['top', 'bottom'],
            directions: 1,
            follows: 'renew',
          },
        ],
      },
    ],
    'clean liquid head /brush',
    'renew plunger seal',
    'renew head O-ring',
    'renew valve O-ring',
    'fit seal washer',
    'press plunger seal /seal driver +silicone grease, thin film >spring side to the pressure',
    'fit head O-ring +silicone grease, thin film',
    'fit liquid head ?the head sits flush all round',
    'start by hand head screws',
    [
      'torque head screws =6 N·m /torque screwdriver, 1-10 N·m',
      sourced('data sheet 6', undefined, { detail: 'Crosswise.' }),
    ],
    'fit valve O-ring @each head side +silicone grease, thin film',
    'screw in check valve @each head side >arrow to the discharge',
    ['torque check valve @each head side =20 N·m /torque wrench, 10-60 N·m', sourced('data sheet 6')],
    'connect tube @each head side /spanner, 17 mm',
    'open the suction valve',
    'open the discharge valve',
    'restore the pump',
    'test the pump for leaks',
  ),
  parts: {
    'check valve': { threaded: true, partNumber: '6-12' },
    'valve O-ring': { renewal: 'always', material: 'FKM' },
    'head O-ring': { renewal: 'always', material: 'FKM' },
    'liquid head': (it) => ({ heldBy: [it.part('head screw')] }),
    'plunger seal': { renewal: 'always', keyed: true, faces: { end: 'spring side', toward: { is: 'pressure' } } },
    plunger: { brittle: true, partNumber: '6-10' },
    'seal washer': { partNumber: '6-11' },
  },
  consumables: { 'silicone grease': { kind: 'grease', base: 'silicone' } },
  kits: (it) => [
    {
      id: 'kit',
      name: 'head kit',
      contents: [
        { componentId: it.part('plunger seal'), count: 1 },
        { componentId: it.part('head O-ring'), count: 1 },
        { componentId: it.part('valve O-ring'), count: 2 },
      ],
    },
  ],
  about: { kits: [{ kitId: 'kit', count: 1 }] },
};
