import { z } from 'zod';
import { FASTENER_CLASSES } from './fastener-classes';
import { Id } from './ids';
import { TorqueFigure } from './torque-figure';

/** What a thread is screwed into. */
export const TAPPED_MATERIALS = ['steel', 'stainless', 'cast-iron', 'bronze', 'brass', 'aluminium', 'plastic'] as const;
export type TappedMaterial = (typeof TAPPED_MATERIALS)[number];

/** What lies between the faces that are pulled together. */
export const SEATS = ['gasket', 'o-ring', 'metal'] as const;
export type Seat = (typeof SEATS)[number];

export const HEADS = ['hexagon', 'socket', 'lobed', 'slotted', 'castle', 'other'] as const;

/** How one goes from fastener to fastener. */
export const PATTERNS = ['star', 'middle-out', 'side-to-side', 'quadrants', 'clockwise'] as const;
export type Pattern = (typeof PATTERNS)[number];

export const PLAN_SHAPES = ['circle', 'oval', 'rectangle', 'rows', 'points'] as const;
export type PlanShape = (typeof PLAN_SHAPES)[number];

/** More than any joint of a pump has. */
export const MOST_FASTENERS = 40;

const Share = z.number().min(0).max(1);

/** In the unit square: 0 to 1 from the left and from the top. */
export const Point = z.strictObject({ x: Share, y: Share });
export type Point = z.infer<typeof Point>;

/** Where fasteners sit on a joint, seen from the side they are tightened from. */
export const Plan = z.strictObject({
  shape: z.enum(PLAN_SHAPES),
  /** Width over height; 1 where it is left out. */
  aspect: z.number().min(0.1).max(10).optional(),
  /** The first fastener of a circle or oval is turned clockwise from the top by so many degrees. */
  startDegrees: z.number().min(-360).max(360).optional(),
  /** Free places, clicked or typed. */
  points: z.array(Point).max(MOST_FASTENERS).optional(),
  /** Slots where guide pins sit while the others are tightened; counted from 0. */
  pinSlots: z
    .array(
      z
        .int()
        .min(0)
        .max(MOST_FASTENERS - 1),
    )
    .max(8)
    .optional(),
  /** What lies below in the drawing: "inlet side". */
  below: z.string().trim().max(40).optional(),
});
export type Plan = z.infer<typeof Plan>;

/** One go over all fasteners of a joint. */
export const PassPlan = z.discriminatedUnion('is', [
  /** To a share of the figure, per cent. */
  z.strictObject({ is: z.literal('rise'), percent: z.number().min(1).max(150) }),
  /** Once round at the whole figure, clockwise: none may turn any more. */
  z.strictObject({ is: z.literal('check') }),
  /** Every one turned on by an angle, degrees, after its torque. */
  z.strictObject({ is: z.literal('angle'), degrees: z.number().min(1).max(720) }),
]);
export type PassPlan = z.infer<typeof PassPlan>;

export const FIGURE_USES = ['first', 'reuse', 'check'] as const;
export type FigureUse = (typeof FIGURE_USES)[number];

/** Fasteners of one kind that hold one joint together, at each place where the joint is. */
export const FastenerGroup = z.strictObject({
  id: Id,
  /** The part that is tightened. */
  componentId: Id,
  /** "M10", "M10x1.25", "3/8-16", "G 1/2". */
  thread: z.string().trim().max(40).optional(),
  class: z.enum(FASTENER_CLASSES).optional(),
  head: z.enum(HEADS).optional(),
  /** "17 mm". */
  keySize: z.string().trim().max(40).optional(),
  /** How far the thread is screwed in, mm, and into what. */
  engagementMm: z.number().min(0.5).max(500).optional(),
  into: z.enum(TAPPED_MATERIALS).optional(),
  /** Between head and nut or first thread, mm. */
  clampedMm: z.number().min(0.5).max(2000).optional(),
  seat: z.enum(SEATS).optional(),
  plan: Plan.optional(),
  pattern: z.enum(PATTERNS).optional(),
  /** An order set by hand, by slots counted from 0. */
  order: z
    .array(
      z
        .int()
        .min(0)
        .max(MOST_FASTENERS - 1),
    )
    .max(MOST_FASTENERS)
    .optional(),
  passes: z.array(PassPlan).min(1).max(8).optional(),
  /** One figure for each use: fitted first, fitted again, checked. */
  figures: z
    .array(z.strictObject({ use: z.enum(FIGURE_USES), torque: TorqueFigure }))
    .max(FIGURE_USES.length)
    .default([]),
  wrenchIds: z.array(Id).max(6).optional(),
  /** A crow-foot on the wrench: from grip to drive, its offset, and its angle to the handle. */
  crowFoot: z
    .strictObject({
      lengthMm: z.number().min(20).max(3000),
      offsetMm: z.number().min(1).max(1000),
      angleDegrees: z.number().min(0).max(180).default(0),
    })
    .optional(),
  /** The cover is under a spring: the last two are eased together. */
  storedSpring: z.literal(true).optional(),
});
export type FastenerGroup = z.infer<typeof FastenerGroup>;
