import { writtenIn } from '../../edits/written';
import type { Faces } from '../../model/faces';
import { componentById, positionSetById, toolLabel } from '../../model/lookup';
import { pluralName } from '../../model/names';
import type { Step } from '../../model/procedure';
import type { Component, Series } from '../../model/series';
import { stepBy } from '../../model/setting';
import { compareFacings, isBenchDirection, placesInStacks } from '../../orientation/directions';
import { bare } from '../../orientation/faces';
import { readQuantity, relativeGap, sayQuantity } from '../../quantity/quantity';
import type { Quantity } from '../../quantity/schema';
import { clausesNaming, readDirection } from '../../reading/en/direction-words';
import { mentioned } from '../../reading/en/mentions';
import { saysOnlyThere } from '../../reading/en/remark-words';
import { turnsBySize } from '../../reading/en/wording';
import type { Difference, TextDifference } from './difference';
import { treatmentAgainst } from './treatment-words';

/** Rounded conversions of one figure count as the same. */
const SAME_FIGURE = 0.02;
/** "facing the pressure", "toward the rotor", "must face the drive"; the "lapped face" of a part is no direction. */
const FACING =
  /\b(?:facing|towards?|faces?(?!\s+(?:facing|towards?|up|down|away))|looks?(?:ing)? (?:to|at)|(?=away from))\s*\b((?:away from\s+)?(?:the\s+)?[\p{L}-]+(?:\s[\p{L}-]+)?)/giu;
/** "lip up", "groove down", "lips upward". */
const BENCH_FACING = /\b(up|down)(?:wards?)?\b/gi;
/** A figure on the way to the one of the step. */
const ON_THE_WAY = /\b(first|pass(?:es)?|then|initially|pre-?torque|snug|half|stages?|round|before)\b/i;

/** Where the words of a trainer and the fields of the step contradict one another. */
export function compareText(step: Step, series: Series): TextDifference[] {
  const own = writtenIn(step).flatMap(({ where, text }): TextDifference[] => {
    // A method is told below, as the step that it makes; a question is not an instruction.
    if (where === 'method' || where === 'question') return [];
    const found = where === 'text' ? compareSentence(text, step, series) : contradictions(text, step, series);
    return found.map((difference) => ({ ...difference, where }));
  });
  const ofMethods = (step.methods ?? []).flatMap((method) => {
    const words = [method.detail, ...method.cautions.map(({ text }) => text)].filter((text) => text !== undefined);
    return words
      .flatMap((text) => contradictions(text, stepBy(step, method), series))
      .map((difference) => ({ ...difference, where: 'method' as const }));
  });
  return [...own, ...ofMethods];
}

