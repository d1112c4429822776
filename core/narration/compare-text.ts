import { bare } from '../orientation/faces';
import type { Step } from '../procedure/procedure';
import { componentById, type Series } from '../pump/series';
import { type Quantity, readQuantity, relativeGap, sayQuantity } from '../quantity/quantity';
import { mentioned } from './mentions';

/** Something that only one of the two says: the trainer's own sentence, or the fields of the step. */
export interface TextDifference {
  readonly what: 'figure' | 'tool' | 'part' | 'face';
  readonly only: 'text' | 'step';
  readonly name: string;
}

/** Rounded conversions of one figure count as the same. */
const SAME_FIGURE = 0.02;

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

  const toward = /\b(?:facing|toward|towards|face)\s+(?:the\s+)?([\p{L}-]+(?:\s[\p{L}-]+)?)/iu.exec(text)?.[1];
  if (step.faces && !text.toLowerCase().includes(step.faces.end.toLowerCase())) note('face', 'step', step.faces.end);
  else if (toward && !(step.faces && saysSameWay(toward, step.faces.toward))) note('face', 'text', toward);
  return differences;
}

/** "pressure side" and "the pressure" share a word. Up and down depend on how the housing lies and are not compared. */
function saysSameWay(said: string, toward: string): boolean {
  const bench = /\b(up|down)(wards?)?\b/i;
  if (bench.test(said) || bench.test(toward)) return true;
  const words = bare(toward).split(' ');
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
