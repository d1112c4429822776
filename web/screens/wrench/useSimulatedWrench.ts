import { nanoid } from 'nanoid';
import { useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { DeviceLink } from '#core/devices/link';
import { DEVICE_CHANNEL, firstThat, isLocal, localSocket } from '#core/devices/local';
import { type PullKind, SIMULATED_WRENCH, simulatedPull } from '#core/devices/simulated/wrench';
import { keepLinked } from '#core/devices/socket';
import { openSocket } from '../../ground/api';

/** One reading as the wrench remembers it. */
export interface Remembered {
  readonly id: string;
  readonly text: string;
}

const PULL_MS = 900;
const LIVE_EVERY_MS = 90;
/** Each pull takes so much of the battery. */
const PERCENT_A_PULL = 0.2;
const START_PERCENT = 80;

/** A connected wrench in this page: pairs by a code, is pulled, and can lose its link. */
export function useSimulatedWrench(number: string) {
  const [, changed] = useReducer((count: number) => count + 1, 0);
  const link = useMemo(
    () =>
      new DeviceLink({ ...SIMULATED_WRENCH, number }, { now: () => performance.now(), newId: () => nanoid(), changed }),
    [number],
  );
  const stop = useRef<() => void>(undefined);
  const [isCut, setCut] = useState(false);
  const [battery, setBattery] = useState(START_PERCENT);
  const [shown, setShown] = useState(0);
  const [isPulling, setPulling] = useState(false);
  const [readings, setReadings] = useState<readonly Remembered[]>([]);
  useEffect(() => () => stop.current?.(), []);

  const connect = () => {
    stop.current?.();
    stop.current = keepLinked(link, {
      make: () => socketOf(link),
      later: (ms, then) => setTimeout(then, ms),
    });
  };
  const cut = () => {
    stop.current?.();
    link.closed();
    setCut(true);
  };
  const restore = () => {
    setCut(false);
    if (link.isPaired) connect();
  };
  const charge = (percent: number) => {
    setBattery(percent);
    link.battery(percent);
  };

  const pull = async (how: PullKind) => {
    const { target } = link;
    if (!target || isPulling) return;
    setPulling(true);
    const { peaks, isSentAgain } = simulatedPull(how, target, Math.random);
    let waited = 0;
    for (const { peak, afterMs } of peaks) {
      const rise = afterMs > 0 ? afterMs - waited : PULL_MS;
      waited = afterMs;
      const steps = Math.max(1, Math.round(rise / LIVE_EVERY_MS));
      for (let i = 1; i <= steps; i += 1) {
        const now = (peak.value * i) / steps;
        setShown(now);
        link.live({ ...peak, value: Number(now.toPrecision(3)) });
        await new Promise((then) => setTimeout(then, rise / steps));
      }
      const id = link.read(peak);
      setReadings((before) => [{ id, text: `${peak.value} ${peak.unit}` }, ...before].slice(0, MOST_SHOWN));
    }
    if (isSentAgain) link.sendAgain();
    charge(Math.max(0, Number((battery - PERCENT_A_PULL).toFixed(1))));
    setShown(0);
    setPulling(false);
  };

  return {
    link,
    ...{ isCut, battery, shown, isPulling, readings },
    pair: (code: string) => {
      link.pairBy(code);
      connect();
    },
    ...{ cut, restore, charge, pull },
  };
}

const MOST_SHOWN = 8;

/** Through the server; where that is out of reach, to the bench in another page of this tablet. */
function socketOf({ credentials }: DeviceLink) {
  const here = () =>
    localSocket(credentials, {
      ...{ channel: new BroadcastChannel(DEVICE_CHANNEL), newId: nanoid },
      later: (ms, then) => setTimeout(then, ms),
    });
  return isLocal(credentials) ? here() : firstThat(openSocket('/api/devices'), here);
}
