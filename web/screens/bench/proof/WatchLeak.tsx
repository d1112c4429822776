import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Proof } from '#core/proving/proofs';
import { readNumber } from '#core/quantity/quantity';
import { setWatch, useWatches } from '../../../state/watches';
import frame from '../Bench.module.css';
import { clockText, useSeconds } from '../Clock';
import { ReadingFault } from '../DemandParts';
import styles from './Proof.module.css';

interface WatchLeakProps {
  /** Of what is watched, so that it goes on through a reload. */
  readonly id: string;
  readonly onWatched: (proof: Proof) => Promise<unknown>;
}

/** The time runs while the pump is watched, and each drop is tapped; or both are typed afterwards. */
export function WatchLeak({ id, onWatched }: WatchLeakProps) {
  const { t } = useTranslation();
  const watch = useWatches((watches) => watches[id]);
  const now = useSeconds(watch !== undefined);
  if (!watch) {
    return (
      <div className={styles.watch}>
        <button
          type="button"
          className={`${frame.medium} ${frame.go} ${styles.wide}`}
          onClick={() => setWatch(id, { since: Date.now(), drops: 0 })}
        >
          {t('proof.leak.start')}
        </button>
        <TypedWatch onWatched={onWatched} />
      </div>
    );
  }
  const { since, drops } = watch;
  const stop = async () => {
    if (await onWatched({ what: 'leak', seconds: wholeSeconds(Date.now() - since), drops })) setWatch(id, undefined);
  };
  return (
    <div className={styles.watch}>
      <output className="number">
        {t('proof.leak.watched', { time: clockText(Math.max(0, now - since)), drops })}
      </output>
      <button type="button" className={frame.medium} onClick={() => setWatch(id, { since, drops: drops + 1 })}>
        {t('proof.leak.drop')}
      </button>
      <button type="button" className={`${frame.medium} ${frame.go}`} onClick={() => void stop()}>
        {t('proof.leak.stop')}
      </button>
    </div>
  );
}

/** Longer than anybody watches; a watch that was forgotten ends there. */
const MOST_MINUTES = 7 * 1440;
const MOST_DROPS = 100_000;

function wholeSeconds(ms: number): number {
  return Math.min(MOST_MINUTES * 60, Math.max(1, Math.round(ms / 1000)));
}

function TypedWatch({ onWatched }: Pick<WatchLeakProps, 'onWatched'>) {
  const { t } = useTranslation();
  const [minutes, setMinutes] = useState('');
  const [drops, setDrops] = useState('');
  const [fault, setFault] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const [time, count] = [readNumber(minutes), readNumber(drops)];
    if (!(time > 0 && time <= MOST_MINUTES)) return setFault(t('bench.readingBad', { text: minutes }));
    if (!(Number.isInteger(count) && count >= 0 && count <= MOST_DROPS))
      return setFault(t('bench.readingBad', { text: drops }));
    setFault('');
    await onWatched({ what: 'leak', seconds: wholeSeconds(time * 60_000), drops: count });
    setMinutes('');
    setDrops('');
  };
  return (
    <form className={`${styles.watch} ${styles.wide}`} onSubmit={submit}>
      <label>
        {t('proof.leak.typeMinutes')}
        <input
          className={frame.entry}
          inputMode="decimal"
          autoComplete="off"
          value={minutes}
          onChange={(event) => setMinutes(event.currentTarget.value)}
        />
      </label>
      <label>
        {t('proof.leak.typeDrops')}
        <input
          className={frame.entry}
          inputMode="numeric"
          autoComplete="off"
          value={drops}
          onChange={(event) => setDrops(event.currentTarget.value)}
        />
      </label>
      <button type="submit" className={`${frame.medium} ${styles.wide}`}>
        {t('bench.enter')}
      </button>
      <ReadingFault fault={fault} />
    </form>
  );
}
