import { z } from 'zod';
import { Id, type Series } from '../pump/series';
import { Quantity } from '../quantity/quantity';
import { unitOf } from '../quantity/units';
import { STAGES, VERB_IDS } from './verbs';

const Words = z.string().trim().min(1, 'is empty').max(600);

/** Signal words of ANSI Z535.6, from the gravest down; NOTICE is for damage to property only. */
export const SIGNAL_WORDS = ['DANGER', 'WARNING', 'CAUTION', 'NOTICE'] as const;
export type SignalWord = (typeof SIGNAL_WORDS)[number];

/** Torque tools above 10 N·m may deviate by this much; ISO 6789-1:2017, recalled from memory. */
export const DEFAULT_TOLERANCE_PERCENT = 4;

export const Target = z.strictObject({
  componentId: Id,
  /** How many pieces at each position; all of them when absent. */
  count: z.int().min(1).max(96).optional(),
});
export type Target = z.infer<typeof Target>;

export const TorqueFigure = z.strictObject({
  figure: Quantity.refine((q) => unitOf(q.unit).dimension === 'torque', 'is not a torque').refine(
    (q) => q.value > 0,
    'must be more than nothing',
  ),
  tolerancePercent: z.number().min(0.1).max(50).default(DEFAULT_TOLERANCE_PERCENT),
  /** Where the figure comes from: a document, a drawing, a standard. */
  source: z.string().trim().max(200).optional(),
});
export type TorqueFigure = z.infer<typeof TorqueFigure>;

export const Caution = z.strictObject({ signal: z.enum(SIGNAL_WORDS), text: Words });
export type Caution = z.infer<typeof Caution>;

export const Faces = z.strictObject({
  /** Which end of the part: "lapped face", "groove", "spring side". */
  end: z.string().trim().min(1, 'is empty').max(80),
  /** Where it looks: "the rotor", "the pressure", "up on the bench". */
  toward: z.string().trim().min(1, 'is empty').max(80),
  /** How you can tell: "small grooves on the other side". */
  tellBy: z.string().trim().max(160).optional(),
});
export type Faces = z.infer<typeof Faces>;

export const Application = z.strictObject({
  consumableId: Id,
  /** Where and how much: "thin film on the O-ring only". */
  where: z.string().trim().max(160).optional(),
});
export type Application = z.infer<typeof Application>;

export const PhotoCheck = z.strictObject({ mustShow: Words });

export const Step = z.strictObject({
  id: Id,
  stage: z.enum(STAGES),
  verb: z.enum(VERB_IDS),
  targets: z.array(Target).max(40).default([]),
  /** For verbs that act on no part: "the gear oil", "the drive". */
  about: z.string().trim().max(160).optional(),
  /** Where to, for fitting: "the seal pocket". */
  into: z.string().trim().max(120).optional(),
  /** Empty means everywhere the parts are. */
  positionIds: z.array(Id).max(48).default([]),
  toolIds: z.array(Id).max(20).default([]),
  faces: Faces.optional(),
  applications: z.array(Application).max(10).default([]),
  torque: TorqueFigure.optional(),
  cautions: z.array(Caution).max(8).default([]),
  detail: z.string().trim().max(1200).optional(),
  why: z.string().trim().max(600).optional(),
  photo: PhotoCheck.optional(),
  minutes: z.number().min(0).max(10_000).optional(),
  /** Proposed by the program and not yet looked at by a person. */
  drafted: z.literal(true).optional(),
});
export type Step = z.infer<typeof Step>;

export const Procedure = z.strictObject({
  id: Id,
  seriesId: Id,
  title: z.string().trim().min(1, 'is empty').max(160),
  purpose: z.string().trim().max(1200).optional(),
  steps: z.array(Step).max(3000).default([]),
});
export type Procedure = z.infer<typeof Procedure>;

/** What is frozen by a release and edited together while drafting: a procedure and the series it names. */
export interface Workbook {
  readonly series: Series;
  readonly procedure: Procedure;
}

/** Sum of the minutes said, and how many steps say nothing. */
export function benchMinutes(procedure: Procedure): { minutes: number; unsaid: number } {
  let minutes = 0;
  let unsaid = 0;
  for (const step of procedure.steps) {
    if (step.minutes === undefined) unsaid += 1;
    else minutes += step.minutes;
  }
  return { minutes, unsaid };
}
