import { typed, withStep } from '../testing/workbook';
import { outOfCalibration, toolList } from './tool-list';

const workbook = typed([
  'take off 4 bolts /socket, 13 mm',
  'take off cover',
  'take off 2 nuts /socket, 13 mm',
  'draw seal /hook tool',
  'fit seal',
  'torque bolts =20 N·m /torque wrench, 10-60 N·m',
  'torque nuts =20 N·m /socket, 13 mm',
]);

test('tools stand in the order of first use, with how often each is picked up', () => {
  expect(toolList(workbook).map(({ tool, steps, pickups }) => [tool.name, steps, pickups])).toEqual([
    // Kept in hand over the step that needs none.
    ['socket', [1, 3, 7], 2],
    ['hook tool', [4], 1],
    ['torque wrench', [6], 1],
  ]);
});

test('of a tool as many are listed as the step that needs most of them', () => {
  const pried = typed(['pry cover off with two pry bars', 'pry plate off with a pry bar']);
  expect(toolList(pried).map(({ tool, pieces }) => [tool.name, pieces])).toEqual([['pry bar', 2]]);
});

test('tools of another method, aids and gauges are on the list and told apart', () => {
  const wrench = workbook.series.tools.find(({ name }) => name === 'torque wrench')?.id ?? '';
  const hook = workbook.series.tools.find(({ name }) => name === 'hook tool')?.id ?? '';
  const more = withStep(workbook, 1, {
    methods: [{ id: 'm', name: 'pried', verb: 'pry', toolIds: [hook], cautions: [] }],
    measurements: [{ id: 'x', what: 'bore', points: [], directions: 1, follows: 'renew', toolId: wrench }],
  });
  const only = withStep(more, 3, { toolIds: [] });
  expect(toolList(only).find(({ tool }) => tool.id === hook)).toMatchObject({ otherMethod: true, steps: [2] });
  expect(toolList(more).find(({ tool }) => tool.id === hook)).toMatchObject({ otherMethod: false });
  expect(toolList(more).find(({ tool }) => tool.id === wrench)?.steps).toEqual([2, 6]);
});

test('substitutes come in the order of preference', () => {
  const [socket, hook] = workbook.series.tools;
  if (!socket || !hook) throw new Error('no tools');
  const tools = workbook.series.tools.map((tool) =>
    tool === socket ? { ...tool, substituteIds: [hook.id, 'gone'] } : tool,
  );
  expect(
    toolList({ ...workbook, series: { ...workbook.series, tools } })[0]?.substitutes.map(({ name }) => name),
  ).toEqual(['hook tool']);
});

test('a wrench is out of calibration from the day after its date', () => {
  const tool = {
    id: 't',
    name: 'torque wrench',
    assets: [{ number: 'A', calibratedUntil: '2026-03-31' }, { number: 'B' }],
  };
  expect(outOfCalibration(tool, '2026-03-31')).toEqual([]);
  expect(outOfCalibration(tool, '2026-04-01').map(({ number }) => number)).toEqual(['A']);
});
