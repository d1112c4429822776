import { lines, places, sourced, type WrittenJob } from './written-job';

/** Jobs on whole machines: crankcase, spring-loaded, packed piston, intensifier. Invented; the trade's common practice. */

export const SHAFT_SWAP: WrittenJob = {
  name: 'shaft swapped to the other side of the crankcase',
  positionSets: [places('side', 'left side', 'right side'), places('rod', 'rod 1', 'rod 2', 'rod 3')],
  lines: lines(
    'lock out the drive at the main switch !!!Lock and tag the switch. Keep the key.',
    'release pressure of the pump',
    'take off drain plug /hex key, 8 mm',
    'drain the gear oil ~10',
    'take off 8 rear cover screws /hex key, 6 mm',
    'take off rear cover',
    'take off rear cover gasket /scraper',
    'photo the crankcase ?rods, caps and shaft as found',
    'mark rod cap @each rod /paint marker',
    'turn the shaft to bring each cap within reach',
    'take off 2 cap screws @each rod /socket, 10 mm',
    'take off rod cap @each rod',
    'take off 4 side cover screws @each side /hex key, 6 mm',
    'pry side cover @each side /pry bar !Pry both sides evenly.',
    'take off shim @each side',
    'take off side cover O-ring @each side',
    'draw crankshaft !Hold the crankshaft while the second cover comes off.',
    'draw shaft seal @right side /seal hook >lip to the oil',
    'take off blind cap @left side',
    [
      'inspect crankshaft',
      {
        looks: [
          {
            id: 'pins',
            at: 'the crank pins',
            sound: 'bright, without scoring',
            faults: [{ id: 'scored', sign: 'scoring', means: 'dirt in the oil', follows: 'refer' }],
          },
        ],
      },
    ],
    'clean rear cover, drain plug /scraper',
    'renew shaft seal',
    'renew side cover O-ring',
    'renew rear cover gasket',
    [
      'press shaft seal /seal driver, 35 mm +gear oil, lip >lip to the oil',
      (it) => ({ positionIds: [it.place('left side')], fromPositionId: it.place('right side') }),
    ],
    ['fit blind cap', (it) => ({ positionIds: [it.place('right side')], fromPositionId: it.place('left side') })],
    'fit crankshaft',
    'fit side cover O-ring @each side +gear oil, thin film',
    'fit shim @each side',
    'fit side cover @each side /mounting sleeve !Do not cut the shaft seal.',
    'start by hand side cover screws @each side',
    ['torque side cover screws @each side =10 N·m /torque wrench, 5-25 N·m', sourced('drawing 3')],
    'fit rod cap @each rod',
    'start by hand cap screws @each rod',
    ['torque cap screws @each rod =14 N·m /torque wrench, 5-25 N·m', sourced('drawing 3')],
    'turn the shaft by hand',
    'fit rear cover gasket',
    'fit rear cover ?gasket seen all round',
    'start by hand rear cover screws',
    ['torque rear cover screws =10 N·m /torque wrench, 5-25 N·m', sourced('drawing 3')],
    'screw in drain plug +thread sealant, threads',
    ['torque drain plug =25 N·m /torque wrench, 10-60 N·m', sourced('drawing 3', 'thread sealant')],
    'fill the gear oil',
    'restore the drive',
    'test run the pump',
  ),
  parts: {
    'rod cap': (it) => ({ matched: true, heldBy: [it.part('cap screw')] }),
    'side cover': (it) => ({ heldBy: [it.part('side cover screw')], massKg: 6 }),
    'rear cover': (it) => ({ heldBy: [it.part('rear cover screw')] }),
    'side cover O-ring': { renewal: 'always', material: 'NBR' },
    'rear cover gasket': { renewal: 'always' },
    'shaft seal': {
      renewal: 'always',
      keyed: true,
      faces: { end: 'lip', toward: { is: 'words', said: 'the oil' } },
      material: 'NBR',
    },
    crankshaft: { massKg: 9 },
  },
  consumables: { 'gear oil': { kind: 'oil', base: 'mineral' }, 'thread sealant': { kind: 'sealant' } },
  about: (it) => ({
    intends: [
      {
        kind: 'moves',
        componentId: it.part('shaft seal'),
        fromPositionId: it.place('right side'),
        toPositionId: it.place('left side'),
      },
      {
        kind: 'moves',
        componentId: it.part('blind cap'),
        fromPositionId: it.place('left side'),
        toPositionId: it.place('right side'),
      },
    ],
  }),
};

