import { inDigits } from '../language/en/grammar/words/words';
import type { Step } from '../model/procedure';
import { LEAK_MINUTES, MOST_DROPS_A_MINUTE, MOST_TURNS, type ProofsAsked } from '../proving/proofs';

/*
 * What the words of a step ask to be proved by hand: "turn the shaft by hand two full turns", "check the oil level",
 * "look for leaks for ten minutes".
 */

type Proving = Pick<Step, 'proofs' | 'minutes'>;

/** The check that a step asks for in its words; a time for which leaks are watched is the check's own. */
export function proofsSaid({ verb, stage, about = '', detail = '', why = '', minutes }: Step): Proving {
  const words = inDigits([about, detail, why].join(' '));
  const proofs: ProofsAsked | undefined = isTurned(verb, words, stage === 'prove')
    ? { turning: { turns: turnsIn(words) } }
    : isLevelLookedAt(verb, about)
      ? { level: markIn(detail) }
      : isWatched(minutes) && LOOKS.includes(verb) && LEAKS.test(words)
        ? { leak: { minutes, drops: dropsIn(words) } }
        : undefined;
  if (!proofs) return { ...(minutes !== undefined && { minutes }) };
  return { proofs, ...(minutes !== undefined && !proofs.leak && { minutes }) };
}

const LOOKS: readonly Step['verb'][] = ['test', 'inspect'];
const BY_HAND = /\bby hand\b/;
const FREELY =
  /\b(?:turns?|moves?|spins?|runs?) (?:freely|smoothly|easily|free)\b|\b(?:bind|binding|rub|rubs|touch(?:es)?|tight spots?|stiff)\b/;
const LEAKS = /\b(?:leaks?|leaking|leakage|drips?|dripping|weeps?|weeping|tightness)\b/;

/** Turned by hand at the end, or to feel how it turns: while it is taken apart a shaft is turned to reach something. */
function isTurned(verb: Step['verb'], words: string, isProving: boolean): boolean {
  if (verb === 'turn') return BY_HAND.test(words) && (isProving || FREELY.test(words));
  return LOOKS.includes(verb) && BY_HAND.test(words) && FREELY.test(words);
}

function isLevelLookedAt(verb: Step['verb'], about: string): boolean {
  return LOOKS.includes(verb) && /^(?:the )?(?:[\w-]+ )?oil level\b|^level of the oil\b/i.test(about);
}

/** "At the middle of the sight glass". */
function markIn(detail: string): { mark?: string } {
  const mark = /^(?:is )?(?:at|to|up to|in|by) (?:the )?([^,.;]{3,100})/i.exec(detail.trim())?.[1]?.trim();
  return mark ? { mark: `the ${mark}` } : {};
}

/** "2 full turns", "3 times", "twice", "a couple of turns"; once where no number is said. */
function turnsIn(words: string): number {
  if (/\b(?:twice|a couple of|a few)\b/.test(words)) return 2;
  const said = /\b(\d+) (?:(?:full|complete|whole) )?(?:turns?|times|revolutions?|rotations?)\b/.exec(words)?.[1];
  return Math.min(Math.max(Number(said ?? 1), 1), MOST_TURNS);
}

/** "No more than 3 drops a minute"; dry where none are allowed. */
function dropsIn(words: string): number {
  const said = /\b(\d+) drops? (?:a|per|in a|each) min(?:ute)?\b/.exec(words)?.[1];
  return Math.min(Number(said ?? 0), MOST_DROPS_A_MINUTE);
}

/** As long as a leak check may take; what lasts longer is only waited for. */
function isWatched(minutes: number | undefined): minutes is number {
  return minutes !== undefined && minutes >= LEAK_MINUTES.least && minutes <= LEAK_MINUTES.most;
}
