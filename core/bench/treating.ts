import { isLock, tearsDry } from '../model/kinds';
import type { Application, Component } from '../model/series';
import type { TorqueFigure } from '../model/torque-figure';
import { changesFriction, isCompound, isLubricant } from '../supplies/consumable-kinds';
import type { Acting } from './acting';
import { threadPartners } from './structure';
import type { Piece } from './units';

/** What a step puts on its parts, takes off them or puts them into. */
export function treat(acting: Acting, component: Component, meant: readonly Piece[]): void {
  const { step, index } = acting;
  for (const piece of meant) {
    // New packing soaks in the tray while the old one is still in the pump.
    if (step.verb === 'soak') acting.write('soaking', piece.id, index);
    if (step.verb === 'mark') acting.write('marked', piece.id, true);
    if (step.verb === 'cut') acting.write('cut', piece.id, true);
    if (step.verb === 'lubricate') acting.write('lubricated', piece.id, true);
    if (step.verb === 'clean') {
      acting.write('cleaned', piece.id, true);
      acting.write('applied', piece.id, []);
      acting.write('lubricated', piece.id, false);
    }
    for (const { consumableId } of step.applications) apply(acting, component, piece, consumableId);
  }
}

function apply(acting: Acting, component: Component, piece: Piece, consumableId: string): void {
  const consumable = acting.structure.consumables.get(consumableId);
  if (!consumable) return;
  if (isCompound(consumable) && holdsOldCompound(acting, component, piece))
    acting.noteOnce({ kind: 'old-compound', componentId: component.id, consumableId });
  acting.write('applied', piece.id, [...acting.read('applied', piece.id), { consumableId, at: acting.index }]);
}

/** A thread that was in use carries what was on it until somebody cleans it. */
function holdsOldCompound(acting: Acting, component: Component, piece: Piece): boolean {
  if (!acting.structure.threaded.has(component.id) || isLock(component.kind)) return false;
  return acting.read('generation', piece.id) === 'old' && !acting.read('cleaned', piece.id);
}

/** Everything on a piece as it is fitted by the step in hand. */
function onPiece(acting: Acting, piece: Piece): string[] {
  const before = acting.read('applied', piece.id).map(({ consumableId }) => consumableId);
  return [...acting.step.applications.map(({ consumableId }) => consumableId), ...before];
}

const meansOf = ({ consumableId, orConsumableIds = [] }: Application) => [consumableId, ...orConsumableIds];

/** A seal that runs or is squeezed dry tears; what wants compound leaks without it. */
export function judgeSeal(acting: Acting, component: Component, fitted: readonly Piece[]): void {
  if (component.dry) return;
  const is = (test: typeof isLubricant) => (id: string) => {
    const consumable = acting.structure.consumables.get(id);
    return consumable !== undefined && test(consumable);
  };
  const wanted = component.wants ?? [];
  const grease = wanted.find((want) => meansOf(want).some(is(isLubricant)));
  const threaded = acting.structure.threaded.has(component.id);
  for (const piece of fitted) {
    const on = onPiece(acting, piece);
    const soaked = acting.read('soaking', piece.id) !== null;
    const greased = acting.read('lubricated', piece.id) || soaked || on.some(is(isLubricant));
    const wet = greased || on.some(is(isCompound));
    if ((grease && !greased) || (!grease && tearsDry(component.kind) && !threaded && !wet))
      acting.noteOnce({ kind: 'dry-seal', componentId: component.id, consumableId: grease?.consumableId ?? null });
    for (const want of wanted) {
      const means = meansOf(want);
      if (means.some(is(isLubricant)) || means.some((id) => on.includes(id))) continue;
      // A thread may still get its compound before it is torqued.
      if (!threaded)
        acting.noteOnce({ kind: 'compound-missing', componentId: component.id, consumableId: want.consumableId });
    }
  }
}

