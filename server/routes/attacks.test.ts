import { deflateSync } from 'node:zlib';
import { strToU8, zipSync } from 'fflate';
import { openWorkshop, testPackage, type Workshop, withRelease } from '../testing/workshop';

let workshop: Workshop;
let procedureId: string;
let releaseId: string;
beforeAll(async () => {
  workshop = await openWorkshop();
  ({ procedureId, releaseId } = await withRelease(workshop));
});
afterAll(() => workshop.close());

/** Tens of megabytes of spaces. Made before anything is connected, since it takes this process a while. */
const BOMB = zipSync({ 'package.json': Buffer.alloc(60 * 1024 * 1024, 0x20) }, { level: 6 });
const sendZip = (bytes: Uint8Array) => workshop.call('trainer', 'POST', '/api/packages/zip?when=new', bytes);
const zip = (files: Record<string, Uint8Array>) => sendZip(zipSync(files));
/** A PNG (ISO/IEC 15948) of one colour that is as large as it says and as small as it gets. */
function hugePng(edge: number): Uint8Array {
  const chunk = (kind: string, data: Uint8Array) => {
    const head = Buffer.alloc(8);
    head.writeUInt32BE(data.length, 0);
    head.write(kind, 4, 'latin1');
    const sum = Buffer.alloc(4);
    sum.writeUInt32BE(crc(Buffer.concat([Buffer.from(kind), data])), 0);
    return Buffer.concat([head, data, sum]);
  };
  const size = Buffer.alloc(13);
  size.writeUInt32BE(edge, 0);
  size.writeUInt32BE(edge, 4);
  size.set([1, 0, 0, 0, 0], 8);
  const rows = deflateSync(Buffer.alloc((Math.ceil(edge / 8) + 1) * edge), { level: 9 });
  const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  return Buffer.concat([signature, chunk('IHDR', size), chunk('IDAT', rows), chunk('IEND', Buffer.alloc(0))]);
}
/** CRC-32 as in ISO 3309, bit by bit. */
function crc(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of bytes) {
    c ^= byte;
    for (let bit = 0; bit < 8; bit += 1) c = c & 1 ? (c >>> 1) ^ 0xedb88320 : c >>> 1;
  }
  return (c ^ 0xffffffff) >>> 0;
}

describe('what is small to send and large to take in', () => {
  test('a zip that unpacks to tens of megabytes of text is refused before it is unpacked', async () => {
    const { status, json } = await sendZip(BOMB);
    expect([status, json.fault?.code]).toEqual([413, 'too-large']);
  });

  test('a document of nothing but brackets is refused', async () => {
    const deep = `{"format":"fukusa/2","series":${'['.repeat(5000)}${']'.repeat(5000)}}`;
    const { status } = await zip({ 'package.json': strToU8(deep) });
    expect(status).toBe(400);
  });

  test('a picture of 16,000 by 16,000 points is refused, however small its file', async () => {
    const picture = hugePng(16_000);
    expect(picture.length).toBeLessThan(100_000);
    const { status, json } = await workshop.call('technician', 'POST', '/api/photos', picture);
    expect([status, json.fault?.code]).toEqual([413, 'too-many-pixels']);
  });

  test('edits cannot make a procedure of more steps than there may be', async () => {
    const open = (await workshop.call('trainer', 'GET', `/api/procedures/${procedureId}`)).json;
    const [step] = open.procedure.document.steps;
    const edits = Array.from({ length: 3100 }, (_, i) => ({
      kind: 'insert',
      index: 0,
      step: { ...step, id: `s${i}` },
    }));
    const { status, json } = await workshop.call('trainer', 'PATCH', `/api/procedures/${procedureId}`, {
      seriesVersion: open.series.version,
      procedureVersion: open.procedure.version,
      edits,
    });
    expect(status).toBe(400);
    expect(json.fault.where).toMatchObject([{ path: 'procedure.steps' }]);
  });
});

describe('what no text or number may be', () => {
  const series = { name: 'Named', code: 'N-1', pumpType: 'gear', positionSets: [] };
  const add = (more: object) => workshop.call('trainer', 'POST', '/api/series', { ...series, ...more });

  test.each([
    ['a NUL', 'a\u0000b'],
    ['half a surrogate pair', 'a\ud800b'],
    ['a mark that turns the direction', 'a\u202eb'],
  ])('%s in a name is refused with its place', async (_what, name) => {
    const { status, json } = await add({ name });
    expect(status).toBe(400);
    expect(json.fault.where).toEqual([{ path: 'name', reason: expect.stringContaining('cannot be shown') }]);
  });

  test('a package is looked through as well, wherever it comes in', async () => {
    const sent = testPackage();
    const broken = { ...sent, procedures: [{ ...sent.procedures[0], purpose: 'a\u0000b' }] };
    const { json } = await workshop.call('trainer', 'POST', '/api/packages', { package: broken, when: 'new' });
    expect(json.fault.where).toMatchObject([{ path: expect.stringContaining('procedures[0].purpose') }]);
    const zipped = await zip({ 'package.json': strToU8(JSON.stringify(broken)) });
    expect(zipped.json.fault.where).toMatchObject([{ path: 'procedures[0].purpose' }]);
  });

  test('two procedures with one id are refused, and neither is taken in', async () => {
    const sent = testPackage();
    const fresh = { ...sent, series: { ...sent.series, id: 'twice' } };
    const [procedure] = sent.procedures;
    const both = [1, 2].map((n) => ({ ...procedure, id: 'same', title: `Copy ${n}`, seriesId: 'twice' }));
    const { status, json } = await workshop.call('trainer', 'POST', '/api/packages', {
      package: { ...fresh, procedures: both },
      when: 'new',
    });
    expect(status).toBe(400);
    expect(json.fault.where).toMatchObject([{ path: 'procedures[1].id' }]);
  });

  test.each(['0000-01-01T00:00:00.000Z', '9999-01-01T00:00:00.000Z'])(
    'a job that began in %s is refused',
    async (at) => {
      const job = { id: 'odd', releaseId: 'r', workOrder: 'w', pumpSerial: 's', customer: 'c', startedAt: at };
      const { status, json } = await workshop.call('technician', 'POST', '/api/jobs', job);
      expect(status).toBe(400);
      expect(json.fault.where).toMatchObject([{ path: 'startedAt' }]);
    },
  );

  test('a number out of all range is refused with its place', async () => {
    const { status, json } = await workshop.call('trainer', 'PATCH', '/api/series/any', { version: 1e300, edits: [] });
    expect(status).toBe(400);
    expect(json.fault.where).toMatchObject([{ path: 'version' }]);
  });

  test('a customer or a person has one line', async () => {
    const person = { username: 'liner', name: 'Two\nlines', role: 'technician', password: 'a long enough password' };
    const { status, json } = await workshop.call('lead', 'POST', '/api/people', person);
    expect([status, json.fault.where]).toEqual([400, [{ path: 'name', reason: 'has to be one line of plain text' }]]);
  });
});

test('a job under an id that another job has is refused, not answered with the other one', async () => {
  const job = {
    id: 'taken',
    releaseId,
    workOrder: 'WO-1',
    pumpSerial: 'S-1',
    customer: 'One',
    startedAt: '2026-01-05T08:00:00.000Z',
  };
  expect((await workshop.call('technician', 'POST', '/api/jobs', job)).status).toBe(201);
  expect((await workshop.call('technician', 'POST', '/api/jobs', job)).status).toBe(201);
  const other = await workshop.call('technician', 'POST', '/api/jobs', { ...job, customer: 'Other' });
  expect([other.status, other.json.fault.code]).toEqual([409, 'job-exists']);
});
