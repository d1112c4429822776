/**
 * Sets of ways through a procedure. A way answers every question; a set of them is a decision diagram: a node asks one
 * question and leads on by each answer. Equal sets are one object, so comparing two costs nothing, and ten questions
 * that have nothing to do with one another stay ten small nodes instead of a thousand ways.
 */
export interface Ways {
  readonly id: number;
  /** Index of the question asked here; `Number.MAX_SAFE_INTEGER` at the two ends. */
  readonly question: number;
  readonly branches: readonly Ways[];
}

const LEAF = Number.MAX_SAFE_INTEGER;
export const NO_WAY: Ways = { id: 0, question: LEAF, branches: [] };
export const EVERY_WAY: Ways = { id: 1, question: LEAF, branches: [] };

/** For each question asked on a way the answer given. */
export type Route = ReadonlyMap<string, string>;

export interface Question {
  /** The step that asks, and the place where it asks at each place. */
  readonly key: string;
  readonly answers: readonly string[];
}

/** Beyond this many nodes the diagrams of a long session are thrown away and begun anew. */
const MOST_NODES = 400_000;

export class Questions {
  private readonly list: Question[] = [];
  private readonly indexOf = new Map<string, number>();
  private readonly nodes = new Map<string, Ways>();
  private readonly known = {
    both: new Map<number, Ways>(),
    either: new Map<number, Ways>(),
    without: new Map<number, Ways>(),
  };
  private nextId = 2;

  /** Asks what is not asked yet; false when a known question has other answers now, so that nothing kept here holds. */
  ask(questions: readonly Question[]): boolean {
    if (this.nextId > MOST_NODES) return false;
    for (const { key, answers } of questions) {
      const known = this.list[this.indexOf.get(key) ?? -1];
      if (known && (known.answers.length !== answers.length || known.answers.some((id, i) => id !== answers[i])))
        return false;
    }
    for (const question of questions) {
      if (this.indexOf.has(question.key)) continue;
      this.indexOf.set(question.key, this.list.length);
      this.list.push(question);
    }
    return true;
  }

  /** The ways on which a question is answered with one of these; none where nobody asks it. */
  where(key: string, answers: readonly string[]): Ways {
    const question = this.indexOf.get(key);
    if (question === undefined) return NO_WAY;
    return this.node(
      question,
      (this.list[question]?.answers ?? []).map((id) => (answers.includes(id) ? EVERY_WAY : NO_WAY)),
    );
  }

  both(a: Ways, b: Ways): Ways {
    if (a === EVERY_WAY || a === b) return b;
    if (b === EVERY_WAY) return a;
    if (a === NO_WAY || b === NO_WAY) return NO_WAY;
    return this.combine('both', a.id < b.id ? a : b, a.id < b.id ? b : a);
  }

  either(a: Ways, b: Ways): Ways {
    if (a === NO_WAY || a === b) return b;
    if (b === NO_WAY) return a;
    if (a === EVERY_WAY || b === EVERY_WAY) return EVERY_WAY;
    return this.combine('either', a.id < b.id ? a : b, a.id < b.id ? b : a);
  }

  /** The ways of `a` that are not among `b`. */
  without(a: Ways, b: Ways): Ways {
    if (a === NO_WAY || b === EVERY_WAY || a === b) return NO_WAY;
    if (b === NO_WAY) return a;
    return this.combine('without', a, b);
  }

  /** The shortest list of answers that is enough to be on one of these ways; undefined for no way at all. */
  sample(ways: Ways): Route | undefined {
    const shortest = new Map<Ways, readonly (readonly [number, number])[] | null>([
      [EVERY_WAY, []],
      [NO_WAY, null],
    ]);
    const find = (node: Ways): readonly (readonly [number, number])[] | null => {
      const there = shortest.get(node);
      if (there !== undefined) return there;
      let best: readonly (readonly [number, number])[] | null = null;
      node.branches.forEach((branch, answer) => {
        const rest = find(branch);
        if (rest && (!best || rest.length + 1 < best.length)) best = [[node.question, answer] as const, ...rest];
      });
      shortest.set(node, best);
      return best;
    };
    const found = find(ways);
    if (!found) return undefined;
    return new Map(
      found.flatMap(([question, answer]) => {
        const asked = this.list[question];
        return asked ? [[asked.key, asked.answers[answer] ?? ''] as const] : [];
      }),
    );
  }

  /** Whether a way is among these; a question it does not answer takes its first answer. */
  holds(ways: Ways, route: Route): boolean {
    let node = ways;
    while (node.question !== LEAF) {
      const { key, answers } = this.list[node.question] ?? { key: '', answers: [] };
      const answer = Math.max(0, answers.indexOf(route.get(key) ?? answers[0] ?? ''));
      node = node.branches[answer] ?? NO_WAY;
    }
    return node === EVERY_WAY;
  }

  /** The keys of the questions on whose answers it depends whether a way is among these. */
  asked(ways: Ways): string[] {
    const seen = new Set<Ways>();
    const keys = new Set<string>();
    const visit = (node: Ways) => {
      if (node.question === LEAF || seen.has(node)) return;
      seen.add(node);
      keys.add(this.list[node.question]?.key ?? '');
      node.branches.forEach(visit);
    };
    visit(ways);
    return [...keys];
  }

  private combine(how: 'both' | 'either' | 'without', a: Ways, b: Ways): Ways {
    const key = a.id * MOST_NODES * 4 + b.id;
    const there = this.known[how].get(key);
    if (there) return there;
    const question = Math.min(a.question, b.question);
    const count = this.list[question]?.answers.length ?? 0;
    const branches = Array.from({ length: count }, (_, i) => {
      const [one, other] = [a.question === question ? a.branches[i] : a, b.question === question ? b.branches[i] : b];
      return this[how](one ?? NO_WAY, other ?? NO_WAY);
    });
    const made = this.node(question, branches);
    this.known[how].set(key, made);
    return made;
  }

  private node(question: number, branches: readonly Ways[]): Ways {
    const [first = NO_WAY] = branches;
    if (branches.every((branch) => branch === first)) return first;
    const key = `${question}:${branches.map(({ id }) => id).join(',')}`;
    const there = this.nodes.get(key);
    if (there) return there;
    const made: Ways = { id: this.nextId, question, branches };
    this.nextId += 1;
    this.nodes.set(key, made);
    return made;
  }
}
