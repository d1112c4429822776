import { isSealing, isValvePart } from '../model/kinds';
import { opensPump } from '../model/verbs';
import {
  energyOf,
  holdsCharge,
  isBesideLiquid,
  isCheckValve,
  isFillingPort,
  isKeptFluid,
  isLinePart,
  isSumpOil,
  type Line,
  linesIn,
  namesPump,
  namesSame,
  releasesToo,
  runsPump,
  sharesWord,
  standsClosed,
  tellingWords,
} from '../reading/words';
import type { Acting } from './acting';
import type { Piece } from './units';

/** The first loosening of all is judged: isolated, and every line without pressure. */
export function judgeOpening(acting: Acting): void {
  const { step, around } = acting;
  if (!opensPump(step.verb)) return;
  if (!acting.read('opened', '')) {
    acting.write('opened', '', true);
    const isolated = [...around.isolations].some(
      ([key, by]) => energyOf(by.about) !== 'valve' && acting.read('isolated', key) !== null,
    );
    if (!isolated) acting.note({ kind: 'not-isolated' });
  }
  const released = acting.read('pressure', '') === 'released';
  const holds = (line: Line) => !released && acting.read('pressure', line) === 'held';
  if (opensVessel(acting) && acting.read('pressure', 'air') === 'held')
    acting.note({ kind: 'pressure-kept', line: 'air' });
  const own = linesOpened(acting);
  if (own) {
    for (const line of own.filter(holds)) {
      acting.note({ kind: 'pressure-kept', line });
      // Told once.
      acting.write('pressure', line, 'released');
    }
    return;
  }
  if (acting.read('entered', '')) return;
  acting.write('entered', '', true);
  if (!released && !isLiquidReleased(acting)) acting.note({ kind: 'pressure-kept', line: null });
  else for (const line of [...around.lines].filter(holds)) acting.note({ kind: 'pressure-kept', line });
}

/** A vessel with a charge of its own keeps it when the pump is without pressure. */
function opensVessel({ step, structure }: Acting): boolean {
  return step.targets.some(({ componentId }) => holdsCharge(structure.components.get(componentId)?.name ?? ''));
}

/** The lines that a step opens when it opens hoses and tubes only, as far as their names tell. */
function linesOpened({ step, structure }: Acting): Line[] | undefined {
  const names = step.targets.map(({ componentId }) => structure.components.get(componentId)?.name ?? '');
  if (names.length === 0 || !names.every(isLinePart)) return undefined;
  const lines = names.flatMap(linesIn);
  return lines.length > 0 ? lines : undefined;
}

/** Without its air a pump still holds its liquid under pressure, unless that was let off or drained. */
function isLiquidReleased(acting: Acting): boolean {
  const { lines, drains } = acting.around;
  const released = [...lines].filter((line) => acting.read('pressure', line) === 'released');
  if (released.length === 0) return false;
  if (released.some((line) => !isBesideLiquid(line)) || !acting.around.holdsLiquid()) return true;
  return [...drains].some(([id, by]) => !isKeptFluid(by.about) && acting.read('drained', id));
}

/** What the verbs do that act on no part. */
export function makeSafe(acting: Acting): void {
  const { step, around } = acting;
  switch (step.verb) {
    case 'isolate':
    case 'lock-out':
    case 'close-valve':
      // A bleed that is closed again holds nothing back from the pump.
      if (step.verb === 'close-valve' && standsClosed(step.about)) break;
      if (acting.read('entered', '') && piecesOut(acting).length > 0) acting.note({ kind: 'closed-late' });
      around.isolations.set(isolationKey(step.verb, step.about), step);
      acting.write('isolated', isolationKey(step.verb, step.about), step.id);
      if (releasesToo(step.about)) release(acting);
      break;
    case 'restore':
    case 'open-valve':
      restore(acting);
      break;
    case 'release-pressure':
      release(acting);
      break;
    case 'drain':
      around.drains.set(step.id, step);
      acting.write('drained', step.id, true);
      drain(acting);
      break;
    case 'fill':
      fill(acting);
      break;
    case 'test':
      judgeTest(acting);
      break;
    case 'turn':
      if (!step.pose)
        acting.write('shaft', '', step.shaftAt ?? ([step.about, step.detail].filter(Boolean).join(' ') || null));
  }
}

