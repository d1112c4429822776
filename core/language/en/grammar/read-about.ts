import type { OpenAct, Reading } from './acts/reading';
import { measureAt } from './names/figures';
import { isJoint } from './names/name-ends';
import type { Sentence } from './names/sentence';
import { trailing } from './told-along/trailing';
import * as lexicon from './words/lexicon';
import { isPlural } from './words/words';

/* What is done to no part: to a supply, a valve, the oil. */

/** What is opened is what is closed again, whatever was done between. */
const FLOWS: readonly OpenAct['verb'][] = ['open-valve', 'close-valve', 'release-pressure', 'drain'];

/** "Isolate the motor and lock it off": what the action before was done to. */
export function pronounText(reading: Reading, act: OpenAct, isOne = false): string {
  const isOfFlow =
    FLOWS.includes(act.verb) && reading.acts.some((other) => other !== act && FLOWS.includes(other.verb));
  const before = reading.acts.findLast(
    (other) =>
      other !== act &&
      (other.about !== undefined || other.parts.length > 0) &&
      (!isOfFlow || FLOWS.includes(other.verb)),
  );
  // Valves were shut: "it" is none of them.
  const [head = ''] = (before?.about ?? '').toLowerCase().split(/ (?:on|of|at|in|to|from) /);
  if (isOne && before?.verb === 'close-valve' && isPlural(head.split(' ').at(-1) ?? '')) return 'it';
  // "Use the nut tool, turn it to the left".
  const [tool] = act.tools;
  if (isOne && act.verb === 'turn' && before === undefined && tool) {
    const isElse = reading.inLine.length + reading.before.parts.length > 0 || act.how.some((how) => /^on /.test(how));
    return isElse ? 'it' : `the ${tool.name}`;
  }
  // "Spin it" is none of the four nuts of the step before.
  if (isOne && before === undefined && reading.meantByIt(0) === undefined) return 'it';
  const about =
    before?.about ??
    reading
      .meant()
      .map(({ name }) => `the ${name}`)
      .join(' and ');
  return about === '' ? 'it' : about;
}

/** Verbs that act on no part keep what is said of them: "the gear oil", "for leaks". */
export function readAbout(reading: Reading, sentence: Sentence, start: number, act: OpenAct): void {
  let end = start;
  // "Rotate slightly to engage the splines": what was named before.
  if (
    /..ly$/.test(sentence.lows[start] ?? '') &&
    lexicon.isManner(sentence.lows[start] ?? '') &&
    isJoint(sentence.words[start + 1])
  ) {
    const about = pronounText(reading, act);
    if (about !== 'it') act.about = about;
    trailing(reading, sentence, start, act);
    return;
  }
  while (
    end < sentence.words.length &&
    !ABOUT_ENDS.test(sentence.lows.slice(end, end + 3).join(' ')) &&
    // "Bleed the air: run it slowly" goes on with how; "test the pump: run it" with what.
    !(sentence.lows[end] === ':' && act.verb !== 'test') &&
    !measured(sentence, end)
  ) {
    if (end > start && (endsAbout(end) || isWayOut(end))) break;
    if (end > start && lexicon.MANNER_PHRASE.test(sentence.lows.slice(end, end + 5).join(' '))) break;
    end += 1;
  }
  const said = withoutWay(act.verb, sentence.text(start, end).replace(/^of\s+/i, ''));
  // "Turn ten times by hand": the pump.
  // "Vent before we switch on": when, and not of what.
  if (WHEN.test(said)) {
    act.how.push(said);
    trailing(reading, sentence, end, act);
    return;
  }
  const isHowOften = act.verb === 'turn' && HOW_OFTEN.test(said);
  if (isHowOften) act.how.push(said);
  const about = isHowOften ? 'the pump' : said;
  // "Release the pressure at the drain valve" says where, and not of what.
  if (WHERE_NOT_WHAT.includes(act.verb) && /^(?:at|on|in|from|through|via|by|using|inside)\b/i.test(about))
    act.how.push(about);
  else if (about) act.about = about;
  trailing(reading, sentence, isWayOut(end) ? end + 1 : end, act);

  /** "Tag the pump out before work begins". */
  function isWayOut(at: number): boolean {
    return /^(?:lock-out|isolate)$/.test(act.verb) && /^(?:out|off)$/.test(sentence.lows[at] ?? '');
  }

  /** "The valve slowly", "the suction valve first"; but "the last step". */
  function endsAbout(at: number): boolean {
    const low = sentence.lows[at] ?? '';
    return (
      lexicon.isManner(low) &&
      (/..ly$/.test(low) ||
        (/^(?:first|again|last|once|twice|(?:counter-?|anti-?)?clockwise)$/.test(low) &&
          isJoint(sentence.words[at + 1])))
    );
  }

  function measured(inside: Sentence, at: number): boolean {
    return /^(?:s|min|h)$/.test(measureAt(inside, at)?.unit ?? '');
  }
}

/** "Lock the motor out", "switch the drive off". */
function withoutWay(verb: OpenAct['verb'], about: string): string {
  if (verb === 'lock-out') return about.replace(/\s+out$/i, '');
  return verb === 'isolate' ? about.replace(/\s+off$/i, '') : about;
}

const WHEN = /^(?:before|after|while|until|till|once|as soon as|because|so that)\b/i;
const HOW_OFTEN = /^(?:\w+|a few|a couple of) (?:full |complete )?(?:times|turns|revolutions|rounds)$/i;

const WHERE_NOT_WHAT: readonly OpenAct['verb'][] = [
  'release-pressure',
  'isolate',
  'lock-out',
  'drain',
  'restore',
  'turn',
];

const ABOUT_ENDS =
  /^(?:with|using|into|up to|until|till|while|when|once|as soon as|by \w+ing|before (?:you|we|i|the|it|they|switching|start|use|work|assembly|starting|\w+ing)|prior to|so|because|,|and (?:keep|note|save|make sure)\b|to (?:bring|the|a|make sure|check|see|let|release|relieve|avoid|prevent|keep)\b|through (?:one|two|three|a|several|\d)|a quarter of|half an hour|for (?:\d|half|a quarter|an hour|\w+ (?:min|hour|sec)\w*)|a (?:little|bit|few))\b|^(?:around|round)$|^,/;
