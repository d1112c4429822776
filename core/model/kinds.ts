import pluralize from 'pluralize';

/** Kinds of part that have a drawing of their own on the cloth. */
export const COMPONENT_KINDS = [
  'ring',
  'o-ring',
  'lip-seal',
  'seal-face',
  'packing',
  'nut',
  'dome-nut',
  'bolt',
  'screw',
  'washer',
  'cup-washer',
  'pin',
  'key',
  'spring',
  'valve-ball',
  'valve-seat',
  'plunger',
  'rotor',
  'impeller',
  'shaft',
  'diaphragm',
  'cover',
  'housing',
  'gasket',
  'bearing',
  'spacer',
  'plug',
  'other',
] as const;
export type ComponentKind = (typeof COMPONENT_KINDS)[number];

const FASTENERS: readonly ComponentKind[] = ['nut', 'dome-nut', 'bolt', 'screw', 'plug'];

/** Kinds that hold by their thread and are torqued. */
export function isFastener(kind: ComponentKind): boolean {
  return FASTENERS.includes(kind);
}

/** First match wins, so the longer and more telling words stand first. */
const TELLING: readonly [RegExp, ComponentKind][] = [
  [/\bo-?rings?\b/, 'o-ring'],
  [/\b(dome|cap|acorn)[ -]nut/, 'dome-nut'],
  [/\bcup washer|conical washer|spring washer/, 'cup-washer'],
  [/\bwasher|slinger/, 'washer'],
  [/\bnut\b/, 'nut'],
  [/\bscrew/, 'screw'],
  [/\bbolt|stud\b/, 'bolt'],
  [/\bpin\b|dowel/, 'pin'],
  [/\bkey\b/, 'key'],
  [/\brotary (head|seal)|\bspring/, 'spring'],
  [/\bstationary|seal (ring|face)|lapped/, 'seal-face'],
  [/\blip seal|oil seal|shaft seal/, 'lip-seal'],
  [/\bpacking|v-ring|lantern/, 'packing'],
  [/\bball\b/, 'valve-ball'],
  [/\bseat\b/, 'valve-seat'],
  [/\bplunger|piston|rod\b/, 'plunger'],
  [/\bimpeller/, 'impeller'],
  [/\bdiaphragm/, 'diaphragm'],
  [/\bgasket/, 'gasket'],
  [/\bcover|cap|lid|flange\b/, 'cover'],
  [/\bplug|fitting/, 'plug'],
  [/\bbearing/, 'bearing'],
  [/\bspacer|sleeve|shim|bush/, 'spacer'],
  [/\brotor/, 'rotor'],
  [/\bshaft/, 'shaft'],
  [/\bcasing|housing|manifold|head|body|stator|pocket/, 'housing'],
  [/\bring\b/, 'ring'],
];

/** The kind of part a name most likely means; `other` when the name does not tell. */
export function kindFromName(name: string): ComponentKind {
  const singular = singularName(name.toLowerCase());
  return TELLING.find(([pattern]) => pattern.test(singular))?.[1] ?? 'other';
}

/** "Cover nuts" to "Cover nut": only the last word carries the number. */
export function singularName(name: string): string {
  return onLastWord(name, pluralize.singular);
}

export function pluralName(name: string): string {
  return onLastWord(name, pluralize.plural);
}

function onLastWord(name: string, change: (word: string) => string): string {
  const at = name.trim().lastIndexOf(' ') + 1;
  return name.trim().slice(0, at) + change(name.trim().slice(at));
}
