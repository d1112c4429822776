import { z } from 'zod';
import { Faces } from '../orientation/faces';
import { COMPONENT_KINDS, singularName } from './kinds';

export const Id = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[A-Za-z0-9_-]+$/, 'letters, digits, - and _ only');
const Name = z.string().trim().min(1, 'is empty').max(120);

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

export const Position = z.strictObject({ id: Id, name: Name });
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
  where: z.string().trim().max(160).optional(),
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
  positionSetId: Id.optional(),
  /** Matched units go back where they came from; each lies in a cell of its own. */
  matched: z.boolean().default(false),
  renewal: z.enum(RENEWALS).default('judge'),
  partNumber: z.string().max(60).optional(),
  /** The part it sits in; moving that part moves this one. */
  hostId: Id.optional(),
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
  springLoaded: z.literal(true).optional(),
});
export type Component = z.infer<typeof Component>;

export const Tool = z.strictObject({ id: Id, name: Name, size: z.string().max(60).optional() });
export type Tool = z.infer<typeof Tool>;

/** A set of new parts sold together. */
export const Kit = z.strictObject({
  id: Id,
  name: Name,
  partNumber: z.string().max(60).optional(),
  contents: z.array(z.strictObject({ componentId: Id, count: z.int().min(1).max(500) })).max(200),
});
export type Kit = z.infer<typeof Kit>;

export const Consumable = z.strictObject({ id: Id, name: Name });
export type Consumable = z.infer<typeof Consumable>;

/** A pump family: what its procedures have in common. */
export const Series = z.strictObject({
  id: Id,
  name: Name,
  code: z.string().trim().min(1, 'is empty').max(40),
  pumpType: z.enum(PUMP_TYPES),
  note: z.string().max(2000).optional(),
  positionSets: z.array(PositionSet).max(12).default([]),
  components: z.array(Component).max(400).default([]),
  tools: z.array(Tool).max(400).default([]),
  consumables: z.array(Consumable).max(200).default([]),
  kits: z.array(Kit).max(60).default([]),
  /** It comes to the bench holding no pressure and needs no release. */
  unpressurised: z.literal(true).optional(),
});
export type Series = z.infer<typeof Series>;

export function componentById(series: Series, id: string): Component | undefined {
  return series.components.find((component) => component.id === id);
}

export function positionSetById(series: Series, id: string | undefined): PositionSet | undefined {
  return id === undefined ? undefined : series.positionSets.find((set) => set.id === id);
}

/** Finds by name whatever the number or case: "Cover nuts" finds "cover nut". */
export function byName<T extends { name: string }>(list: readonly T[], name: string): T | undefined {
  const wanted = nameKey(name);
  return list.find((item) => nameKey(item.name) === wanted);
}

export function nameKey(name: string): string {
  return singularName(name.toLowerCase().replace(/\s+/g, ' ').trim());
}

/** "hook tool, 50 mm" from a tool with its size. */
export function toolLabel(tool: Tool): string {
  return tool.size ? `${tool.name}, ${tool.size}` : tool.name;
}
