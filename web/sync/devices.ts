import type { Seat, Wire } from '#core/devices/hub';
import type { DeviceIdentity, DeviceTarget, FromTablet, ToTablet } from '#core/devices/message';
import { DEVICE_PROTOCOL } from '#core/devices/protocol';
import type { Sample } from '#core/proving/run';
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
  /** Connected to this tablet itself and not through the server. */
  readonly isOwn?: boolean;
  readonly battery?: number;
  /** While it is pulled. */
  readonly live?: Measured;
  /** What a test bench read last. */
  readonly sample?: Sample;
}

export interface DevicesState {
  /** `here`: without the server, from this tablet alone. `elsewhere`: another page of this browser has taken them. */
  readonly link: 'off' | 'opening' | 'on' | 'here' | 'elsewhere';
  readonly code: string | undefined;
  readonly asks: readonly { readonly pairing: string; readonly device: DeviceIdentity; readonly isOwn: boolean }[];
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
  /** Its own hub, from when the server was first out of reach. */
  #own: { readonly seat: Seat<FromTablet>; readonly stop: () => void } | undefined;
  #stop: (() => void) | undefined;
  #target: DeviceTarget | null = null;
  #quiet: ReturnType<typeof setTimeout> | undefined;
  readonly #codes: { server?: string; own?: string } = {};
  readonly #renewals: { server?: ReturnType<typeof setTimeout>; own?: ReturnType<typeof setTimeout> } = {};

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
    let stop: (() => void) | undefined;
    let isStopped = false;
    this.#stop = () => {
      isStopped = true;
      stop?.();
    };
    const closed = () => this.#closed();
    void import('./device-link').then(({ linkThroughServer }) => {
      if (isStopped) return;
      stop = linkThroughServer(this.#jobId, {
        opened: (wire) => void this.#opened(wire),
        receive: (message) => void this.#receive(message, false),
        closed,
        again: () => this.state.link !== 'elsewhere',
      });
    }, closed);
  }

  #closed(): void {
    this.#wire = undefined;
    if (this.state.link === 'elsewhere') return;
    const paired = this.state.paired.map((one) => (one.isOwn ? one : { ...one, isHere: false }));
    const asks = this.state.asks.filter(({ isOwn }) => isOwn);
    this.#change({ paired, asks });
    // What links them may not be on this device yet, and the network gone.
    void this.#serveHere().catch(() => undefined);
  }

  close(): void {
    this.#stop?.();
    this.#stop = undefined;
    this.#wire = undefined;
    this.#own?.stop();
    this.#own = undefined;
    clearTimeout(this.#quiet);
    clearTimeout(this.#renewals.server);
    clearTimeout(this.#renewals.own);
    // A code or a link that is shown from before would not hold any more.
    this.#change(CLOSED);
  }

  accept(pairing: string): void {
    this.#send({ is: 'accept', pairing });
  }

  /** Refuses one that asks, or disconnects one for good. */
  async refuse(pairing: string): Promise<void> {
    this.#send({ is: 'refuse', pairing });
    await device.devices.delete(pairing);
    const without = <One extends { pairing: string }>(all: readonly One[]) =>
      all.filter((one) => one.pairing !== pairing);
    this.#change({ asks: without(this.state.asks), paired: without(this.state.paired) });
  }

  target(target: DeviceTarget | null): void {
    if (JSON.stringify(target) === JSON.stringify(this.#target)) return;
    this.#target = target;
    this.#send({ is: 'target', target });
  }

  /** It is kept in the job; the device may forget it. */
  settle({ pairing, id }: Arrived): void {
    this.#send({ is: 'received', pairing, id });
    this.#change({ arrived: this.state.arrived.filter((one) => one.id !== id) });
  }

  async #opened(wire: Wire<FromTablet>): Promise<void> {
    const opening = await this.#opening();
    this.#wire = wire;
    wire.send(opening);
    wire.send({ is: 'target', target: this.#target });
  }

  async #opening(): Promise<FromTablet & { is: 'open' }> {
    const known = await device.devices.where('jobId').equals(this.#jobId).toArray();
    const pairings = known.map(({ pairing }) => pairing);
    return { is: 'open', protocol: DEVICE_PROTOCOL, tabletId: await deviceId(), pairings };
  }

  /** Without the server, devices on this tablet still reach it. */
  async #serveHere(): Promise<void> {
    if (this.#own) return this.#change({ link: 'here', code: this.#codes.own });
    const [opening, { hubOnThisTablet }] = await Promise.all([this.#opening(), import('./device-link')]);
    if (!this.#stop || this.#own || this.state.link === 'elsewhere') return;
    const { seat, stop } = hubOnThisTablet({
      ...{ jobId: this.#jobId, tabletId: opening.tabletId },
      receive: (message) => void this.#receive(message, true),
      code: () => this.#codes.own,
      taken: () => this.#change({ link: 'elsewhere' }),
    });
    this.#own = { seat, stop };
    addEventListener('pagehide', stop, { once: true });
    this.#change({ link: 'here' });
    seat.receive(opening);
    seat.receive({ is: 'target', target: this.#target });
  }

  /** To both hubs: one of them knows the device it is about. */
  #send(message: FromTablet): void {
    this.#wire?.send(message);
    this.#own?.seat.receive(message);
  }

  async #receive(message: ToTablet, isOwn: boolean): Promise<void> {
    const { state } = this;
    switch (message.is) {
      case 'code': {
        const by = isOwn ? 'own' : 'server';
        this.#codes[by] = message.code;
        clearTimeout(this.#renewals[by]);
        // Before it runs out, so that the one on the screen is always good.
        this.#renewals[by] = setTimeout(
          () => (isOwn ? this.#own?.seat.receive({ is: 'new-code' }) : this.#wire?.send({ is: 'new-code' })),
          RENEWED_AT * message.seconds * 1000,
        );
        if (!isOwn) return this.#change({ link: 'on', code: message.code });
        return state.link === 'here' ? this.#change({ code: message.code }) : undefined;
      }
      case 'asks':
        return this.#change({ asks: [...state.asks, { pairing: message.pairing, device: message.device, isOwn }] });
      case 'connected': {
        const { pairing, device: identity } = message;
        await device.devices.put({ pairing, jobId: this.#jobId, device: identity });
        const others = this.state.paired.filter((one) => one.pairing !== pairing);
        const asks = this.state.asks.filter((one) => one.pairing !== pairing);
        return this.#change({ asks, paired: [...others, { pairing, device: identity, isHere: true, isOwn }] });
      }
      case 'lost':
        this.#change({ asks: state.asks.filter((one) => one.pairing !== message.pairing || one.isOwn !== isOwn) });
        // It may be back by the other way already.
        if (state.paired.some((one) => one.pairing === message.pairing && Boolean(one.isOwn) !== isOwn)) return;
        return this.#of(message.pairing, { isHere: false });
      case 'battery':
        return this.#of(message.pairing, { battery: message.percent });
      case 'live':
        clearTimeout(this.#quiet);
        this.#quiet = setTimeout(() => this.#still(), LIVE_MS);
        return this.#of(message.pairing, { live: message.now });
      case 'sample':
        return this.#of(message.pairing, { sample: message.values });
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
        return this.#serveHere();
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