export const SPRING_LOADED: WrittenJob = {
  name: 'a small pump under spring tension',
  positionSets: [],
  lines: lines(
    'isolate the motor at the breaker !!!Lock and tag the breaker. Keep the key.',
    'close the suction valve',
    'close the discharge valve',
    'release pressure of the pump',
    'drain the oil',
    'photo the pump ?as found, with the marks on the housings',
    'mark front housing, rear housing /paint marker',
    'take off 2 tie bolts /hex key, 5 mm',
    'ease front housing !!The springs push: ease the last two bolts out together.',
    'take off 2 long bolts /hex key, 5 mm',
    'take off front housing',
    'take off housing O-ring',
    'take off 3 springs',
    'draw piston',
    'take off grooved ring /O-ring pick >groove to the pressure',
    'take off rear housing',
    'draw drive key',
    [
      'inspect piston',
      {
        looks: [
          {
            id: 'face',
            at: 'the running face',
            sound: 'bright, no ridge',
            faults: [{ id: 'ridge', sign: 'a ridge', means: 'a worn ring', follows: 'renew' }],
          },
        ],
      },
    ],
    [
      'measure springs /calliper, 0-150 mm',
      {
        measurements: [
          {
            id: 'length',
            what: 'free length',
            nominal: { value: 24, unit: 'mm' },
            least: { value: 22.5, unit: 'mm' },
            points: [],
            directions: 1,
            follows: 'renew',
          },
        ],
      },
    ],
    'clean rear housing',
    'renew grooved ring',
    'renew housing O-ring',
    'fit drive key',
    'fit rear housing',
    'fit grooved ring +PTFE grease, groove full >groove to the pressure',
    'fit piston',
    'fit springs',
    'fit housing O-ring +PTFE grease, thin film',
    'compress springs /assembly clamp !!Keep fingers away from the gap.',
    'fit front housing',
    'start by hand long bolts',
    'start by hand tie bolts',
    ['torque long bolts =8 N·m /torque wrench, 2-20 N·m', sourced('drawing 5')],
    ['torque tie bolts =8 N·m /torque wrench, 2-20 N·m', sourced('drawing 5')],
    ['fill the oil', { detail: 'To 5 mm above the plate.' }],
    'open the suction valve',
    'open the discharge valve',
    'restore the motor',
    'test the pump for leaks',
  ),
  parts: {
    'front housing': (it) => ({ heldBy: [it.part('tie bolt'), it.part('long bolt')], springLoaded: true }),
    spring: { partNumber: '5-11' },
    piston: { partNumber: '5-10' },
    'grooved ring': (it) => ({
      hostId: it.part('piston'),
      renewal: 'always',
      keyed: true,
      faces: { end: 'groove', toward: { is: 'pressure' } },
      wants: [{ consumableId: it.consumable('PTFE grease') }],
    }),
    'housing O-ring': { renewal: 'always', material: 'NBR' },
    'drive key': {},
  },
  consumables: { 'PTFE grease': { kind: 'grease', base: 'perfluorinated' } },
  kits: (it) => [
    {
      id: 'kit',
      name: 'ring kit',
      contents: [
        { componentId: it.part('grooved ring'), count: 1 },
        { componentId: it.part('housing O-ring'), count: 1 },
      ],
    },
  ],
  about: { kits: [{ kitId: 'kit', count: 1 }] },
};

