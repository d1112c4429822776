import { changeStep } from '../edits/steps';
import { typed, withStep } from '../testing/workbook';
import { demandsOf, placeInHand, readingPlaces } from './demands';
import { type Entry, type EntryContent, EntryContent as EntrySchema } from './entry';
import { foundIn } from './found';
import { foldJob, runOf } from './job';
import { refuseEntry } from './refuse-entry';
import { stepInJob, stepPlaces } from './to-do';

const base = typed([
  'take off cover',
  'torque rotor nut @each shaft =90 N·m',
  'fit cover ?the gasket all round',
  'torque 8 cover nuts =45 N·m',
]);
const workbook = { ...base, procedure: changeStep(base.procedure, base.procedure.steps[0]!.id, { minutes: 2 }) };
const [first = '', rotorNuts = '', cover = '', coverNuts = ''] = workbook.procedure.steps.map((step) => step.id);

let n = 0;
const entry = (content: EntryContent, by = 'mara'): Entry => ({
  id: `e${n++}`,
  at: new Date(Date.UTC(2026, 0, 5, 8, n)).toISOString(),
  by,
  content,
});
const after = (...contents: EntryContent[]) =>
  foldJob(
    workbook,
    'mara',
    contents.map((content) => entry(content)),
  );
const read = (stepId: string, positionId: string | null, value: number): EntryContent => ({
  kind: 'torque-read',
  stepId,
  positionId,
  reading: { value, unit: 'N·m' },
});
const done = (stepId: string): EntryContent => ({ kind: 'step-done', stepId });

test('a job goes step by step', () => {
  const state = after(done(first));
  expect(state.cursor).toBe(1);
  expect(runOf(state, first)).toMatchObject({ doneBy: 'mara' });
  expect(refuseEntry(workbook, state, 'mara', done(coverNuts))).toBe('step-not-in-hand');
});

describe('a question', () => {
  const lines = typed(['take off ball', 'draw seat', 'fit ball']);
  const [ask = '', seat = '', ball = ''] = lines.procedure.steps.map((step) => step.id);
  const asked = withStep(lines, 0, {
    decision: {
      question: 'Did the seat come out?',
      answers: [
        { id: 'yes', text: 'yes' },
        { id: 'no', text: 'no' },
      ],
    },
  });
  const branching = withStep(asked, 1, { when: [{ stepId: ask, answerIds: ['no'] }] });
  const run = (...contents: EntryContent[]) =>
    foldJob(
      branching,
      'mara',
      contents.map((content) => entry(content)),
    );
  const answered = (answerId: string): EntryContent => ({ kind: 'answered', stepId: ask, answerId });

  test('wants an answer before the step is done, and only one it offers', () => {
    expect(refuseEntry(branching, run(), 'mara', done(ask))).toBe('demands-open');
    expect(refuseEntry(branching, run(), 'mara', answered('perhaps'))).toBe('no-such-answer');
    expect(refuseEntry(branching, run(answered('no')), 'mara', done(ask))).toBeUndefined();
  });
  test('leads to its own steps, and past them', () => {
    expect(branching.procedure.steps[run(answered('no'), done(ask)).cursor]?.id).toBe(seat);
    expect(branching.procedure.steps[run(answered('yes'), done(ask)).cursor]?.id).toBe(ball);
    expect(run(answered('yes'), done(ask), done(ball)).cursor).toBe(3);
  });
  test('can be answered anew after going back', () => {
    const back = run(answered('yes'), done(ask), { kind: 'went-back', stepId: ask }, answered('no'), done(ask));
    expect(branching.procedure.steps[back.cursor]?.id).toBe(seat);
  });
});

test('a torque step at each shaft wants a reading at each', () => {
  const step = workbook.procedure.steps[1]!;
  expect(readingPlaces(step, workbook)).toEqual(['s1', 's2']);
  const half = after(done(first), read(rotorNuts, 's1', 90));
  expect(demandsOf(step, runOf(half, rotorNuts), workbook)).toEqual([{ what: 'torque', positionId: 's2' }]);
  expect(refuseEntry(workbook, half, 'mara', done(rotorNuts))).toBe('demands-open');
});

