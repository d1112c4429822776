import { z } from 'zod';
import { Id } from './ids';

/** How a part is turned about its own axis, where that matters. */
export const Clocking = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('tab-in-slot'), of: z.string().trim().min(1, 'empty').max(80) }),
  z.strictObject({ how: z.literal('mark-to-mark'), of: z.string().trim().min(1, 'empty').max(80) }),
  /** Joints of rings on one another, each turned on by this angle. */
  z.strictObject({ how: z.literal('staggered'), degrees: z.number().min(1).max(359) }),
  z.strictObject({ how: z.literal('any') }),
]);
export type Clocking = z.infer<typeof Clocking>;

/** Directions that need no part to be told by. `up` and `down` are said of the bench, the others of the pump. */
export const PLAIN_DIRECTIONS = ['pressure', 'drive', 'mouth', 'bottom', 'up', 'down', 'any'] as const;
export type PlainDirection = (typeof PLAIN_DIRECTIONS)[number];

const directionWords = {
  /** Away from it. */
  away: z.literal(true).optional(),
  /** As the trainer says it: "the crankcase" for the drive. */
  said: z.string().trim().min(1).max(80).optional(),
};

/**
 * Where an end of a part looks. Recognised once, where it is entered: parts of the series before words, so that a
 * neighbour called "high-pressure seal" is not read as the pressure.
 */
export const Direction = z.discriminatedUnion('is', [
  z.strictObject({ is: z.enum(PLAIN_DIRECTIONS), ...directionWords }),
  z.strictObject({ is: z.literal('part'), componentId: Id, ...directionWords }),
  /** Told in words that mean no direction known here. */
  z.strictObject({
    is: z.literal('words'),
    said: z.string().trim().min(1, 'empty').max(80),
    away: z.literal(true).optional(),
  }),
]);
export type Direction = z.infer<typeof Direction>;

/** Which end of a part looks where, and how you can tell. */
export const Faces = z.strictObject({
  /** Which end of the part: "lapped face", "groove"; absent where either end may look there. */
  end: z.string().trim().min(1, 'empty').max(80).optional(),
  toward: Direction,
  /** How you can tell: "small grooves on the other side". */
  tellBy: z.string().trim().max(160).optional(),
  clocking: Clocking.optional(),
  /** What goes together in one way only: "the fitting enters this end only". */
  trialFit: z.string().trim().max(160).optional(),
});
export type Faces = z.infer<typeof Faces>;

/** How a housing lies on the bench; its face is the side its bores open to. */
export const POSES = ['as-fitted', 'face-up', 'face-down', 'on-its-side'] as const;
export type Pose = (typeof POSES)[number];

/** How an end of a part looks in a section. */
export const PROFILES = [
  'flat',
  'groove',
  'lip',
  'spring',
  'notches',
  'tab',
  'taper',
  'dished',
  'chamfer',
  'shoulder',
  'rounded',
  'marked',
  'long',
  'small-grooves',
] as const;
export type Profile = (typeof PROFILES)[number];
