import { type FormEvent, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { latestRun } from '#core/job/latest-run';
import { expectedOf, meanOf, RUN_UNITS, type Sample } from '#core/proving/run';
import { readNumber } from '#core/quantity/quantity';
import { showNumber } from '../../../ground/format';
import { useSaid } from '../../../state/reader';
import type { DevicesState } from '../../../sync/devices';
import frame from '../Bench.module.css';
import { PassOver, ReadingFault, TypedFigure } from '../DemandParts';
import type { DemandsProps } from '../Demands';
import styles from './Run.module.css';
import { RunChart } from './RunChart';
import { RunVerdicts } from './RunVerdicts';

const TYPED = ['flow', 'pressure', 'speed', 'power'] as const;
/** So many samples of a connected test bench are kept as the run. */
const SAMPLES = 40;
const EVERY_S = 0.5;

interface RunDemandProps extends DemandsProps {
  readonly connected: DevicesState;
}

/** The run on the test bench: what is expected, what it does now, and what was read, judged by its grade. */
export function RunDemand({ bench, step, run, inHand, connected }: RunDemandProps) {
  const { t } = useTranslation();
  const said = useSaid();
  const asked = step.run;
  const device = connected.paired.find((one) => one.device.kind === 'test-bench');
  const live = useSamples(device?.sample);
  if (!asked) return null;
  const { series } = bench.job.release.workbook;
  const expected = expectedOf(asked, series.duty ?? {});
  const keep = (samples: readonly Sample[], number?: string) =>
    bench.enter({
      ...{ kind: 'run-read', stepId: step.id, samples: [...samples] },
      ...(number !== undefined && { every: EVERY_S, instrument: { number } }),
    });
  return (
    <div className={styles.run}>
      <h2>{t('run.title')}</h2>
      <p>
        {t('run.at', { speed: said(asked.speed), pressure: said(asked.pressure), grade: asked.grade })}
        {expected.flow !== undefined && ` ${t('run.expectFlow', { flow: showNumber(expected.flow, 3) })}`}
        {expected.power !== undefined && ` ${t('run.expectPower', { power: showNumber(expected.power, 3) })}`}
      </p>
      {expected.flow === undefined && <p className="quiet">{t('run.noExpectation')}</p>}
      {inHand && device?.isHere && (
        <div className={styles.live}>
          <dl>
            {(['flow', 'pressure', 'speed', 'power', 'temperature'] as const).map((what) =>
              device.sample?.[what] === undefined ? null : (
                <div key={what}>
                  <dt>{t(`run.${what}`)}</dt>
                  <dd className="number">{`${showNumber(device.sample[what], 4)} ${RUN_UNITS[what]}`}</dd>
                </div>
              ),
            )}
          </dl>
          <RunChart samples={live} every={EVERY_S} flow={expected.flow} label={t('run.liveChart')} />
          <button
            type="button"
            className={`${frame.medium} ${frame.go}`}
            disabled={live.length < SAMPLES}
            onClick={() => void keep(live, device.device.number)}
          >
            {live.length < SAMPLES ? t('run.collecting', { done: live.length, count: SAMPLES }) : t('run.keep')}
          </button>
        </div>
      )}
      {inHand && !device?.isHere && <TypedRun onRun={(sample) => keep([sample])} />}
      <PassOver bench={bench} stepId={step.id} run={run} what="run" offered={inHand} />
    </div>
  );
}

/** What the latest run was, judged; it stands beside the step. */
export function RunResult({ bench, step, run }: Pick<DemandsProps, 'bench' | 'step' | 'run'>) {
  const { t } = useTranslation();
  const { series } = bench.job.release.workbook;
  const latest = latestRun(step, run, series);
  if (!step.run || !latest) return null;
  const { test, judged } = latest;
  return (
    <div className={styles.run}>
      <RunVerdicts judged={judged} mean={meanOf(test.samples)} />
      <RunChart
        samples={test.samples}
        every={test.every ?? EVERY_S}
        flow={expectedOf(step.run, series.duty ?? {}).flow}
        label={t('run.chart')}
      />
    </div>
  );
}

/** The latest samples of a connected test bench, while this step is in hand. */
function useSamples(sample: Sample | undefined): readonly Sample[] {
  const [samples, setSamples] = useState<readonly Sample[]>([]);
  useEffect(() => {
    if (sample) setSamples((before) => [...before, sample].slice(-SAMPLES));
  }, [sample]);
  return samples;
}

/** Without a connected test bench the means are typed from its dials. */
function TypedRun({ onRun }: { onRun: (sample: Sample) => Promise<unknown> }) {
  const { t } = useTranslation();
  const [texts, setTexts] = useState<Readonly<Partial<Record<(typeof TYPED)[number], string>>>>({});
  const [fault, setFault] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const typed = TYPED.flatMap((what) => {
      const text = texts[what]?.trim();
      return text ? [{ what, text, value: readNumber(text) }] : [];
    });
    const bad = typed.find(({ value }) => !Number.isFinite(value) || value < 0);
    if (bad) return setFault(t('bench.readingBad', { text: bad.text }));
    if (!texts.flow?.trim() || !texts.speed?.trim()) return setFault(t('run.needFlowAndSpeed'));
    setFault('');
    await onRun(Object.fromEntries(typed.map(({ what, value }) => [what, value])));
    setTexts({});
  };
  return (
    <form className={styles.typed} onSubmit={submit}>
      {TYPED.map((what) => (
        <TypedFigure
          key={what}
          label={`${t(`run.${what}`)}, ${RUN_UNITS[what]}`}
          value={texts[what] ?? ''}
          onChange={(text) => setTexts({ ...texts, [what]: text })}
        />
      ))}
      <button type="submit" className={frame.medium}>
        {t('bench.enter')}
      </button>
      <ReadingFault fault={fault} />
    </form>
  );
}