/** The sentence in the trainer's own words stands for the whole step: what either lacks is a difference. */
function compareSentence(text: string, step: Step, series: Series): Difference[] {
  const differences: Difference[] = [];
  const note = (what: Difference['what'], only: Difference['only'], name: string) =>
    differences.push({ what, only, name });

  const figures = torquesIn(withoutTools(text, series));
  const own = [step.torque?.figure, step.torque?.also].filter((figure) => figure !== undefined);
  for (const figure of figures)
    if (!own.some((other) => relativeGap(other, figure) <= SAME_FIGURE)) note('figure', 'text', sayQuantity(figure));
  if (step.torque && figures.length === 0) note('figure', 'step', sayQuantity(step.torque.figure));

  const toolIds = new Set([...step.toolIds, ...(step.aidsIn ?? []), ...(step.aidsOut ?? [])]);
  const listed = series.tools.filter(({ id }) => toolIds.has(id));
  const toolsSaid = mentioned(text, series.tools);
  for (const tool of toolsSaid) if (!listed.some(({ name }) => name === tool.name)) note('tool', 'text', tool.name);
  for (const tool of listed)
    if (step.toolIds.includes(tool.id) && !toolsSaid.some(({ name }) => name === tool.name))
      note('tool', 'step', tool.name);

  const targets = targetsOf(step, series);
  const partsSaid = mentioned(text, series.components);
  const toward = step.faces?.toward;
  const elsewhere = `${step.into ?? ''} ${toward?.said ?? ''} ${step.about ?? ''}`;
  const beside = mentioned(elsewhere, series.components);
  const hosts = targets.flatMap(({ hostId }) => (hostId ? (componentById(series, hostId) ?? []) : []));
  const facing = toward?.is === 'part' ? [componentById(series, toward.componentId)] : [];
  for (const part of partsSaid)
    if (![...targets, ...beside, ...hosts, ...facing].includes(part)) note('part', 'text', part.name);
  for (const part of targets) if (!partsSaid.includes(part)) note('part', 'step', part.name);

  if (step.faces?.end && !text.toLowerCase().includes(step.faces.end.toLowerCase()))
    note('face', 'step', step.faces.end);
  else differences.push(...facingsAgainst(text, step, series, true));
  differences.push(
    ...countsAgainst(text, step, series),
    ...sizesAgainst(text, listed),
    ...namedSizeAgainst(text, listed),
    ...placesAgainst(text, step, series, true),
    ...treatmentAgainst(text, step, series),
  );
  return differences;
}

/** A remark beside the step may leave anything out; it must not say otherwise. */
function contradictions(text: string, step: Step, series: Series): Difference[] {
  const listed = series.tools.filter(({ id }) => step.toolIds.includes(id));
  return [
    ...figuresAgainst(withoutTools(text, series), step),
    ...facingsAgainst(text, step, series, false),
    ...countsAgainst(text, step, series),
    ...sizesAgainst(text, listed),
    ...namedSizeAgainst(text, listed),
    ...placesAgainst(text, step, series, false),
    ...treatmentAgainst(text, step, series),
  ];
}

function targetsOf(step: Step, series: Series): Component[] {
  return step.targets.flatMap(({ componentId }) => componentById(series, componentId) ?? []);
}

function figuresAgainst(text: string, step: Step): Difference[] {
  const own = [step.torque?.figure, step.torque?.also].filter((figure) => figure !== undefined);
  const [main] = own;
  const figures = torquesIn(text);
  if (!main) {
    const [only] = TIGHTENS.includes(step.verb) ? figures : [];
    return only ? [{ what: 'figure', only: 'text', name: sayQuantity(only) }] : [];
  }
  const other = figures.find((figure) => !own.some((mine) => relativeGap(mine, figure) <= SAME_FIGURE));
  if (!other) return [];
  // Passes are told with the figures on the way.
  const isPass = ON_THE_WAY.test(text) && relativeTo(other, main) < 1;
  return isPass ? [] : [{ what: 'figure', only: 'text', name: sayQuantity(other) }];
}

/** Verbs whose figure in words is one to tighten to. */
const TIGHTENS: readonly Step['verb'][] = ['start-by-hand', 'torque', 'connect', 'fit', 'join'];

/** How large a torque is in shares of another. */
function relativeTo(a: Quantity, b: Quantity): number {
  return relativeGap(b, a) * (isLess(a, b) ? -1 : 1) + 1;
}

function isLess(a: Quantity, b: Quantity): boolean {
  return relativeGap(a, b) > 0 && relativeGap({ ...a, value: a.value * 1.0001 }, b) < relativeGap(a, b);
}

/** Directions in a text that are not the one of the step. */
function facingsAgainst(text: string, step: Step, series: Series, strict: boolean): Difference[] {
  const [part, more] = targetsOf(step, series);
  const { faces } = step;
  if (!part || more) return [];
  const toward = directionsIn(text, FACING);
  const saysSame = (said: string) => faces !== undefined && agrees(said, faces, part, series);
  const [first] = toward;
  if (strict && first && !toward.some(saysSame)) return [{ what: 'face', only: 'text', name: first }];
  if (!faces) return [];
  for (const clause of clausesNaming(text, faces.end)) {
    const said = [...directionsIn(clause, FACING), ...directionsIn(clause, BENCH_FACING)];
    const [name] = said;
    if (name && said.every((direction) => isContrary(direction, faces, part, series)))
      return [{ what: 'face', only: 'text', name: `${faces.end ?? ''} ${name}`.trim() }];
  }
  return [];
}

