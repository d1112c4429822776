import { areOf, isRenewal } from './conditions';
import { limitOf } from './limits';
import type { OpenAct, Reading } from './reading';

/*
 * What follows from a look. "Inspect the ball for cuts and replace it if necessary" renews nothing by itself, and
 * "measure the gap, more than 0.4 mm and the ring is renewed" gives a limit.
 */

/** Reads a renewal behind a look as what follows from it; true where it has to be asked upon what it follows. */
export function asVerdict(reading: Reading): boolean {
  const [look, renewal] = reading.acts.slice(-2);
  if (!look || !renewal || !LOOKS.includes(look.verb) || !isRenewal(renewal)) return false;
  const passed = look.verb === 'measure' ? limitOf(look.how.at(-1) ?? '', look) : undefined;
  if (passed) {
    // "The gap between rotor and ring, more than 0.4 mm and the ring is renewed": measured of the ring.
    if (look.parts.length === 0 && renewal.parts.length > 0) {
      look.parts.push(...renewal.parts);
      if (look.about !== undefined) look.how.unshift(look.about);
      delete look.about;
    } else if (!areOf(renewal.parts, look)) return true;
    reading.verbs.push(...(look.how.at(-1) ?? '').toLowerCase().split(' '));
    look.how[look.how.length - 1] = passed;
    drop(reading, renewal);
    return false;
  }
  if (!areOf(renewal.parts, look)) return false;
  const needed = renewal.how.find((how) => IF_NEEDED.test(how));
  if (needed !== undefined) {
    if (look.looks.length > 0) look.renewIf.push(...look.looks.splice(0));
    else look.how.push(`renew ${needed}`);
    drop(reading, renewal);
    return false;
  }
  const last = look.looks.at(-1) ?? look.how.at(-1) ?? '';
  return ASKS.test(last) || (look.looks.length === 0 && FOUND.test(last));
}

function drop(reading: Reading, act: OpenAct): void {
  reading.acts.pop();
  reading.verbs.push(...act.how, 'renewed', 'replaced');
}

const LOOKS: readonly OpenAct['verb'][] = ['inspect', 'measure'];
const IF_NEEDED = /^(?:if|where|when|as|whenever|wherever) (?:necessary|needed|required|appropriate|need be)$/i;
/** "Is the chrome worn through": a question, as some languages say "if". */
const ASKS = /(?:^|[:,;] ?)(?:is|are|has|have|does|do|should) (?:it|they|the|its|any|there|one)\b/i;
/** "Worn", "scored": how it was found. */
const FOUND =
  /^(?:worn|scored|cracked|pitted|torn|hard|bent|damaged|swollen|chipped|grooved|stepped|nicked|scratched|loose|burnt|rough)(?: (?:or|and) \w+)?$/i;
