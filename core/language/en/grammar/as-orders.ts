import { pluralName } from '../../../model/names';
import { kindFromName } from '../../../reading/en/kind-words';
import { amountAt } from './applied';
import { type NameIndex, namesAt } from './known-names';
import * as lexicon from './lexicon';
import { endsIn } from './name-doubts';
import { isJoint, nounPhraseAt, STATE } from './noun-phrase';
import { objectsAt } from './objects';
import { ALSO_NOUN, verbAt, WAY_BEFORE_PLACE, WAY_WORDS } from './operations';
import { Sentence } from './sentence';
import {
  BARE,
  BARE_WAY,
  COMES,
  COMES_OUT,
  COMES_WHERE,
  DOER,
  JOINED,
  MEANS,
  NAMED,
  OPENINGS,
  PASSIVE,
  PERCEIVED,
  STATES,
  USING,
  withoutOwner,
} from './told-words';
import { toolAt } from './tools';
import { baseOf, type VerbForm } from './verb-forms';
import { endsSentence, isPlural, partsOf, type Word } from './words';

/**
 * What is told about work, put as the order to do it, so that one grammar reads both: "I'm loosening the nut", "the nut
 * is loosened", "removing the nut, ...", "off comes the nut", "nut: loosen". Words keep where they stand in the line.
 */
export function asOrders(line: string, words: readonly Word[], names: NameIndex): Word[] {
  const orders: Word[] = [];
  let piece: Word[] = [];
  for (const [at, word] of words.entries()) {
    piece.push(word);
    // "Seal – draw it": what it is about stands before the dash.
    const isTopic = /^[-–—]$/.test(word.low) && isName(piece.slice(0, -1), names);
    if (!endsSentence(words, at) || isTopic) continue;
    orders.push(...new Telling(line, piece, names).asOrder());
    piece = [];
  }
  return [...orders, ...new Telling(line, piece, names).asOrder()];
}

function isName(words: readonly Word[], names: NameIndex): boolean {
  const start = /^(?:the|a|an)$/.test(words[0]?.low ?? '') ? 1 : 0;
  return namesAt(names, words, start).some(({ kind, length }) => kind === 'part' && start + length === words.length);
}

/** How the actions of a sentence are told; those behind an "and" go on in the same way. */
type Manner = 'order' | 'doing' | 'past' | 'done' | 'topic' | 'bare';

class Telling {
  private manner: Manner = 'order';
  private readonly words: Word[];

  constructor(
    private readonly line: string,
    words: readonly Word[],
    private readonly names: NameIndex,
  ) {
    this.words = words.map(withoutOwner);
  }

  asOrder(): Word[] {
    if (this.words.length < 2) return this.words;
    this.nameOwned();
    this.partDoer();
    this.partMeans();
    this.putAt(this.skipFillers(0), true);
    for (let at = 1; at < this.words.length; at += 1) {
      if (!/^(?:and|then|,)$/.test(this.low(at - 1)) || /^(?:and|then|,)$/.test(this.low(at))) continue;
      const isOpening = this.low(at - 1) === ',' && OPENINGS.test(this.low(0));
      this.putAt(this.skipFillers(at), isOpening);
    }
    this.partExpectation();
    return this.words.filter(
      ({ low }, i) =>
        i === 0 ||
        !(
          (low === 'here' && this.manner === 'doing') ||
          (/^(?:next|now)$/.test(low) && this.isLast(i) && !/^(?:for|from|by|until)$/.test(this.low(i - 1)))
        ),
    );
  }

  /** "The cover and its four screws": the cover screws, where the series knows such. */
  private nameOwned(): void {
    if (lexicon.REMARK_OPENING.test(this.lows(0)) || lexicon.CAUTION_OPENING.test(this.lows(0))) return;
    for (let at = this.words.length - 2; at > 0; at -= 1) {
      if (!/^(?:its|their)$/.test(this.low(at))) continue;
      const phrase = nounPhraseAt(this.sentence(), at)?.phrase;
      if (!phrase || phrase.known) continue;
      const name = this.owned(at, partsOf(phrase.words.join(' ')));
      const first = this.words.findIndex(({ from }) => from === phrase.from);
      if (name === undefined || first < at) continue;
      const { from, to } = this.words[first] as Word;
      const isMany = isPlural(phrase.words.at(-1) ?? '');
      const named = (isMany ? pluralName(name) : name)
        .split(' ')
        .map((low): Word => ({ low, parts: partsOf(low), from, to, as: low }));
      this.words.splice(first, phrase.words.length, ...named);
    }
  }

