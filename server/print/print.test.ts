import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { changeStep } from '#core/edits/steps';
import type { Entry } from '#core/job/entry';
import type { Direction } from '#core/model/faces';
import type { OpenJob } from '../store/jobs';
import { testPackage } from '../testing/workshop';
import { instructionPdf } from './instruction';
import { labelPdf } from './label';
import { matPdf } from './mat';
import { recordPdf } from './record';
import { printedPose } from './section';

/** The text of a PDF as a general-purpose reader sees it. */
async function read(pdf: Buffer): Promise<{ pages: number; sheet: string; text: string; images: number }> {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false, verbosity: 0 }).promise;
  let text = '';
  let images = 0;
  const { width, height } = (await document.getPage(1)).getViewport({ scale: 25.4 / 72 });
  for (let n = 1; n <= document.numPages; n += 1) {
    const page = await document.getPage(n);
    text += (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
    // 85 is the operator that paints an image (paintImageXObject).
    images += (await page.getOperatorList()).fnArray.filter((operator) => operator === 85).length;
  }
  return {
    pages: document.numPages,
    sheet: `${Math.round(width)} x ${Math.round(height)} mm`,
    text: text.replace(/\s+/g, ' '),
    images,
  };
}

const { series, procedures } = testPackage();
const base = procedures[0]!;
const torqueStep = base.steps[6]!;
const procedure = changeStep(base, torqueStep.id, {
  torque: { figure: { value: 45, unit: 'N·m' }, tolerancePercent: 4, source: 'Sheet 4' },
  why: 'Pulled down on one side the O-ring pinches',
  cautions: [{ signal: 'WARNING', text: 'Keep fingers clear' }],
});
const workbook = { series, procedure };

test('the instruction holds every step, its tools, figures and cautions', async () => {
  const release = {
    number: 3,
    workbook,
    releasedAt: '2026-01-05T08:00:00.000Z',
    releasedBy: 'Ada Test',
    note: 'Better words',
  };
  const { text } = await read(await instructionPdf(release, async () => undefined));
  expect(text).toContain('release 3');
  expect(text).toContain('Ada Test: Better words');
  expect(text).toContain('site lockout procedure');
  expect(text).toContain('Take off the eight cover nuts with socket, 17 mm.');
  expect(text).toContain('Torque the eight cover nuts to 45 N·m with torque wrench, 10-60 N·m.');
  expect(text).toContain('45 N·m, accept 43.2 to 46.8 N·m; Sheet 4');
  expect(text).toMatch(/WARNING +Keep fingers clear step 7/);
  expect(text).toContain('Photo must show: both rotors on the cloth');
  expect(text).toContain('socket, 17 mm, step 2; torque wrench, 10-60 N·m, step 7');
});

test('the instruction shows pictures, looks, measurements, the section of a stack, and safety before all', async () => {
  const flat = 'b'.repeat(64);
  const [, , , fitting] = base.steps;
  const rotor = fitting?.targets[0]?.componentId ?? '';
  const procedure = changeStep(base, fitting?.id ?? '', {
    pictures: [{ id: 'p', photo: 'a'.repeat(64), flat, caption: 'numbered side out', marks: [] }],
    looks: [
      {
        id: 'l',
        at: 'the lobes',
        sound: 'dull all over',
        faults: [{ id: 'f', sign: 'bright streaks', means: 'They touched.', follows: 'refer' }],
      },
    ],
    measurements: [
      {
        id: 'm',
        what: 'bore',
        least: { value: 32, unit: 'mm' },
        points: ['front', 'back'],
        directions: 2,
        follows: 'renew',
      },
    ],
    cautions: [{ signal: 'DANGER', text: 'It starts by itself' }],
  });
  const step = procedure.steps.find(({ id }) => id === fitting?.id);
  const refitted = {
    ...procedure,
    steps: procedure.steps.map((other) => (other === step ? { ...step, verb: 'fit' as const } : other)),
  };
  const stack = {
    id: 's',
    name: 'the box',
    bore: [],
    pressureAt: 'bottom' as const,
    layers: [{ id: 'r', componentId: rotor, count: 1 }],
  };
  const picture = await sharp({ create: { width: 80, height: 60, channels: 3, background: 'teal' } })
    .jpeg()
    .toBuffer();
  const asked: string[] = [];
  const pdf = await instructionPdf(
    {
      number: 1,
      workbook: { series: { ...series, stacks: [stack] }, procedure: refitted },
      releasedAt: '2026-01-05T08:00:00.000Z',
      releasedBy: 'Ada Test',
      note: null,
    },
    async (hash) => {
      asked.push(hash);
      return picture;
    },
  );
  const { text, images } = await read(pdf);
  // What is drawn on is printed, never the bare photo behind it.
  expect(asked).toEqual([flat]);
  expect(images).toBe(1);
  expect(text).toContain('numbered side out');
  expect(text).toContain('Inspect: the lobes. OK if: dull all over');
  expect(text).toContain('bright streaks: They touched. Show it to the trainer or the lead.');
  expect(text).toContain('Measure: bore, at least 32 mm, at front and back, twice, crosswise');
  expect(text.indexOf('It starts by itself')).toBeLessThan(text.indexOf('Make safe'));
  // The label of the section.
  expect(text).toMatch(/pressure/);
});

