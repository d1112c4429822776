import fc from 'fast-check';
import { pluralName } from '#core/model/names';
import type { Series } from '#core/model/series';
import { readCorpus } from '../corpus';
import { type Act, type Doing, ORDERS, type Sort, TOLD_OF } from './acts';
import * as along from './along';

type Part = Series['components'][number];
type Tool = Series['tools'][number];

/** One order of a composed line, with all that was put into it. */
export interface Order {
  readonly text: string;
  readonly does: Doing;
  readonly part: Part;
  /** Another part it names: where from, where to, toward which it faces. */
  readonly names: readonly Part[];
  readonly tool?: Tool;
  readonly torque: boolean;
  readonly looks: boolean;
  readonly stuff: boolean;
  readonly faces: boolean;
  readonly caution?: string;
  readonly why?: string;
  /** Words that have to be found again in the step, wherever. */
  readonly kept: readonly string[];
}

export interface ComposedLine {
  readonly line: string;
  readonly orders: readonly Order[];
  readonly series: Series;
}

const SORTS: readonly (readonly [Sort, RegExp])[] = [
  ['rotor', /\bscrew rotor$/],
  ['fastener', /\b(?:bolt|screw|nut|stud)$/],
  ['seal', /\b(?:seal|O-ring|gasket|packing|wiper|cup|diaphragm|boot)$/],
  ['bearing', /\bbearing$/],
  ['cover', /\b(?:cover|housing|head|flange|plate|casing|cap|bonnet|manifold|case|body|bracket|bowl|frame)$/],
  [
    'rotor',
    /\b(?:shaft|rotor|impeller|gear|plunger|piston|sleeve|pulley|coupling|crosshead|crankshaft|drum|rod|lobe|stator|wheel|hub)$/,
  ],
  ['pin', /\b(?:pin|key|clip|dowel|circlip)$/],
  ['spring', /\bspring$/],
  ['hose', /\b(?:hose|line|cable)$/],
  ['ball', /\b(?:ball|valve|seat|poppet|spool|strainer)$/],
];

function sortOf({ name }: Part): Sort | undefined {
  return SORTS.find(([, ends]) => ends.test(name))?.[0];
}

/** So many lines about the parts of all the series of the corpus, the same ones for the same seed. */
export function composedLines(count: number, seed: number): ComposedLine[] {
  const series = [...new Set(readCorpus().map((said) => said.series))].filter(
    ({ components }) => components.length > 8,
  );
  const composer = new Composer(seed);
  return Array.from({ length: count }, () => composer.line(composer.pick(series))).flatMap((line) => line ?? []);
}

const NUMBERS = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

/** Puts lines together from orders and what is told along, the same ones for the same seed. */
class Composer {
  private readonly numbers: Iterator<number>;

  constructor(seed: number) {
    const stream = fc.sample(fc.infiniteStream(fc.nat(2 ** 30)), { seed, numRuns: 1 })[0];
    if (!stream) throw new Error('no numbers');
    this.numbers = stream[Symbol.iterator]();
  }

  pick<T>(list: readonly T[]): T {
    return list[this.number() % list.length] as T;
  }

  private number(): number {
    return (this.numbers.next().value as number) >>> 3;
  }

  private isIn(times: number, of: number): boolean {
    return this.number() % of < times;
  }

  /** A sentence about one part, a line of one or two orders; nothing where the series has no parts for it. */
  line(series: Series): ComposedLine | undefined {
    const isTold = this.isIn(1, 4);
    const used = new Set<string>();
    const first = this.order(series, isTold ? TOLD_OF : ORDERS, used, isTold);
    if (!first) return undefined;
    const second = !isTold && this.isIn(2, 5) ? this.order(series, ORDERS, used, false) : undefined;
    const opened = isTold ? { line: first.text, first } : this.opened(first, second);
    const [capital, ...rest] = opened.line;
    const line = `${capital?.toUpperCase()}${rest.join('')}${/[.?]$/.test(opened.line) ? '' : this.pick(['', '.', '.'])}`;
    return {
      line: this.isIn(1, 6) ? line.toLowerCase() : line,
      orders: second ? [opened.first, second] : [opened.first],
      series,
    };
  }

