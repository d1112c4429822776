import { componentById, positionSetById, toolLabel } from '../../model/lookup';
import { pluralName, singularName } from '../../model/names';
import type { Step, Target } from '../../model/procedure';
import type { Application, Component, Series, Tool } from '../../model/series';
import { verbOf } from '../../model/verbs';
import { sayPreferred, type UnitPreference } from '../../quantity/preference';
import { capital, numberWord } from './counted';
import { sayClocking, sayDirection } from './directions';
import { VERB_SAYS } from './verbs';

/** A step told as one imperative sentence, in pieces so that a screen can mark the slots. */
export type Slot = 'parts' | 'about' | 'into' | 'positions' | 'torque' | 'tools' | 'applied' | 'face' | 'toward';

export interface SentencePiece {
  readonly text: string;
  readonly slot?: Slot;
}

/** Verbs whose sentence names what is put on the part. */
const WITH_CONSUMABLE = { lubricate: 'with', soak: 'in', 'apply-compound': 'using', fill: 'with' } as const;

/**
 * The sentence of a step: in the trainer's own words where there are any, else composed from its fields, with figures
 * as the reader prefers them.
 */
export function sentenceOf(step: Step, series: Series, units: UnitPreference = 'as-given'): SentencePiece[] {
  if (step.text) return [{ text: step.text }];
  const verb = verbOf(step.verb);
  const isOwnOrder = step.about !== undefined && saysWhatIsDone(step);
  const pieces: SentencePiece[] = isOwnOrder ? [] : [{ text: VERB_SAYS[step.verb] }];
  const add = (lead: string, text: string, slot: Slot) => pieces.push({ text: lead }, { text, slot });

  if (verb.object === 'parts') {
    step.targets.forEach((target, i) => {
      const lead = i === 0 ? ' ' : i === step.targets.length - 1 ? ' and ' : ', ';
      add(lead, targetPhrase(target, step, series), 'parts');
    });
    if (step.targets.length === 0 && step.about) add(' ', withArticle(step.about), 'about');
  } else if (isOwnOrder) {
    pieces.push({ text: capital(step.about ?? ''), slot: 'about' });
  } else if (step.about) {
    add(step.verb === 'release-pressure' ? ' of ' : ' ', step.about, 'about');
  }
  if (step.into) add(' into ', withArticle(step.into), 'into');
  const where = positionPhrase(step, series);
  if (where) add(' at ', where, 'positions');
  if (step.torque) add(' to ', sayPreferred(step.torque.figure, units), 'torque');
  if (step.verb in WITH_CONSUMABLE && step.applications.length > 0) {
    const lead = WITH_CONSUMABLE[step.verb as keyof typeof WITH_CONSUMABLE];
    add(` ${lead} `, listing(step.applications.map((a) => sayApplied(a, series))), 'applied');
  }
  if (step.toolIds.length > 0) {
    const names = step.toolIds.flatMap((id) => {
      const tool = series.tools.find((one) => one.id === id);
      return tool ? [sayTool(tool, step.toolCounts?.[id])] : [];
    });
    if (names.length > 0) add(' with ', listing(names), 'tools');
  }
  if (step.faces) {
    const { end, toward, clocking } = step.faces;
    if (end) add(', ', end, 'face');
    add(end ? ' facing ' : ', facing ', sayDirection(toward, series), 'toward');
    if (clocking) add(', ', sayClocking(clocking), 'face');
  }
  if (step.mirrored)
    pieces.push({ text: step.positionIds.length === 1 ? ', as a mirror image' : ', the other side as a mirror image' });
  pieces.push({ text: '.' });
  return pieces;
}

/** "Run the pump", "put a tray under the drain plug": what it is about is an order by itself. */
function saysWhatIsDone({ verb, about = '' }: Step): boolean {
  return verb === 'attend' || (verb === 'test' && ORDERS.test(about));
}

const ORDERS =
  /^(?:try|run|start|cycle|operate|stroke|bump|jog|deadhead|raise|increase|build up|listen|look|watch|check|open|close)\b/i;

export function sayStep(step: Step, series: Series, units: UnitPreference = 'as-given'): string {
  return sentenceOf(step, series, units)
    .map((piece) => piece.text)
    .join('');
}

/** What the large heading says at the bench: the sentence without tool and face, which stand beside it. */
export function headingOf(step: Step, series: Series, units: UnitPreference = 'as-given'): string {
  const { faces: _faces, into, ...rest } = step;
  return sayStep({ ...rest, ...(into && { into }), toolIds: [] }, series, units).replace(/\.$/, '');
}

