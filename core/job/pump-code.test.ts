import { pumpAddress, serialIn } from './pump-code';

test.each(['50-0412', 'A/17 b', 'Nr. 9 & 10', 'ÄÖ-1'])(
  'the label of pump %s leads to it, whatever server it names',
  (serial) => {
    expect(serialIn(pumpAddress('http://bench.local:4270', serial))).toBe(serial);
  },
);

test("a maker's plate with the bare number is taken", () => {
  expect(serialIn(' 50-0412 ')).toBe('50-0412');
});

test.each([
  ['another address', 'https://example.com/manual'],
  ['a page that is no pump', 'http://bench.local/jobs/12'],
  ['a broken address', 'http://bench.local/pumps/%E0%A4%A'],
  ['a network', 'WIFI:S:shop;T:WPA;P:secret;;'],
  ['nothing', '  '],
  ['a whole text', 'x'.repeat(61)],
])('%s is no serial number', (_what, code) => {
  expect(serialIn(code)).toBeUndefined();
});
