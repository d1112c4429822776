import { byName } from '../../../../model/names';
import type { Series } from '../../../../model/series';
import { type Verb, verbOf } from '../../../../model/verbs';
import type { NounPhrase } from '../names/noun-phrase';
import type { Open } from '../names/open';
import type { Doubt, DoubtKind, SaidAct, SaidCaution, SaidPart, SaidTool } from '../names/said';
import type { Sentence } from '../names/sentence';
import { namesSeveral } from '../words/words';

/** What was named before, for "it" and for "repeat". */
export interface SaidBefore {
  readonly parts: readonly SaidPart[];
  /** The names of parts that steps are about already: "the shaft" is the drive shaft once that was taken out. */
  readonly used?: ReadonlySet<string>;
  /** The names of parts that are out of the pump by then. */
  readonly out?: ReadonlySet<string>;
}

/** An act while it is being read. */
export type OpenAct = Open<SaidAct>;

const AS_REMARK: readonly DoubtKind[] = ['condition', 'repeat', 'unread', 'figure', 'facing'];

export class Reading {
  readonly acts: OpenAct[] = [];
  readonly note = { cautions: [] as SaidCaution[], how: [] as string[], why: [] as string[] };
  readonly doubts: Doubt[] = [];
  /** Parts named where no part is acted on: "turn the plunger". */
  named: readonly SaidPart[] = [];
  /** What is only said to be lifted: what follows tells whether it comes off. */
  readonly lifted = new Set<OpenAct>();
  /** What names nothing itself, and so is done to what the step in hand is about. */
  readonly sameAsBefore = new Set<OpenAct>();
  /** Parts that come along "with" others. */
  readonly along = new Set<string>();
  /** Looks that ask whether something is so: "check whether the seal is worn". */
  readonly asked = new Set<OpenAct>();
  /** The words by which verbs were known. */
  readonly verbs: string[] = [];

  constructor(
    readonly series: Series,
    readonly before: SaidBefore,
    /** The parts that the line names, as they stand in it. */
    readonly inLine: readonly SaidPart[] = [],
  ) {}

  /** Whether no step says anything yet: "it" can be the pump only. */
  get isFirstWord(): boolean {
    const { used, parts } = this.before;
    return (
      used?.size === 0 &&
      parts.length === 0 &&
      this.acts.every((act) => act.parts.length === 0) &&
      this.named.length === 0
    );
  }

  doubt(kind: DoubtKind, sentence: Sentence, start: number, end: number, offers: readonly string[] = []): void {
    const first = sentence.words[start];
    const from = first?.from ?? sentence.words.at(-1)?.to ?? 0;
    // A word put in where it was left out is told by the one behind it.
    const last = first && first.from === first.to ? Math.max(end, start + 2) : end;
    const to = sentence.words[Math.max(start, last - 1)]?.to ?? from;
    const text = sentence.text(start, last).trim();
    // Kept as a remark it is at least not lost.
    const asRemark = AS_REMARK.includes(kind) && text ? [`*${text}`] : [];
    this.doubts.push({ kind, from, to, text, offers: [...offers, ...asRemark] });
  }

  keepCaution(caution: SaidCaution): void {
    (this.acts.at(-1) ?? this.note).cautions.push(caution);
  }

  keepWhy(why: string): void {
    (this.acts.at(-1) ?? this.note).why.push(why);
  }

  keepHow(how: string): void {
    if (how) (this.acts.at(-1) ?? this.note).how.push(how);
  }

