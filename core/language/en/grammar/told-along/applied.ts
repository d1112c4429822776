import { verbOf } from '../../../../model/verbs';
import { kindFromName } from '../../../../reading/en/kind-words';
import { objectsAt, ownPart } from '../acts/objects';
import { keep, type Place, toJoint } from '../acts/place';
import { type OpenAct, partOf, toolOf } from '../acts/reading';
import { measureAt } from '../names/figures';
import { namesAt, partsEndingIn } from '../names/known-names';
import { isJoint } from '../names/name-ends';
import { isCalledPart, isStuff, type NounPhrase, nounPhraseAt } from '../names/noun-phrase';
import { isPartNoun } from '../names/part-nouns';
import type { Sentence } from '../names/sentence';
import { isPartOrShort } from '../names/short-names';
import { toolAt } from '../names/tools';
import * as lexicon from '../words/lexicon';
import { partsOf } from '../words/words';

/** A tool of the series in which a part is held, heated or washed. */
function isInTool({ sentence, act }: Place, start: number): boolean {
  if (verbOf(act.verb).effect !== 'stays') return false;
  return namesAt(sentence.names, sentence.words, start + 1).some(
    ({ kind, length }) => kind === 'tool' && isJoint(sentence.words[start + 1 + length]),
  );
}

