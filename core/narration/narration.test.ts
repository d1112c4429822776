import { strToU8, zipSync } from 'fflate';
import { applyEdits } from '../edits/edit';
import type { Narration } from '../model/narration';
import { Procedure, type Workbook } from '../model/procedure';
import { typed } from '../testing/workbook';
import { accepting, changingNarration, clipOf, gapsIn, passageStates, readDesk } from './desk';
import { merging, proposing, repeating, rewriting, settingAside, splitting, usuallyRepeated } from './editing';
import { proposalsFrom } from './propose';
import { readPasted, readSource, SourceFault } from './source';

const texts = async (name: string, content: string | Uint8Array) =>
  (await readSource(name, content)).map(({ text }) => text);

describe('a source is read as passages, one for each sentence', () => {
  test('plain text: lists lose their numbers, lines that only wrap are one', async () => {
    expect(
      await texts(
        'old.txt',
        'Step 1: Take off the cover. Draw the seal\nwith the hook.\n\n2) Fit it.\n- Torque to 24 N·m',
      ),
    ).toEqual(['Take off the cover.', 'Draw the seal with the hook.', 'Fit it.', 'Torque to 24 N·m']);
  });
  test('Markdown: headings are known as such, marks are left out', async () => {
    expect(await readSource('old.md', '# Teardown\n\n1. Undo the **six** bolts. Lift it off.\n')).toEqual([
      { id: 'p1', text: 'Teardown', heading: true },
      { id: 'p2', text: 'Undo the six bolts.' },
      { id: 'p3', text: 'Lift it off.' },
    ]);
  });
  test('captions: a sentence over several of them has its time', async () => {
    const captions =
      'WEBVTT\n\n00:00:01.000 --> 00:00:04.000\n<v Ann>Undo the six bolts and\n\n00:00:04.000 --> 00:00:06.000\nlift it off. [noise]\n';
    expect(await readSource('said.vtt', captions)).toMatchObject([
      { text: 'Undo the six bolts and lift it off.', from: 1 },
    ]);
    expect(
      await readPasted(
        '1\n00:00:01,000 --> 00:00:04,000\nundo the bolts\n\n2\n00:00:04,000 --> 00:00:06,000\nlift it off',
      ),
    ).toEqual([
      { id: 'p1', text: 'undo the bolts', from: 1, to: 4 },
      { id: 'p2', text: 'lift it off', from: 4, to: 6 },
    ]);
  });
  test('DOCX: its paragraphs', async () => {
    const word = (name: string, body: string) =>
      `<?xml version="1.0"?><${name} xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main">${body}</${name}>`;
    const paragraph = (text: string) => `<w:p><w:r><w:t>${text}</w:t></w:r></w:p>`;
    const bytes = zipSync({
      '[Content_Types].xml': strToU8(
        '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
      ),
      '_rels/.rels': strToU8(
        '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>',
      ),
      'word/document.xml': strToU8(
        word('w:document', `<w:body>${paragraph('Take off the cover.')}${paragraph('Draw the seal.')}</w:body>`),
      ),
    });
    expect(await texts('old.docx', bytes)).toEqual(['Take off the cover.', 'Draw the seal.']);
  });
  test.each([
    ['a kind that is not read', 'old.pdf', 'text', 'kind'],
    ['nothing in it', 'old.txt', ' \n ', 'empty'],
    ['no captions in it', 'said.vtt', 'hello', 'empty'],
    ['bytes that are no text', 'old.txt', 'a\u0000b', 'broken'],
    ['a broken DOCX', 'old.docx', new Uint8Array([1, 2, 3]), 'broken'],
  ])('%s is told', async (_what, name, content, problem) => {
    await expect(readSource(name, content)).rejects.toEqual(expect.objectContaining({ problem }));
    await expect(readSource(name, content)).rejects.toBeInstanceOf(SourceFault);
  });
});

const start = typed(['take off 6 cap bolts /socket, 10 mm', 'take off pilot cap', 'draw U-cup @each shaft']);
const ids = () => {
  let n = 0;
  return () => `n${n++}`;
};

