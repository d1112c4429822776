/* What is proved by hand before a pump is handed back, without a test bench. Apart from its schema, for the bench. */

/** In the order in which they are done: turned before it is filled and run, then watched. */
export const PROOFS = ['turning', 'level', 'leak'] as const;
export type ProofName = (typeof PROOFS)[number];

/** How a shaft feels that is turned by hand. */
export const FELT = ['free', 'heavy', 'tight-spot', 'rough', 'stuck'] as const;
export type Felt = (typeof FELT)[number];

/** Where the oil stands, by the mark. */
export const STANDS = ['at', 'below', 'above'] as const;
export type Stands = (typeof STANDS)[number];

/** What may be asked: so many turns, and so many minutes and drops a minute of a leak check. */
export const MOST_TURNS = 100;
export const LEAK_MINUTES = { least: 0.5, most: 1440 } as const;
export const MOST_DROPS_A_MINUTE = 600;

/** What a step asks to be proved. */
export interface ProofsAsked {
  readonly turning?: { readonly turns: number } | undefined;
  /** Where the oil has to stand; "half way up the sight glass". */
  readonly level?: { readonly mark?: string | undefined } | undefined;
  /** Watched for so many minutes, with at most so many drops in a minute. */
  readonly leak?: { readonly minutes: number; readonly drops: number } | undefined;
}

/** What came out. */
export type Proof =
  | { readonly what: 'turning'; readonly felt: Felt }
  | { readonly what: 'level'; readonly stands: Stands }
  | Leak;

/** How many drops came while it was watched. */
export interface Leak {
  readonly what: 'leak';
  readonly seconds: number;
  readonly drops: number;
}

/** Watched too short, a pump that seems dry is not proved; one that leaks too much already is. */
export type ProofVerdict = 'good' | 'bad' | 'too-short';

/** A watch ends after a week, and no more drops than these are counted in it. */
export const LONGEST_WATCH_S = 7 * 86_400;
export const MOST_DROPS = 100_000;

/** Judges what came out by what was asked; undefined where it was not asked. */
export function judgeProof(proof: Proof, { turning, level, leak }: ProofsAsked): ProofVerdict | undefined {
  switch (proof.what) {
    case 'turning':
      return turning && (proof.felt === 'free' ? 'good' : 'bad');
    case 'level':
      return level && (proof.stands === 'at' ? 'good' : 'bad');
    case 'leak':
      return leak && judgeLeak(proof, leak);
  }
}

function judgeLeak({ seconds, drops }: Leak, allowed: NonNullable<ProofsAsked['leak']>): ProofVerdict {
  const watched = seconds / MINUTE_S;
  if (drops > allowed.drops * Math.max(watched, allowed.minutes)) return 'bad';
  return watched < allowed.minutes ? 'too-short' : 'good';
}

const MINUTE_S = 60;

/** Drops in a minute, while it was watched. */
export function dropsPerMinute({ seconds, drops }: Leak): number {
  return seconds > 0 ? (drops * MINUTE_S) / seconds : 0;
}

/** Drops in a millilitre of water, about (common practice; the dropper of pharmacopoeias, from memory). */
const DROPS_IN_ML = 20;

/** What so many drops in a minute come to, in millilitres an hour; a rough figure. */
export function leakage(perMinute: number): number {
  return (perMinute * 60) / DROPS_IN_ML;
}
