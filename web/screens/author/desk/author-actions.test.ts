import { findingKey } from '#core/findings/finding';
import { componentId, typed } from '#core/testing/workbook';
import { useAuthor } from '../../../state/author-store';
import { computed } from '../../../state/timeline';
import { openFakeBrowser } from '../../../testing/browser';
import { en } from '../../../texts/en/index';
import { useAuthorView } from './author-view';

openFakeBrowser();
const { AUTHOR_ACTIONS, fillGap, goToFinding } = await import('./author-actions');

const author = () => useAuthor.getState();
const run = (id: string) => {
  const action = AUTHOR_ACTIONS.find((candidate) => candidate.id === id);
  if (!action) throw new Error(`no action ${id}`);
  action.run();
};
const steps = () => author().workbook.procedure.steps;
const verbs = () => steps().map((step) => step.verb);

beforeEach(() => {
  author().open(typed(['isolate the drive', 'bleed the casing', 'take off cover', 'take off gasket', 'fit cover']));
  useAuthorView.setState(useAuthorView.getInitialState());
});

test('every action has a key of its own and a text', () => {
  const keys = AUTHOR_ACTIONS.map((action) => action.key);
  expect(new Set(keys).size).toBe(keys.length);
  expect(AUTHOR_ACTIONS.filter(({ id }) => !(id in en.keys))).toEqual([]);
});

test('one key fills the gap of the step in hand, as one edit that undo takes back', () => {
  author().select(steps()[3]?.id ?? null);
  run('fill');
  expect(verbs().slice(3)).toEqual(['take-off', 'fit', 'fit']);
  expect(steps().find((step) => step.id === author().selected)).toMatchObject({
    verb: 'fit',
    drafted: expect.anything(),
  });
  run('undo');
  expect(steps()).toHaveLength(5);
  run('redo');
  expect(steps()).toHaveLength(6);
});

test('where nothing is missing the key for it changes nothing', () => {
  author().select(steps()[2]?.id ?? null);
  const before = author().workbook;
  run('fill');
  expect(author().workbook).toBe(before);
  fillGap(steps()[2]?.id ?? '', [componentId(before, 'cover')]);
  expect(author().workbook).toBe(before);
});

test('findings are gone through one by one, each with its step in hand, and round again', () => {
  const keys = computed(author().workbook).findings.map(findingKey);
  const seen = keys.map(() => {
    run('finding');
    return useAuthorView.getState().finding;
  });
  expect(seen).toEqual(keys);
  run('finding');
  expect(useAuthorView.getState().finding).toBe(keys[0]);
});

test('the finding in hand is mended by a key; a stop cannot be let stand', () => {
  const [stop] = computed(author().workbook).findings;
  goToFinding(findingKey(stop!));
  expect(stop?.severity).toBe('stop');
  run('accept');
  expect(useAuthorView.getState().accepting).toBeNull();
  run('fix');
  expect(computed(author().workbook).findings.filter((finding) => finding.severity === 'stop')).toEqual([]);
  const warning = computed(author().workbook).findings.find((finding) => finding.severity === 'warn');
  goToFinding(findingKey(warning!));
  run('accept');
  expect(useAuthorView.getState().accepting).toBe(findingKey(warning!));
});

test('confirming one drafted step brings the next in hand', () => {
  run('draft');
  const drafted = steps()
    .filter((step) => step.drafted)
    .map((step) => step.id);
  expect(author().selected).toBe(drafted[0]);
  drafted.forEach((_id, i) => {
    run('confirm');
    expect(author().selected).toBe(drafted[i + 1] ?? drafted.at(-1));
  });
  expect(steps().filter((step) => step.drafted)).toEqual([]);
});

test('a field changed by hand is confirmed, the others of the step still wait', () => {
  run('draft');
  const step = steps().find((candidate) => candidate.drafted)!;
  author().changeStep(step.id, { targets: step.targets });
  expect(steps().find(({ id }) => id === step.id)?.drafted).toEqual(['verb']);
});

test('the keys go from step to step in order, and stop at both ends', () => {
  author().select(steps()[0]?.id ?? null);
  run('previous');
  expect(author().selected).toBe(steps()[0]?.id);
  run('next');
  expect(author().selected).toBe(steps()[1]?.id);
});
