import type { Series } from '#core/model/series';
import { readCorpus } from '../corpus';
import { type Act, AGAIN, type Doing, ORDERS, TOGETHER, TOLD_OF } from './acts';
import * as along from './along';
import { Chance } from './chance';
import { inDoing, inPast, SEVERAL } from './doing';
import { isOne, type Named, nameParts, type Part, sortOf } from './parts-named';

type Tool = Series['tools'][number];

/** One order of a composed line, with all that was put into it. */
export interface Order extends Named {
  readonly does: Doing;
  readonly tool?: Tool;
  readonly torque: boolean;
  readonly looks: boolean;
  readonly stuff: boolean;
  readonly faces: boolean;
  readonly caution?: string;
  readonly why?: string;
  /** A remark, which may be kept as a caution, a reason or how. */
  readonly remark?: string;
}

export interface ComposedLine {
  readonly line: string;
  readonly orders: readonly Order[];
  readonly series: Series;
}

/** So many lines about the parts of all the series of the corpus, the same ones for the same seed. */
export function composedLines(count: number, seed: number): ComposedLine[] {
  const all = [...new Set(readCorpus().map((said) => said.series))].filter(({ components }) => components.length > 8);
  const chance = new Chance(seed);
  return Array.from({ length: count }, () => new Composer(chance.pick(all), chance).line()).flatMap(
    (line) => line ?? [],
  );
}

/** Puts one line together, about the parts of one series. */
class Composer {
  private readonly used = new Set<string>();

  constructor(
    private readonly series: Series,
    private readonly chance: Chance,
  ) {}

  /** A sentence about a part, or a line of orders; nothing where the series has no parts for it. */
  line(): ComposedLine | undefined {
    const kind = this.chance.number() % 10;
    const orders = kind < 2 ? this.one(TOLD_OF) : kind < 3 ? this.together() : this.several();
    const [first, ...more] = orders;
    if (!first) return undefined;
    const opened = kind < 2 ? { text: first.text, orders } : this.opened(first, more);
    const end = /[.?]$/.test(opened.text) ? '' : this.chance.pick(['', '.', '.']);
    const line = `${capital(opened.text)}${end}`;
    return { line: this.chance.isIn(1, 6) ? line.toLowerCase() : line, orders: opened.orders, series: this.series };
  }

  private one(acts: readonly Act[]): Order[] {
    const order = this.order(acts, false);
    return order ? [order] : [];
  }

  /** One after the other; the second may be done to "it". */
  private several(): Order[] {
    const first = this.order(ORDERS, true);
    if (!first) return [];
    if (!this.chance.isIn(2, 5)) return [first];
    const isAgain = first.does === 'out' && first.caution === undefined && first.why === undefined && !first.remark;
    const second = isAgain && this.chance.isIn(1, 3) ? this.again(first) : this.order(ORDERS, true);
    return second ? [first, second] : [first];
  }

  /** Two verbs for one part: "clean and inspect the shaft". */
  private together(): Order[] {
    const { does, said, to } = this.chance.pick(TOGETHER);
    const order = this.order([{ does: does[0] as Doing, to, said }], false);
    return order
      ? does.map((one, i) => ({
          ...order,
          does: one,
          kept: i < does.length - 1 ? [] : order.kept,
          names: i < does.length - 1 ? [] : order.names,
          looks: one === 'inspect' && order.looks,
          stuff: one === 'grease' && order.stuff,
        }))
      : [];
  }

  private again(first: Order): Order {
    const { does, said } = this.chance.pick(AGAIN);
    const isSeveral = first.isSeveral;
    const text = said.replace('{it}', isSeveral ? 'them' : 'it').replace('{s}', this.chance.pick(along.SIGNS));
    const { parts, places, count } = first;
    const plain = { names: [], torque: false, looks: said.includes('{s}'), stuff: false, faces: false, kept: [] };
    return { ...plain, text, does, parts, places, isSeveral, ...(count !== undefined && { count }) };
  }

  private opened(first: Order, more: readonly Order[]): { text: string; orders: readonly Order[] } {
    const isCompound = more.some(({ text }) => text === first.text);
    const texts = isCompound ? [first.text] : [first, ...more].map(({ text }) => text);
    const closed = first.caution !== undefined || first.why !== undefined || first.remark !== undefined;
    const joint = this.chance.pick(
      closed ? ['. ', '. Then ', '; then '] : [' and ', ' and then ', ', then ', '. ', '. Then ', ', and ', '; '],
    );
    const join = (list: readonly string[]) =>
      list.map((text, i) => (i > 0 && joint === '. ' ? capital(text) : text)).join(joint);
    if (this.chance.isIn(1, 3)) return { text: join(texts), orders: [first, ...more] };
    if (this.chance.isIn(1, 4) && /^(?:out|in|press|loosen)$/.test(first.does) && !isCompound) {
      const other = this.others(first.parts).find((part) => !first.names.includes(part));
      const said = this.chance.pick(along.OPENED_HOW);
      if (other || !said.includes('{p}')) {
        const how = said.replace('{p}', `the ${other?.name}`);
        const opened = { ...first, kept: [...first.kept, how], text: `${how}${first.text}` };
        return { text: how + join(texts), orders: [opened, ...more] };
      }
    }
    const opening = this.chance.pick(along.OPENINGS);
    const form = opening.endsWith('~') ? inDoing : opening.endsWith('^') ? inPast : undefined;
    if (!form) return { text: opening + join(texts), orders: [first, ...more] };
    const [text = '', ...rest] = texts;
    const told = opening.slice(0, -1) + form(text);
    return { text: join([told, ...(/^[.;]/.test(joint) ? rest : rest.map(form))]), orders: [first, ...more] };
  }