export const PACKED_PISTON: WrittenJob = {
  name: 'repacking a packed piston pump',
  positionSets: [],
  lines: lines(
    'shut off the air',
    'vent the air line',
    'disconnect the air hose',
    'release pressure of the spray hose !!The jet can inject paint: point it into the bucket.',
    'flush the pump with solvent',
    'photo the pump ?as found, with its hoses',
    [
      'inspect upper gland',
      {
        decision: {
          question: 'Which packing set is in the kit?',
          answers: [
            { id: 'leather', text: 'Leather' },
            { id: 'ptfe', text: 'PTFE' },
          ],
        },
        looks: [
          {
            id: 'thread',
            at: 'the thread',
            sound: 'clean, not crossed',
            faults: [{ id: 'crossed', sign: 'crossed threads', follows: 'refer' }],
          },
        ],
      },
    ],
    'unscrew wet cup /pin spanner',
    'take off throat nut /pin spanner',
    'unscrew intake housing /strap wrench',
    'take off intake ball',
    'take off intake seat',
    'draw piston /soft mallet',
    'take off upper gland',
    'draw 4 upper V-rings /packing hook >lips to the pressure',
    'take off lower gland',
    'draw 4 lower V-rings /packing hook >lips to the pressure',
    [
      'inspect intake ball',
      {
        looks: [
          {
            id: 'ball',
            at: 'the whole ball, beside a new one',
            sound: 'no flat or nick',
            faults: [{ id: 'nick', sign: 'a nick', means: 'hard dirt', follows: 'renew' }],
          },
        ],
      },
    ],
    [
      'inspect intake seat',
      {
        looks: [
          {
            id: 'seat',
            at: 'the edge, with a thumbnail',
            sound: 'no step',
            faults: [{ id: 'step', sign: 'a step', means: 'wear', follows: 'renew' }],
          },
        ],
      },
    ],
    [
      'measure piston /micrometer, 0-50 mm',
      {
        measurements: [
          {
            id: 'd',
            what: 'outside diameter',
            nominal: { value: 30, unit: 'mm' },
            least: { value: 29.95, unit: 'mm' },
            points: ['top', 'middle', 'bottom'],
            directions: 2,
            follows: 'renew',
          },
        ],
      },
    ],
    'renew upper V-rings, lower V-rings',
    [
      'soak upper V-rings, lower V-rings +throat oil ~30',
      (it) => ({ when: [{ stepId: it.asking, answerIds: ['leather'] }] }),
    ],
    [
      'soak upper V-rings, lower V-rings +throat oil ~15',
      (it) => ({ when: [{ stepId: it.asking, answerIds: ['ptfe'] }] }),
    ],
    'clean upper gland, lower gland, intake housing',
    'fit lower V-rings +throat oil >lips to the pressure',
    'fit lower gland',
    'fit upper V-rings +throat oil >lips to the pressure ?four lips down, none turned over',
    'fit upper gland',
    'fit piston +throat oil',
    'fit intake seat',
    'place intake ball',
    'screw on intake housing +PTFE tape, threads',
    ['torque intake housing =80 N·m /torque wrench, 40-200 N·m', sourced('service sheet 2', 'PTFE tape')],
    'start by hand throat nut',
    ['torque throat nut =50 N·m /torque wrench, 40-200 N·m', sourced('service sheet 2')],
    'screw in wet cup',
    ['tighten wet cup =15 N·m /torque wrench, 5-25 N·m', sourced('service sheet 2')],
    'fill the wet cup with throat oil',
    'connect the air hose',
    'turn on the air',
    'test the pump for leaks',
  ),
  parts: {
    'throat nut': { threaded: true },
    'intake housing': { threaded: true },
    'wet cup': { threaded: true },
    'upper gland': (it) => ({ heldBy: [it.part('throat nut')] }),
    'upper V-ring': (it) => ({
      renewal: 'always',
      keyed: true,
      faces: { end: 'lips', toward: { is: 'pressure' } },
      soakMinutes: 10,
      wants: [{ consumableId: it.consumable('throat oil') }],
    }),
    'lower V-ring': (it) => ({
      renewal: 'always',
      keyed: true,
      faces: { end: 'lips', toward: { is: 'pressure' } },
      soakMinutes: 10,
      wants: [{ consumableId: it.consumable('throat oil') }],
    }),
    'intake ball': { partNumber: '2-40' },
    'intake seat': { partNumber: '2-41' },
    piston: { partNumber: '2-42' },
  },
  consumables: { 'throat oil': { kind: 'oil', base: 'mineral' }, 'PTFE tape': { kind: 'tape' } },
  kits: (it) => [
    {
      id: 'leather-kit',
      name: 'leather kit',
      contents: [
        { componentId: it.part('upper V-ring'), count: 4 },
        { componentId: it.part('lower V-ring'), count: 4 },
      ],
    },
    {
      id: 'ptfe-kit',
      name: 'PTFE kit',
      contents: [
        { componentId: it.part('upper V-ring'), count: 4 },
        { componentId: it.part('lower V-ring'), count: 4 },
      ],
    },
  ],
  about: (it) => ({
    kits: [
      { kitId: 'leather-kit', count: 1, when: [{ stepId: it.asking, answerIds: ['leather'] }] },
      { kitId: 'ptfe-kit', count: 1, when: [{ stepId: it.asking, answerIds: ['ptfe'] }] },
    ],
  }),
};

const inBlock = (block: string) => ({ blockId: block });

