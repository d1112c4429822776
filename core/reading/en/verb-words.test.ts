import type { Verb } from '../../model/verbs';
import { readVerb, VERB_WORDS } from './verb-words';

/** As trainers say it. Common practice. */
const SAID: readonly [string, Verb][] = [
  ['relieve the pressure through the drain cock', 'release-pressure'],
  ['undo the head bolts', 'take-off'],
  ['slacken the gland nut', 'loosen'],
  ['withdraw the rotor', 'draw'],
  ['knock out the bearing', 'draw'],
  ['extract the mechanical seal', 'draw'],
  ['flush the head with water', 'clean'],
  ['hand-tighten the cover nuts', 'start-by-hand'],
  ['screw on the lobe nut', 'start-by-hand'],
  ['tap in the dowel', 'press'],
  ['slip on the spacer', 'fit'],
  ['open the suction valve', 'open-valve'],
  ['open the air', 'open-valve'],
  ['open the case', 'split'],
  ['check the vanes for wear', 'inspect'],
  ['check for leaks', 'test'],
  ['disconnect the power', 'isolate'],
  ['disconnect the hose', 'disconnect'],
  ['reconnect the power', 'restore'],
  ['reconnect the hose', 'connect'],
  ['release the springs', 'ease'],
];

test.each(SAID)('"%s" is %s', (said, verb) => {
  expect(readVerb(said)?.verb).toBe(verb);
});

test('no words are said for two verbs', () => {
  const all = Object.values(VERB_WORDS).flat();
  expect(all.filter((words, i) => all.indexOf(words) !== i)).toEqual([]);
});

test.each([
  ['start the pump and look for drips', 'test'],
  ['run the pump for ten minutes', 'test'],
  ['start cover bolts', 'start-by-hand'],
  ['run on cover nuts', 'start-by-hand'],
  ['open the bleed valve slowly', 'release-pressure'],
  ['open the drain cock', 'drain'],
  ['open the suction valve fully', 'open-valve'],
  ['open valve cage', 'open-valve'],
])('%s is %s', (line, verb) => {
  expect(readVerb(line)?.verb).toBe(verb);
});

test('a known part is taken apart, though its name begins like a valve that is opened', () => {
  expect(readVerb('open valve cage', (words) => words === 'valve cage')).toMatchObject({
    verb: 'split',
    rest: 'valve cage',
  });
});
