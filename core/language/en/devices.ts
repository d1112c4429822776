import type { DeviceRefusal } from '../../devices/message';
import type { AsideReason } from '../../job/entry-words';
import type { SetAside } from '../../job/state';
import type { ReadBy } from '../../job/wrenches';
import { sayNumber } from '../../quantity/quantity';
import { counted } from './counted';

/** Why a device is not let in, or was sent away, and what to do. */
export const DEVICE_REFUSALS: Readonly<Record<DeviceRefusal, string>> = {
  'other-protocol': 'The server speaks another version of the device language. Use the program of the same version.',
  'wrong-code': 'There is no such code. Read it again from the tablet; each is good for one device and for 10 minutes.',
  'not-paired': 'The technician did not accept this device, or has disconnected it.',
  'tablet-away': 'The tablet is not at the job.',
  replaced: 'Another connection of this device took its place.',
  unreadable: 'The server could not read what was sent.',
  'too-much': 'Too much was sent, or too many codes were tried. Wait a minute and try again.',
};

const ASIDE: Readonly<Record<AsideReason, string>> = {
  'no-torque': 'it is no torque',
  'no-torque-step': 'the step in hand took no torque',
  'all-done': 'all fasteners were done',
  'not-used': 'it came late and the technician did not use it',
};

/** What a wrench sent that is of no fastener, and why. */
export function sayAside({ peak, why, wrench }: SetAside): string {
  return `Wrench ${wrench.number} sent ${sayNumber(peak.value)} ${peak.unit}, not used: ${ASIDE[why]}`;
}

/** "Read by wrench TW-03, calibrated until 2027-06-30: 32 readings, 2 of them late". */
export function sayReadBy({ number, calibratedUntil, count, late }: ReadBy, day: (iso: string) => string): string {
  const readings = `${counted(count, 'reading', 'readings')}${late > 0 ? `, ${late} of them late` : ''}`;
  if (number === undefined) return `Typed: ${readings}`;
  const until = calibratedUntil === undefined ? 'no calibration date' : `calibrated until ${day(calibratedUntil)}`;
  return `Wrench ${number}, ${until}: ${readings}`;
}
