/** Kinds of part that have a drawing of their own on the cloth. */
export const COMPONENT_KINDS = [
  'ring',
  'o-ring',
  'seal',
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
  'clip',
  'key',
  'spring',
  'valve-ball',
  'poppet',
  'valve-seat',
  'retainer',
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
  'fitting',
  'other',
] as const;
export type ComponentKind = (typeof COMPONENT_KINDS)[number];

const FASTENERS: readonly ComponentKind[] = ['nut', 'dome-nut', 'bolt', 'screw', 'plug', 'fitting'];
const SEALS: readonly ComponentKind[] = ['o-ring', 'seal', 'lip-seal'];
const CLOSERS: readonly ComponentKind[] = ['cover', 'housing', 'retainer', 'plug', 'nut', 'dome-nut', 'bolt', 'screw'];
const SIDE_BY_SIDE: readonly ComponentKind[] = ['rotor', 'plunger', 'valve-ball', 'poppet', 'valve-seat'];
const VALVE_PARTS: readonly ComponentKind[] = ['valve-ball', 'poppet', 'valve-seat'];
const LOCKS: readonly ComponentKind[] = ['pin', 'clip'];
const SEALING: readonly ComponentKind[] = [...SEALS, 'seal-face', 'packing', 'gasket'];

/** Kinds that hold by their thread and are torqued. */
export function isFastener(kind: ComponentKind): boolean {
  return FASTENERS.includes(kind);
}

/** Kinds that slide or are squeezed as they are fitted, and tear when they are dry. */
export function tearsDry(kind: ComponentKind): boolean {
  return SEALS.includes(kind);
}

/** Kinds whose work is to keep something in. */
export function isSealing(kind: ComponentKind): boolean {
  return SEALING.includes(kind);
}

/** Kinds that a workshop renews whenever they were disturbed; common practice. */
export function isRenewedByDefault(kind: ComponentKind): boolean {
  return SEALS.includes(kind) || kind === 'packing' || kind === 'gasket';
}

/** Kinds of which several lie beside one another in a pump, each with its own way out. */
export function runsSideBySide(kind: ComponentKind): boolean {
  return SIDE_BY_SIDE.includes(kind);
}

export function isNut(kind: ComponentKind): boolean {
  return kind === 'nut' || kind === 'dome-nut';
}

/** Kinds of part that a valve is made of. */
export function isValvePart(kind: ComponentKind): boolean {
  return VALVE_PARTS.includes(kind);
}

/** Kinds that close over what lies behind them. */
export function closesOver(kind: ComponentKind): boolean {
  return CLOSERS.includes(kind);
}

/** Kinds that keep a thread from turning: split pins, tabs, wire. */
export function isLock(kind: ComponentKind): boolean {
  return LOCKS.includes(kind);
}