/** A few words for a chip: "Draw out rotors". */
export function titleOf(step: Step, series: Series): string {
  const verb = verbOf(step.verb);
  const object =
    verb.object === 'words' || step.targets.length === 0
      ? step.about
      : listing(
          step.targets.flatMap((target) => {
            const component = componentById(series, target.componentId);
            return component ? [componentPhrase(component, unitsMeant(component, target, step, series), false)] : [];
          }),
        );
  const of = step.verb === 'release-pressure' && object ? ' of' : '';
  const say = VERB_SAYS[step.verb];
  if (object && saysWhatIsDone(step)) return capital(object);
  return object ? `${say}${of} ${object}` : say;
}

/** "eight cover nuts", "rotor"; without its number when `counted` is false, or where nobody said it. */
export function componentPhrase(component: Component, units: number, counted = true): string {
  const name = lowerFirst(component.name);
  if (units <= 1 && !component.several) return name;
  const plural = pluralName(name);
  return counted && component.count > 1 ? `${numberWord(units)} ${plural}` : plural;
}

/** "each shaft", "shaft 1", "bore 1 and bore 3"; undefined when nothing repeats. */
export function positionPhrase(step: Step, series: Series): string | undefined {
  const sets = step.targets
    .map((target) => positionSetById(series, componentById(series, target.componentId)?.positionSetId))
    .filter((set) => set !== undefined);
  const named = series.positionSets.find((set) => set.positions.some((p) => step.positionIds.includes(p.id)));
  const set = named ?? sets[0];
  if (!set) return undefined;
  const chosen = inOrderSaid(step, set.positions);
  if (chosen.length === set.positions.length) {
    if (set.positions.length === 1) return set.positions[0]?.name;
    const first = step.oneByOne ? saidFirst(chosen, set.positions) : [];
    const before = first.length > 0 ? `, ${listing(first.map((p) => lowerFirst(p.name)))} first` : '';
    return `each ${lowerFirst(singularName(set.name))}${before}`;
  }
  return listing(chosen.map((p) => lowerFirst(p.name)));
}

/** The positions a step is carried out at, in the order it says them; all of them when it names none. */
export function inOrderSaid<T extends { id: string }>(step: Step, positions: readonly T[]): T[] {
  const chosen = step.positionIds.flatMap((id) => positions.find((position) => position.id === id) ?? []);
  return chosen.length > 0 ? chosen : [...positions];
}

/** What is taken out of turn: "bores 1 and 3 first". */
function saidFirst<T>(chosen: readonly T[], positions: readonly T[]): T[] {
  const rank = (item: T) => positions.indexOf(item);
  let n = 0;
  while (chosen.slice(n).some((item, i, rest) => i > 0 && rank(item) < rank(rest[i - 1] as T))) n += 1;
  return chosen.slice(0, n);
}

/** "a", "a and b", "a, b and c". */
export function listing(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}

function targetPhrase(target: Target, step: Step, series: Series): string {
  const component = componentById(series, target.componentId);
  if (!component) return 'the part';
  const acting = target.count ?? component.count;
  const { several } = component;
  if (target.count !== undefined && (several || target.count < component.count)) {
    const all = several ? '' : `${numberWord(component.count)} `;
    return `${numberWord(target.count)} of the ${all}${pluralName(lowerFirst(component.name))}`;
  }
  const perPosition = positionPhrase(step, series) !== undefined && component.positionSetId !== undefined;
  return `the ${componentPhrase(component, perPosition ? acting : unitsMeant(component, target, step, series))}`;
}

/** How many pieces a step means, over all its positions. */
export function unitsMeant(component: Component, target: Target, step: Step, series: Series): number {
  const set = positionSetById(series, component.positionSetId);
  const places = set ? set.positions.filter((p) => step.positionIds.includes(p.id)).length || set.positions.length : 1;
  return (target.count ?? component.count) * places;
}

/** "two pry bars", "socket, 17 mm". */
export function sayTool(tool: Tool, count = 1): string {
  const label = toolLabel(tool);
  if (count === 1) return label;
  return `${numberWord(count)} ${label.replace(tool.name, pluralName(tool.name))}`;
}

/** "compound or tape": what is put on, or what does instead. */
function sayApplied({ consumableId, orConsumableIds = [] }: Application, series: Series): string {
  return [consumableId, ...orConsumableIds].map((id) => consumableName(series, id)).join(' or ');
}

function consumableName(series: Series, id: string): string {
  return lowerFirst(series.consumables.find((consumable) => consumable.id === id)?.name ?? 'compound');
}

function withArticle(noun: string): string {
  return NO_ARTICLE.test(noun) ? noun : `the ${noun}`;
}

const NO_ARTICLE = /^(?:(?:the|a|an|its|their|each|every|both|all|any|this|these|those)\s|everything\b|whatever\b)/i;

/** Lower-cases an opening capital, but not an acronym or an O-ring. */
function lowerFirst(name: string): string {
  return /^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
}