export function withWhat(place: Place): number | undefined {
  const { sentence, at, act, told } = place;
  const joint =
    /^(?:together with|along with|with|using|use|by using|by means of|by|via|and|into|in(?= (?:the|a)\b))\b/.exec(
      told,
    )?.[0];
  if (joint === undefined || (joint === 'and' && act.tools.length === 0)) return undefined;
  const start = at + joint.split(' ').length;
  // "Held in the soft-jaw vice", where the series has that tool.
  if (joint === 'in' && !isInTool(place, start)) return undefined;
  if (joint === 'into' && (act.verb !== 'drain' || toolAt(sentence, start) === undefined)) return undefined;
  if (/^(?:by|use)$/.test(joint) && toolAt(sentence, start) === undefined) return undefined;
  if (act.verb === 'align' || act.verb === 'compare') return keep(place, at, toJoint(sentence, at));
  const tool = toolAt(sentence, start);
  // "Use the puller if it is tight" is a hint.
  if (joint === 'use' && tool && /^(?:if|when|where)$/.test(sentence.lows[tool.end] ?? '')) return undefined;
  // "Connect it with the clamp", where there is a plunger clamp.
  const clamped = tool && nounPhraseAt(sentence, start);
  const isShortPart = clamped && !clamped.phrase.known && isPartOrShort(clamped.phrase, place.reading.series);
  if (isShortPart && /^(?:refits|takes)$/.test(verbOf(act.verb).effect) && takeAlong(place, clamped.phrase))
    return clamped.end;
  // "Along with the bush block": what comes along, and no block that one works with.
  const isTogether = /\S with$/.test(joint) && /^(?:takes|refits)$/.test(verbOf(act.verb).effect);
  // "Hook the packings out with the brass rings": these as well, or with them?
  const isRing = tool && /\brings?$/.test(tool.tool.name) && sentence.lows[start] === 'the';
  if (isRing && verbOf(act.verb).effect === 'takes') {
    place.reading.doubt('unread', sentence, at, tool.end);
    return tool.end;
  }
  const isSameTool = tool !== undefined && /^tools?$/.test(tool.tool.name);
  if (tool && !isSameTool && !isTogether && !WATCHED.test(sentence.lows.slice(start, tool.end).join(' '))) {
    act.tools.push(tool.tool);
    return tool.end;
  }
  const poured = /^(?:with|using)$/.test(joint) && act.verb !== 'test' ? amountAt(sentence, start) : undefined;
  if (poured) {
    takeApplied(act, poured.applied);
    return poured.end;
  }
  // "Fit the impeller with key, washer and bolt": all of them.
  const list = objectsAt(sentence, start);
  const areParts =
    list.phrases.length > 1 &&
    sentence.lows.slice(start, list.end).includes('and') &&
    list.phrases.every(
      (one) => isPartOrShort(one, place.reading.series) || (!one.known && kindFromName(one.name) !== 'other'),
    );
  if (areParts && /^(?:refits|takes)$/.test(verbOf(act.verb).effect)) {
    act.parts.push(...list.phrases.map(partOf));
    act.how.push(...list.phrases.flatMap(({ state }) => state));
    return list.end;
  }
  // "With stool and impeller": some of them are parts.
  const isListed = list.phrases.length > 1 && sentence.lows.slice(start, list.end).includes('and');
  const isPartly =
    isListed &&
    list.phrases.some((one) => isCalledPart(one)) &&
    !list.phrases.some((one) => lexicon.isToolName(one.words));
  if (isPartly && /^(?:takes|refits)$/.test(verbOf(act.verb).effect)) {
    place.reading.doubt('unread', sentence, at, list.end);
    return list.end;
  }
  const found = nounPhraseAt(sentence, start);
  if (!found) return keep(place, at, toJoint(sentence, at));
  const { phrase } = found;
  // "With the cup still on it": it stays there.
  const there = joint === 'with' ? STILL_THERE.exec(sentence.lows.slice(found.end).join(' '))?.[0] : undefined;
  if (there !== undefined) return keep(place, at, found.end + there.split(' ').length);
  if (isStuff(phrase)) {
    if (act.verb === 'clean' || act.verb === 'test') {
      if (phrase.known === undefined && /\bair$/.test(phrase.name)) {
        act.tools.push({ name: phrase.name });
        return found.end;
      }
      if (phrase.known) {
        act.applied.push({ name: phrase.known.name });
        return found.end;
      }
      return keep(place, at, found.end);
    }
    return takeSubstance(act, found.end, phrase);
  }
  // "Using a seal sleeve": whatever it is called, it is a tool.
  const isArticled = /^an?$/.test(sentence.lows[start] ?? '');
  if (joint === 'using' && isArticled && !phrase.known && phrase.state.length === 0 && !NO_TOOL.test(phrase.name)) {
    act.tools.push(toolOf(phrase));
    return found.end;
  }
  // "Lock it with the nut": the nut is tightened.
  const isByNut = act.verb === 'torque' && act.parts.length === 0 && FASTENS.test(phrase.name);
  if (isByNut || (verbOf(act.verb).effect === 'refits' && phrase.known?.kind === 'part' && FASTENS.test(phrase.name))) {
    act.parts.push(partOf(phrase));
    return found.end;
  }
  // "Refit the unloader with new copper washers", "fit the plug with a new gasket": both are put in.
  const isPart = phrase.known ? phrase.known.kind === 'part' : isPartNoun(phrase.name);
  // "With two jacking screws": they push it off, and are no parts of the pump.
  if (JACKS.test(phrase.name) && phrase.known?.kind !== 'part') {
    act.tools.push(toolOf(phrase));
    return found.end;
  }
  const isCounted = phrase.fromCount !== undefined && FASTENS.test(phrase.name) && sentence.lows[found.end] !== 'as';
  if (isCounted && /^(?:takes|refits)$/.test(verbOf(act.verb).effect)) {
    act.parts.push(partOf(phrase));
    return found.end;
  }
  if (verbOf(act.verb).effect === 'refits' && isPart && phrase.state.some((state) => /^(?:new|fresh)$/.test(state))) {
    act.parts.push(partOf(phrase));
    act.how.push(...phrase.state);
    return found.end;
  }
  // "Pull the shaft with the mechanical seal", which nobody named before.
  const isAlongAsNew =
    !phrase.known &&
    /^(?:the|its|their|both)$/.test(sentence.lows[start] ?? '') &&
    verbOf(act.verb).effect === 'takes' &&
    phrase.state.length === 0 &&
    comesAsPart(phrase) &&
    !lexicon.isToolName(phrase.words);
  // "Take the housing off with the bearing": what comes along is named, and fasteners may be what pulls.
  const isWhole =
    (phrase.known?.kind === 'part' ||
      isAlongAsNew ||
      (/^(?:off|out|away)$/.test(sentence.lows[at - 1] ?? '') && isPartOrShort(phrase, place.reading.series))) &&
    !FASTENS.test(phrase.name) &&
    (/^(?:|,|;|and|then|from|out|off|away|into|onto|as|so|by|straight|it|they)$/.test(sentence.lows[found.end] ?? '') ||
      (phrase.known?.kind === 'part' &&
        /^(?:on|in|over) (?:the|its|a) /.test(sentence.lows.slice(found.end).join(' '))));
  // "Press it in with the old bearing" uses that as a tool.
  const isTool = phrase.state.some((state) => /^(?:old|worn|used)$/.test(state));
  // "Flush with the cover" says how far.
  const isHow = /^(?:flush|level|square|line|aligned|even|parallel|contact)$/.test(sentence.lows[at - 1] ?? '');
  const comesAlong =
    isWhole && joint === 'with' && !isTool && !isHow && /^(?:takes|refits)$/.test(verbOf(act.verb).effect);
  const isAlong = comesAlong || /\S with$/.test(joint) || /^(?:its|their)$/.test(sentence.lows[start] ?? '');
  if (isAlong && takeAlong(place, phrase)) return found.end;
  // "Coat it with never-seize": put on, whatever that is.
  const isPutOn =
    /^(?:lubricate|apply-compound)$/.test(act.verb) &&
    joint === 'with' &&
    !phrase.known &&
    !lexicon.isToolName(phrase.words) &&
    !isPartOrShort(phrase, place.reading.series) &&
    kindFromName(phrase.name) === 'other';
  if (isPutOn) return takeSubstance(act, found.end, phrase);
  // "Fit the coupling halves with the pin", where it is called coupling pin.
  const isShort =
    joint === 'with' &&
    !/^(?:flush|level|square|line|aligned|together|even)$/.test(sentence.lows[at - 1] ?? '') &&
    verbOf(act.verb).effect === 'refits' &&
    !phrase.known &&
    !isTool &&
    isJoint(sentence.words[found.end]) &&
    isPartOrShort(phrase, place.reading.series);
  if (isShort && takeAlong(place, phrase)) return found.end;
  // "The bearing plate with the can": a part, or what helps to pull it?
  const isTaken = verbOf(act.verb).effect === 'takes';
  const isPutWith = verbOf(act.verb).effect === 'refits' && kindFromName(phrase.name) !== 'other' && !isTool && !isHow;
  const isUnclear =
    joint === 'with' &&
    (isTaken || isPutWith) &&
    /^(?:the|its|their)$/.test(sentence.lows[start] ?? '') &&
    !phrase.known &&
    phrase.words.length < 3 &&
    isJoint(sentence.words[found.end]) &&
    !lexicon.isToolName(phrase.words) &&
    !NO_TOOL.test(phrase.name) &&
    !WATCHED.test(phrase.name);
  if (isUnclear) {
    place.reading.doubt('unread', sentence, at, found.end);
    return found.end;
  }
  return keep(place, at, Math.max(found.end, toJoint(sentence, at)));
}

