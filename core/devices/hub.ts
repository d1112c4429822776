import type {
  DeviceIdentity,
  DeviceRefusal,
  DeviceTarget,
  FromDevice,
  FromTablet,
  ToDevice,
  ToTablet,
} from './message';
import { DEVICE_PROTOCOL } from './protocol';

/** One end of a connection, whatever carries it. */
export interface Wire<Message> {
  send(message: Message): void;
  close(): void;
}

/** What a connection does with what arrives. */
export interface Seat<Message> {
  receive(message: Message): void;
  /** The other end is gone. */
  closed(): void;
}

/** What a token proves: this device was accepted by this tablet for this job. */
export interface Pairing {
  readonly id: string;
  readonly jobId: string;
  readonly tabletId: string;
  readonly number: string;
}

export interface HubMeans {
  readonly newId: () => string;
  /** Short, to be typed, and not to be guessed within its life. */
  readonly newCode: () => string;
  readonly now: () => number;
  readonly seal: (pairing: Pairing) => string;
  /** Undefined where the token was not made here. */
  readonly unseal: (token: string) => Pairing | undefined;
}

/** A code on the screen of a tablet is good for so long. */
export const CODE_LIFE_MS = 10 * 60 * 1000;

interface Device {
  readonly pairing: Pairing;
  readonly identity: DeviceIdentity;
  readonly wire: Wire<ToDevice>;
  accepted: boolean;
}

interface Tablet {
  readonly jobId: string;
  readonly tabletId: string;
  readonly wire: Wire<ToTablet>;
  readonly devices: Map<string, Device>;
  /** Pairings that the technician has accepted. */
  readonly accepted: Set<string>;
  code: string;
  target: DeviceTarget | null;
}

/**
 * Brings devices and tablets together. A device is let in by a code from the screen of one tablet at one job, and by the
 * technician who accepts it; it can send to that tablet only. Nothing is kept here: the tablet remembers whom it accepted,
 * and the device has a token, so that both come back after the hub was restarted.
 */
export class DeviceHub {
  readonly #means: HubMeans;
  readonly #tablets = new Map<string, Tablet>();
  readonly #codes = new Map<string, { readonly tablet: Tablet; readonly until: number }>();

  constructor(means: HubMeans) {
    this.#means = means;
  }

  /** A tablet at a job; whoever connects it has made sure that it may. */
  tablet(jobId: string, wire: Wire<ToTablet>): Seat<FromTablet> {
    let here: Tablet | undefined;
    return {
      receive: (message) => {
        if (message.is === 'open') {
          if (message.protocol !== DEVICE_PROTOCOL) return refuse(wire, 'other-protocol');
          if (!here) here = this.#openTablet(jobId, message.tabletId, message.pairings, wire);
          return;
        }
        if (here && this.#tablets.get(keyOf(here)) === here) this.#fromTablet(here, message);
      },
      closed: () => {
        if (here) this.#closeTablet(here);
      },
    };
  }

  device(wire: Wire<ToDevice>): Seat<FromDevice> {
    let here: { readonly tablet: Tablet; readonly device: Device } | undefined;
    return {
      receive: (message) => {
        if (message.is === 'hello') {
          if (here) return;
          const met = message.protocol === DEVICE_PROTOCOL ? this.#meet(message, wire) : 'other-protocol';
          if (typeof met === 'string') return refuse(wire, met);
          here = met;
          // Both may answer at once, so the seat is theirs before anything is told.
          if (met.tablet.accepted.has(met.device.pairing.id)) this.#welcome(met.tablet, met.device);
          else ask(met.tablet, met.device);
          return;
        }
        // Before the technician has accepted it, it has nothing to say.
        if (!here?.device.accepted) return;
        const { tablet, device } = here;
        const { is: _is, ...rest } = message;
        tablet.wire.send({ is: message.is, pairing: device.pairing.id, ...rest } as ToTablet);
      },
      closed: () => {
        if (!here) return;
        const { tablet, device } = here;
        if (tablet.devices.get(device.pairing.id) !== device) return;
        tablet.devices.delete(device.pairing.id);
        tablet.wire.send({ is: 'lost', pairing: device.pairing.id });
      },
    };
  }

  #openTablet(jobId: string, tabletId: string, pairings: readonly string[], wire: Wire<ToTablet>): Tablet {
    const tablet: Tablet = {
      ...{ jobId, tabletId, wire, devices: new Map(), accepted: new Set(pairings), code: '', target: null },
    };
    const before = this.#tablets.get(keyOf(tablet));
    if (before) {
      before.wire.send({ is: 'replaced' });
      this.#closeTablet(before);
      before.wire.close();
    }
    this.#tablets.set(keyOf(tablet), tablet);
    this.#newCode(tablet);
    return tablet;
  }

