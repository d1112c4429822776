import type { Step } from './procedure';

/** What whoever carries out a step says by name: that the energy is cut off, or that the pump is closed again. */
export type Confirmation = 'made-safe' | 'closed';

/** What a step asks to be confirmed by name before it is done; undefined where nobody could be hurt by it. */
export function confirmationOf({ verb, stage }: Step): Confirmation | undefined {
  switch (verb) {
    case 'isolate':
    case 'lock-out':
    case 'release-pressure':
      return 'made-safe';
    case 'close-valve':
      return stage === 'make-safe' ? 'made-safe' : undefined;
    case 'restore':
      return 'closed';
    case 'open-valve':
      return stage === 'prove' ? 'closed' : undefined;
    default:
      return undefined;
  }
}
