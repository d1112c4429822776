import {
  dropsPerMinute,
  type Felt,
  type Leak,
  leakage,
  type Proof,
  type ProofName,
  type ProofsAsked,
  type ProofVerdict,
  type Stands,
} from '../../proving/proofs';
import { counted } from './counted';

export const PROOF_NAMES: Record<ProofName, string> = {
  turning: 'Turned by hand',
  level: 'Oil level',
  leak: 'Leak check',
};

const FELT: Record<Felt, string> = {
  free: 'turns freely',
  heavy: 'heavy all round',
  'tight-spot': 'a tight spot in each turn',
  rough: 'rough',
  stuck: 'does not turn',
};

const STANDS: Record<Stands, string> = { at: 'at the mark', below: 'below the mark', above: 'above the mark' };

/** "turned by hand 2 times; oil at its mark; watched for 5 minutes, dry": what a step asks to be proved. */
export function sayAsked({ turning, level, leak }: ProofsAsked): string {
  return [
    turning && `turned by hand ${counted(turning.turns, 'time', 'times')}`,
    level && `oil at ${level.mark ?? 'its mark'}`,
    leak &&
      `watched for ${counted(leak.minutes, 'minute', 'minutes')}, ${leak.drops > 0 ? `at most ${counted(leak.drops, 'drop', 'drops')} a minute` : 'dry'}`,
  ]
    .filter(Boolean)
    .join('; ');
}

/** "turns freely", "6 drops in 5 min, about 4 mL an hour". */
export function sayOutcome(proof: Proof): string {
  switch (proof.what) {
    case 'turning':
      return FELT[proof.felt];
    case 'level':
      return STANDS[proof.stands];
    case 'leak':
      return sayLeak(proof);
  }
}

function sayLeak(proof: Leak): string {
  const { seconds, drops } = proof;
  const time = seconds < 60 ? `${seconds} s` : `${rounded(seconds / 60)} min`;
  if (drops === 0) return `no drop in ${time}`;
  return `${counted(drops, 'drop', 'drops')} in ${time}, about ${rounded(leakage(dropsPerMinute(proof)))} mL an hour`;
}

function rounded(value: number): string {
  return String(Number(value.toPrecision(2)));
}

const VERDICTS: Record<ProofVerdict, string> = { good: '', bad: ': not accepted', 'too-short': ': watched too short' };

/** "Leak check: no drop in 5 min". */
export function sayProof(proof: Proof, verdict: ProofVerdict): string {
  return `${PROOF_NAMES[proof.what]}: ${sayOutcome(proof)}${VERDICTS[verdict]}`;
}
