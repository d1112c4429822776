import { sayStep } from '#core/language/en/sentence';
import type { Component } from '#core/model/series';
import {
  does,
  type Mistake,
  type Planted,
  partNamed,
  refilled,
  refits,
  type TypedJob,
  type TypedLine,
  takes,
} from './mistake';

/** What goes wrong in fields and on the pages of the series, what is kept from a sister series, and what the words say. */

/** The job with one part of the series said otherwise. */
const resaid =
  (change: (part: Component, job: TypedJob) => Partial<Component> | undefined) =>
  (job: TypedJob): Planted[] =>
    job.workbook.series.components.flatMap((part, i) => {
      const fields = change(part, job);
      if (!fields) return [];
      const changed = Object.fromEntries(
        Object.entries({ ...part, ...fields }).filter(([, value]) => value !== undefined),
      ) as Component;
      const { series } = job.workbook;
      const workbook = { ...job.workbook, series: { ...series, components: series.components.with(i, changed) } };
      return [{ workbook, parts: [part.name], keys: [], what: part.name }];
    });

const firstMeasure = ({ step }: TypedLine) => step.measurements?.[0];
const remeasured = (change: (measurement: NonNullable<ReturnType<typeof firstMeasure>>) => object) =>
  refilled((line) => {
    const measurement = firstMeasure(line);
    return measurement && { measurements: [{ ...measurement, ...change(measurement) }] };
  });

