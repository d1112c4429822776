import fc from 'fast-check';
import { check } from '../findings/check';
import { type Finding, findingKey, type RuleId } from '../findings/finding';
import type { Decision, Step, Workbook } from '../model/procedure';
import { componentId, typed, withComponent, withStep } from '../testing/workbook';
import { replay } from './replay';
import { leftOut, lyingFree, routeTo, stateAfter } from './state';
import type { Route } from './ways';

const yesNo: Decision = {
  question: 'Did it come out?',
  answers: [
    { id: 'yes', text: 'yes' },
    { id: 'no', text: 'no' },
  ],
};

/** Steps from lines, with decisions asked and answers wanted at the places named. */
function branching(lines: string[], asks: number[], wants: Record<number, [number, string]>): Workbook {
  const base = typed(lines);
  const id = (n: number) => base.procedure.steps[n]!.id;
  const asked = asks.reduce((w, n) => withStep(w, n, { decision: yesNo }), base);
  return Object.entries(wants).reduce(
    (w, [n, [asker, answer]]) => withStep(w, Number(n), { when: [{ stepId: id(asker), answerIds: [answer] }] }),
    asked,
  );
}
const ids = (workbook: Workbook): RuleId[] => check(workbook).map(({ id }) => id);

test('a way that takes a part off and one that does not end alike once it is back', () => {
  const workbook = branching(['take off ball', 'draw seat', 'fit seat', 'fit ball'], [0], {
    1: [0, 'no'],
    2: [0, 'no'],
  });
  const timeline = replay(workbook);
  expect(timeline.frames.map((frame) => frame.runs.length)).toEqual([1, 1, 1, 1]);
  expect(timeline.frames.map((frame) => frame.onMain)).toEqual([true, false, false, true]);
  expect(leftOut(timeline)).toEqual([]);
});

test('what is out on one answer only is out on that answer', () => {
  const workbook = branching(['take off ball', 'draw seat', 'fit ball'], [0], { 1: [0, 'no'] });
  const timeline = replay(workbook);
  expect(leftOut(timeline).map(({ ways }) => [...(timeline.questions.sample(ways)?.values() ?? [])])).toEqual([['no']]);
});

test('only the way with the chosen answers is followed when a route is given', () => {
  const workbook = branching(['take off ball', 'draw seat', 'fit ball'], [0], { 1: [0, 'no'] });
  const timeline = replay(workbook, undefined, routeTo(replay(workbook), 1));
  const end = stateAfter(timeline, 3);
  expect(lyingFree(timeline, end).map((unit) => unit.componentId)).toEqual([componentId(workbook, 'seat')]);
});

describe('a fact that is so on one answer only is not lost', () => {
  /** The fact, said on one answer at the second of the lines, and the rule that has to notice it. */
  const cases: [string, string[], RuleId, (workbook: Workbook) => Workbook][] = [
    [
      'a spring compressed',
      ['mark cap', 'compress spring', 'take off spring', 'fit spring', 'fit cap'],
      'spring-release',
      (w) => withComponent(w, 'spring', { springLoaded: true }),
    ],
    ['a seal cut', ['mark cap', 'cut seal', 'fit seal'], 'reused', (w) => w],
    [
      'a thread cleaned',
      ['mark cap', 'clean 4 bolts', 'torque bolts =20 N·m +thread-locker'],
      'old-compound',
      (w) => w,
    ],
    [
      'paste put on',
      ['mark cap', 'apply 4 bolts +anti-seize paste', 'torque bolts =20 N·m'],
      'thread-condition',
      (w) => w,
    ],
    [
      'packing soaked',
      ['take off packing', 'soak packing ~15', 'fit packing'],
      'soak-short',
      (w) => withComponent(w, 'packing', { soakMinutes: 10 }),
    ],
    [
      'grease put on',
      ['take off ring', 'grease ring +silicone grease', 'fit ring'],
      'dry-seal',
      (w) =>
        withComponent(w, 'ring', (id) => ({
          kind: 'o-ring',
          wants: [{ consumableId: w.series.consumables[0]!.id }],
          hostId: id('ring'),
        })),
    ],
    [
      'matched parts marked',
      ['mark cap', 'mark rotor @each shaft', 'draw rotor @each shaft', 'fit rotor'],
      'unmarked',
      (w) => withComponent(w, 'rotor', { matched: true }),
    ],
  ];
  test.each(cases)('%s', (_what, lines, rule, more) => {
    const plain = more(typed(lines));
    const id = plain.procedure.steps[0]!.id;
    const asked = withStep(plain, 0, { decision: yesNo });
    for (const answer of ['yes', 'no'])
      expect(ids(withStep(asked, 1, { when: [{ stepId: id, answerIds: [answer] }] }))).toContain(rule);
  });
});

