import { ed25519 } from '@noble/curves/ed25519.js';
import { readApproval } from '#core/job/approval';
import { openFakeBrowser } from '../testing/browser';

const server = openFakeBrowser();
const { signAsSecond } = await import('./second-person');
const { device } = await import('../ground/device');

const RIGHT = 'a long password';
/** The server knows one person by this password. */
const online = () => {
  server.answer = (_m, _path, body) =>
    body.password === RIGHT
      ? {
          status: 201,
          json: { keyId: `key-of-${body.publicKey.slice(0, 6)}`, personId: 'tobias', name: 'Tobias Quell' },
        }
      : { status: 401, json: { fault: { code: 'wrong-password', what: 'Wrong.', todo: 'Check.' } } };
};
const offline = () => {
  server.answer = () => {
    throw new TypeError('no network');
  };
};
const sign = (password = RIGHT) => signAsSecond('Tobias', password, 'job', 'step');

beforeEach(async () => {
  await device.cosigners.clear();
  server.requests.length = 0;
  online();
});

test('the first time the server checks the password; what is signed names job, step and person', async () => {
  const { approver, approval } = await sign();
  expect(approver).toBe('tobias');
  expect(readApproval(approval.text)).toMatchObject({ jobId: 'job', stepId: 'step', by: 'tobias' });
  const { publicKey } = server.requests[0]?.body ?? {};
  const key = Buffer.from(publicKey, 'base64url');
  expect(ed25519.verify(Buffer.from(approval.signature, 'base64url'), Buffer.from(approval.text), key)).toBe(true);
});

test('from then on it works without the network, with the right password and the same key', async () => {
  const first = await sign();
  offline();
  const again = await sign();
  expect(again.approval.keyId).toBe(first.approval.keyId);
  await expect(sign('not the password')).rejects.toMatchObject({ fault: { code: 'wrong-password' } });
});

test('nobody signs for the first time without the network, and a wrong password is kept nowhere', async () => {
  offline();
  await expect(sign()).rejects.toMatchObject({ fault: { code: 'never-signed-here' } });
  online();
  await expect(sign('not the password')).rejects.toMatchObject({ fault: { code: 'wrong-password' } });
  expect(await device.cosigners.count()).toBe(0);
});

test('neither the key nor the password stands on the device', async () => {
  await sign();
  const [kept] = await device.cosigners.toArray();
  expect(JSON.stringify(kept)).not.toContain(RIGHT);
  const asKey = Buffer.from(ed25519.getPublicKey(kept?.hidden ?? new Uint8Array(32))).toString('base64url');
  expect(asKey).not.toBe(kept?.publicKey);
});
