import { Select, TagsInput } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { isInstrument } from '#core/judging/guard';
import { dimensionsOf, readLimit } from '#core/judging/measure';
import { componentById, toolLabel } from '#core/model/lookup';
import type { Measurement, Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { sayQuantity } from '#core/quantity/quantity';
import { DraftText } from '../../../parts/DraftText';
import { ConsequenceSelect, LookList } from '../../../parts/LookList';
import lookStyles from '../../../parts/LookList.module.css';
import { sayQuantityFault } from '../../../parts/quantity-fault';
import { Remove } from '../../../parts/Remove';
import styles from './Step.module.css';
import { emptyIsNone } from './StepFieldKinds';

interface LookFieldsProps {
  readonly step: Step;
  readonly series: Series;
  readonly change: (fields: Partial<Step>) => void;
}

export function LookFields({ step, series, change }: LookFieldsProps) {
  const kind = componentById(series, step.targets[0]?.componentId ?? '')?.kind ?? 'other';
  return <LookList looks={step.looks ?? []} kind={kind} onChange={(looks) => change({ looks: emptyIsNone(looks) })} />;
}

/** Lengths to measure, with their limits and the points to measure at. */
export function MeasurementFields({ step, series, change }: LookFieldsProps) {
  const { t } = useTranslation();
  const measurements = step.measurements ?? [];
  const set = (next: readonly Measurement[]) => change({ measurements: emptyIsNone(next) });
  return (
    <div className={styles.several}>
      {measurements.map((measurement, i) => (
        <OneMeasurement
          key={measurement.id}
          measurement={measurement}
          series={series}
          onChange={(next) => set(measurements.with(i, next))}
          onRemove={() => set(measurements.toSpliced(i, 1))}
        />
      ))}
      <DraftText
        // What is typed here becomes a measurement of its own; the next one starts empty.
        key={measurements.length}
        ariaLabel={t('measure.what')}
        placeholder={t('measure.whatHint')}
        value=""
        maxLength={120}
        onCommit={(what) =>
          what && set([...measurements, { id: nanoid(8), what, points: [], directions: 1, follows: 'renew' }])
        }
      />
    </div>
  );
}

interface OneMeasurementProps {
  readonly measurement: Measurement;
  readonly series: Series;
  readonly onChange: (measurement: Measurement) => void;
  readonly onRemove: () => void;
}

function OneMeasurement({ measurement, series, onChange, onRemove }: OneMeasurementProps) {
  const { t } = useTranslation();
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const without = (key: keyof Measurement) => {
    const { [key]: _old, ...rest } = measurement;
    return rest as Measurement;
  };
  const size = (key: 'nominal' | 'least' | 'most', text: string) => {
    const reading = readLimit(text, without(key));
    setFaults({
      ...faults,
      [key]: text === '' || reading.ok ? '' : sayQuantityFault(reading.fault, ...dimensionsOf(without(key))),
    });
    if (text === '') onChange(without(key));
    else if (reading.ok) onChange({ ...measurement, [key]: reading.quantity });
  };
  const gauges = series.tools.filter(isInstrument);
  return (
    <div className={lookStyles.item}>
      <div className={lookStyles.look}>
        <DraftText
          ariaLabel={t('measure.what')}
          value={measurement.what}
          maxLength={120}
          onCommit={(what) => what && onChange({ ...measurement, what })}
        />
        <Remove onClick={onRemove} />
      </div>
      <div className={styles.thirds}>
        {(['nominal', 'least', 'most'] as const).map((key) => (
          <DraftText
            key={key}
            ariaLabel={t(`measure.${key}`)}
            placeholder={t(`measure.${key}Hint`)}
            value={measurement[key] ? sayQuantity(measurement[key], 6) : ''}
            error={faults[key] || undefined}
            onCommit={(text) => size(key, text)}
          />
        ))}
      </div>
      <div className={lookStyles.halves}>
        <TagsInput
          className={lookStyles.whole ?? ''}
          aria-label={t('measure.points')}
          placeholder={measurement.points.length === 0 ? t('measure.pointsHint') : ''}
          value={[...measurement.points]}
          onChange={(points) => onChange({ ...measurement, points })}
          acceptValueOnBlur
        />
        <Select
          aria-label={t('measure.directions')}
          allowDeselect={false}
          data={[1, 2].map((n) => ({ value: String(n), label: t(`measure.direction.d${n as 1 | 2}`) }))}
          value={String(measurement.directions)}
          onChange={(n) => onChange({ ...measurement, directions: n === '2' ? 2 : 1 })}
        />
        <Select
          aria-label={t('measure.with')}
          placeholder={t('measure.with')}
          clearable
          searchable
          data={(gauges.length > 0 ? gauges : series.tools).map((tool) => ({ value: tool.id, label: toolLabel(tool) }))}
          value={measurement.toolId ?? null}
          onChange={(toolId) => onChange(toolId ? { ...measurement, toolId } : without('toolId'))}
        />
        <ConsequenceSelect value={measurement.follows} onChange={(follows) => onChange({ ...measurement, follows })} />
      </div>
    </div>
  );
}