test('a wrong reading is kept and judged, and the next right one satisfies the step', () => {
  const wrong = after(done(first), read(rotorNuts, 's1', 90), read(rotorNuts, 's2', 120));
  expect(runOf(wrong, rotorNuts).readings.map((reading) => reading.verdict)).toEqual(['within', 'high']);
  expect(refuseEntry(workbook, wrong, 'mara', done(rotorNuts))).toBe('demands-open');
  const right = after(done(first), read(rotorNuts, 's1', 90), read(rotorNuts, 's2', 120), read(rotorNuts, 's2', 91));
  expect(refuseEntry(workbook, right, 'mara', done(rotorNuts))).toBeUndefined();
  expect(runOf(right, rotorNuts).readings).toHaveLength(3);
});

test('a reading or a photo can be overridden with a reason, which stays', () => {
  const opened = after(done(first), read(rotorNuts, 's1', 90), read(rotorNuts, 's2', 90), done(rotorNuts));
  expect(demandsOf(workbook.procedure.steps[2]!, runOf(opened, cover), workbook)).toEqual([{ what: 'photo' }]);
  const override: EntryContent = { kind: 'overridden', stepId: cover, what: 'photo', reason: 'camera broken' };
  expect(refuseEntry(workbook, opened, 'mara', { ...override, what: 'torque' })).toBe('nothing-to-override');
  const overridden = foldJob(workbook, 'mara', [
    ...[done(first), read(rotorNuts, 's1', 90), read(rotorNuts, 's2', 90), done(rotorNuts), override].map((c) =>
      entry(c),
    ),
  ]);
  expect(runOf(overridden, cover).overrides.photo?.text).toBe('camera broken');
  expect(refuseEntry(workbook, overridden, 'mara', done(cover))).toBeUndefined();
  expect(EntrySchema.safeParse({ ...override, reason: ' x ' }).success).toBe(false);
});

test('going back puts an earlier step in hand and keeps what was entered', () => {
  const back = after(done(first), read(rotorNuts, 's1', 90), { kind: 'went-back', stepId: first });
  expect(back.cursor).toBe(0);
  expect(runOf(back, rotorNuts).readings).toHaveLength(1);
  expect(refuseEntry(workbook, back, 'mara', { kind: 'went-back', stepId: coverNuts })).toBe('step-not-in-hand');
});

test('only who holds the job writes in it; another technician takes it over', () => {
  const state = after(done(first));
  expect(refuseEntry(workbook, state, 'tobias', done(rotorNuts))).toBe('not-holder');
  expect(refuseEntry(workbook, state, 'tobias', { kind: 'taken-over' })).toBeUndefined();
  expect(refuseEntry(workbook, state, 'mara', { kind: 'taken-over' })).toBe('already-holder');
  const taken = foldJob(workbook, 'mara', [
    entry(done(first)),
    entry({ kind: 'paused' }),
    entry({ kind: 'taken-over' }, 'tobias'),
  ]);
  expect(taken).toMatchObject({ holder: 'tobias', phase: 'running', cursor: 1 });
  expect(refuseEntry(workbook, taken, 'mara', done(rotorNuts))).toBe('not-holder');
});

test('a paused job takes nothing but its resumption', () => {
  const paused = after({ kind: 'paused' });
  expect(refuseEntry(workbook, paused, 'mara', done(first))).toBe('job-paused');
  expect(refuseEntry(workbook, paused, 'mara', { kind: 'resumed' })).toBeUndefined();
  expect(refuseEntry(workbook, after(), 'mara', { kind: 'resumed' })).toBe('not-paused');
});

test('a job is finished only when every step is done, and then nothing is added', () => {
  expect(refuseEntry(workbook, after(done(first)), 'mara', { kind: 'finished' })).toBe('steps-open');
  const all = [
    done(first),
    read(rotorNuts, 's1', 90),
    read(rotorNuts, 's2', 90),
    done(rotorNuts),
    done(cover),
    done(coverNuts),
  ];
  expect(refuseEntry(workbook, after(...all), 'mara', { kind: 'finished' })).toBeUndefined();
  const finished = after(...all, { kind: 'finished' });
  expect(finished.phase).toBe('finished');
  expect(refuseEntry(workbook, finished, 'mara', { kind: 'problem', stepId: cover, note: 'leaks' })).toBe(
    'job-finished',
  );
});

test('a reading at a place the step does not have is refused', () => {
  expect(refuseEntry(workbook, after(done(first)), 'mara', read(rotorNuts, null, 90))).toBe('not-a-torque-step');
});

