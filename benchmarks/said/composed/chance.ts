import fc from 'fast-check';

/** Numbers by which something is picked: the same ones for the same seed. */
export class Chance {
  private readonly numbers: Iterator<number>;

  constructor(seed: number) {
    const [stream] = fc.sample(fc.infiniteStream(fc.nat(2 ** 30)), { seed, numRuns: 1 });
    if (!stream) throw new Error('no numbers');
    this.numbers = stream[Symbol.iterator]();
  }

  number(): number {
    return (this.numbers.next().value as number) >>> 3;
  }

  pick<T>(list: readonly T[]): T {
    return list[this.number() % list.length] as T;
  }

  isIn(times: number, of: number): boolean {
    return this.number() % of < times;
  }
}
