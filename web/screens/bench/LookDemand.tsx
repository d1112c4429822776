import { useTranslation } from 'react-i18next';
import type { StepRun } from '#core/job/job';
import type { Look } from '#core/model/looks';
import type { Step } from '#core/model/procedure';
import type { BenchJob } from '../../sync/bench-job';
import frame from './Bench.module.css';
import { PassOver } from './DemandParts';
import styles from './Demands.module.css';

interface LookDemandProps {
  readonly bench: BenchJob;
  readonly step: Step;
  readonly run: StepRun;
  readonly inHand: boolean;
  readonly looks: readonly Look[];
  readonly places: readonly (string | null)[];
  readonly placeName: (positionId: string | null) => string | undefined;
}

/** What is looked at, and what was found: sound, or one of the faults with what it means and what follows. */
export function LookDemand({ bench, step, run, inHand, looks, places, placeName }: LookDemandProps) {
  const { t } = useTranslation();
  const open = !run.overrides.look && places.some((place) => looks.some((look) => !findingAt(run, look, place)));
  return (
    <>
      {looks.map((look) => (
        <div key={look.id} className={styles.place}>
          <h2>{look.at}</h2>
          <p>
            {look.by ? t('look.soundBy', { sound: look.sound, by: look.by }) : t('look.soundIs', { sound: look.sound })}
          </p>
          {places.map((place) => {
            const found = findingAt(run, look, place);
            const fault = look.faults.find(({ id }) => id === found?.faultId);
            const enter = (faultId: string | null) =>
              bench.enter({ kind: 'looked', stepId: step.id, lookId: look.id, positionId: place, faultId });
            return (
              <fieldset key={place ?? 'all'} className={styles.found} aria-label={placeName(place) ?? look.at}>
                {placeName(place) && <legend>{placeName(place)}</legend>}
                <div className={styles.signs}>
                  <button
                    type="button"
                    className={`${frame.medium} ${found && found.faultId === null ? styles.chosen : ''}`}
                    aria-pressed={found?.faultId === null}
                    disabled={!inHand}
                    onClick={() => enter(null)}
                  >
                    {t('look.isSound')}
                  </button>
                  {look.faults.map(({ id, sign }) => (
                    <button
                      key={id}
                      type="button"
                      className={`${frame.medium} ${found?.faultId === id ? styles.chosen : ''}`}
                      aria-pressed={found?.faultId === id}
                      disabled={!inHand}
                      onClick={() => enter(id)}
                    >
                      {sign}
                    </button>
                  ))}
                </div>
                {fault && (
                  <p className={styles.consequence} role="status">
                    {fault.means} <strong>{t(`consequence.do.${fault.follows}`)}</strong>
                  </p>
                )}
              </fieldset>
            );
          })}
        </div>
      ))}
      <PassOver bench={bench} stepId={step.id} run={run} what="look" offered={inHand && open} />
    </>
  );
}

function findingAt(run: StepRun, look: Look, place: string | null) {
  return run.looked.find(({ lookId, positionId }) => lookId === look.id && positionId === place);
}