test('k decisions that come together do not cost 2^k, nor do as many whose answers stay apart', () => {
  const lines: string[] = [];
  const asks: number[] = [];
  const wants: Record<number, [number, string]> = {};
  const letters = 'abcdefghij'.split('');
  for (const letter of letters) {
    const at = lines.length;
    lines.push(
      `take off ball ${letter}`,
      `clean seat ${letter}`,
      `draw seat ${letter}`,
      `fit seat ${letter}`,
      `fit ball ${letter}`,
    );
    asks.push(at);
    for (const n of [1, 2, 3]) wants[at + n] = [at, 'no'];
  }
  const timeline = replay(branching(lines, asks, wants));
  expect(Math.max(...timeline.frames.map((frame) => frame.runs.length))).toBe(1);
  expect(timeline.end.tooManyWays).toBe(false);
});

test('answers at each place cost what the places cost: six with three answers each are not 729 ways', () => {
  const places = Array.from({ length: 6 }, (_, i) => ({ id: `v${i + 1}`, name: `valve ${i + 1}` }));
  const empty = typed([]);
  const sets = [{ id: 'valves', name: 'valve', positions: places }];
  const base = typed(
    [
      'take off cage @each valve',
      'draw seat @each valve',
      'renew seat @each valve',
      'fit seat @each valve',
      'fit cage @each valve',
    ],
    { ...empty, series: { ...empty.series, positionSets: sets } },
  );
  const [ask, draw, renew] = base.procedure.steps as [Step, Step, Step];
  const answers = ['stayed', 'came', 'worn'].map((id) => ({ id, text: id }));
  const on = (...answerIds: string[]) => ({ when: [{ stepId: ask.id, answerIds }] });
  const step = (w: Workbook, { id }: Step, fields: Partial<Step>) =>
    withStep(
      w,
      w.procedure.steps.findIndex((other) => other.id === id),
      fields,
    );
  const asked = step(base, ask, { decision: { question: 'What came?', answers, eachOf: 'valves' } });
  const workbook = step(step(asked, draw, on('stayed', 'worn')), renew, on('worn'));
  const timeline = replay(workbook);
  expect(timeline.end.tooManyWays).toBe(false);
  expect(timeline.frames[1]?.runs).toHaveLength(6);
  expect(leftOut(timeline)).toEqual([]);
  // Where the seat stayed at valve 3 only, it is drawn there only.
  const one = replay(
    workbook,
    undefined,
    new Map(places.map(({ id }) => [`${ask.id}@${id}`, id === 'v3' ? 'stayed' : 'came'])),
  );
  const seat = componentId(workbook, 'seat');
  expect(one.frames[1]?.moves.map(({ unitId }) => unitId)).toEqual([`${seat}/v3/1/old`]);
});

