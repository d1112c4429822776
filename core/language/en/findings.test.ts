import { replay } from '../../bench/replay';
import { draftPutBack } from '../../drafting/way-back';
import { applyEdits } from '../../edits/edit';
import { moveStep } from '../../edits/steps';
import { check, fixFor, RULES } from '../../findings/check';
import { FAMILIES, type Finding, type RuleId } from '../../findings/finding';
import type { Faces } from '../../model/faces';
import type { FastenerGroup } from '../../model/fastener-group';
import type { Look } from '../../model/looks';
import type { Measurement, Step, Workbook } from '../../model/procedure';
import type { Series } from '../../model/series';
import type { Quantity } from '../../quantity/schema';
import { componentId, typed, withComponent, withStep } from '../../testing/workbook';
import { FINDING_TEXTS } from './finding-texts';
import { findingsCatalogue, sayFinding } from './findings';
import { Naming } from './naming';

/** The wording of every rule is tested here, and nowhere else. */
const found = (workbook: Workbook, id: RuleId): Finding[] => check(workbook).filter((finding) => finding.id === id);
const withKit = (workbook: Workbook, name: string, inKit: number, kits: number): Workbook => ({
  series: {
    ...workbook.series,
    kits: [{ id: 'kit', name: 'seal kit', contents: [{ componentId: componentId(workbook, name), count: inKit }] }],
  },
  procedure: { ...workbook.procedure, kits: [{ kitId: 'kit', count: kits }] },
});
const intending = (workbook: Workbook, name: string): Workbook => ({
  ...workbook,
  procedure: { ...workbook.procedure, intends: [{ kind: 'leaves', componentId: componentId(workbook, name) }] },
});
const asking = {
  question: 'Did the seat come out with the ball?',
  answers: [
    { id: 'yes', text: 'yes' },
    { id: 'no', text: 'no' },
  ],
};
/** The ball comes out; when the seat stays behind it is drawn on a way of its own. */
const seatBranch = (put: string[]): Workbook => {
  const base = typed(['take off ball', 'draw seat', ...put]);
  return withStep(withStep(base, 0, { decision: asking }), 1, {
    when: [{ stepId: base.procedure.steps[0]!.id, answerIds: ['no'] }],
  });
};
/** The workbook with a consumable in the series, put on by the step at `index`. */
const stocked = (workbook: Workbook, index: number, name: string): Workbook => {
  const consumables = [{ id: 'c', name, openMinutes: 10 }];
  return withStep({ ...workbook, series: { ...workbook.series, consumables } }, index, {
    applications: [{ consumableId: 'c' }],
  });
};
/** The workbook with a stack of the named parts, from the bottom. */
const stacked = (workbook: Workbook, names: string[]): Workbook => {
  const layers = names.map((name, i) => ({ id: `l${i}`, componentId: componentId(workbook, name), count: 1 }));
  return { ...workbook, series: { ...workbook.series, stacks: [{ id: 'box', name: 'the box', bore: [], layers }] } };
};
/** The workbook with a group of these fasteners on its torque sheet. */
const grouped = (workbook: Workbook, name: string, newtonMetres: number): Workbook => {
  const torque = { figure: { value: newtonMetres, unit: 'N·m' as const }, tolerancePercent: 4 };
  const group = { id: 'g', componentId: componentId(workbook, name), figures: [{ use: 'reuse' as const, torque }] };
  return { ...workbook, series: { ...workbook.series, fastenerGroups: [group] } };
};
const withJoint = (fields: Partial<FastenerGroup>): Workbook => {
  const workbook = typed(['torque 4 bolts crosswise =44 N·m']);
  const group = {
    id: 'g',
    componentId: componentId(workbook, 'bolt'),
    figures: [],
    plan: { shape: 'circle' as const },
  };
  return { ...workbook, series: { ...workbook.series, fastenerGroups: [{ ...group, ...fields }] } };
};
const lip: Faces = { end: 'lip', toward: { is: 'pressure' } };

