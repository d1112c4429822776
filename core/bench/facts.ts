import { FIELDS, type FieldName, type ValueOf } from './fields';
import type { Structure } from './structure';
import type { Place } from './units';
import { EVERY_WAY, NO_WAY, type Questions, type Route, type Ways } from './ways';

/** One value of a fact, and the ways on which it is so. */
export interface Variant<T> {
  readonly ways: Ways;
  readonly value: T;
}

type Variants<T> = readonly Variant<T>[];

/** More ways at once than this are not told apart in one step; the checker says so. */
export const MOST_WAYS = 512;

/**
 * The bench on all ways at once. Each fact is kept by itself, once for each value it has on some way; where it is the
 * same on all of them it is kept once. Nothing is ever "joined": a difference costs only the steps that look at it, and
 * none can be lost.
 */
export class Facts {
  private readonly tables: Map<FieldName, Map<string, Variants<unknown>>>;
  /** Tables that no copy shares; the others are copied before they are written. */
  private readonly own = new Set<FieldName>();

  constructor(
    readonly structure: Structure,
    readonly questions: Questions,
    from?: Facts,
  ) {
    this.tables = new Map(from?.tables);
  }

  copy(): Facts {
    this.own.clear();
    return new Facts(this.structure, this.questions, this);
  }

  variants<F extends FieldName>(name: F, key: string): Variants<ValueOf<F>> {
    const there = this.tables.get(name)?.get(key);
    return (there as Variants<ValueOf<F>> | undefined) ?? [{ ways: EVERY_WAY, value: this.start(name, key) }];
  }

  /** The keys that a fact was ever changed for. */
  touched(name: FieldName): string[] {
    return [...(this.tables.get(name)?.keys() ?? [])];
  }

  /** The value on one way. */
  on<F extends FieldName>(name: F, key: string, route: Route): ValueOf<F> {
    const variants = this.variants(name, key);
    const found = variants.length === 1 ? variants[0] : variants.find(({ ways }) => this.questions.holds(ways, route));
    return found ? found.value : this.start(name, key);
  }

  set(name: FieldName, key: string, ways: Ways, value: unknown): void {
    const isSame = FIELDS[name].same as (a: unknown, b: unknown) => boolean;
    const table = this.writable(name);
    if (ways === EVERY_WAY) {
      table.set(key, [{ ways, value }]);
      return;
    }
    const next: Variant<unknown>[] = [];
    let mine = ways;
    for (const variant of this.variants(name, key)) {
      const rest = this.questions.without(variant.ways, ways);
      if (rest === NO_WAY) continue;
      if (isSame(variant.value, value)) mine = this.questions.either(mine, rest);
      else next.push(rest === variant.ways ? variant : { ways: rest, value: variant.value });
    }
    next.push({ ways: mine, value });
    table.set(key, next);
  }

  private writable(name: FieldName): Map<string, Variants<unknown>> {
    const there = this.tables.get(name);
    if (there && this.own.has(name)) return there;
    const table = new Map(there);
    this.tables.set(name, table);
    this.own.add(name);
    return table;
  }

  private start<F extends FieldName>(name: F, key: string): ValueOf<F> {
    return FIELDS[name].start(this.structure, key) as ValueOf<F>;
  }
}

/**
 * The bench at one moment, on as many ways as what was looked at so far allows. Reading a fact that differs among them
 * narrows the ways to those with one of its values and leaves the others to be gone through afterwards.
 */
export class Now {
  readonly forks: Ways[] = [];
  private readonly written = new Map<FieldName, Map<string, unknown>>();

  constructor(
    private readonly facts: Facts,
    public ways: Ways,
  ) {}

  read<F extends FieldName>(name: F, key: string): ValueOf<F> {
    const written = this.written.get(name);
    if (written?.has(key)) return written.get(key) as ValueOf<F>;
    const variants = this.facts.variants(name, key);
    const [only] = variants;
    return variants.length === 1 && only ? only.value : this.choose(variants);
  }

  /** One of several values, each on ways of its own; the other ways come later. */
  choose<T>(variants: Variants<T>): T {
    const { questions } = this.facts;
    let chosen: { ways: Ways; value: T } | undefined;
    for (const { ways, value } of variants) {
      const shared = questions.both(ways, this.ways);
      if (shared === NO_WAY) continue;
      if (chosen) this.forks.push(shared);
      else chosen = { ways: shared, value };
    }
    if (!chosen) throw new Error('a fact has no value on some way');
    this.ways = chosen.ways;
    return chosen.value;
  }

  write<F extends FieldName>(name: F, key: string, value: ValueOf<F>): void {
    const written = this.written.get(name) ?? new Map<string, unknown>();
    this.written.set(name, written.set(key, value));
  }

  commit(): void {
    for (const [name, written] of this.written)
      for (const [key, value] of written) this.facts.set(name, key, this.ways, value);
  }
}

/** What some work comes to, on which ways; `complete` is false where ways had to be left out. */
export interface Explored<T> {
  readonly outcomes: Variant<T>[];
  readonly complete: boolean;
}

/** Does some work on all these ways: once for all that agree in what the work looks at. */
export function explore<T>(facts: Facts, within: Ways, work: (now: Now) => T, commits: boolean): Explored<T> {
  const outcomes: Variant<T>[] = [];
  const done: Now[] = [];
  const open = within === NO_WAY ? [] : [within];
  while (done.length < MOST_WAYS) {
    const ways = open.pop();
    if (!ways) break;
    const now = new Now(facts, ways);
    const value = work(now);
    open.push(...now.forks);
    done.push(now);
    outcomes.push({ ways: now.ways, value });
  }
  // Written only when all is read: no way sees what another one did.
  if (commits) for (const now of done) now.commit();
  return { outcomes, complete: open.length === 0 };
}

/** Outcomes that are the same are one, on the ways of all of them. */
export function merged<T>(
  outcomes: readonly Variant<T>[],
  questions: Questions,
  keyOf: (value: T) => string,
): Variant<T>[] {
  if (outcomes.length < 2) return [...outcomes];
  const byKey = new Map<string, Variant<T>>();
  for (const { ways, value } of outcomes) {
    const key = keyOf(value);
    const known = byKey.get(key);
    byKey.set(key, known ? { ways: questions.either(known.ways, ways), value: known.value } : { ways, value });
  }
  return [...byKey.values()];
}

/** Where the unit in use of a piece is: one that is home is wherever what it sits in is. */
export function placeOfPiece(pieceId: string, read: Now['read']): Place {
  const at = read('at', pieceId);
  if (at !== 'home') return at;
  const host = read('host', pieceId);
  return host === null ? 'pump' : placeOfPiece(host, read);
}