test('steps of a block are carried out together, one place after the other', () => {
  const base = typed(['draw rotor @each shaft', 'draw seal @each shaft']);
  const steps = base.procedure.steps.map((step) => ({ ...step, blockId: 'b' }));
  const workbook = {
    ...base,
    procedure: { ...base.procedure, steps, blocks: [{ id: 'b', positionIds: ['s2', 's1'] }] },
  };
  const timeline = replay(workbook);
  expect(timeline.cells.map((cell) => timeline.units.get(cell.unitIds[0] ?? '')?.positionId)).toEqual(['s2', 's2']);
  expect(timeline.frames.map(({ moves }) => moves.map(({ unitId }) => unitId.split('/')[1]))).toEqual([
    ['s2', 's1'],
    ['s2', 's1'],
  ]);
});

test('a question in a block is one question for each place', () => {
  const base = typed(['draw rotor @each shaft', 'draw seal @each shaft', 'fit seal @each shaft']);
  const [first, second, third] = base.procedure.steps;
  const asking = { ...(first as Step), blockId: 'b', decision: yesNo };
  const when = [{ stepId: asking.id, answerIds: ['no'] }];
  const workbook = {
    ...base,
    procedure: {
      ...base.procedure,
      steps: [asking, { ...(second as Step), blockId: 'b', when }, { ...(third as Step), when }],
      blocks: [{ id: 'b', positionIds: ['s2', 's1'] }],
    },
  };
  const timeline = replay(
    workbook,
    undefined,
    new Map([
      [`${asking.id}@s1`, 'no'],
      [`${asking.id}@s2`, 'yes'],
    ]),
  );
  expect(timeline.frames.map(({ moves }) => moves.map(({ unitId }) => unitId.split('/')[1]))).toEqual([
    ['s2', 's1'],
    ['s1'],
    ['s1'],
  ]);
});

test('an edit behind a decision is replayed on every way as a fresh replay would', () => {
  const lines = [
    'take off ball',
    'draw seat',
    ...Array.from({ length: 80 }, () => 'inspect ball'),
    'fit seat',
    'fit ball',
  ];
  const workbook = branching(lines, [0], { 1: [0, 'no'], 82: [0, 'no'] });
  const before = replay(workbook);
  const edited = withStep(workbook, 83, { verb: 'inspect' as Step['verb'] });
  const again = replay(edited, before);
  const fresh = replay(edited);
  const told = (timeline: typeof fresh) =>
    timeline.frames.map(({ runs }) => runs.map(({ moves, notices }) => [moves, notices]));
  expect(told(again)).toEqual(told(fresh));
  expect([...stateAfter(again, 84).places]).toEqual([...stateAfter(fresh, 84).places]);
  expect(again.frames.slice(0, 64).every((frame, i) => frame === before.frames[i])).toBe(true);
});

