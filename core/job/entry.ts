import { z } from 'zod';
import { RunSample } from '../devices/message';
import { MOST_FASTENERS } from '../model/fastener-group';
import { Id } from '../model/ids';
import { CONSEQUENCES } from '../model/looks';
import { PhotoHash } from '../model/pictures/photo-hash';
import { PictureMark } from '../model/pictures/picture';
import { MEASURED_DIMENSIONS, SETTINGS } from '../model/procedure-words';
import { PHOTO_FAULTS } from '../photo/judge-photo';
import { FELT, LONGEST_WATCH_S, MOST_DROPS, STANDS } from '../proving/proofs';
import { Quantity } from '../quantity/schema';
import { unitOf } from '../quantity/units';
import { ASIDE_REASONS, GAPS, MOST_IN_SIGNATURE, OVERRIDABLE, PROBLEM_PLACES, SIGNERS, WAITS_FOR } from './entry-words';

const Reason = z.string().trim().min(3, 'too-short-a-reason').max(600);
const TorqueReading = Quantity.refine((q) => unitOf(q.unit).dimension === 'torque', 'no-torque').refine(
  (q) => q.value > 0,
  'not-above-zero',
);

const MeasuredReading = Quantity.refine(
  (q) => MEASURED_DIMENSIONS.includes(unitOf(q.unit).dimension),
  'no-length',
).refine((q) => q.value >= 0, 'below-zero');

/** Eight at most, gone through twice where guide pins keep some holes. */
const MOST_PASSES = 16;

/** One fastener of a joint in one pass, both counted from 0. */
const Spot = z.strictObject({
  pass: z
    .int()
    .min(0)
    .max(MOST_PASSES - 1),
  slot: z
    .int()
    .min(0)
    .max(MOST_FASTENERS - 1),
});
/** A wrench as it names itself, with its own name of the reading, and when it was taken where that was earlier. */
const Wrench = z.strictObject({
  number: z.string().trim().min(1, 'empty').max(60),
  calibratedUntil: z.iso.date().optional(),
  reading: z.string().max(80).optional(),
  takenAt: z.iso.datetime().optional(),
});