describe('looks, lengths and places one by one', () => {
  const mm = (value: number) => ({ value, unit: 'mm' as const });
  const asked = withStep(typed(['measure sleeve @each shaft', 'fit cover']), 0, {
    oneByOne: true,
    positionIds: ['s2', 's1'],
    looks: [
      { id: 'surface', at: 'surface', sound: 'smooth', faults: [{ id: 'step', sign: 'a step', follows: 'renew' }] },
    ],
    measurements: [{ id: 'od', what: 'diameter', least: mm(39.9), points: [], directions: 2, follows: 'refer' }],
  });
  const stepId = asked.procedure.steps[0]?.id ?? '';
  const step = asked.procedure.steps[0]!;
  const run = (...contents: EntryContent[]) =>
    foldJob(
      asked,
      'mara',
      contents.map((content) => entry(content)),
    );
  const looked = (positionId: string, faultId: string | null): EntryContent => ({
    kind: 'looked',
    stepId,
    lookId: 'surface',
    positionId,
    faultId,
  });
  const measured = (positionId: string, direction: 1 | 2, value: number): EntryContent => ({
    kind: 'measured',
    stepId,
    measurementId: 'od',
    positionId,
    point: null,
    direction,
    reading: mm(value),
  });
  const placeDone = (positionId: string): EntryContent => ({ kind: 'place-done', stepId, positionId });
  const shaft2 = [looked('s2', null), measured('s2', 1, 39.95), measured('s2', 2, 39.96)];
  const refusal = (state: ReturnType<typeof run>, content: EntryContent) => refuseEntry(asked, state, 'mara', content);

  test('are asked for at every position, which come in the order the step says', () => {
    expect(stepPlaces(step, asked)).toEqual(['s2', 's1']);
    const open = demandsOf(step, runOf(run(), stepId), asked);
    // A look, two directions and the place itself, twice.
    expect(open.map(({ what }) => what).sort()).toEqual([
      'look',
      'look',
      'measure',
      'measure',
      'measure',
      'measure',
      'place',
      'place',
    ]);
    expect(placeInHand(step, runOf(run(), stepId), asked)).toBe('s2');
  });

  test('a place is done once all it asks for is entered, and then the next is in hand', () => {
    expect(refusal(run(), placeDone('s2'))).toBe('demands-open');
    const state = run(...shaft2);
    expect(refusal(state, placeDone('s2'))).toBeUndefined();
    expect(placeInHand(step, runOf(run(...shaft2, placeDone('s2')), stepId), asked)).toBe('s1');
    expect(refusal(run(...shaft2, placeDone('s2')), done(stepId))).toBe('demands-open');
  });

  test('a reading is judged by the limits; entered again it takes the place of the one before', () => {
    const state = run(measured('s2', 1, 39.8), measured('s2', 1, 39.92));
    expect(runOf(state, stepId).measured).toMatchObject([{ verdict: 'within', reading: mm(39.92) }]);
    expect(runOf(run(measured('s2', 1, 39.8)), stepId).measured).toMatchObject([{ verdict: 'under' }]);
  });

  test('what is found wrong is told with what follows, a worn part once however often it was measured', () => {
    const worn = run(looked('s1', 'step'), measured('s1', 1, 39.8), measured('s1', 2, 39.7), measured('s2', 1, 39.95));
    expect(foundIn(step, runOf(worn, stepId), asked.series)).toMatchObject([
      { where: 'surface', found: { sign: 'a step' }, positionId: 's1', follows: 'renew' },
      { where: 'diameter', found: { limit: 'under' }, positionId: 's1', follows: 'refer' },
    ]);
    expect(foundIn(step, runOf(run(...shaft2), stepId), asked.series)).toEqual([]);
  });

  test('what the step does not ask for is refused, and what cannot be had is passed over for a reason', () => {
    expect(refusal(run(), { ...measured('s2', 1, 1), measurementId: 'other' } as EntryContent)).toBe(
      'nothing-to-measure',
    );
    expect(refusal(run(), measured('s3', 1, 1))).toBe('nothing-to-measure');
    expect(refusal(run(), looked('s2', 'no-such-fault'))).toBe('nothing-to-look-at');
    expect(refusal(run(), placeDone('s3'))).toBe('no-such-place');
    const over = run({ kind: 'overridden', stepId, what: 'measure', reason: 'no gauge at hand' });
    expect(demandsOf(step, runOf(over, stepId), asked).some(({ what }) => what === 'measure')).toBe(false);
    expect(refusal(over, { kind: 'overridden', stepId, what: 'measure', reason: 'again' })).toBe('nothing-to-override');
  });

  test('where the work is done is chosen and may be chosen again', () => {
    expect(run().setting).toBe('workshop');
    expect(run({ kind: 'setting-chosen', setting: 'field' }).setting).toBe('field');
  });
});

