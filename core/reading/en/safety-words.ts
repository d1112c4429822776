/** What is isolated, released, drained or filled, as far as its words tell. Common practice throughout. */
export type Energy = 'electric' | 'air' | 'valve' | 'other';

const ENERGIES: readonly [RegExp, Energy][] = [
  [/\b(compressed air|air (supply|line|hose|pressure)|pneumatic|air)\b/i, 'air'],
  [
    /\b(drive|motor|power|supply|mains|electric\w*|switch|isolator|breaker|battery|controller|fuse|panel|vfd|inverter|starter|plug)\b/i,
    'electric',
  ],
  [/\b(valves?|cocks?|taps?|gate|stopcock)\b/i, 'valve'],
];

export function energyOf(words: string | undefined): Energy {
  return ENERGIES.find(([pattern]) => pattern.test(words ?? ''))?.[1] ?? 'other';
}

/** The sides of a pump that hold pressure by themselves. */
export const LINES = ['suction', 'discharge', 'air', 'flush', 'process', 'pilot', 'hydraulic'] as const;
export type Line = (typeof LINES)[number];

const LINE_WORDS: Readonly<Record<Line, RegExp>> = {
  suction: /\b(suction|inlet|intake|supply line|feed)\b/i,
  discharge: /\b(discharge|outlet|delivery|high[- ]pressure (line|side|hose|tube|tubing|pipe))\b/i,
  air: /\b(air|accumulator|dampe?ner|damper|reservoir|pre-?charge|nitrogen|gas)\b/i,
  flush: /\b(flush|seal water|barrier|quench)\b/i,
  process: /\b(process)\b/i,
  pilot: /\b(pilot)\b/i,
  hydraulic: /\b(hydraulic)\b/i,
};

/** What a line is called where a step is proposed for it. */
export function callLine(line: Line): string {
  return `the ${line} line`;
}

/** The lines that words name, "both sides" among them; none where they say no line. */
export function linesIn(words: string | undefined): Line[] {
  if (/\b(both|all) (sides|lines|ends|hoses)\b/i.test(words ?? '')) return ['suction', 'discharge'];
  return LINES.filter((line) => LINE_WORDS[line].test(words ?? ''));
}

/** Lines that hold no liquid of the pump: without pressure they say nothing about it. */
export function isBesideLiquid(line: Line): boolean {
  return line === 'air' || line === 'flush' || line === 'pilot';
}

/** A vessel that is charged with gas: a pulsation dampener, an accumulator. */
export function holdsCharge(name: string): boolean {
  return (
    /\b(accumulator|dampe?ner|air vessel|bladder)\b/i.test(name) &&
    !/\b(bolt|nut|screw|clamp|bracket|gasket|O-ring)s?$/i.test(name)
  );
}

/** A hose, tube or pipe: opened it lets out its own line before anything else. */
export function isLinePart(name: string): boolean {
  return /\b(hose|tube|tubing|pipe|line)s?$/i.test(name.trim());
}

/** Words for what a pump holds besides the air that drives it. */
export function saysLiquid(words: string | undefined): boolean {
  return /\b(spray|paint|liquid|fluid|product|material|water|solvent|chemical|suction|inlet|intake|discharge|outlet|delivery)\b/i.test(
    words ?? '',
  );
}

/** Valves by which something is let off, filled or by-passed, and that stand closed as a rule. */
export function standsClosed(words: string | undefined): boolean {
  return /\b(bleed\w*|drain\w*|vent\w*|relief|priming|prime|flush\w*|by-?pass|sampl\w*|test|gauge)\b/i.test(
    words ?? '',
  );
}

export function isCheckValve(name: string): boolean {
  return /\b(check|non-?return) valve\b/i.test(name);
}

/** "the pump", and nothing that it is switched or shut off by. */
export function namesPump(words: string | undefined): boolean {
  return /^(the )?(pump|machine|unit|set)$/i.test((words ?? '').trim());
}

/** Oil that a housing holds and that runs out when it is opened. */
export function isSumpOil(words: string | undefined): boolean {
  const text = (words ?? '').trim();
  return (
    /\boil\b/i.test(text) &&
    (/\b(gear|gearbox|crankcase|sump|bearing|drive)\b/i.test(text) || /^(?:the |new |fresh |clean )*oil\b/i.test(text))
  );
}