const FIELDS: readonly Mistake[] = [
  {
    kind: 'condition forgotten',
    plant: refilled(({ step, verb }) => (step.when && verb !== 'soak' ? { when: undefined } : undefined)),
  },
  {
    kind: 'condition on the same answer twice',
    plant: refilled(({ step }, { typed }) => {
      const other = typed.find((line) => line.step.when && line.step.when !== step.when);
      return step.when && other ? { when: other.step.when } : undefined;
    }),
  },
  {
    kind: 'step of an answer deleted',
    plant: (job) =>
      job.typed
        .filter(({ step }) => step.when)
        .map((line) => ({
          workbook: {
            ...job.workbook,
            procedure: { ...job.workbook.procedure, steps: job.workbook.procedure.steps.toSpliced(line.index, 1) },
          },
          parts: line.parts,
          keys: job.typed.filter(({ step }) => step.decision).map(({ key }) => key),
          what: line.line,
        })),
  },
  {
    kind: 'look without a verdict',
    plant: refilled(({ step }) =>
      step.looks?.[0] ? { looks: [{ ...step.looks[0], sound: 'OK', faults: [] }] } : undefined,
    ),
  },
  {
    kind: 'renewal by a look, and no spare',
    plant: (job) =>
      resaid((part, { typed }) => {
        const looked = typed.some(
          (line) =>
            line.parts.includes(part.name) &&
            line.step.looks?.some(({ faults }) => faults.some(({ follows }) => follows === 'renew')),
        );
        const renewed = typed.some((line) => line.verb === 'renew' && line.parts.includes(part.name));
        return looked && !renewed && part.partNumber ? { partNumber: undefined } : undefined;
      })(job),
  },
  {
    kind: 'limits the wrong way about',
    plant: remeasured(({ least, nominal }) => ({
      least: nominal && { ...nominal, value: nominal.value + 1 },
      most: least,
    })),
  },
  {
    kind: 'new size outside the limits',
    plant: remeasured(({ nominal }) => ({ nominal: nominal && { ...nominal, value: nominal.value / 2 } })),
  },
  { kind: 'limit in another unit', plant: remeasured(({ least }) => ({ least: least && { ...least, unit: 'in' } })) },
  { kind: 'a size out of its limits used again', plant: remeasured(() => ({ follows: 'reuse' })) },
  {
    kind: 'broken and used again',
    plant: refilled(({ step }) => {
      const [look] = step.looks ?? [];
      return look && { looks: [{ ...look, faults: [{ id: 'broken', sign: 'a crack', follows: 'reuse' }] }] };
    }),
  },
  {
    kind: 'measured without a measurement',
    plant: refilled((line) => (line.verb === 'measure' ? { measurements: undefined } : undefined)),
  },
  { kind: 'limits left out', plant: remeasured(() => ({ least: undefined, most: undefined })) },
  { kind: 'measuring tool left out', plant: refilled((line) => (firstMeasure(line) ? { toolIds: [] } : undefined)) },
  {
    kind: 'aid left in',
    plant: refilled(({ step }) => (step.aidsOut ? { aidsOut: undefined } : undefined), 'aid-left-in'),
  },
  {
    kind: 'aid never put in',
    plant: refilled(({ step }) => (step.aidsIn ? { aidsIn: undefined } : undefined), 'aid-not-there'),
  },
  {
    kind: 'second reading that disagrees',
    plant: refilled(
      ({ step }) =>
        step.torque && {
          torque: {
            ...step.torque,
            also: { value: Math.round(step.torque.figure.value * 8.85 * 1.2), unit: 'lbf·in' },
          },
        },
    ),
  },
  {
    kind: 'where it came from left out',
    plant: refilled(({ step }) => (step.fromPositionId ? { fromPositionId: undefined } : undefined)),
  },
  {
    kind: 'shaft position that nothing turns to',
    plant: refilled((line) => (takes(line) && !line.step.shaftAt ? { shaftAt: 'the eccentric level' } : undefined)),
  },
  {
    kind: 'kit one short',
    plant: ({ workbook }) =>
      (workbook.procedure.kits ?? []).map((kit, i) => ({
        workbook:
          kit.count > 1
            ? {
                ...workbook,
                procedure: {
                  ...workbook.procedure,
                  kits: workbook.procedure.kits?.with(i, { ...kit, count: kit.count - 1 }),
                },
              }
            : {
                ...workbook,
                series: {
                  ...workbook.series,
                  kits: workbook.series.kits.map((other) =>
                    other.id === kit.kitId ? { ...other, contents: other.contents.slice(1) } : other,
                  ),
                },
              },
        parts:
          workbook.series.kits
            .find(({ id }) => id === kit.kitId)
            ?.contents.flatMap(
              ({ componentId }) => workbook.series.components.find(({ id }) => id === componentId)?.name ?? [],
            ) ?? [],
        keys: [],
        what: kit.kitId,
      })),
  },
  {
    kind: 'intended change not said',
    plant: ({ workbook }) =>
      workbook.procedure.intends
        ? [
            {
              workbook: {
                ...workbook,
                procedure: { ...workbook.procedure, intends: [] },
                series: {
                  ...workbook.series,
                  components: workbook.series.components.map((part) =>
                    workbook.procedure.intends?.some((change) => change.componentId === part.id)
                      ? { ...part, matched: true }
                      : part,
                  ),
                },
              },
              parts: workbook.procedure.intends.flatMap(
                (change) => workbook.series.components.find(({ id }) => id === change.componentId)?.name ?? [],
              ),
              keys: [],
              what: 'intends',
            },
          ]
        : [],
  },
];

/** The sentence in the trainer's own words, as the program would say it, with something in it that is wrong. */
const inOwnWords = (change: (sentence: string, line: TypedLine, job: TypedJob) => string) =>
  refilled((line, job) => {
    const sentence = sayStep(line.step, job.workbook.series);
    const text = change(sentence, line, job);
    return text === sentence ? undefined : { text };
  });

function towardOf({ faces }: TypedLine['step'], { workbook }: TypedJob): string {
  const toward = faces?.toward;
  if (toward?.is === 'part')
    return `the ${workbook.series.components.find(({ id }) => id === toward.componentId)?.name ?? ''}`;
  return toward?.said ?? `the ${toward?.is ?? ''}`;
}

