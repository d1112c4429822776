import { Radio, Slider } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { PULLS, type PullKind, SIMULATED_WRENCH } from '#core/devices/simulated/wrench';
import { showNumber } from '../../ground/format';
import styles from './Device.module.css';
import { DeviceFrame, SentReadings } from './DeviceFrame';
import { useSimulatedWrench } from './useSimulatedWrench';

/** The stand-in for a connected torque wrench. */
export function WrenchScreen() {
  const { t } = useTranslation();
  const [number, setNumber] = useState(SIMULATED_WRENCH.number);
  const [how, setHow] = useState<PullKind>('well');
  const wrench = useSimulatedWrench(number);
  const { target } = wrench.link;
  return (
    <DeviceFrame
      kind="torque-wrench"
      device={wrench.device}
      number={number}
      onNumber={setNumber}
      target={
        target && (
          <span>
            {t('device.target', { target: `${showNumber(target.value)} ${target.unit}` })}{' '}
            <span className="quiet">
              {t('device.window', { low: showNumber(target.low, 3), high: showNumber(target.high, 3) })}
            </span>
          </span>
        )
      }
    >
      <section className={styles.card}>
        <output className={styles.shown}>
          {showNumber(wrench.shown, 3)} <small>{target?.unit ?? ''}</small>
        </output>
        <button
          type="button"
          className={styles.pull}
          disabled={!target || wrench.isPulling || wrench.battery === 0}
          onClick={() => void wrench.pull(how)}
        >
          {target ? t('wrench.pull') : t('wrench.noTarget')}
        </button>
      </section>
      <Radio.Group label={t('wrench.how')} value={how} onChange={(value) => setHow(value as PullKind)}>
        <div className={styles.ways}>
          {PULLS.map((one) => (
            <Radio key={one} value={one} label={t(`wrench.pulls.${one}`)} />
          ))}
        </div>
      </Radio.Group>
      <div>
        <label htmlFor="battery">{t('wrench.battery', { percent: showNumber(wrench.battery, 3) })}</label>
        <Slider
          thumbProps={{ id: 'battery', 'aria-label': t('wrench.battery', { percent: '' }) }}
          min={0}
          max={100}
          label={null}
          value={wrench.battery}
          onChange={wrench.charge}
        />
      </div>
      <SentReadings device={wrench.device} readings={wrench.readings} />
    </DeviceFrame>
  );
}
