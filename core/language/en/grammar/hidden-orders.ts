import { partAt, SAID_OF } from './hidden-parts';
import type { Sentence } from './names/sentence';
import * as lexicon from './words/lexicon';
import { ALSO_NOUN, NOTHING_ELSE, verbAt, WAY_WORDS } from './words/operations';

/* Orders within words that are merely kept: something else to do, and nobody noticed. */

/** "It sits on a taper so screw the puller in", "..., start, check the amps": something else to do. */
export function hidesOrder(sentence: Sentence): boolean {
  const { lows, names } = sentence;
  // "..., so break loose the head bolts".
  const isNext = lows[0] === 'so' && verbAt(lows, 1) !== undefined && !/^(?:that|as|far)$/.test(lows[1] ?? '');
  if (isNext && !lexicon.isManner(lows[1] ?? '')) return true;
  if (SAID_OF.test(lows[0] ?? '')) return false;
  // "..., fill through the vent plug": more than a way of doing what was said before.
  if (BEGINS_ORDER.test(lows.join(' '))) return true;
  return lows.some((low, i) => {
    // "..., so let's get the cover off".
    if (/^(?:,|;|so|and)$/.test(lows[i - 1] ?? '') && orderedByUs(lows.slice(i))) return true;
    if (
      !/^(?:,|;|so|and)$/.test(lows[i - 1] ?? '') ||
      lexicon.isManner(low) ||
      BESIDE_WORK.test(lows.slice(i).join(' '))
    )
      return false;
    const verb = verbAt(lows, i);
    // "... and blue it": done to it, whatever that word means.
    if (!verb && /^(?:it|them)$/.test(lows[i + 1] ?? '') && !NO_ORDER.test(low)) return true;
    // "... and pinch the bolts": to a part, whatever that word means.
    const isOnPart = /^(?:the|both|all|your)$/.test(lows[i + 1] ?? '') && partAt(names, sentence, i + 2) !== undefined;
    if (!verb && isOnPart && lows[i - 1] === 'and' && !NO_ORDER.test(low) && !partAt(names, sentence, i)) return true;
    if (!verb || (verb.is === 'verb' && verb.verb === 'attend')) return false;
    const next = lows[i + verb.length] ?? '';
    return (
      !(ALSO_NOUN.test(low) || low === 'lower') || ORDERED.test(next) || (STARTS.test(low) && /^(?:|,|and)$/.test(next))
    );
  });
}

/** "With one key hold the plate and with the other turn the rod": another order behind its tool. */
export function ordersWithTool({ lows }: Sentence): boolean {
  const tool = lows.indexOf('with');
  return lows.some((low, at) => {
    if (tool < 0 || at < tool + 2 || !/^(?:the|it|them|its|both)$/.test(lows[at + 1] ?? '')) return false;
    if (NO_ORDER.test(lows[at - 1] ?? '') && !/^(?:hands?|keys?|others?|one)$/.test(lows[at - 1] ?? '')) return false;
    const verb = verbAt(lows, at);
    return (
      verb !== undefined && verb.length === 1 && !lexicon.isManner(low) && !/^(?:like|round|clear|free|back)$/.test(low)
    );
  });
}

/** "... and make the same with the lower manifold": all of it once more. */
export const ONCE_MORE =
  /\b(?:do|make|repeat) (?:exactly )?(?:the same\b|(?:this|that|it) (?:again )?(?:with|for|on|at)\b)/i;

const BEGINS_ORDER = new RegExp(
  `^(?:${NOTHING_ELSE}|fill|measure|bleed|unscrew) (?!(?:it|them|only|as|if|when|where|clockwise|anticlockwise)\\b)`,
);

/** "Let's get the cover off", "I'm going to undo it". */
function orderedByUs(lows: readonly string[]): boolean {
  const [said] =
    /^(?:let's|let us|(?:i|we)(?:'ll| will|'m going to|'re going to| are going to| am going to)) /.exec(
      lows.join(' '),
    ) ?? [];
  return said !== undefined && verbAt(lows, said.trim().split(' ').length) !== undefined;
}

/** "Don't take the bolts out, just loosen them": what is to be done instead. */
export function ordersInstead({ lows }: Sentence): boolean {
  return lows.some((low, at) => {
    const next = /^(?:just|only|rather|instead|simply)$/.test(low) ? at + 1 : at;
    return (
      at > 1 &&
      low !== 'use' &&
      /^(?:,|;|but)$/.test(lows[at - 1] ?? '') &&
      /^(?:it|them|the)$/.test(lows[next + 1] ?? '') &&
      verbAt(lows, next) !== undefined
    );
  });
}

