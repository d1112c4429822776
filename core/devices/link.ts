import type { Sample } from '../proving/run';
import type { Wire } from './hub';
import type { DeviceIdentity, DeviceRefusal, DeviceTarget, FromDevice, ToDevice } from './message';
import { DEVICE_PROTOCOL } from './protocol';

type Measured = (FromDevice & { is: 'reading' })['peak'];

interface Kept {
  readonly id: string;
  readonly takenAt: number;
  readonly peak: Measured;
}

/** What lets a device in: the code the first time, a token of an earlier welcome afterwards. */
export interface Credentials {
  readonly code?: string;
  readonly token?: string;
}

/** How a device stands with its tablet. */
export type LinkState = 'off' | 'asking' | 'on' | 'lost';

export interface LinkMeans {
  /** Ms from any start that does not jump. */
  readonly now: () => number;
  readonly newId: () => string;
  /** Something of it has changed. */
  readonly changed: () => void;
}

/**
 * The end of a device: says who it is, comes back with its token, and keeps every reading until the tablet has it. What
 * was read while the link was lost is sent when it is back, with how long ago it was.
 */
export class DeviceLink {
  readonly identity: DeviceIdentity;
  state: LinkState = 'off';
  target: DeviceTarget | null = null;
  refused: DeviceRefusal | undefined;
  readonly #means: LinkMeans;
  #token: string | undefined;
  #code: string | undefined;
  #wire: Wire<FromDevice> | undefined;
  #battery: number | undefined;
  readonly #kept: Kept[] = [];

  constructor(identity: DeviceIdentity, means: LinkMeans) {
    this.identity = identity;
    this.#means = means;
  }

  /** Readings that the tablet has not confirmed. */
  get unsent(): number {
    return this.#kept.length;
  }

  /** Whether the tablet has confirmed a reading. */
  isSettled(id: string): boolean {
    return this.#kept.every((one) => one.id !== id);
  }

  /** Whether it may come back by itself. */
  get isPaired(): boolean {
    return this.#token !== undefined;
  }

  get credentials(): Credentials {
    return this.#token === undefined ? { code: this.#code ?? '' } : { token: this.#token };
  }

  /** To be paired by this code with the next connection. */
  pairBy(code: string): void {
    this.#code = code;
    this.#token = undefined;
    this.refused = undefined;
  }

  opened(wire: Wire<FromDevice>): void {
    this.#wire = wire;
    wire.send({ is: 'hello', protocol: DEVICE_PROTOCOL, device: this.identity, ...this.credentials });
  }

  closed(): void {
    this.#wire = undefined;
    this.state = this.#token === undefined ? 'off' : 'lost';
    this.#means.changed();
  }

  receive(message: ToDevice): void {
    switch (message.is) {
      case 'wait':
        this.state = 'asking';
        break;
      case 'welcome':
        this.state = 'on';
        this.refused = undefined;
        this.#token = message.token;
        if (this.#battery !== undefined) this.#wire?.send({ is: 'battery', percent: this.#battery });
        for (const kept of this.#kept) this.#send(kept);
        break;
      case 'target':
        this.target = message.target;
        break;
      case 'received': {
        const at = this.#kept.findIndex(({ id }) => id === message.id);
        if (at >= 0) this.#kept.splice(at, 1);
        break;
      }
      case 'refused':
        this.refused = message.why;
        if (message.why === 'not-paired') this.#token = undefined;
    }
    this.#means.changed();
  }

  /** A peak was read; gives its id. */
  read(peak: Measured): string {
    const kept = { id: this.#means.newId(), takenAt: this.#means.now(), peak };
    this.#kept.push(kept);
    if (this.state === 'on') this.#send(kept);
    this.#means.changed();
    return kept.id;
  }

  /** Sends what it still has once more, as a device does that missed the confirmation. */
  sendAgain(): void {
    if (this.state === 'on') for (const kept of this.#kept) this.#send(kept);
  }

  live(now: Measured): void {
    if (this.state === 'on') this.#wire?.send({ is: 'live', now });
  }

  /** What a test bench reads now; nothing is kept of it while the link is lost. */
  sample(values: Sample): void {
    if (this.state === 'on') this.#wire?.send({ is: 'sample', values });
  }

  battery(percent: number): void {
    this.#battery = percent;
    if (this.state === 'on') this.#wire?.send({ is: 'battery', percent });
  }

  #send({ id, takenAt, peak }: Kept): void {
    this.#wire?.send({ is: 'reading', id, ageMs: Math.max(0, Math.round(this.#means.now() - takenAt)), peak });
  }
}
