import type { Content, TableCell } from 'pdfmake/interfaces';
import sharp from 'sharp';
import type { Entry } from '#core/job/entry';
import { OVERRIDABLE } from '#core/job/entry-words';
import { foundIn } from '#core/job/found';
import { foldJob, runOf } from '#core/job/job';
import { latestRun } from '#core/job/latest-run';
import { type Unusual, unusualEntries } from '#core/job/origin';
import type { StepRun } from '#core/job/state';
import { isToDo } from '#core/job/to-do';
import { readBy } from '#core/job/wrenches';
import { sayAside, sayReadBy } from '#core/language/en/devices';
import { sayFound } from '#core/language/en/found';
import { sayKeptPhoto } from '#core/language/en/photo';
import { sayProof } from '#core/language/en/proofs';
import { sayStep } from '#core/language/en/sentence';
import { summarySections } from '#core/language/en/summary';
import { confirmationOf } from '#core/model/confirmation';
import { placeNameOf } from '#core/model/lookup';
import type { Measurement, Step } from '#core/model/procedure';
import { STAGES } from '#core/model/verbs';
import { RUN_UNITS } from '#core/proving/run';
import { preferred, type UnitPreference } from '#core/quantity/preference';
import { sayNumber, sayQuantity } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import { photoPairs } from '#core/record/photo-pairs';
import { summaryOf } from '#core/record/summary';
import { type StepTime, stepTimes } from '#core/timing/clock';
import { torqueWindow } from '#core/torque/judge';
import type { OpenJob } from '../store/jobs';
import type { PrintedSeal } from '../store/sealing';
import { CLOSE_HAIRLINES, facts, INK, renderPdf } from './document';
import type { ReadPhoto } from './instruction';
import { printedReadings } from './joint';
import {
  type NumberedPhoto,
  type PrintedPhoto,
  pairLines,
  photoGrid,
  signatureLines,
  summaryLines,
} from './record-first';
import { printedDay, printedDayIn, printedMoment, printedTime, WORDS } from './words';

/** For whom a record is printed, by which clock and in which units. */
export interface RecordReader {
  readonly reader: 'workshop' | 'customer';
  readonly zone: string;
  readonly units: UnitPreference;
}

/**
 * One page first, of what was done, found and measured. For the workshop then every step with its readings and photos,
 * by whom and when, and what was skipped.
 */
