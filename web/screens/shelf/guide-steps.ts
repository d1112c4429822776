/** As much of the shelf as tells how far one has come. */
export interface GuideSeries {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly procedures: readonly {
    readonly id: string;
    readonly steps: number;
    readonly stops: number;
    readonly release: unknown;
  }[];
}

/** How many of the four are done, one after the other. */
export function stepsDone(series: readonly GuideSeries[]): number {
  const procedures = series.flatMap((one) => one.procedures);
  const done = [
    series.length > 0,
    procedures.some(({ steps }) => steps > 0),
    procedures.some(({ steps, stops, release }) => steps > 0 && (stops === 0 || release)),
    procedures.some(({ release }) => release),
  ];
  const open = done.findIndex((is) => !is);
  return open < 0 ? done.length : open;
}
