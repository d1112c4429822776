import { replay } from '../bench/replay';
import { branching, found, SAFE } from '../testing/findings';
import { typed, withComponent, withStep } from '../testing/workbook';

import { acceptanceOf, acceptFinding, check, RULES, releaseStops } from './check';
import { FAMILIES } from './finding';

test('every rule has an id of its own and a family', () => {
  expect(new Set(RULES.map((rule) => rule.id)).size).toBe(RULES.length);
  for (const rule of RULES) expect(FAMILIES).toContain(rule.family);
});

test('checking with a timeline at hand says the same as checking from the start', () => {
  const workbook = branching(['mark ball', 'draw seat', 'take off cover', 'fit cover'], [1]);
  expect(check(workbook, replay(workbook))).toEqual(check(workbook));
});

test('only what is certain stops a release', () => {
  const workbook = typed([...SAFE, 'take off 4 bolts', 'start by hand bolts']);
  expect(check(workbook).map((finding) => finding.id)).toContain('loose-at-end');
  expect(releaseStops(workbook)).toEqual([]);
});

describe('what stands', () => {
  const workbook = typed(['isolate the drive', 'draw rotor @each shaft', 'draw seal @each shaft']);
  const matched = ['rotor', 'seal'].reduce((w, name) => withComponent(w, name, { matched: true }), workbook);
  const [rotor, seal] = found(matched, 'unmarked');

  test('is one finding about one step and its parts, not the next one like it', () => {
    const stands = acceptFinding(matched, rotor!, 'Numbered by the maker');
    expect(found(stands, 'unmarked').map((finding) => finding.accepted)).toEqual([undefined, 'Numbered by the maker']);
    expect(acceptanceOf(stands, seal!)).toBeUndefined();
  });
  test('can be given another reason, and both can stand', () => {
    const first = acceptFinding(matched, rotor!, 'Numbered by the maker');
    const again = acceptFinding(first, found(first, 'unmarked').find((f) => f.accepted)!, 'Marked with paint');
    expect(again.procedure.accepted).toHaveLength(1);
    const both = acceptFinding(again, seal!, 'One is short, one is long');
    expect(both.procedure.accepted?.map((acceptance) => acceptance.reason)).toEqual([
      'Marked with paint',
      'One is short, one is long',
    ]);
  });
  test('falls away with what it was about', () => {
    const stands = acceptFinding(matched, rotor!, 'Numbered by the maker');
    const mended = withStep(stands, 1, { verb: 'inspect' });
    expect(check(mended).some((finding) => finding.accepted)).toBe(false);
  });
});
