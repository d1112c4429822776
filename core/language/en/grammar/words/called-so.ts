import type { Word } from './words';

/**
 * Parts whose name begins with a word that orders something elsewhere: a lock washer locks nothing, and "seal ring in"
 * seals nothing. For each such word, what stands behind it in names. Left out is what may be meant either way, as "press
 * ring on". Common practice.
 */
const CALLED_SO: Readonly<Record<string, string>> = {
  back: 'cover|plate|cap|wall|housing|flange|liner|pull-out',
  balance: 'disc|disk|drum|piston|ring|sleeve|plate|line|pipe|weight|bush|bushing',
  bleed: 'plug|screw|valve|cap|pipe|line|cock|tube|nipple',
  cap: 'screw|nut|bolt|ring|seal|gasket|plate',
  centre: 'ring|bolt|plate|section|body|block|housing|pin|piece|disc|disk|bush|bushing|sleeve|bearing|spider',
  center: 'ring|bolt|plate|section|body|block|housing|pin|piece|disc|disk|bush|bushing|sleeve|bearing|spider',
  clamp: 'ring|band|bolt|screw|nut|plate|bar|collar|strap|half|halve|jaw|hub',
  cover: 'plate|bolt|nut|screw|stud|gasket|ring|strip|seal|flange',
  crank: 'shaft|case|pin|web|cover|housing',
  drain: 'plug|cock|valve|screw|cap|hose|pipe|line|tube|nipple|tap',
  down: 'pipe|tube',
  drive: 'gear|collar|coupling|flange|lug|belt|pulley|sprocket|dog|guard|magnet|hub|motor|end cover',
  feed: 'pump|pipe|line|valve|screw|hose|tube|hopper',
  fill: 'plug|cap|screw|pipe|valve|tube',
  filler: 'plug|cap|screw|pipe|valve|tube',
  flare: 'nut|fitting',
  flush: 'pipe|valve|port|plug|connection',
  gauge: 'glass|cock|line|connection|port',
  grease: 'nipple|cup|cap|plug|line|retainer|fitting',
  guide: 'bush|bushing|ring|rod|pin|vane|bar|sleeve|plate|wheel|shoe|bearing|rail|block|tube|roller|piece',
  hose: 'clip|clamp|nipple|connector|barb|fitting|guard|reel',
  index: 'pin|plate|bolt',
  jack: 'bolt|screw|nut',
  label: 'plate',
  level: 'plug|switch|glass|sensor|gauge',
  lock: 'washer|ring|nut|plate|pin|tab|bolt|wire|sleeve|collar|bush|strip|bar',
  mark: 'plate',
  mount: 'plate|bracket|bolt|foot|flange|block|ring',
  oil: 'plug|seal|ring|filter|cooler|pipe|line|cup|slinger|pan|sump|thrower|pump|tube',
  pin: 'bush|bushing|carrier|plate|gear',
  plug: 'screw',
  pump: 'head|casing|body|cover|housing|shaft|end|bracket|foot|barrel|element|base|cap|case|chamber|frame|bowl|liner|wheel|rod|plunger|piston|rotor|lid|flange',
  release: 'lever|valve|pin|button|ring|bearing|sleeve|collar|handle',
  ring: 'nut|gear|spring',
  seal:
    'ring|housing|cover|plate|seat|sleeve|carrier|cap|case|cartridge|chamber|face|gland|retainer|spring|holder|bush|body|' +
    'collar|element|flange|half|halve|bellows|box',
  seat: 'ring|insert|retainer|bush|nut|gasket|holder|housing',
  set: 'screw|bolt|collar|pin',
  shim: 'pack|plate|ring|washer|stack',
  split: 'pin|ring|cone|nut|sleeve|collar|bush|casing|flange|coupling|clamp|washer|cotter|taper',
  stop: 'pin|ring|plate|screw|nut|collar|bolt|block|valve|washer',
  strip: 'heater',
  support: 'bracket|foot|feet|leg|plate|arm|column|ring|bolt',
  swing: 'bolt|check|gate|arm',
  tap: 'bolt',
  test: 'cock|plug|port|tap|nipple|fitting',
  thread: 'lock|locker|sealant|sealer|tape|paste|insert',
  tie: 'rod|bolt|bar|plate',
  turn: 'buckle',
  vent: 'plug|screw|valve|cap|pipe|line|cock|tube',
  wedge: 'ring',
};

const TAILS = new Map(
  Object.entries(CALLED_SO).map(([head, tails]) => [head, new RegExp(`^(?:${tails})e?s?$|^(?:${tails})$`)]),
);

