import fc from 'fast-check';
import { changeStep, moveStep } from '../edits/steps';
import type { Workbook } from '../model/procedure';
import { componentId, emptyWorkbook, typed, withComponent } from '../testing/workbook';
import { replay, type Timeline } from './replay';
import { cellOf, stateAfter, unitsIn } from './state';

const endOf = (timeline: Timeline) => stateAfter(timeline, timeline.frames.length);

const lying = (workbook: Workbook, after: number, place: 'pump' | 'cloth' | 'bin' | 'tray') => {
  const timeline = replay(workbook);
  return unitsIn(timeline, stateAfter(timeline, after), place).map((unit) => unit.id.replace(/^x\d+/, ''));
};

test('what is taken off lies in a cell of its own, in the order of removal, and refitting takes it back', () => {
  const workbook = typed(['take off 8 cover nuts', 'take off cover', 'fit cover', 'fit cover nuts']);
  const timeline = replay(workbook);
  expect(timeline.cells.map((cell) => [cell.number, cell.componentId, cell.unitIds.length])).toEqual([
    [1, componentId(workbook, 'cover nut'), 8],
    [2, componentId(workbook, 'cover'), 1],
  ]);
  expect(lying(workbook, 2, 'cloth')).toHaveLength(9);
  expect(lying(workbook, 3, 'cloth')).toHaveLength(8);
  expect(lying(workbook, 4, 'cloth')).toEqual([]);
  expect(lying(workbook, 4, 'pump')).toHaveLength(9);
});

test('matched units lie apart, others of a kind share a cell', () => {
  const loose = typed(['draw rotor @each shaft']);
  expect(replay(loose).cells).toHaveLength(1);
  const matched = withComponent(loose, 'rotor', { matched: true });
  expect(replay(matched).cells.map((cell) => cell.unitIds)).toEqual([
    [expect.stringContaining('/s1/1/old')],
    [expect.stringContaining('/s2/1/old')],
  ]);
});

test('renewing sends the old part to the bin, and the new one goes in from the tray', () => {
  const workbook = typed(['take off cover gasket', 'renew cover gasket', 'fit cover gasket']);
  expect(lying(workbook, 0, 'tray')).toEqual(['//1/new']);
  expect(lying(workbook, 2, 'bin')).toEqual(['//1/old']);
  expect(lying(workbook, 2, 'tray')).toEqual(['//1/new']);
  expect(lying(workbook, 3, 'tray')).toEqual([]);
  expect(lying(workbook, 3, 'pump')).toEqual(['//1/new']);
  expect(lying(workbook, 3, 'bin')).toEqual(['//1/old']);
});

test('a new part cannot go in while the old one is still on the cloth: the old one goes back instead', () => {
  const workbook = typed(['take off gasket', 'fit gasket', 'renew gasket']);
  expect(lying(workbook, 2, 'pump')).toEqual(['//1/old']);
  expect(lying(workbook, 3, 'pump')).toEqual(['//1/new']);
});

test('six of eight bolts first, the last two later', () => {
  const workbook = typed(['take off 8 bolts', 'start by hand 6 bolts', 'start by hand 2 bolts']);
  expect(lying(workbook, 2, 'cloth')).toHaveLength(2);
  expect(lying(workbook, 3, 'cloth')).toEqual([]);
});

test('one position at a time', () => {
  const workbook = typed(['draw rotor @each shaft', 'fit rotor @shaft 2']);
  expect(lying(workbook, 2, 'cloth')).toEqual(['/s1/1/old']);
});

test('a part that is not where the step needs it is missed, and nothing moves', () => {
  const timeline = replay(typed(['take off cover', 'take off cover', 'fit cover', 'fit cover']));
  const missing = timeline.frames.map(({ runs }) =>
    runs.flatMap((run) => run.notices.flatMap((notice) => (notice.kind === 'not-there' ? [notice.reason] : []))),
  );
  expect(missing).toEqual([[], ['not-in-pump'], [], ['not-out']]);
});

test('a part taken off twice comes back to its own cell', () => {
  const workbook = typed(['take off cover', 'fit cover', 'take off cover']);
  const timeline = replay(workbook);
  expect(timeline.cells).toHaveLength(1);
  expect(cellOf(timeline, timeline.cells[0]!.unitIds[0]!)?.openedBy).toBe(workbook.procedure.steps[0]?.id);
});

