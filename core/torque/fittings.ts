import type { Thread } from './threads';

/** Fittings that are tightened by turns, and not by a figure. */
export type FittingKind = 'taper' | 'flare-37' | 'compression';

/** Turns past finger tight, from and to. */
export interface Turns {
  readonly least: number;
  readonly most: number;
}

/**
 * Turns past finger tight. Taper threads 1.5 to 3 by size; flared swivel nuts by flats of the hexagon; compression
 * fittings one turn and a quarter, small ones three quarters. Common practice; the maker's figure goes before it.
 * `size` is the outside diameter of thread or tube in mm.
 */
export function turnsPastFingerTight(kind: FittingKind, size: number): Turns {
  switch (kind) {
    case 'taper':
      return size < 15 ? { least: 1.5, most: 3 } : size < 30 ? { least: 2, most: 3 } : { least: 1.5, most: 2.5 };
    case 'flare-37':
      return size <= 8
        ? { least: 1.5 / 6, most: 2 / 6 }
        : size <= 20
          ? { least: 1 / 6, most: 1.25 / 6 }
          : { least: 0.75 / 6, most: 1 / 6 };
    case 'compression':
      return size <= 5 ? { least: 0.75, most: 0.75 } : { least: 1.25, most: 1.25 };
  }
}

/** What a fastener is that turns tell more of than a torque: by its thread or by its name; undefined where it is none. */
export function fittingOf(thread: Thread | undefined, name: string): FittingKind | undefined {
  if (thread?.form === 'taper') return 'taper';
  if (/\bflare[ds]?\b|\b37 ?°/i.test(name)) return 'flare-37';
  return /\b(?:compression|ferrule|cutting ring|olive)\b/i.test(name) ? 'compression' : undefined;
}
