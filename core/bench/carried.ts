import type { Step } from '../model/procedure';
import { Away } from './away';
import { Cells } from './cells';
import { Facts } from './facts';
import type { Structure } from './structure';
import type { Questions, Ways } from './ways';

/** All that a replay carries from one step to the next: the facts, and where to look for those that matter. */
export class Carried {
  readonly facts: Facts;
  readonly cells: Cells;
  readonly away: Away;
  /** The first step that takes each piece off, on whichever way. */
  readonly takenFirst: Map<string, number>;
  /** The isolations and locks that may be on, by what they isolate, with the step that put them on. */
  readonly isolations: Map<string, Step>;
  /** Steps that drained something. */
  readonly drains: Map<string, Step>;
  /** Aids that were put in. */
  readonly aids: Set<string>;
  /** Threads that may be loose or only started by hand. */
  readonly loose: Set<string>;
  /** On which ways each question was asked. */
  readonly asked: Map<string, Ways>;
  /** Some ways were left out before this moment. */
  tooManyWays: boolean;

  constructor(structure: Structure, questions: Questions, from?: Carried) {
    this.facts = from ? from.facts.copy() : new Facts(structure, questions);
    this.cells = new Cells(structure, from?.cells);
    this.away = new Away(from?.away);
    this.takenFirst = new Map(from?.takenFirst);
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

  /** Forgets a piece that is surely home or tight, so that looking through what is open stays short. */
  tidy(pieceId: string): void {
    const { facts, away, loose } = this;
    const [off, otherwise] = facts.variants('offAt', pieceId);
    if (!otherwise && off?.value === null) away.delete(pieceId);
    if (!loose.has(pieceId)) return;
    const [thread, differs] = facts.variants('thread', pieceId);
    if (!differs && (thread?.value === 'torqued' || thread?.value === 'tight')) loose.delete(pieceId);
  }
}