/** Strokes as they were drawn: x and y in turn, whole numbers on a sheet of 1000 by 300. */
const Stroke = z.array(z.int().min(0).max(1000)).min(2).max(600);
/** What a technician notes in a job. Entries are only ever added. */
export const EntryContent = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('step-done'),
    stepId: Id,
    /** Its maker has said so by name, at a step that makes the pump safe or gives the energy back. */
    confirmed: z.literal(true).optional(),
  }),
  /** A second person has looked at a hold point and signed on the same tablet. */
  z.strictObject({
    kind: z.literal('approved'),
    stepId: Id,
    approver: z.string().min(1).max(64),
    approval: z.strictObject({ text: z.string().min(1).max(1000), keyId: Id, signature: z.string().max(128) }),
  }),
  /** Whoever took the job over has checked the locks that were there. */
  z.strictObject({ kind: z.literal('locks-checked') }),
  z.strictObject({ kind: z.literal('went-back'), stepId: Id }),
  z.strictObject({
    kind: z.literal('torque-read'),
    stepId: Id,
    positionId: Id.nullable(),
    reading: TorqueReading,
    /** Which fastener in which pass, where the joint is tightened by a plan; both counted from 0. */
    spot: Spot.optional(),
    /** The wrench that sent it. */
    wrench: Wrench.optional(),
  }),
  /** The reading of one fastener in one pass, out of its window, is let stand. */
  z.strictObject({
    kind: z.literal('torque-accepted'),
    stepId: Id,
    positionId: Id.nullable(),
    spot: Spot,
    reason: Reason,
  }),
  /** A reading was of another fastener than the one that was in hand. */
  z.strictObject({
    kind: z.literal('torque-moved'),
    stepId: Id,
    entryId: Id,
    positionId: Id.nullable(),
    spot: Spot,
  }),
  /** A connected wrench sent what is of no fastener. */
  z.strictObject({
    kind: z.literal('reading-set-aside'),
    /** As it was sent. */
    peak: z.strictObject({ value: z.number().min(-1e9).max(1e9), unit: z.string().trim().min(1).max(12) }),
    why: z.enum(ASIDE_REASONS),
    wrench: Wrench,
  }),
  /** One fastener was turned on by the angle of its pass. */
  z.strictObject({ kind: z.literal('turned-on'), stepId: Id, positionId: Id.nullable(), spot: Spot }),
  z.strictObject({
    kind: z.literal('photo-taken'),
    stepId: Id,
    photo: PhotoHash,
    /** What was found wrong with it, and why it is kept all the same. */
    doubts: z.array(z.enum(PHOTO_FAULTS)).min(1).max(PHOTO_FAULTS.length).optional(),
    reason: Reason.optional(),
  }),
  /** What is drawn on a photo of the job; drawn again, the new marks count. */
  z.strictObject({
    kind: z.literal('photo-marked'),
    stepId: Id,
    photo: PhotoHash,
    marks: z.array(PictureMark).max(20),
  }),
  /** The answer to the question of a step; of one that is asked at each place, the one there. */
  z.strictObject({ kind: z.literal('answered'), stepId: Id, answerId: Id, positionId: Id.optional() }),
  z.strictObject({
    kind: z.literal('measured'),
    stepId: Id,
    measurementId: Id,
    positionId: Id.nullable(),
    point: z.string().max(40).nullable(),
    direction: z.union([z.literal(1), z.literal(2)]),
    reading: MeasuredReading,
    /** The instrument that sent it. */
    instrument: z.strictObject({ number: z.string().trim().min(1).max(60), reading: z.string().max(80) }).optional(),
  }),
  /** Where no instrument is to hand: a new ring is slid along the part, and the gap is watched. */
  z.strictObject({
    kind: z.literal('gauged'),
    stepId: Id,
    measurementId: Id,
    positionId: Id.nullable(),
    gap: z.enum(GAPS),
  }),
  /** What a look found: one of its faults, or null where all is sound. */
  z.strictObject({
    kind: z.literal('looked'),
    stepId: Id,
    lookId: Id,
    positionId: Id.nullable(),
    faultId: Id.nullable(),
    /** Seen, and none of what the look names. */
    other: z
      .strictObject({ sign: z.string().trim().min(1, 'empty').max(120), follows: z.enum(CONSEQUENCES) })
      .optional(),
    photo: PhotoHash.optional(),
  }),
  /** A run on the test bench, as it was read every few moments; typed, it is one sample. */
  z.strictObject({
    kind: z.literal('run-read'),
    stepId: Id,
    samples: z.array(RunSample).min(1).max(120),
    /** Seconds between samples. */
    every: z.number().min(0.1).max(600).optional(),
    instrument: z.strictObject({ number: z.string().trim().min(1).max(60) }).optional(),
  }),
  /** How it turned by hand, where the oil stood, or how many drops came while it was watched. */
  z.strictObject({
    kind: z.literal('proved'),
    stepId: Id,
    proof: z.discriminatedUnion('what', [
      z.strictObject({ what: z.literal('turning'), felt: z.enum(FELT) }),
      z.strictObject({ what: z.literal('level'), stands: z.enum(STANDS) }),
      z.strictObject({
        what: z.literal('leak'),
        seconds: z.int().min(1).max(LONGEST_WATCH_S),
        drops: z.int().min(0).max(MOST_DROPS),
      }),
    ]),
  }),
  /** One position of a step that is gone through one by one. */
  z.strictObject({ kind: z.literal('place-done'), stepId: Id, positionId: Id }),
  /** By which of its methods a step is done; null for the way of the step itself. */
  z.strictObject({ kind: z.literal('method-chosen'), stepId: Id, methodId: Id.nullable() }),
  z.strictObject({ kind: z.literal('setting-chosen'), setting: z.enum(SETTINGS) }),
  z.strictObject({ kind: z.literal('overridden'), stepId: Id, what: z.enum(OVERRIDABLE), reason: Reason }),
  z.strictObject({
    kind: z.literal('problem'),
    stepId: Id,
    note: Reason,
    about: z.enum(PROBLEM_PLACES).optional(),
    photo: PhotoHash.optional(),
  }),
  z.strictObject({ kind: z.literal('paused'), waitsFor: z.enum(WAITS_FOR).optional() }),
  z.strictObject({ kind: z.literal('resumed') }),
  z.strictObject({ kind: z.literal('taken-over') }),
  /** Signed by hand on the tablet, before the job is finished. */
  z.strictObject({
    kind: z.literal('signed'),
    as: z.enum(SIGNERS),
    name: z.string().trim().min(1, 'empty').max(120),
    strokes: z
      .array(Stroke)
      .min(1)
      .max(40)
      .refine((strokes) => strokes.flat().length <= MOST_IN_SIGNATURE, 'too-long'),
  }),
  z.strictObject({ kind: z.literal('finished') }),
]);
export type EntryContent = z.infer<typeof EntryContent>;

/** Years in which a pump of this workshop can have been worked on; a clock that says another one is out of order. */
const YEARS = { from: 1990, to: 2200 };

/** A moment as a device notes it, ISO 8601 in UTC. */
export const Moment = z.iso.datetime().refine((at) => {
  const year = new Date(at).getUTCFullYear();
  return year >= YEARS.from && year < YEARS.to;
}, 'no-such-time');

export const NewEntry = z.strictObject({
  /** Made where the entry is made, so that sending it twice keeps it once. */
  id: Id,
  /** By the clock of the device it was made on. */
  at: Moment,
  content: EntryContent,
});
export type NewEntry = z.infer<typeof NewEntry>;

/** An entry as it was taken in. */
export interface Entry extends NewEntry {
  readonly by: string;
  /** Who sent it, where that was not its maker. */
  readonly sentBy?: string;
  /** By how much the clock of its device was behind that of the server, where that is worth telling, in ms. */
  readonly clockBehindMs?: number;
}

/** Clocks that differ by less are taken for the same. */
export const CLOCK_TOLERANCE_MS = 2 * 60 * 1000;