const mm = (value: number): Quantity => ({ value, unit: 'mm' });
/** A step that measures a sleeve with these limits. */
const measuring = (limits: Partial<Measurement>, tool: string): Workbook =>
  withStep(typed([`measure sleeve ${tool}`]), 0, {
    measurements: [{ id: 'm', what: 'outside diameter', points: [], directions: 1, follows: 'refer', ...limits }],
  });
const PITTED: Look = {
  id: 'l',
  at: 'the edge',
  sound: 'smooth all round',
  faults: [{ id: 'p', sign: 'pitting', follows: 'renew' }],
};
/** With the step at `index` moved forward to another. */
function movedTo(workbook: Workbook, index: number, to: number): Workbook {
  const step = workbook.procedure.steps[index];
  return step ? { ...workbook, procedure: moveStep(workbook.procedure, step.id, to) } : workbook;
}

const looking = (workbook: Workbook, index: number): Workbook =>
  withStep(workbook, index, { stage: 'put-back', looks: [PITTED] });
const lifting = (workbook: Workbook, massKg: number): Workbook => {
  const tools = workbook.series.tools.map((tool) => ({ ...tool, kind: 'lifting' as const }));
  return withComponent({ ...workbook, series: { ...workbook.series, tools } }, 'stator', { massKg });
};
/** The cover goes back after the drive has its power again. */
const reopened = (): Workbook => {
  const workbook = typed(['isolate the drive', 'take off cover', 'fit cover', 'restore the drive']);
  const [isolate, take, fit, restore] = workbook.procedure.steps as [Step, Step, Step, Step];
  return { ...workbook, procedure: { ...workbook.procedure, steps: [isolate, take, restore, fit] } };
};
const twoSets = (series: Series): Series => ({
  ...series,
  positionSets: [...series.positionSets, { id: 'ends', name: 'end', positions: [{ id: 'left', name: 'left end' }] }],
});
/** More questions than ways are followed, all of which matter to one step. */
const manyWays = (): Workbook => {
  const names = 'abcdefghij'.split('').map((letter) => `part ${letter}`);
  const lines = [...names.map((name) => `take off ${name}`), `inspect ${names.join(', ')}`, `fit ${names.join(', ')}`];
  const plain = typed(lines);
  const asked = names.reduce((workbook, _name, i) => withStep(workbook, i, { decision: asking }), plain);
  const steps = asked.procedure.steps.flatMap((step, i): Step[] => {
    const again: Step = { ...step, id: `again-${i}`, when: [{ stepId: step.id, answerIds: ['no'] }], verb: 'fit' };
    const { decision: _asked, ...rest } = again;
    return i < names.length ? [step, rest] : [step];
  });
  return { ...asked, procedure: { ...asked.procedure, steps } };
};

