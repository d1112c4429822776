import { customAlphabet, nanoid } from 'nanoid';
import { CODE_LENGTH, CODE_LETTERS, type Seat, type Wire } from '#core/devices/hub';
import { createLocalHub, DEVICE_CHANNEL, serveLocally } from '#core/devices/local';
import { type FromTablet, ToTablet } from '#core/devices/message';
import { readMessage } from '#core/devices/reading';
import { keepOpen } from '#core/devices/socket';
import { openSocket } from '../ground/api';

/* How a tablet reaches devices. Apart from what it knows of them, since most jobs are done without a connected device. */

interface ThroughServer {
  opened(wire: Wire<FromTablet>): void;
  receive(message: ToTablet): void;
  closed(): void;
  again(): boolean;
}

/** Through the server, again and again while it is out of reach; gives how to stop it. */
export function linkThroughServer(jobId: string, { opened, receive, closed, again }: ThroughServer): () => void {
  return keepOpen<FromTablet, ToTablet>({
    make: () => openSocket(`/api/jobs/${jobId}/devices`),
    read: (data) => readMessage(ToTablet, data),
    ...{ opened, receive, closed, again },
    later: (ms, then) => setTimeout(then, ms),
  });
}

interface OnThisTablet {
  readonly jobId: string;
  readonly tabletId: string;
  receive(message: ToTablet): void;
  code(): string | undefined;
  taken(): void;
}

const newCode = customAlphabet(CODE_LETTERS, CODE_LENGTH);

/** A hub of its own, for devices in other pages of this tablet. */
export function hubOnThisTablet({ jobId, tabletId, receive, code, taken }: OnThisTablet): {
  seat: Seat<FromTablet>;
  stop: () => void;
} {
  const hub = createLocalHub({ newId: nanoid, newCode, now: () => performance.now() });
  const seat = hub.tablet(jobId, { send: receive, close: () => undefined });
  const channel = new BroadcastChannel(DEVICE_CHANNEL);
  return { seat, stop: serveLocally({ hub, jobId, tabletId, channel, code, taken }) };
}
