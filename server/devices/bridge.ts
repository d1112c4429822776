import { createHmac, randomInt, randomUUID, timingSafeEqual } from 'node:crypto';
import { CODE_LENGTH, CODE_LETTERS, DeviceHub, type Pairing } from '#core/devices/hub';
import { DEVICE_PROTOCOL } from '#core/devices/protocol';

/** The hub of this server. Its tokens hold for as long as the secret of the data folder. */
export function createDeviceHub(secret: string): DeviceHub {
  const mark = (text: string) => createHmac('sha256', secret).update(`${DEVICE_PROTOCOL}\n${text}`).digest();
  return new DeviceHub({
    newId: randomUUID,
    newCode: () => Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join(''),
    now: () => performance.now(),
    seal: (pairing) => {
      const text = Buffer.from(JSON.stringify(pairing)).toString('base64url');
      return `${text}.${mark(text).toString('base64url')}`;
    },
    unseal: (token) => {
      const [text = '', given = ''] = token.split('.');
      const right = mark(text);
      const told = Buffer.from(given, 'base64url');
      if (told.length !== right.length || !timingSafeEqual(told, right)) return undefined;
      return JSON.parse(Buffer.from(text, 'base64url').toString()) as Pairing;
    },
  });
}