async function deskOf(said: string): Promise<{ workbook: Workbook; narration: Narration }> {
  const passages = await readPasted(said);
  const narration: Narration = { id: 'told', name: 'told.txt', passages, ...proposalsFrom(passages, start.series) };
  const procedure = { ...start.procedure, narrations: [narration] };
  return { workbook: { ...start, procedure }, narration };
}

const told = [
  'All right, welcome back everybody.',
  'Undo the six cap bolts with a 10 mm socket.',
  'The pilot cap comes off.',
  'Because of the spring it jumps a little.',
  'Put the new U-cups in, lips facing the pressure.',
  'Cap back on and torque the cap bolts to specification.',
  'Do the same on the other side.',
].join('\n');

test('chatter is set aside, a reason belongs to the step before it, the rest is proposed', async () => {
  const { workbook, narration } = await deskOf(told);
  expect(narration.asideIds).toEqual(['p1']);
  expect(narration.proposals.map(({ passageIds }) => passageIds)).toEqual([
    ['p2'],
    ['p3', 'p4'],
    ['p5'],
    ['p6'],
    ['p7'],
  ]);
  const { proposals } = readDesk(workbook, narration);
  expect(proposals.map(({ isWhole }) => isWhole)).toEqual([true, true, true, false, false]);
  expect(proposals[1]?.steps[0]?.why).toBe('Because of the spring it jumps a little');
  expect(proposals[2]?.parsed.steps[0]?.faces?.end).toBe('lips');
});

test('every passage is in a step, proposed, aside or open, and what is accepted knows where it comes from', async () => {
  const { workbook, narration } = await deskOf(told);
  const whole = readDesk(workbook, narration).proposals.filter(({ isWhole }) => isWhole);
  const { edits, added } = accepting(
    workbook,
    narration,
    whole.map(({ proposal }) => proposal.id),
    ids(),
  );
  const after = applyEdits(workbook, edits);
  expect(added).toHaveLength(3);
  expect(after.procedure.steps.slice(3).map(({ verb, source }) => [verb, source?.passageIds])).toEqual([
    ['take-off', ['p2']],
    ['take-off', ['p3', 'p4']],
    ['fit', ['p5']],
  ]);
  const left = after.procedure.narrations?.[0];
  expect([...passageStates(after, left!).values()].map(({ is }) => is)).toEqual([
    'aside',
    'in-step',
    'in-step',
    'in-step',
    'in-step',
    'proposed',
    'proposed',
  ]);
  expect(Procedure.safeParse(after.procedure).success).toBe(true);
  // A step that is deleted leaves its passage open, and it can be proposed again.
  const without = applyEdits(after, [{ kind: 'remove', stepId: after.procedure.steps[3]?.id ?? '' }]);
  expect(passageStates(without, left!).get('p2')).toEqual({ is: 'open' });
  expect(proposing(left!, 'p2', 'again').proposals[0]).toEqual({
    id: 'again',
    passageIds: ['p2'],
    line: narration.passages[1]?.text,
  });
});

test('what is accepted later stands where it was said', async () => {
  const { workbook, narration } = await deskOf(told);
  const [first = '', second = '', third = ''] = narration.proposals.map(({ id }) => id);
  const one = accepting(workbook, narration, [first, third], ids());
  const between = applyEdits(workbook, one.edits);
  const two = accepting(between, between.procedure.narrations![0]!, [second], () => 'late');
  const steps = applyEdits(between, two.edits).procedure.steps.slice(3);
  expect(steps.map(({ source }) => source?.passageIds[0])).toEqual(['p2', 'p3', 'p5']);
});

test('a figure that is missing is a gap, and a corrected line closes it', async () => {
  const { workbook, narration } = await deskOf(told);
  const torque = narration.proposals[3]!;
  expect(readDesk(workbook, narration).proposals[3]?.parsed.doubts.map(({ kind }) => kind)).toContain('figure');
  const without = rewriting(narration, torque.id, 'Fit the pilot cap and torque the cap bolts crosswise');
  const desk = readDesk(workbook, without);
  expect(desk.proposals[3]?.isWhole).toBe(true);
  expect((gapsIn(desk).get(torque.id) ?? []).map(({ id }) => id)).toContain('no-figure');
  const mended = rewriting(
    narration,
    torque.id,
    'Fit the pilot cap and torque the cap bolts to 9 N·m with torque wrench, 2-25 N·m',
  );
  expect((gapsIn(readDesk(workbook, mended)).get(torque.id) ?? []).map(({ id }) => id)).not.toContain('no-figure');
});

