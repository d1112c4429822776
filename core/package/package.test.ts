import { typed } from '../testing/workbook';
import { copyOf, packageJsonSchema, packageOf, parsePackage, readPackage } from './package';

const { series, procedure } = typed(['take off 8 cover nuts /socket, 17 mm', 'torque cover nuts =45 N·m']);
const good = packageOf(series, [procedure]);
const faults = (json: unknown) => {
  const reading = readPackage(json);
  return reading.ok ? [] : reading.faults;
};
/** The package as plain JSON with one value changed. */
const broken = (change: (json: ReturnType<typeof plain>) => void) => {
  const json = plain();
  change(json);
  return json;
};
const plain = () => JSON.parse(JSON.stringify(good));

test('what is written is read back the same', () => {
  expect(parsePackage(JSON.stringify(good))).toEqual({ ok: true, package: good });
});

test('fields left out take their usual value', () => {
  const reading = readPackage(broken((json) => delete json.procedures[0].steps[1].torque.tolerancePercent));
  expect(reading.ok && reading.package.procedures[0]?.steps[1]?.torque?.tolerancePercent).toBe(4);
});

test('every fault is named with its path', () => {
  const json = broken((p) => {
    p.series.name = '';
    p.procedures[0].steps[0].verb = 'wiggle';
    p.procedures[0].steps[1].torque.figure.unit = 'bar';
    p.procedures[0].steps[1].colour = 'red';
  });
  const paths = faults(json).map((fault) => fault.path);
  expect(paths).toEqual([
    'series.name',
    'procedures[0].steps[0].verb',
    'procedures[0].steps[1].torque.figure',
    'procedures[0].steps[1]',
  ]);
});

test('what points at nothing is refused', () => {
  const json = broken((p) => {
    p.procedures[0].steps[0].targets[0].componentId = 'ghost';
    p.procedures[0].steps[0].toolIds = ['ghost-tool'];
    p.procedures[0].steps[1].positionIds = ['bore-9'];
  });
  expect(faults(json)).toEqual([
    {
      path: 'procedures[0].steps[0].targets[0].componentId',
      problem: { is: 'absent', what: 'component', id: 'ghost' },
    },
    { path: 'procedures[0].steps[0].toolIds[0]', problem: { is: 'absent', what: 'tool', id: 'ghost-tool' } },
    { path: 'procedures[0].steps[1].positionIds[0]', problem: { is: 'absent', what: 'position', id: 'bore-9' } },
  ]);
});

test('structure that points at nothing, or at itself, is refused', () => {
  const json = broken((p) => {
    const [nut] = p.series.components;
    nut.hostId = nut.id;
    nut.heldBy = ['ghost'];
    p.series.kits = [{ id: 'k', name: 'kit', contents: [{ componentId: 'ghost', count: 1 }] }];
    p.procedures[0].kits = [{ kitId: 'other', count: 1 }];
    p.procedures[0].intends = [{ kind: 'leaves', componentId: 'ghost' }];
    p.procedures[0].steps[0].aidsIn = ['ghost'];
  });
  expect(faults(json).map((fault) => fault.path)).toEqual([
    'series.components[0].heldBy[0]',
    'series.components[0].hostId',
    'series.kits[0].contents[0].componentId',
    'procedures[0].kits[0].kitId',
    'procedures[0].steps[0].aidsIn[0]',
    'procedures[0].intends[0].componentId',
  ]);
});

test('an id given twice is refused', () => {
  const json = broken((p) => p.procedures[0].steps.push(p.procedures[0].steps[0]));
  expect(faults(json)).toEqual([
    { path: 'procedures[0].steps[2].id', problem: { is: 'twice', id: expect.any(String) } },
  ]);
});

test('a newer version is refused with a clear word, other files are no packages', () => {
  expect(faults({ ...good, format: 'fukusa/3' })[0]).toMatchObject({
    path: 'format',
    problem: { is: 'newer-format', format: 'fukusa/3' },
  });
  expect(faults({ hello: 1 })[0]?.problem.is).toBe('not-a-package');
  expect(parsePackage('{ oops')).toMatchObject({ ok: false, faults: [{ path: '(file)' }] });
});

test('a copy stands under ids of its own', () => {
  let n = 0;
  const copy = copyOf(good, () => `new${n++}`);
  expect(copy.series.id).toBe('new0');
  expect(copy.procedures[0]).toMatchObject({ id: 'new1', seriesId: 'new0' });
  expect(readPackage(copy).ok).toBe(true);
});

