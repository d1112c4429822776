import { applyLine } from '#core/line/apply-line';
import { parseLine } from '#core/line/parse-line';
import { toolLabel } from '#core/model/lookup';
import { nameKey, singularName } from '#core/model/names';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { typedWorkbook } from '../read-step';
import type { Doing } from './acts';
import type { ComposedLine, Order } from './compose';

/** Which steps an order may become. */
const STEPS: Readonly<Record<Doing, readonly Step['verb'][]>> = {
  out: ['take-off', 'draw', 'pry', 'ease', 'separate', 'disconnect'],
  in: ['fit', 'press', 'seat', 'place', 'start-by-hand', 'pin', 'join', 'connect'],
  press: ['press', 'seat', 'fit'],
  start: ['start-by-hand'],
  loosen: ['loosen'],
  torque: ['torque'],
  inspect: ['inspect'],
  clean: ['clean'],
  renew: ['renew', 'fit'],
  grease: ['lubricate', 'apply-compound'],
  mark: ['mark'],
  hold: ['hold'],
  unplug: ['disconnect'],
  plug: ['connect'],
  photo: ['photo'],
  aside: ['put-aside'],
  discard: ['discard'],
  measure: ['measure'],
  turn: ['turn'],
};

export type Judged =
  | { readonly is: 'whole' }
  | { readonly is: 'asked'; readonly what: readonly string[] }
  | { readonly is: 'wrong'; readonly how: readonly string[] };

/**
 * What comes of a composed line, compared with what was put into it. In a series that knows none of its parts and tools
 * they have to come out under their names.
 */
export function judgeComposed({ line, orders, series: known }: ComposedLine, isKnown = true): Judged {
  const series: Series = isKnown ? known : { ...known, components: [], tools: [], consumables: [] };
  const parsed = parseLine(line, series);
  const asked = [...parsed.faults, ...parsed.doubts];
  if (asked.length > 0) return { is: 'asked', what: asked.map((one) => JSON.stringify(one)) };
  const { workbook, after } = typedWorkbook(series);
  let n = 0;
  const applied = applyLine(workbook, parsed, after, () => `new-${++n}`);
  if (!applied) return { is: 'asked', what: ['nothing was read'] };
  const steps = applied.stepIds.map((id) => applied.workbook.procedure.steps.find((step) => step.id === id) as Step);
  if (steps.length !== orders.length)
    return { is: 'wrong', how: [`${steps.length} steps: ${steps.map(({ verb }) => verb).join(', ')}`] };
  const how = orders.flatMap((order, i) => differs(order, steps[i] as Step, applied.workbook.series, isKnown));
  return how.length === 0 ? { is: 'whole' } : { is: 'wrong', how };
}

