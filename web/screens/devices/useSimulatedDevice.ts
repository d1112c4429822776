import { nanoid } from 'nanoid';
import { useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { DeviceLink } from '#core/devices/link';
import { DEVICE_CHANNEL, firstThat, isLocal, localSocket } from '#core/devices/local';
import type { DeviceIdentity } from '#core/devices/message';
import { keepLinked } from '#core/devices/socket';
import { openSocket } from '../../ground/api';

/** A device in this page: pairs by a code, and can lose its link. */
export interface SimulatedDevice {
  readonly link: DeviceLink;
  readonly isCut: boolean;
  pair(code: string): void;
  cut(): void;
  restore(): void;
}

export function useSimulatedDevice(identity: DeviceIdentity, number: string): SimulatedDevice {
  const [, changed] = useReducer((count: number) => count + 1, 0);
  const link = useMemo(
    () => new DeviceLink({ ...identity, number }, { now: () => performance.now(), newId: () => nanoid(), changed }),
    [identity, number],
  );
  const stop = useRef<() => void>(undefined);
  const [isCut, setCut] = useState(false);
  useEffect(() => () => stop.current?.(), []);
  const connect = () => {
    stop.current?.();
    stop.current = keepLinked(link, {
      make: () => socketOf(link),
      later: (ms, then) => setTimeout(then, ms),
    });
  };
  return {
    link,
    isCut,
    pair: (code) => {
      link.pairBy(code);
      connect();
    },
    cut: () => {
      stop.current?.();
      link.closed();
      setCut(true);
    },
    restore: () => {
      setCut(false);
      if (link.isPaired) connect();
    },
  };
}

/** Through the server; where that is out of reach, to the bench in another page of this tablet. */
function socketOf({ credentials }: DeviceLink) {
  const here = () =>
    localSocket(credentials, {
      ...{ channel: new BroadcastChannel(DEVICE_CHANNEL), newId: nanoid },
      later: (ms, then) => setTimeout(then, ms),
    });
  return isLocal(credentials) ? here() : firstThat(openSocket('/api/devices'), here);
}
