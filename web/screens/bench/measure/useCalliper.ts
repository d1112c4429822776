import { useEffect, useRef, useState } from 'react';
import { type MeasuringSpot, placeLength } from '#core/job/length-reading';
import type { Step } from '#core/model/procedure';
import type { BenchJob } from '../../../sync/bench-job';
import type { DevicesState, TabletDevices } from '../../../sync/devices';

/** What became of the latest reading of a connected calliper. */
export interface CalliperTold {
  readonly text: string;
  readonly is: 'taken' | 'late' | 'no-size' | 'nothing-open';
}

export interface ConnectedCalliper {
  readonly told: CalliperTold | undefined;
  /** The spot that the next reading is for, where one was tapped. */
  readonly tapped: MeasuringSpot | undefined;
  tap(spot: MeasuringSpot | undefined): void;
}

interface AtBench {
  readonly bench: BenchJob;
  readonly me: string;
  readonly step: Step | undefined;
  readonly devices: TabletDevices;
  readonly connected: DevicesState;
}

/** Readings of a connected calliper go to the spot that was tapped, else to the next one that is open. */
export function useCalliper({ bench, me, step, devices, connected }: AtBench): ConnectedCalliper {
  const { job, state } = bench;
  const [told, setTold] = useState<CalliperTold>();
  const [tapped, setTapped] = useState<MeasuringSpot>();
  const entering = useRef<string>(undefined);
  const arrived = connected.arrived.find(({ from }) => from.kind === 'calliper');
  const sent = arrived && { ...arrived, number: arrived.from.number };
  const placed = sent && placeLength(sent, { step, tapped }, state, me, job.release.workbook);
  useEffect(() => {
    if (!arrived || !placed || placed.is === 'waits') return;
    if (placed.is === 'known') return devices.settle(arrived);
    if (entering.current === arrived.id) return;
    entering.current = arrived.id;
    const text = `${arrived.peak.value} ${arrived.peak.unit}`;
    if (placed.is === 'unused') {
      setTold({ text, is: placed.why });
      return devices.settle(arrived);
    }
    if (placed.is !== 'taken') return;
    setTapped(undefined);
    setTold({ text, is: 'taken' });
    void bench.enter(placed.content);
  });
  return { told, tapped, tap: setTapped };
}
