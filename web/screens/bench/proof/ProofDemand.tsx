import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { demandsOf } from '#core/job/demands';
import { latestProof } from '#core/job/latest-proof';
import type { Proved } from '#core/job/state';
import { sayOutcome } from '#core/language/en/proofs';
import { FELT, type Proof, type ProofsAsked, STANDS } from '#core/proving/proofs';
import frame from '../Bench.module.css';
import { PassOver } from '../DemandParts';
import type { DemandsProps } from '../Demands';
import styles from './Proof.module.css';
import { WatchLeak } from './WatchLeak';

interface ProofDemandProps extends DemandsProps {
  readonly proofs: ProofsAsked;
}

/** What is proved by hand: how it turns, where the oil stands, and whether it stays dry. */
export function ProofDemand({ bench, step, run, inHand, proofs }: ProofDemandProps) {
  const { t } = useTranslation();
  const { turning, level, leak } = proofs;
  const turned = latestProof(run.proved, 'turning');
  const stood = latestProof(run.proved, 'level');
  const watched = latestProof(run.proved, 'leak');
  const felt = turned?.proof.felt;
  const stands = stood?.proof.stands;
  const keep = (proof: Proof) => bench.enter({ kind: 'proved', stepId: step.id, proof });
  const isOpen = demandsOf(step, run, bench.job.release.workbook).some((demand) => demand.what === 'proof');
  return (
    <>
      {turning && (
        <OneProof
          title={t('proof.turning.title')}
          todo={t('proof.turning.todo', { count: turning.turns })}
          latest={turned}
          inHand={inHand}
        >
          <Choices
            of={FELT}
            chosen={felt}
            label={(one) => t(`proof.turning.felt.${one}`)}
            onChoose={(one) => keep({ what: 'turning', felt: one })}
          />
          {felt && felt !== 'free' && <Advice>{t(`proof.turning.advice.${felt}`)}</Advice>}
        </OneProof>
      )}
      {level && (
        <OneProof
          title={t('proof.level.title')}
          todo={level.mark ? t('proof.level.todoAt', { mark: level.mark }) : t('proof.level.todo')}
          latest={stood}
          inHand={inHand}
        >
          <Choices
            of={STANDS}
            chosen={stands}
            label={(one) => t(`proof.level.stands.${one}`)}
            onChoose={(one) => keep({ what: 'level', stands: one })}
          />
          {stands && stands !== 'at' && <Advice>{t(`proof.level.advice.${stands}`)}</Advice>}
        </OneProof>
      )}
      {leak && (
        <OneProof
          title={t('proof.leak.title')}
          todo={t(leak.drops > 0 ? 'proof.leak.todoDrops' : 'proof.leak.todo', {
            count: leak.minutes,
            drops: leak.drops,
          })}
          latest={watched}
          inHand={inHand}
        >
          <p className="quiet">{t('proof.leak.caution')}</p>
          {watched && watched.verdict !== 'good' && (
            <Advice>{`${sayOutcome(watched.proof)}. ${t(`proof.leak.advice.${watched.verdict}`)}`}</Advice>
          )}
          <WatchLeak id={`${bench.job.id} ${step.id}`} onWatched={keep} />
        </OneProof>
      )}
      <PassOver bench={bench} stepId={step.id} run={run} what="proof" offered={inHand && isOpen} />
    </>
  );
}

interface OneProofProps {
  readonly title: string;
  readonly todo: string;
  readonly latest: Proved | undefined;
  readonly inHand: boolean;
  /** How it is entered. */
  readonly children: ReactNode;
}

/** Once it is good, one line with the way to do it again. */
function OneProof({ title, todo, latest, inHand, children }: OneProofProps) {
  const { t } = useTranslation();
  const [again, setAgain] = useState<Proved>();
  const isGood = latest?.verdict === 'good' && again !== latest;
  return (
    <section className={styles.proof} aria-label={title}>
      {isGood || !inHand ? (
        <div className={styles.line}>
          <h2>{title}</h2>
          <output className={isGood ? styles.good : styles.bad}>{latest && sayOutcome(latest.proof)}</output>
          {inHand && (
            <button type="button" className={frame.medium} onClick={() => setAgain(latest)}>
              {t('proof.again')}
            </button>
          )}
        </div>
      ) : (
        <>
          <h2>{title}</h2>
          <p>{todo}</p>
          {children}
        </>
      )}
    </section>
  );
}

interface ChoicesProps<T extends string> {
  readonly of: readonly T[];
  readonly chosen: T | undefined;
  readonly label: (one: T) => string;
  readonly onChoose: (one: T) => Promise<unknown>;
}

function Choices<T extends string>({ of, chosen, label, onChoose }: ChoicesProps<T>) {
  return (
    <div className={styles.choices}>
      {of.map((one) => (
        <button
          key={one}
          type="button"
          className={`${frame.medium} ${chosen === one ? frame.chosen : ''}`}
          aria-pressed={chosen === one}
          onClick={() => void onChoose(one)}
        >
          {label(one)}
        </button>
      ))}
    </div>
  );
}

function Advice({ children }: { children: string }) {
  return (
    <p className={styles.advice} role="status">
      {children}
    </p>
  );
}