/** Whether a name is one of those. */
export function isCalledSo(name: string): boolean {
  const [head = '', tail = '', ...more] = name.toLowerCase().split(/[\s-]+/);
  return more.length === 0 && TAILS.get(head)?.test(tail) === true;
}

/** What may be ordered, or be called so: "push rods out". */
export const CALLED_SO_OR_ORDERED =
  /^(?:(?:push|pull|draw) (?:rod|bar)s?|draw bolts?|lift (?:ring|plate|bar)s?|(?:clip|clamp) on)$/;

/** "Seal on the shaft", "cover off the housing": a part and where it goes, which orders something with no place behind. */
const PUT_THERE =
  /^(?:seal (?:on|in|into|onto|over|out of|from)|cover (?:on|onto|off|in|out of)|cap (?:on|onto|in|out of)|pin (?:on|in|into|out of|from)|hose (?:on|onto|off|out of|from)|plug (?:on|into|out of|in(?= the (?:\w+ )?(?:hole|bore|port|seat|body|casing|housing|cover)))) (?:the|its|each|every|both|all) /;

/** Names of three words. */
const LONGER: readonly { readonly words: RegExp; readonly length: number }[] = [
  { words: /^hold down (?:bolt|nut|screw|stud|clamp)s?\b/, length: 3 },
  { words: /^back pull out\b/, length: 3 },
];

/** Where it is, before a name: "drive side bearing off", "right hand nut off". */
const AT_WHICH_SIDE =
  /^(?:(non )?drive (?:side|end)|(?:right|left) hand) (?!thread|the|an?|to|of|and|with|in|on|off|out|up|down|is|are)[a-z]/;

/** What a name is followed by where it stands at the head of what is said. */
const BEHIND =
  /^(?:off|out|in|on|back|up|down|away|home|comes?|goes|go|is|are|was|were|must|should|can|has|have|gets?|stays?|needs?|unscrews?|next|first|undone|loose|tight|dry|clean|flat|new|old|crosswise|:|\(|\d.*)$/;

/**
 * Joins the words of such a name to one, where it heads what is said: "set screws out, three of them". One word that
 * names a part gets its article: "seal on the shaft".
 */
export function joinNames(read: readonly Word[]): readonly Word[] {
  const words = [...read];
  for (let at = words.length - 2; at >= 0; at -= 1) {
    const length = nameLengthAt(words, at);
    if (!isHead(words, at)) continue;
    const head = words[at];
    if (
      head &&
      PUT_THERE.test(
        `${words
          .slice(at, at + 6)
          .map(({ low }) => low)
          .join(' ')} `,
      )
    )
      words.splice(at, 0, { low: 'the', parts: ['the'], from: head.from, to: head.from });
    if (length === 0) continue;
    const joined = words.slice(at, at + length);
    words.splice(at, length, {
      low: joined.map(({ low }) => low).join('-'),
      parts: joined.flatMap(({ parts }) => parts),
      from: (joined[0] as Word).from,
      to: (joined.at(-1) as Word).to,
    });
  }
  return words;
}

function nameLengthAt(words: readonly Word[], at: number): number {
  const lows = words.slice(at, at + 3).map(({ low }) => low);
  const side = AT_WHICH_SIDE.exec(
    words
      .slice(at, at + 4)
      .map(({ low }) => low)
      .join(' '),
  );
  if (side) return side[1] === undefined ? 2 : 3;
  const longer = LONGER.find((one) => one.words.test(lows.join(' ')));
  const length = longer?.length ?? (TAILS.get(lows[0] ?? '')?.test(lows[1] ?? '') ? 2 : 0);
  if (length === 0) return 0;
  const next = words[at + length]?.low ?? '';
  // "Set screws on the collar, ...": nobody sets them there.
  return BEHIND.test(next) || FASTENERS.test(words[at + length]?.low ?? '') ? length : 0;
}

/** "Cover bolt nuts". */
const FASTENERS = /^(?:bolt|nut|screw|stud|washer|gasket)s?$/;

/** Where something is said anew: nothing before it could be the verb. */
function isHead(words: readonly Word[], at: number): boolean {
  let before = at - 1;
  while (
    before >= 0 &&
    (words[before]?.value !== undefined || /^(?:new|old|both|all|x|same)$/.test(words[before]?.low ?? ''))
  )
    before -= 1;
  return (
    before < 0 || /^(?:[,.;:!?–—-]|and|then|now|next|so|ok|okay|right|finally|also)$/.test(words[before]?.low ?? '')
  );
}
