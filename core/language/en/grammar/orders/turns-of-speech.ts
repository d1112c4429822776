import { objectsAt } from '../acts/objects';
import { RUNNING_SIGNS } from '../acts/plain-verb';
import { isWornWord } from '../names/name-ends';
import { toolAt } from '../names/tools';
import { verbAt } from '../words/operations';
import { RENEWING } from '../words/verdict-words';
import { isPlural, type Word } from '../words/words';
import { ABOUT_THE_JOB } from './about-the-job';
import { type Piece, wordsIn } from './piece';
import { WHAT_HOLDS } from './what-holds';

/** One turn of speech within a sentence, put shorter where it stands; whether it stands there. */
export interface Turn {
  readonly name: string;
  readonly put: (at: Place) => boolean;
}

interface Place {
  readonly piece: Piece;
  readonly at: number;
  /** The words from here on. */
  readonly said: string;
  /** The words up to here. */
  readonly before: readonly string[];
}

/** Puts the turns of speech of a sentence shorter, from its end to its beginning. */
export function putTurns(piece: Piece): void {
  for (let at = piece.words.length - 2; at >= 0; at -= 1) {
    const place = { piece, at, said: piece.lows(at), before: piece.lowsFrom(0).slice(0, at) };
    TURNS.find(({ put }) => put(place));
  }
}

/** Puts one word in the place of as many as a pattern finds. */
function instead(pattern: RegExp, low: string): Turn['put'] {
  return ({ piece, at, said }) => {
    const found = pattern.exec(said)?.[0];
    if (found === undefined) return false;
    piece.words.splice(at, wordsIn(found), piece.as(at, low));
    return true;
  };
}

const RUN_THROUGH =
  /^(?:run|put|pass|send|pull) ((?:an? |the )(?:[\w/-]+ ){0,2}?(tap|die|reamer|chaser|brush|rag|cloth)) (?:through|down|over|into|along|up|in) (?=(?:the|all|each|every|both) )/;

