import { parseLine } from '../../../line/parse-line';
import { typed } from '../../../testing/workbook';

/* What follows from a look: a sign upon which something is renewed, a limit, or a question. */

const { series } = typed(['take off rotor', 'take off 2 neck rings', 'take off seal', 'take off valve seat']);
const read = (line: string) => {
  const { steps, faults, doubts } = parseLine(line, series);
  expect([line, faults]).toEqual([line, []]);
  return {
    steps: steps.map(({ verb, parts, looks, renewIf, detail }) =>
      [
        `${verb} ${parts.map(({ name }) => name).join(', ')}`.trim(),
        ...looks.map((sign) => `for ${sign}`),
        ...renewIf.map((sign) => `renew if ${sign}`),
        detail,
      ]
        .filter(Boolean)
        .join('; '),
    ),
    asked: doubts.map(({ kind }) => kind),
  };
};

test.each<[string, readonly string[]]>([
  ['inspect the seal for wear and renew it where necessary', ['inspect seal; renew if wear']],
  ['check the seal for cuts; replace as needed', ['inspect seal; renew if cuts']],
  ['inspect the seal and replace if necessary', ['inspect seal; renew if necessary']],
  [
    'look at the neck rings: if there is a groove you can feel, they are done for',
    ['inspect neck ring; renew if there is a groove you can feel'],
  ],
  ['examine the valve seat for pitting; replace the seat if any is found', ['inspect valve seat; renew if pitting']],
  ['run your finger over the neck rings and feel for ridges', ['inspect neck ring', 'inspect neck ring; for ridges']],
  ['measure the rotor width, anything under 20 mm and it is scrap', ['measure rotor; width, minimum 20 mm']],
  [
    'measure the neck rings. Replace them if the clearance is more than 0.15 mm',
    ['measure neck ring; clearance, maximum 0.15 mm'],
  ],
  [
    'measure the diameter of the rotor; if the gap is more than 0.8 mm replace it',
    ['measure rotor; the diameter', 'inspect rotor; renew if the gap is more than 0.8 mm'],
  ],
  ['measure the rotor. Replace the seal if it is below 5 mm', ['measure rotor', 'inspect seal; renew if below 5 mm']],
  ['measure the rotor, more than 0.4 inches and the rotor is renewed', ['measure rotor; maximum 0.4 inches']],
  [
    'inspect the seal and the rotor for cuts and renew the rotor if necessary',
    ['inspect seal, rotor; for cuts', 'inspect rotor; renew if cuts'],
  ],
  ['is the seal cracked? Then renew it', ['inspect seal; renew if cracked']],
  ['check whether the seal is cracked and renew it', ['inspect seal; renew if cracked']],
  ['inspect the seal for cuts, if so, replace it', ['inspect seal; renew if cuts']],
  ['check the seal for cuts; if they are, bin it', ['inspect seal; renew if cuts']],
  ['measure the rotor width, renew below 39 mm', ['measure rotor; width, minimum 39 mm']],
  ['check whether the rotor is straight', ['inspect rotor; is straight']],
  ['check that the rotor turns freely', ['inspect rotor; turns freely']],
  ['look behind the rotor for wear', ['inspect rotor; for wear; behind']],
  ['replace the seal', ['renew seal']],
])('%s', (line, steps) => {
  expect(read(line)).toEqual({ steps, asked: [] });
});

test.each([
  'check the rotor for wear: is the chrome worn through, renew it',
  'check the neck rings, worn, renew them',
  'look at the seal, if it catches the seal is junk',
  'check the rotor for cracks, cracked ones get scrapped',
  'measure the rotor, more than 0.4 and the rotor is renewed',
  "inspect the seal for wear and replace it if necessary, don't scratch the bore",
  'inspect the seal for wear and replace it if necessary with the pick',
])('asked, for what is renewed may be sound: %s', (line) => {
  expect(read(line).asked).not.toEqual([]);
});
