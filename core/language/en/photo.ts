import { componentById } from '../../model/lookup';
import type { Step } from '../../model/procedure';
import type { Series } from '../../model/series';
import type { PhotoFault } from '../../photo/judge-photo';
import { sayFacing } from './directions';
import { componentPhrase, listing, unitsMeant } from './sentence';

const DOUBTS: Readonly<Record<PhotoFault, string>> = {
  'too-small': 'too few pixels',
  'too-dark': 'too dark',
  'too-bright': 'too bright',
  'no-contrast': 'nothing to be told apart',
  blurred: 'blurred',
  moved: 'camera moved',
  'other-view': 'unlike the reference',
};

/** Why a photo is kept although something is wrong with it: "blurred, kept: oil mist". */
export function sayKeptPhoto(doubts: readonly PhotoFault[], reason: string): string {
  return `${doubts.map((doubt) => DOUBTS[doubt]).join(', ')}; kept: ${reason}`;
}

/** What the photo of a step has to show: as the trainer says it, or how its parts sit. */
export function photoShows(step: Step, series: Series): string {
  if (step.photo?.mustShow) return step.photo.mustShow;
  const named = step.targets.flatMap((target) => {
    const component = componentById(series, target.componentId);
    const pieces = component ? unitsMeant(component, target, step, series) : 0;
    return component ? [{ name: `the ${componentPhrase(component, pieces, false)}`, pieces }] : [];
  });
  const names = named.map(({ name }) => name);
  if (names.length === 0) return 'What was found, before anything is disturbed';
  const [first] = step.targets;
  const facing = step.faces ?? (first && componentById(series, first.componentId)?.faces);
  return facing && names.length === 1
    ? `${names[0]}, ${sayFacing(facing, series)}`
    : `How ${listing(names)} ${named.length === 1 && named[0]?.pieces === 1 ? 'sits' : 'sit'}`;
}