describe('the replay of all ways finds what every single way would', () => {
  const parts = ['spring', 'seal', '4 bolts', 'packing', 'rotor @each shaft', 'cap'];
  const verbs = [
    'take off',
    'fit',
    'compress',
    'cut',
    'clean',
    'soak',
    'grease',
    'renew',
    'torque',
    'loosen',
    'mark',
    'inspect',
  ];
  const line = fc.record({
    verb: fc.constantFrom(...verbs),
    part: fc.constantFrom(...parts),
    put: fc.constantFrom('', ' +thread-locker', ' +silicone grease'),
    minutes: fc.constantFrom('', ' ~1', ' ~12'),
    /** Which of the questions asked before it hangs on, and on which answer; none when it asks one itself. */
    hangs: fc.option(fc.tuple(fc.nat(2), fc.constantFrom('yes', 'no'))),
    method: fc.option(fc.constantFrom<Step['verb']>('draw', 'clean', 'inspect')),
  });
  const questions = 3;

  const built = (
    drawn: {
      verb: string;
      part: string;
      put: string;
      minutes: string;
      hangs: [number, string] | null;
      method: Step['verb'] | null;
    }[],
  ): Workbook => {
    const lines = [
      ...Array.from({ length: questions }, () => 'mark cap'),
      ...drawn.map(({ verb, part, put, minutes }) => `${verb} ${part}${put}${minutes}`),
    ];
    // Typed stages would sort the lines; here they stand as drawn.
    const sorted = lines.map((text) =>
      typed([text], { ...typed(parts.map((part) => `mark ${part}`)), procedure: { ...typed([]).procedure } }),
    );
    const plain = typed(parts.map((part) => `mark ${part}`)).series;
    const said = sorted.flatMap(({ series }) => series.consumables);
    const named = new Map(said.map((consumable) => [consumable.name, consumable]));
    const series = { ...plain, consumables: [...named.values()] };
    const ids = new Map(series.consumables.map(({ name, id }) => [name, id]));
    const steps = sorted.map(({ procedure, series: own }, i): Step => {
      const [step] = procedure.steps as [Step];
      const source = drawn[i - questions];
      const applications = step.applications.map(({ consumableId }) => ({
        consumableId: ids.get(own.consumables.find(({ id }) => id === consumableId)?.name ?? '') ?? consumableId,
      }));
      return {
        ...step,
        id: `s${i}`,
        applications,
        ...(i < questions && { decision: yesNo }),
        ...(source?.hangs && { when: [{ stepId: `s${source.hangs[0]}`, answerIds: [source.hangs[1]] }] }),
        ...(source?.method && {
          methods: [{ id: 'm', name: 'other', verb: source.method, toolIds: [], cautions: [] }],
        }),
      };
    });
    const workbook = { series, procedure: { ...typed([]).procedure, steps } };
    return [
      ['spring', { springLoaded: true as const }],
      ['packing', { soakMinutes: 10 }],
      ['rotor', { matched: true }],
      ['seal', { renewal: 'always' as const }],
    ].reduce((w, [name, fields]) => withComponent(w, name as string, fields as object), {
      ...workbook,
      series: {
        ...series,
        consumables: series.consumables.map((c) => (c.name === 'thread-locker' ? { ...c, openMinutes: 10 } : c)),
      },
    } as Workbook);
  };
  const everyRoute = (): Route[] =>
    Array.from(
      { length: 2 ** questions },
      (_, n) => new Map(Array.from({ length: questions }, (_q, q) => [`s${q}`, (n >> q) & 1 ? 'no' : 'yes'])),
    );
  /** What only the comparison of several ways can tell, or what a single way sees as never reached. */
  const OF_WAYS: readonly RuleId[] = [
    'dead-path',
    'paths-disagree',
    'methods-disagree',
    'too-many-ways',
    'soak-short',
    'sets-first',
  ];

  /** Told once, at the first step that it can be said of; on a single way that may be a later one. */
  const TOLD_ONCE: readonly RuleId[] = [
    'left-on-cloth',
    'left-in-tray',
    'aid-left-in',
    'loose-at-end',
    'not-refilled',
    'not-restored',
    'no-as-found',
  ];
  const keyOf = (finding: Finding) =>
    findingKey(TOLD_ONCE.includes(finding.id) ? { ...finding, stepId: undefined } : finding);

  /** The same of the same step, about these parts and perhaps more of them. */
  const saysAsMuch = (one: Finding, other: Finding) =>
    one.id === other.id &&
    one.stepId === other.stepId &&
    other.componentIds.every((id) => one.componentIds.includes(id));

  test('with questions, methods, springs, cuts, compounds, soaks and cleaning', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 3, maxLength: 14 }), (drawn) => {
        const workbook = built(drawn);
        const all = check(workbook);
        const known = new Set(all.map(keyOf));
        for (const route of everyRoute()) {
          for (const finding of check(workbook, replay(workbook, undefined, route))) {
            if (OF_WAYS.includes(finding.id)) {
              // Told once for each number of minutes, so it is known by rule and step.
              if (finding.id.startsWith('s'))
                expect(all.map(({ id, stepId }) => `${id} ${stepId}`)).toContain(`${finding.id} ${finding.stepId}`);
              continue;
            }
            if (!all.some((one) => saysAsMuch(one, finding))) expect([...known]).toContain(keyOf(finding));
          }
        }
      }),
      { numRuns: 150 },
    );
  });
});