/** Called as parts are, and not as what one pulls with: a chain, a hook. */
function comesAsPart({ name }: NounPhrase): boolean {
  return isPartNoun(name) && !/\b(?:chain|cable|wire|hook|lever|bar|strap|belt|link|key|can)s?$/i.test(name);
}

/** "The cover with its gasket": both are taken off, or put back. */
function takeAlong({ reading, act }: Place, phrase: NounPhrase): boolean {
  const { effect } = verbOf(act.verb);
  if (phrase.known && phrase.known.kind !== 'part') return false;
  if ((effect !== 'takes' && effect !== 'refits') || act.parts.length === 0) return false;
  const words = partsOf(phrase.words.join(' '));
  const alike = partsEndingIn(reading.series, words);
  // "Pull the shaft with the mechanical seal": a part, though nobody named it before.
  const isNew = (effect === 'takes' || phrase.own === true) && comesAsPart(phrase) && !phrase.pronoun;
  if (!phrase.known && alike.length === 0 && !isNew) return false;
  // Which of several is asked where it is named.
  const part = ownPart(phrase, reading.series, act.parts);
  const [only, other] = alike;
  act.parts.push(!phrase.known && only && !other ? { ...part, name: only.name } : part);
  reading.along.add(act.parts.at(-1)?.name ?? part.name);
  return true;
}

const STILL_THERE =
  /^(?:still |left )?(?:on|in|inside|attached to|fixed to|mounted on) (?:it|them|there|place|top)(?= |$)|^(?:still|left) (?:on|in|inside|attached|fitted)(?= ?[,.;]|$)/;
const JACKS = /\b(?:jack(?:ing)?|forcing|pusher|push-off|puller|extractor|draw)[- ](?:bolt|screw|stud)s?$/;

/** "The cover with four screws" goes on with them. */
const FASTENS = /(?:bolt|screw|nut|clamp|clip)s?$/;

const NO_TOOL =
  /\b(?:hands?|force|method|technique|motion|movement|pattern|sequence|order|procedure|turns?|way|amount|angle)$/;

/** By eye and by feel: these help to look and are fetched from no drawer. */
const WATCHED = /\b(?:lamp|torch|light|hands?|thumb\w*|finger\w*|eye(?! bolt)|magnifying|two people|helper)\b/;

