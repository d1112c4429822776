import { runOf } from '../../job/job';
import type { JobState, StepRun } from '../../job/state';
import { jointOfStep } from '../../job/tightening';
import { placeNameOf } from '../../model/lookup';
import type { Step, Workbook } from '../../model/procedure';
import { meanOf, RUN_UNITS, type RunValue } from '../../proving/run';
import { sayKeptPhoto } from './photo';
import { PROOF_NAMES, sayOutcome } from './proofs';
import { sayStep } from './sentence';

/** Columns of a record as a table, in their order. */
export const RECORD_COLUMNS = [
  'Step',
  'Instruction',
  'What',
  'Place',
  'Detail',
  'Value',
  'Unit',
  'Verdict',
  'Note',
  'By',
  'At (UTC)',
] as const;

type Row = Partial<Record<(typeof RECORD_COLUMNS)[number], string | number>>;

/** A row for everything that was done, read, measured, seen, photographed, skipped or said, step by step. */
export function recordTable(workbook: Workbook, state: JobState, nameOf: (personId: string) => string): string[][] {
  const rows = workbook.procedure.steps.flatMap((step, index): Row[] => {
    const lines = linesOf(step, runOf(state, step.id), workbook);
    const about = { Step: index + 1, Instruction: sayStep(step, workbook.series) };
    return lines.map(({ by, at, ...line }) => ({ ...about, ...line, By: by ? nameOf(by) : '', 'At (UTC)': at ?? '' }));
  });
  return [
    [...RECORD_COLUMNS],
    ...rows.map((row) => RECORD_COLUMNS.map((column) => (row[column] === undefined ? '' : String(row[column])))),
  ];
}

type Line = Row & { readonly by?: string | null; readonly at?: string | null };

function linesOf(step: Step, run: StepRun, workbook: Workbook): Line[] {
  const place = (id: string | null) => placeNameOf(workbook.series, id) ?? '';
  const joint = jointOfStep(step, workbook);
  const fastener = ({ pass, slot }: { pass: number; slot: number }) =>
    `pass ${pass + 1}, fastener ${(joint?.order.indexOf(slot) ?? -1) + 1}`;
  const measurement = (id: string) => step.measurements?.find((one) => one.id === id);
  return [
    ...run.answers.map(({ answerId, positionId, by, at }) => ({
      ...{ What: 'answer', Place: place(positionId), Detail: step.decision?.question ?? '', by, at },
      Value: step.decision?.answers.find(({ id }) => id === answerId)?.text ?? '',
    })),
    ...run.readings.map(({ positionId, spot, reading, verdict, accepted, wrench, by, at }) => ({
      ...{ What: 'torque', Place: place(positionId), Detail: spot ? fastener(spot) : '', by, at },
      ...{ Value: reading.value, Unit: reading.unit, Verdict: verdict },
      Note: [wrench && `wrench ${wrench.number}`, accepted && `accepted: ${accepted.text}`].filter(Boolean).join('; '),
    })),
    ...run.turnedOn.map(({ positionId, spot, by, at }) => ({
      ...{ What: 'turned on', Place: place(positionId), Detail: fastener(spot), by, at },
    })),
    ...run.measured.map(({ measurementId, positionId, point, reading, verdict, by, at }) => ({
      ...{ What: 'length', Place: place(positionId), by, at },
      Detail: [measurement(measurementId)?.what, point].filter(Boolean).join(', '),
      ...{ Value: reading.value, Unit: reading.unit, Verdict: verdict },
    })),
    ...run.gauged.map(({ measurementId, positionId, gap, by, at }) => ({
      ...{ What: 'by a new ring', Place: place(positionId), Detail: measurement(measurementId)?.what ?? '', by, at },
      Value: `gap ${gap}`,
    })),
    ...run.tests.flatMap(({ samples, instrument, by, at }) =>
      Object.entries(meanOf(samples)).map(([what, value]) => ({
        ...{
          What: 'test run',
          Detail: what,
          Value: Number(value.toPrecision(5)),
          Unit: RUN_UNITS[what as RunValue],
          by,
          at,
        },
        Note: instrument ? `test bench ${instrument}` : '',
      })),
    ),
    ...run.proved.map(({ proof, verdict, by, at }) => ({
      ...{
        What: 'checked by hand',
        Detail: PROOF_NAMES[proof.what],
        Value: sayOutcome(proof),
        Verdict: verdict,
        by,
        at,
      },
    })),
    ...run.looked.map(({ lookId, positionId, faultId, other, photo, by, at }) => {
      const look = step.looks?.find(({ id }) => id === lookId);
      const seen = other ?? look?.faults.find(({ id }) => id === faultId);
      return {
        ...{ What: 'inspection', Place: place(positionId), Detail: look?.at ?? '', by, at },
        ...{ Value: seen?.sign ?? '', Verdict: seen ? seen.follows : 'sound', Note: photo ? `photo ${photo}` : '' },
      };
    }),
    ...run.photos.map(({ hash, doubts = [], reason, by, at }) => ({
      ...{ What: 'photo', Value: hash, by, at },
      Note: reason === undefined ? '' : sayKeptPhoto(doubts, reason),
    })),
    ...Object.entries(run.overrides).flatMap(([what, noted]) =>
      noted ? [{ What: 'skipped', Detail: what, Note: noted.text, by: noted.by, at: noted.at }] : [],
    ),
    ...run.problems.map(({ text, about, photo, by, at }) => ({
      ...{ What: 'problem', Detail: about ?? '', Value: photo ?? '', Note: text, by, at },
    })),
    ...(run.approved ? [{ What: 'second person', by: run.approved.by, at: run.approved.at }] : []),
    ...(run.doneAt === null
      ? []
      : [{ What: 'done', Note: run.isConfirmed ? 'confirmed by name' : '', by: run.doneBy, at: run.doneAt }]),
  ];
}
