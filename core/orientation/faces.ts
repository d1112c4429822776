import { z } from 'zod';

/** How a part is turned about its own axis, where that matters. */
export const Clocking = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('tab-in-slot'), of: z.string().trim().min(1, 'is empty').max(80) }),
  z.strictObject({ how: z.literal('mark-to-mark'), of: z.string().trim().min(1, 'is empty').max(80) }),
  /** Joints of rings on one another, each turned on by this angle. */
  z.strictObject({ how: z.literal('staggered'), degrees: z.number().min(1).max(359) }),
  z.strictObject({ how: z.literal('any') }),
]);
export type Clocking = z.infer<typeof Clocking>;

/** Which end of a part looks where, and how you can tell. */
export const Faces = z.strictObject({
  /** Which end of the part: "lapped face", "groove", "spring side". */
  end: z.string().trim().min(1, 'is empty').max(80),
  /** Where it looks: "the rotor", "the pressure", "up on the bench". */
  toward: z.string().trim().min(1, 'is empty').max(80),
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

/**
 * Whether two sayings of a facing agree: the same end toward the same thing. Words are compared without articles and
 * case, since "the rotor" and "Rotor" are one; anything else is a difference a person has to settle.
 */
export function sameFacing(a: Faces, b: Faces): boolean {
  return sameEnd(a, b) && bare(a.toward) === bare(b.toward);
}

export function sameEnd(a: Faces, b: Faces): boolean {
  return bare(a.end) === bare(b.end);
}

/**
 * Whether two sayings about the same end contradict one another for a housing that lies so: "up" on the bench is "out
 * of the bore" in a housing lying face up, and "into the bore" in one lying face down.
 */
export function facingsClash(a: Faces, b: Faces, pose: Pose): boolean {
  if (!sameEnd(a, b) || (pose !== 'face-up' && pose !== 'face-down')) return false;
  const [one, other] = [upward(a.toward, pose), upward(b.toward, pose)];
  return one !== undefined && other !== undefined && one !== other;
}

/** Whether a direction is up on the bench, for a housing that lies face up or face down; undefined when it says neither. */
function upward(toward: string, pose: 'face-up' | 'face-down'): boolean | undefined {
  if (/\bup(wards?)?\b/i.test(toward)) return true;
  if (/\bdown(wards?)?\b/i.test(toward)) return false;
  if (/\bout of\b|\boutwards?\b/i.test(toward)) return pose === 'face-up';
  if (/\binto\b|\binwards?\b/i.test(toward)) return pose === 'face-down';
  return undefined;
}

/** "tab in the slot of the gland": how a part is turned, in words. */
export function sayClocking(clocking: Clocking): string {
  switch (clocking.how) {
    case 'tab-in-slot':
      return `tab in the slot of ${clocking.of}`;
    case 'mark-to-mark':
      return `mark to the mark on ${clocking.of}`;
    case 'staggered':
      return `joints staggered by ${clocking.degrees}°`;
    case 'any':
      return 'turned any way';
  }
}

/** Words compared without articles and case. */
export function bare(words: string): string {
  return words
    .toLowerCase()
    .replace(/\b(the|a|an|its)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}
