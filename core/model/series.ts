import { z } from 'zod';
import { Quantity } from '../quantity/schema';
import { unitOf } from '../quantity/units';
import { ConsumableBase, ConsumableKind, Material } from './consumables';
import { Faces, PROFILES } from './faces';
import { FastenerGroup } from './fastener-group';
import { Id } from './ids';
import { COMPONENT_KINDS } from './kinds';
import { Look } from './looks';

const Name = z.string().trim().min(1, 'empty').max(120);

export const PUMP_TYPES = [
  'rotary-lobe',
  'plunger',
  'piston',
  'diaphragm',
  'end-suction',
  'progressive-cavity',
  'gear',
  'intensifier',
  'dosing',
  'other',
] as const;

export const Position = z.strictObject({
  id: Id,
  name: Name,
  /** Places of other sets that this one is, or lies in: the inlet of chamber 1, a bolt hole at the left end. */
  within: z.array(Id).max(12).optional(),
});
export type Position = z.infer<typeof Position>;

/** A repeated place: bores 1..3, left and right end, shafts 1 and 2. */
export const PositionSet = z.strictObject({
  id: Id,
  /** In the singular: "shaft", "bore", "end". */
  name: Name,
  positions: z.array(Position).min(1).max(48),
});
export type PositionSet = z.infer<typeof PositionSet>;

export const RENEWALS = ['always', 'judge', 'keep'] as const;

/** What is put on a part, where and how much: "thin film on the O-ring only". */
export const Application = z.strictObject({
  consumableId: Id,
  /** What does instead, one of them and never two: "compound or tape". */
  orConsumableIds: z.array(Id).max(6).optional(),
  where: z.string().trim().max(160).optional(),
  /** "a pea", "two drops", "thin film". */
  amount: z.string().trim().max(60).optional(),
});
export type Application = z.infer<typeof Application>;

/**
 * What the trainer says about one part lying in the way of another. Everything that came off before a part is presumed
 * to be in its way; `covers` confirms that, `clear` strikes it out.
 */
export const Cover = z.strictObject({ componentId: Id, said: z.enum(['covers', 'clear']) });
export type Cover = z.infer<typeof Cover>;

/** A kind of part in a series. */
export const Component = z.strictObject({
  id: Id,
  /** In the singular, as the workshop says it. */
  name: Name,
  kind: z.enum(COMPONENT_KINDS),
  /** Pieces at each position, or in the whole pump when it has no position set. */
  count: z.int().min(1).max(96),
  /** Named in the plural, and nobody said yet how many: `count` is no more than a beginning. */
  several: z.literal(true).optional(),
  positionSetId: Id.optional(),
  /** Matched units go back where they came from; each lies in a cell of its own. */
  matched: z.boolean().default(false),
  renewal: z.enum(RENEWALS).default('judge'),
  partNumber: z.string().max(60).optional(),
  /** The part it sits in; moving that part moves this one. */
  hostId: Id.optional(),
  /** Other parts it sits in at some places. */
  hostsAt: z
    .array(z.strictObject({ positionId: Id, hostId: Id }))
    .max(48)
    .optional(),
  coveredBy: z.array(Cover).max(200).optional(),
  /** The fasteners that hold it. */
  heldBy: z.array(Id).max(20).optional(),
  /** It goes in one way round only. */
  keyed: z.literal(true).optional(),
  /** Which way round, wherever it is fitted. */
  faces: Faces.optional(),
  /** What is put on it before it is fitted. */
  wants: z.array(Application).max(6).optional(),
  /** How long it soaks before it is fitted. */
  soakMinutes: z.number().min(1).max(2880).optional(),
  massKg: z.number().min(0.001).max(50_000).optional(),
  brittle: z.literal(true).optional(),
  /** What it is made of, as far as grease and oil care. */
  material: Material.optional(),
  /** It is fitted dry on purpose. */
  dry: z.literal(true).optional(),
  /** Its thread tightens counter-clockwise. */
  leftHand: z.literal(true).optional(),
  /** How its named end and the one behind it look, where the words do not tell. */
  profiles: z.strictObject({ end: z.enum(PROFILES), behind: z.enum(PROFILES) }).optional(),
  springLoaded: z.literal(true).optional(),
  /** It has a thread of its own and is tightened itself: a screwed cap, a gland nut, a retainer. */
  threaded: z.literal(true).optional(),
  /** What is looked at whenever it is out. */
  looks: z.array(Look).max(12).optional(),
});
export type Component = z.infer<typeof Component>;