export const INTENSIFIER: WrittenJob = {
  name: 'cylinder ends of a high-pressure intensifier',
  positionSets: [places('end', 'left end', 'right end')],
  lines: lines(
    'lock out the drive at the main switch !!!Lock and tag the switch. Keep the key.',
    'close the inlet water valve',
    'release pressure of the high-pressure line !!!Wait until the gauge shows nothing: the jet cuts.',
    'release pressure of the hydraulic line',
    'photo the intensifier ?both ends with their tubes as found',
    ['disconnect high-pressure tube @each end /spanner, 25 mm', inBlock('down')],
    ['unscrew end nut @each end /pin wrench', inBlock('down')],
    ['draw end cap @each end /eye bolt, 100 kg !Heavy: slide it off supported and square.', inBlock('down')],
    ['draw check valve body @each end', inBlock('down')],
    ['take off cylinder O-ring @each end /O-ring pick', inBlock('down')],
    ['draw cylinder @each end /cradle !Heavy: slide it off supported and square.', inBlock('down')],
    ['draw high-pressure seal @each end /seal hook >lip to the pressure', inBlock('down')],
    ['take off back-up ring @each end', inBlock('down')],
    [
      'inspect plunger @each end',
      {
        looks: [
          {
            id: 'face',
            at: 'the running face, with a thumbnail',
            sound: 'no line to be felt',
            faults: [{ id: 'line', sign: 'a line along the plunger', means: 'dirt', follows: 'refer' }],
          },
        ],
      },
    ],
    [
      'inspect cylinder @each end',
      {
        looks: [
          {
            id: 'bore',
            at: 'the bore and both end faces',
            sound: 'no cracks',
            faults: [{ id: 'crack', sign: 'a crack', means: 'fatigue', follows: 'refer' }],
          },
        ],
      },
    ],
    'clean end nut, high-pressure tube @each end /brush',
    'renew high-pressure seal',
    'renew back-up ring',
    'renew cylinder O-ring',
    ['fit back-up ring @each end', inBlock('up')],
    ['fit high-pressure seal @each end +food-grade grease, thin film >lip to the pressure', inBlock('up')],
    ['fit cylinder @each end /cradle !Heavy: slide it on supported and square.', inBlock('up')],
    ['fit cylinder O-ring @each end +food-grade grease, thin film', inBlock('up')],
    ['fit check valve body @each end +anti-seize, cone', inBlock('up')],
    ['fit end cap @each end /eye bolt, 100 kg !Heavy: slide it on supported and square.', inBlock('up')],
    ['screw on end nut @each end +anti-seize, threads', inBlock('up')],
    [
      'torque end nut @each end =180 N·m /torque wrench, 60-300 N·m /pin wrench',
      sourced('module sheet B', 'anti-seize', { blockId: 'up' }),
    ],
    ['connect high-pressure tube @each end +anti-seize, cone and threads /spanner, 25 mm', inBlock('up')],
    [
      'torque high-pressure tube @each end =70 N·m /torque wrench, 40-200 N·m',
      sourced('module sheet B', 'anti-seize', { blockId: 'up' }),
    ],
    'open the inlet water valve',
    'restore the drive',
    'test run the intensifier !!Stand clear of the ends.',
  ),
  parts: {
    'end nut': { threaded: true },
    'end cap': (it) => ({ massKg: 19, heldBy: [it.part('end nut')] }),
    'high-pressure tube': { threaded: true },
    cylinder: { massKg: 24 },
    'high-pressure seal': (it) => ({
      renewal: 'always',
      keyed: true,
      faces: { end: 'lip', toward: { is: 'pressure' } },
      wants: [{ consumableId: it.consumable('food-grade grease') }],
    }),
    'back-up ring': { renewal: 'always' },
    'cylinder O-ring': { renewal: 'always' },
  },
  consumables: { 'food-grade grease': { kind: 'grease', base: 'silicone' }, 'anti-seize': { kind: 'anti-seize' } },
  kits: (it) => [
    {
      id: 'kit',
      name: 'end kit',
      contents: ['high-pressure seal', 'back-up ring', 'cylinder O-ring'].map((name) => ({
        componentId: it.part(name),
        count: 1,
      })),
    },
  ],
  about: (it) => ({
    kits: [{ kitId: 'kit', count: 2 }],
    blocks: [
      { id: 'down', positionIds: [it.place('left end'), it.place('right end')], mirrored: true },
      { id: 'up', positionIds: [it.place('left end'), it.place('right end')], mirrored: true },
    ],
  }),
};