  /** The part that is meant: that of the thing named before, or the only one that is called so. */
  private owned(at: number, words: readonly string[]): string | undefined {
    const parts = [...this.names.values()].flat().filter(({ kind, parts }) => kind === 'part' && endsIn(parts, words));
    if (parts.length === 1) return parts[0]?.name;
    for (let before = at - 1; before >= 0; before -= 1) {
      const owner = namesAt(this.names, this.words, before).find(({ kind }) => kind === 'part');
      const key = owner && [...partsOf(owner.name), ...words].join(' ');
      const own = parts.find((one) => one.parts.join(' ') === key);
      if (own) return own.name;
    }
    return undefined;
  }

  /** "Drain the oil by removing the plug": the plug comes first. */
  private partMeans(): void {
    const by = this.words.findIndex(({ low }, i) => i > 1 && /^(?:by|after)$/.test(low) && MEANS.test(this.low(i + 1)));
    if (by < 0 || !verbAt(this.lowsFrom(this.skipFillers(0)), 0)) return;
    const named = nounPhraseAt(this.sentence(), by + 2);
    if (!named || named.phrase.pronoun) return;
    const stop = this.words.findIndex(({ low }, i) => i > by && /^[,.;!?]$/.test(low));
    const end = stop < 0 ? this.words.length : stop;
    const means = [this.based(by + 1, 'ing'), ...this.words.slice(by + 2, end)];
    this.words.splice(by, end - by);
    this.words.unshift(...means, this.as(0, 'then', true));
  }

  private putAt(at: number, isStart: boolean): void {
    if (at >= this.words.length) return;
    if (this.doer(at) || this.goesOn(at)) return;
    if (isStart && (this.gerund(at) || this.pastAlone(at) || this.given(at) || this.fetched(at) || this.heading(at)))
      return;
    if (this.inverted(at) || ((isStart || this.manner === 'bare') && this.bare(at)) || this.bareBehind(at)) return;
    if (isStart || this.manner === 'order' || this.manner === 'done') this.saidOfThing(at);
  }

  /** "I'm loosening", "we then pull", "I took": who does it is left out. */
  private doer(at: number): boolean {
    const said = DOER.exec(this.lows(at))?.[0];
    if (said === undefined) return false;
    let verb = at + said.trim().split(' ').length;
    const manners: Word[] = [];
    while (lexicon.isManner(this.low(verb))) manners.push(this.words[verb++] as Word);
    const low = this.low(verb);
    // "I'm just gonna grab a pick and ...".
    if (/^(?:grab|fetch|get|take|use)$/.test(low) && toolAt(this.sentence(), verb + 1)) {
      this.words.splice(at, verb - at, ...manners);
      return this.fetched(at + manners.length);
    }
    if (PERCEIVED.test(low) || /^(?:do|don't|did|didn't)$/.test(low)) return false;
    if (verbAt([low], 0) && !baseOf(low, 'past')) {
      this.words.splice(at, verb - at, ...manners);
      return true;
    }
    const form = (['ing', 'past'] as const).find((one) => baseOf(low, one) !== undefined);
    if (!form) return false;
    this.words.splice(at, verb - at + 1, ...manners, this.based(verb, form));
    this.manner = form === 'ing' ? 'doing' : 'past';
    return true;
  }

  /** "... and cleaned", "... and pulling it out": told in the same way as the action before. */
  private goesOn(at: number): boolean {
    const form =
      this.manner === 'doing' ? 'ing' : this.manner === 'done' || this.manner === 'past' ? 'past' : undefined;
    let verb = at;
    while (lexicon.isManner(this.low(verb))) verb += 1;
    if (form && baseOf(this.low(verb), form) !== undefined) {
      this.words[verb] = this.based(verb, form);
      if (this.manner === 'done') this.words.splice(verb + 1, 0, this.pronounAt(verb));
      return true;
    }
    const next = this.manner === 'topic' ? verbAt(this.lowsFrom(at), 0) : undefined;
    if (!next) return false;
    if (objectsAt(this.sentence(), at + next.length).phrases.length === 0)
      this.words.splice(at + 1, 0, this.pronounAt(at));
    return true;
  }

