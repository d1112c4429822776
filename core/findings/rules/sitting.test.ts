import type { Faces } from '../../model/faces';
import type { Workbook } from '../../model/procedure';
import { readDirection } from '../../reading/en/direction-words';
import { at, branching, found, mended } from '../../testing/findings';
import { typed, withComponent, withStep } from '../../testing/workbook';

const LIP: Faces = { end: 'lip', toward: { is: 'pressure' } };

describe('faces-unsaid', () => {
  test('a part that goes either way needs no word', () => {
    expect(found(typed(['take off spacer', 'fit spacer']), 'faces-unsaid')).toEqual([]);
  });
  test('what was noted on the way down is asked for on the way up, and the fix brings it over', () => {
    const workbook = withStep(typed(['take off cup washer', 'fit cup washer']), 0, { faces: LIP });
    expect(found(workbook, 'faces-unsaid')).toHaveLength(1);
    expect(mended(workbook, 'faces-unsaid').procedure.steps[1]?.faces).toEqual(LIP);
  });
  test('how it lies on the bench is nothing that the way up has to say', () => {
    const lines = ['take off cover', 'lay the cover on the bench, face down', 'fit cover'];
    expect(found(typed(lines), 'faces-unsaid')).toEqual([]);
  });
  test('a part known to go in one way only is asked for even when nobody knows which', () => {
    const workbook = withComponent(typed(['take off seal', 'fit seal']), 'seal', { keyed: true });
    expect(found(workbook, 'faces-unsaid')).toMatchObject([{ facts: { what: 'end', expected: null } }]);
    expect(() => mended(workbook, 'faces-unsaid')).toThrow();
  });
});

describe('faces-wrong', () => {
  const fitted = (faces: Faces) =>
    withStep(withComponent(typed(['take off seal', 'fit seal']), 'seal', { faces: LIP }), 1, { faces });
  test('articles and case are no difference', () => {
    expect(found(fitted({ end: 'The lip', toward: { is: 'pressure' } }), 'faces-wrong')).toEqual([]);
  });
  test('another direction, or another end, is', () => {
    expect(found(fitted({ end: 'lip', toward: { is: 'drive', said: 'the crankcase' } }), 'faces-wrong')).toHaveLength(
      1,
    );
    expect(found(fitted({ end: 'flat side', toward: { is: 'pressure' } }), 'faces-wrong')).toHaveLength(1);
  });
  test('a step for two parts at once is not judged: nobody can say which part its face means', () => {
    const both = withStep(withComponent(typed(['fit seal and ring']), 'seal', { faces: LIP }), 0, {
      faces: { end: 'groove', toward: { is: 'drive', said: 'the crankcase' } },
    });
    expect(found(both, 'faces-wrong')).toEqual([]);
  });
});

describe('faces-clash', () => {
  const seat = (lies: 'face-up' | 'face-down', bench: string) =>
    withStep(
      withStep(
        withComponent(typed(['take off manifold', 'take off seal', 'fit seal']), 'seal', (id) => ({
          hostId: id('manifold'),
          faces: { end: 'groove', toward: { is: 'bottom', said: 'into the bore' } },
        })),
        0,
        (_step, id) => ({ pose: { componentId: id('manifold'), lies } }),
      ),
      2,
      { faces: { end: 'groove', toward: readDirection(bench, { components: [] }) } },
    );
  test.each([
    ['face-up', 'down on the bench', 0],
    ['face-up', 'up on the bench', 1],
    ['face-down', 'up on the bench', 0],
    ['face-down', 'down on the bench', 1],
    ['face-down', 'toward the plunger', 0],
  ] as const)('manifold %s, groove %s', (lies, bench, times) => {
    expect(found(seat(lies, bench), 'faces-clash')).toHaveLength(times);
  });
});

describe('unrecorded', () => {
  const keyed = (lines: string[]) => withComponent(typed(lines), 'seal', { keyed: true });
  test.each([
    ['a photo', { photo: { mustShow: 'how it sits' } }],
    ['a note', { faces: LIP }],
  ])('%s at the moment it comes off is a record', (_what, fields) => {
    expect(found(withStep(keyed(['take off seal']), 0, fields), 'unrecorded')).toEqual([]);
  });
  test('so is a photo of it before, and what the series says', () => {
    expect(found(keyed(['mark seal ?how it sits', 'take off seal']), 'unrecorded')).toEqual([]);
    expect(found(withComponent(keyed(['take off seal']), 'seal', { faces: LIP }), 'unrecorded')).toEqual([]);
  });
  test('the fix asks for the photo where it is still possible', () => {
    const after = mended(keyed(['take off seal']), 'unrecorded');
    expect(after.procedure.steps[0]?.photo).toEqual({});
  });
});

