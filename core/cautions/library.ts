import type { Caution, Step } from '../model/procedure';
import { type Component, componentById, type Series } from '../model/series';
import { opensPump, verbOf } from '../model/verbs';

/** A caution of the trade with the steps it is usually said at. Common practice throughout. */
export interface UsualCaution extends Caution {
  readonly id: string;
  fits(step: Step, parts: readonly Component[], series: Series): boolean;
}

const never = () => false;

export const USUAL_CAUTIONS: readonly UsualCaution[] = [
  usual(
    'restart',
    'DANGER',
    'The drive can start by itself. Isolate, lock out and try to start before you go on.',
    (step) => step.verb === 'isolate' || step.verb === 'lock-out',
  ),
  usual(
    'jet',
    'DANGER',
    'A fine jet goes through gloves and skin. Release all pressure; keep hands away from joints. An injection is an emergency.',
    (step) => step.verb === 'release-pressure',
  ),
  usual(
    'controller',
    'WARNING',
    'Stopping at the controller is not isolation. Use the master switch or take the battery off.',
    (step) => step.verb === 'isolate',
  ),
  usual(
    'stored',
    'WARNING',
    'Pressure stays behind closed valves and in accumulators. Bleed both sides slowly.',
    (step) => step.verb === 'release-pressure',
  ),
  usual(
    'residue',
    'WARNING',
    'Residue can be hot, corrosive or poisonous. Wear gloves and goggles; flush before you open.',
    (step) => step.verb === 'drain',
  ),
  usual(
    'spring',
    'WARNING',
    'Under spring tension. Ease the last two fasteners out together, face away from the axis.',
    (step, parts) => parts.some((part) => part.springLoaded) && (opensPump(step.verb) || step.verb === 'ease'),
  ),
  usual(
    'heavy',
    'WARNING',
    'Heavy. Plan the lift and support it before it is free.',
    (step, parts) => parts.some((part) => (part.massKg ?? 0) >= 16) && verbOf(step.verb).effect !== 'stays',
  ),
  usual(
    'pinch',
    'CAUTION',
    'Fingers are pinched between turning parts. Say aloud before you turn.',
    (step) => step.verb === 'turn',
  ),
  usual('splinters', 'CAUTION', 'Ceramic splinters when it breaks. Wear eye protection.', (_step, parts) =>
    parts.some((part) => part.brittle),
  ),
  usual('edges', 'CAUTION', 'Edges are sharp. Wear cut-resistant gloves.', never),
  usual('hot', 'CAUTION', 'The casing may be hot. Let it cool down or wear heat-proof gloves.', never),
  usual(
    'skin',
    'CAUTION',
    'Irritates skin and eyes. Wear gloves and goggles, and air the room.',
    (step, _parts, series) =>
      step.applications.some(({ consumableId }) => series.consumables.find(({ id }) => id === consumableId)?.hazard),
  ),
  usual(
    'air',
    'WARNING',
    'Compressed air drives splinters and oil into eyes and skin. Never blow toward anybody.',
    never,
  ),
  usual('slippery', 'CAUTION', 'Wet castings slip. Dry hands and part before you lift.', never),
  usual(
    'pry',
    'NOTICE',
    'Pry both sides evenly, a little at a time; one side alone cracks or jams it.',
    (step) => step.verb === 'pry',
  ),
  usual(
    'scratch',
    'NOTICE',
    'A scratched bore leaks. No steel tools against sealing faces.',
    (step, parts) => opensPump(step.verb) && parts.some((part) => part.kind === 'o-ring' || part.kind === 'lip-seal'),
  ),
  usual(
    'wrench',
    'NOTICE',
    'Never loosen with the torque wrench; it loses its setting.',
    (step) => step.verb === 'torque',
  ),
  usual(
    'onward',
    'NOTICE',
    'Turn the nut on to the next slot, never back.',
    (step, parts) => step.verb === 'pin' && parts.some((part) => part.kind === 'pin'),
  ),
];

function usual(
  id: string,
  signal: Caution['signal'],
  text: string,
  fits: (step: Step, parts: readonly Component[], series: Series) => unknown,
): UsualCaution {
  return { id, signal, text, fits: (step, parts, series) => Boolean(fits(step, parts, series)) };
}

/** The usual cautions for a step that it does not say yet. */
export function suggestedCautions(step: Step, series: Series): UsualCaution[] {
  const parts = step.targets.flatMap(({ componentId }) => componentById(series, componentId) ?? []);
  const said = new Set(step.cautions.map(({ text }) => text));
  return USUAL_CAUTIONS.filter((caution) => !said.has(caution.text) && caution.fits(step, parts, series));
}