  /** "Removing the nut, ..." */
  private gerund(at: number): boolean {
    const isNamed = NAMED.test(this.low(at + 1)) || this.words[at + 1]?.value !== undefined || this.knows(at + 1);
    if (baseOf(this.low(at), 'ing') === undefined || this.knows(at) || !isNamed) return false;
    if (USING.test(this.low(at))) return false;
    this.words[at] = this.based(at, 'ing');
    this.manner = 'doing';
    return true;
  }

  /** "Loosened both clamps": who did it is left out. */
  private pastAlone(at: number): boolean {
    const low = this.low(at);
    if (baseOf(low, 'past') === undefined || this.knows(at) || verbAt([low], 0)) return false;
    const isNamed = NAMED.test(this.low(at + 1)) || this.words[at + 1]?.value !== undefined;
    // "Greased seal" says in which state it is.
    if (!isNamed && (STATE.test(low) || !(this.knows(at + 1) || this.isWay(at + 1)))) return false;
    this.words[at] = this.based(at, 'past');
    this.manner = 'past';
    return true;
  }

  private isWay(at: number): boolean {
    return WAY_WORDS[this.low(at)] !== undefined;
  }

  /** "Take a 13 mm socket and undo the nut": the tool is fetched to be used. */
  private fetched(at: number): boolean {
    const said = /^(?:take|grab|get|pick up|fetch|use)(?= )/.exec(this.lows(at))?.[0];
    if (said === undefined) return false;
    const verb = at + said.split(' ').length;
    const tool = toolAt(this.sentence(), verb);
    const ready = tool ? (/^(?:in there|in|ready|out|under there)(?= )/.exec(this.lows(tool.end))?.[0] ?? '') : '';
    if (ready !== '' && tool) this.words.splice(tool.end, ready.split(' ').length);
    const joint = tool ? this.low(tool.end) : '';
    if (!tool || this.knows(tool.end + 1) || !/^(?:and|to|,)$/.test(joint)) return false;
    if (said === 'use' && joint === 'to') return false;
    let next = tool.end + 1;
    while (this.low(next) === 'then' || (lexicon.isManner(this.low(next)) && !verbAt(this.lowsFrom(next), 0)))
      next += 1;
    if (verbAt(this.lowsFrom(next), 0) === undefined) return false;
    const manners = this.words.slice(tool.end + 1, next).filter(({ low }) => low !== 'then');
    this.words.splice(tool.end, next - tool.end, this.as(tool.end, ','), ...manners);
    this.words.splice(at, verb - at, this.as(at, 'using'));
    return true;
  }

  /** "Give the faces a quick wipe": wipe them. */
  private given(at: number): boolean {
    const things = this.low(at) === 'give' ? objectsAt(this.sentence(), at + 1) : undefined;
    const said =
      things &&
      /^(?:a|an|another) (?:(?:good|quick|light|final|little|proper) )?([a-z]+)(?= |$)/.exec(this.lows(things.end));
    if (!things || !said?.[1] || !verbAt([said[1]], 0)) return false;
    const verb = things.end + said[0].split(' ').length - 1;
    const manners = this.words.slice(things.end + 1, verb).filter(({ low }) => low !== 'another');
    this.words.splice(things.end, verb - things.end + 1, ...manners);
    this.words[at] = this.as(at, said[1]);
    return true;
  }

  /** "Torque: packing nut 34 N·m". */
  private heading(at: number): boolean {
    const verb = verbAt(this.lowsFrom(at), 0);
    // "Seal: draw it" heads a line with what it is about, and seals nothing.
    if (!verb || this.low(at + verb.length) !== ':' || this.knows(at) || ALSO_NOUN.test(this.low(at))) return false;
    this.words.splice(at + verb.length, 1);
    return true;
  }