/** What is put on, and where its words end. */
interface StuffSaid {
  readonly applied: OpenAct['applied'][number];
  readonly end: number;
}

/** "Grease", "a thin film of grease": what is put on, with how much of it where that is said. */
export function stuffAt(sentence: Sentence, start: number): StuffSaid | undefined {
  const amount = amountAt(sentence, start);
  if (amount) return amount;
  // "Thin grease" is how much of it.
  const isThin = /^(?:thin|a thin)$/.test(sentence.lows[start] ?? '');
  const bare = nounPhraseAt(sentence, isThin ? start + 1 : start);
  return bare && isStuff(bare.phrase)
    ? { applied: { name: bare.phrase.name, ...(isThin && { amount: 'thin' }) }, end: bare.end }
    : undefined;
}

/** "a thin film of grease", "two turns of tape", "1.2 litres of gear oil". */
export function amountAt(sentence: Sentence, start: number): StuffSaid | undefined {
  const measured = measureAt(sentence, start);
  const bare = measured && nounPhraseAt(sentence, measured.end);
  // "1.2 l gear oil" leaves out the "of".
  if (measured && bare && isStuff(bare.phrase))
    return {
      applied: { name: bare.phrase.known?.name ?? bare.phrase.name, amount: sentence.text(start, measured.end) },
      end: bare.end,
    };
  const little = /^(?:a (?:little|bit)|some) /.exec(sentence.lows.slice(start).join(' '))?.[0];
  if (little !== undefined && sentence.lows[start + little.trim().split(' ').length] !== 'of') {
    const from = start + little.trim().split(' ').length;
    const stuff = nounPhraseAt(sentence, from);
    if (stuff && isStuff(stuff.phrase)) {
      const name = stuff.phrase.known?.name ?? stuff.phrase.name;
      return { applied: { name, ...(/little|bit/.test(little) && { amount: little.trim() }) }, end: stuff.end };
    }
  }
  const of = sentence.lows.indexOf('of', start);
  if (
    of < 0 ||
    of - start > 4 ||
    sentence.lows.slice(start, of).some((low) => /^(?:,|with|and)$/.test(low)) ||
    /^(?:it|them|the)$/.test(sentence.lows[start] ?? '')
  )
    return undefined;
  const stuff = nounPhraseAt(sentence, of + 1);
  if (!stuff || !isStuff(stuff.phrase)) return undefined;
  const name = stuff.phrase.known?.name ?? stuff.phrase.name;
  return { applied: { name, amount: sentence.text(start, of) }, end: stuff.end };
}

function takeSubstance(act: OpenAct, end: number, phrase: NounPhrase): number {
  takeApplied(act, {
    name: phrase.known?.name ?? phrase.words.join(' '),
    ...(phrase.feature && { amount: phrase.feature }),
  });
  return end;
}

/** "Grease it with silicone grease" puts on one grease and not two. */
function takeApplied(act: OpenAct, applied: OpenAct['applied'][number]): void {
  if (act.verb === 'lubricate' && act.applied.length === 1 && act.applied[0]?.amount === undefined)
    act.applied[0] = { ...act.applied[0], ...applied };
  else act.applied.push(applied);
}

export function whereTo(place: Place): number | undefined {
  const { sentence, at, act, told } = place;
  const { effect } = verbOf(act.verb);
  const joint = /^(?:back |down |up )?(?:into|onto|on to|in to|in|on|over|inside|through|to)(?= )/.exec(told)?.[0];
  if (joint === undefined) return undefined;
  const start = at + joint.split(' ').length;
  if (act.verb === 'soak' && joint === 'in') return substanceIn(place, start);
  if (act.verb === 'clean' && joint === 'in' && nounPhraseAt(sentence, start)?.phrase.known?.kind === 'substance')
    return substanceIn(place, start);
  const [put] = act.applied;
  // "Fit it with grease on the O-ring": where the grease goes.
  if (put && put.where === undefined && joint === 'on' && effect === 'refits') {
    const where = nounPhraseAt(sentence, start);
    if (where && !where.phrase.pronoun) {
      act.applied[0] = { ...put, where: sentence.text(start, where.end).replace(/^(?:the|a|an)\s+/i, '') };
      return where.end;
    }
  }
  if ((effect !== 'refits' && effect !== 'joins') || act.into !== undefined) return undefined;
  if ((joint === 'to' && act.verb !== 'connect') || joint === 'up to') return undefined;
  if (lexicon.MANNER_PHRASE.test(told) || /^in (?:accordance|line|keeping) with\b/.test(told)) return undefined;
  const found = nounPhraseAt(sentence, start);
  if (!found || found.phrase.pronoun) return undefined;
  let { end } = found;
  if (/^(?:in|of)$/.test(sentence.lows[end] ?? '') && nounPhraseAt(sentence, end + 1))
    end = nounPhraseAt(sentence, end + 1)?.end ?? end;
  if (!mayHold(place, found.phrase)) {
    place.reading.doubt('unread', sentence, at, end);
    return end;
  }
  const said = sentence.text(start, end);
  act.into = said.replace(/^(?:the|a|an)\s+/i, '');
  return end;
}