test('the JSON Schema knows the format and its parts', () => {
  const schema = JSON.stringify(packageJsonSchema());
  expect(schema).toContain('"const":"fukusa/2"');
  expect(schema).toContain('"take-off"');
});

test('everything a package can say comes back as it was said', () => {
  const json = broken((p) => {
    const [nut] = p.series.components;
    Object.assign(nut, {
      heldBy: [],
      coveredBy: [{ componentId: nut.id, said: 'clear' }],
      faces: { end: 'flat side', toward: { is: 'words', said: 'the cover' }, tellBy: 'the chamfer is on the other' },
      wants: [{ consumableId: 'grease', where: 'thread' }],
      keyed: true,
      massKg: 0.2,
      soakMinutes: 10,
    });
    p.series.consumables = [{ id: 'grease', name: 'grease' }];
    p.series.kits = [{ id: 'kit', name: 'nut kit', contents: [{ componentId: nut.id, count: 8 }] }];
    p.series.unpressurised = true;
    const [first, second] = p.procedures[0].steps;
    first.decision = {
      question: 'Stuck?',
      answers: [
        { id: 'y', text: 'yes' },
        { id: 'n', text: 'no' },
      ],
    };
    second.when = [{ stepId: first.id, answerIds: ['y'] }];
    second.methods = [{ id: 'm', name: 'by hand', verb: 'torque', toolIds: [], cautions: [] }];
    second.pose = { componentId: nut.id, lies: 'face-down' };
    second.drafted = ['verb', 'torque'];
    Object.assign(p.procedures[0], {
      kits: [{ kitId: 'kit', count: 1 }],
      intends: [{ kind: 'leaves', componentId: nut.id }],
      handsOn: true,
      accepted: [{ findingId: 'no-source', stepId: second.id, componentIds: [nut.id], reason: 'Measured here' }],
    });
  });
  const reading = readPackage(json);
  expect(faults(json)).toEqual([]);
  expect(reading.ok && JSON.parse(JSON.stringify(reading.package))).toEqual(json);
});

test('a copied module takes over from its copied neighbour', () => {
  const modules = packageOf(series, [
    { ...procedure, id: 'down', handsOn: true },
    { ...procedure, id: 'up', takesOver: 'down' },
  ]);
  let n = 0;
  const { procedures } = copyOf(modules, () => `new${n++}`);
  expect(procedures[1]?.takesOver).toBe(procedures[0]?.id);
  expect(procedures[0]?.id).not.toBe('down');
});

test('a question needs two answers, and a reason three letters', () => {
  const json = broken((p) => {
    p.procedures[0].steps[0].decision = { question: 'Stuck?', answers: [{ id: 'y', text: 'yes' }] };
    p.procedures[0].accepted = [{ findingId: 'x', componentIds: [], reason: 'no' }];
  });
  expect(faults(json).map((fault) => fault.path)).toEqual([
    'procedures[0].steps[0].decision.answers',
    'procedures[0].accepted[0].reason',
  ]);
});

test('what stacks, tools and steps point at has to be there', () => {
  const workbook = typed(['take off ring /hook tool']);
  const step = {
    ...workbook.procedure.steps[0]!,
    measurements: [{ id: 'm', what: 'bore', toolId: 'no-gauge', follows: 'renew' }],
  };
  const tools = workbook.series.tools.map((tool) => ({ ...tool, substituteIds: [tool.id] }));
  const stacks = [
    {
      id: 's',
      name: 'box',
      hostId: 'nothing',
      layers: [
        { id: 'l', componentId: 'gone' },
        { id: 'l', componentId: workbook.series.components[0]!.id },
      ],
    },
  ];
  const reading = readPackage({
    format: 'fukusa/1',
    series: { ...workbook.series, tools, stacks },
    procedures: [{ ...workbook.procedure, steps: [{ ...step, photo: { mustShow: 'it', referenceId: 'none' } }] }],
  });
  expect(reading.ok ? [] : reading.faults.map(({ path }) => path)).toEqual([
    'series.stacks[0].layers[1].id',
    'series.stacks[0].hostId',
    'series.stacks[0].layers[0].componentId',
    'series.tools[0].substituteIds[0]',
    'procedures[0].steps[0].photo.referenceId',
    'procedures[0].steps[0].measurements[0].toolId',
  ]);
});
