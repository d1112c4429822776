import { z } from 'zod';
import { GRADE_NAMES } from '../proving/acceptance';
import { LEAK_MINUTES, MOST_DROPS_A_MINUTE, MOST_TURNS } from '../proving/proofs';
import { Quantity } from '../quantity/schema';
import { type Dimension, unitOf } from '../quantity/units';
import { Faces, POSES } from './faces';
import type { HouseRules } from './house-rules';
import { Id } from './ids';
import { CONSEQUENCES, Look } from './looks';
import { Narration, StepSource } from './narration';
import { Clip, Picture } from './pictures/picture';
import { MEASURED_DIMENSIONS, SETTINGS, SIGNAL_WORDS } from './procedure-words';
import { Application, type Series } from './series';
import { TorqueFigure } from './torque-figure';
import { STAGES, VERB_IDS } from './verbs';

const Words = z.string().trim().min(1, 'empty').max(600);

/** The usual cautions of the trade; what each says is up to the language. */
export const USUAL_CAUTION_IDS = [
  'restart',
  'jet',
  'controller',
  'stored',
  'residue',
  'spring',
  'heavy',
  'pinch',
  'splinters',
  'edges',
  'hot',
  'skin',
  'air',
  'slippery',
  'pry',
  'scratch',
  'wrench',
  'onward',
] as const;
export type UsualCautionId = (typeof USUAL_CAUTION_IDS)[number];

export const Target = z.strictObject({
  componentId: Id,
  /** How many pieces at each position; all of them when absent. */
  count: z.int().min(1).max(96).optional(),
});
export type Target = z.infer<typeof Target>;

/** A caution in the trainer's own words, or one of the usual ones, which the language says. */
export const Caution = z
  .strictObject({ signal: z.enum(SIGNAL_WORDS), text: Words.optional(), usual: z.enum(USUAL_CAUTION_IDS).optional() })
  .refine(({ text, usual }) => (text === undefined) !== (usual === undefined), 'no-caution');
export type Caution = z.infer<typeof Caution>;

const Share = z.number().min(0).max(1);
const Region = z.strictObject({ x: Share, y: Share, width: Share, height: Share });

export const PhotoCheck = z.strictObject({
  /** What has to be seen; how the parts of the step sit when nothing is said. */
  mustShow: Words.optional(),
  /** The picture of the step that shows how it should look. */
  referenceId: Id.optional(),
  /** The part of the picture that matters, in shares of its width and height; photos are judged by it. */
  region: Region.optional(),
});
export type PhotoCheck = z.infer<typeof PhotoCheck>;

const Measure = Quantity.refine((q) => MEASURED_DIMENSIONS.includes(unitOf(q.unit).dimension), 'no-length');

/** A length or a force that is measured, at these points and in one or two directions at each. */
export const Measurement = z.strictObject({
  id: Id,
  /** "outside diameter". */
  what: z.string().trim().min(1, 'empty').max(120),
  nominal: Measure.optional(),
  least: Measure.optional(),
  most: Measure.optional(),
  /** "top", "middle", "bottom"; one unnamed point when empty. */
  points: z.array(z.string().trim().min(1).max(40)).max(12).default([]),
  directions: z.union([z.literal(1), z.literal(2)]).default(1),
  toolId: Id.optional(),
  follows: z.enum(CONSEQUENCES).default('renew'),
});
export type Measurement = z.infer<typeof Measurement>;

const of = (dimension: Dimension) =>
  Quantity.refine(({ value, unit }) => unitOf(unit).dimension === dimension && value > 0, 'no-such-quantity');

/** A run on the test bench; flow and power as guaranteed, where they are not computed from the series. */
export const TestRun = z.strictObject({
  speed: of('speed'),
  pressure: of('pressure'),
  flow: of('flow').optional(),
  power: of('power').optional(),
  grade: z.enum(GRADE_NAMES),
});
export type TestRun = z.infer<typeof TestRun>;

/** What is proved by hand: how it turns, where the oil stands, whether it stays dry. */
export const ProofsToDo = z.strictObject({
  turning: z.strictObject({ turns: z.int().min(1).max(MOST_TURNS) }).optional(),
  level: z.strictObject({ mark: z.string().trim().min(1).max(120).optional() }).optional(),
  leak: z
    .strictObject({
      minutes: z.number().min(LEAK_MINUTES.least).max(LEAK_MINUTES.most),
      drops: z.number().min(0).max(MOST_DROPS_A_MINUTE),
    })
    .optional(),
});

/** A question whose answer picks what follows. */
export const Decision = z.strictObject({
  question: Words,
  answers: z
    .array(z.strictObject({ id: Id, text: z.string().trim().min(1, 'empty').max(120) }))
    .min(2)
    .max(6),
  /** Asked at each place of this position set by itself: of six valves one comes away whole. */
  eachOf: Id.optional(),
});
export type Decision = z.infer<typeof Decision>;

/** The step is carried out only when the decision at `stepId` was answered with one of these. */
export const Condition = z.strictObject({ stepId: Id, answerIds: z.array(Id).min(1).max(6) });
export type Condition = z.infer<typeof Condition>;

/** Another way to do the same step; what it does not say is as in the step itself, which is the preferred way. */
export const Method = z.strictObject({
  id: Id,
  /** The way to go in this setting. */
  setting: z.enum(SETTINGS).optional(),
  name: z.string().trim().min(1, 'empty').max(120),
  verb: z.enum(VERB_IDS),
  toolIds: z.array(Id).max(20).default([]),
  detail: z.string().trim().max(1200).optional(),
  cautions: z.array(Caution).max(8).default([]),
  about: z.string().trim().max(160).optional(),
  faces: Faces.optional(),
  applications: z.array(Application).max(10).optional(),
  torque: TorqueFigure.optional(),
  looks: z.array(Look).max(12).optional(),
  measurements: z.array(Measurement).max(12).optional(),
  aidsIn: z.array(Id).max(10).optional(),
  aidsOut: z.array(Id).max(10).optional(),
  minutes: z.number().min(0).max(10_000).optional(),
});
export type Method = z.infer<typeof Method>;