/** A procedure in which the named rule finds something, and the sentence it then says. */
const PLANTED: Record<RuleId, [Workbook, string]> = {
  empty: [typed([]), 'The procedure has no steps.'],
  buried: [
    typed(['take off cover', 'take off gasket', 'fit cover', 'fit gasket']),
    'Step 3, "Fit cover": the cover fits over the gasket, which is not yet back in.',
  ],
  'left-on-cloth': [
    typed(['isolate the drive', 'take off cover', 'restore the drive']),
    'The cover stays on the cloth: step 2 takes it off and nothing puts it back.',
  ],
  'left-in-tray': [typed(['take off gasket', 'renew gasket']), 'New gasket stays in the kit tray: nothing fits it.'],
  'not-there': [typed(['fit cover']), 'Step 1, "Fit cover": the cover is neither on the cloth nor ready in the tray.'],
  'not-isolated': [
    typed(['loosen 8 cover nuts']),
    'Step 1, "Loosen cover nuts", opens the pump before it is isolated.',
  ],
  reused: [
    withComponent(typed(['take off cover O-ring', 'fit cover O-ring']), 'cover O-ring', { renewal: 'always' }),
    'Step 2, "Fit cover O-ring", puts back the old cover O-ring.',
  ],
  'loose-at-end': [
    typed(['take off 8 cover nuts', 'start by hand cover nuts']),
    'The cover nuts are left loose: nothing torques them after step 2.',
  ],
  'not-refilled': [typed(['drain the gear oil']), 'Step 1, "Drain the gear oil": nothing fills it again.'],
  'not-restored': [typed(['lock out the drive']), 'Step 1, "Lock out the drive": nothing restores it.'],
  'torque-misplaced': [
    withStep(typed(['torque 8 cover nuts =45 N·m', 'take off cover', 'fit cover']), 0, { stage: 'take-down' }),
    'Step 1, "Torque cover nuts", is in the teardown.',
  ],
  'wrench-loosens': [
    typed(['loosen 8 cover nuts /torque wrench, 10-60 N·m']),
    'Step 1, "Loosen cover nuts", loosens with the torque wrench, 10-60 N·m.',
  ],
  'power-tightens': [
    typed(['torque 8 cover nuts =45 N·m /air ratchet']),
    'Step 1, "Torque cover nuts", tightens with the air ratchet.',
  ],
  'no-figure': [typed(['torque 8 cover nuts']), 'Step 1, "Torque cover nuts", gives no torque.'],
  'no-source': [typed(['torque 8 cover nuts =45 N·m']), 'Step 1, "Torque cover nuts": 45 N·m has no source.'],
  'aid-left-in': [
    withStep(typed(['take off cover', 'fit cover /guide pins']), 1, (step) => ({ aidsIn: step.toolIds })),
    'Nothing takes out the guide pins that step 2 puts in.',
  ],
  'change-missed': [
    intending(typed(['take off gasket', 'fit gasket']), 'gasket'),
    'The gasket is meant to leave the pump and is still in it.',
  ],
  covered: [
    withComponent(typed(['take off gasket', 'take off cover']), 'gasket', (id) => ({
      coveredBy: [{ componentId: id('cover'), said: 'covers' }],
    })),
    'Step 1, "Take off gasket": the cover covers the gasket.',
  ],
  'still-tight': [
    withComponent(typed(['take off cover', 'take off 8 cover nuts']), 'cover', (id) => ({ heldBy: [id('cover nut')] })),
    'Step 1, "Take off cover", is done while the cover nuts are tight.',
  ],
  swapped: [
    withStep(withComponent(typed(['draw rotor @each shaft', 'fit rotor @shaft 2']), 'rotor', { matched: true }), 1, {
      fromPositionId: 's1',
    }),
    'Step 2, "Fit rotor", fits the rotor of shaft 1 at shaft 2.',
  ],
  unmarked: [
    withComponent(typed(['draw rotor @each shaft']), 'rotor', { matched: true }),
    'Step 1, "Draw out rotors": the rotors are matched and not marked.',
  ],
  'not-in-kit': [
    withKit(typed(['take off gasket', 'take off seal', 'renew gasket', 'renew seal']), 'gasket', 1, 1),
    '1 × seal would be renewed, and none of the kits holds any.',
  ],
  'kit-short': [
    withKit(typed(['take off 4 seals', 'renew seals']), 'seal', 3, 1),
    '4 seals are renewed and the kits hold 3.',
  ],
  'kit-unused': [
    withKit(typed(['take off gasket', 'renew gasket']), 'gasket', 1, 2),
    '2 × seal kit are laid out and 1 would be used.',
  ],
  'pressure-kept': [
    typed(['isolate the drive', 'loosen 8 cover nuts']),
    'Step 2, "Loosen cover nuts", opens the pump before the pressure is released.',
  ],
  'spring-release': [
    withComponent(typed(['take off spring housing']), 'spring housing', { springLoaded: true }),
    'Step 1, "Take off spring housing": the spring housing is under spring tension.',
  ],
  heavy: [
    withComponent(typed(['draw stator']), 'stator', { massKg: 38 }),
    'Step 1, "Draw out stator": the stator of 38 kg is moved without a planned lift.',
  ],
  'brittle-pry': [
    withComponent(typed(['pry plunger']), 'plunger', { brittle: true }),
    'Step 1, "Pry off plunger": the plunger is brittle and is pried.',
  ],
  'faces-unsaid': [
    withComponent(typed(['take off seal', 'fit seal']), 'seal', { faces: lip }),
    'Step 2, "Fit seal", does not say which way the seal faces.',
  ],
  'faces-wrong': [
    withStep(withComponent(typed(['take off seal', 'fit seal']), 'seal', { faces: lip }), 1, {
      faces: { end: 'lip', toward: { is: 'drive', said: 'the crankcase' } },
    }),
    'Step 2, "Fit seal": elsewhere the seal has lip facing the pressure.',
  ],
  'faces-clash': [
    withStep(
      withStep(
        withComponent(typed(['take off manifold', 'take off seal', 'fit seal', 'fit manifold']), 'seal', (id) => ({
          hostId: id('manifold'),
          faces: { end: 'lip', toward: { is: 'mouth', said: 'out of the bore' } },
        })),
        0,
        (_step, id) => ({ pose: { componentId: id('manifold'), lies: 'face-down' } }),
      ),
      2,
      { faces: { end: 'lip', toward: { is: 'up', said: 'up on the bench' } } },
    ),
    'Step 3, "Fit seal": the manifold lies face down, so that is not lip facing out of the bore.',
  ],
  unrecorded: [
    withComponent(typed(['take off seal']), 'seal', { keyed: true }),
    'Step 1, "Take off seal": nothing records which way round the seal was.',
  ],
  'no-last-look': [
    withComponent(
      withStep(typed(['take off cover', 'take off seal', 'fit seal', 'fit cover']), 2, { faces: lip }),
      'seal',
      { keyed: true },
    ),
    'No photo shows how the seal sits before something covers it.',
  ],
  'no-as-found': [
    typed(['take off gasket', 'clean gasket', 'fit gasket']),
    'No photo shows what was found before step 2 cleans or renews it.',
  ],
  'no-unit': [
    withStep(typed(['fit 4 bolts']), 0, { detail: 'Tighten crosswise to 218 pounds.' }),
    'Step 1, "Fit bolts", says 218 pounds and no unit of torque.',
  ],
  'paths-disagree': [seatBranch(['fit ball']), 'The seat ends in another state when "no".'],
  'dead-path': [
    withStep(seatBranch(['fit seat', 'fit ball']), 2, { when: [{ stepId: 'gone', answerIds: ['yes'] }] }),
    'Step 3, "Fit seat", is never reached: no answer leads to it.',
  ],
  swells: [
    stocked(typed(['take off EPDM ring', 'fit EPDM ring']), 1, 'mineral grease'),
    'Step 2, "Fit EPDM ring": mineral grease attacks the EPDM of the EPDM ring.',
  ],
  'dry-seal': [
    typed(['take off lip seal', 'renew lip seal', 'fit lip seal']),
    'Step 3, "Fit lip seal", fits the lip seal dry.',
  ],
  'old-compound': [
    stocked(typed(['take off 4 bolts', 'start by hand bolts']), 1, 'thread-locker'),
    'Step 2, "Start by hand bolts": thread-locker goes on bolts that nothing cleaned.',
  ],
  'sets-first': [
    stocked(
      withStep(typed(['clean 4 bolts', 'wait for tea ~12', 'torque bolts =20 N·m']), 0, { minutes: 1 }),
      0,
      'thread-locker',
    ),
    'Step 3, "Torque bolts": thread-locker on the bolts sets after 10 minutes; the torque comes after about 13.',
  ],
  'soak-short': [
    withComponent(typed(['take off packing', 'soak packing ~4', 'fit packing']), 'packing', { soakMinutes: 10 }),
    'Step 3, "Fit packing": the packing has soaked about 4 of 10 minutes.',
  ],
  'thread-condition': [
    withStep(stocked(typed(['clean 4 bolts', 'torque bolts =20 N·m']), 0, 'anti-seize paste'), 1, ({ torque }) => ({
      torque: { ...torque!, thread: { is: 'dry' } },
    })),
    'Step 2, "Torque bolts": 20 N·m does not hold for this thread; anti-seize paste is on the bolts.',
  ],
  'two-figures': [
    withStep(typed(['torque 4 bolts =20 N·m']), 0, {
      torque: { figure: { value: 20, unit: 'N·m' }, tolerancePercent: 4, also: { value: 20, unit: 'lbf·ft' } },
    }),
    'Step 1, "Torque bolts": 20 N·m and 20 lbf·ft are 36 % apart.',
  ],
  'how-many': [
    typed(['take off rings']),
    'Step 1, "Take off rings": nobody said how many rings there are. Say it in the parts list.',
  ],
  'stack-order': [
    stacked(typed(['take off gland', 'take off ring', 'fit gland', 'fit ring']), ['ring', 'gland']),
    'Step 4, "Fit ring": in the box the ring lies deeper than the gland fitted before.',
  ],
  'stack-count': [
    stacked(typed(['take off 3 rings', 'fit rings']), ['ring', 'ring']),
    'The stack holds 2 × ring, the parts list 3.',
  ],
  'text-differs': [
    withStep(typed(['torque 4 bolts =20 N·m']), 0, { text: 'Torque the bolts to 30 N·m.' }),
    'Step 1, "Torque bolts": its sentence says the figure "30 N·m", the step does not.',
  ],
  'unlisted-tool': [
    withStep(typed(['take off cover']), 0, { detail: 'Tap it with the mallet.' }),
    'Step 1, "Take off cover": the mallet is named in words and is not among its tools.',
  ],
  vague: [
    withStep(typed(['fit cover']), 0, { detail: 'Fit it as required.' }),
    'Step 1, "Fit cover", says "as required".',
  ],
  'long-sentence': [
    withStep(typed(['fit cover']), 0, { detail: Array.from({ length: 21 }, () => 'word').join(' ') }),
    'Step 1, "Fit cover", has a sentence of 21 words.',
  ],
  'two-actions': [
    withStep(typed(['fit cover']), 0, { detail: 'Lift the cover and turn the shaft.' }),
    'Step 1, "Fit cover": "Lift the cover and turn the shaft" tells two things to do.',
  ],
  'house-term': [
    {
      ...withStep(typed(['fit cover']), 0, { detail: 'Wipe the hole.' }),
      house: { terms: [{ say: 'bore', insteadOf: ['hole'] }] },
    },
    'Step 1, "Fit cover", says "hole"; here it is called "bore".',
  ],
  'aid-not-there': [
    withStep(typed(['fit cover /guide pins']), 0, (step) => ({ aidsOut: step.toolIds, toolIds: [] })),
    'Step 1, "Fit cover", takes out the guide pins that nothing put in.',
  ],
  'both-compounds': [
    withStep(
      {
        ...typed(['clean 4 bolts', 'start by hand bolts']),
        series: {
          ...typed(['clean 4 bolts']).series,
          consumables: [
            { id: 'c', name: 'thread-locker' },
            { id: 'd', name: 'PTFE tape' },
          ],
        },
      },
      0,
      { applications: [{ consumableId: 'c' }, { consumableId: 'd' }] },
    ),
    'Step 1, "Clean bolts", puts thread-locker and PTFE tape on the same place.',
  ],
  'compound-missing': [
    withComponent(
      stocked(typed(['take off gasket', 'fit gasket', 'inspect cover']), 2, 'liquid gasket sealant'),
      'gasket',
      { wants: [{ consumableId: 'c' }] },
    ),
    'Step 2, "Fit gasket": the gasket goes in without the liquid gasket sealant.',
  ],
  'filled-open': [
    typed(['drain the gear oil', 'take off drain plug', 'fill the gear oil', 'start by hand drain plug']),
    'Step 3, "Fill the gear oil", fills while the drain plug is still out.',
  ],
  'gauge-range': [
    measuring({ nominal: mm(60), least: mm(59.9) }, '/outside micrometer, 25-50 mm'),
    'Step 1, "Measure sleeve": the outside micrometer, 25-50 mm does not reach the size of "outside diameter".',
  ],
  'hole-occupied': [
    withStep(typed(['take off 8 bolts', 'fit cover /guide pins', 'start by hand bolts']), 1, (step) => ({
      aidsIn: step.toolIds,
    })),
    'Step 3, "Start by hand bolts": the guide pins stand in 2 holes, so only 6 of the bolts fit.',
  ],
  implausible: [
    typed(['torque 4 M8 bolts =320 N·m']),
    'Step 1, "Torque M8 bolts": 320 N·m is more than any M8 bears; 32 N·m or 320 lbf·in fits.',
  ],
  'figure-differs': [
    grouped(typed(['torque 4 bolts crosswise =44 N·m']), 'bolt', 40),
    'Step 1, "Torque bolts": 44 N·m, but the torque sheet says 40 N·m.',
  ],
  'key-size': [
    typed(['take off 4 bolts /socket, 17 mm', 'start by hand bolts', 'torque bolts =40 N·m /socket, 19 mm']),
    'Step 3, "Torque bolts": the bolts came off with socket, 17 mm and go on with socket, 19 mm.',
  ],
  'lift-short': [
    lifting(typed(['draw stator /hoist, 100 kg']), 250),
    'Step 1, "Draw out stator": the hoist, 100 kg bears 100 kg, and the stator weighs 250 kg.',
  ],
  'limits-contradict': [
    measuring({ least: mm(40), most: mm(39) }, '/outside micrometer, 25-50 mm'),
    'Step 1, "Measure sleeve": the limits of "outside diameter" exclude one another.',
  ],
  'lock-before-torque': [
    typed(['take off split pin', 'take off nut', 'start by hand nut', 'pin split pin', 'torque nut =20 N·m']),
    'Step 5, "Torque nut": the split pin that locks the nut is in already.',
  ],
  'lock-early': [
    typed(['take off split pin', 'take off nut', 'start by hand nut', 'pin split pin', 'torque nut =20 N·m']),
    'Step 4, "Secure with split pin": the nut is locked before it is torqued.',
  ],
  'look-late': [
    looking(typed(['take off seat', 'fit seat', 'inspect seat']), 2),
    'Step 3, "Inspect seat", comes when the seat is back in the pump.',
  ],
  'methods-disagree': [
    withStep(typed(['pry manifold', 'fit manifold']), 0, {
      methods: [{ id: 'm', name: 'turn the crank', verb: 'inspect', toolIds: [], cautions: [] }],
    }),
    'Step 1, "Pry off manifold": the method "turn the crank" leaves the pump in a different state.',
  ],
  'never-looked': [
    withComponent(typed(['take off seat', 'fit seat']), 'seat', { looks: [PITTED] }),
    'Step 1, "Take off seat": the seat is to be looked at when out, and no step does.',
  ],
  'no-gauge': [
    measuring({ least: mm(39) }, ''),
    'Step 1, "Measure sleeve": nothing is laid out to measure "outside diameter" with.',
  ],
  'no-limits': [
    measuring({ nominal: mm(40) }, '/outside micrometer, 25-50 mm'),
    'Step 1, "Measure sleeve": "outside diameter" is measured and has no limit.',
  ],
  'no-spare': [
    looking(typed(['take off seat', 'inspect seat', 'fit seat']), 1),
    'Step 2, "Inspect seat": "pitting" says renew, and the seat has no kit, part number or step behind.',
  ],
  'no-wrench': [typed(['torque 4 bolts =20 N·m /socket, 13 mm']), 'Step 1, "Torque bolts", lists no torque wrench.'],
  'closed-late': [
    typed(['isolate the drive', 'bleed the casing', 'take off cover', 'close the inlet valve', 'fit cover']),
    'Step 4, "Close the inlet valve", comes when the pump is open already.',
  ],
  'run-dry': [
    typed([
      'isolate the drive',
      'drain the gear oil',
      'restore the drive',
      'test run the pump for ten minutes',
      'fill the gear oil',
    ]),
    'Step 4, "Run the pump", runs the pump before the gear oil is filled.',
  ],
  'marked-late': [
    typed(['take off cover', 'mark cover', 'fit cover']),
    'Step 2, "Mark cover": the cover is off already.',
  ],
  'pass-missing': [
    withStep(typed(['torque 4 bolts =20 N·m /torque wrench, 5-50 N·m']), 0, { detail: 'First pass, crosswise.' }),
    'Step 1, "Torque bolts", is a first pass, and no further pass follows.',
  ],
  'renewed-early': [
    movedTo(typed(['take off seal', 'renew seal', 'fit seal']), 1, 0),
    'Step 1, "Renew seal", renews the seal before step 2 takes it off.',
  ],
  'no-such-step': [
    withStep(typed(['take off cover', 'fit cover']), 1, { detail: 'The other way round than in step 12.' }),
    'Step 2, "Fit cover", refers to step 12; there are 2 steps.',
  ],
  'look-early': [
    movedTo(looking(typed(['take off guard', 'take off cover', 'take off seat', 'inspect seat']), 3), 3, 1),
    'Step 2, "Inspect seat", comes while the cover still covers the seat.',
  ],
  'odd-verdict': [
    withStep(typed(['inspect seat']), 0, {
      looks: [{ id: 'edge', at: 'the edge', sound: 'whole', faults: [{ id: 'c', sign: 'a crack', follows: 'reuse' }] }],
    }),
    'Step 1, "Inspect seat": with "a crack" the part would be used again.',
  ],
  'not-closed': [
    typed(['isolate the drive', 'bleed the casing', 'take off cover', 'fit cover', 'open the suction valve']),
    'Step 5, "Open the suction valve": nothing closed the suction valve before.',
  ],
  'not-drained': [
    typed(['isolate the drive', 'bleed the casing', 'take off cover', 'fit cover', 'fill the gear oil']),
    'Step 5, "Fill the gear oil": nothing drained the gear oil before.',
  ],
  'too-many': [
    typed(['take off 4 bolts', 'start by hand 6 bolts']),
    'Step 2, "Start by hand bolts", names six bolts; there are 4.',
  ],
  'nothing-applied': [typed(['lubricate lip seal']), 'Step 1, "Lubricate lip seal", does not say what to apply.'],
  'nothing-to-look-for': [
    typed(['inspect seat']),
    'Step 1, "Inspect seat", does not say what to look for on the seat.',
  ],
  'odd-unit': [
    typed(['torque 4 bolts =20 N·m', 'torque 2 nuts =30 N·m', 'torque 2 plugs =20 lbf·ft']),
    'Step 3, "Torque plugs": 20 lbf·ft stands alone; all other figures are in N·m.',
  ],
  'partly-there': [
    typed(['draw rotor @shaft 1', 'fit rotor @each shaft']),
    'Step 2, "Fit rotors": at shaft 2 the rotor is not out.',
  ],
  'pressure-first': [
    typed(['bleed the casing', 'isolate the drive']),
    'Step 1, "Release the pressure of the casing", comes before step 2 isolates the drive.',
  ],
  'restored-open': [reopened(), 'Step 3, "Restore the drive", is done while the cover is still out.'],
  'second-figure': [
    typed(['take off 4 bolts', 'start by hand bolts', 'torque bolts =40 N·m', 'torque bolts =30 N·m']),
    'Step 4, "Torque bolts": the bolts were torqued to 40 N·m before, and here to 30 N·m.',
  ],
  'shaft-elsewhere': [
    withStep(typed(['take off plunger']), 0, { shaftAt: 'outer plungers level' }),
    'Step 1, "Take off plunger", needs the shaft at "outer plungers level"; nothing turns it there.',
  ],
  'tested-locked': [
    typed(['lock out the drive', 'test the pump: run it for five minutes']),
    'Step 2, "Test the pump: run it", runs a pump that is still locked by step 1.',
  ],
  'too-many-ways': [
    manyWays(),
    'There are too many combinations of answers to check all of them. Join the paths earlier.',
  ],
  'torque-early': [
    withComponent(
      typed(['take off 4 bolts', 'take off cover', 'start by hand bolts', 'torque bolts =20 N·m', 'fit cover']),
      'cover',
      (id) => ({ heldBy: [id('bolt')] }),
    ),
    'Step 4, "Torque bolts": the cover that the bolts hold is not in yet.',
  ],
  untouched: [
    withComponent(typed(['take off seal case', 'fit seal case', 'inspect case O-ring']), 'case O-ring', (id) => ({
      hostId: id('seal case'),
      renewal: 'always',
    })),
    'Step 1, "Take off seal case": the case O-ring in the seal case is always renewed, and no step does.',
  ],
  'weak-isolation': [
    typed(['isolate the controller']),
    'Step 1, "Isolate the controller": stopping at the controller is not isolation.',
  ],
  'joint-order': [
    withJoint({ order: [0, 2, 1] }),
    'Step 1, "Torque bolts": the order of the bolts leaves out place 4.',
  ],
  'joint-passes': [
    withJoint({ passes: [{ is: 'rise', percent: 80 }] }),
    'Step 1, "Torque bolts": the passes of the bolts end before the figure.',
  ],
  'wrench-range': [
    typed(['torque 4 bolts =60 N·m /torque wrench, 5-50 N·m']),
    'Step 1, "Torque bolts": 60 N·m is outside the range of the torque wrench, 5-50 N·m.',
  ],
  'wrong-places': [
    withStep(
      { ...typed(['take off cap @each shaft']), series: twoSets(typed(['take off cap @each shaft']).series) },
      0,
      { positionIds: ['left'] },
    ),
    'Step 1, "Take off caps", names left end, where there are no caps.',
  ],
  unconfirmed: [draftPutBack(typed(['take off cover'])).workbook, 'One drafted step is not confirmed.'],
};

