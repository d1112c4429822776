import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { AsideReason } from '#core/job/entry-words';
import { runOf } from '#core/job/job';
import { latestAt, type TighteningSpot, torqueAt } from '#core/job/tightening';
import { asideFor, type PlacedReading, placeReading, torqueOf, type WrenchReading } from '#core/job/wrench-reading';
import type { Step } from '#core/model/procedure';
import type { TorqueFigure } from '#core/model/torque-figure';
import type { Quantity } from '#core/quantity/schema';
import { torqueWindow } from '#core/torque/judge';
import type { BenchJob } from '../../../sync/bench-job';
import { type Arrived, type DevicesState, TabletDevices } from '../../../sync/devices';
import type { Tightening } from '../joint/useTightening';

/** What became of the latest reading. */
export interface Told {
  readonly reading: WrenchReading;
  readonly is: 'taken' | 'repeated' | AsideReason;
  readonly entry?: { readonly positionId: string | null; readonly spot: TighteningSpot | undefined };
}

/** Connected wrenches at a job, and where their readings go. */
export interface ConnectedWrench {
  readonly devices: TabletDevices;
  readonly state: DevicesState;
  /** What a wrench is pulled to now. */
  readonly torque: TorqueFigure | undefined;
  readonly told: Told | undefined;
  /** What a wrench shows while it is pulled. */
  readonly live: Quantity | undefined;
  /** A reading from before the link was lost, and the fastener it would be of. */
  readonly late: { readonly reading: WrenchReading; readonly placed: PlacedReading & { is: 'asked' } } | undefined;
  takeLate(): void;
  leaveLate(): void;
  /** The latest reading was of another fastener. */
  move(spot: TighteningSpot): void;
}

interface AtBench {
  readonly bench: BenchJob;
  readonly me: string;
  readonly step: Step | undefined;
  readonly inHand: boolean;
  readonly tightening: Tightening | undefined;
}

export function useWrench({ bench, me, step, inHand, tightening }: AtBench): ConnectedWrench {
  const { job, state } = bench;
  const { workbook } = job.release;
  const devices = useMemo(() => new TabletDevices(job.id), [job.id]);
  const connected = useSyncExternalStore(devices.subscribe, () => devices.state);
  const [told, setTold] = useState<Told>();
  const place = tightening?.place ?? null;
  const spot = tightening?.spot;

  useEffect(() => {
    if (inHand) void devices.resume();
    return () => devices.close();
  }, [devices, inHand]);

  const asked = inHand ? step?.run : undefined;
  const torque =
    inHand && step ? (spot ? torqueAt(step, workbook, spot) : tightening ? undefined : step.torque) : undefined;
  useEffect(() => {
    if (asked) return devices.target({ ...asked.speed, low: asked.speed.value, high: asked.speed.value });
    if (!torque) return devices.target(null);
    const { low, high } = torqueWindow(torque);
    devices.target({ ...torque.figure, low: low.value, high: high.value });
  }, [devices, torque, asked]);

  const ofWrenches = connected.arrived.filter(({ from }) => from.kind === 'torque-wrench');
  const placed = ofWrenches.map((arrived) => {
    const reading = readingOf(arrived);
    return { arrived, reading, placed: placeReading(reading, { step, place, spot }, state, me, workbook) };
  });
  // One after the other: where the next one goes hangs on the one before.
  const next = placed.find(({ placed: { is } }) => is !== 'asked');
  const entering = useRef<string>(undefined);
  useEffect(() => {
    if (!next) return;
    if (next.placed.is === 'known') return devices.settle(next.arrived);
    if (next.placed.is === 'waits' || entering.current === next.reading.id) return;
    entering.current = next.reading.id;
    void keep(next.reading, next.placed);
  });

  async function keep(reading: WrenchReading, { content, ...rest }: Exclude<PlacedReading, { is: 'known' | 'waits' }>) {
    await bench.enter(content);
    const is = rest.is === 'aside' ? rest.why : 'note' in rest && rest.note ? rest.note : 'taken';
    setTold({
      reading,
      is,
      ...(content.kind === 'torque-read' && { entry: { positionId: content.positionId, spot: content.spot } }),
    });
  }

  const late = placed.find((one): one is typeof one & { placed: { is: 'asked' } } => one.placed.is === 'asked');
  const live = connected.paired.find((one) => one.live)?.live;
  return {
    devices,
    state: connected,
    torque,
    told,
    live: live && torqueOf(live),
    late,
    takeLate: () => late && void keep(late.reading, late.placed),
    leaveLate: () => late && void keep(late.reading, asideFor(late.reading, 'not-used')),
    move: (to) => {
      const was = told?.entry;
      if (!step || !told || !was?.spot) return;
      const moved = latestAt(runOf(state, step.id), was.positionId, was.spot);
      if (moved?.wrench?.reading !== told.reading.id) return;
      void bench.enter({
        kind: 'torque-moved',
        stepId: step.id,
        entryId: moved.entryId,
        positionId: was.positionId,
        spot: to,
      });
      setTold({ ...told, reading: told.reading, is: 'taken', entry: { positionId: was.positionId, spot: to } });
    },
  };
}

function readingOf({ id, takenAt, ageMs, peak, from }: Arrived): WrenchReading {
  const { number, calibratedUntil } = from;
  return { id, takenAt, ageMs, peak, wrench: { number, ...(calibratedUntil !== undefined && { calibratedUntil }) } };
}
