import { existsSync } from 'node:fs';
import { copyFile, mkdtemp, readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readingPlaces } from '#core/job/demands';
import type { EntryContent, NewEntry } from '#core/job/entry';
import { jointOfStep, spotsOf, type TighteningSpot, torqueAt } from '#core/job/tightening';
import { stepPlaces } from '#core/job/to-do';
import { placesOf } from '#core/judging/measure';
import { confirmationOf } from '#core/model/confirmation';
import type { HouseRules } from '#core/model/house-rules';
import type { PictureMark } from '#core/model/pictures/picture';
import type { Procedure, Step, TestRun, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { verbOf } from '#core/model/verbs';
import { proposalsFrom } from '#core/narration/propose';
import { readSource } from '#core/narration/source';
import { readPackage } from '#core/package/package';
import { expectedOf, plain } from '#core/proving/run';
import type { DemoPeople, Services } from '../server/services/services';
import { readWorkbook, takeInPackage } from '../server/store/documents';
import { addEntries } from '../server/store/entries';
import { saveHouse } from '../server/store/house';
import { startJob } from '../server/store/jobs';
import { notePhotos } from '../server/store/media';
import { problemsOf, replyTo } from '../server/store/problems';
import { releaseProcedure } from '../server/store/releases';
import corrick from './corrick-dd-40.fukusa.json' with { type: 'json' };
import fennimoor from './fennimoor-es-40.fukusa.json' with { type: 'json' };
import pellwick from './pellwick-rl-50.fukusa.json' with { type: 'json' };
import { type DemoName, PEOPLE } from './people';
import { drawMarks, drawPhoto } from './pictures';
import tarnbeck from './tarnbeck-pc-30.fukusa.json' with { type: 'json' };

/** The invented dealer: people, four series with their instructions, and the jobs run on one of them. */
export function openDemo(): DemoPeople & { seed: (services: Services) => Promise<void> } {
  return { people: PEOPLE, seed: (services) => new Seeder(services).run() };
}

/** How the invented dealer wants things said. */
const HOUSE: HouseRules = {
  terms: [
    { say: 'O-ring', insteadOf: ['oring', 'rubber ring'] },
    { say: 'casing', insteadOf: ['volute', 'pump body'] },
  ],
};
/** Drawing takes a while, and the demo should be there soon. */
const ILLUSTRATED = 2;
/** Beside this file, or beside the built server. */
const NARRATION_FOLDERS = ['narration', '../../demo/narration'].map((path) => join(import.meta.dirname, path));
const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** Jobs of the last half year: who, with which wrench, on which pump. */
const EARLIER: readonly { by: DemoName; wrench: string; serial: string; customer: string; hours: number }[] = [
  { by: 'mara', wrench: 'TW-05', serial: '50-0290', customer: 'Wetherfold Creamery', hours: 2100 },
  { by: 'tobias', wrench: 'TW-02', serial: '50-0412', customer: 'Orchard Lane Cider Press', hours: 4150 },
  { by: 'mara', wrench: 'TW-05', serial: '50-0381', customer: 'Wetherfold Creamery', hours: 1900 },
  { by: 'tobias', wrench: 'TW-05', serial: '50-0333', customer: 'Fernside Glasshouses', hours: 5200 },
  { by: 'mara', wrench: 'TW-02', serial: '50-0290', customer: 'Wetherfold Creamery', hours: 3950 },
];
/** By how much the drifting wrench of the demo reads more from one of those jobs to the next. */
const DRIFT = 0.006;
const DRIFTS = 'TW-05';
/** As the tool lists have it. */
const CALIBRATED: Readonly<Record<string, string>> = { 'TW-05': '2027-06-30', 'TW-02': '2027-05-31' };

/** By how much a pull by hand is off its target, as a factor; invented. */
function pulledOff(spot: TighteningSpot | undefined): number {
  return spot ? 1 + 0.02 * Math.sin(2.4 * spot.slot + spot.pass) : 1;
}

/** The same reading as a connected wrench sends it; invented. */
function sentBy(
  number: string,
  content: EntryContent & { kind: 'torque-read' },
  reading: string,
  month: number,
): EntryContent {
  // Pulls of different days differ, and stay within the window of 4 %.
  const slot = content.spot?.slot ?? 0;
  const off = (number === DRIFTS ? DRIFT * month : 0) + 0.006 * Math.sin(5.1 * month + 1.7 * slot);
  const value = Number(((content.reading.value * (1 + off)) / pulledOff(content.spot)).toFixed(1));
  return {
    ...content,
    reading: { ...content.reading, value },
    wrench: { number, calibratedUntil: CALIBRATED[number], reading },
  };
}

class Seeder {
  private readonly ids = new Map<DemoName, string>();
  /** Each drawn once, by the step it is of. */
  private readonly photos = new Map<string, string>();
  private entryCount = 0;

  constructor(private readonly services: Services) {}

  async run(): Promise<void> {
    const { accounts } = this.services;
    const ids = await accounts.addKnown(PEOPLE);
    for (const [at, { username }] of PEOPLE.entries()) this.ids.set(username, ids[at] ?? '');
    await saveHouse(this.services.db, HOUSE, this.idOf('ines'));
    await this.shelve(corrick, 'First release; both ends walked through by Jun', 0, (series) => this.narrated(series));
    await this.shelve(fennimoor, 'First release; packed twice with Tobias', ILLUSTRATED);
    await this.shelve(tarnbeck, 'First release; the lifts tried by Jun and Mara');
    const { releaseId, workbook } = await this.shelve(pellwick, 'First release, walked through with Mara at the bench');
    await this.earlierJobs(releaseId, workbook);
    await this.finishedJob(releaseId, workbook);
    await this.halfDoneJob(releaseId, workbook);
  }

  /** Takes a package in and releases its first procedure; the others stay drafts. */
  private async shelve(
    json: unknown,
    note: string,
    pictures = 0,
    more?: (series: Series) => Promise<Procedure>,
  ): Promise<{ releaseId: string; workbook: Workbook }> {
    const { db, newId, work } = this.services;
    const reading = readPackage(json);
    if (!reading.ok) throw new Error(`demo package: ${JSON.stringify(reading.faults)}`);
    const { series, procedures } = reading.package;
    const [written, ...others] = procedures;
    if (!written) throw new Error('demo package: no procedure');
    const first = await this.illustrated({ series, procedure: written }, pictures);
    const added = more ? [await more(series)] : [];
    await takeInPackage(db, series, [first, ...others, ...added], false, this.idOf('ines'));
    const { series: kept, procedure } = await readWorkbook(db, first.id);
    const by = this.idOf('ines');
    const { id } = await releaseProcedure(db, (document) => work.do('stops', document), first.id, by, {
      id: newId(),
      version: procedure.version,
      seriesVersion: kept.version,
      note,
    });
    return { releaseId: id, workbook: { series, procedure: first } };
  }

  /** A draft that is to be written from what was said in a short video. */
  private async narrated(series: Series): Promise<Procedure> {
    const folder = NARRATION_FOLDERS.find((path) => existsSync(path));
    if (!folder) throw new Error('demo: the narration is missing');
    const upload = join(await mkdtemp(join(tmpdir(), 'fukusa-demo-')), 'pilot-service.webm');
    await copyFile(join(folder, 'pilot-service.webm'), upload);
    const { hash } = await this.services.videos.takeIn(upload);
    const name = 'pilot-service.vtt';
    const passages = await readSource(name, await readFile(join(folder, name), 'utf8'));
    return {
      id: 'corrick-pilot-service',
      seriesId: series.id,
      title: 'Muffler and pilot service',
      steps: [],
      narrations: [{ id: 'pilot-service', name, video: hash, passages, ...proposalsFrom(passages, series) }],
    };
  }

  /** A drawn picture with marks on it for the first fittings whose photo check has to be met. */
  private async illustrated(workbook: Workbook, pictures: number): Promise<Procedure> {
    const { procedure } = workbook;
    const steps: Step[] = [];
    let left = pictures;
    for (const step of procedure.steps) {
      const shows = left > 0 && verbOf(step.verb).effect === 'refits' ? step.photo : undefined;
      if (!shows) {
        steps.push(step);
        continue;
      }
      left -= 1;
      const drawn = await drawPhoto(workbook, step);
      const photo = await this.keepPhoto(drawn, 'ines');
      const marks: PictureMark[] = [
        { id: 'ring', kind: 'ring', colour: 'persimmon', x: 0.3, y: 0.2, width: 0.4, height: 0.6 },
        { id: 'arrow', kind: 'arrow', colour: 'persimmon', fromX: 0.9, fromY: 0.12, toX: 0.7, toY: 0.34 },
        { id: 'one', kind: 'number', colour: 'indigo', x: 0.92, y: 0.09, number: 1 },
      ];
      const flat = await this.keepPhoto(await drawMarks(drawn, marks), 'ines');
      const picture = { id: 'reference', photo, flat, caption: `Drawn for the demo: ${shows.mustShow ?? ''}`, marks };
      steps.push({ ...step, pictures: [picture], photo: { ...shows, referenceId: picture.id } });
    }
    return { ...procedure, steps };
  }

  private async keepPhoto(picture: Buffer, by: DemoName): Promise<string> {
    const stored = await this.services.photos.takeIn(picture);
    await notePhotos(this.services.db, [stored], this.idOf(by));
    return stored.hash;
  }

  /** Finished over the last half year, tightened with connected wrenches, one of which slowly drifts. */
  private async earlierJobs(releaseId: string, workbook: Workbook): Promise<void> {
    for (const [i, { by, wrench, serial, customer, hours }] of EARLIER.entries()) {
      const daysAgo = 30 * (EARLIER.length - i) + 3;
      const start = Date.now() - daysAgo * DAY;
      const labels = { workOrder: `SB-23${40 + 9 * i}`, pumpSerial: serial, customer, hours };
      const jobId = await this.start(releaseId, by, start, labels);
      let clock = start;
      const made: [number, EntryContent][] = [];
      for (const step of workbook.procedure.steps) {
        clock += (step.minutes ?? step.proofs?.leak?.minutes ?? 2) * MINUTE;
        for (const [n, content] of (await this.carryOut(workbook, step, by, hours)).entries()) {
          const isRead = content.kind === 'torque-read';
          made.push([clock, isRead ? sentBy(wrench, content, `${jobId}-${step.id}-${n}`, i) : content]);
        }
        made.push([clock, doneOf(step)]);
      }
      // All at once, so that the demo is there sooner.
      await this.enterAll(jobId, by, [...made, [clock + MINUTE, { kind: 'finished' }]]);
    }
  }

  private async finishedJob(releaseId: string, workbook: Workbook): Promise<void> {
    const start = Date.now() - 2 * DAY;
    const jobId = await this.start(releaseId, 'mara', start, {
      workOrder: 'SB-2417',
      pumpSerial: '50-0381',
      customer: 'Wetherfold Creamery',
      hours: 3350,
    });
    let clock = start;
    for (const step of workbook.procedure.steps) {
      clock += (step.minutes ?? step.proofs?.leak?.minutes ?? 2) * MINUTE;
      const extra: EntryContent[] = [];
      if (step.verb === 'inspect' && step.photo) {
        extra.push({
          kind: 'problem',
          stepId: step.id,
          note: 'Light score in the pocket of shaft 2, not felt with the nail. How deep is too deep?',
          about: 'part',
        });
      }
      // The first pull of the last pass on the dome nuts was short; the record keeps both readings.
      const carried = (await this.carryOut(workbook, step, 'mara', 3350)).flatMap((content): EntryContent[] =>
        content.kind === 'torque-read' && content.spot?.pass === 2 && content.spot.slot === 0
          ? [{ ...content, reading: { value: 41.5, unit: 'N·m' } }, content]
          : [content],
      );
      await this.enter(jobId, 'mara', clock, [...extra, ...carried, doneOf(step)]);
    }
    await this.enter(jobId, 'mara', clock + MINUTE, [{ kind: 'finished' }]);
    const [problem] = await problemsOf(this.services.db, workbook.procedure.id);
    if (problem)
      await replyTo(this.services.db, problem.entryId, 'Right. I add when a score is too deep.', this.idOf('ines'));
  }

  private async halfDoneJob(releaseId: string, workbook: Workbook): Promise<void> {
    const start = Date.now() - 95 * MINUTE;
    const jobId = await this.start(releaseId, 'tobias', start, {
      workOrder: 'SB-2426',
      pumpSerial: '50-0412',
      customer: 'Orchard Lane Cider Press',
      hours: 6900,
    });
    let clock = start;
    for (const step of workbook.procedure.steps.slice(0, 17)) {
      clock += (step.minutes ?? step.proofs?.leak?.minutes ?? 2) * MINUTE;
      const content: EntryContent[] =
        step.photo && step.verb === 'drain'
          ? [
              {
                kind: 'overridden',
                stepId: step.id,
                what: 'photo',
                reason: 'Drain is behind the pipe rack, no room for the tablet',
              },
            ]
          : await this.carryOut(workbook, step, 'tobias', 6900);
      await this.enter(jobId, 'tobias', clock, [...content, doneOf(step)]);
    }
  }

  /** Readings, photos and runs a step asks for, all as they should be; what is measured has worn with the hours. */
  private async carryOut(workbook: Workbook, step: Step, by: DemoName, hours: number): Promise<EntryContent[]> {
    const joint = jointOfStep(step, workbook);
    const readings = readingPlaces(step, workbook).flatMap((place, i) =>
      joint
        ? spotsOf(joint).map((spot) => this.pull(workbook, step, place, spot))
        : [this.torque(step, place, (step.torque?.figure.value ?? 10) + (i === 0 ? 0.4 : -0.6))],
    );
    const found = stepPlaces(step, workbook).flatMap((positionId): EntryContent[] => [
      ...(step.looks ?? []).map(({ id: lookId }) => ({
        kind: 'looked' as const,
        stepId: step.id,
        lookId,
        positionId,
        faultId: null,
      })),
      ...(step.measurements ?? []).flatMap((measurement) =>
        placesOf(measurement).map((place, i) => ({
          kind: 'measured' as const,
          stepId: step.id,
          measurementId: measurement.id,
          positionId,
          ...place,
          reading: { value: wornTo(measurement.nominal?.value ?? 10, hours, i), unit: 'mm' as const },
        })),
      ),
    ]);
    if (step.run) found.push({ kind: 'run-read', stepId: step.id, ...ranWell(step.run, workbook.series) });
    if (step.proofs?.leak)
      found.push({
        kind: 'proved',
        stepId: step.id,
        proof: { what: 'leak', seconds: 60 * step.proofs.leak.minutes, drops: 0 },
      });
    if (!step.photo) return [...readings, ...found];
    const photo = this.photos.get(step.id) ?? (await this.keepPhoto(await drawPhoto(workbook, step), by));
    this.photos.set(step.id, photo);
    return [...readings, ...found, { kind: 'photo-taken', stepId: step.id, photo }];
  }

  /** One fastener in one pass, a little off its target as pulls by hand are. */
  private pull(workbook: Workbook, step: Step, positionId: string | null, spot: TighteningSpot): EntryContent {
    const target = torqueAt(step, workbook, spot)?.figure ?? { value: 10, unit: 'N·m' as const };
    const reading = { value: Number((target.value * pulledOff(spot)).toFixed(1)), unit: target.unit };
    return { kind: 'torque-read', stepId: step.id, positionId, spot, reading };
  }

  private torque(step: Step, positionId: string | null, value: number): EntryContent {
    return {
      kind: 'torque-read',
      stepId: step.id,
      positionId,
      reading: { value, unit: step.torque?.figure.unit ?? 'N·m' },
    };
  }

  private async start(
    releaseId: string,
    by: DemoName,
    at: number,
    labels: { workOrder: string; pumpSerial: string; customer: string; hours: number },
  ): Promise<string> {
    const id = this.services.newId();
    await startJob(
      this.services.db,
      { id, releaseId, startedAt: new Date(at).toISOString(), ...labels },
      this.idOf(by),
    );
    return id;
  }

  private enter(jobId: string, by: DemoName, at: number, contents: readonly EntryContent[]): Promise<void> {
    const made = contents.map((content): [number, EntryContent] => [at, content]);
    return this.enterAll(jobId, by, made);
  }

  private async enterAll(
    jobId: string,
    by: DemoName,
    made: readonly (readonly [number, EntryContent])[],
  ): Promise<void> {
    const entries = made.map(([at, content]): NewEntry => {
      this.entryCount += 1;
      return { id: `${jobId}-${this.entryCount}`, at: new Date(at).toISOString(), content };
    });
    await addEntries(this.services.db, jobId, { entries, known: 0 }, this.idOf(by));
  }

  private idOf(name: DemoName): string {
    const id = this.ids.get(name);
    if (!id) throw new Error(`${name} was not added`);
    return id;
  }
}

/** A seat that loses six thousandths of a millimetre in a thousand hours, a little more in the middle; invented. */
function wornTo(nominal: number, hours: number, at: number): number {
  return Number((nominal - (0.006 * hours) / 1000 - (at === 2 || at === 3 ? 0.002 : 0)).toFixed(3));
}

/** A run as a test bench reads it, a little below what is expected; invented. */
function ranWell(
  run: TestRun,
  { duty = {} }: Series,
): Pick<EntryContent & { kind: 'run-read' }, 'samples' | 'every' | 'instrument'> {
  const { flow = 0, power = 0 } = expectedOf(run, duty);
  const samples = Array.from({ length: 30 }, (_, i) => ({
    flow: Number((flow * (0.97 + 0.008 * Math.sin(1.7 * i))).toFixed(2)),
    pressure: Number((plain('pressure', run.pressure) * (1 + 0.01 * Math.sin(2.3 * i))).toFixed(3)),
    speed: plain('speed', run.speed),
    power: Number((power * 0.98).toFixed(3)),
    temperature: Number((22 + 0.1 * i).toFixed(1)),
  }));
  return { samples, every: 2, instrument: { number: 'TB-01' } };
}

/** A step as whoever did it says it: by name, where it cuts off energy or gives it back. */
function doneOf(step: Step): EntryContent {
  return { kind: 'step-done', stepId: step.id, ...(confirmationOf(step) && { confirmed: true }) };
}