function directionsIn(text: string, pattern: RegExp): string[] {
  return [...text.matchAll(pattern)].flatMap(([, direction]) => direction?.replace(/^(away from )?the /i, '$1') ?? []);
}

/** Whether a text says which way an end looks. */
export function saysFacing(text: string, end: string): boolean {
  return clausesNaming(text, end).some((clause) => [FACING, BENCH_FACING].some((said) => clause.search(said) >= 0));
}

function compareWith(said: string, faces: Faces, part: Component, series: Series) {
  const other = { ...faces, toward: readDirection(said, series) };
  const { clocking: _turned, ...plain } = other;
  const { clocking: _own, ...mine } = faces;
  return compareFacings(plain, mine, part, placesInStacks(series, part.id, { hostId: part.hostId }));
}

function isContrary(said: string, faces: Faces, part: Component, series: Series): boolean {
  return compareWith(said, faces, part, series) === 'contrary';
}

/** Whether a direction said in words is the one of the step: by where the part lies in its stack, or by its words. */
function agrees(said: string, faces: Faces, part: Component, series: Series): boolean {
  // Up and down depend on how the housing lies; the replay judges them.
  const direction = readDirection(said, series);
  if (isBenchDirection(direction) !== isBenchDirection(faces.toward)) return true;
  const agreement = compareWith(said, faces, part, series);
  if (agreement !== 'unknown') return agreement === 'same';
  // "pressure side" and "the pressure" share a word.
  const named =
    faces.toward.is === 'part' ? (componentById(series, faces.toward.componentId)?.name ?? '') : faces.toward.is;
  const words = bare(`${faces.toward.said ?? ''} ${named}`).split(' ');
  return bare(said)
    .split(' ')
    .some((word) => word.length > 2 && words.includes(word));
}

const NUMBERS: Readonly<Record<string, number>> = {
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
};

/** "all six bolts" where the step means eight. */
function countsAgainst(text: string, step: Step, series: Series): Difference[] {
  const [part, more] = targetsOf(step, series);
  const [target] = step.targets;
  if (!part || more || !target || part.count < 2) return [];
  const plural = pluralName(part.name.toLowerCase()).split(' ').at(-1) ?? '';
  const pattern = new RegExp(
    `\\b(?:all|the)\\s+(\\d{1,2}|${Object.keys(NUMBERS).join('|')})\\s+(?:[\\p{L}-]+\\s){0,4}?${plural}\\b`,
    'iu',
  );
  const said = pattern.exec(text)?.[1]?.toLowerCase();
  if (!said) return [];
  const number = NUMBERS[said] ?? Number(said);
  const places = positionSetById(series, part.positionSetId)?.positions.length ?? 1;
  const meant = target.count ?? part.count;
  const fits = [meant, part.count, meant * places, part.count * places, meant * Math.max(1, step.positionIds.length)];
  return fits.includes(number) ? [] : [{ what: 'count', only: 'text', name: `${said} ${plural}` }];
}

