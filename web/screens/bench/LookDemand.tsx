import { IconCamera } from '@tabler/icons-react';
import i18next from 'i18next';
import { useTranslation } from 'react-i18next';
import type { Looked, StepRun } from '#core/job/state';
import { signsFor, type WearSign } from '#core/language/en/wear-signs';
import type { Look } from '#core/model/looks';
import { componentById } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import { modals } from '../../ground/overlays';
import type { BenchJob } from '../../sync/bench-job';
import frame from './Bench.module.css';
import { PassOver } from './DemandParts';
import styles from './Demands.module.css';
import { JobPhoto } from './photo/JobPhoto';

interface LookDemandProps {
  readonly bench: BenchJob;
  readonly step: Step;
  readonly run: StepRun;
  readonly inHand: boolean;
  readonly looks: readonly Look[];
  readonly places: readonly (string | null)[];
  readonly placeName: (positionId: string | null) => string | undefined;
}

/** What is looked at, and what was found: sound, one of the faults with what follows, or something else that is seen. */
export function LookDemand(props: LookDemandProps) {
  const { bench, step, run, inHand, looks, places } = props;
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
          {places.map((place) => (
            <LookAt key={place ?? 'all'} {...props} look={look} place={place} />
          ))}
        </div>
      ))}
      <PassOver bench={bench} stepId={step.id} run={run} what="look" offered={inHand && open} />
    </>
  );
}

/** A look at one place. */
function LookAt({
  bench,
  step,
  run,
  inHand,
  look,
  place,
  placeName,
}: LookDemandProps & { look: Look; place: string | null }) {
  const { t } = useTranslation();
  const found = findingAt(run, look, place);
  const fault = found?.other ?? look.faults.find(({ id }) => id === found?.faultId);
  const means = look.faults.find(({ id }) => id === found?.faultId)?.means;
  const isSound = found !== undefined && found.faultId === null && !found.other;
  const about = { stepId: step.id, lookId: look.id, positionId: place };
  const enter = (faultId: string | null) => bench.enter({ kind: 'looked', ...about, faultId });
  const other = () =>
    openOther(signsOf(bench, step), ({ sign, follows }) =>
      bench.enter({ kind: 'looked', ...about, faultId: null, other: { sign, follows } }),
    );
  return (
    <fieldset className={styles.found} aria-label={placeName(place) ?? look.at}>
      {placeName(place) && <legend>{placeName(place)}</legend>}
      <div className={styles.signs}>
        <button
          type="button"
          className={`${frame.medium} ${isSound ? styles.chosen : ''}`}
          aria-pressed={isSound}
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
        <button
          type="button"
          className={`${frame.medium} ${found?.other ? styles.chosen : ''}`}
          aria-pressed={found?.other !== undefined}
          disabled={!inHand}
          onClick={other}
        >
          {found?.other?.sign ?? t('look.other')}
        </button>
      </div>
      {fault && (
        <p className={styles.consequence} role="status">
          {means} <strong>{t(`consequence.do.${fault.follows}`)}</strong>
        </p>
      )}
      {found && !isSound && <FoundPhoto bench={bench} found={found} inHand={inHand} stepId={step.id} />}
    </fieldset>
  );
}

/** A photo of what was found, where it was found. */
function FoundPhoto({
  bench,
  found,
  inHand,
  stepId,
}: {
  bench: BenchJob;
  found: Looked;
  inHand: boolean;
  stepId: string;
}) {
  const { t } = useTranslation();
  const { lookId, positionId, faultId, other } = found;
  return (
    <div className={styles.foundPhoto}>
      {found.photo && <JobPhoto bench={bench} photo={found.photo} isThumb alt={t('look.photo')} />}
      {inHand && (
        <label className={`${frame.medium} ${styles.camera}`}>
          <IconCamera size={26} aria-hidden />
          {t(found.photo ? 'bench.anotherPhoto' : 'look.takePhoto')}
          <input
            type="file"
            accept="image/jpeg,image/png,image/webp"
            capture="environment"
            onChange={(event) => {
              const [file] = event.currentTarget.files ?? [];
              const content = { stepId, lookId, positionId, faultId, ...(other && { other }) };
              if (file) void bench.enterLook(content, file);
              event.currentTarget.value = '';
            }}
          />
        </label>
      )}
    </div>
  );
}

function signsOf(bench: BenchJob, step: Step): readonly WearSign[] {
  const kind = componentById(bench.job.release.workbook.series, step.targets[0]?.componentId ?? '')?.kind;
  return signsFor(kind ?? 'other');
}

/** The trade's words for what may be seen on such a part, with what each means. */
function openOther(signs: readonly WearSign[], onChosen: (sign: WearSign) => Promise<unknown>): void {
  modals.open({
    title: i18next.t('look.otherTitle'),
    size: 'lg',
    children: (
      <div className={styles.otherSigns}>
        {signs.map((sign) => (
          <button
            key={sign.sign}
            type="button"
            className={frame.medium}
            onClick={() => {
              modals.closeAll();
              void onChosen(sign);
            }}
          >
            <b>{sign.sign}</b>
            <small>{sign.means}</small>
          </button>
        ))}
      </div>
    ),
  });
}

function findingAt(run: StepRun, look: Look, place: string | null) {
  return run.looked.find(({ lookId, positionId }) => lookId === look.id && positionId === place);
}