test('proposals are merged, split and set aside, and nothing of them is lost', async () => {
  const { narration } = await deskOf(told);
  const [first = '', , third = ''] = narration.proposals.map(({ id }) => id);
  const merged = merging(narration, first);
  expect(merged.proposals[0]).toMatchObject({ passageIds: ['p2', 'p3', 'p4'] });
  expect(merged.proposals[0]?.line).toMatch(/^Undo the six .* socket\. The pilot cap comes off\. Because/);
  const split = splitting(merged, first, start.series, 'rest');
  expect(split.proposals.slice(0, 2).map(({ line }) => line)).toEqual([
    'Undo the six cap bolts with a 10 mm socket',
    'The pilot cap comes off. Because of the spring it jumps a little.',
  ]);
  expect(splitting(narration, third, start.series, 'rest').proposals.length).toBe(narration.proposals.length);
  expect(settingAside(narration, third).asideIds).toEqual(['p1', 'p5']);
});

test('"do the same on the other side" becomes a block over the steps it repeats', async () => {
  const { workbook, narration } = await deskOf(told);
  const { edits } = accepting(
    workbook,
    narration,
    narration.proposals.slice(0, 3).map(({ id }) => id),
    ids(),
  );
  const before = applyEdits(workbook, edits);
  const [first, , last] = before.procedure.steps.slice(3);
  const set = {
    id: 'side',
    name: 'side',
    positions: [
      { id: 'left', name: 'left side' },
      { id: 'right', name: 'right side' },
    ],
  };
  const left = before.procedure.narrations![0]!;
  const repeat = { fromStepId: first!.id, toStepId: last!.id, set, mirrored: true };
  const after = applyEdits(
    before,
    repeating(before, left, left.proposals[1]!.id, repeat, () => 'block'),
  );
  expect(after.procedure.blocks).toEqual([{ id: 'block', positionIds: ['left', 'right'], mirrored: true }]);
  expect(after.procedure.steps.map(({ blockId }) => blockId)).toEqual([
    undefined,
    undefined,
    undefined,
    'block',
    'block',
    'block',
  ]);
  expect(after.series.components.find(({ name }) => name === 'pilot cap')?.positionSetId).toBe('side');
  expect(passageStates(after, after.procedure.narrations![0]!).get('p7')?.is).toBe('in-step');
});

test('a repeat leaves out what makes safe before the work and tests behind it', () => {
  const { steps } = typed(['isolate the drive', 'take off cover', 'fit cover', 'restore the drive']).procedure;
  expect(usuallyRepeated(steps).map(({ verb }) => verb)).toEqual(['take-off', 'fit']);
  expect(usuallyRepeated(steps.slice(0, 1))).toHaveLength(1);
});

test('with a video a step has the stretch in which it is said', async () => {
  const { workbook, narration } = await deskOf(told);
  const video = 'a'.repeat(64);
  const passages = narration.passages.map((passage, i) => ({ ...passage, from: i * 10, to: i * 10 + 9 }));
  const filmed = { ...narration, video, passages };
  const shown = applyEdits(workbook, [changingNarration(workbook, filmed)]);
  const { edits } = accepting(shown, filmed, [filmed.proposals[1]!.id], ids());
  expect(applyEdits(shown, edits).procedure.steps.at(-1)?.clips).toEqual([
    { id: 'clip-told', video, from: 20, to: 39 },
  ]);
  expect(clipOf(narration.passages, ['p2'])).toBeUndefined();
});

test('a direction that names a part names the one of the procedure, not that of what was read ahead', async () => {
  const { workbook, narration } = await deskOf(
    'Take off the spring plate.\nFit the pilot cap with the flat side facing the spring plate.',
  );
  readDesk(workbook, narration);
  const { edits } = accepting(
    workbook,
    narration,
    narration.proposals.map(({ id }) => id),
    ids(),
  );
  const after = applyEdits(workbook, edits);
  const plate = after.series.components.find(({ name }) => name === 'spring plate');
  expect(after.procedure.steps.at(-1)?.faces?.toward).toEqual({ is: 'part', componentId: plate?.id });
});