const TURNS: readonly Turn[] = [
  ...ABOUT_THE_JOB,
  ...WHAT_HOLDS,
  {
    name: '"nuts off (4)" are "nuts (4) off"',
    put: ({ piece, at, said }) => {
      if (!/^(?:off|out|on|in|loose) \( \d+ \)/.test(said) || !isPlural(piece.low(at - 1))) return false;
      piece.words.splice(at, 4, ...piece.words.slice(at + 1, at + 4), piece.words[at] as Word);
      return true;
    },
  },
  {
    name: '"to a torque of 24 N·m"',
    put: instead(
      /^(?:to|at|with) (?:a |the )?(?:final |tightening )?(?:torque|figure|setting)(?: value| setting| figure)? of(?= )/,
      'to',
    ),
  },
  {
    name: '"check the seats, looking for pits": for these',
    put: ({ piece, at, said, before }) => {
      const isLooking = /^(?:, )?(?:looking|checking|watching|feeling) for /.test(said);
      const isLook = /^, look for /.test(said) && !RUNNING_SIGNS.test(said) && !before.includes('for');
      const isBehindLook = before.some((low) => /^(?:look|check|inspect|examin|study)/.test(low));
      if (!(isLooking || isLook) || !isBehindLook) return false;
      piece.words.splice(at, said.startsWith(',') ? 3 : 2, piece.as(at, 'for'));
      return true;
    },
  },
  {
    name: '"push out the piston, check for scoring": looked at for it',
    put: ({ piece, at, said }) => {
      const isChecked = /^(?:,|and) (?:check|look|inspect|examine) for /.test(said) && !RUNNING_SIGNS.test(said);
      if (!isChecked || piece.orderVerb()?.is !== 'movement') return false;
      piece.words.splice(at + 1, 1, piece.as(at + 1, 'inspect'), piece.behind(at + 1, 'it'));
      return true;
    },
  },
  {
    name: '"free the cover from its dowels": removed',
    put: ({ piece, at, said }) => {
      const isFreed = /^free(?:ing)? (?:the|a|all|both|your|it|them|\d+)\b.* from /.test(said);
      if (!isFreed || piece.low(at - 1) === 'to') return false;
      piece.words[at] = piece.as(at, piece.low(at) === 'free' ? 'remove' : 'removing');
      return true;
    },
  },
  {
    name: '"with the help of two screwdrivers"',
    put: instead(/^(?:with the (?:help|aid|use) of|by (?:means|use) of)(?= )/, 'with'),
  },
  {
    name: '"wash the lot"',
    put: (place) => !place.piece.knows(place.at + 1) && instead(/^the (?:whole )?lot(?= |$)/, 'everything')(place),
  },
  {
    name: '"secure it against switching on": locked out',
    put: ({ piece, at, said }) => {
      if (!SECURED.test(said)) return false;
      const [it, out] = ['it', 'out'].map((low) => piece.behind(at, low)) as [Word, Word];
      piece.words.splice(at, piece.low(at + 1) === 'it' ? 2 : 1, piece.as(at, 'lock'), it, out);
      return true;
    },
  },
  {
    name: '"grease all over the shaft"',
    put: instead(/^all over(?= (?:the|both|each|its|your) )/, 'on'),
  },
  {
    name: '"renew those with visible wear": them if they have',
    put: ({ piece, at, said }) => {
      const areSome = /^(?:any|those|ones) with (?:visible |any |signs of |heavy |obvious |deep )*[a-z]+/.test(said);
      if (!areSome || !/^(?:replace|renew|change|discard|scrap|bin)$/.test(piece.low(at - 1))) return false;
      piece.words.splice(at, 2, piece.as(at, 'them'), piece.as(at + 1, 'if'));
      return true;
    },
  },
  {
    name: '"renew valves with a broken cage": if it is broken',
    put: ({ piece, at, said }) => {
      const isRenewed = new RegExp(`^(?:${RENEWING})$`).test(piece.orderVerb()?.phrase ?? '');
      if (!isRenewed || !/^with (?:an?|any|visible) /.test(said) || !isWornWord(piece.low(at + 2))) return false;
      piece.words.splice(at, 2, piece.as(at, 'if'));
      return true;
    },
  },
  {
    name: '"one third full of grease"',
    put: ({ piece, at, said }) => {
      const isFull = /^full of /.test(said) && /^(?:half|thirds?|quarters?|percent|cent)$/.test(piece.low(at - 1));
      if (isFull) piece.words[at + 1] = piece.as(at + 1, 'with');
      return isFull;
    },
  },
  {
    name: '"fill the bearing space half with grease": with grease, half',
    put: ({ piece, at, said }) => {
      const half = /^(?:half|halfway|(?:one|two|1|2) thirds?) (?=with )(?!.*\b(?:half|thirds?|quarters?|full)\b)/
        .exec(said)?.[0]
        .trim();
      if (half === undefined || !/^(?:fill|pack)$/.test(piece.orderVerb()?.phrase ?? '')) return false;
      const words = piece.words.splice(at, wordsIn(half));
      const end = piece.clauseEnd(at);
      piece.words.splice(end, 0, piece.behind(end - 1, ','), ...words, piece.as(at, 'full'));
      return true;
    },
  },
  {
    name: '"the screws (10 mm key) are removed": removed with that key',
    put: ({ piece, at, said }) => {
      const inside = /^\( ([^()]*) \) (?=(?:is|are|must|should|can|have|has|needs?|gets?|comes?|goes?|off|out)\b)/.exec(
        said,
      )?.[1];
      const length = wordsIn(inside ?? '');
      if (inside === undefined || toolAt(piece.sentence(), at + 1)?.end !== at + 1 + length) return false;
      const words = piece.words.splice(at, length + 2).slice(1, -1);
      const end = piece.clauseEnd(at);
      piece.words.splice(end, 0, piece.behind(end - 1, 'with'), piece.behind(end - 1, 'a'), ...words);
      return true;
    },
  },
  {
    name: '"one after the other, together with their casings": along with each',
    put: ({ piece, at, said }) => {
      const each = /^(?:one after (?:the other|another)|one by one) (?=(?:together |along )?with )/
        .exec(said)?.[0]
        .trim();
      if (each === undefined) return false;
      const end = piece.clauseEnd(at);
      const words = piece.words.slice(at, at + wordsIn(each));
      piece.words.splice(end, 0, piece.behind(end - 1, ','), ...words);
      piece.words.splice(at, words.length);
      return true;
    },
  },
  {
    name: '"cover back over the shaft": put back, and nothing is covered',
    put: ({ piece, at, said }) => {
      const isNoun =
        /^(?:cover|cap|plug|seal|pin|clip|clamp|ring|screw|bolt|spring) back (?:over|on|onto|in|into) (?:the|its|their|all|both) /;
      if (at !== piece.orderStart() || !isNoun.test(said)) return false;
      piece.words.splice(at, 0, piece.as(at, 'put', true));
      return true;
    },
  },
  { name: '"the other one"', put: instead(/^other ones?(?= |$)/, 'other') },
  {
    name: '"wash it all": everything',
    put: instead(
      /^it all(?= (?!the way|over|round|around|goes|go|is|was|has|comes|fits|looks|moves|turns)|$)/,
      'everything',
    ),
  },
  {
    name: '"take them all out"',
    put: ({ piece, at, said }) => {
      const isAll = /^(?:them|it) all(?! the way)(?: |$)/.test(said);
      if (isAll) piece.words.splice(at + 1, 1);
      return isAll;
    },
  },
  {
    name: '"the packing, all of it, and the bush"',
    put: ({ piece, at, said }) => {
      const isWhole = /^all of it (?:,|$)/.test(`${said} `) && piece.low(at - 1) === ',';
      if (isWhole) piece.words.splice(at - 1, 4);
      return isWhole;
    },
  },
  {
    name: '"run a tap through the holes" dresses them with it',
    put: ({ piece, at, said }) => {
      const [ran, through, tool] = RUN_THROUGH.exec(said) ?? [];
      const things = ran === undefined ? undefined : objectsAt(piece.sentence(), at + wordsIn(ran));
      if (ran === undefined || tool === undefined || through === undefined || !things?.phrases.length) return false;
      const words = piece.words.slice(at + 1, at + 1 + wordsIn(through));
      const what = piece.words.slice(at + wordsIn(ran), things.end);
      const verb = piece.as(at, /^(?:brush|rag|cloth|wire)$/.test(tool) ? 'clean' : 'dress');
      piece.words.splice(at, things.end - at, verb, ...what, piece.behind(things.end - 1, 'with'), ...words);
      return true;
    },
  },
  {
    name: '"lie it down" lays it',
    put: instead(/^lie(?= (?:it|them|the [\w-]+(?: [\w-]+)?) (?:down|flat|on))/, 'lay'),
  },
  {
    name: '"wash all of it", "give the whole thing a scrub": everything',
    put: (place) =>
      WASHES.test(place.piece.low(place.at - 1)) &&
      instead(/^(?:all of it|all this|the whole thing)(?= |$)/, 'everything')(place),
  },
  {
    name: '"all of them", "both of them"',
    put: ({ piece, at, said }) => {
      const isAll = /^(?:all|both|each) of (?:them|it)(?: |$)/.test(said);
      if (isAll) piece.words.splice(at, 2);
      return isAll;
    },
  },
  {
    name: '"replace any that are bent"',
    put: instead(/^(?:any|those|(?:the )?ones)(?= (?:that|which) (?:is|are|has|have|shows?|looks?|feels?) )/, 'them'),
  },
  {
    name: '"look if there is any water in it": for water',
    put: ({ piece, at, said }) => {
      const there = /^(?:if|whether) (?:there (?:is|are)|there's)(?: any)?(?= )/.exec(said)?.[0];
      if (there === undefined || !/^(?:look|check|see)$/.test(piece.low(at - 1))) return false;
      piece.words.splice(at - 1, wordsIn(there) + 1, piece.as(at - 1, 'look'), piece.as(at, 'for'));
      return true;
    },
  },
  {
    name: '"valves next, pull the six caps": what comes next',
    put: ({ piece, at, said }) => {
      const isTopic = at === 0 && /^(?:the )?(?:[\w-]+ ){1,3}(?:next|now) , /.test(said);
      const comma = piece.lowsFrom(0).indexOf(',');
      const isOrder = verbAt(piece.lowsFrom(comma + 1), 0) !== undefined && !piece.knows(comma + 1);
      // "Seal next, pull it out": that one.
      const isIts = piece.lowsFrom(comma + 1).some((low) => /^(?:it|them|its|their)$/.test(low));
      if (!isTopic || !isOrder || isIts || verbAt(piece.lowsFrom(0), 0)) return false;
      piece.words.splice(0, comma + 1);
      return true;
    },
  },
  {
    name: '"take the cover off, it\'s just two screws"',
    put: ({ piece, at, said }) => {
      const itIs = piece.low(at - 1) === ',' ? IT_IS.exec(said)?.[0] : undefined;
      if (itIs === undefined || piece.words[at + wordsIn(itIs)]?.value === undefined) return false;
      piece.words.splice(at, wordsIn(itIs));
      return true;
    },
  },
];

const WASHES = /^(?:give|wash|clean|rinse|scrub|wipe|degrease|dry)$/;
const SECURED =
  /^secure (?:it )?against (?:(?:being )?switch(?:ed|ing) on|re-?start\w*|re-?connection|start\w*|unintended \w+)/;
const IT_IS =
  /^(?:it's got|it has|they have|which has|it's|that's|they're|there's|(?:it|that) is|(?:they|there) are)(?: (?:just|only|held by|fixed with))?(?= \S+ (?:[\w-]+ ){0,3}(?:screw|bolt|nut|stud)s(?: |$))/;
