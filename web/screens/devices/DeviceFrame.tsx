import { Button, Switch, TextInput, Title } from '@mantine/core';
import { type FormEvent, type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import type { DeviceIdentity } from '#core/devices/message';
import { DEVICE_REFUSALS } from '#core/language/en/devices';
import { Tag } from '../../parts/Tag';
import styles from './Device.module.css';
import type { SimulatedDevice } from './useSimulatedDevice';

interface DeviceFrameProps {
  readonly kind: DeviceIdentity['kind'];
  readonly device: SimulatedDevice;
  readonly number: string;
  readonly onNumber: (number: string) => void;
  /** What is asked of it now. */
  readonly target?: ReactNode;
  readonly children: ReactNode;
}

/** A stand-in for a connected device, to be opened beside the bench: paired by a code, and able to lose its link. */
export function DeviceFrame({ kind, device, number, onNumber, target, children }: DeviceFrameProps) {
  const { t } = useTranslation();
  const [search] = useSearchParams();
  const [code, setCode] = useState(search.get('code') ?? '');
  const { link } = device;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    device.pair(code);
  };
  const isFree = link.state === 'off';
  return (
    <main className={styles.page}>
      <header>
        <Title order={1}>{t(`device.title.${kind}`, { number })}</Title>
        <p className="quiet">{t('device.about')}</p>
      </header>
      {isFree && (
        <form onSubmit={submit} className={styles.card}>
          <TextInput
            label={t('device.number')}
            value={number}
            maxLength={60}
            onChange={(event) => onNumber(event.currentTarget.value)}
          />
          <TextInput
            label={t('device.code')}
            description={t(`device.codeHint.${kind}`)}
            value={code}
            maxLength={12}
            autoComplete="off"
            error={link.refused && DEVICE_REFUSALS[link.refused]}
            onChange={(event) => setCode(event.currentTarget.value)}
          />
          <Button type="submit" size="md" disabled={number.trim() === '' || code.trim() === ''}>
            {t('device.pair')}
          </Button>
        </form>
      )}
      {!isFree && (
        <>
          <div className={styles.head}>
            <Tag tone={link.state === 'on' ? 'moss' : 'ochre'}>{t(`device.state.${link.state}`)}</Tag>
            {target}
          </div>
          {children}
          <Switch
            label={t('device.cut')}
            checked={device.isCut}
            onChange={(event) => (event.currentTarget.checked ? device.cut() : device.restore())}
          />
        </>
      )}
    </main>
  );
}

interface SentReadingsProps {
  readonly device: SimulatedDevice;
  readonly readings: readonly { readonly id: string; readonly text: string }[];
}

/** What it has read, and whether the tablet has it. */
export function SentReadings({ device: { link }, readings }: SentReadingsProps) {
  const { t } = useTranslation();
  if (readings.length === 0) return null;
  return (
    <section>
      <h2>{t('device.readings')}</h2>
      <ol className={styles.readings}>
        {readings.map(({ id, text }) => (
          <li key={id}>
            <span className="number">{text}</span>
            <Tag tone={link.isSettled(id) ? 'moss' : 'ochre'}>
              {t(link.isSettled(id) ? 'device.settled' : 'device.kept')}
            </Tag>
          </li>
        ))}
      </ol>
    </section>
  );
}
