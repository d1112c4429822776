import type { ComponentKind } from '../../../../model/kinds';
import { type Verb, verbOf } from '../../../../model/verbs';
import { kindFromName } from '../../../../reading/en/kind-words';
import type { Doubt } from '../names/said';
import type { OpenAct } from './reading';

/* What is hardly ever done to a part of such a kind: more likely the line was understood wrongly. Common practice. */

const SOFT: readonly ComponentKind[] = ['o-ring', 'lip-seal', 'packing', 'gasket'];
const LOOSE: readonly ComponentKind[] = ['key', 'spring', 'valve-ball', 'pin'];

const UNLIKELY: Readonly<Partial<Record<Verb, readonly ComponentKind[]>>> = {
  bend: [...SOFT, 'nut', 'dome-nut', 'screw', 'bearing', 'impeller', 'rotor', 'valve-ball', 'key', 'seal-face'],
  torque: ['o-ring', 'packing', 'gasket', ...LOOSE, 'seal-face', 'cup-washer'],
  compress: ['nut', 'dome-nut', 'bolt', 'screw', 'key', 'valve-ball', 'bearing'],
  split: [...SOFT, ...LOOSE, 'nut', 'dome-nut', 'bolt', 'screw', 'washer'],
  cut: ['bearing', 'impeller', 'rotor', 'shaft', 'housing', 'valve-ball', 'key'],
  pin: [...SOFT, 'valve-ball'],
  'start-by-hand': [...SOFT, ...LOOSE, 'seal-face', 'cup-washer'],
};

/** "Knock back the tab washer, and then the nut": nobody bends a nut. Asked where nothing likelier goes with it. */
export function unlikelyIn(acts: readonly OpenAct[], verbs: readonly string[]): Doubt | undefined {
  // "Unscrew the nut and slide it over the plunger": off, and put on in the same breath?
  for (const [i, act] of acts.entries()) {
    const next = acts[i + 1];
    const [part] = act.parts;
    const isBack =
      verbs.some((verb) => /^(?:re|back)/.test(verb)) || next?.how.some((how) => /\b(?:new|other|again)\b/.test(how));
    const isSame = next?.parts.length === 1 && act.parts.length === 1 && next.parts[0]?.name === part?.name;
    const isPutOn = next && verbOf(act.verb).effect === 'takes' && verbOf(next.verb).effect === 'refits';
    if (part && isSame && isPutOn && !isBack && next.into !== undefined)
      return { kind: 'unlikely', from: part.from, to: part.to, text: part.name, offers: [`"${part.name}"`] };
  }
  for (const { verb, parts, how } of acts) {
    const [thing] = parts;
    // "We've got the pump here with the motor already off": so it is, and nothing to do.
    if (thing && verbOf(verb).effect === 'takes' && how.some((said) => /\balready\b/.test(said)))
      return { kind: 'unlikely', from: thing.from, to: thing.to, text: thing.name, offers: [`"${thing.name}"`] };
    const unlikely = parts.filter(({ name, quoted }) => !quoted && UNLIKELY[verb]?.includes(kindFromName(name)));
    const [first] = unlikely;
    if (!first || unlikely.length < parts.length) continue;
    return { kind: 'unlikely', from: first.from, to: first.to, text: first.name, offers: [`"${first.name}"`] };
  }
  return undefined;
}
