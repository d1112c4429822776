import { z } from 'zod';
import { Faces, POSES } from '../orientation/faces';
import { Application, Id, type Series } from '../pump/series';
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

export const PhotoCheck = z.strictObject({ mustShow: Words });

/** A question whose answer picks what follows. */
export const Decision = z.strictObject({
  question: Words,
  answers: z
    .array(z.strictObject({ id: Id, text: z.string().trim().min(1, 'is empty').max(120) }))
    .min(2)
    .max(6),
});
export type Decision = z.infer<typeof Decision>;

/** The step is carried out only when the decision at `stepId` was answered with one of these. */
export const Condition = z.strictObject({ stepId: Id, answerIds: z.array(Id).min(1).max(6) });
export type Condition = z.infer<typeof Condition>;

/** Another way to do the same step; what it does not say is as in the step itself, which is the preferred way. */
export const Method = z.strictObject({
  id: Id,
  name: z.string().trim().min(1, 'is empty').max(120),
  verb: z.enum(VERB_IDS),
  toolIds: z.array(Id).max(20).default([]),
  detail: z.string().trim().max(1200).optional(),
  cautions: z.array(Caution).max(8).default([]),
});
export type Method = z.infer<typeof Method>;

/** What the program may propose in a step. */
export const DRAFTED_FIELDS = [
  'verb',
  'targets',
  'about',
  'positionIds',
  'faces',
  'applications',
  'torque',
  'photo',
  'minutes',
  'detail',
  'cautions',
  'when',
] as const;
export type DraftedField = (typeof DRAFTED_FIELDS)[number];

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
  decision: Decision.optional(),
  /** All must hold. */
  when: z.array(Condition).max(8).optional(),
  methods: z.array(Method).max(6).optional(),
  /** Guide pins, wedges, soft jaws and blocks that stay in from here on, and those that come out. */
  aidsIn: z.array(Id).max(10).optional(),
  aidsOut: z.array(Id).max(10).optional(),
  /** Where the fitted units came from, when they change places. */
  fromPositionId: Id.optional(),
  /** How a housing lies after the step. */
  pose: z.strictObject({ componentId: Id, lies: z.enum(POSES) }).optional(),
  /** The fields proposed by the program that no person has looked at; `true` is how documents once said all of them. */
  drafted: z.union([z.literal(true), z.array(z.enum(DRAFTED_FIELDS)).min(1)]).optional(),
});
export type Step = z.infer<typeof Step>;

/** What a procedure means to change in the pump, so that it is not taken for a mistake. */
export const IntendedChange = z.discriminatedUnion('kind', [
  /** The part is left out for good. */
  z.strictObject({ kind: z.literal('leaves'), componentId: Id }),
  /** The part was not in the pump; a new one goes in. */
  z.strictObject({ kind: z.literal('joins'), componentId: Id }),
  /** The part is fitted at another place: a shaft swapped to the other side. */
  z.strictObject({ kind: z.literal('moves'), componentId: Id, fromPositionId: Id, toPositionId: Id }),
]);
export type IntendedChange = z.infer<typeof IntendedChange>;

/** A warning that the trainer lets stand, with the reason; the release keeps it. */
export const Acceptance = z.strictObject({
  findingId: z.string().min(1).max(60),
  stepId: Id.optional(),
  componentIds: z.array(Id).max(400),
  reason: z.string().trim().min(3, 'needs at least three letters').max(600),
});
export type Acceptance = z.infer<typeof Acceptance>;

export const Procedure = z.strictObject({
  id: Id,
  seriesId: Id,
  title: z.string().trim().min(1, 'is empty').max(160),
  purpose: z.string().trim().max(1200).optional(),
  steps: z.array(Step).max(3000).default([]),
  kits: z
    .array(z.strictObject({ kitId: Id, count: z.int().min(1).max(99) }))
    .max(20)
    .optional(),
  intends: z.array(IntendedChange).max(60).optional(),
  /** The module before this one: the bench it leaves is the bench this one starts from. */
  takesOver: Id.optional(),
  /** Another module goes on from here; what lies on the cloth at the end is handed on, not left over. */
  handsOn: z.literal(true).optional(),
  accepted: z.array(Acceptance).max(400).optional(),
});
export type Procedure = z.infer<typeof Procedure>;

/** What is frozen by a release and edited together while drafting: a procedure and the series it names. */
export interface Workbook {
  readonly series: Series;
  readonly procedure: Procedure;
  /** The modules carried out before this one, in order. */
  readonly before?: readonly Procedure[];
}

/** Whether the answers given, by the step that asks, lead to a step. */
export function isToDo(step: Step, answers: ReadonlyMap<string, string>): boolean {
  return (step.when ?? []).every(({ stepId, answerIds }) => answerIds.includes(answers.get(stepId) ?? ''));
}

/** Whether a procedure means to leave a part out of the pump. */
export function isLeaving({ intends }: Procedure, componentId: string): boolean {
  return (intends ?? []).some((change) => change.kind === 'leaves' && change.componentId === componentId);
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