  /**
   * What "it" means here: not the screws that were just taken out, but the cover that was named with them. Undefined
   * where it could be several.
   */
  meantByIt(at: number): readonly SaidPart[] | undefined {
    const meant = this.meant();
    const [only, other] = meant;
    const isBefore = this.named.length === 0 && !this.acts.some(({ parts }) => parts.length > 0);
    const isMany = (part: SaidPart) =>
      // "It" is not the eight screws of the step before.
      (isBefore && (byName(this.series.components, part.name)?.count ?? 1) > 1) ||
      (part.count !== 1 &&
        ((part.count ?? 1) > 1 ||
          // "Loosen the grub screws in the collar and pull it off", whoever named them first.
          (!byName(this.series.components, part.name) && namesSeveral(part.name)) ||
          this.inLine.some(({ count, to }) => count === 2 && to === part.to)));
    // "Turn the crankshaft so that the head is pushed off, then ease it off": one or the other.
    const isTurned = this.named.length > 0 && !this.acts.some(({ parts }) => parts.length > 0);
    const isAnother = this.inLine.some(
      ({ name, count, from, to }) => count === 1 && name !== only?.name && from > (only?.to ?? 0) && to <= at,
    );
    if (isTurned && isAnother) return undefined;
    // "It" is not the wiper and the cup of the step before.
    if (isBefore && other && meant === this.before.parts) return undefined;
    // "The pump, four bolts, and set it on the bench": the pump.
    const [thing, more] = other
      ? meant.filter(({ name, count }) => (count ?? 1) === 1 && !/(?:bolt|screw|nut|stud)s$/i.test(name))
      : [];
    if (other && thing && !more && !isBefore) return [thing];
    if (!only || other || !isMany(only)) return meant;
    const single = this.inLine.findLast(({ name, count, to }) => to <= at && name !== only.name && count === 1);
    if (!single) return undefined;
    const { count: _one, ...part } = single;
    return [part];
  }

  /** "The seats": several, as the line says it. */
  isSaidInPlural({ name }: SaidPart): boolean {
    return this.inLine.some((said) => said.name === name && said.count === 2);
  }

  /** What a word like "it" means here. */
  meant(): readonly SaidPart[] {
    const last = this.acts.findLast(({ parts }) => parts.length > 0);
    if (last) return last.parts;
    if (this.named.length > 0) return this.named;
    // "Put a drop on the retainer thread and torque it": something of this line, and not of the step before.
    const isElse =
      this.acts.some(({ verb, about }) => IS_OF_FEATURE.test(verb) && about !== undefined) ||
      (this.note.how.length > 0 && this.inLine.length > 0);
    return isElse ? NOTHING : this.before.parts;
  }
}

const NOTHING: readonly SaidPart[] = [];
/** What may be done to a bore or a face, which "it" then means. */
const IS_OF_FEATURE = /^(?:lubricate|apply-compound|clean|inspect|measure|dress|mark|heat|hold|soak|wrap|bend)$/;

/** Whether a verb takes parts off, puts them on or renews them. */
export function movesParts(verb: Verb): boolean {
  return /^(?:takes|refits|renews)$/.test(verbOf(verb).effect);
}

export function blankAct(verb: Verb): OpenAct {
  return {
    verb,
    parts: [],
    tools: [],
    applied: [],
    positionIds: [],
    looks: [],
    renewIf: [],
    cautions: [],
    how: [],
    why: [],
  };
}

export function partOf(phrase: NounPhrase): SaidPart {
  return {
    name: phrase.known?.kind === 'part' ? phrase.known.name : phrase.name,
    ...(phrase.count !== undefined && { count: phrase.count }),
    ...(phrase.total !== undefined && { total: phrase.total }),
    ...(phrase.but !== undefined && { but: phrase.but }),
    ...(phrase.quoted && { quoted: true }),
    ...(phrase.fromCount !== undefined && { fromCount: phrase.fromCount }),
    from: phrase.from,
    to: phrase.to,
  };
}

export function toolOf({ words, name, count, known }: NounPhrase): SaidTool {
  if (known?.kind === 'tool') {
    const [said = '', ...size] = known.name.split(',');
    return {
      name: said.trim(),
      ...(size.length > 0 && { size: size.join(',').trim() }),
      ...(count !== undefined && { count }),
    };
  }
  return { name: words.length > 0 ? name : '', ...(count !== undefined && { count }) };
}
