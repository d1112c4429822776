import type { Dimension } from '../quantity/units';

/* Words and limits of a procedure. Apart from its schema, since the bench needs them and no schemas. */

/** Signal words of ANSI Z535.6, from the gravest down; NOTICE is for damage to property only. */
export const SIGNAL_WORDS = ['DANGER', 'WARNING', 'CAUTION', 'NOTICE'] as const;
export type SignalWord = (typeof SIGNAL_WORDS)[number];

/** Where the work is done: with vice and bench, or from the back of a van. */
export const SETTINGS = ['workshop', 'field'] as const;
export type Setting = (typeof SETTINGS)[number];

/** What is measured at the bench: a length, or the force of a spring. */
export const MEASURED_DIMENSIONS: readonly Dimension[] = ['length', 'force'];
