import type { Content } from 'pdfmake/interfaces';
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
import type { Step } from '#core/model/procedure';
import { STAGES } from '#core/model/verbs';
import { RUN_UNITS } from '#core/proving/run';
import { preferred, type UnitPreference } from '#core/quantity/preference';
import { sayNumber, sayQuantity } from '#core/quantity/quantity';
import { photoPairs } from '#core/record/photo-pairs';
import { summaryOf } from '#core/record/summary';
import { type StepTime, stepTimes } from '#core/timing/clock';
import { torqueWindow } from '#core/torque/judge';
import type { OpenJob } from '../store/jobs';
import type { PrintedSeal } from '../store/sealing';
import { facts, HAIRLINES, INK, renderPdf } from './document';
import type { ReadPhoto } from './instruction';
import { printedReadings } from './joint';
import { markedPhoto, type PrintedPhoto, pairLines, signatureLines, summaryLines } from './record-first';
import { printedDay, printedMoment, WORDS } from './words';

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
      say: (quantity, digits = 4) => sayQuantity(preferred(quantity, units), digits),
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
        return [
          { text: WORDS.stages[stage], style: 'section' },
          {
            table: {
              widths: [22, '*', 128],
              dontBreakRows: true,
              body: steps.map(({ step, index }) => [
                { text: String(index + 1), bold: true, color: INK.soft },
                { stack: [{ text: sayStep(step, series) }, ...runLines(step, runOf(state, step.id))] },
                { text: doneText(step, runOf(state, step.id)), color: INK.soft, fontSize: 9, alignment: 'right' },
              ]),
            },
            layout: HAIRLINES,
          },
        ];
      }),
      ...pairLines(pairs, photos),
      { text: WORDS.course, style: 'section' },
      ...courseLines(job.entries),
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
          ? `${WORDS.verdicts[verdict]} ${sayNumber(range.low.value)} to ${sayQuantity(range.high)}`
          : WORDS.verdicts[verdict];
        return {
          text: [
            { text: `${WORDS.reading}${where ? `, ${where}` : ''}: `, color: INK.soft },
            { text: sayQuantity(reading), bold: true },
            { text: `  ${judged}`, color: verdict === 'within' ? INK.moss : INK.kaki },
          ],
        };
      });
    const pictures = inRows(
      [
        ...run.photos,
        ...[...run.looked, ...run.problems].flatMap(({ photo, at, by }) => (photo ? [{ hash: photo, at, by }] : [])),
      ].map((photo) => markedPhoto(photo, photos, [112, 84])),
    );
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
    const measured = run.measured.map(({ measurementId, positionId, point, reading, verdict }): Content => {
      const what = step.measurements?.find(({ id }) => id === measurementId)?.what;
      return {
        text: [
          { text: `${[positionName(positionId), what, point].filter(Boolean).join(', ')}: `, color: INK.soft },
          { text: sayQuantity(reading, 6), bold: true },
          { text: `  ${WORDS.measured[verdict]}`, color: verdict === 'within' ? INK.moss : INK.kaki },
        ],
      };
    });
    const places = run.placesDone.map(
      ({ positionId, at, by }): Content => ({
        text: `${positionName(positionId)} ${WORDS.doneAt} ${moment(at)}, ${name(by)}`,
        color: INK.soft,
      }),
    );
    const joint = printedReadings(step, run, job.release.workbook, positionName);
    return [
      ...methods,
      ...answers,
      ...said,
      ...joint,
      ...wrenches,
      ...readings,
      ...looked,
      ...measured,
      ...places,
      ...pictures,
    ];
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
    return [moment(run.doneAt), name(run.doneBy), took && `${Math.round(took.worked)} ${WORDS.minutes}`]
      .filter(Boolean)
      .join('\n');
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

/** Photos side by side, several to a row. */
const IN_A_ROW = 3;

function inRows(pictures: readonly Content[]): Content[] {
  const rows = Array.from({ length: Math.ceil(pictures.length / IN_A_ROW) }, (_, row) =>
    pictures.slice(row * IN_A_ROW, (row + 1) * IN_A_ROW),
  );
  return rows.map((columns): Content => ({ columns: [...columns], columnGap: 6, margin: [0, 4, 0, 2] }));
}
