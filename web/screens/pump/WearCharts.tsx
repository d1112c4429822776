import { useTranslation } from 'react-i18next';
import { type JobSizes, type PartOverHours, wearOnPump } from '#core/judging/wear-on-pump';
import { levelLine, NAMED_ONLY, TONES, useChart } from '../../drawings/useChart';
import { WearText } from '../../parts/WearText';
import styles from './Pump.module.css';

/** How the parts of a pump wear over its running hours, its latest job first; nothing where none was measured twice. */
export function WearCharts({ jobs }: { jobs: readonly JobSizes[] }) {
  const { t } = useTranslation();
  const parts = wearOnPump(jobs.toReversed());
  if (parts.length === 0) return null;
  return (
    <section aria-label={t('pump.wear')}>
      <h2 className={styles.title}>{t('pump.wear')}</h2>
      <p className="quiet">{t('pump.estimate')}</p>
      <div className={styles.charts}>
        {parts.map((part) => (
          <PartChart key={`${part.part} ${part.what}`} part={part} />
        ))}
      </div>
    </section>
  );
}

function PartChart({ part }: { part: PartOverHours }) {
  const { t } = useTranslation();
  const { unit, isNew, least, most, places } = part;
  const name = `${part.part}, ${part.what}`;
  const hours = places.flatMap(({ points }) => points.map((point) => point.hours));
  const [from, to] = [Math.min(...hours), Math.max(...hours)];
  const limits = [least, most].filter((limit) => limit !== undefined);
  const canvas = useChart(JSON.stringify(part), () => ({
    type: 'scatter',
    data: {
      datasets: [
        ...places.map(({ place, points }, i) => ({
          label: place ?? name,
          data: points.map(({ hours: x, value: y }) => ({ x, y })),
          showLine: true,
          borderColor: TONES[(i + 1) % TONES.length] as string,
          backgroundColor: TONES[(i + 1) % TONES.length] as string,
          pointRadius: 5,
          clip: false as const,
        })),
        // Two limits are one entry of the legend.
        ...limits.map((limit, i) => ({
          ...levelLine(from, to, limit, '#b03f12'),
          label: i === 0 ? t('pump.limit') : '',
        })),
        ...(isNew === undefined ? [] : [{ ...levelLine(from, to, isNew), label: t('pump.isNew') }]),
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      scales: {
        x: { min: from, max: to, title: { display: true, text: t('pump.runningHours') }, ticks: { maxTicksLimit: 6 } },
        y: { title: { display: true, text: unit }, grace: '10%' },
      },
      plugins: { legend: NAMED_ONLY },
    },
  }));
  return (
    <figure className={styles.wear}>
      <figcaption>{name}</figcaption>
      <div>
        <canvas ref={canvas} role="img" aria-label={t('pump.chart', { name })} />
      </div>
      <ul>
        {places.map(
          ({ place, rate }) =>
            rate && (
              <li key={place ?? ''}>
                {place && <b>{`${place}: `}</b>}
                <WearText rate={rate} unit={unit} />
              </li>
            ),
        )}
      </ul>
    </figure>
  );
}