/** "the 17 mm socket" where the step lists one of 19 mm. */
function sizesAgainst(text: string, listed: Series['tools']): Difference[] {
  return [...text.matchAll(SIZED_TOOL)].flatMap(([, before, name = '', after]): Difference[] => {
    const size = (before ?? after ?? '').replace(/\s+/g, ' ').trim();
    const word = name.toLowerCase().replace(/s$/, '');
    const called = listed.filter((tool) => tool.name.toLowerCase().includes(word));
    // A pin spanner has no size across flats.
    const [first] = called;
    if (first && size && called.every((tool) => !turnsBySize(tool.name)))
      return [{ what: 'size', only: 'text', name: `${size} ${word} (${called.map(toolLabel).join('; ')})` }];
    const named = called.filter((tool) => tool.size && /\bmm\b|\d\/\d/i.test(tool.size));
    if (named.length === 0 || named.some((tool) => sameSize(tool.size ?? '', size))) return [];
    return [{ what: 'size', only: 'text', name: `${size} ${word} (${named.map(toolLabel).join('; ')})` }];
  });
}

/** "the 35 mm seal driver" where the step lists one of 30 mm. */
function namedSizeAgainst(text: string, listed: Series['tools']): Difference[] {
  return listed.flatMap((tool): Difference[] => {
    if (!tool.size || !/^\d+(?:[.,]\d+)?\s*mm$/i.test(tool.size)) return [];
    const name = tool.name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    const size = new RegExp(`(\\d+(?:[.,]\\d+)?\\s*mm)[\\s-]+${name}s?\\b`, 'i').exec(text)?.[1];
    if (!size || listed.some((other) => other.name === tool.name && sameSize(other.size ?? '', size))) return [];
    return [{ what: 'size', only: 'text', name: `${size} ${tool.name} (${toolLabel(tool)})` }];
  });
}

const SIZED_TOOL =
  /\b(\d+(?:[.,]\d+)?\s*mm|\d+\/\d+\s*(?:in(?:ch)?|"))?[\s-]*(hex keys?|allen keys?|sockets?|spanners?|open[- ]end(?:ed)? wrench(?:es)?)(?:\s*(?:of|,|size)\s*(\d+(?:[.,]\d+)?\s*mm|\d+\/\d+\s*(?:in(?:ch)?|")))?/gi;

function sameSize(a: string, b: string): boolean {
  const number = (size: string) => /\d+(?:[.,]\d+)?(?:\/\d+)?/.exec(size)?.[0]?.replace(',', '.');
  return b === '' || number(a) === number(b);
}

const COMPARES = /\b(like|than|as (?:at|on)|compared?|unlike|instead)\b/i;

/** "on shaft 2" in a step that is done at shaft 1. */
function placesAgainst(text: string, step: Step, series: Series, strict: boolean): Difference[] {
  const [positionId, more] = step.positionIds;
  if (!positionId || step.fromPositionId) return [];
  const set = series.positionSets.find(({ positions }) => positions.some(({ id }) => id === positionId));
  const own = set?.positions.find(({ id }) => id === positionId);
  const said = mentioned(text, set?.positions ?? []);
  if (more) {
    const narrows = saysOnlyThere(text) && said.length > 0 && said.length < step.positionIds.length;
    return narrows ? [{ what: 'place', only: 'text', name: said[0]?.name ?? '' }] : [];
  }
  if (!own || said.length === 0 || said.includes(own)) return [];
  // A remark may compare with "the one of shaft 2".
  const compares = strict ? COMPARES : /\b(from|of|like|than|with|other|next|before|after|also)\b/i;
  return compares.test(text) ? [] : [{ what: 'place', only: 'text', name: said[0]?.name ?? '' }];
}

/** The text without the labels of tools, whose ranges are no figures to tighten to. */
function withoutTools(text: string, { tools }: Series): string {
  return tools.reduce((left, tool) => (tool.size ? left.replaceAll(tool.size, '') : left), text);
}

export function torquesIn(text: string): Quantity[] {
  return [...text.matchAll(/\d+(?:[.,]\d+)?\s*(?:[a-z]+[·.⋅\s-]?[a-z]*)/gi)].flatMap(([hit]) => {
    for (const words of [hit, hit.replace(/\s+[a-z]+$/i, '')]) {
      const reading = readQuantity(words, 'torque');
      if (reading.ok) return [reading.quantity];
    }
    return [];
  });
}
