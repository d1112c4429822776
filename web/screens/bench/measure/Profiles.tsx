import { useTranslation } from 'react-i18next';
import type { JudgedMeasure, StepRun } from '#core/job/state';
import { guardBand, instrumentOf } from '#core/judging/guard';
import { summarise } from '#core/judging/measure';
import { placeNameOf } from '#core/model/lookup';
import type { Measurement, Step } from '#core/model/procedure';
import { WearProfile } from '../../../drawings/WearProfile';
import { showNumber } from '../../../ground/format';
import type { BenchJob } from '../../../sync/bench-job';
import styles from './Profiles.module.css';
import { WearOnPump } from './WearOnPump';

interface ProfilesProps {
  readonly bench: BenchJob;
  readonly step: Step;
  readonly run: StepRun;
}

/** What was measured so far, drawn against new and the limits, with the wear of each part on this pump. */
export function Profiles({ bench, step, run }: ProfilesProps) {
  const { series } = bench.job.release.workbook;
  const measured = (step.measurements ?? []).flatMap((measurement) => {
    const places = [
      ...new Set(run.measured.flatMap((one) => (one.measurementId === measurement.id ? [one.positionId] : []))),
    ];
    return places.map((place) => ({ measurement, place }));
  });
  if (measured.length === 0) return null;
  return (
    <div className={styles.profiles}>
      {measured.map(({ measurement, place }) => (
        <Profile
          key={`${measurement.id} ${place}`}
          bench={bench}
          measurement={measurement}
          componentId={step.targets[0]?.componentId ?? ''}
          place={place}
          name={[placeNameOf(series, place), measurement.what].filter(Boolean).join(', ')}
          readings={run.measured.filter((one) => one.measurementId === measurement.id && one.positionId === place)}
        />
      ))}
    </div>
  );
}

const WEAR = ['fromNew', 'taper', 'step', 'outOfRound'] as const;

interface ProfileProps {
  readonly bench: BenchJob;
  readonly measurement: Measurement;
  readonly componentId: string;
  readonly place: string | null;
  readonly name: string;
  readonly readings: readonly JudgedMeasure[];
}

function Profile({ bench, measurement, componentId, place, name, readings }: ProfileProps) {
  const { t } = useTranslation();
  const { error } = instrumentOf(measurement, bench.job.release.workbook.series);
  const wear = summarise(readings, measurement);
  const said = WEAR.flatMap((what) => {
    const value = wear?.[what];
    return wear && value !== undefined ? [t(`measure.${what}`, { value: `${showNumber(value, 3)} ${wear.unit}` })] : [];
  });
  return (
    <figure className={styles.profile}>
      <figcaption>{name}</figcaption>
      <WearProfile
        measurement={measurement}
        measured={readings}
        guard={error && guardBand(error)}
        label={t('measure.profile', { part: name })}
      />
      {said.length > 0 && <p className="quiet">{said.join(', ')}</p>}
      <WearOnPump {...{ bench, componentId, measurement, place, readings }} />
    </figure>
  );
}