/** Where a part of a pump can go: "drop the balls in a can" takes them elsewhere. */
function mayHold({ reading }: Place, phrase: NounPhrase): boolean {
  const { known, name, words, quoted } = phrase;
  const last = words.at(-1) ?? '';
  const isThere =
    /^(?:part|places?)$/.test(known?.kind ?? '') || quoted || isPartNoun(name) || isPartOrShort(phrase, reading.series);
  return isThere || lexicon.isFeature([last]) || lexicon.isEnd(last) || WHERE.test(last);
}

const WHERE =
  /^(?:left|right|sides?|stages?|inlet|outlet|suction|discharge|marks?|order|place|places|position|tracks?|inside|outside|front|rear|middle|centre|center|grooves?|seats?|openings?|studs?|splines?|threads?|lines?|row|pairs?|ports?|entry|bottom|top)$/;

function substanceIn({ sentence, act }: Place, start: number): number | undefined {
  const found = nounPhraseAt(sentence, start);
  if (!found) return undefined;
  act.applied.push({ name: found.phrase.known?.name ?? found.phrase.name });
  return found.end;
}

/** "sealant on the threads of the bolts": what it is put on, where something is put on. */
export function putOn(place: Place): number | undefined {
  const { reading, sentence, at, act } = place;
  if (
    !/^(?:lubricate|apply-compound|wrap)$/.test(act.verb) &&
    !(/^(?:hold|inspect)$/.test(act.verb) && act.parts.length === 0 && act.about === undefined)
  )
    return undefined;
  const low = sentence.lows[at] ?? '';
  if (!/^(?:on|onto|to|into|around|in|over|round|at|of|inside|along|between|under|behind|through)$/.test(low))
    return undefined;
  // "Grease the bearing through the nipple" greases no nipple.
  if (low === 'through' && act.parts.length > 0) return undefined;
  // "The O-ring of the stationary ring" is one thing, which the series does not know.
  if (low === 'of' && act.parts.length > 0) {
    reading.doubt('unread', sentence, at, toJoint(sentence, at));
    return toJoint(sentence, at);
  }
  const found = nounPhraseAt(sentence, at + 1);
  if (!found) return undefined;
  const { phrase } = found;
  // "Wrap it in a clean cloth".
  if (act.verb === 'wrap' && low === 'in' && act.parts.length > 0 && phrase.known?.kind !== 'part')
    return keep(place, at, found.end);
  if (phrase.pronoun) act.parts.push(...reading.meant());
  else if (phrase.known?.kind === 'part' || !lexicon.isFeature(phrase.words)) {
    act.parts.push(partOf(phrase));
    const [first] = act.applied;
    const where = phrase.feature ?? (/^(?:inside|along|between|under|behind)$/.test(low) ? low : undefined);
    if (where && first) act.applied[0] = { ...first, where };
  } else act.about = phrase.name;
  return found.end;
}

/** "Fill the groove of the rings with grease": where the grease goes, once it is known what is put on. */
export function placeWhere(act: OpenAct, where: string | undefined): void {
  const [first] = act.applied;
  if (where === undefined || !first || first.where !== undefined || !act.how.includes(where)) return;
  act.how.splice(act.how.indexOf(where), 1);
  act.applied[0] = { ...first, where };
}

/** What is put on decides between greasing and applying a compound, whatever the verb. */
export function verbForWhatIsPutOn({ verb, applied }: OpenAct): OpenAct['verb'] {
  const [first] = applied;
  if ((verb !== 'lubricate' && verb !== 'apply-compound') || !first) return verb;
  if (/seiz|seal|lock|compound|dope|glue|adhesive|gasket|tape|cement/i.test(first.name)) return 'apply-compound';
  return /grease|oil|jelly|vaseline|lubricant/i.test(first.name) ? 'lubricate' : verb;
}