export const TOOL_KINDS = ['hand', 'special', 'torque', 'power', 'measuring', 'lifting', 'protective', 'aid'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** One piece of a tool that is counted and, where it measures, calibrated. */
export const ToolAsset = z.strictObject({
  number: z.string().trim().min(1, 'empty').max(60),
  calibratedUntil: z.iso.date().optional(),
});
export type ToolAsset = z.infer<typeof ToolAsset>;

export const Tool = z.strictObject({
  id: Id,
  name: Name,
  size: z.string().max(60).optional(),
  kind: z.enum(TOOL_KINDS).optional(),
  range: z
    .strictObject({ from: Quantity, to: Quantity })
    .refine(({ from, to }) => unitOf(from.unit).dimension === unitOf(to.unit).dimension, 'range-in-two-dimensions')
    .refine(({ from, to }) => from.unit !== to.unit || from.value < to.value, 'range-falls')
    .optional(),
  /** The largest error of a measuring instrument, to either side. */
  accuracy: Quantity.refine(({ value }) => value > 0, 'not-above-zero').optional(),
  /** The number under which a special tool is ordered. */
  specialNumber: z.string().max(60).optional(),
  /** What also does, in the order of preference. */
  substituteIds: z.array(Id).max(10).optional(),
  assets: z.array(ToolAsset).max(40).optional(),
});
export type Tool = z.infer<typeof Tool>;

/** A set of new parts sold together. */
export const Kit = z.strictObject({
  id: Id,
  name: Name,
  partNumber: z.string().max(60).optional(),
  contents: z.array(z.strictObject({ componentId: Id, count: z.int().min(1).max(500) })).max(200),
});
export type Kit = z.infer<typeof Kit>;

/** Grease, oil, compound, tape. */
export const Consumable = z.strictObject({
  id: Id,
  name: Name,
  kind: ConsumableKind.optional(),
  base: ConsumableBase.optional(),
  /** How long it can be worked before it sets; the torque must come within. */
  openMinutes: z.number().min(0.5).max(10_000).optional(),
  /** How long until it holds. */
  setMinutes: z.number().min(0.5).max(20_000).optional(),
  /** The nut factor K of a thread with it on, in T = K·d·F. */
  nutFactor: z.number().min(0.02).max(1).optional(),
  /** "ISO VG 220", "NLGI 2". */
  grade: z.string().trim().max(60).optional(),
  /** It may touch food. */
  foodContact: z.literal(true).optional(),
  /** What it attacks besides what its base does. */
  attacks: z.array(Material).max(20).optional(),
  /** What it does to people: "irritates the skin". */
  hazard: z.string().trim().max(200).optional(),
});
export type Consumable = z.infer<typeof Consumable>;

export const STACK_ENDS = ['mouth', 'bottom'] as const;
export type StackEnd = (typeof STACK_ENDS)[number];
const Millimetres = z.number().min(0.1).max(5000);

/** What sits on one another in a bore, from the bottom to the mouth. */
export const Stack = z.strictObject({
  id: Id,
  name: Name,
  /** The part whose bore it is. */
  hostId: Id.optional(),
  /** The places where it is built like this; wherever its parts are when absent. */
  positionIds: z.array(Id).max(48).optional(),
  /** Where the pressure acts from. */
  pressureAt: z.enum(STACK_ENDS).optional(),
  driveAt: z.enum(STACK_ENDS).optional(),
  /** The bore, from the bottom to the mouth; a change of diameter is a step. */
  bore: z
    .array(z.strictObject({ diameterMm: Millimetres, lengthMm: Millimetres }))
    .max(8)
    .default([]),
  /** What runs through the middle. */
  shaft: z.strictObject({ componentId: Id.optional(), diameterMm: Millimetres }).optional(),
  layers: z
    .array(
      z.strictObject({
        id: Id,
        componentId: Id,
        /** How many of them lie here on one another. */
        count: z.int().min(1).max(40).default(1),
        lengthMm: Millimetres.optional(),
        innerMm: Millimetres.optional(),
        outerMm: Millimetres.optional(),
        /** It turns with the shaft. */
        turns: z.literal(true).optional(),
      }),
    )
    .max(60)
    .default([]),
});
export type Stack = z.infer<typeof Stack>;

/** A pump family: what its procedures have in common. */
export const Series = z.strictObject({
  id: Id,
  name: Name,
  code: z.string().trim().min(1, 'empty').max(40),
  pumpType: z.enum(PUMP_TYPES),
  note: z.string().max(2000).optional(),
  positionSets: z.array(PositionSet).max(12).default([]),
  components: z.array(Component).max(400).default([]),
  tools: z.array(Tool).max(400).default([]),
  consumables: z.array(Consumable).max(200).default([]),
  kits: z.array(Kit).max(60).default([]),
  stacks: z.array(Stack).max(40).optional(),
  fastenerGroups: z.array(FastenerGroup).max(120).optional(),
  /** What makers' data say of flow and power. */
  duty: z
    .strictObject({
      /** Volume of one revolution. */
      displacement: Quantity.refine(
        ({ value, unit }) => unitOf(unit).dimension === 'volume' && value > 0,
        'no-such-quantity',
      ).optional(),
      volumetric: z.number().min(0.1).max(1).optional(),
      overall: z.number().min(0.1).max(1).optional(),
    })
    .optional(),
  /** It comes to the bench holding no pressure and needs no release. */
  unpressurised: z.literal(true).optional(),
});
export type Series = z.infer<typeof Series>;
