import { sayStep } from '#core/language/en/sentence';
import type { WrittenLine } from '../jobs/written-job';
import {
  does,
  type Mistake,
  type Planted,
  refilled,
  refits,
  retyped,
  rewritten,
  type TypedJob,
  type TypedLine,
  takes,
} from './mistake';

/** Other ways to write the same job that are just as right: nothing may be stopped or warned at in any of them. */

const SYNONYMS: readonly [RegExp, readonly string[]][] = [
  [/^take off /, ['remove ', 'lift off ', 'take out ']],
  [/^draw /, ['pull ', 'pull out ', 'withdraw ', 'extract ']],
  [/^unscrew /, ['undo ']],
  [/^fit /, ['install ', 'refit ', 'put back ', 'insert ']],
  [/^press /, ['push in ', 'drive in ', 'press in ']],
  [/^start by hand /, ['screw in ', 'run in ', 'finger-tighten ']],
  [/^torque /, ['tighten ']],
  [/^renew /, ['replace ']],
  [/^inspect /, ['check ', 'examine ']],
  [/^clean /, ['wipe ', 'wash ']],
  [/^close /, ['shut ']],
  [/^restore /, ['unlock ', 'switch on ']],
];

const inserted =
  (line: (after: TypedLine, job: TypedJob) => string | undefined) =>
  (job: TypedJob): Planted[] =>
    job.typed.flatMap((after) => {
      const typed = line(after, job);
      if (typed === undefined) return [];
      const lines = job.job.lines.toSpliced(after.index + 1, 0, { key: `${after.key}-more`, line: typed });
      return rewritten(job, lines, after);
    });

const remarked = (remark: string, holds: (line: TypedLine, job: TypedJob) => boolean) =>
  refilled((line, job) =>
    holds(line, job) ? { detail: [line.step.detail, remark].filter(Boolean).join(' ') } : undefined,
  );

/** The line once for each of its places. */
function placeByPlace({ job, workbook }: TypedJob, line: TypedLine): WrittenLine[] {
  const all = workbook.series.positionSets.flatMap(({ positions }) => positions);
  return line.step.positionIds.map((id, i) => {
    const place = all.find((position) => position.id === id)?.name ?? '';
    const typed = line.line.replace(/@each [a-z ]+?(?=\s[/+>!=~?]|$)/, `@${place}`);
    return { ...(job.lines[line.index] as WrittenLine), key: `${line.key}-${i}`, line: typed };
  });
}

const hasSealRenewed = (line: TypedLine, { workbook }: TypedJob) =>
  line.parts.some((name) => workbook.series.components.find((part) => part.name === name)?.renewal === 'always');

export const RIGHT_WAYS: readonly Mistake[] = [
  ...SYNONYMS.flatMap(([verb, others]) =>
    others.map(
      (other): Mistake => ({
        kind: `${other.trim()} for ${verb.source.slice(1).trim()}`,
        plant: retyped((line) => (verb.test(line.line) ? line.line.replace(verb, other) : undefined)),
      }),
    ),
  ),
  {
    kind: 'place by place instead of each',
    plant: (job) =>
      job.typed
        .filter(
          (line) => line.step.positionIds.length > 1 && !line.step.decision && !line.step.when && !line.step.blockId,
        )
        .flatMap((line) => rewritten(job, job.job.lines.toSpliced(line.index, 1, ...placeByPlace(job, line)), line)),
  },
  {
    kind: 'a torque in three passes',
    plant: (job) =>
      job.typed
        .filter((line) => does('torque')(line) && !line.step.aidsOut)
        .flatMap((line) => {
          const figure = line.step.torque?.figure.value ?? 0;
          // Passes start within the range of the wrench.
          const passes = [0.4, 0.7, 1].map((share, i) => ({
            ...(job.job.lines[line.index] as WrittenLine),
            key: `${line.key}-${i}`,
            line: line.line
              .replace(/=\d+ /, `=${Number((figure * share).toPrecision(3))} `)
              .replace(/\/torque (wrench|screwdriver), \S+ N·m/, `/torque $1, 1-${figure * 2} N·m`),
          }));
          return rewritten(job, job.job.lines.toSpliced(line.index, 1, ...passes), line);
        }),
  },
  {
    kind: 'a figure in pounds with its second reading',
    plant: refilled(({ step }) => {
      if (!step.torque) return undefined;
      const { figure } = step.torque;
      const pounds = { value: Number((figure.value * 0.73756).toPrecision(3)), unit: 'lbf·ft' as const };
      return { torque: { ...step.torque, figure: pounds, also: figure } };
    }),
  },
  {
    kind: 'a photo in between',
    plant: inserted((line) => (takes(line) || refits(line) ? 'photo the bench' : undefined)),
  },
  { kind: 'a wait in between', plant: inserted((line) => (takes(line) ? 'wait for the last drops ~2' : undefined)) },
  {
    kind: 'a look in between',
    plant: inserted((line) =>
      takes(line) && line.parts.length === 1 ? `inspect ${line.parts[0]} for wear` : undefined,
    ),
  },
  {
    kind: 'cleaned in between',
    plant: inserted((line) =>
      takes(line) && line.parts.length === 1 && !line.step.when ? `clean ${line.parts[0]}` : undefined,
    ),
  },
  {
    kind: 'own words that say the same',
    plant: refilled((line, { workbook }) => ({ text: sayStep(line.step, workbook.series) })),
  },
  {
    kind: 'remark: never the old one',
    plant: remarked('Never refit the old one.', (line, job) => refits(line) && hasSealRenewed(line, job)),
  },
  { kind: 'remark: the same place', plant: remarked('It goes in the same place it came from.', refits) },
  { kind: 'remark: wipe it dry', plant: remarked('Wipe the bore dry first.', refits) },
  {
    kind: 'remark: old grease off',
    plant: remarked('Wipe off the old grease.', (line) => refits(line) || takes(line)),
  },
  { kind: 'remark: by hand', plant: remarked('Push it home by hand, square to the bore.', refits) },
  { kind: 'remark: no tool', plant: remarked('No screwdriver near the bore.', (line) => refits(line) || takes(line)) },
  { kind: 'remark: crosswise', plant: remarked('Crosswise, starting at the top.', does('torque')) },
  { kind: 'remark: half a turn', plant: remarked('Half a turn each, one after the other.', does('loosen')) },
  {
    kind: 'remark: the figure once more',
    plant: refilled(({ step }) => step.torque && { detail: `${step.torque.figure.value} N·m is for a clean thread.` }),
  },
  {
    kind: 'remark: which end',
    plant: refilled(({ step }) =>
      step.faces?.end && step.faces.toward.is === 'pressure'
        ? { detail: `The ${step.faces.end} faces the pressure.` }
        : undefined,
    ),
  },
  {
    kind: 'remark: why',
    plant: refilled((line) => (refits(line) ? { why: 'A scratch here leaks at once.' } : undefined)),
  },
];
