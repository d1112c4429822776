import { packageOf } from '#core/package/package';
import { typed, withStep } from '#core/testing/workbook';
import { openWorkshop, releaseAsItIs, type Workshop } from '../testing/workshop';
import { readJob } from './jobs';

/** As many jobs of as many steps, each from a tablet of its own, some at a time; `npm run soak` carries out 200. */
const JOBS = Number(process.env.FUKUSA_SOAK_JOBS ?? 16);
const STEPS = 30;
const AT_A_TIME = 8;
/** What a bad network does to what a tablet sends, by chance. */
const LOST_ANSWER = 0.12;
const SENT_TWICE = 0.12;
const SHUFFLED = 0.08;
const PART_ONLY = 0.15;

let workshop: Workshop;
let releaseId: string;
let stepIds: readonly string[];
beforeAll(async () => {
  workshop = await openWorkshop();
  const lines = Array.from({ length: STEPS / 2 }, (_, i) => `take off cover ${i + 1}x`);
  const back = lines.map((line) => line.replace('take off', 'fit')).toReversed();
  const workbook = withStep(typed([...lines, ...back]), 3, {
    torque: { figure: { value: 45, unit: 'N·m' }, tolerancePercent: 4 },
  });
  await workshop.call('trainer', 'POST', '/api/packages', {
    package: packageOf(workbook.series, [workbook.procedure]),
    when: 'new',
  });
  const release = await releaseAsItIs(workshop, workbook.procedure.id);
  releaseId = release.json.id;
  stepIds = workbook.procedure.steps.map(({ id }) => id);
}, 60_000);
afterAll(() => workshop.close());

/** Chance that is the same in every run. */
function chances(seed: number): () => number {
  let state = seed * 48_271 + 11;
  return () => {
    state = (state * 16_807) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

interface Made {
  readonly id: string;
  readonly at: string;
  readonly content: { readonly kind: string };
}

/** Everything that is entered at the bench in one undisturbed job. */
function entriesOf(jobId: string, random: () => number): Made[] {
  let n = 0;
  const entry = (content: object): Made => {
    n += 1;
    const at = new Date(Date.UTC(2026, 0, 5, 8, 0, n)).toISOString();
    return { id: `${jobId}-${n}`, at, content: content as Made['content'] };
  };
  const steps = stepIds.flatMap((stepId, i) => [
    ...(i === 3
      ? [entry({ kind: 'torque-read', stepId, positionId: null, reading: { value: 44 + 2 * random(), unit: 'N·m' } })]
      : []),
    ...(random() < 0.1 ? [entry({ kind: 'problem', stepId, note: `scratch ${Math.round(random() * 1e6)}` })] : []),
    ...(random() < 0.05 ? [entry({ kind: 'paused' }), entry({ kind: 'resumed' })] : []),
    entry({ kind: 'step-done', stepId }),
  ]);
  return [...steps, entry({ kind: 'finished' })];
}

/** A tablet that sends a job over a bad network until the server has all of it; gives how often it sent. */
async function carryOut(n: number): Promise<{ jobId: string; made: Made[]; sends: number }> {
  const random = chances(n + 1);
  const jobId = `soak-${n}`;
  const start = { id: jobId, releaseId, workOrder: `S-${n}`, pumpSerial: `P-${n % 40}`, customer: 'Soak' };
  const startedAt = '2026-01-05T08:00:00.000Z';
  await workshop.call('technician', 'POST', '/api/jobs', { ...start, startedAt });
  if (random() < SENT_TWICE) await workshop.call('technician', 'POST', '/api/jobs', { ...start, startedAt });
  const made = entriesOf(jobId, random);
  let waiting: readonly Made[] = made;
  let known = 0;
  let sends = 0;
  let refusals: unknown;
  while (waiting.length > 0) {
    sends += 1;
    if (sends > 400) throw new Error(`${jobId}: ${waiting.length} entries never arrive: ${JSON.stringify(refusals)}`);
    let batch = waiting.slice(0, random() < PART_ONLY ? 2 : 12);
    // Nothing can be entered behind the end, and two pauses that overtake one another are one.
    const keepsOrder = batch.some(({ content }) => ['finished', 'paused'].includes(content.kind));
    if (!keepsOrder && random() < SHUFFLED) batch = batch.toSorted(() => random() - 0.5);
    if (random() < SENT_TWICE) batch = [...batch, ...batch];
    const { status, json } = await workshop.call('technician', 'POST', `/api/jobs/${jobId}/entries`, {
      ...{ entries: batch, known },
    });
    // The server has it, and the tablet does not know: it sends the same again.
    if (random() < LOST_ANSWER) continue;
    if (status !== 200) throw new Error(`${jobId}: ${status}`);
    refusals = json.refused;
    const refused = new Set(json.refused.map(({ id }: { id: string }) => id));
    known += json.entries.length;
    // What was refused because it came before its turn is sent again in its turn.
    const sent = new Set(batch.map(({ id }) => id));
    waiting = waiting.filter(({ id }) => !sent.has(id) || refused.has(id));
  }
  return { jobId, made, sends };
}

test(`${JOBS} jobs of ${STEPS} steps over a bad network: every entry is there once, as it was made and in its order`, async () => {
  const numbers = Array.from({ length: JOBS }, (_, n) => n);
  const done: Awaited<ReturnType<typeof carryOut>>[] = [];
  const work = async () => {
    for (let n = numbers.shift(); n !== undefined; n = numbers.shift()) done.push(await carryOut(n));
  };
  await Promise.all(Array.from({ length: AT_A_TIME }, work));
  expect(done).toHaveLength(JOBS);
  let compared = 0;
  for (const { jobId, made } of done) {
    const job = await readJob(workshop.running.services.db, jobId);
    const kept = job.entries.map(({ id, at, content }) => ({ id, at, content }));
    expect(kept.toSorted((a, b) => a.at.localeCompare(b.at))).toEqual(made);
    // Steps are done in their order, whatever the network did to what was sent.
    const inOrder = kept.flatMap(({ content }) => (content.kind === 'step-done' ? [content.stepId] : []));
    expect(inOrder).toEqual(stepIds);
    expect(job.finishedAt).not.toBeNull();
    compared += kept.length;
  }
  expect(compared).toBeGreaterThan(JOBS * (STEPS + 1));
}, 240_000);