describe('matching', () => {
  const matched = (lines: string[]) => withComponent(typed(lines), 'rotor', { matched: true });
  test('marked before, it is known after', () => {
    expect(found(matched(['mark rotor @each shaft', 'draw rotor @each shaft']), 'unmarked')).toEqual([]);
    expect(found(matched(['draw rotor @each shaft', 'mark rotor @each shaft']), 'unmarked')).toHaveLength(1);
  });
  test('a mark on one shaft does not mark the other', () => {
    expect(found(matched(['mark rotor @shaft 1', 'draw rotor @each shaft']), 'unmarked')).toHaveLength(1);
  });
  test('a single part is matched to nothing it could be mistaken for', () => {
    expect(found(withComponent(typed(['draw impeller']), 'impeller', { matched: true }), 'unmarked')).toEqual([]);
  });
  test('fitted at its own shaft nothing is swapped, however it is said', () => {
    const home = withStep(matched(['draw rotor @each shaft', 'fit rotor @shaft 1']), 1, { fromPositionId: 's1' });
    expect(found(home, 'swapped')).toEqual([]);
    expect(found(matched(['draw rotor @each shaft', 'fit rotor @shaft 2']), 'swapped')).toEqual([]);
  });
  test('parts that are not matched may change places', () => {
    const free = withStep(typed(['draw sleeve @each shaft', 'fit sleeve @shaft 2']), 1, { fromPositionId: 's1' });
    expect(found(free, 'swapped')).toEqual([]);
  });
  test('the fix brings it home', () => {
    const crossed = withStep(matched(['draw rotor @each shaft', 'fit rotor @shaft 2']), 1, { fromPositionId: 's1' });
    const { steps } = mended(crossed, 'swapped').procedure;
    expect(steps[1]).toMatchObject({ positionIds: ['s1'] });
    expect(steps[1]).not.toHaveProperty('fromPositionId');
  });
});

const keyedSeal = (workbook: Workbook) => withComponent(workbook, 'seal', { keyed: true });

describe('evidence', () => {
  test('a part that nothing covers can be looked at any time', () => {
    const open = withStep(typed(['take off cover', 'take off seal', 'fit cover', 'fit seal']), 3, { faces: LIP });
    expect(found(open, 'no-last-look')).toEqual([]);
  });
  test('a photo between the fitting and the covering is enough', () => {
    const lines = ['take off cover', 'take off seal', 'fit seal', 'inspect seal ?lip up', 'fit cover'];
    expect(found(keyedSeal(withStep(typed(lines), 2, { faces: LIP })), 'no-last-look')).toEqual([]);
    const late = ['take off cover', 'take off seal', 'fit seal', 'fit cover', 'inspect cover ?all shut'];
    expect(found(keyedSeal(withStep(typed(late), 2, { faces: LIP })), 'no-last-look')).toHaveLength(1);
  });
  test('the other shaft covers nothing', () => {
    const lines = ['draw rotor @shaft 1', 'draw seal @shaft 2', 'fit seal @shaft 2', 'fit rotor @shaft 1'];
    expect(found(keyedSeal(withStep(typed(lines), 2, { faces: LIP })), 'no-last-look')).toEqual([]);
  });
  test('as found: one photo before anything is cleaned or renewed is enough', () => {
    expect(found(typed(['take off gasket ?as found', 'renew gasket']), 'no-as-found')).toEqual([]);
    expect(found(typed(['take off gasket', 'renew gasket', 'fit gasket ?new']), 'no-as-found')).toHaveLength(1);
    expect(found(typed(['take off gasket', 'fit gasket']), 'no-as-found')).toEqual([]);
  });
});

describe('paths', () => {
  test('answers that come to the same end agree', () => {
    const workbook = branching(['take off ball', 'draw seat', 'fit seat', 'fit ball'], [1, 2]);
    expect(found(workbook, 'paths-disagree')).toEqual([]);
    expect(found(workbook, 'dead-path')).toEqual([]);
  });
  test('methods that do the same by other tools agree', () => {
    const workbook = withStep(typed(['pry manifold', 'fit manifold']), 0, {
      methods: [{ id: 'm', name: 'a mallet', verb: 'separate', toolIds: [], cautions: [] }],
    });
    expect(found(workbook, 'paths-disagree')).toEqual([]);
  });
  test('a question nobody’s step depends on is asked for nothing', () => {
    const workbook = branching(['mark ball', 'draw seat'], []);
    expect(at(workbook, 'dead-path')).toEqual([1]);
  });
  test('a step that stands before its question is never reached; the fix does it always', () => {
    const workbook = withStep(typed(['draw seat', 'inspect ball']), 0, (_step) => ({
      when: [{ stepId: 'later', answerIds: ['no'] }],
    }));
    expect(found(workbook, 'dead-path')).toHaveLength(1);
    expect(mended(workbook, 'dead-path').procedure.steps[0]).not.toHaveProperty('when');
  });
});