/** Packing that has to soak has soaked long enough, by the minutes of the steps between. */
export function soakedEnough(acting: Acting, component: Component, fitted: readonly Piece[]): void {
  const { soakMinutes } = component;
  if (!soakMinutes) return;
  for (const piece of fitted) {
    const since = acting.read('soaking', piece.id);
    const minutes = since === null ? null : acting.now.choose(acting.around.minutesSince(since, acting.now));
    if (minutes === null || minutes < soakMinutes)
      acting.noteOnce({ kind: 'soak-short', componentId: component.id, wanted: soakMinutes, minutes });
  }
}

/** What is on a thread as it is torqued: whether it is what the part wants, and whether it has set meanwhile. */
export function judgeThread(
  acting: Acting,
  torque: TorqueFigure | undefined,
  component: Component,
  fitted: readonly Piece[],
): void {
  const { structure } = acting;
  const changing = new Map<string, number>();
  for (const piece of fitted) {
    for (const { consumableId, at } of acting.read('applied', piece.id)) {
      const consumable = structure.consumables.get(consumableId);
      if (consumable && changesFriction(consumable)) changing.set(consumableId, at);
    }
  }
  for (const [consumableId, at] of changing) {
    const openMinutes = structure.consumables.get(consumableId)?.openMinutes;
    if (openMinutes === undefined) continue;
    // The last fastener is tight only at the end of the last pass.
    const tightening = structure.tighteningMinutes.get(component.id) ?? 0;
    const since = acting.now.choose(acting.around.minutesSince(at, acting.now));
    const minutes = Math.round(since + tightening);
    if (minutes > openMinutes)
      acting.noteOnce({ kind: 'sets-first', componentId: component.id, consumableId, openMinutes, minutes });
  }
  const on = new Set([...changing.keys(), ...acting.step.applications.map(({ consumableId }) => consumableId)]);
  for (const want of component.wants ?? []) {
    const consumable = structure.consumables.get(want.consumableId);
    if (!consumable || !changesFriction(consumable) || meansOf(want).some((id) => on.has(id))) continue;
    acting.noteOnce({ kind: 'compound-missing', componentId: component.id, consumableId: want.consumableId });
  }
  if (!torque?.thread) {
    noteUnsaidThread(acting, torque, component, changing);
    return;
  }
  const said = torque.thread.is === 'with' ? torque.thread.consumableId : null;
  const agrees = said
    ? on.has(said) || isOnMating(acting, component, said)
    : ![...on].some((id) => isFriction(acting, id));
  if (!agrees)
    acting.noteOnce({
      kind: 'thread-condition',
      componentId: component.id,
      consumableId: [...on].find((id) => isFriction(acting, id)) ?? null,
    });
}

function isFriction(acting: Acting, id: string): boolean {
  const consumable = acting.structure.consumables.get(id);
  return consumable !== undefined && changesFriction(consumable);
}

/** A figure that says no thread condition holds for a dry thread as everybody reads it; with compound on it must say so. */
function noteUnsaidThread(
  acting: Acting,
  torque: TorqueFigure | undefined,
  component: Component,
  changing: ReadonlyMap<string, number>,
): void {
  const [first] = changing.keys();
  if (torque && first) acting.noteOnce({ kind: 'thread-condition', componentId: component.id, consumableId: first });
}

/** Compound on the mating thread counts: it was put on the part that the fastener holds, or goes into. */
function isOnMating(acting: Acting, component: Component, consumableId: string): boolean {
  const { structure } = acting;
  const mates = [
    ...(structure.holds.get(component.id) ?? []),
    ...(component.hostId ? [component.hostId] : []),
    ...threadPartners(structure, component).map(({ id }) => id),
  ];
  return mates.some((id) =>
    (structure.byComponent.get(id) ?? []).some((piece) =>
      acting.read('applied', piece.id).some((applied) => applied.consumableId === consumableId),
    ),
  );
}
