import { dragged, moveMark, removeMark, startMark } from './marks';

const at = (x: number, y: number) => ({ x, y });

test('a ring drawn up and to the left is the same box', () => {
  const begun = startMark('ring', 'r', 'persimmon', at(0.6, 0.5), [], 'here');
  expect(dragged(begun, at(0.2, 0.1), true)).toMatchObject({ x: 0.2, y: 0.1, width: expect.closeTo(0.4), height: 0.4 });
});

test('a slip of the hand is no mark', () => {
  const arrow = startMark('arrow', 'a', 'indigo', at(0.5, 0.5), [], 'here');
  expect(dragged(arrow, at(0.503, 0.5), true)).toBeUndefined();
  expect(dragged(arrow, at(0.7, 0.5), true)).toMatchObject({ fromX: 0.5, toX: 0.7 });
  const blur = startMark('blur', 'b', 'white', at(0.1, 0.1), [], 'here');
  expect(dragged(blur, at(0.5, 0.102), true)).toBeUndefined();
});

test('numbers count on from the highest', () => {
  const one = startMark('number', '1', 'moss', at(0, 0), [], 'here');
  const five = { ...one, id: '5', number: 5 } as typeof one;
  expect(startMark('number', '6', 'moss', at(0, 0), [five, one], 'here')).toMatchObject({ number: 6 });
});

test('a mark is moved whole, and only that one', () => {
  const arrow = { ...startMark('arrow', 'a', 'indigo', at(0.1, 0.1), [], 'x'), toX: 0.3, toY: 0.2 } as ReturnType<
    typeof startMark
  >;
  const text = startMark('text', 't', 'white', at(0.5, 0.5), [], 'here');
  const [moved, other] = moveMark([arrow, text], 'a', 0.1, -0.05);
  expect(moved).toMatchObject({
    fromX: expect.closeTo(0.2),
    fromY: expect.closeTo(0.05),
    toX: expect.closeTo(0.4),
    toY: expect.closeTo(0.15),
  });
  expect(other).toBe(text);
  expect(removeMark([arrow, text], 'a')).toEqual([text]);
});