describe('a step that can be done in several ways', () => {
  const pry = { id: 'pry', name: 'pry both sides', verb: 'pry' as const, toolIds: [], cautions: [] };
  const van = { ...pry, id: 'van', name: 'in the hand', verb: 'draw' as const, setting: 'field' as const };
  const several = withStep(typed(['take off cover', 'fit cover']), 0, { methods: [pry, van] });
  const stepId = several.procedure.steps[0]?.id ?? '';
  const entries = (...contents: EntryContent[]) =>
    foldJob(
      several,
      'mara',
      contents.map((content, i) => ({ id: `m${i}`, at: '2026-01-05T08:00:00.000Z', by: 'mara', content })),
    );
  const methodOf = (...contents: EntryContent[]) => runOf(entries(...contents, done(stepId)), stepId).doneMethodId;
  const by = (methodId: string | null): EntryContent => ({ kind: 'method-chosen', stepId, methodId });

  test('keeps which it was: the usual one, the one of the setting, or the one that was chosen', () => {
    const field: EntryContent = { kind: 'setting-chosen', setting: 'field' };
    expect(methodOf()).toBeNull();
    expect(methodOf(field)).toBe('van');
    expect(methodOf(by('pry'))).toBe('pry');
    expect(methodOf(field, by('pry'))).toBe('pry');
    // Done once and gone back to, the setting still decides until somebody chooses.
    expect(methodOf(done(stepId), { kind: 'went-back', stepId }, field)).toBe('van');
    // Back to the usual way, though the setting has its own.
    expect(methodOf(field, by(null))).toBeNull();
  });

  test('takes none that it does not know', () => {
    expect(refuseEntry(several, entries(), 'mara', by('other'))).toBe('no-such-method');
    expect(refuseEntry(several, entries(), 'mara', by('van'))).toBeUndefined();
    expect(refuseEntry(several, entries(done(stepId)), 'mara', by('pry'))).toBe('step-not-in-hand');
  });
});

describe('a question asked at each place', () => {
  const lines = typed(['draw seal @each shaft', 'renew seal @each shaft', 'fit seal @each shaft']);
  const [ask = '', renewal = '', fitting = ''] = lines.procedure.steps.map((step) => step.id);
  const decision = {
    question: 'Is the seal worn?',
    eachOf: 'shafts',
    answers: [
      { id: 'worn', text: 'worn' },
      { id: 'good', text: 'good' },
    ],
  };
  const asked = withStep(withStep(lines, 0, { decision }), 1, { when: [{ stepId: ask, answerIds: ['worn'] }] });
  const run = (...contents: EntryContent[]) =>
    foldJob(
      asked,
      'mara',
      contents.map((content) => entry(content)),
    );
  const answered = (positionId: string, answerId: string): EntryContent => ({
    kind: 'answered',
    stepId: ask,
    answerId,
    positionId,
  });
  const stepOf = (id: string) => asked.procedure.steps.find((step) => step.id === id)!;

  test('is asked at every place, and kept there', () => {
    expect(demandsOf(stepOf(ask), runOf(run(), ask), asked)).toEqual([
      { what: 'answer', positionId: 's1' },
      { what: 'answer', positionId: 's2' },
    ]);
    const half = run(answered('s1', 'good'));
    expect(refuseEntry(asked, half, 'mara', done(ask))).toBe('demands-open');
    expect(refuseEntry(asked, half, 'mara', answered('s3', 'good'))).toBe('not-asked-there');
    expect(refuseEntry(asked, half, 'mara', { kind: 'answered', stepId: ask, answerId: 'good' })).toBe(
      'not-asked-there',
    );
    expect(runOf(run(answered('s1', 'good'), answered('s1', 'worn')), ask).answers).toMatchObject([
      { positionId: 's1', answerId: 'worn' },
    ]);
  });

  test('leads on where it was answered so, and only there', () => {
    const one = run(answered('s1', 'good'), answered('s2', 'worn'), done(ask));
    expect(asked.procedure.steps[one.cursor]?.id).toBe(renewal);
    expect(stepInJob(stepOf(renewal), one, undefined, asked)?.positionIds).toEqual(['s2']);
    const none = run(answered('s1', 'good'), answered('s2', 'good'), done(ask));
    expect(asked.procedure.steps[none.cursor]?.id).toBe(fitting);
    expect(stepInJob(stepOf(renewal), none, undefined, asked)).toBeUndefined();
  });
});