test('a facing is printed for the bench as well, and what is the wrong way round is drawn as such', async () => {
  const [, nutsOff, , , fitting] = base.steps;
  const rotor = fitting?.targets[0]?.componentId ?? '';
  const housing = nutsOff?.targets[0]?.componentId ?? '';
  const stack = {
    id: 's',
    name: 'the box',
    bore: [],
    pressureAt: 'bottom' as const,
    driveAt: 'mouth' as const,
    layers: [{ id: 'r', componentId: rotor, count: 1 }],
  };
  const printed = async (toward: Direction) => {
    const laid = changeStep(base, nutsOff?.id ?? '', { pose: { componentId: housing, lies: 'face-up' } });
    const components = series.components.map((part) =>
      part.id === rotor
        ? { ...part, hostId: housing, faces: { end: 'lip', toward: { is: 'pressure' as const } } }
        : part,
    );
    const release = {
      number: 1,
      workbook: {
        series: { ...series, components, stacks: [stack] },
        procedure: changeStep(laid, fitting?.id ?? '', { faces: { end: 'lip', toward } }),
      },
      releasedAt: '2026-01-05T08:00:00.000Z',
      releasedBy: 'Ada Test',
      note: null,
    };
    return (await read(await instructionPdf(release, async () => undefined))).text;
  };
  const right = await printed({ is: 'pressure' });
  expect(right).toContain('Faces: down on the bench as it lies');
  expect(right).not.toContain('wrong way');
  const wrong = await printed({ is: 'drive' });
  expect(wrong).toContain('Faces: up on the bench as it lies');
  expect(wrong).toContain('rotor: wrong way');
  expect(await printed({ is: 'down' })).toContain('Faces: in the pump toward the pressure');
});