const OWN_WORDS: readonly Mistake[] = [
  {
    kind: 'own words: another figure',
    plant: inOwnWords((text) => text.replace(/(\d+) N·m/, (_hit, value) => `${Number(value) + 9} N·m`)),
  },
  {
    kind: 'own words: without the figure',
    plant: inOwnWords((text, { step }) => (step.torque ? text.replace(/ to \d+ N·m.*/, '.') : text)),
  },
  {
    kind: 'own words: another part',
    plant: inOwnWords((text, line, { typed }) => {
      const other = typed.find(
        (candidate) => refits(candidate) && !candidate.parts.some((part) => line.parts.includes(part)),
      )?.parts[0];
      return refits(line) && line.parts.length === 1 && other
        ? text.replace(new RegExp(`${line.parts[0]}s?`), other)
        : text;
    }),
  },
  {
    kind: 'own words: another place',
    plant: inOwnWords((text, line, { job }) => {
      const set = job.positionSets.find(({ positions }) => positions.some(({ id }) => id === line.step.positionIds[0]));
      const own = set?.positions.find(({ id }) => id === line.step.positionIds[0])?.name ?? '';
      const other = set?.positions.find(({ name }) => name !== own)?.name ?? '';
      return line.step.positionIds.length === 1 && !line.step.fromPositionId ? text.replace(own, other) : text;
    }),
  },
  {
    kind: 'own words: another size',
    plant: inOwnWords((text, { line }) =>
      /\/(socket|hex key|spanner), \d+ mm/.test(line)
        ? `${text.replace(/[.]$/, '')} with the 41 mm ${/\/(socket|hex key|spanner)/.exec(line)?.[1]}.`
        : text,
    ),
  },
  {
    kind: 'own words: the other way round',
    plant: inOwnWords((text, { step }, job) =>
      step.faces?.end
        ? `${text.replace(/[.]$/, '')}, ${step.faces.end} facing away from ${towardOf(step, job)}.`
        : text,
    ),
  },
];

const SISTER: readonly Mistake[] = [
  {
    kind: "the sister's figure beside the right one",
    plant: (job) =>
      job.typed.filter(does('torque')).map((line) => {
        const torque = line.step.torque;
        const again = {
          ...line.step,
          id: 'again',
          ...(torque && {
            torque: { ...torque, figure: { ...torque.figure, value: Math.round(torque.figure.value * 1.25) } },
          }),
        };
        const { steps } = job.workbook.procedure;
        return {
          workbook: {
            ...job.workbook,
            procedure: { ...job.workbook.procedure, steps: steps.toSpliced(line.index + 1, 0, again) },
          },
          parts: line.parts,
          keys: [line.key],
          what: line.line,
        };
      }),
  },
  {
    kind: 'the face of a sister on the page of the part',
    plant: resaid((part) =>
      part.keyed && part.faces?.end
        ? { faces: { ...part.faces, toward: { ...part.faces.toward, away: true } } }
        : undefined,
    ),
  },
  {
    kind: 'fewer on the page of the part than the steps say',
    plant: resaid((part) => (part.count > 2 ? { count: part.count - 1 } : undefined)),
  },
];

const told = (say: (line: TypedLine, job: TypedJob) => string | undefined) =>
  refilled((line, job) => {
    const text = say(line, job);
    return text === undefined ? undefined : { detail: [line.step.detail, text].filter(Boolean).join(' ') };
  });
const plural = (name: string) => `${name}s`;

