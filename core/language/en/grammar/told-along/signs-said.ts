import { type Construction, toComma } from '../acts/place';
import type { Reading } from '../acts/reading';
import { isJoint, isWornWord } from '../names/name-ends';
import type { Sentence } from '../names/sentence';
import * as lexicon from '../words/lexicon';
import { verbAt } from '../words/operations';
import { RENEWED, RENEWING } from '../words/verdict-words';

/** What to look for, and what follows from it. */
export const SIGNS_SAID: readonly Construction[] = [
  {
    name: 'what to look for: "for cuts or nicks"',
    read: ({ reading, sentence, at, act, told }) => {
      if (
        (/^(?:is|are) (?!the\b|there\b|any\b)/.test(told) && !asksWhether(reading)) ||
        !/^(?:for|is|are|if|whether)\b/.test(told) ||
        !/^(?:inspect|compare)$/.test(act.verb)
      )
        return undefined;
      const end = act.parts.length === 0 ? toPlace(sentence, at) : toHelp(sentence, at);
      const said = sentence.text(at + 1, end);
      const signs = said
        .split(/\s*,\s*|\s+(?:and|or)\s+(?:for\s+)?/)
        .map((sign) => sign.trim().replace(/^(?:any|signs? of|a|an|the)\s+/i, ''))
        .filter(Boolean);
      // "Check whether it is straight": how it should be is no sign of wear.
      if (asksWhether(reading) && GOOD.test(said)) {
        act.how.push(sentence.text(/^(?:is|are)$/.test(sentence.lows[at] ?? '') ? at : at + 1, end));
        return end;
      }
      // "..., if it catches the cylinder is junk": what follows from it is asked.
      if (signs.some((sign) => VERDICT.test(sign))) {
        reading.doubt('condition', sentence, at, end);
        return end;
      }
      // "For scratches, polish minor marks": something else to do.
      if (signs.some((sign) => ORDERED_SIGN.test(sign))) {
        reading.doubt('unread', sentence, at, end);
        return end;
      }
      if (asksWhether(reading)) reading.asked.add(act);
      // "For runout, 0.05 mm max": a limit is no sign.
      const isNoSign = (sign: string) =>
        ABOVE_ALL.test(sign) || /^(?:max|min)?\S*\s?[\d.,]+ ?(?:mm|inch|in|"|thou)\b/i.test(sign);
      act.looks.push(...signs.filter((sign) => !isNoSign(sign)));
      act.how.push(...signs.filter(isNoSign));
      return end;
    },
  },
  {
    name: 'how it may be: "check the shaft cracked or scored"',
    read: ({ sentence, at, act }) => {
      const isAlong = act.verb === 'inspect' && sentence.lows[at - 1] !== ',';
      if (!isAlong || !isWornWord(sentence.lows[at] ?? '')) return undefined;
      const signs: string[] = [];
      let end = at;
      while (isWornWord(sentence.lows[end] ?? '')) {
        signs.push(sentence.text(end, end + 1));
        end += 1;
        while (/^(?:,|or|and)$/.test(sentence.lows[end] ?? '') && isWornWord(sentence.lows[end + 1] ?? '')) end += 1;
      }
      if (!isJoint(sentence.words[end])) return undefined;
      act.looks.push(...signs);
      return end;
    },
  },
  {
    name: 'whether it has signs: "see if the seats have pitting or marks"',
    read: ({ sentence, reading, at, act, told }) => {
      const has =
        /^(?:has|have|shows?|got)(?: got)?(?: any| some| signs of)*(?= (?!been|to|a |an |the |enough|no )[a-z])/.exec(
          told,
        )?.[0];
      const isAsked = /\b(?:if|whether)$/.test(reading.verbs.at(-1) ?? '') && act.verb === 'inspect';
      if (has === undefined || !isAsked || act.looks.length > 0) return undefined;
      const end = toComma(sentence, at);
      const signs = sentence.text(at + has.split(' ').length, end).split(/\s+(?:and|or)\s+/);
      if (signs.some((sign) => sign.split(' ').length > 3)) return undefined;
      act.looks.push(...signs);
      reading.verbs.push(...has.split(' '));
      return end;
    },
  },
  {
    name: 'renewed where signs are found: "check it for roughness, replace if necessary"',
    read: ({ reading, sentence, at, act, told }) => {
      const said = act.looks.length > 0 ? RENEWED_WHERE_NEEDED.exec(told)?.[0] : undefined;
      if (said === undefined) return undefined;
      act.renewIf.push(...act.looks.splice(0));
      const end = at + said.split(' ').length;
      reading.verbs.push(...sentence.lows.slice(at, end));
      return end;
    },
  },
];

/** How a part should be. */
const GOOD =
  /^(?:(?:still|all|nice and|perfectly|really|completely) )*(?:straight|round|flat|free|smooth|clean|intact|ok|okay|good|sound|tight|true|square|parallel|even|dry|clear|undamaged|sharp|firm|soft|flexible|centred|centered|aligned|seated|in place|level|within|the same|equal|alike|fit|usable|there|present|complete)\b/i;

const ORDERED_SIGN =
  /^(?:polish|dress|remove|clean|replace|renew|measure|stone|lap|file|grind|sand|record|note|mark|tighten|check|inspect|turn|hone|report) \w+|\b(?:set|fit|use|replace|renew|put|change|move|take|turn) (?:the|a|it|them|both) /i;

const VERDICT = new RegExp(`\\b(?:${RENEWED}|${RENEWING})\\b`, 'i');

/** "..., in particular the inner wall" says where most. */
const ABOVE_ALL = /^(?:in particular|particularly|especially|mainly|above all|mostly)\b/i;

const RENEWED_WHERE_NEEDED =
  /^(?:and )?(?:replace|renew|change)(?: (?:it|them))? (?:if|where|when|as) (?:necessary|needed|required|found|there are any|any)(?= ?[,.;]|$)/;

/** "See whether it is cracked" looks for cracks; "check it is dead" says how it has to be. */
function asksWhether({ verbs }: Reading): boolean {
  return /\b(?:whether|if)\b/.test(verbs.at(-1) ?? '');
}

/** Up to what is looked at: "for scratches *on the faces*". */
function toPlace(sentence: Sentence, at: number): number {
  const end = sentence.lows.findIndex((low, i) => i > at && /^(?:on|in|at|of)$/.test(low));
  return end < 0 ? toHelp(sentence, at) : end;
}

/** Up to what it is looked at with, or when. */
function toHelp(sentence: Sentence, at: number): number {
  let end = at + 1;
  while (
    end < sentence.words.length &&
    !/^(?:with|using|by|under|before|after|when|while|where|against)$/.test(sentence.lows[end] ?? '') &&
    !(sentence.lows[end] === ',' && saysMore(sentence.lows, end + 1)) &&
    !isOrderAgain(sentence, end)
  )
    end += 1;
  return end;
}

/** What goes on behind a comma and is no sign to look for. */
const SAYS_MORE =
  /^(?:always|fit|replace|renew|use|max|maximum|min|minimum|limits?|still|it|they|this|that|but|should|must|may|can|no|then)$/;

function saysMore(lows: readonly string[], at: number): boolean {
  // "For scores, run your thumb along it" says how one looks.
  const isOrder = verbAt(lows, at) !== undefined && /^(?:your|the|a|it|them|along|over)$/.test(lows[at + 1] ?? '');
  return isOrder || SAYS_MORE.test(lows[at] ?? '') || lexicon.CAUTION_OPENING.test(lows.slice(at).join(' '));
}

/** "For wear replace them": said without a stop between. */
function isOrderAgain({ lows }: Sentence, at: number): boolean {
  const isAllowed = /^(?:can|could|may|might|must|should|to|you|we|not|never)$/.test(lows[at - 1] ?? '');
  return !isAllowed && verbAt(lows, at) !== undefined && /^(?:it|them|any)$/.test(lows[at + 1] ?? '');
}
