import type { Step } from '../../model/procedure';
import { type Component, componentById, type Series } from '../../model/series';
import { compareFacings } from '../../orientation/directions';
import { bare, type Faces } from '../../orientation/faces';
import { type Quantity, readQuantity, relativeGap, sayQuantity } from '../../quantity/quantity';
import { mentioned } from './mentions';

/** Something that only one of the two says: the trainer's own sentence, or the fields of the step. */
export interface TextDifference {
  readonly what: 'figure' | 'tool' | 'part' | 'face';
  readonly only: 'text' | 'step';
  readonly name: string;
}

/** Rounded conversions of one figure count as the same. */
const SAME_FIGURE = 0.02;
/** "facing the pressure", "toward the rotor", "must face the drive"; the "lapped face" of a part is no direction. */
const FACING = /\b(?:facing|towards?|face(?!\s+(?:facing|towards?)))\s+(?:the\s+)?([\p{L}-]+(?:\s[\p{L}-]+)?)/giu;
const BENCH_WORD = /\b(up|down)(wards?)?\b/i;

/** Where the trainer's own sentence and the fields of the step disagree; nothing where the sentence is composed. */
export function compareText(step: Step, series: Series): TextDifference[] {
  const { text } = step;
  if (!text) return [];
  const differences: TextDifference[] = [];
  const note = (what: TextDifference['what'], only: TextDifference['only'], name: string) =>
    differences.push({ what, only, name });

  const figures = torquesIn(text);
  const own = [step.torque?.figure, step.torque?.also].filter((figure) => figure !== undefined);
  for (const figure of figures)
    if (!own.some((other) => relativeGap(other, figure) <= SAME_FIGURE)) note('figure', 'text', sayQuantity(figure));
  if (step.torque && figures.length === 0) note('figure', 'step', sayQuantity(step.torque.figure));

  const toolIds = new Set([...step.toolIds, ...(step.aidsIn ?? []), ...(step.aidsOut ?? [])]);
  const listed = series.tools.filter(({ id }) => toolIds.has(id));
  const toolsSaid = mentioned(text, series.tools);
  for (const tool of toolsSaid) if (!listed.some(({ name }) => name === tool.name)) note('tool', 'text', tool.name);
  for (const tool of listed) if (!toolsSaid.some(({ name }) => name === tool.name)) note('tool', 'step', tool.name);

  const targets = step.targets.flatMap(({ componentId }) => componentById(series, componentId) ?? []);
  const partsSaid = mentioned(text, series.components);
  const elsewhere = `${step.into ?? ''} ${step.faces?.toward ?? ''} ${step.about ?? ''}`;
  const beside = mentioned(elsewhere, series.components);
  const hosts = targets.flatMap(({ hostId }) => (hostId ? (componentById(series, hostId) ?? []) : []));
  for (const part of partsSaid) if (![...targets, ...beside, ...hosts].includes(part)) note('part', 'text', part.name);
  for (const part of targets) if (!partsSaid.includes(part)) note('part', 'step', part.name);

  const directions = [...text.matchAll(FACING)].flatMap(([, direction]) => direction ?? []);
  const [direction] = directions;
  if (step.faces && !text.toLowerCase().includes(step.faces.end.toLowerCase())) note('face', 'step', step.faces.end);
  else if (direction && !directions.some((said) => saysSameWay(said, step.faces, targets[0], series)))
    note('face', 'text', direction);
  return differences;
}

/** Whether a direction said in words is the one of the step: by where the part lies in its stack, or by its words. */
function saysSameWay(said: string, faces: Faces | undefined, part: Component | undefined, series: Series): boolean {
  if (!faces) return false;
  // Up and down depend on how the housing lies; the replay judges them.
  if (BENCH_WORD.test(said) || BENCH_WORD.test(faces.toward)) return true;
  const agreement = part ? compareFacings({ end: faces.end, toward: said }, faces, part, series) : 'unknown';
  if (agreement !== 'unknown') return agreement === 'same';
  // "pressure side" and "the pressure" share a word.
  const words = bare(faces.toward).split(' ');
  return bare(said)
    .split(' ')
    .some((word) => word.length > 2 && words.includes(word));
}

function torquesIn(text: string): Quantity[] {
  return [...text.matchAll(/\d+(?:[.,]\d+)?\s*(?:[a-z]+[·.⋅\s-]?[a-z]*)/gi)].flatMap(([hit]) => {
    for (const words of [hit, hit.replace(/\s+[a-z]+$/i, '')]) {
      const reading = readQuantity(words, 'torque');
      if (reading.ok) return [reading.quantity];
    }
    return [];
  });
}