export async function recordPdf(
  job: OpenJob,
  seal: PrintedSeal | null,
  readPhoto: ReadPhoto,
  { reader, zone, units }: RecordReader,
): Promise<Buffer> {
  const times = stepTimes(job.entries, job.startedAt);
  const moment = (iso: string) => printedMoment(iso, zone);
  const say = (quantity: Quantity, digits = 4) => sayQuantity(preferred(quantity, units), digits);
  const { series, procedure } = job.release.workbook;
  const state = foldJob(job.release.workbook, job.startedBy, job.entries);
  const name = (id: string | null) => (id ? (job.people[id] ?? id) : '');
  const pairs = photoPairs(job.release.workbook, state);
  const photos = new Map<string, PrintedPhoto>();
  const hashes = new Set(
    reader === 'customer'
      ? pairs.flatMap(({ before, after }) => [before.photo.hash, after.photo.hash])
      : [...state.runs.values()].flatMap((run) => [
          ...run.photos.map(({ hash }) => hash),
          ...[...run.problems, ...run.looked].flatMap(({ photo }) => photo ?? []),
        ]),
  );
  for (const hash of hashes) {
    const bytes = await readPhoto(hash);
    if (!bytes) continue;
    const { width = 1, height = 1 } = await sharp(bytes).metadata();
    photos.set(hash, { url: `data:image/jpeg;base64,${bytes.toString('base64')}`, width, height });
  }
  const sections = summarySections(
    summaryOf(job.release.workbook, state, job.entries, job.startedAt),
    {
      nameOf: name,
      say,
      duration: (minutes) => sayTime({ worked: minutes, paused: 0 }),
    },
    reader,
  );

  return renderPdf(`${WORDS.record} ${job.number}`, [
    { text: `${WORDS.record} ${job.number}`, style: 'title' },
    { text: `${series.name} ${series.code}: ${procedure.title}, release ${job.release.number}`, style: 'under' },
    facts([
      [WORDS.workOrder, job.workOrder],
      [WORDS.serial, job.pumpSerial],
      [WORDS.customer, job.customer],
      ...(job.hours === undefined ? [] : [[WORDS.hours, `${sayNumber(job.hours, 7)} h`] as const]),
      [WORDS.started, `${moment(job.startedAt)}, ${name(job.startedBy)}`],
      [WORDS.zone, zone],
      [WORDS.finished, job.finishedAt ? `${moment(job.finishedAt)}, ${name(state.holder)}` : ''],
    ]),
    ...summaryLines(sections),
    ...pairLines(reader === 'customer' ? pairs : [], photos),
    ...signatureLines(state.signatures, moment),
    ...sealLines(),
    ...(reader === 'customer' ? [] : detail()),
  ]);

  function detail(): Content[] {
    return [
      { text: WORDS.exceptions, style: 'section', pageBreak: 'before' },
      ...exceptions(),
      ...STAGES.flatMap((stage): Content[] => {
        const steps = procedure.steps
          .map((step, index) => ({ step, index }))
          .filter(({ step }) => step.stage === stage);
        if (steps.length === 0) return [];
        const rows = steps.map(({ step, index }): TableCell[] => [
          { text: String(index + 1), bold: true, color: INK.soft },
          { stack: [{ text: sayStep(step, series) }, ...runLines(step, runOf(state, step.id))] },
          { text: doneText(step, runOf(state, step.id)), color: INK.soft, fontSize: 8, alignment: 'right' },
        ]);
        // The stage stands above its first step, and again where it goes on on another page.
        const heading: TableCell = {
          text: WORDS.stages[stage],
          bold: true,
          fontSize: 12,
          margin: [0, 8, 0, 1],
          colSpan: 3,
        };
        return [
          {
            table: {
              ...{ widths: [22, '*', 118], dontBreakRows: true, headerRows: 1, keepWithHeaderRows: 1 },
              body: [[heading, '', ''], ...rows],
            },
            layout: CLOSE_HAIRLINES,
          },
        ];
      }),
      { text: WORDS.course, style: 'section' },
      ...courseLines(job.entries),
      ...pairLines(pairs, photos),
      ...photoGrid(
        procedure.steps.flatMap((step, index) => photosOf({ step, index })),
        photos,
      ),
    ];
  }

  /** The signed head of the record, as text and for a camera; without it what an earlier version computed. */
  function sealLines(): Content[] {
    if (!seal)
      return [
        { text: [{ text: `${WORDS.seal}: `, color: INK.soft }, job.seal ?? ''], fontSize: 8, margin: [0, 14, 0, 0] },
      ];
    const line = (label: string, text: string): Content => ({
      text: [{ text: `${label}: `, color: INK.soft }, text],
      fontSize: 7,
    });
    return [
      {
        columns: [
          { qr: [job.number, seal.head, seal.publicKey, seal.signature].join(' '), fit: 96, width: 104 },
          {
            width: '*',
            stack: [
              line(WORDS.seal, seal.head),
              line(WORDS.sealedAt, moment(seal.sealedAt)),
              line(WORDS.workshopKey, seal.publicKey),
              line(WORDS.signature, seal.signature),
              { text: WORDS.checkIt, fontSize: 8, margin: [0, 6, 0, 0] },
            ],
          },
        ],
        margin: [0, 14, 0, 0],
        unbreakable: true,
      } as Content,
    ];
  }

  function exceptions(): Content[] {
    const lines = [
      ...procedure.steps.flatMap((step, index) => exceptionLines(step, index, runOf(state, step.id))),
      ...unusualEntries(job.entries).map(originLine),
      ...state.setAside.map((aside): Content => ({ text: `${sayAside(aside)} (${moment(aside.at)})` })),
    ];
    return lines.length > 0 ? lines : [{ text: WORDS.noExceptions, style: 'soft' }];
  }

  function originLine({ is, count, from, to, by, sentBy, behindMinutes = 0 }: Unusual): Content {
    const [label, text] =
      is === 'clock'
        ? [behindMinutes > 0 ? WORDS.clockBehind : WORDS.clockAhead, `${Math.abs(behindMinutes)} ${WORDS.minutes}`]
        : [WORDS.sentBy, name(sentBy ?? null)];
    return {
      text: [
        { text: `${label}: `, bold: true, color: INK.kaki },
        `${text}, ${count} ${WORDS.entriesOf} ${name(by)} (${moment(from)} to ${moment(to)})`,
      ],
    };
  }

  function exceptionLines(step: Step, index: number, run: StepRun): Content[] {
    const overrides = OVERRIDABLE.flatMap((what) => {
      const noted = run.overrides[what];
      return noted ? [{ ...noted, label: WORDS.overridden[what] }] : [];
    });
    const found = foundIn(step, run, series).map((one) => ({
      at: one.at,
      by: one.by,
      label: WORDS.follows[one.follows],
      text: [positionName(one.positionId), one.where, sayFound(one)].filter(Boolean).join(', '),
    }));
    const kept = run.photos.flatMap(({ doubts = [], reason, at, by }) =>
      reason === undefined ? [] : [{ at, by, label: WORDS.photoKept, text: sayKeptPhoto(doubts, reason) }],
    );
    return [...overrides, ...kept, ...run.problems.map((noted) => ({ ...noted, label: WORDS.problem })), ...found].map(
      ({ label, text, by, at }) => ({
        text: [
          { text: `${index + 1}  ${label}: `, bold: true, color: INK.kaki },
          `${text} (${name(by)}, ${moment(at)})`,
        ],
      }),
    );
  }

  function runLines(step: Step, run: StepRun): Content[] {
    const wrenches = readBy(run).map((one): Content => ({ text: sayReadBy(one, printedDay), color: INK.soft }));
    const range = step.torque && torqueWindow(step.torque);
    const readings = run.readings
      .filter(({ spot }) => !spot)
      .map(({ reading, verdict, positionId }): Content => {
        const where = positionName(positionId);
        const judged = range
          ? `${WORDS.verdicts[verdict]} ${sayNumber(preferred(range.low, units).value)} to ${say(range.high)}`
          : WORDS.verdicts[verdict];
        return {
          text: [
            { text: `${WORDS.reading}${where ? `, ${where}` : ''}: `, color: INK.soft },
            { text: say(reading), bold: true },
            { text: `  ${judged}`, color: verdict === 'within' ? INK.moss : INK.kaki },
          ],
        };
      });
    const said: Content[] = [
      ...(run.isConfirmed
        ? [{ text: `${WORDS.confirmed[confirmationOf(step) ?? 'made-safe']}: ${name(run.doneBy)}`, color: INK.moss }]
        : []),
      ...(run.approved
        ? [{ text: `${WORDS.approved}: ${name(run.approved.by)}, ${moment(run.approved.at)}`, color: INK.moss }]
        : []),
      ...run.problems.flatMap(({ entryId }): Content[] => {
        const reply = job.replies.find((one) => one.entryId === entryId);
        return reply
          ? [{ text: `${WORDS.reply} ${name(reply.by)}, ${moment(reply.at)}: ${reply.text}`, color: INK.soft }]
          : [];
      }),
      ...run.gauged.map(({ positionId, gap }) => ({
        text: [positionName(positionId), WORDS.gauged[gap]].filter(Boolean).join(', '),
        color: gap === 'none' ? INK.moss : INK.kaki,
      })),
      ...runLinesOf(step, run),
      ...run.proved.map(({ proof, verdict }) => ({
        text: sayProof(proof, verdict),
        color: verdict === 'good' ? INK.moss : INK.kaki,
      })),
    ];
    const method = step.methods?.find(({ id }) => id === run.doneMethodId);
    const methods: Content[] = method
      ? [
          {
            text: [
              { text: `${WORDS.doneSo}: `, color: INK.soft },
              { text: method.name, bold: true },
            ],
          },
        ]
      : [];
    const answers = run.answers.map(
      ({ answerId, positionId }): Content => ({
        text: [
          {
            text: `${[positionName(positionId), step.decision?.question].filter(Boolean).join(': ')} `,
            color: INK.soft,
          },
          { text: step.decision?.answers.find(({ id }) => id === answerId)?.text ?? '', bold: true },
        ],
      }),
    );
    const looked = run.looked.map(({ lookId, positionId, faultId }): Content => {
      const look = step.looks?.find(({ id }) => id === lookId);
      const fault = look?.faults.find(({ id }) => id === faultId);
      return {
        text: [
          { text: `${[positionName(positionId), look?.at].filter(Boolean).join(', ')}: `, color: INK.soft },
          {
            text: fault ? `${fault.sign}. ${WORDS.follows[fault.follows]}` : WORDS.isSound,
            color: fault ? INK.kaki : INK.moss,
          },
        ],
      };
    });
    const measured = (step.measurements ?? []).flatMap((measurement) => measuredLines(measurement, run));
    const places = run.placesDone.map(
      ({ positionId, at, by }): Content => ({
        text: `${positionName(positionId)} ${WORDS.doneAt} ${moment(at)}, ${name(by)}`,
        color: INK.soft,
      }),
    );
    const joint = printedReadings(step, run, job.release.workbook, positionName, units);
    return [...methods, ...answers, ...said, ...joint, ...wrenches, ...readings, ...looked, ...measured, ...places];
  }

  /** The sizes of one part in one line, each with its point; what is out of its limits is said at the size. */
  function measuredLines({ id, what }: Measurement, { measured }: StepRun): Content[] {
    const places = [...new Set(measured.flatMap((one) => (one.measurementId === id ? [one.positionId] : [])))];
    return places.map((positionId): Content => {
      const sizes = measured.filter((one) => one.measurementId === id && one.positionId === positionId);
      return {
        text: [
          { text: `${[positionName(positionId), what].filter(Boolean).join(', ')}: `, color: INK.soft },
          ...sizes.flatMap(({ point, reading, verdict }, i) => [
            ...(point && point !== sizes[i - 1]?.point
              ? [{ text: `${i > 0 ? ' ' : ''}${point} `, color: INK.soft }]
              : []),
            { text: say(reading, 6), bold: true },
            { text: ` ${WORDS.measured[verdict]}`, color: verdict === 'within' ? INK.moss : INK.kaki },
            { text: i < sizes.length - 1 ? ', ' : '' },
          ]),
        ],
      };
    });
  }

  /** The photos of a step that stand in no pair. */
  function photosOf({ step, index }: { readonly step: Step; readonly index: number }): NumberedPhoto[] {
    const run = runOf(state, step.id);
    const paired = new Set(pairs.flatMap(({ before, after }) => [before, after]).map(({ photo }) => photo));
    return [
      ...run.photos.filter((photo) => !paired.has(photo)),
      ...[...run.looked, ...run.problems].flatMap(({ photo, at, by }) => (photo ? [{ hash: photo, at, by }] : [])),
    ].map((photo) => ({ index, photo }));
  }

  function runLinesOf(step: Step, run: StepRun): Content[] {
    const latest = latestRun(step, run, series);
    if (!latest) return [];
    const { test, judged } = latest;
    const by = test.instrument ? ` (${test.instrument})` : '';
    return judged.values.map(
      ({ what, value, verdict }): Content => ({
        text: [
          { text: `${WORDS.run[what]}${by}: `, color: INK.soft },
          { text: `${sayNumber(value)} ${RUN_UNITS[what]}`, bold: true },
          { text: `  ${WORDS.verdicts[verdict]}`, color: verdict === 'within' ? INK.moss : INK.kaki },
        ],
      }),
    );
  }

  function positionName(id: string | null): string {
    return placeNameOf(series, id) ?? '';
  }

  function doneText(step: Step, run: StepRun): string {
    if (!run.doneAt) return isToDo(step, state.answers, job.release.workbook) ? '' : WORDS.notAsked;
    const took = times.get(step.id);
    // The day is said where it is another than that of the start.
    const [day, time] = [printedDayIn(run.doneAt, zone), printedTime(run.doneAt, zone)];
    const at = day === printedDayIn(job.startedAt, zone) ? time : `${day}, ${time}`;
    return [at, name(run.doneBy), took && `${Math.round(took.worked)} ${WORDS.minutes}`].filter(Boolean).join(', ');
  }

  /** Pauses, hand-overs and steps gone back to: what the list of steps does not show. */
  function courseLines(entries: readonly Entry[]): Content[] {
    return [
      { text: `${moment(job.startedAt)}  ${name(job.startedBy)} ${WORDS.started.toLowerCase()}` },
      ...entries.flatMap(({ content, at, by }): Content[] => {
        const line = (what: string) => [{ text: `${moment(at)}  ${name(by)} ${what}` }];
        switch (content.kind) {
          case 'paused':
            return line(WORDS.paused);
          case 'resumed':
            return line(WORDS.resumed);
          case 'taken-over':
            return line(WORDS.took);
          case 'went-back':
            return line(`${WORDS.back} ${procedure.steps.findIndex((step) => step.id === content.stepId) + 1}`);
          case 'finished':
            return line(WORDS.finished.toLowerCase());
          default:
            return [];
        }
      }),
    ];
  }
}

/** "2 h 10 min, 30 min paused". */
function sayTime({ worked, paused }: StepTime): string {
  const said = (minutes: number) => {
    const [hours, rest] = [Math.floor(Math.round(minutes) / 60), Math.round(minutes) % 60];
    return hours > 0 ? `${hours} h ${rest} min` : `${rest} min`;
  };
  return paused < 1 ? said(worked) : `${said(worked)}, ${said(paused)} ${WORDS.isPaused}`;
}
