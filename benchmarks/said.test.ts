import { judgeLine, readCorpus } from './said/corpus';

const corpus = readCorpus();
const near = corpus.filter(({ apart }) => !apart);
const apart = corpus.filter((line) => line.apart);

test('there are lines enough, over ten families', () => {
  expect(new Set(corpus.map(({ family }) => family)).size).toBeGreaterThanOrEqual(10);
  expect(corpus.length).toBeGreaterThanOrEqual(400);
  expect(apart.length).toBeGreaterThanOrEqual(50);
});

test('a line is understood, or it asks', () => {
  const wrong = near.flatMap((one) => {
    const outcome = judgeLine(one);
    return outcome.is === 'wrong' ? [`${one.line}: ${outcome.how.join(', ')}`] : [];
  });
  expect(wrong.length / near.length).toBeLessThan(0.01);
});

test('lines that nobody looked at while the grammar was written are understood nearly as often', () => {
  const outcomes = apart.map(judgeLine);
  const right = outcomes.filter((one) => one.is === 'whole' || (one.is === 'asked' && one.rightly));
  expect(right.length / apart.length).toBeGreaterThan(0.75);
});