test('the record holds readings, photos, overrides, problems and the course of the job', async () => {
  const hash = 'a'.repeat(64);
  const [first, second, photoStep] = base.steps.map((step) => step.id);
  let minute = 0;
  const entry = (content: object, by = 'mara'): Entry =>
    ({ id: `e${minute}`, at: new Date(Date.UTC(2026, 0, 5, 8, minute++)).toISOString(), by, content }) as Entry;
  const rest = base.steps
    .slice(3)
    .flatMap((step) => [
      ...(step.id === torqueStep.id
        ? [
            entry(
              { kind: 'torque-read', stepId: step.id, positionId: null, reading: { value: 30, unit: 'N·m' } },
              'tobias',
            ),
            entry({ kind: 'overridden', stepId: step.id, what: 'torque', reason: 'Stud is due for renewal' }, 'tobias'),
          ]
        : []),
      entry({ kind: 'step-done', stepId: step.id }, 'tobias'),
    ]);
  const entries = [
    entry({ kind: 'step-done', stepId: first }),
    entry({ kind: 'problem', stepId: second, note: 'Nut rounded' }),
    entry({ kind: 'step-done', stepId: second }),
    entry({ kind: 'photo-taken', stepId: photoStep, photo: hash }),
    entry({ kind: 'step-done', stepId: photoStep }),
    entry({ kind: 'paused' }),
    entry({ kind: 'taken-over' }, 'tobias'),
    ...rest,
    entry({ kind: 'signed', as: 'customer', name: 'Ada Test', strokes: [[10, 20, 300, 200, 700, 40]] }, 'tobias'),
    entry({ kind: 'finished' }, 'tobias'),
  ];
  const picture = await sharp({ create: { width: 80, height: 60, channels: 3, background: 'teal' } })
    .jpeg()
    .toBuffer();
  const job: OpenJob = {
    id: 'job',
    number: 2417,
    releaseId: 'r',
    workOrder: 'WO-77',
    pumpSerial: 'S-9',
    customer: 'Test Creamery',
    startedAt: '2026-01-05T08:00:00.000Z',
    startedBy: 'mara',
    finishedAt: '2026-01-05T10:00:00.000Z',
    seal: 'f'.repeat(64),
    release: { id: 'r', number: 3, workbook },
    entries,
    replies: [],
    people: { mara: 'Mara Test', tobias: 'Tobias Test' },
  };
  const readPhoto = async (asked: string) => (asked === hash ? picture : undefined);
  const pdf = await recordPdf(job, null, readPhoto, { reader: 'workshop', zone: 'Asia/Tokyo', units: 'as-given' });
  const { text, images } = await read(pdf);
  expect(text).toContain('Record of job 2417');
  expect(text).toContain('WO-77');
  expect(text).toContain('Test Creamery');
  // By the clock of the reader, which is named once.
  expect(text).toContain('Times by Asia/Tokyo');
  expect(text).toContain('5 Jan 2026, 17:00');
  expect(text).toContain('30 N·m too low 43.2 to 46.8 N·m');
  expect(text).toContain('7 Torque skipped: Stud is due for renewal (Tobias Test');
  expect(text).toContain('2 Something was wrong: Nut rounded (Mara Test');
  expect(text).toContain('Tobias Test took the job over');
  expect(text).toContain('f'.repeat(64));
  expect(images).toBe(1);
  // Every figure in the units of the reader.
  const american = await read(await recordPdf(job, null, readPhoto, { reader: 'workshop', zone: 'UTC', units: 'us' }));
  expect(american.text).toContain('22.13 lbf·ft too low 31.86 to 34.52 lbf·ft');
  // Photos in a grid, each with its step; when a step was done is said by the time alone on the day of the start.
  expect(text).toMatch(/Photos Step 3/);
  expect(text).toMatch(/17:\d\d, Tobias Test, \d+ min/);
  // One page first, in the units of the reader; for the customer that page alone, without who skipped what.
  expect(text).toMatch(/Done 8 of 8 steps/);
  const customers = await read(await recordPdf(job, null, readPhoto, { reader: 'customer', zone: 'UTC', units: 'us' }));
  expect(customers.pages).toBe(1);
  expect(customers.text).toContain('33.2 lbf·ft');
  expect(customers.text).toContain('Customer: Ada Test');
  for (const inside of ['Stud is due', 'Nut rounded', 'took the job over', 'Skipped and reported'])
    expect(customers.text).not.toContain(inside);
});

test('the label of a pump is one page of the size of a label printer, with its serial number', async () => {
  const label = await read(await labelPdf('50-0412', 'Pellwick RL-50', 'http://bench.local/pumps/50-0412'));
  expect(label).toMatchObject({ pages: 1, sheet: '62 x 29 mm' });
  expect(label.text).toContain('50-0412');
  expect(label.text).toContain('Pellwick RL-50');
});

describe('the bench mat', () => {
  const address = 'https://workshop.example/procedures/p';
  test.each([
    ['A2', 1, '594 x 420 mm'],
    ['A3', 1, '420 x 297 mm'],
    ['A4-tiles', 4, '297 x 210 mm'],
  ] as const)('%s comes out at full size on %i sheets of %s', async (paper, pages, sheet) => {
    const mat = await read(await matPdf(workbook, paper, address));
    expect(mat).toMatchObject({ pages, sheet });
    expect(mat.text).toContain('8 cover nuts');
    expect(mat.text).toContain('step 2');
    expect(mat.text).toContain('100 mm');
  });

  test('names with signs of their own do not break the drawing', async () => {
    const named = {
      ...workbook,
      series: { ...series, components: series.components.map((part) => ({ ...part, name: `<${part.name}> & "co"` })) },
    };
    expect((await read(await matPdf(named, 'A3', address))).text).toContain('& "co"');
  });
});