test('every rule has a planted fault here', () => {
  expect(RULES.map((rule) => rule.id).sort()).toEqual(Object.keys(PLANTED).sort());
});

describe.each(Object.entries(PLANTED) as [RuleId, [Workbook, string]][])('%s', (id, [workbook, sentence]) => {
  test('is found and told in one plain sentence', () => {
    const told = found(workbook, id).map((finding) => sayFinding(finding, workbook));
    expect(told).toEqual([sentence]);
    expect(sentence.split(' ').length).toBeLessThanOrEqual(20);
  });

  test('its fix, where there is one, removes it and adds no stop', () => {
    const timeline = replay(workbook);
    for (const finding of found(workbook, id)) {
      const fix = fixFor(finding, workbook, timeline);
      if (!fix) continue;
      const after = applyEdits(workbook, fix.edits);
      expect(after).not.toEqual(workbook);
      expect(found(after, id)).toEqual([]);
      const stops = (w: Workbook) => check(w).filter((f) => f.severity === 'stop').length;
      expect(stops(after)).toBeLessThanOrEqual(stops(workbook));
    }
  });
});

test('every rule has words for the catalogue, which names each once under its family', () => {
  for (const { id } of RULES) {
    expect(FINDING_TEXTS[id].looksFor.length).toBeGreaterThan(10);
    expect(FINDING_TEXTS[id].reason).toMatch(/\.$/);
  }
  const page = findingsCatalogue(RULES);
  for (const { id } of RULES) expect(page.split(`| \`${id}\` |`)).toHaveLength(2);
  expect(page.match(/^## /gm)?.length).toBe(FAMILIES.filter((family) => RULES.some((r) => r.family === family)).length);
});

describe('parts are named as people name them', () => {
  test('one or several, by how many pieces the pump has', () => {
    const workbook = typed(['take off cover', 'draw rotor @each shaft', 'take off 8 nuts']);
    const naming = new Naming(workbook);
    const said = workbook.series.components.map(({ id }) => `${naming.part(id)} ${naming.agree(id, 'is', 'are')}`);
    expect(said).toEqual(['cover is', 'rotors are', 'nuts are']);
  });
  test('one shaft forgotten is told by its position, two of eight by their number', () => {
    const told = (lines: string[]) => {
      const workbook = typed(lines);
      return found(workbook, 'left-on-cloth').map((finding) => sayFinding(finding, workbook));
    };
    expect(told(['draw rotor @each shaft', 'fit rotor @shaft 1'])).toEqual([
      'The rotor of shaft 2 stays on the cloth: step 1 takes it off and nothing puts it back.',
    ]);
    expect(told(['take off 8 cover nuts', 'fit 6 cover nuts'])).toEqual([
      'The two cover nuts stay on the cloth: step 1 takes them off and nothing puts them back.',
    ]);
  });
  test('what happens on one answer only says on which', () => {
    const [workbook] = PLANTED['paths-disagree'];
    expect(found(workbook, 'left-on-cloth').map((finding) => sayFinding(finding, workbook))).toEqual([
      'The seat stays on the cloth when "no": step 2 takes it off and nothing puts it back.',
    ]);
  });
});
