import { Button, Radio, Slider, Stack, Switch, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { PULLS, type PullKind, SIMULATED_WRENCH } from '#core/devices/simulated/wrench';
import { DEVICE_REFUSALS } from '#core/language/en/devices';
import { showNumber } from '../../ground/format';
import { Tag } from '../../parts/Tag';
import { useSimulatedWrench } from './useSimulatedWrench';
import styles from './Wrench.module.css';

/** The stand-in for a connected torque wrench, to be opened beside the bench. */
export function WrenchScreen() {
  const { t } = useTranslation();
  const [search] = useSearchParams();
  const [number, setNumber] = useState(SIMULATED_WRENCH.number);
  const [code, setCode] = useState(search.get('code') ?? '');
  const [how, setHow] = useState<PullKind>('well');
  const wrench = useSimulatedWrench(number);
  const { link } = wrench;
  const { target } = link;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    wrench.pair(code);
  };
  const isFree = link.state === 'off';
  return (
    <main className={styles.page}>
      <header>
        <Title order={1}>{t('wrench.title', { number })}</Title>
        <p className="quiet">{t('wrench.about')}</p>
      </header>
      {isFree && (
        <form onSubmit={submit} className={styles.card}>
          <TextInput
            label={t('wrench.number')}
            value={number}
            maxLength={60}
            onChange={(event) => setNumber(event.currentTarget.value)}
          />
          <TextInput
            label={t('wrench.code')}
            description={t('wrench.codeHint')}
            value={code}
            maxLength={12}
            autoComplete="off"
            error={link.refused && DEVICE_REFUSALS[link.refused]}
            onChange={(event) => setCode(event.currentTarget.value)}
          />
          <Button type="submit" size="md" disabled={number.trim() === '' || code.trim() === ''}>
            {t('wrench.pair')}
          </Button>
        </form>
      )}
      {!isFree && (
        <>
          <section className={styles.card}>
            <div className={styles.head}>
              <Tag tone={link.state === 'on' ? 'moss' : 'ochre'}>{t(`wrench.state.${link.state}`)}</Tag>
              {target && (
                <span>
                  {t('wrench.target', { target: `${showNumber(target.value)} ${target.unit}` })}{' '}
                  <span className="quiet">
                    {t('wrench.window', { low: showNumber(target.low, 3), high: showNumber(target.high, 3) })}
                  </span>
                </span>
              )}
            </div>
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
          <Stack gap="md">
            <Switch
              label={t('wrench.cut')}
              checked={wrench.isCut}
              onChange={(event) => (event.currentTarget.checked ? wrench.cut() : wrench.restore())}
            />
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
          </Stack>
        </>
      )}
      {wrench.readings.length > 0 && (
        <section>
          <h2>{t('wrench.readings')}</h2>
          <ol className={styles.readings}>
            {wrench.readings.map(({ id, text }) => (
              <li key={id}>
                <span className="number">{text}</span>
                <Tag tone={link.isSettled(id) ? 'moss' : 'ochre'}>
                  {t(link.isSettled(id) ? 'wrench.settled' : 'wrench.kept')}
                </Tag>
              </li>
            ))}
          </ol>
        </section>
      )}
    </main>
  );
}