  private opened(first: Order, second: Order | undefined): { line: string; first: Order } {
    const closed = first.caution !== undefined || first.why !== undefined;
    const joint = this.pick(
      closed ? ['. ', '. Then ', '; then '] : [' and ', ' and then ', ', then ', '. ', '. Then ', ', and ', '; '],
    );
    const join = (one: string, two: string) =>
      `${one}${joint}${joint === '. ' ? two.charAt(0).toUpperCase() + two.slice(1) : two}`;
    const plain = second ? join(first.text, second.text) : first.text;
    if (this.isIn(1, 3)) return { line: plain, first };
    if (this.isIn(1, 6) && /^(?:out|in|press|loosen)$/.test(first.does)) {
      const how = this.pick(along.OPENED_HOW);
      return { line: how + plain, first: { ...first, kept: [...first.kept, how] } };
    }
    const opening = this.pick(along.OPENINGS);
    if (!opening.endsWith('~')) return { line: opening + plain, first };
    const doing = opening.replace('~', inDoing(first.text));
    if (!second) return { line: doing, first };
    return { line: join(doing, /^[.;]/.test(joint) ? second.text : inDoing(second.text)), first };
  }

  private order(series: Series, acts: readonly Act[], used: Set<string>, isBare: boolean): Order | undefined {
    const parts = series.components.filter(({ id }) => !used.has(id));
    for (let tries = 0; tries < 20; tries += 1) {
      const act = this.pick(acts);
      const said = this.pick(act.said);
      const fitting = parts.filter((part) => act.to.some((sort) => sort === sortOf(part)));
      if (fitting.length === 0) continue;
      const part = this.pick(fitting);
      const others = parts.filter(
        (other) =>
          other !== part &&
          /^(?:cover|rotor)$/.test(sortOf(other) ?? '') &&
          other.count === 1 &&
          other.positionSetId === undefined,
      );
      const stuff = series.consumables.length > 0 ? this.pick(series.consumables).name : undefined;
      if ((said.includes('{p}') && others.length === 0) || (said.includes('{c}') && stuff === undefined)) continue;
      if (said.includes('{O}') && (part.count > 1 || part.positionSetId)) continue;
      used.add(part.id);
      return this.told(series, act, said, part, others, stuff, isBare);
    }
    return undefined;
  }

  private told(
    series: Series,
    { does }: Act,
    said: string,
    part: Part,
    others: readonly Part[],
    stuff: string | undefined,
    isBare: boolean,
  ): Order {
    const other = others.length > 0 ? this.pick(others) : undefined;
    const named = this.named(series, part);
    const text = said
      .replace('{o}', named)
      .replace('{O}', part.name)
      .replace('{p}', `the ${other?.name}`)
      .replace('{t}', this.pick(along.TORQUES))
      .replace('{s}', this.pick(along.SIGNS))
      .replace('{c}', stuff ?? '')
      .replace(/@(\w+)/, (_, verb: string) => (named === `the ${part.name}` ? verb : (SEVERAL[verb] ?? verb)));
    const order = {
      text,
      does,
      part,
      names: said.includes('{p}') && other ? [other] : [],
      torque: said.includes('{t}'),
      looks: said.includes('{s}'),
      stuff: said.includes('{c}'),
      faces: false,
      kept: [],
    };
    return isBare ? order : this.goingOn(series, order, others);
  }

