import { NumberInput, Radio } from '@mantine/core';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { PUMP_STATES, type PumpState, SIMULATED_BENCH, simulatedSample } from '#core/devices/simulated/instruments';
import type { Sample } from '#core/proving/run';
import { showNumber } from '../../ground/format';
import styles from './Device.module.css';
import { DeviceFrame } from './DeviceFrame';
import { useSimulatedDevice } from './useSimulatedDevice';

/** It reads so often while it runs. */
const EVERY_MS = 500;

/** The stand-in for a test bench: a pump in a state that is set is run at a speed and a pressure, and it sends what it reads. */
export function TestBenchScreen() {
  const { t } = useTranslation();
  const [number, setNumber] = useState(SIMULATED_BENCH.number);
  const [state, setState] = useState<PumpState>('as-new');
  const [isRunning, setRunning] = useState(false);
  const [set, setSet] = useState({ speed: 1450, pressure: 100, flow: 15 });
  const [sample, setSample] = useState<Sample>({});
  const device = useSimulatedDevice(SIMULATED_BENCH, number);
  const { link } = device;
  useEffect(() => {
    if (!isRunning) return;
    const from = performance.now();
    const timer = setInterval(() => {
      const next = simulatedSample({ ...set, state }, (performance.now() - from) / 1000, Math.random);
      setSample(next);
      link.sample(next);
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [isRunning, set, state, link]);
  const field = (what: keyof typeof set, unit: string) => (
    <NumberInput
      label={t(`run.${what}`)}
      min={0}
      suffix={` ${unit}`}
      value={set[what]}
      onChange={(value) => setSet({ ...set, [what]: Number(value) })}
    />
  );
  return (
    <DeviceFrame kind="test-bench" device={device} number={number} onNumber={setNumber}>
      <section className={styles.card}>
        <div className={styles.thirds}>
          {field('speed', 'rpm')}
          {field('pressure', 'bar')}
          {field('flow', 'L/min')}
        </div>
        <p className="quiet">{t('device.benchHint')}</p>
        <Radio.Group label={t('device.pump')} value={state} onChange={(value) => setState(value as PumpState)}>
          <div className={styles.ways}>
            {PUMP_STATES.map((one) => (
              <Radio key={one} value={one} label={t(`device.pumps.${one}`)} />
            ))}
          </div>
        </Radio.Group>
        <dl className={styles.sample}>
          {(['flow', 'pressure', 'speed', 'power', 'temperature'] as const).map((what) => (
            <div key={what}>
              <dt>{t(`run.${what}`)}</dt>
              <dd className="number">{sample[what] === undefined ? '' : showNumber(sample[what], 4)}</dd>
            </div>
          ))}
        </dl>
        <button type="button" className={styles.pull} onClick={() => setRunning(!isRunning)}>
          {t(isRunning ? 'device.stop' : 'device.start')}
        </button>
      </section>
    </DeviceFrame>
  );
}