test('branches, methods, aids and what let a warning stand are printed with the step', async () => {
  const [ask, answered] = base.steps;
  const [tool] = series.tools;
  const branching = {
    ...base,
    steps: base.steps.map((step) => {
      if (step === ask)
        return {
          ...step,
          decision: {
            question: 'Is it stuck?',
            answers: [
              { id: 'y', text: 'yes' },
              { id: 'n', text: 'no' },
            ],
          },
        };
      if (step !== answered || !tool) return step;
      return {
        ...step,
        when: [{ stepId: ask!.id, answerIds: ['y'] }],
        methods: [
          {
            id: 'm',
            name: 'mallet',
            verb: 'separate' as const,
            toolIds: [],
            cautions: [{ signal: 'CAUTION' as const, text: 'Both sides at once' }],
          },
        ],
        aidsIn: [tool.id],
      };
    }),
  };
  const { text } = await read(
    await instructionPdf(
      {
        number: 1,
        workbook: { series, procedure: branching },
        releasedAt: '2026-01-05T08:00:00.000Z',
        releasedBy: 'Ada Test',
        note: null,
      },
      async () => undefined,
    ),
  );
  expect(text).toContain('Is it stuck?: yes / no');
  expect(text).toContain('Only when step 1 is answered "yes"');
  expect(text).toContain('Alternative method: mallet: Separate CAUTION Both sides at once');
  expect(text).toContain('Put in: socket, 17 mm');
});

test('the record tells what was looked at and measured, place by place, and what is to follow first', async () => {
  const [, , drawn] = base.steps;
  const stepId = drawn?.id ?? '';
  const asked = changeStep(base, stepId, {
    oneByOne: true,
    methods: [{ id: 'pull', name: 'with the two-arm puller', verb: 'draw', toolIds: [], cautions: [] }],
    looks: [
      { id: 'l', at: 'the lobes', sound: 'dull', faults: [{ id: 'f', sign: 'bright streaks', follows: 'refer' }] },
    ],
    measurements: [
      { id: 'm', what: 'bore', most: { value: 32.1, unit: 'mm' }, points: ['front'], directions: 1, follows: 'renew' },
    ],
  });
  const entry = (i: number, content: object): Entry =>
    ({ id: `e${i}`, at: new Date(Date.UTC(2026, 0, 5, 8, i)).toISOString(), by: 'mara', content }) as Entry;
  const reading = (positionId: string, value: number) => ({
    kind: 'measured',
    stepId,
    measurementId: 'm',
    positionId,
    point: 'front',
    direction: 1,
    reading: { value, unit: 'mm' },
  });
  const entries = [
    { kind: 'method-chosen', stepId, methodId: 'pull' },
    { kind: 'looked', stepId, lookId: 'l', positionId: 's1', faultId: null },
    { kind: 'looked', stepId, lookId: 'l', positionId: 's2', faultId: 'f' },
    reading('s1', 32.05),
    reading('s2', 32.14),
    { kind: 'place-done', stepId, positionId: 's1' },
    { kind: 'overridden', stepId, what: 'look', reason: 'No lamp at hand' },
    { kind: 'step-done', stepId },
  ].map((content, i) => entry(i, content));
  const pdf = await recordPdf(
    {
      id: 'job',
      number: 7,
      releaseId: 'r',
      workOrder: 'WO-1',
      pumpSerial: 'S-1',
      customer: 'Test Creamery',
      startedAt: '2026-01-05T08:00:00.000Z',
      startedBy: 'mara',
      finishedAt: null,
      seal: null,
      release: { id: 'r', number: 1, workbook: { series, procedure: asked } },
      entries,
      replies: [],
      people: { mara: 'Mara Test' },
    },
    null,
    async () => undefined,
    { reader: 'workshop', zone: 'UTC', units: 'as-given' },
  );
  const { text } = await read(pdf);
  expect(text).toContain('Method used: with the two-arm puller');
  expect(text).toContain('shaft 1, the lobes: OK');
  expect(text).toContain('shaft 2, the lobes: bright streaks. Show it to the trainer or the lead.');
  expect(text).toContain('shaft 1, bore: front 32.05 mm within');
  expect(text).toContain('shaft 2, bore: front 32.14 mm over the limit');
  expect(text).toContain('3 Renew it.: shaft 2, bore, over its limit (Mara Test');
  expect(text).toContain('Inspection skipped: No lamp at hand');
  expect(text).toMatch(/shaft 1 done 5 Jan 2026/);
});

test('how a housing lies is drawn, unless it stands as it is fitted', () => {
  expect(printedPose('face-down')).toMatchObject([
    { svg: expect.stringMatching(/^<svg .*<path .*<path .*<path .*<path /) },
  ]);
  expect(printedPose('as-fitted')).toEqual([]);
});
