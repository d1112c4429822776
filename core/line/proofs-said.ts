import type { Step } from '../model/procedure';
import type { ProofsAsked } from '../proving/proofs';

/*
 * What the words of a step ask to be proved by hand: "turn the shaft by hand two full turns", "check the oil level",
 * "look for leaks for ten minutes".
 */

type Proving = Pick<Step, 'proofs' | 'minutes'>;

/** The check that a step asks for in its words; a time for which leaks are watched is the check's own. */
export function proofsSaid({ verb, stage, about = '', detail = '', why = '', minutes }: Step): Proving {
  const words = [about, detail, why].join(' ').toLowerCase();
  const proofs: ProofsAsked | undefined = isTurned(verb, words, stage === 'prove')
    ? { turning: { turns: turnsIn(words) } }
    : isLevelLookedAt(verb, about)
      ? { level: markIn(detail) }
      : minutes !== undefined && LOOKS.includes(verb) && LEAKS.test(words)
        ? { leak: { minutes, drops: dropsIn(words) } }
        : undefined;
  if (!proofs) return { ...(minutes !== undefined && { minutes }) };
  return { proofs, ...(minutes !== undefined && !proofs.leak && { minutes }) };
}

const LOOKS: readonly Step['verb'][] = ['test', 'inspect'];
const BY_HAND = /\bby hand\b/;
const FREELY =
  /\b(?:turns?|moves?|spins?|runs?) (?:freely|smoothly|easily|free)\b|\b(?:bind|binding|rub|rubs|touch(?:es)?|tight spots?|stiff)\b/;
const LEAKS = /\b(?:leaks?|leaking|leakage|drips?|dripping|weeps?|weeping|tight(?:ness)?)\b/;

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

const NUMBERS: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, ten: 10 };

/** "Two full turns", "three times", "twice", "a couple of turns"; once where no number is said. */
function turnsIn(words: string): number {
  if (/\b(?:twice|a couple of|a few)\b/.test(words)) return 2;
  const said =
    /\b(\d{1,2}|one|two|three|four|five|six|ten) (?:(?:full|complete|whole) )?(?:turns?|times|revolutions?|rotations?)\b/.exec(
      words,
    )?.[1];
  const turns = said === undefined ? 1 : (NUMBERS[said] ?? Number(said));
  return Math.max(turns, 1);
}

/** "No more than three drops a minute"; dry where none are allowed. */
function dropsIn(words: string): number {
  const said = /\b(\d{1,3}|one|two|three|four|five|six|ten) drops? (?:a|per|in a|each) min(?:ute)?\b/.exec(words)?.[1];
  return said === undefined ? 0 : (NUMBERS[said] ?? Number(said));
}