  /** "Off comes the cover", "in goes the ball". */
  private inverted(at: number): boolean {
    const way = /^(out|off|in|on|back|down) (?:comes?|go|goes) /.exec(this.lows(at))?.[1];
    const things = way ? objectsAt(this.sentence(), at + 2) : undefined;
    if (!way || !things || things.phrases.length === 0) return false;
    const verb = this.as(at + 1, /^(?:out|off)$/.test(way) ? 'take' : 'put');
    const named = this.words.slice(at + 2, things.end);
    this.words.splice(at, things.end - at, verb, ...named, this.words[at] as Word);
    return true;
  }

  /** "Cap back on", "cover off", "both seals out with the pick": what it is and which way, without a verb. */
  private bare(at: number): boolean {
    if (this.words[at]?.quoted) return false;
    return this.bareKnown(at) || this.bareWords(at) || this.bareNew(at) || this.bareSubstance(at);
  }

  private bareKnown(at: number): boolean {
    const verb = verbAt(this.lowsFrom(at), 0);
    if (verb && !this.knows(at)) return false;
    const things = objectsAt(this.sentence(), at);
    const way = BARE_WAY.exec(this.lows(things.end))?.[1];
    if (way === undefined || lexicon.MANNER_PHRASE.test(this.lows(things.end))) return false;
    const isNamed = things.phrases.every(
      ({ known, feature, fromCount, name }) =>
        feature === undefined &&
        (known?.kind === 'part' || (fromCount !== undefined && kindFromName(name) !== 'other')),
    );
    if (things.phrases.length === 0 || !isNamed) return false;
    this.orderBare(at, things.end, way);
    return true;
  }

  /** "Put the strainer in, the strainer cover on, and ...": the verb is not said again. */
  private bareBehind(at: number): boolean {
    const things = objectsAt(this.sentence(), at);
    const way = BARE_WAY.exec(this.lows(things.end))?.[0];
    const isListed = this.low(at - 1) !== ',' && WAY_WORDS[this.low(at - 2)] === undefined;
    if (way === undefined || this.manner !== 'order' || isListed) return false;
    const behind = this.low(things.end + way.split(' ').length);
    return /^(?:,|and|then|\.|;|)$/.test(behind) && this.bareKnown(at);
  }

  /** What is not known yet is named by a word or two, with nothing behind its way. */
  private bareWords(at: number): boolean {
    const said = BARE.exec(this.lows(at));
    if (!said) return false;
    const [, name = '', way = ''] = said;
    const first = verbAt(this.lowsFrom(at), 0);
    if (
      first &&
      !this.knows(at) &&
      (!/^(?:cap|plug|cover|seal|pin|clip|clamp|ring|screw|bolt|spring)$/.test(this.low(at)) ||
        !/^(?:back|off)/.test(way))
    )
      return false;
    this.orderBare(at, at + name.split(' ').length, way);
    return true;
  }

  /** Puts the verb before what is named; the way stands behind it as before. */
  private orderBare(at: number, end: number, way: string): void {
    const verb = this.as(at, /^(?:off|out|away)/.test(way) ? 'take' : 'put', true);
    this.words.splice(at, end - at, verb, ...this.words.slice(at, end));
    this.manner = 'bare';
  }

  /** "New shaft seal, new hose". */
  private bareNew(at: number): boolean {
    if (this.low(at) !== 'new' || at > this.skipFillers(0)) return false;
    const things = objectsAt(this.sentence(), at);
    const areNew = things.phrases.every(({ known, state }) => known?.kind === 'part' && state.includes('new'));
    if (things.phrases.length === 0 || !areNew || !this.isLast(things.end - 1)) return false;
    this.words.splice(at, 0, this.as(at, 'renew', true));
    return true;
  }

  /** "A drop of thread locker on each bolt", "anti-seize on the threads". */
  private bareSubstance(at: number): boolean {
    if (verbAt(this.lowsFrom(at), 0) || this.knows(at)) return false;
    const sentence = this.sentence();
    const named = nounPhraseAt(sentence, at);
    const isStuff = named?.phrase.known?.kind === 'substance' || lexicon.isSubstance(named?.phrase.words ?? []);
    const end = amountAt(sentence, at)?.end ?? (isStuff ? named?.end : undefined);
    if (end === undefined || !/^(?:on|onto|to|around|round|into|in|under|between|over)$/.test(this.low(end)))
      return false;
    const place = nounPhraseAt(sentence, end + 1);
    if (place?.phrase.known?.kind !== 'part' && !lexicon.isFeature(place?.phrase.words ?? [])) return false;
    if (place && !isJoint(this.words[place.end]) && !lexicon.isManner(this.low(place.end))) return false;
    this.words.splice(at, 0, this.as(at, 'apply', true));
    return true;
  }

