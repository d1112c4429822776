import { setTimeout as pause } from 'node:timers/promises';
import { nanoid } from 'nanoid';
import { WebSocket } from 'ws';
import { DeviceLink } from '#core/devices/link';
import { type PullKind, SIMULATED_WRENCH, simulatedPull } from '#core/devices/simulated/wrench';
import { keepLinked, type SocketLike } from '#core/devices/socket';
import { DEVICE_REFUSALS } from '#core/language/en/devices';

export interface HeadlessWrench {
  /** Of the server, such as http://localhost:4270. */
  readonly server: string;
  /** From the screen of the tablet. */
  readonly code: string;
  readonly number?: string;
  /** One after the other; each waits for a target. */
  readonly pulls: readonly PullKind[];
  readonly pauseMs: number;
  readonly tell: (line: string) => void;
}

const LOOK_AGAIN_MS = 50;
/** As long as a code is good. */
const LONGEST_WAIT_MS = 10 * 60 * 1000;

/** The stand-in for a connected wrench, without a screen: pairs, pulls, and ends when everything is on the tablet. */
export async function runWrench({ server, code, number, pulls, pauseMs, tell }: HeadlessWrench): Promise<void> {
  const identity = { ...SIMULATED_WRENCH, ...(number !== undefined && { number }) };
  const link = new DeviceLink(identity, {
    now: () => performance.now(),
    newId: () => nanoid(),
    changed: () => undefined,
  });
  link.pairBy(code);
  const address = new URL('/api/devices', server);
  address.protocol = address.protocol === 'https:' ? 'wss:' : 'ws:';
  const stop = keepLinked(link, {
    make: () => {
      const socket = new WebSocket(address);
      // Told by the close that follows.
      socket.on('error', () => undefined);
      return socket as unknown as SocketLike;
    },
    later: (ms, then) => setTimeout(then, ms),
  });
  const until = async (isSo: () => boolean) => {
    const given = performance.now() + LONGEST_WAIT_MS;
    while (!isSo()) {
      if (link.refused && !link.isPaired) throw new Error(DEVICE_REFUSALS[link.refused]);
      if (performance.now() > given)
        throw new Error(`Nothing came from ${server} in ${LONGEST_WAIT_MS / 60_000} minutes.`);
      await pause(LOOK_AGAIN_MS);
    }
  };
  try {
    await until(() => link.state !== 'off');
    tell(`${identity.number} waits to be accepted on the tablet.`);
    await until(() => link.state === 'on');
    tell('Connected.');
    for (const how of pulls) {
      await until(() => link.target !== null);
      const { target } = link;
      if (!target) continue;
      const { peaks, isSentAgain } = simulatedPull(how, target, Math.random);
      let waited = 0;
      for (const { peak, afterMs } of peaks) {
        await pause(afterMs - waited);
        waited = afterMs;
        link.read(peak);
        tell(`${how}: ${peak.value} ${peak.unit}`);
      }
      if (isSentAgain) link.sendAgain();
      await until(() => link.unsent === 0);
      await pause(pauseMs);
    }
  } finally {
    stop();
  }
}