  #closeTablet(tablet: Tablet): void {
    if (this.#tablets.get(keyOf(tablet)) === tablet) this.#tablets.delete(keyOf(tablet));
    this.#codes.delete(tablet.code);
    for (const { wire } of tablet.devices.values()) refuse(wire, 'tablet-away');
    tablet.devices.clear();
  }

  #newCode(tablet: Tablet): void {
    const { now, newCode } = this.#means;
    this.#codes.delete(tablet.code);
    for (const [code, { until }] of this.#codes) if (until <= now()) this.#codes.delete(code);
    tablet.code = newCode();
    this.#codes.set(tablet.code, { tablet, until: now() + CODE_LIFE_MS });
    tablet.wire.send({ is: 'code', code: tablet.code, seconds: CODE_LIFE_MS / 1000 });
  }

  #fromTablet(tablet: Tablet, message: Exclude<FromTablet, { is: 'open' }>): void {
    switch (message.is) {
      case 'new-code':
        this.#newCode(tablet);
        break;
      case 'target':
        tablet.target = message.target;
        for (const device of tablet.devices.values()) if (device.accepted) device.wire.send(message);
        break;
      case 'accept': {
        const device = tablet.devices.get(message.pairing);
        if (device) this.#welcome(tablet, device);
        break;
      }
      case 'refuse': {
        const device = tablet.devices.get(message.pairing);
        tablet.accepted.delete(message.pairing);
        tablet.devices.delete(message.pairing);
        if (device) refuse(device.wire, 'not-paired');
        break;
      }
      case 'received':
        tablet.devices.get(message.pairing)?.wire.send({ is: 'received', id: message.id });
    }
  }

  /** The seat of a device that has said who it is, or why it gets none. */
  #meet(
    { code, token, device: identity }: FromDevice & { is: 'hello' },
    wire: Wire<ToDevice>,
  ): { tablet: Tablet; device: Device } | DeviceRefusal {
    if (token !== undefined) {
      const pairing = this.#means.unseal(token);
      if (!pairing || pairing.number !== identity.number) return 'not-paired';
      const tablet = this.#tablets.get(keyOf(pairing));
      if (!tablet) return 'tablet-away';
      if (!tablet.accepted.has(pairing.id)) return 'not-paired';
      return { tablet, device: this.#seat(tablet, { pairing, identity, wire, accepted: false }) };
    }
    const typed = readCode(code ?? '');
    const asked = this.#codes.get(typed);
    if (!asked || asked.until <= this.#means.now()) return 'wrong-code';
    const { tablet } = asked;
    // A code lets one device in.
    this.#newCode(tablet);
    const { jobId, tabletId } = tablet;
    const pairing = { id: this.#means.newId(), jobId, tabletId, number: identity.number };
    return { tablet, device: this.#seat(tablet, { pairing, identity, wire, accepted: false }) };
  }

  /** The same device twice: the connection that was there is dead, and does not know yet. */
  #seat(tablet: Tablet, device: Device): Device {
    const before = tablet.devices.get(device.pairing.id);
    tablet.devices.set(device.pairing.id, device);
    if (before) refuse(before.wire, 'replaced');
    return device;
  }

  #welcome(tablet: Tablet, device: Device): void {
    const { pairing, identity, wire } = device;
    device.accepted = true;
    tablet.accepted.add(pairing.id);
    wire.send({ is: 'welcome', token: this.#means.seal(pairing) });
    wire.send({ is: 'target', target: tablet.target });
    tablet.wire.send({ is: 'connected', pairing: pairing.id, device: identity });
  }
}

/** Without these no code is read wrongly: no I, L, O, U, 0, 1. */
export const CODE_LETTERS = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
export const CODE_LENGTH = 6;

/** A code as it is typed: in any case, with or without a gap. */
export function readCode(typed: string): string {
  return typed.toUpperCase().replace(/[^0-9A-Z]/g, '');
}

/** The technician decides. */
function ask(tablet: Tablet, { pairing, identity, wire }: Device): void {
  wire.send({ is: 'wait' });
  tablet.wire.send({ is: 'asks', pairing: pairing.id, device: identity });
}

function refuse(wire: Wire<{ is: 'refused'; why: DeviceRefusal }>, why: DeviceRefusal): void {
  wire.send({ is: 'refused', why });
  wire.close();
}

function keyOf({ jobId, tabletId }: Pick<Pairing, 'jobId' | 'tabletId'>): string {
  return `${jobId} ${tabletId}`;
}
