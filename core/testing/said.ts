import { parseLine } from '../line/parse-line';
import type { Series } from '../model/series';

/** What a line is read as, each step in one text: "take-off: 4 cover nuts; crosswise". A line that asks fails. */
export function tellerOf(series: Series): (line: string) => string[] {
  return (line) => {
    const { steps, faults, doubts } = parseLine(line, series);
    expect([line, faults, doubts]).toEqual([line, [], []]);
    return steps.map(({ verb, parts, about, into, detail, positionIds }) =>
      [
        `${verb}: ${about ?? parts.map(({ name, count }) => `${count ?? ''} ${name}`.trim()).join(', ')}`.trim(),
        into && `into ${into}`,
        detail,
        positionIds.length > 0 && `at ${positionIds.length}`,
      ]
        .filter(Boolean)
        .join('; '),
    );
  };
}

/** Whether a line asks before it is added. */
export function asks(line: string, series: Series): boolean {
  const { faults, doubts } = parseLine(line, series);
  return faults.length + doubts.length > 0;
}
