import { applyEdits, type Edit } from '#core/edits/edit';
import type { Series } from '#core/model/series';
import { typed } from '#core/testing/workbook';
import { openFakeBrowser, until } from '../testing/browser';

openFakeBrowser();
const { ApiFault } = await import('../ground/api');
const { OpenSeries } = await import('./open-series');

const loaded = typed(['take off cover', 'draw rotor @each shaft']).series;
const renamed = (series: Series, name: string): Series => ({ ...series, name });
const countOf = (series: Series, count: number): Series => ({
  ...series,
  components: series.components.map((part) => (part.name === 'cover' ? { ...part, count } : part)),
});
const withTool = (series: Series, name: string): Series => ({
  ...series,
  tools: [...series.tools, { id: name, name }],
});
const refusal = (code: string, status: number, detail?: unknown) =>
  new ApiFault({ code, what: code, todo: 'choose', ...(detail !== undefined && { detail }) }, status);

const NO_STEPS = { id: 'none', seriesId: 'none', title: 'none', steps: [] };

/** A server that takes edits as ours does, and a screen. */
function opened(faults: Error[] = []) {
  const server = { version: 1, document: loaded };
  const sent: (readonly Edit[])[] = [];
  const screen = { series: loaded, saved: 0, failed: [] as unknown[], kept: undefined as Series | undefined };
  const open = new OpenSeries(
    { ...server },
    {
      send: async (version, edits) => {
        await Promise.resolve();
        const fault = faults.shift();
        if (fault) throw fault;
        if (version !== server.version) throw refusal('stale', 409, { ...server });
        sent.push(edits);
        server.document = applyEdits({ series: server.document, procedure: NO_STEPS }, edits).series;
        server.version += 1;
        return { ...server };
      },
      show: (series) => {
        screen.series = series;
      },
      saved: () => {
        screen.saved += 1;
      },
      fail: (error) => screen.failed.push(error),
      keep: (unsent) => {
        screen.kept = unsent?.document;
      },
    },
  );
  return { open, server, sent, screen };
}

test('a change shows at once and is sent as an edit', async () => {
  const { open, server, sent, screen } = opened();
  open.change(loaded, renamed(loaded, 'Renamed'));
  void open.send();
  expect(screen.series.name).toBe('Renamed');
  await until(() => screen.saved === 1);
  expect(sent).toEqual([[{ kind: 'change-series', fields: { name: 'Renamed' } }]]);
  expect(server.document.name).toBe('Renamed');
});

test('changes made while one is on its way go with the next, and none is refused as stale', async () => {
  const { open, server, sent, screen } = opened();
  open.change(loaded, renamed(loaded, 'Renamed'));
  void open.send();
  open.change(screen.series, withTool(screen.series, 'hook tool'));
  open.change(screen.series, withTool(screen.series, 'lamp'));
  await until(() => screen.saved === 1);
  expect(sent).toHaveLength(2);
  expect(server.document.tools.map(({ name }) => name)).toEqual(['hook tool', 'lamp']);
  expect(server.document.name).toBe('Renamed');
  expect(screen.failed).toEqual([]);
});

test('two changes made from the same sight of the series both hold', async () => {
  const { open, server, screen } = opened();
  open.change(loaded, withTool(loaded, 'hook tool'));
  open.change(loaded, withTool(loaded, 'lamp'));
  void open.send();
  expect(screen.series.tools.map(({ name }) => name).sort()).toEqual(['hook tool', 'lamp']);
  await until(() => screen.saved === 1);
  expect(server.document.tools).toHaveLength(2);
});

test('what somebody else changed in the meantime is merged in', async () => {
  const { open, server, screen } = opened();
  server.document = countOf(loaded, 2);
  server.version = 7;
  open.change(loaded, renamed(loaded, 'Mine'));
  void open.send();
  await until(() => screen.saved === 1);
  expect(server.document.name).toBe('Mine');
  expect(server.document.components.find(({ name }) => name === 'cover')?.count).toBe(2);
  expect(screen.series).toEqual(server.document);
});

test('a change that cannot be sent stays on the screen and on the device, and goes when it is sent again', async () => {
  const { open, server, screen } = opened([refusal('unreachable', 0)]);
  open.change(loaded, renamed(loaded, 'Kept'));
  await expect(open.send()).rejects.toMatchObject({ status: 0 });
  expect([screen.series.name, screen.kept?.name, server.document.name]).toEqual(['Kept', 'Kept', loaded.name]);
  await open.send();
  expect([server.document.name, screen.kept]).toEqual(['Kept', undefined]);
  expect(screen.failed).toEqual([]);
});

test('what is refused is told and taken back', async () => {
  const { open, screen } = opened([refusal('in-use', 409)]);
  open.change(loaded, { ...loaded, components: [] });
  expect(screen.series.components).toEqual([]);
  void open.send();
  await until(() => screen.saved === 1);
  expect(screen.series).toEqual(loaded);
  expect(screen.failed).toHaveLength(1);
});

test('what is loaded again is shown, unless it is older or changes are on their way', async () => {
  const { open, screen } = opened();
  open.take({ version: 3, document: renamed(loaded, 'Newer') });
  expect(screen.series.name).toBe('Newer');
  open.take({ version: 2, document: renamed(loaded, 'Older') });
  expect(screen.series.name).toBe('Newer');
  open.change(screen.series, renamed(screen.series, 'Mine'));
  open.take({ version: 4, document: renamed(loaded, 'Theirs') });
  expect(screen.series.name).toBe('Mine');
});