  private others(parts: readonly Part[]): Part[] {
    return this.series.components.filter(
      (other) =>
        !this.used.has(other.id) &&
        !parts.includes(other) &&
        /^(?:cover|rotor)$/.test(sortOf(other) ?? '') &&
        isOne(other),
    );
  }

  private order(acts: readonly Act[], goesOn: boolean): Order | undefined {
    const { chance, series } = this;
    for (let tries = 0; tries < 20; tries += 1) {
      const { does, to, said: sayings } = chance.pick(acts);
      const said = chance.pick(sayings);
      const fitting = series.components.filter(
        (part) => !this.used.has(part.id) && to.some((sort) => sort === sortOf(part)),
      );
      if (fitting.length === 0) continue;
      const part = chance.pick(fitting);
      const others = this.others([part]);
      const stuff = series.consumables.length > 0 ? chance.pick(series.consumables).name : undefined;
      if ((said.includes('{p}') && others.length === 0) || (said.includes('{c}') && stuff === undefined)) continue;
      if (said.includes('{O}') && !isOne(part)) continue;
      const other = others.length > 0 ? chance.pick(others) : undefined;
      const free = others.filter((one) => one !== other);
      const named = said.includes('{o}')
        ? nameParts(series, part, does, free, chance)
        : { text: '', parts: [part], places: [], isSeveral: false, kept: [], names: [] };
      for (const { id } of [...named.parts, ...named.names]) this.used.add(id);
      const text = said
        .replace('{o}', named.text)
        .replace('{O}', part.name)
        .replace('{p}', `the ${other?.name}`)
        .replace('{t}', chance.pick(along.TORQUES))
        .replace('{s}', chance.pick(along.SIGNS))
        .replace('{c}', stuff ?? '')
        .replace(/@(\w+)/, (_, verb: string) => (named.isSeveral ? (SEVERAL[verb] ?? verb) : verb));
      const order = {
        ...named,
        text,
        does,
        names: [...named.names, ...(said.includes('{p}') && other ? [other] : [])],
        torque: said.includes('{t}'),
        looks: said.includes('{s}'),
        stuff: said.includes('{c}'),
        faces: false,
      };
      return goesOn ? this.goingOn(order, free) : order;
    }
    return undefined;
  }

  /** How, with what, which way it faces, and a caution, a reason or a remark behind. */
  private goingOn(order: Order, others: readonly Part[]): Order {
    const { chance } = this;
    const kept = [...order.kept];
    const names = [...order.names];
    const said: string[] = [];
    const how = along.HOW[order.does];
    if (how && chance.isIn(1, 3) && !/hand|finger|\bturn\b/.test(order.text)) {
      const manner = chance.pick(how);
      said.push(manner);
      kept.push(manner);
    }
    const tool = chance.isIn(1, 3) && !/hand|finger/.test(order.text + said.join()) ? this.tool(order) : undefined;
    if (tool) said.push(`${chance.pick(['with', 'using'])} ${withArticle(tool)}`);
    const toward = others.length > 0 ? chance.pick(others) : undefined;
    const isSeal = order.parts.every((part) => sortOf(part) === 'seal');
    const facing =
      /^(?:in|press)$/.test(order.does) && isSeal && chance.isIn(1, 3) ? chance.pick(along.FACINGS) : undefined;
    const faces = facing !== undefined && (toward !== undefined || !facing.includes('{p}'));
    if (faces) {
      const told = facing.replace('{p}', `the ${toward?.name}`);
      said.push(told);
      kept.push(told.replace(/\bwith\b|\bfacing\b|\btoward\b/g, ''));
      if (facing.includes('{p}') && toward) names.push(toward);
    }
    if (chance.isIn(1, 2)) said.reverse();
    const isMoved = /^(?:out|in|press|loosen|torque)$/.test(order.does);
    const end = chance.number() % 10;
    const caution = end === 0 ? chance.pick(along.CAUTIONS) : undefined;
    const why = end === 1 && isMoved ? chance.pick(along.REASONS) : undefined;
    const remark = end === 2 && isMoved ? chance.pick(along.REMARKS) : undefined;
    const text = [order.text, ...said].join(' ');
    return {
      ...order,
      text: `${text}${caution ? `, ${caution}` : ''}${why ? ` ${why}` : ''}${remark ?? ''}`,
      names,
      faces,
      kept,
      ...(tool && { tool }),
      ...(caution && { caution }),
      ...(why && { why }),
      ...(remark && { remark }),
    };
  }

  private tool({ does, parts: [part] }: Order): Tool | undefined {
    const { tools } = this.series;
    const fitting = tools.filter(({ name }) => {
      if (/^(?:two|three) /.test(name)) return false;
      if (does === 'torque') return /torque wrench/.test(name);
      if (part && sortOf(part) === 'fastener')
        return /(?:wrench|socket|key|spanner|driver)$/.test(name) && !/torque/.test(name);
      if (does === 'out') return /puller|pick|drift|hammer|mallet|pliers|hoist|sling|extractor/.test(name);
      return /^(?:in|press)$/.test(does) && /arbor press|hammer|mallet|driver|sleeve/.test(name);
    });
    // One that is called by its name alone is asked about where there are several.
    const clear = fitting.filter(({ name }) => tools.filter((other) => other.name === name).length === 1);
    return /^(?:out|in|press|loosen|start|torque)$/.test(does) && clear.length > 0
      ? this.chance.pick(clear)
      : undefined;
  }
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function withArticle({ name, size }: Tool): string {
  const said = size && !/torque/.test(name) ? `${size} ${name}` : name;
  if (/s$/.test(name)) return said;
  return `${/^(?:[aeio]|8|11|18)/i.test(said) ? 'an' : 'a'} ${said}`;
}
