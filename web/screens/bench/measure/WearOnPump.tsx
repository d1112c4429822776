import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import type { JudgedMeasure } from '#core/job/state';
import { instrumentOf } from '#core/judging/guard';
import { limitOf, worstOf } from '#core/judging/wear-on-pump';
import { wearRate } from '#core/judging/wear-rate';
import type { Measurement } from '#core/model/procedure';
import { convert } from '#core/quantity/quantity';
import { answer, api } from '../../../ground/api';
import { showDay, showQuantity } from '../../../ground/format';
import { WearText } from '../../../parts/WearText';
import type { BenchJob } from '../../../sync/bench-job';

interface WearOnPumpProps {
  readonly bench: BenchJob;
  readonly componentId: string;
  readonly measurement: Measurement;
  readonly place: string | null;
  readonly readings: readonly JudgedMeasure[];
}

/** What earlier jobs on this pump measured here, how fast it wears, and about how long it lasts; nothing offline. */
export function WearOnPump({ bench, componentId, measurement, place, readings }: WearOnPumpProps) {
  const { t } = useTranslation();
  const { job } = bench;
  const { data } = useQuery({
    queryKey: ['pump', job.pumpSerial],
    queryFn: () => answer(api.pumps[':serial'].$get({ param: { serial: job.pumpSerial } })),
    retry: false,
  });
  const unit = (measurement.nominal ?? measurement.least ?? measurement.most ?? readings[0]?.reading)?.unit;
  const earlier = (data?.jobs ?? []).flatMap((one) => {
    const here = one.measured.filter(
      (m) => m.componentId === componentId && m.what === measurement.what && m.positionId === place,
    );
    const worst = unit && worstOf(sizes(here), measurement, unit);
    return one.id !== job.id && one.finishedAt && worst !== undefined
      ? [{ day: one.startedAt.slice(0, 10), number: one.number, hours: one.hours, value: worst }]
      : [];
  });
  if (!unit || earlier.length === 0) return null;
  const now = worstOf(sizes(readings), measurement, unit);
  const { error } = instrumentOf(measurement, job.release.workbook.series);
  const size = (quantity: Measurement['least']) => quantity && convert(quantity, unit).value;
  const points = [
    ...earlier.toReversed().flatMap(({ hours, value }) => (hours === null ? [] : [{ hours, value }])),
    ...(job.hours !== undefined && now !== undefined ? [{ hours: job.hours, value: now }] : []),
  ];
  const rate = wearRate(points, {
    isNew: size(measurement.nominal),
    error: error ? convert(error, unit).value : 0,
    limit: size(limitOf(measurement)),
  });
  const sized = (value: number) => showQuantity({ value, unit }, 5);
  return (
    <div>
      <p className="quiet">
        {earlier
          .slice(0, 3)
          .map(({ day, number, value }) => t('measure.earlier', { day: showDay(day), number, value: sized(value) }))
          .join('; ')}
      </p>
      {rate && (
        <p>
          <WearText rate={rate} unit={unit} />
        </p>
      )}
    </div>
  );
}

const sizes = (measured: readonly Pick<JudgedMeasure, 'reading'>[]) => measured.map(({ reading }) => reading);
