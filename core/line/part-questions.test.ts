import { componentById } from '../model/lookup';
import { typed, withComponent } from '../testing/workbook';
import { questionsAbout } from './part-questions';

const asked = (lines: string[], name: string) => {
  const workbook = typed(lines);
  const id = workbook.series.components.find((one) => one.name === name)?.id ?? '';
  return questionsAbout(id, workbook).map(({ fact, answers }) => [
    fact,
    answers.map(({ says }) =>
      says.is === 'part'
        ? componentById(workbook.series, says.componentId)?.name
        : says.is === 'number'
          ? says.value
          : says.is === 'kind'
            ? says.kind
            : says.is,
    ),
  ]);
};

test('a name that tells no kind: the kind, by five keys', () => {
  expect(asked(['take off wobbler'], 'wobbler')).toEqual([
    ['kind', ['housing', 'cover', 'shaft', 'spacer', 'retainer']],
  ]);
});

test('several named without a number: how many', () => {
  expect(asked(['take off bolts'], 'bolt')).toEqual([['count', [2, 3, 4, 6, 8]]]);
  expect(asked(['take off 8 bolts'], 'bolt')).toEqual([]);
});

test('a cover: what holds it, the fasteners that came off last first', () => {
  expect(asked(['take off 4 end nuts', 'take off 6 cover bolts', 'take off cover'], 'cover')).toEqual([
    ['heldBy', ['cover bolt', 'end nut']],
  ]);
});

test('a fastener that holds another part already is not offered', () => {
  const workbook = typed(['take off 4 end nuts', 'take off 6 cover bolts', 'take off end cover', 'take off cover']);
  const held = withComponent(workbook, 'end cover', (id) => ({ heldBy: [id('end nut')] }));
  const cover = held.series.components.find(({ name }) => name === 'cover')?.id ?? '';
  expect(questionsAbout(cover, held)[0]?.answers).toHaveLength(1);
});

test('a seal: what it sits in; a lip seal also whether it goes in one way only', () => {
  expect(asked(['take off cover', 'draw O-ring'], 'O-ring')).toEqual([['host', ['cover']]]);
  expect(asked(['take off cover', 'draw lip seal'], 'lip seal').map(([fact]) => fact)).toEqual(['host', 'keyed']);
});

test('a seal that is called after what it sits in: that first', () => {
  expect(asked(['take off front cover', 'draw rotor', 'draw cover O-ring'], 'cover O-ring')).toEqual([
    ['host', ['front cover', 'rotor']],
  ]);
});

test('a clip: whether it is always renewed; a gasket is anyhow', () => {
  expect(asked(['take off circlip'], 'circlip')).toEqual([['renewal', ['yes', 'no']]]);
  expect(asked(['take off gasket'], 'gasket')).toEqual([]);
});
