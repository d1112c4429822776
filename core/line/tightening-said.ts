import type { Edit } from '../edits/edit';
import { inDigits } from '../language/en/grammar/words/words';
import type { FastenerGroup, PassPlan, Pattern } from '../model/fastener-group';
import { componentById, groupOf } from '../model/lookup';
import type { Series } from '../model/series';
import type { TorqueFigure } from '../model/torque-figure';
import { inSi } from '../quantity/quantity';
import { USUAL_PASSES } from '../torque/passes';
import { newGroup } from '../torque-sheet/sheet';

/** "Crosswise", "star", "from the middle", "clockwise": the order in which a joint is tightened; first match wins. */
const PATTERN_WORDS: readonly [RegExp, Pattern][] = [
  [/\b(?:from the (?:middle|centre|center)|middle out(?:ward)?|inside out)\b/i, 'middle-out'],
  [/\b(?:cross(?:wise|ways)?|criss-?cross|star|diagonal(?:ly)?|opposite)\b/i, 'star'],
  [/\bside to side\b/i, 'side-to-side'],
  [/\bclockwise\b/i, 'clockwise'],
];

const PASSES = /\b(?:([1-5])|single|one) (?:pass(?:es)?|stages?|rounds?)\b/;

/** The pattern and the passes that words tell; nothing where they tell neither. */
export function tighteningSaid(words: string): { pattern?: Pattern; passes?: PassPlan[] } {
  const pattern = PATTERN_WORDS.find(([said]) => said.test(words))?.[1];
  const [whole, number = 1] = PASSES.exec(inDigits(words)) ?? [];
  const count = whole === undefined ? undefined : Number(number);
  return { ...(pattern && { pattern }), ...(count !== undefined && { passes: inPasses(count) }) };
}

/** So many rising passes, the last to the figure; after several of them a check round. */
function inPasses(count: number): PassPlan[] {
  if (count === 3) return [...USUAL_PASSES];
  const rises = Array.from(
    { length: count },
    (_, i): PassPlan => ({
      is: 'rise',
      percent: Math.round((100 * (i + 1)) / count),
    }),
  );
  return count > 1 ? [...rises, { is: 'check' }] : rises;
}

/** Passes typed as steps of their own rise: the last is the figure, unless a source gives it. */
function raised({ figures }: FastenerGroup, torque: TorqueFigure): FastenerGroup['figures'] | undefined {
  const [first, other] = figures;
  if (!first || other || first.torque.source || inSi(torque.figure) <= inSi(first.torque.figure)) return undefined;
  return [{ ...first, torque }];
}

/** What a torque step tells of its joint, as an edit of the torque sheet; nothing where it tells nothing new. */
export function groupEdits(
  series: Series,
  componentId: string,
  words: string,
  torque: TorqueFigure | undefined,
  newId: () => string,
): Edit[] {
  const said = tighteningSaid(words);
  const component = componentById(series, componentId);
  const known = groupOf(series, componentId);
  const isOrdered = said.pattern !== undefined || said.passes !== undefined;
  const figures = known && torque ? raised(known, torque) : undefined;
  if (!component || component.count < 2 || (!isOrdered && !figures)) return [];
  if (!known)
    return [{ kind: 'add', list: 'fastenerGroups', item: { ...newGroup(newId(), component, torque), ...said } }];
  // An order set by hand goes on only where the words ask for no other.
  const { order, ...rest } = known;
  const changed: FastenerGroup = {
    ...rest,
    ...(order && !said.pattern && { order }),
    ...said,
    ...(figures && { figures }),
  };
  const fastenerGroups = (series.fastenerGroups ?? []).map((group) => (group.id === known.id ? changed : group));
  return [{ kind: 'change-series', fields: { fastenerGroups } }];
}