/**
 * What is drained once the pressure is off holds none behind a closed valve either, but for the discharge side of a
 * pump with valves of its own: they hold back what is behind them.
 */
function drain(acting: Acting): void {
  const { step, around } = acting;
  if (isKeptFluid(step.about)) return;
  if (!['', ...around.lines].some((line) => acting.read('pressure', line) === 'released')) return;
  for (const line of around.lines)
    if (line !== 'discharge' || !hasValves(acting) || linesIn(step.about).includes('discharge'))
      acting.write('pressure', line, 'released');
}

function hasValves({ structure: { series } }: Acting): boolean {
  return (
    ['plunger', 'piston', 'dosing', 'intensifier'].includes(series.pumpType) ||
    series.components.some(({ kind, name }) => isValvePart(kind) || isCheckValve(name))
  );
}

/** Lets the pressure off the lines a step names, or off everything. */
function release(acting: Acting): void {
  const said = linesIn(acting.step.about);
  if (said.includes('air')) acting.write('pressure', 'air', 'released');
  const named = said.filter((line) => acting.around.lines.has(line));
  // Through its valves a pump lets off toward the discharge side, never back.
  const lines = named.includes('discharge') ? [...named, 'suction'] : named;
  for (const line of lines.length > 0 ? lines : ['']) acting.write('pressure', line, 'released');
}

/** Two locks on two things are two; isolating a drive and locking it out is one. */
function isolationKey(verb: string, about: string | undefined): string {
  return `${verb} ${tellingWords(about).join(' ')}`;
}

/**
 * Takes off what the step names: all that shares a word with it, else all of its kind, else, where it names nothing,
 * everything. Switching off and locking are undone together; two locks, or two valves, each by itself.
 */
function restore(acting: Acting): void {
  const { step, around } = acting;
  const on = [...around.isolations].filter(([key]) => acting.read('isolated', key) !== null);
  const named = on.filter(([, by]) => namesSame(by.about, step.about));
  // Opening a valve gives nothing back but what a valve holds back, and unlocking the pump opens none.
  const shut = on.filter(([, by]) => by.verb === 'close-valve');
  const locked = on.filter(([, by]) => by.verb !== 'close-valve');
  const rest = step.verb === 'open-valve' ? shut : locked.length > 0 && namesPump(step.about) ? locked : on;
  const generic = tellingWords(step.about).length === 0;
  const energy = energyOf(step.about);
  const alike = on.filter(
    ([, by]) =>
      (energyOf(by.about) === energy || (energy === 'electric' && energyOf(by.about) === 'other')) &&
      !namesOtherLine(by.about, step.about),
  );
  if (step.verb === 'open-valve' && !generic && !isClosedBefore(acting)) acting.note({ kind: 'not-closed' });
  const meant = generic
    ? rest
    : named.length > 0
      ? [...named, ...undoneWith(named, on)]
      : alike.length > 0
        ? alike
        : rest.filter(([, by]) => !namesOtherLine(by.about, step.about));
  judgeRestoring(acting, meant.length > 0 && meant.every(([, by]) => energyOf(by.about) === 'valve'));
  for (const [key] of meant) acting.write('isolated', key, null);
}

/** A valve on one line is none on another. */
function namesOtherLine(a: string | undefined, b: string | undefined): boolean {
  const [one, other] = [linesIn(a), linesIn(b)];
  return one.length > 0 && other.length > 0 && !one.some((line) => other.includes(line));
}

/** Whether something that a valve step opens in a pump that was open was ever closed or isolated. */
function isClosedBefore(acting: Acting): boolean {
  const { step, around } = acting;
  if (!acting.read('entered', '') || standsClosed(step.about)) return true;
  return [...around.isolations.values()].some(
    ({ about, verb }) =>
      namesSame(about, step.about) ||
      (!namesOtherLine(about, step.about) && (verb === 'close-valve' || energyOf(about) === energyOf(step.about))),
  );
}