function differs(order: Order, step: Step, series: Series, isKnown: boolean): string[] {
  const wrong: string[] = [];
  const part = (id: string) => series.components.find((one) => one.id === id);
  if (!STEPS[order.does].includes(step.verb)) wrong.push(`${step.verb} for ${order.does}`);
  // What acts on words keeps them.
  const names = step.targets.map(({ componentId }) => keyOf(part(componentId)?.name ?? '')).sort();
  const wanted = order.parts.map(({ name }) => keyOf(name)).sort();
  const isNamed =
    names.length === 0
      ? /^(?:photo|turn)$/.test(step.verb) && order.parts.every(({ name }) => includesLast(step.about ?? '', name))
      : names.join() === wanted.join();
  if (!isNamed) wrong.push(`of ${names.join(', ')} ${step.about ?? ''}`);
  if (isKnown) {
    for (const { componentId, count } of step.targets) {
      const all = part(componentId)?.count;
      if ((count ?? all) !== (order.count ?? all)) wrong.push(`${count} pieces`);
    }
    if (names.length > 0 && !isAtPlaces(order, step, series)) wrong.push(`at ${step.positionIds.join(', ')}`);
  }
  const tools = step.toolIds.map((id) => toolOf(id, series));
  const asked = order.tool ? [keyOf(toolLabel(order.tool))] : [];
  // The range of a torque wrench is not said.
  const isWrench = order.tool?.name === 'torque wrench' && tools.length === 1 && tools[0]?.startsWith('torque wrench');
  if (!isWrench && tools.map(keyOf).join() !== asked.join()) wrong.push(`tools ${tools.join(', ')}`);
  if (order.torque !== (step.torque !== undefined)) wrong.push('torque');
  if (order.faces !== (step.faces !== undefined)) wrong.push('faces');
  if (order.looks !== (step.looks ?? []).some(({ faults }) => faults.length > 0)) wrong.push('looks');
  if (order.stuff && step.applications.length === 0) wrong.push('nothing put on');
  const isRemark = order.remark !== undefined;
  if (!isRemark && (order.caution !== undefined) !== step.cautions.length > 0) wrong.push('caution');
  const isAim = order.kept.some((text) => text.startsWith('To get at'));
  if (!isRemark && !isAim && (order.why !== undefined) !== (step.why !== undefined)) wrong.push('why');
  const said = textOf(step, series);
  const lost = [
    ...order.kept,
    order.caution ?? '',
    order.why ?? '',
    order.remark ?? '',
    ...order.names.map(({ name }) => name),
  ].flatMap((text) => wordsIn(text).filter((word) => !said.includes(word) && !said.includes(word.replace(/s$/, ''))));
  if (lost.length > 0) wrong.push(`lost "${lost.join(' ')}"`);
  const text = `${order.text} ${order.kept.join(' ')}`.toLowerCase();
  const strange = wordsIn([step.detail, step.why, step.into].join(' ')).filter((word) => !text.includes(word));
  if (strange.filter((word) => word !== 'new').length > 0) wrong.push(`"${strange.join(' ')}" is of the other order`);
  return wrong;
}

function isAtPlaces({ places, parts }: Order, { positionIds }: Step, series: Series): boolean {
  const all = parts.flatMap(
    ({ positionSetId }) => series.positionSets.find(({ id }) => id === positionSetId)?.positions ?? [],
  );
  const isEverywhere = positionIds.length === 0 || positionIds.length === all.length;
  return (places.length === 0 && isEverywhere) || [...positionIds].sort().join() === [...places].sort().join();
}

const keyOf = (name: string) => nameKey(singularName(name));

function toolOf(id: string, { tools }: Series): string {
  const tool = tools.find((one) => one.id === id);
  return tool ? toolLabel(tool) : id;
}

const EMPTY =
  /^(?:the|a|an|and|of|to|it|its|with|using|is|are|be|in|on|or|for|from|off|out|into|onto|over|not|careful|being|taking|care|so|that|because|since|they|this|there)$/;

function wordsIn(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^\p{L}\d'-]+/u)
    .filter((word) => word !== '' && !EMPTY.test(word));
}

function includesLast(text: string, name: string): boolean {
  const last = name.toLowerCase().split(' ').at(-1) ?? '';
  return text.toLowerCase().includes(last.replace(/y$/, ''));
}

/** Every word of a step that is not its verb or its parts. */
function textOf(step: Step, series: Series): string {
  const faces = JSON.stringify(step.faces ?? '');
  return [
    step.about,
    step.detail,
    step.why,
    step.into,
    ...step.cautions.map(({ text, usual }) => text ?? usual),
    faces,
    ...(step.looks ?? []).flatMap((look) => look.faults.map(({ sign }) => sign)),
    ...step.applications.flatMap(({ where, amount }) => [where, amount]),
    ...series.components.flatMap(({ id, name }) => (step.intoId === id || faces.includes(id) ? [name] : [])),
    ...step.toolIds.map((id) => toolOf(id, series)),
  ]
    .join(' ')
    .toLowerCase();
}
