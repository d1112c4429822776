import { pressedIn, pullsOut, pushesIn } from './seating-words';

test('what goes in with force is told by its name', () => {
  expect(['oil seal', 'needle bearing', 'bronze bush', 'valve seat'].map(pressedIn)).toEqual([true, true, true, true]);
  expect(['seal cover', 'bearing cap', 'seat O-ring'].map(pressedIn)).toEqual([false, false, false]);
});

test('tools that only take out stay behind, those that push in are taken, keys are neither', () => {
  expect(['seal puller', 'plastic pick', 'pry bar', 'side cutters'].map(pullsOut)).toEqual([true, true, true, true]);
  expect(['seal driver', 'ring pusher', 'press'].map(pushesIn)).toEqual([true, true, true]);
  for (const key of ['socket', 'hex key', 'screwdriver', 'impact driver', 'chain hoist'])
    expect([pullsOut(key), pushesIn(key)]).toEqual([false, false]);
});