const WORDS: readonly Mistake[] = [
  {
    kind: 'words: the wrong way to turn',
    plant: told((line) =>
      does('loosen')(line) ? 'Turn them clockwise.' : does('torque')(line) ? 'Counter-clockwise.' : undefined,
    ),
  },
  { kind: 'words: a step that is not there', plant: told((line) => (refits(line) ? 'As in step 214.' : undefined)) },
  {
    kind: 'words: only a first pass',
    plant: told((line) => (does('torque')(line) && !line.step.detail ? 'First pass.' : undefined)),
  },
  {
    kind: 'words: up for down',
    plant: told(({ step, index }, { workbook }) => {
      const lain = workbook.procedure.steps.findIndex(({ pose }) => pose);
      const component = workbook.series.components.find(({ id }) => id === step.targets[0]?.componentId);
      return refits({ verb: step.verb } as TypedLine) &&
        lain >= 0 &&
        index > lain &&
        step.faces?.end &&
        component?.hostId &&
        step.faces.toward.is === 'pressure'
        ? `${step.faces.end} up.`
        : undefined;
    }),
  },
  {
    kind: 'words: another figure',
    plant: told(({ step }) => step.torque && `Tighten to ${step.torque.figure.value + 15} N·m.`),
  },
  {
    kind: 'words: a figure where the step has none',
    plant: told((line) => (does('start-by-hand')(line) ? 'Tighten to 31 N·m.' : undefined)),
  },
  {
    kind: 'words: a figure without unit',
    plant: told(({ step }) => (step.torque ? 'Tighten to 218 pounds.' : undefined)),
  },
  {
    kind: 'words: to specification',
    plant: refilled((line) =>
      does('torque')(line) ? { torque: undefined, detail: 'Tighten to specification.' } : undefined,
    ),
  },
  { kind: 'words: as shown', plant: told((line) => (refits(line) ? 'As shown in the diagram.' : undefined)) },
  {
    kind: 'words: another tool',
    plant: told((line) => (takes(line) && line.step.toolIds.length > 0 ? 'Use a 14 mm spanner.' : undefined)),
  },
  {
    kind: 'words: another size',
    plant: told((line) =>
      /\/(socket|hex key|spanner), \d+ mm/.test(line.line)
        ? line.line.replace(/.*\/(socket|hex key|spanner), \d+ mm.*/, 'Use the 41 mm $1.')
        : undefined,
    ),
  },
  {
    kind: 'words: the other way round',
    plant: told(({ step }) =>
      step.faces?.end && step.faces.toward.is === 'pressure'
        ? `The ${step.faces.end} faces away from the pressure.`
        : undefined,
    ),
  },
  {
    kind: 'words: the other side',
    plant: told((line, { job }) => {
      const set = job.positionSets.find(({ positions }) => positions.some(({ id }) => id === line.step.positionIds[0]));
      const [one, other] = set?.positions ?? [];
      if (!one || !other || !refits(line) || line.step.fromPositionId) return undefined;
      return line.step.positionIds.length > 1 ? `Only at the ${other.name}.` : undefined;
    }),
  },
  {
    kind: 'words: another number',
    plant: told((line, job) => {
      const [name = ''] = line.parts;
      const count = partNamed(job, name)?.count ?? 1;
      return count > 2 && (refits(line) || does('torque')(line))
        ? `All ${count - 2} ${plural(name)} go in.`
        : undefined;
    }),
  },
  {
    kind: 'words: the old one again',
    plant: told((line, job) =>
      refits(line) && partNamed(job, line.parts[0] ?? '')?.renewal === 'always'
        ? `Refit the old ${line.parts[0]}.`
        : undefined,
    ),
  },
  {
    kind: 'words: another grease',
    plant: told((line) =>
      refits(line) && line.step.applications.length > 0 ? 'Coat it with petroleum jelly.' : undefined,
    ),
  },
  {
    kind: 'words: dry against grease',
    plant: told((line) => (refits(line) && line.step.applications.length > 0 ? 'Fit it dry.' : undefined)),
  },
  { kind: 'words: another time', plant: told((line) => (does('soak')(line) ? 'Soak for 5 minutes.' : undefined)) },
  {
    kind: 'words: a tool that nobody laid out',
    plant: told((line) =>
      refits(line) && line.step.toolIds.length === 0 ? 'Tap it home with a brass drift.' : undefined,
    ),
  },
  {
    kind: 'words: pried on one side',
    plant: told((line, job) =>
      takes(line) && partNamed(job, line.parts[0] ?? '')?.brittle ? 'Lever it out with a screwdriver.' : undefined,
    ),
  },
  {
    kind: 'words: an impact wrench',
    plant: told((line) => (does('torque')(line) ? 'Finish with the impact wrench.' : undefined)),
  },
];

export const FILLING_MISTAKES: readonly Mistake[] = [...FIELDS, ...SISTER, ...WORDS, ...OWN_WORDS];
