import type { Wire } from '#core/devices/hub';
import {
  DEVICE_PROTOCOL,
  type DeviceIdentity,
  type DeviceTarget,
  type FromTablet,
  ToTablet,
} from '#core/devices/message';
import { readMessage } from '#core/devices/reading';
import { keepOpen } from '#core/devices/socket';
import { openSocket } from '../ground/api';
import { device, deviceId } from '../ground/device';

type Measured = (ToTablet & { is: 'reading' })['peak'];

/** A reading that has come and is not kept in the job yet. */
export interface Arrived {
  readonly pairing: string;
  readonly id: string;
  readonly takenAt: string;
  readonly ageMs: number;
  readonly peak: Measured;
  readonly from: DeviceIdentity;
}

export interface PairedDevice {
  readonly pairing: string;
  readonly device: DeviceIdentity;
  readonly isHere: boolean;
  readonly battery?: number;
  /** While it is pulled. */
  readonly live?: Measured;
}

export interface DevicesState {
  /** `elsewhere`: another page of this browser has taken them. */
  readonly link: 'off' | 'opening' | 'on' | 'lost' | 'elsewhere';
  readonly code: string | undefined;
  readonly asks: readonly { readonly pairing: string; readonly device: DeviceIdentity }[];
  readonly paired: readonly PairedDevice[];
  readonly arrived: readonly Arrived[];
}

const CLOSED: DevicesState = { link: 'off', code: undefined, asks: [], paired: [], arrived: [] };
/** After this share of its life a code is replaced. */
const RENEWED_AT = 0.9;
/** What is shown while a wrench is pulled goes when nothing more comes. */
const LIVE_MS = 1500;

/** The end of the tablet: the devices accepted for one job, and what they send. */
export class TabletDevices {
  state: DevicesState = CLOSED;
  readonly #jobId: string;
  readonly #heard = new Set<() => void>();
  #wire: Wire<FromTablet> | undefined;
  #stop: (() => void) | undefined;
  #target: DeviceTarget | null = null;
  #quiet: ReturnType<typeof setTimeout> | undefined;
  #renewal: ReturnType<typeof setTimeout> | undefined;

  constructor(jobId: string) {
    this.#jobId = jobId;
  }

  readonly subscribe = (heard: () => void) => {
    this.#heard.add(heard);
    return () => this.#heard.delete(heard);
  };

  /** Those accepted before come back; nothing is opened where there are none. */
  async resume(): Promise<void> {
    const known = await device.devices.where('jobId').equals(this.#jobId).toArray();
    if (known.length === 0 || this.#stop) return;
    this.#change({ paired: known.map(({ pairing, device: one }) => ({ pairing, device: one, isHere: false })) });
    this.open();
  }

  open(): void {
    this.#stop?.();
    this.#change({ link: 'opening' });
    this.#stop = keepOpen<FromTablet, ToTablet>({
      make: () => openSocket(`/api/jobs/${this.#jobId}/devices`),
      read: (data) => readMessage(ToTablet, data),
      opened: (wire) => void this.#opened(wire),
      receive: (message) => void this.#receive(message),
      closed: () => {
        this.#wire = undefined;
        const paired = this.state.paired.map((one) => ({ ...one, isHere: false }));
        this.#change({
          link: this.state.link === 'elsewhere' ? 'elsewhere' : 'lost',
          paired,
          asks: [],
          code: undefined,
        });
      },
      again: () => this.state.link !== 'elsewhere',
      later: (ms, then) => setTimeout(then, ms),
    });
  }

  close(): void {
    this.#stop?.();
    this.#stop = undefined;
    this.#wire = undefined;
    clearTimeout(this.#quiet);
    clearTimeout(this.#renewal);
    // A code or a link that is shown from before would not hold any more.
    this.#change(CLOSED);
  }

  accept(pairing: string): void {
    this.#wire?.send({ is: 'accept', pairing });
  }

  /** Refuses one that asks, or disconnects one for good. */
  async refuse(pairing: string): Promise<void> {
    this.#wire?.send({ is: 'refuse', pairing });
    await device.devices.delete(pairing);
    const without = <One extends { pairing: string }>(all: readonly One[]) =>
      all.filter((one) => one.pairing !== pairing);
    this.#change({ asks: without(this.state.asks), paired: without(this.state.paired) });
  }

  target(target: DeviceTarget | null): void {
    if (JSON.stringify(target) === JSON.stringify(this.#target)) return;
    this.#target = target;
    this.#wire?.send({ is: 'target', target });
  }

  /** It is kept in the job; the device may forget it. */
  settle({ pairing, id }: Arrived): void {
    this.#wire?.send({ is: 'received', pairing, id });
    this.#change({ arrived: this.state.arrived.filter((one) => one.id !== id) });
  }

  async #opened(wire: Wire<FromTablet>): Promise<void> {
    const known = await device.devices.where('jobId').equals(this.#jobId).toArray();
    this.#wire = wire;
    wire.send({
      ...{ is: 'open', protocol: DEVICE_PROTOCOL, tabletId: await deviceId() },
      pairings: known.map(({ pairing }) => pairing),
    });
    wire.send({ is: 'target', target: this.#target });
  }

  async #receive(message: ToTablet): Promise<void> {
    const { state } = this;
    switch (message.is) {
      case 'code':
        clearTimeout(this.#renewal);
        // Before it runs out, so that the one on the screen is always good.
        this.#renewal = setTimeout(() => this.#wire?.send({ is: 'new-code' }), RENEWED_AT * message.seconds * 1000);
        return this.#change({ link: 'on', code: message.code });
      case 'asks':
        return this.#change({ asks: [...state.asks, { pairing: message.pairing, device: message.device }] });
      case 'connected': {
        const { pairing, device: identity } = message;
        await device.devices.put({ pairing, jobId: this.#jobId, device: identity });
        const others = this.state.paired.filter((one) => one.pairing !== pairing);
        const asks = this.state.asks.filter((one) => one.pairing !== pairing);
        return this.#change({ asks, paired: [...others, { pairing, device: identity, isHere: true }] });
      }
      case 'lost':
        this.#change({ asks: state.asks.filter(({ pairing }) => pairing !== message.pairing) });
        return this.#of(message.pairing, { isHere: false });
      case 'battery':
        return this.#of(message.pairing, { battery: message.percent });
      case 'live':
        clearTimeout(this.#quiet);
        this.#quiet = setTimeout(() => this.#still(), LIVE_MS);
        return this.#of(message.pairing, { live: message.now });
      case 'reading': {
        const { pairing, id, ageMs, peak } = message;
        const from = state.paired.find((one) => one.pairing === pairing)?.device;
        if (!from || state.arrived.some((one) => one.id === id)) return;
        const takenAt = new Date(Date.now() - ageMs).toISOString();
        this.#change({ arrived: [...state.arrived, { pairing, id, takenAt, ageMs, peak, from }] });
        return this.#still();
      }
      case 'replaced':
        return this.#change({ link: 'elsewhere' });
      case 'refused':
        return this.#change({ link: 'lost' });
    }
  }

  #still(): void {
    this.#change({ paired: this.state.paired.map(({ live: _live, ...one }) => one) });
  }

  #of(pairing: string, change: Partial<PairedDevice>): void {
    this.#change({ paired: this.state.paired.map((one) => (one.pairing === pairing ? { ...one, ...change } : one)) });
  }

  #change(change: Partial<DevicesState>): void {
    this.state = { ...this.state, ...change };
    for (const heard of this.#heard) heard();
  }
}