/** What the program may propose in a step. */
export const DRAFTED_FIELDS = [
  'verb',
  'targets',
  'about',
  'positionIds',
  'toolIds',
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
  /** The part it is fitted into, where that is another one than the series says. */
  intoId: Id.optional(),
  /** Empty means everywhere the parts are. */
  positionIds: z.array(Id).max(48).default([]),
  toolIds: z.array(Id).max(20).default([]),
  /** How many of a tool are needed, where that is more than one: two pry bars. */
  toolCounts: z.record(Id, z.int().min(2).max(20)).optional(),
  faces: Faces.optional(),
  applications: z.array(Application).max(10).default([]),
  torque: TorqueFigure.optional(),
  cautions: z.array(Caution).max(8).default([]),
  detail: z.string().trim().max(1200).optional(),
  why: z.string().trim().max(600).optional(),
  photo: PhotoCheck.optional(),
  /** The job goes on only when a second person has looked, here and with their own password. */
  holdPoint: z.strictObject({ checks: Words.optional() }).optional(),
  /** The pump is run on a test bench: at which speed and pressure, and how closely it has to do what is expected. */
  run: TestRun.optional(),
  proofs: ProofsToDo.optional(),
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
  /** How the shaft has to stand while the step is done: "outer two plungers level". */
  shaftAt: z.string().trim().min(1).max(120).optional(),
  /** Steps of one block are carried out together, one place after the other. */
  blockId: Id.optional(),
  /** How a housing lies after the step. */
  pose: z.strictObject({ componentId: Id, lies: z.enum(POSES) }).optional(),
  /** The sentence in the trainer's own words; without it the sentence is made from the fields. */
  text: z.string().trim().max(600).optional(),
  /** Each position is gone through on its own, in the order said; without it all are done at once. */
  oneByOne: z.literal(true).optional(),
  /** From the second position on it is done as in a mirror. */
  mirrored: z.literal(true).optional(),
  looks: z.array(Look).max(12).optional(),
  measurements: z.array(Measurement).max(12).optional(),
  pictures: z.array(Picture).max(24).optional(),
  clips: z.array(Clip).max(8).optional(),
  /** What was written or said of it, where it comes from a narration. */
  source: StepSource.optional(),
  /** The fields proposed by the program that no person has looked at. */
  drafted: z.array(z.enum(DRAFTED_FIELDS)).min(1).optional(),
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
  /** The part is turned end for end. */
  z.strictObject({ kind: z.literal('turns'), componentId: Id }),
  /** Two parts change places with one another: two different covers. */
  z.strictObject({ kind: z.literal('exchanges'), componentId: Id, withComponentId: Id }),
]);
export type IntendedChange = z.infer<typeof IntendedChange>;

/** A warning that the trainer lets stand, with the reason; the release keeps it. */
export const Acceptance = z.strictObject({
  findingId: z.string().min(1).max(60),
  stepId: Id.optional(),
  componentIds: z.array(Id).max(400),
  reason: z.string().trim().min(3, 'too-short-a-reason').max(600),
});
export type Acceptance = z.infer<typeof Acceptance>;

/** More than any pump takes; a longer instruction is split into modules. */
export const MOST_STEPS = 3000;

export const Procedure = z.strictObject({
  id: Id,
  seriesId: Id,
  title: z.string().trim().min(1, 'empty').max(160),
  purpose: z.string().trim().max(1200).optional(),
  steps: z.array(Step).max(MOST_STEPS).default([]),
  kits: z
    .array(
      z.strictObject({
        kitId: Id,
        count: z.int().min(1).max(99),
        /** Laid out only on these answers: the leather set or the PTFE set. */
        when: z.array(Condition).max(8).optional(),
      }),
    )
    .max(20)
    .optional(),
  /** Steps that are carried out together, one place after the other in this order. */
  blocks: z
    .array(
      z.strictObject({
        id: Id,
        positionIds: z.array(Id).min(1).max(48),
        /** From the second place on it is done as in a mirror. */
        mirrored: z.literal(true).optional(),
      }),
    )
    .max(60)
    .optional(),
  /** It begins with parts on the bench instead of a complete pump; with all that it handles when it names none. */
  startsFrom: z.strictObject({ is: z.literal('parts'), componentIds: z.array(Id).max(400).optional() }).optional(),
  intends: z.array(IntendedChange).max(60).optional(),
  /** The module before this one: the bench it leaves is the bench this one starts from. */
  takesOver: Id.optional(),
  /** Another module goes on from here; what lies on the cloth at the end is handed on, not left over. */
  handsOn: z.literal(true).optional(),
  accepted: z.array(Acceptance).max(400).optional(),
  /** Old instructions and narrations that it is written from. */
  narrations: z.array(Narration).max(20).optional(),
});
export type Procedure = z.infer<typeof Procedure>;

/** What is frozen by a release and edited together while drafting: a procedure and the series it names. */
export interface Workbook {
  readonly series: Series;
  readonly procedure: Procedure;
  /** The modules carried out before this one, in order. */
  readonly before?: readonly Procedure[];
  /** How this dealer wants things said. */
  readonly house?: HouseRules;
}