type Isolations = readonly (readonly [string, { readonly verb: string; readonly about?: string | undefined }])[];

/** The lock on a switch goes with the switch: the only other isolation of the same kind by another verb. */
function undoneWith(named: Isolations, on: Isolations): (typeof on)[number][] {
  return on.filter(([key, by]) => {
    if (named.some(([other]) => other === key)) return false;
    const energy = energyOf(by.about);
    const alike = on.filter(([, other]) => energyOf(other.about) === energy && other.verb === by.verb);
    return alike.length === 1 && named.some(([, other]) => energyOf(other.about) === energy && other.verb !== by.verb);
  }) as (typeof on)[number][];
}

/** Power is given back to a pump that is open, or whose joints are not tight yet. */
function judgeRestoring(acting: Acting, valvesOnly: boolean): void {
  const out = distinct(piecesOut(acting));
  if (out.length > 0) acting.note({ kind: 'restored-open', componentIds: out, why: 'out' });
  if (valvesOnly && out.length > 0) return;
  const loose = [...acting.around.loose].flatMap((id) => {
    const piece = acting.piece(id);
    if (!piece || !acting.isInPump(piece)) return [];
    const state = acting.read('thread', id);
    return state === 'loose' || state === 'by-hand' ? [piece] : [];
  });
  const componentIds = distinct(loose);
  if (componentIds.length > 0) acting.note({ kind: 'restored-open', componentIds, why: 'loose' });
}

/** Pieces that are out and are meant to be back, on the ways looked at. */
function piecesOut(acting: Acting): Piece[] {
  return acting.around.away.ids().flatMap((id) => {
    const piece = acting.piece(id);
    return piece && acting.isReady(piece) ? [piece] : [];
  });
}

function distinct(pieces: readonly Piece[]): string[] {
  return [...new Set(pieces.map(({ componentId }) => componentId))];
}

/** One filling fills what shares a word with it; a filling that names nothing fills everything. */
function fill(acting: Acting): void {
  const { step, around } = acting;
  const open = [...around.drains].filter(([id]) => acting.read('drained', id));
  const unnamed = tellingWords(step.about).length === 0;
  const named = open.filter(
    ([, by]) => unnamed || tellingWords(by.about).length === 0 || sharesWord(by.about, step.about),
  );
  const kept = named.length > 0 ? named : open.filter(([, by]) => isKeptFluid(by.about) && isKeptFluid(step.about));
  for (const [id] of kept.length === 1 || named.length > 0 ? kept : []) acting.write('drained', id, false);
  if (!isKeptFluid(step.about)) return;
  const wasDrained = [...around.drains.values()].some(
    ({ about }) => isKeptFluid(about) || tellingWords(about).length === 0,
  );
  if (isSumpOil(step.about) && acting.read('entered', '') && !wasDrained) acting.note({ kind: 'not-drained' });
  const leaking = piecesOut(acting).filter((piece) => {
    const component = acting.component(piece.componentId);
    if (!component || isFillingPort(component.name)) return false;
    return isSealing(component.kind) || component.kind === 'plug' || /drain|sump/i.test(component.name);
  });
  const componentIds = distinct(leaking);
  if (componentIds.length > 0) acting.note({ kind: 'filled-open', componentIds });
}

/** A pump that is still locked cannot run. */
function judgeTest(acting: Acting): void {
  const { step, around } = acting;
  if (!runsPump([step.about, step.detail, step.text].join(' '))) return;
  for (const [id, { about }] of around.drains)
    if (isKeptFluid(about) && acting.read('drained', id)) acting.note({ kind: 'run-dry', about });
  for (const [key, by] of around.isolations) {
    const lockedBy = acting.read('isolated', key);
    // Many pumps start against a closed discharge, none against a closed suction.
    const stopsIt = energyOf(by.about) !== 'valve' || linesIn(by.about).includes('suction');
    if (lockedBy !== null && stopsIt) {
      acting.note({ kind: 'tested-locked', lockedBy });
      return;
    }
  }
}