  /** How, with what, which way it faces, and a caution, a reason or a remark behind. */
  private goingOn(series: Series, order: Order, others: readonly Part[]): Order {
    const kept: string[] = [];
    const names = [...order.names];
    const said: string[] = [];
    const how = along.HOW[order.does];
    if (how && this.isIn(1, 3) && !/hand|finger|\bturn\b/.test(order.text)) {
      const manner = this.pick(how);
      said.push(manner);
      kept.push(manner);
    }
    const tool =
      this.isIn(1, 3) && !/hand|finger/.test(order.text + said.join()) ? this.tool(series, order) : undefined;
    if (tool) said.push(`${this.pick(['with', 'using'])} ${withArticle(tool)}`);
    const toward = others.length > 0 ? this.pick(others) : undefined;
    const facing =
      /^(?:in|press)$/.test(order.does) && sortOf(order.part) === 'seal' && this.isIn(1, 3)
        ? this.pick(along.FACINGS)
        : undefined;
    const faces = facing !== undefined && (toward !== undefined || !facing.includes('{p}'));
    if (faces) {
      const told = facing.replace('{p}', `the ${toward?.name}`);
      said.push(told);
      kept.push(told.replace(/\bwith\b|\bfacing\b|\btoward\b/g, ''));
      if (facing.includes('{p}') && toward) names.push(toward);
    }
    if (this.isIn(1, 2)) said.reverse();
    const isMoved = /^(?:out|in|press|loosen|torque)$/.test(order.does);
    const end = this.number() % 10;
    const caution = end === 0 ? this.pick(along.CAUTIONS) : undefined;
    const why = end === 1 && isMoved ? this.pick(along.REASONS) : undefined;
    const remark = end === 2 && isMoved ? this.pick(along.REMARKS) : '';
    if (remark !== '') kept.push(remark);
    const text = [order.text, ...said].join(' ');
    return {
      ...order,
      text: `${text}${caution ? `, ${caution}` : ''}${why ? ` ${why}` : ''}${remark}`,
      names,
      faces,
      kept,
      ...(tool && { tool }),
      ...(caution && { caution }),
      ...((why || remark !== '') && { why: why ?? '' }),
    };
  }

  private tool({ tools }: Series, { does, part }: Order): Tool | undefined {
    const fitting = tools.filter(({ name }) => {
      if (does === 'torque') return /torque wrench/.test(name);
      if (sortOf(part) === 'fastener')
        return /(?:wrench|socket|key|spanner|driver)$/.test(name) && !/torque/.test(name);
      if (does === 'out') return /puller|pick|drift|hammer|mallet|pliers|hoist|sling|extractor/.test(name);
      return /^(?:in|press)$/.test(does) && /arbor press|hammer|mallet|driver|sleeve/.test(name);
    });
    // One that is called by its name alone is asked about where there are several.
    const clear = fitting.filter(({ name }) => tools.filter((other) => other.name === name).length === 1);
    return /^(?:out|in|press|loosen|start|torque)$/.test(does) && clear.length > 0 ? this.pick(clear) : undefined;
  }

  private named(series: Series, { name, count, positionSetId }: Part): string {
    const places = series.positionSets.find(({ id }) => id === positionSetId)?.positions.length ?? 1;
    const all = count * places;
    if (all === 1) return `the ${name}`;
    const plural = pluralName(name);
    const number = this.isIn(1, 2) ? (NUMBERS[all] ?? String(all)) : String(all);
    const several = [`the ${plural}`, `the ${number} ${plural}`, `all the ${plural}`, `all ${number} ${plural}`];
    return this.pick(all === 2 ? [`both ${plural}`, `the two ${plural}`, `the ${plural}`] : several);
  }
}

const SEVERAL: Readonly<Record<string, string>> = {
  comes: 'come',
  is: 'are',
  has: 'have',
  pulls: 'pull',
  needs: 'need',
  gets: 'get',
  goes: 'go',
};

function withArticle({ name, size }: Tool): string {
  const said = size && !/torque/.test(name) ? `${size} ${name}` : name;
  if (/s$/.test(name) || /^(?:two|three)\b/.test(name)) return said;
  return `${/^(?:[aeio]|8|11|18)/i.test(said) ? 'an' : 'a'} ${said}`;
}

/** "Take the cover off" is "taking the cover off". */
function inDoing(order: string): string {
  const [verb = '', ...rest] = order.split(' ');
  if (/^(?:always|lightly)$/.test(verb)) return `${verb} ${inDoing(rest.join(' '))}`;
  return [doingOf(verb), ...rest].join(' ');
}

function doingOf(verb: string): string {
  const [first = '', ...more] = verb.split('-');
  if (more.length > 0) return `${first}-${doingOf(more.join('-'))}`;
  if (/^(?:put|get|tap|set|run|spin|fit|drop|slip|dig|swap|pop|zip|bin|snap|dab|scrap|cut)$/.test(verb))
    return `${verb}${verb.at(-1)}ing`;
  if (/^(?:refit|unplug)$/.test(verb)) return `${verb}${verb.at(-1)}ing`;
  return /[^aeo]e$/.test(verb) ? `${verb.slice(0, -1)}ing` : `${verb}ing`;
}
