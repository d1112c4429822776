import type { WrittenWhere } from '../../edits/written';

/** What words and fields can differ in. */
export type DifferentIn =
  | 'figure'
  | 'tool'
  | 'part'
  | 'face'
  | 'count'
  | 'size'
  | 'place'
  | 'consumable'
  | 'dry'
  | 'old'
  | 'time'
  | 'turning';

/** Something that only one of the two says: words of the trainer, or the fields of the step. */
export interface TextDifference {
  readonly what: DifferentIn;
  readonly only: 'text' | 'step';
  readonly name: string;
  readonly where: WrittenWhere;
}

export type Difference = Omit<TextDifference, 'where'>;
