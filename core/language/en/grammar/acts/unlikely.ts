import type { ComponentKind } from '../../../../model/kinds';
import type { Verb } from '../../../../model/verbs';
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
export function unlikelyIn(acts: readonly OpenAct[]): Doubt | undefined {
  for (const { verb, parts } of acts) {
    const unlikely = parts.filter(({ name, quoted }) => !quoted && UNLIKELY[verb]?.includes(kindFromName(name)));
    const [first] = unlikely;
    if (!first || unlikely.length < parts.length) continue;
    return { kind: 'unlikely', from: first.from, to: first.to, text: first.name, offers: [`"${first.name}"`] };
  }
  return undefined;
}
