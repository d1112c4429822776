import { WORN } from '../words/verdict-words';
import { areOf, isRenewal } from './conditions';
import { compares, limitOf } from './limits';
import { blankAct, type OpenAct, type Reading } from './reading';

/*
 * What follows from a look. "Inspect the ball for cuts and replace it if necessary" renews nothing by itself, and
 * "measure the gap, more than 0.4 mm and the ring is renewed" gives a limit.
 */

/** Reads a renewal behind a look as what follows from it; true where it has to be asked upon what it follows. */
export function asVerdict(reading: Reading): boolean {
  const [look, renewal] = reading.acts.slice(-2);
  if (!look || !renewal || !LOOKS.includes(look.verb) || !isRenewal(renewal)) return false;
  const said = look.looks.at(-1) ?? look.how.at(-1) ?? '';
  const passed = look.verb === 'measure' ? limitOf(said, look) : undefined;
  if (passed) {
    // "The gap between rotor and ring, more than 0.4 mm and the ring is renewed": measured of the ring.
    const isOfRenewed = look.parts.length === 0;
    if (!(isOfRenewed || areOf(renewal.parts, look)) || saysMore(renewal)) return true;
    if (isOfRenewed) {
      look.parts.push(...renewal.parts);
      if (look.about !== undefined) look.how.unshift(look.about);
      delete look.about;
    }
    reading.verbs.push(...said.toLowerCase().split(' '));
    look.how[look.how.length - 1] = passed;
    drop(reading, renewal);
    return false;
  }
  if (!areOf(renewal.parts, look)) return false;
  // "Is the sleeve scored? Then swap it", "check whether it is worn and renew it".
  if (reading.asked.has(look)) {
    if (look.looks.length === 0 || saysMore(renewal) || !areOf(look.parts, renewal)) return true;
    drop(reading, renewal);
    look.renewIf.push(...look.looks.splice(0));
    return false;
  }
  const needed = renewal.how.find((how) => IF_NEEDED.test(how));
  if (needed !== undefined) {
    if (needed !== IF_NEEDED.exec(needed)?.[0] || saysMore(renewal)) return true;
    drop(reading, renewal);
    const isAll = areOf(look.parts, renewal);
    if (look.looks.length === 0 && isAll) look.how.push(`renew ${needed}`);
    else if (isAll) look.renewIf.push(...look.looks.splice(0));
    // "Inspect seal and ring for cuts and replace the ring if necessary".
    else if (look.looks.length > 0)
      reading.acts.push({ ...blankAct('inspect'), parts: renewal.parts, renewIf: [...look.looks] });
    else return true;
    return false;
  }
  return ASKS.test(said) || compares(said) || (look.looks.length === 0 && IS_WORN.test(said));
}

/** More than that it is renewed, which would be lost with it. */
function saysMore({ how, cautions, why, tools, applied, figure, minutes }: OpenAct): boolean {
  const said = [
    ...how.filter((one) => one !== 'new' && !IF_NEEDED.test(one)),
    ...cautions,
    ...why,
    ...tools,
    ...applied,
  ];
  return said.length > 0 || figure !== undefined || minutes !== undefined;
}

function drop(reading: Reading, act: OpenAct): void {
  reading.acts.pop();
  reading.verbs.push(...act.how, 'renewed', 'replaced');
}

const LOOKS: readonly OpenAct['verb'][] = ['inspect', 'measure'];
const IF_NEEDED = /^(?:if|where|when|as|whenever|wherever) (?:necessary|needed|required|appropriate|need be)\b/i;
/** "Is the chrome worn through": a question, as some languages say "if". */
const ASKS = /(?:^|[:,;] ?)(?:is|are|has|have|does|do|should) (?:it|they|the|its|any|there|one)\b/i;
/** How it was found. */
const IS_WORN = new RegExp(`^(?:${WORN}|hard|stepped|loose|rough)(?: (?:or|and) \\w+)?$`, 'i');