/** "It's sealed with silicone so break the joint with a scraper". */
export function ordersSo({ lows }: Sentence): boolean {
  const so = lows.indexOf('so');
  // "... so use the copper hammer until it parts".
  if (so >= 0 && lows[so + 1] === 'use' && /^(?:the|a|an|your)$/.test(lows[so + 2] ?? '')) return true;
  // "So paint-mark a pair of teeth".
  const verb = (lows[so + 1] ?? '').split('-').at(-1) ?? '';
  return (
    so >= 0 &&
    verbAt([verb], 0) !== undefined &&
    (ORDERED.test(lows[so + 2] ?? '') || /^(?:which|where|how)$/.test(lows[so + 2] ?? ''))
  );
}

/** Words before "it" that order nothing. */
const NO_ORDER =
  /^(?:with|on|in|of|to|at|by|for|from|off|out|up|down|over|under|underneath|beneath|inside|outside|above|below|along|across|round|near|past|toward|towards|beside|then|around|behind|between|through|into|onto|against|before|after|until|when|while|if|so|that|which|because|as|than|is|are|was|has|have|had|does|did|will|would|can|could|may|might|must|should|make|makes|keep|keeps|let|lets|hope|feel|see|hear|find|all|both|where|how|why|what|but|or|nor|not|once|unless|\w+(?:ing|ed|s))$/;

/** What is done along with something and moves nothing. */
const BESIDE_WORK = /^(?:run (?:your|a)|blow|let|use|catch|count|write|twist (?:it|them) as|(?:push|press|pull) on) ?/;

const STARTS = /^(?:start|run)$/;

/** Behind a word that is a noun as well, what makes it a verb. */
const ORDERED = /^(?:it|them|those|these|that|this|the|a|an|all|both|each|every|its|your|out|off|in|on|up|down|for)$/;

/** "Any rounding and they're finished": what follows from the look. */
export const FINISHED =
  /\b(?:they're|it's|they are|it is|that's) (?:finished|done for|shot|scrap|junk|rubbish|toast|no good|had it|useless|worn out)\b/i;

/** "..., replace if grooved": whether it is. */
export const RENEWED_IF =
  /^(?:replace|renew|change|discard|scrap|bin)(?: (?:it|them))? (?:if|when|where|as (?:needed|necessary|required))\b/i;

/** "Pull and push the shaft": a verb by itself is an order. */
export function isOneVerb({ lows }: Sentence): boolean {
  const verb = verbAt(lows, 0);
  // "Dip the gears in oil, slide in".
  if (verb?.is === 'movement' && lows.length === 2 && /^(?:in|on|out|off)$/.test(lows[1] ?? '')) return true;
  const [low = ''] = lows;
  const isElse = lexicon.isManner(low) || lexicon.isFeature([low]) || WAY_WORDS[low] !== undefined;
  const isOrder = verb?.is === 'movement' || (verb?.is === 'verb' && BARE_ORDER.test(low));
  return isOrder && lows.length === 1 && !isElse && low !== 'lower' && low !== 'raise';
}

const BARE_ORDER =
  /^(?:align|fill|drain|vent|bleed|prime|grease|oil|lubricate|renew|replace|discard|inspect|measure|tighten|torque|test|refit|assemble|reassemble|remove|install|dismantle|disassemble|lock|isolate|rinse|wash|degrease)$/;

/** "To zero and de-energise the drive": done as well, whatever that word means. */
export function joinsOrder({ lows }: Sentence): boolean {
  // "To zero" says how far, "to clear the bore" what for.
  if (SAID_OF.test(lows[0] ?? '') && !(lows[0] === 'to' && (lows[1] === 'zero' || verbAt(lows, 1) === undefined)))
    return false;
  return lows.some(
    (low, i) =>
      lows[i - 1] === 'and' &&
      /^(?:the|both|all|your)$/.test(lows[i + 1] ?? '') &&
      /^[a-z-]{3,}$/.test(low) &&
      !NO_ORDER.test(low) &&
      !lexicon.isManner(low) &&
      !/^(?:note|keep|record|leave|save|count|catch|write|remember|only|also|then|never|both)$/.test(low),
  );
}
