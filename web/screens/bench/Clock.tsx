import { useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { capital } from '#core/language/en/counted';
import { componentPhrase } from '#core/language/en/sentence';
import { componentById } from '#core/model/lookup';
import { type Timer, timersOf } from '#core/timing/clock';
import type { BenchJob } from '../../sync/bench-job';
import styles from './Clock.module.css';

/** What soaks, sets or is waited for, counted down; a sound tells when it is time. */
export function Clock({ bench }: { bench: BenchJob }) {
  const { job, state, entries } = bench;
  const timers = useMemo(() => timersOf(job.release.workbook, state, entries, job.startedAt), [job, state, entries]);
  const now = useSeconds(timers.length > 0);
  useSound(timers, now);
  if (timers.length === 0) return null;
  return (
    <ul className={styles.clock}>
      {timers.map((timer) => (
        <Running key={timer.id} timer={timer} now={now} bench={bench} />
      ))}
    </ul>
  );
}

function Running({ timer, now, bench }: { timer: Timer; now: number; bench: BenchJob }) {
  const { t } = useTranslation();
  const { series } = bench.job.release.workbook;
  const left = Date.parse(timer.dueAt) - now;
  const component = timer.componentId === null ? undefined : componentById(series, timer.componentId);
  const part = component ? componentPhrase(component, component.count, false) : '';
  const what = timer.componentId === null ? 'wait' : timer.is === 'until' ? 'sets' : 'soaks';
  const compound = series.consumables.find(({ id }) => id === timer.consumableId)?.name ?? '';
  const look =
    left > 0 ? (timer.is === 'until' ? styles.until : '') : timer.is === 'until' ? styles.over : styles.ready;
  return (
    <li className={look} role={left > 0 ? undefined : 'alert'}>
      <b className="number">{`${left > 0 ? '' : '+'}${clockText(Math.abs(left))}`}</b>
      <span>{capital(t(`bench.clock.${what}.${left > 0 ? 'left' : 'over'}`, { part, compound }))}</span>
    </li>
  );
}

/** "12:05", "1:02:05". */
export function clockText(ms: number): string {
  const seconds = Math.round(ms / 1000);
  const two = (value: number) => String(value).padStart(2, '0');
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60];
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`;
}

const SECOND_MS = 1000;

export function useSeconds(isRunning: boolean): number {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    if (!isRunning) return;
    setNow(Date.now());
    const tick = setInterval(() => setNow(Date.now()), SECOND_MS);
    return () => clearInterval(tick);
  }, [isRunning]);
  return now;
}

/** A compound about to set is told so long before, in ms. */
const WARNED_MS = 2 * 60 * SECOND_MS;

/** Rings once for each timer that runs out while this screen is open, and before a compound sets. */
function useSound(timers: readonly Timer[], now: number): void {
  const rung = useRef(new Set<string>());
  useEffect(() => {
    for (const { id, is, dueAt } of timers) {
      const left = Date.parse(dueAt) - now;
      const key = left <= 0 ? `${id} over` : `${id} soon`;
      const isTime = left <= 0 ? left > -WARNED_MS : is === 'until' && left <= WARNED_MS;
      if (!isTime || rung.current.has(key)) continue;
      rung.current.add(key);
      ring();
    }
  }, [timers, now]);
}

const BEEPS = [0, 0.35, 0.7];
const HERTZ = 880;

function ring(): void {
  try {
    const sound = new AudioContext();
    for (const start of BEEPS) {
      const tone = sound.createOscillator();
      const volume = sound.createGain();
      volume.gain.value = 0.2;
      tone.frequency.value = HERTZ;
      tone.connect(volume).connect(sound.destination);
      tone.start(sound.currentTime + start);
      tone.stop(sound.currentTime + start + 0.2);
    }
    setTimeout(() => void sound.close(), 2 * SECOND_MS);
  } catch {
    // Without sound the reminder is still seen.
  }
}