test('a reading is judged by the figure of the method that was taken', () => {
  const byHand = { id: 'hand', name: 'with the long bar', verb: 'torque' as const, toolIds: [], cautions: [] };
  const methods = [{ ...byHand, torque: { figure: { value: 60, unit: 'N·m' as const }, tolerancePercent: 4 } }];
  const two = withStep(workbook, 3, { methods });
  const contents: EntryContent[] = [
    { kind: 'method-chosen', stepId: coverNuts, methodId: 'hand' },
    read(coverNuts, null, 60),
  ];
  const state = foldJob(
    two,
    'mara',
    contents.map((content) => entry(content)),
  );
  expect(runOf(state, coverNuts).readings).toMatchObject([{ verdict: 'within' }]);
});

describe('what is proved by hand', () => {
  const lines = withStep(typed(['test the pump', 'clean cover']), 0, {
    proofs: { turning: { turns: 2 }, leak: { minutes: 5, drops: 1 } },
  });
  const [stepId = '', next = ''] = lines.procedure.steps.map(({ id }) => id);
  const folded = (...contents: EntryContent[]) =>
    foldJob(
      lines,
      'mara',
      contents.map((content) => entry(content)),
    );
  const open = (...contents: EntryContent[]) =>
    demandsOf(lines.procedure.steps[0]!, runOf(folded(...contents), stepId), lines);
  const turned = (felt: 'free' | 'rough'): EntryContent => ({
    ...{ kind: 'proved', stepId, proof: { what: 'turning', felt } },
  });
  const watched = (minutes: number, drops: number): EntryContent => ({
    ...{ kind: 'proved', stepId, proof: { what: 'leak', seconds: minutes * 60, drops } },
  });

  test('keeps the step open until each is good; the latest counts, and none is lost', () => {
    expect(open()).toEqual([
      { what: 'proof', proof: 'turning' },
      { what: 'proof', proof: 'leak' },
    ]);
    expect(open(turned('rough'), watched(5, 0))).toEqual([{ what: 'proof', proof: 'turning' }]);
    expect(open(turned('free'), watched(2, 0))).toEqual([{ what: 'proof', proof: 'leak' }]);
    expect(open(turned('rough'), watched(5, 9), turned('free'), watched(5, 5))).toEqual([]);
    expect(open(turned('free'), watched(5, 5), turned('rough'))).toEqual([{ what: 'proof', proof: 'turning' }]);
    const { proved } = runOf(folded(turned('rough'), watched(5, 9), turned('free')), stepId);
    expect(proved.map(({ verdict }) => verdict)).toEqual(['bad', 'bad', 'good']);
  });

  test('may be gone without for a reason, and is refused where it is not asked', () => {
    const skipped: EntryContent = { kind: 'overridden', stepId, what: 'proof', reason: 'no oil here' };
    expect(refuseEntry(lines, folded(), 'mara', done(stepId))).toBe('demands-open');
    expect(refuseEntry(lines, folded(), 'mara', skipped)).toBeUndefined();
    expect(refuseEntry(lines, folded(skipped), 'mara', done(stepId))).toBeUndefined();
    const level: EntryContent = { kind: 'proved', stepId, proof: { what: 'level', stands: 'at' } };
    expect(refuseEntry(lines, folded(), 'mara', level)).toBe('nothing-to-measure');
    expect(refuseEntry(lines, folded(), 'mara', turned('free'))).toBeUndefined();
    const later: EntryContent = { ...turned('free'), stepId: next } as EntryContent;
    expect(refuseEntry(lines, folded(skipped, done(stepId)), 'mara', later)).toBe('nothing-to-measure');
  });
});
