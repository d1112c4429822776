import type { Component } from '../../model/series';
import { RUN_UNITS } from '../../proving/run';
import type { Quantity } from '../../quantity/schema';
import type { JobSummary } from '../../record/summary';
import { sayPointedTo } from './causes';
import { counted } from './counted';
import { sayFound } from './found';
import { sayProof } from './proofs';
import { componentPhrase, listing } from './sentence';

/** One thing a record says first, with its lines. */
export interface SummarySection {
  readonly title: string;
  readonly lines: readonly string[];
  /** Not as it should be. */
  readonly isOdd?: boolean;
}

export interface SummaryWords {
  readonly nameOf: (personId: string) => string;
  /** A quantity in the units of the reader. */
  readonly say: (quantity: Quantity, digits?: number) => string;
  /** "2 h 10 min" of minutes. */
  readonly duration: (minutes: number) => string;
}

const FOLLOWS = { reuse: 'used again', renew: 'to be renewed', refer: 'referred' };

/** "31.978 mm" and "31.98 mm" as "31.978 mm" and "31.980 mm". */
function alikeInDecimals(said: readonly string[]): string[] {
  const decimals = said.map((text) => DECIMALS.exec(text)?.[2]?.length ?? 0);
  const most = Math.max(...decimals);
  return said.map((text, i) =>
    text.replace(DECIMALS, (_, whole: string, part = '') => {
      const zeros = '0'.repeat(most - (decimals[i] ?? 0));
      return most > 0 ? `${whole}.${part}${zeros}` : whole;
    }),
  );
}

const DECIMALS = /^([\d,]+)(?:\.(\d+))?/;

/** What the first page of a record says. For the customer without names, skipped checks and what the office has to get. */
export function summarySections(
  summary: JobSummary,
  { nameOf, say, duration }: SummaryWords,
  reader: 'workshop' | 'customer',
): SummarySection[] {
  const { done, toDo, time, people, checkedBy, renewed, found, measured, tightened, tests, proved } = summary;
  const isWorkshop = reader === 'workshop';
  const paused = time.paused >= 1 ? `, ${duration(time.paused)} paused` : '';
  const sections: SummarySection[] = [
    {
      title: 'Done',
      lines: [
        `${done} of ${counted(toDo, 'step', 'steps')}, ${duration(time.worked)} of work${isWorkshop ? paused : ''}, ${counted(summary.photos, 'photo', 'photos')}`,
        ...(isWorkshop
          ? [listing(people.map(({ id, steps }) => `${nameOf(id)} (${counted(steps, 'step', 'steps')})`))]
          : []),
        ...(checkedBy.length > 0 ? [`Checked by a second person: ${listing(checkedBy.map(nameOf))}`] : []),
      ],
    },
    {
      title: 'Found',
      lines: [
        ...found.map(
          (one) =>
            `${[one.component?.name, one.place, one.where].filter(Boolean).join(', ')}: ${sayFound(one)}, ${FOLLOWS[one.follows]}`,
        ),
        ...summary.pointsTo.flatMap((pointed) => {
          const { why, todo } = sayPointedTo(pointed);
          return [`${why} ${todo}`];
        }),
      ],
      isOdd: true,
    },
    { title: 'Renewed', lines: renewed.map(({ component, count }) => pieces(component, count)) },
    {
      title: 'Measured',
      lines: measured.map(({ what, component, place, smallest, largest, isWithin }) => {
        const sizes = alikeInDecimals([...new Set([smallest, largest].map((size) => say(size, 6)))]);
        return `${[component?.name, place, what].filter(Boolean).join(', ')}: ${sizes.join(' to ')}, ${isWithin ? 'within its limits' : 'out of its limits'}`;
      }),
    },
    {
      title: 'Tightened',
      lines: tightened.map(
        ({ component, torque, count, within }) =>
          `${component?.name ?? ''} to ${say(torque.figure, 3)}: ${within} of ${counted(count, 'reading', 'readings')} within`,
      ),
    },
    { title: 'Checked by hand', lines: proved.map(({ proof, verdict }) => sayProof(proof, verdict)) },
    {
      title: 'Test run',
      lines: tests.flatMap(({ values, faults }) =>
        faults.length > 0
          ? ['The run says nothing of the pump.']
          : values.map(({ what, value, from, to, verdict }) => {
              const figure = (one: number, digits: number) =>
                say({ value: Number(one.toPrecision(digits)), unit: RUN_UNITS[what] }, digits);
              const least = from === undefined ? 'at most' : `${figure(from, 3)} to`;
              return `${RUN_WORDS[what]} ${figure(value, 4)}, ${least} ${figure(to, 3)}: ${RUN_VERDICTS[verdict]}`;
            }),
      ),
    },
  ];
  if (isWorkshop) {
    sections.push(
      {
        title: 'Parts to get',
        lines: summary.partsWanted.map(({ component, count, stops }) =>
          [pieces(component, count), component.partNumber, stops && `needed for step ${stops.index + 1}`]
            .filter(Boolean)
            .join(', '),
        ),
        isOdd: true,
      },
      {
        title: 'Skipped and reported',
        lines:
          summary.skipped + summary.problems > 0
            ? [
                [
                  summary.skipped > 0 && `${counted(summary.skipped, 'check', 'checks')} skipped`,
                  summary.problems > 0 && `${counted(summary.problems, 'problem', 'problems')} reported`,
                ]
                  .filter(Boolean)
                  .join(', '),
              ]
            : [],
        isOdd: true,
      },
    );
  }
  return sections.filter(({ lines }) => lines.some(Boolean));
}

function pieces(component: Component, count: number): string {
  return count > 1 ? `${count} ${componentPhrase(component, count, false)}` : componentPhrase(component, count, false);
}

const RUN_WORDS = { flow: 'Flow', pressure: 'Pressure', power: 'Power' };
const RUN_VERDICTS = { within: 'accepted', low: 'too low', high: 'too high' };
