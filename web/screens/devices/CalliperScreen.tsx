import { NumberInput } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { SIMULATED_CALLIPER, simulatedLength } from '#core/devices/simulated/instruments';
import { showNumber } from '../../ground/format';
import styles from './Device.module.css';
import { DeviceFrame, SentReadings } from './DeviceFrame';
import { useSimulatedDevice } from './useSimulatedDevice';
import { MOST_SHOWN, type Remembered } from './useSimulatedWrench';

const FIRST_SIZE_MM = 36;

/** The stand-in for a connected calliper: it is put on a part of the size that is set, and its button sends. */
export function CalliperScreen() {
  const { t } = useTranslation();
  const [number, setNumber] = useState(SIMULATED_CALLIPER.number);
  const [size, setSize] = useState<number | string>(FIRST_SIZE_MM);
  const [shown, setShown] = useState(0);
  const [readings, setReadings] = useState<readonly Remembered[]>([]);
  const device = useSimulatedDevice(SIMULATED_CALLIPER, number);
  const measure = () => {
    const value = simulatedLength(Number(size), Math.random);
    setShown(value);
    const id = device.link.read({ value, unit: 'mm' });
    setReadings((before) => [{ id, text: `${value.toFixed(2)} mm` }, ...before].slice(0, MOST_SHOWN));
  };
  return (
    <DeviceFrame kind="calliper" device={device} number={number} onNumber={setNumber}>
      <section className={styles.card}>
        <output className={styles.shown}>
          {showNumber(shown, 5)} <small>{'mm'}</small>
        </output>
        <NumberInput
          label={t('device.size')}
          description={t('device.sizeHint')}
          min={0}
          max={150}
          decimalScale={3}
          value={size}
          onChange={setSize}
        />
        <button type="button" className={styles.pull} disabled={size === ''} onClick={measure}>
          {t('device.measure')}
        </button>
      </section>
      <SentReadings device={device} readings={readings} />
    </DeviceFrame>
  );
}
