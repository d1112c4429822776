import { useState } from 'react';
import { type PullKind, SIMULATED_WRENCH, simulatedPull } from '#core/devices/simulated/wrench';
import { useSimulatedDevice } from './useSimulatedDevice';

/** One reading as the device remembers it. */
export interface Remembered {
  readonly id: string;
  readonly text: string;
}

const PULL_MS = 900;
const LIVE_EVERY_MS = 90;
/** Each pull takes so much of the battery. */
const PERCENT_A_PULL = 0.2;
const START_PERCENT = 80;
export const MOST_SHOWN = 8;

/** A connected wrench in this page: it is pulled, and its battery runs down. */
export function useSimulatedWrench(number: string) {
  const device = useSimulatedDevice(SIMULATED_WRENCH, number);
  const { link } = device;
  const [battery, setBattery] = useState(START_PERCENT);
  const [shown, setShown] = useState(0);
  const [isPulling, setPulling] = useState(false);
  const [readings, setReadings] = useState<readonly Remembered[]>([]);
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
  return { device, link, battery, shown, isPulling, readings, charge, pull };
}