describe('laws', () => {
  const parts = ['cover', 'gasket', 'rotor @each shaft', '8 cover nuts', 'seal @each shaft'];
  const verbs = ['take off', 'draw', 'fit', 'press', 'renew', 'inspect', 'clean', 'split', 'join', 'cut'];
  const line = fc.tuple(fc.constantFrom(...verbs), fc.constantFrom(...parts)).map((words) => words.join(' '));
  const lines = fc.array(line, { minLength: 1, maxLength: 90 });

  /** The gasket and the seals sit in the cover, the rotors' nuts in nothing. */
  const hosted = (typedLines: string[]) =>
    ['gasket', 'seal'].reduce(
      (w, name) =>
        w.series.components.some((c) => c.name === name) && w.series.components.some((c) => c.name === 'cover')
          ? withComponent(w, name, (id) => ({ hostId: id('cover') }))
          : w,
      typed(typedLines),
    );

  test('a unit is in exactly one place after every step, and what sits in a part is where the part is', () => {
    fc.assert(
      fc.property(lines, (typedLines) => {
        const timeline = replay(hosted(typedLines));
        for (let n = 0; n <= typedLines.length; n += 7) {
          const state = stateAfter(timeline, n);
          const places = (['pump', 'cloth', 'bin', 'tray'] as const).map((p) => unitsIn(timeline, state, p).length);
          expect(places.reduce((a, b) => a + b)).toBe(timeline.units.size);
          expect(state.places.size).toBe(timeline.units.size);
          for (const unit of timeline.units.values()) {
            const host = timeline.structure.hostOf.get(unit.pieceId);
            if (!host || !state.isSeated(unit)) continue;
            const around = (['old', 'new'] as const).flatMap(
              (generation) => state.places.get(`${host}/${generation}`) ?? [],
            );
            expect(around).toContain(state.places.get(unit.id));
          }
        }
      }),
      { numRuns: 40 },
    );
  });

  test('the pump never holds an old unit and its replacement at once', () => {
    fc.assert(
      fc.property(lines, (typedLines) => {
        const timeline = replay(typed(typedLines));
        const inPump = unitsIn(timeline, endOf(timeline), 'pump').map((unit) => unit.id.replace(/\/(old|new)$/, ''));
        expect(new Set(inPump).size).toBe(inPump.length);
      }),
      { numRuns: 40 },
    );
  });

  test('replaying after an edit gives what a fresh replay gives', () => {
    fc.assert(
      fc.property(lines, fc.nat(89), fc.nat(89), (typedLines, from, to) => {
        const before = typed(typedLines);
        const step = before.procedure.steps[from % typedLines.length]!;
        const moved = { ...before, procedure: moveStep(before.procedure, step.id, to) };
        const edited = { ...moved, procedure: changeStep(moved.procedure, step.id, { verb: 'clean' }) };
        const again = replay(edited, replay(before));
        const fresh = replay(edited);
        expect(again.frames.map((frame) => frame.moves)).toEqual(fresh.frames.map((frame) => frame.moves));
        expect(again.cells).toEqual(fresh.cells);
        expect([...endOf(again).places].sort()).toEqual([...endOf(fresh).places].sort());
        for (let n = 0; n <= typedLines.length; n += 11) {
          expect([...stateAfter(again, n).places].sort()).toEqual([...stateAfter(fresh, n).places].sort());
        }
      }),
      { numRuns: 60 },
    );
  });

  test('the replay of a prefix is the prefix of the replay', () => {
    fc.assert(
      fc.property(lines, fc.nat(89), (typedLines, cut) => {
        const n = cut % (typedLines.length + 1);
        const whole = typed(typedLines);
        // Every renewal decides what lies in the tray from the start, so the prefix keeps the series and its renewals.
        if (whole.procedure.steps.slice(n).some((step) => step.verb === 'renew')) return;
        const prefix = { ...whole, procedure: { ...whole.procedure, steps: whole.procedure.steps.slice(0, n) } };
        expect([...endOf(replay(prefix)).places].sort()).toEqual([...stateAfter(replay(whole), n).places].sort());
      }),
      { numRuns: 40 },
    );
  });
});

test('an empty procedure leaves everything in the pump', () => {
  expect(endOf(replay(emptyWorkbook())).places.size).toBe(0);
});

test('the kit tray holds only what the renewals ask for', () => {
  const workbook = typed(['draw rotor @each shaft', 'renew rotor @shaft 1', 'fit rotor @each shaft']);
  expect(lying(workbook, 0, 'tray')).toEqual(['/s1/1/new']);
  expect(lying(workbook, 3, 'pump')).toEqual(['/s1/1/new', '/s2/1/old']);
  expect(lying(workbook, 3, 'tray')).toEqual([]);
});