  /** "The filter is pulled out", "the cover lifts off", "nut: loosen": what it is said of stands behind its verb. */
  private saidOfThing(at: number): void {
    const sentence = this.sentence();
    const stop = this.behindThing(at);
    if (stop < 0) return;
    const things = objectsAt(sentence.slice(at, stop), 0);
    const [thing] = things.phrases;
    if (!thing || thing.pronoun || !this.areAdverbs(at + things.end, stop)) return;
    // "The cover and the seal, then pull the pin" begins another action.
    const isThen = this.words.slice(at + things.end, stop).some(({ low }) => low === 'then');
    if (isThen && verbAt([this.low(stop)], 0)) return;
    this.words.splice(at + things.end, stop - at - things.end);
    this.saidOf(at, at + things.end, thing.known?.kind === 'part');
  }

  private saidOf(at: number, stop: number, isKnown: boolean): void {
    if (!isKnown && !NAMED.test(this.low(at))) return;
    const told = this.lows(stop);
    const passive = PASSIVE.exec(told);
    if (isKnown && DOER.test(told)) this.fronted(at, stop);
    else if (passive) this.passive(at, stop, passive[0].trim().split(' ').length, passive[1] !== undefined);
    else if (isKnown && /^[:–-]$/.test(this.low(stop))) this.topic(at, stop);
    else if (isKnown || COMES_OUT.test(told)) this.byItself(at, stop);
  }

  private passive(at: number, stop: number, length: number, isOrder: boolean): void {
    let verb = stop + length;
    const between: Word[] = [];
    while (lexicon.isManner(this.low(verb)) || /^(?:then|now|also|always|just|next)$/.test(this.low(verb)))
      between.push(this.words[verb++] as Word);
    const form = (['past', 'ing'] as const).find((one) => baseOf(this.low(verb), one) !== undefined);
    if (!form || (form === 'ing' && !/^(?:needs?|wants?)$/.test(this.low(stop)))) return;
    const isThen = between.some(({ low }) => /^(?:then|now|next)$/.test(low));
    // How it is, or what was done long ago, is nothing to do; what is then done is.
    const isState = STATES.test(this.low(verb)) || /^(?:was|were)$/.test(this.low(stop));
    if (!isOrder && !isThen && isState) return;
    const manners = between.filter(({ low }) => lexicon.isManner(low));
    const thing = this.words.slice(at, stop);
    this.words.splice(at, verb - at + 1, ...manners, this.based(verb, form), ...thing);
    this.manner = 'done';
  }

  /** "The seal I pushed out with a drift". */
  private fronted(at: number, stop: number): void {
    const thing = this.words.splice(at, stop - at);
    if (!this.doer(at)) {
      this.words.splice(at, 0, ...thing);
      return;
    }
    let verb = at;
    while (lexicon.isManner(this.low(verb))) verb += 1;
    this.words.splice(verb + 1, 0, ...thing);
  }

  private topic(at: number, stop: number): void {
    const verb = verbAt(this.lowsFrom(stop + 1), 0);
    if (!verb || objectsAt(this.sentence(), stop + 1 + verb.length).phrases.length > 0) return;
    const thing = this.words.slice(at, stop);
    const said = this.words.slice(stop + 1, stop + 1 + verb.length);
    this.words.splice(at, stop + 1 + verb.length - at, ...said, ...thing);
    this.manner = 'topic';
  }

