import { VERB_WORDS } from './verb-words';

/** The sentences of a text, without what ends them. An abbreviation or a decimal point ends none. */
export function sentencesOf(text: string): string[] {
  return text
    .split(/(?<=[.!?;:])\s+(?=[\p{Lu}\d"])|\n+/u)
    .map((sentence) => sentence.trim())
    .filter((sentence) => sentence !== '');
}

export function wordsOf(sentence: string): string[] {
  return sentence.split(/\s+/).filter((word) => /[\p{L}\d]/u.test(word));
}

const VAGUE =
  /\b(to (?:the )?(?:manufacturer'?s? |maker'?s? |factory |correct |proper )?spec(?:ification)?s?(?: torque)?|(?:as|per|within|in accordance with) (?:the )?(?:manufacturer'?s? |maker'?s? )?spec(?:ification)?s?|as specified|(?:the )?(?:correct|proper|required|specified|recommended|standard|usual|normal|right) torque|as (?:required|needed|necessary|appropriate|usual|normal|before)|(?:if|where|when|as) (?:necessary|required|needed|appropriate|applicable|possible)|properly|correctly|suitabl[ey]|adequate(?:ly)?|sufficient(?:ly)?|appropriate(?:ly)?|accordingly|good enough|tight enough|fairly tight|reasonabl[ey]|some(?:what| kind of)|and so on|etc\b|(?:the )?(?:right|correct|proper|usual) (?:way(?: round)?|tool|size|order|place|amount|position|direction|lubricant|grease|oil)|the other way|a bit of|a little of|some (?:grease|oil|sealant|compound|lubricant)|(?:see|refer to|consult|per|follow) (?:the )?(?:\w+ )?(?:manual|handbook|instructions?|documentation|data ?sheet|service sheet))\b/i;
/** Points at a picture, and is vague where there is none. */
const POINTS =
  /\b(as (?:shown|illustrated|pictured|drawn|seen)|shown (?:above|below|here|in)|(?:see|refer to|in|per) (?:the )?(?:fig(?:ure)?\.?|diagram|drawing|picture|photo|illustration|image|sketch|exploded view)(?: \w+)?)\b/i;

/** Words with nothing behind them: "to specification", "as required". */
export function vagueIn(text: string): string | undefined {
  return VAGUE.exec(text)?.[0];
}

/** Words that point at a picture: "as shown". */
export function pointsIn(text: string): string | undefined {
  return POINTS.exec(text)?.[0];
}

const MORE = ['put', 'hold', 'lower', 'tap', 'tip', 'attach', 'slide', 'screw', 'insert', 'flip', 'raise'];
/** Words that are nouns at least as often. */
const NOUNS = new Set(
  'set lay oil grease seal wire pin photo test start change cut lock run top look line hand let wait back open turn shut empty close'.split(
    ' ',
  ),
);
const IMPERATIVES = [
  ...new Set([...Object.values(VERB_WORDS).flatMap((words) => words.map((word) => word.split(' ')[0] ?? '')), ...MORE]),
]
  .filter((word) => !NOUNS.has(word))
  .join('|');
const TWO = new RegExp(
  `^(?:${IMPERATIVES}|turn|open|close)\\b[^.;]*?(?:,\\s*then|,?\\s+and(?:\\s+then)?|;)\\s+(${IMPERATIVES}|turn)\\b`,
  'i',
);
/** What is done at the same time is one action; ASD-STE100 rule 5.3, recalled from memory. */
const TOGETHER = /\b(while|at the same time|as you|together)\b/i;

/** Whether a sentence tells two things to do one after the other. */
export function tellsTwo(sentence: string): boolean {
  return TWO.test(sentence) && !TOGETHER.test(sentence);
}

/** "torque to 45", "tighten to 218 pounds": a number that nothing makes a torque. */
const BARE =
  /\b(?:torque[ds]?|tighten(?:ed)?|pull(?:ed)? (?:up|down))\b[^.;]{0,40}?\b(?:to|at|with|by)\s+(?:about\s+|a\s+)?(\d+(?:[.,]\d+)?)\s*(?!\d)(?![.,]\d)([^\s.;,]*)(?:\s|$|[.;,])/i;
const TORQUE_UNIT =
  /^(n[·.⋅*-]?c?m|newton|lbf?s?[·.⋅-]?(ft|in|f)|ft[·.⋅-]?lbf?|in[·.⋅-]?lbf?|foot|inch|kgf?[·.⋅-]?c?m|m?kg)/i;
/** "by 60 degrees", "to a quarter turn", "in 3 passes" say another thing than a torque. */
const NO_TORQUE = /^(°|deg|turns?|flats?|pass|round|times|mm|min|threads?|bolts?|nuts?|screws?|hand)/i;

export function bareTorqueIn(text: string): { figure: string; word: string } | undefined {
  const [, figure, word = ''] = BARE.exec(text) ?? [];
  if (!figure || TORQUE_UNIT.test(word) || NO_TORQUE.test(word)) return undefined;
  return { figure, word };
}

/** A heavy part is lifted with a thought for it. */
export function saysLift(text: string): boolean {
  return /\b(lift\w*|hoist\w*|crane|sling\w*|support\w*|heavy|two (people|persons)|second person|helper|trolley|jack|block(?:s|ed)? (?:under|up)|cradle|weight)\b/i.test(
    text,
  );
}

/** Isolation that somebody else, or the machine itself, undoes. */
export function isWeakIsolation(text: string): boolean {
  return (
    /\b(controller|control (?:panel|box|unit|switch)|stop (?:button|key)|e-?stop|emergency stop|remote|timer|soft(?:ware)? stop|display|set ?point|standby|off mode|program)\b/i.test(
      text,
    ) && !/\b(master|main|isolator|breaker|battery|disconnect|lock|supply|mains)\b/i.test(text)
  );
}

/** Tools that turn a thread and have a size across flats. */
export function turnsBySize(name: string): boolean {
  return (
    /\b(hex key|allen key|hexagon key|socket|spanner|wrench|ring spanner|nut driver|box end|open[- ]end\w*|combination)\b/i.test(
      name,
    ) && !/\b(torque|strap|chain|pipe|filter|gland|pin|hook|c-)/i.test(name)
  );
}

/** Tools that turn a thread at all, by flats, pins or friction. */
export function turnsThread(name: string): boolean {
  return turnsBySize(name) || /\b(strap|chain|pipe|pin|hook|c-|face|gland) (wrench|spanner)\b/i.test(name);
}

export function isLiftingTool(name: string): boolean {
  return /\b(hoist|crane|slings?|chain block|eye ?bolts?|shackles?|lifting \w+)\b/i.test(name);
}

export function isTorqueTool(name: string): boolean {
  return /\btorque[- ]?(wrench|screwdriver|driver|handle|multiplier|meter|key)\b/i.test(name);
}

export function isPowerTool(name: string): boolean {
  return /\b(impact|air (?:ratchet|wrench|tool|gun|driver)|pneumatic|power|cordless|electric (?:driver|wrench|screwdriver|drill)|drill driver|rattle gun|nut runner)\b/i.test(
    name,
  );
}

/** Tools that lever one side of a part. */
export function levers(name: string): boolean {
  return /\b(pry bar|crow ?bar|screwdriver|chisel)\b/i.test(name);
}

/** How a look may be said to have nothing behind it: "good condition". */
export function isEmptyVerdict(text: string): boolean {
  return /^(ok|okay|good|fine|sound|in (?:good|order)|good condition|in good condition|no (?:faults?|damage|problems?)|acceptable|as new|normal)\.?$/i.test(
    text.trim(),
  );
}

/** Names something to lubricate or seal with. */
export function saysLubricant(text: string): boolean {
  return /\b(grease[ds]?|oil(?:ed|s)?|lubricat\w+|lubricant|vaseline|petroleum jelly|silicone|glycerine|soapy|soap|sealant|paste|compound|locker|tape|wet)\b/i.test(
    text,
  );
}
