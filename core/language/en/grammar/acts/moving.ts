import type { NounPhrase } from '../names/noun-phrase';
import type { Sentence } from '../names/sentence';
import type { Movement, Way } from '../words/operations';
import type { Meant } from './meant';
import type { Reading } from './reading';

/** A verb that moves something, with what it moves and what stands behind. */
export interface Moving {
  readonly reading: Reading;
  readonly sentence: Sentence;
  readonly movement: Movement;
  readonly phrase: string;
  readonly ways: readonly Way[];
  readonly objects: readonly NounPhrase[];
  readonly object: NounPhrase | undefined;
  /** The names of what is moved, in lower case. */
  readonly objectText: string;
  /** The word behind what is moved and its ways. */
  readonly at: number;
  /** The whole order from its verb on. */
  readonly told: string;
  /** Where a place is told, behind a manner and which way it faces; its words up to the next comma. */
  readonly where: number;
  readonly bench: string;
  readonly isFacing: boolean;
}

export interface Case {
  readonly name: string;
  /** 'asked' where it could mean several things. */
  readonly means: (moving: Moving) => Meant | 'asked' | undefined;
}
