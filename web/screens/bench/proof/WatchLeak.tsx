import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { LONGEST_WATCH_S, MOST_DROPS, type Proof } from '#core/proving/proofs';
import { readNumber } from '#core/quantity/quantity';
import { setWatch, useWatches } from '../../../state/watches';
import frame from '../Bench.module.css';
import { clockText, useSeconds } from '../Clock';
import { ReadingFault, TypedFigure } from '../DemandParts';
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

/** At least one; a watch that was forgotten ends where the longest does. */
function wholeSeconds(ms: number): number {
  return Math.min(LONGEST_WATCH_S, Math.max(1, Math.round(ms / 1000)));
}

function TypedWatch({ onWatched }: Pick<WatchLeakProps, 'onWatched'>) {
  const { t } = useTranslation();
  const [minutes, setMinutes] = useState('');
  const [drops, setDrops] = useState('');
  const [fault, setFault] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const [time, count] = [readNumber(minutes), readNumber(drops)];
    if (!(time > 0 && 60 * time <= LONGEST_WATCH_S)) return setFault(t('bench.readingBad', { text: minutes }));
    if (!(Number.isInteger(count) && count >= 0 && count <= MOST_DROPS))
      return setFault(t('bench.readingBad', { text: drops }));
    setFault('');
    await onWatched({ what: 'leak', seconds: wholeSeconds(time * 60_000), drops: count });
    setMinutes('');
    setDrops('');
  };
  return (
    <form className={`${styles.watch} ${styles.wide}`} onSubmit={submit} data-instead>
      <TypedFigure label={t('proof.leak.typeMinutes')} value={minutes} onChange={setMinutes} />
      <TypedFigure label={t('proof.leak.typeDrops')} value={drops} onChange={setDrops} />
      <button type="submit" className={`${frame.medium} ${styles.wide}`}>
        {t('bench.enter')}
      </button>
      <ReadingFault fault={fault} />
    </form>
  );
}