  /** "The cylinder unscrews from the housing": what comes off by itself is taken off. */
  private byItself(at: number, stop: number): void {
    const coming = COMES.exec(this.lows(stop));
    const verb = coming ? stop + coming[0].trim().split(' ').length - 1 : stop;
    const low = this.low(verb);
    let behind = verb + 1;
    while (lexicon.isManner(this.low(behind)) || this.low(behind) === 'right') behind += 1;
    const way = this.low(behind);
    if (WAY_WORDS[way] === undefined && WAY_BEFORE_PLACE[way] === undefined) return;
    const moves = baseOf(low, 's') ?? (verbAt([low], 0) ? low : undefined);
    const base = coming ? (/^(?:out|off|away|from)$/.test(way) ? 'take' : 'put') : moves;
    if (base === undefined || verbAt([base], 0)?.is !== 'movement' || (coming && !COMES_WHERE.test(way))) return;
    const thing = this.words.slice(at, stop);
    this.words.splice(at, verb + 1 - at, this.as(verb, base), ...thing);
  }

  /** "While it drains I loosen the nut": what one does begins a new part of the sentence. */
  private partDoer(): void {
    if (!OPENINGS.test(this.low(0)) && this.low(0) !== 'to') return;
    const at = this.words.findIndex((_, i) => i > 2 && !JOINED.test(this.low(i - 1)) && DOER.test(this.lows(i)));
    if (at > 0 && this.words.slice(0, at).every(({ low }) => low !== ','))
      this.words.splice(at, 0, this.as(at, ',', true));
  }

  private areAdverbs(from: number, to: number): boolean {
    return this.words.slice(from, to).every(({ low }) => /^(?:then|now|also|just|next|finally|always)$/.test(low));
  }

  /** "With the cover off you can see the gear": what one will find is no part of what stands before it. */
  private partExpectation(): void {
    if (!OPENINGS.test(this.low(0)) && this.low(0) !== 'with') return;
    for (let at = 2; at < this.words.length; at += 1) {
      if (!/^you(?:'ll)?$/.test(this.low(at)) || JOINED.test(this.low(at - 1))) continue;
      if (!lexicon.EXPECTATION.test(this.lows(at))) continue;
      this.words.splice(at, 0, this.as(at, ',', true));
      return;
    }
  }

  private isLast(at: number): boolean {
    return at === this.words.length - 1 || /^[.,;!?]$/.test(this.low(at + 1));
  }

  /** Where a sentence goes on behind its subject, which may be called by words that are verbs as well: "pan screws". */
  private behindThing(start: number): number {
    for (let at = start; at < this.words.length; ) {
      const named = namesAt(this.names, this.words, at).filter(({ kind }) => kind === 'part');
      if (named.length > 0) at += Math.max(...named.map(({ length }) => length));
      else if (at > start && this.endsThing(at)) return at;
      else at += 1;
    }
    return -1;
  }

  private endsThing(at: number): boolean {
    const low = this.low(at);
    if (/^(?:is|are|was|were|gets?|must|should|can|has|have|needs?|wants?|will|comes?|go|goes|:|–|-)$/.test(low))
      return true;
    if (/^(?:i|we|you)(?:'\w+)?$/.test(low)) return true;
    return baseOf(low, 's') !== undefined || verbAt([low], 0)?.is === 'movement';
  }

  private skipFillers(start: number): number {
    let at = start;
    for (;;) {
      const phrase = lexicon.FIRST_OF_ALL.exec(this.lows(at))?.[0];
      if (phrase) this.words.splice(at, phrase.trim().split(' ').length);
      else if (/^(?:and|then|,)$/.test(this.low(at)) || lexicon.FILLERS.has(this.low(at))) at += 1;
      else return at;
    }
  }

  private knows(at: number): boolean {
    return namesAt(this.names, this.words, at).some(({ kind }) => kind === 'part');
  }

  private sentence(): Sentence {
    return new Sentence(this.line, this.words, this.names);
  }

  private low(at: number): string {
    return this.words[at]?.low ?? '';
  }

  private lowsFrom(at: number): string[] {
    return this.words.slice(at).map(({ low }) => low);
  }

  private lows(at: number): string {
    return this.lowsFrom(at).join(' ');
  }

  private based(at: number, form: VerbForm): Word {
    return this.as(at, baseOf(this.low(at), form) ?? this.low(at));
  }

  private pronounAt(at: number): Word {
    return this.as(at, 'it', true);
  }

  /** The word at a place read as another; `before` where it is put in before that place and takes none itself. */
  private as(at: number, low: string, before = false): Word {
    const { from, to } = this.words[at] as Word;
    return { low, parts: partsOf(low), from, to: before ? from : to, as: low };
  }
}