const IDLE = new Set([
  'the',
  'and',
  'with',
  'from',
  'for',
  'its',
  'all',
  'both',
  'pump',
  'again',
  'off',
  'out',
  'into',
  'slowly',
  'until',
  'lock',
  'locks',
  'tag',
]);

/** The words by which two sayings of the same thing know one another. */
export function tellingWords(words: string | undefined): string[] {
  return ((words ?? '').toLowerCase().match(/\p{L}{3,}/gu) ?? []).filter((word) => !IDLE.has(word));
}

export function sharesWord(a: string | undefined, b: string | undefined): boolean {
  const known = new Set(tellingWords(a).map(stem));
  return tellingWords(b).some((word) => known.has(stem(word)));
}

/** Whether two sayings name one valve, line or switch; what they call it by tells, not that it is a valve. */
export function namesSame(a: string | undefined, b: string | undefined): boolean {
  const called = (words: string | undefined) =>
    tellingWords(words)
      .map(stem)
      .filter((word) => !/^(valve|cock|line|hose)$/.test(word));
  const [one, other] = [called(a), called(b)];
  if (one.length === 0 || other.length === 0) return sharesWord(a, b);
  return one.some((word) => other.includes(word));
}

function stem(word: string): string {
  return word.length > 4 ? word.replace(/(es|s)$/, '') : word;
}

/** What has to be put back once it is drained: a casing is drained of the product and fills itself. */
export function isKeptFluid(words: string | undefined): boolean {
  return /\b(oil|grease|fluid|coolant|lubricant|barrier|buffer|glycol|glycerine?|glycerol)\b/i.test(words ?? '');
}

/** Whether a test needs the pump to run, which it cannot while it is locked. */
export function runsPump(words: string | undefined): boolean {
  return (
    /\b(run|running|start|speed|flow|deliver\w*|full pressure|rated|noise|drips?|stroke)\b/i.test(words ?? '') &&
    !/\b(by hand|hand pump|static|must not|stay dead|try to start)\b/i.test(words ?? '')
  );
}

/** Filling goes through one of these, so it is out while something is filled. */
export function isFillingPort(name: string): boolean {
  return /\b(fill\w*|dipstick|breather|vent|level|sight|oil plug|cap)\b/i.test(name);
}

/** Whether a nut is called after what it goes on: a "cover nut" on a "cover bolt", a "tie rod nut" on a "tie rod". */
export function takesNut(name: string, nutName: string): boolean {
  const withoutLast = (words: string) => words.toLowerCase().replace(/\s*\S+$/, '');
  const called = withoutLast(nutName);
  return withoutLast(name) === called || name.toLowerCase() === called;
}

/** Nuts and caps that are set by hand, and by what the pump does: a gland nut drips so many drops a minute. */
export function staysByHand(name: string): boolean {
  return /\b(gland|packing|wing|knurled|thumb|cup|hand)\b/i.test(name);
}

/** "Finger tight", said as how the step is done and not as a remark on it. */
export function saysByHand(words: string | undefined): boolean {
  return /^(?:finger|hand)[- ]tight\b/i.test(words ?? '');
}

/** Pins that stand in the holes of bolts and keep a part in line. */
export function standsInHoles(toolName: string): boolean {
  return /\b(guide|aligning|alignment|locating)\b.*\b(pins?|studs?|dowels?)\b|\bdowels?\b/i.test(toolName);
}

/** How many a tool name or size says there are: "2 guide pins", "guide pins, pair"; two for a plural without a number. */
export function countIn(label: string): number {
  const number = /\b(\d{1,2})\b(?!\s*(mm|in|x\d))/.exec(label)?.[1];
  if (number) return Number(number);
  if (/\b(pair|two|both)\b/i.test(label)) return 2;
  if (/\b(three)\b/i.test(label)) return 3;
  if (/\b(four)\b/i.test(label)) return 4;
  return /s\b/i.test(label.split(',')[0] ?? '') ? 2 : 1;
}

/** "shut off the air and vent it": an isolation that lets the pressure off as well. */
export function releasesToo(words: string | undefined): boolean {
  return /\b(vent|bleed|exhaust|depressuri[sz]e|release|relieve)\b/i.test(words ?? '');
}
