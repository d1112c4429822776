import type { Step } from '../model/procedure';
import { Cells } from './cells';
import { Facts } from './facts';
import type { Structure } from './structure';
import type { Questions, Ways } from './ways';

/** All that a replay carries from one step to the next: the facts, and where to look for those that matter. */
export class Carried {
  readonly facts: Facts;
  readonly cells: Cells;
  readonly away: Map<string, number>;
  readonly isolations: Map<string, Step>;
  readonly drains: Map<string, Step>;
  readonly aids: Set<string>;
  readonly loose: Set<string>;
  /** On which ways each question was asked. */
  readonly asked: Map<string, Ways>;
  /** Some ways were left out before this moment. */
  tooManyWays: boolean;

  constructor(structure: Structure, questions: Questions, from?: Carried) {
    this.facts = from ? from.facts.copy() : new Facts(structure, questions);
    this.cells = new Cells(structure, from?.cells.list);
    this.away = new Map(from?.away);
    this.isolations = new Map(from?.isolations);
    this.drains = new Map(from?.drains);
    this.aids = new Set(from?.aids);
    this.loose = new Set(from?.loose);
    this.asked = new Map(from?.asked);
    this.tooManyWays = from?.tooManyWays ?? false;
  }

  copy(): Carried {
    return new Carried(this.facts.structure, this.facts.questions, this);
  }

  /** Forgets what is surely home, tight or done, so that looking through what is open stays short. */
  tidy(): void {
    const { facts } = this;
    for (const id of this.away.keys()) {
      const variants = facts.variants('offAt', id);
      if (variants.length === 1 && variants[0]?.value === null) this.away.delete(id);
    }
    for (const id of this.loose) {
      const variants = facts.variants('thread', id);
      if (variants.length === 1 && (variants[0]?.value === 'torqued' || variants[0]?.value === 'tight'))
        this.loose.delete(id);
    }
  }
}
