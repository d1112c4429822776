import { useSyncExternalStore } from 'react';
import { useTranslation } from 'react-i18next';
import type { DeviceIdentity } from '#core/devices/message';
import type { Series } from '#core/model/series';
import { calibrationOf } from '#core/torque/wrench';
import { showDay, today } from '../../../ground/format';
import { modals } from '../../../ground/overlays';
import { Tag } from '../../../parts/Tag';
import type { PairedDevice, TabletDevices } from '../../../sync/devices';
import frame from '../Bench.module.css';
import type { ConnectedWrench } from './useWrench';
import styles from './Wrench.module.css';

/** Below this a wrench should be charged before the next joint. */
const LOW_BATTERY = 15;

type DeviceKind = DeviceIdentity['kind'];
const PAGES: Readonly<Record<DeviceKind, string>> = {
  'torque-wrench': 'wrench',
  calliper: 'calliper',
  'test-bench': 'test-bench',
};

interface WrenchLineProps {
  readonly wrench: ConnectedWrench;
  readonly series: Series;
  /** What the step could be read with. */
  readonly kind: DeviceKind;
}

/** How the connected device stands, in one line; tapped, everything about it. */
export function WrenchLine({ wrench: { devices, state }, series, kind }: WrenchLineProps) {
  const { t } = useTranslation();
  const [asking] = state.asks;
  const first = state.paired.find((one) => one.device.kind === kind);
  const open = () => {
    if (state.link === 'off' || state.link === 'elsewhere') devices.open();
    modals.open({
      title: t(`bench.wrench.title.${kind}`),
      size: 'lg',
      children: <WrenchDialog devices={devices} series={series} kind={kind} />,
    });
  };
  return (
    <button type="button" className={`${frame.medium} ${styles.row} ${asking ? styles.asking : ''}`} onClick={open}>
      {asking ? (
        t(`bench.wrench.asks.${asking.device.kind}`, { number: asking.device.number })
      ) : first ? (
        <Standing paired={first} link={state.link} series={series} />
      ) : (
        t(`bench.wrench.connect.${kind}`)
      )}
    </button>
  );
}

interface StandingProps {
  readonly paired: PairedDevice;
  readonly link: ConnectedWrench['state']['link'];
  readonly series: Series;
}

function Standing({ paired: { device, isHere, battery }, link, series }: StandingProps) {
  const { t } = useTranslation();
  const isLow = battery !== undefined && battery < LOW_BATTERY;
  return (
    <>
      <span className={styles.standing}>
        {device.number}
        <Tag tone={isHere ? 'moss' : 'ochre'}>{t(isHere ? 'bench.wrench.isHere' : 'bench.wrench.isAway')}</Tag>
        {battery !== undefined && !isLow && (
          <small>{t('bench.wrench.battery', { percent: Math.round(battery) })}</small>
        )}
      </span>
      {isLow && <small className={styles.low}>{t('bench.wrench.batteryLow', { percent: Math.round(battery) })}</small>}
      {!isHere && <small>{t(link === 'here' ? 'bench.wrench.lost' : 'bench.wrench.keeps')}</small>}
      <Doubts number={device.number} series={series} />
    </>
  );
}

/** Not on the tool list, or no longer calibrated by it: told, and left to the technician. */
function Doubts({ number, series }: { number: string; series: Series }) {
  const { t } = useTranslation();
  const day = today();
  const known = series.tools.flatMap((tool) => calibrationOf(tool, day));
  const piece = known.find((one) => one.number === number);
  if (piece?.is === 'valid') return null;
  return <small className={styles.low}>{t(`bench.wrench.doubt.${piece?.is ?? 'unlisted'}`)}</small>;
}

/** Pairs a wrench by the code shown, asks about one that has typed it, and disconnects. */
function WrenchDialog({ devices, series, kind }: { devices: TabletDevices; series: Series; kind: DeviceKind }) {
  const { t } = useTranslation();
  const { link, code, asks, paired } = useSyncExternalStore(devices.subscribe, () => devices.state);
  const half = Math.ceil((code?.length ?? 0) / 2);
  return (
    <div className={styles.panel}>
      {link !== 'on' && (
        <p className={styles.low}>{t(link === 'here' ? 'bench.wrench.lost' : 'bench.wrench.opening')}</p>
      )}
      {asks.map(({ pairing, device }) => (
        <div key={pairing} className={styles.ask} role="alert">
          <p>
            {t(`bench.wrench.asks.${device.kind}`, { number: device.number })}
            {device.calibratedUntil && ` ${t('bench.wrench.calibrated', { day: showDay(device.calibratedUntil) })}`}
          </p>
          <div className={styles.two}>
            <button
              type="button"
              className={`${frame.medium} ${frame.go}`}
              onClick={() => {
                devices.accept(pairing);
                modals.closeAll();
              }}
            >
              {t('bench.wrench.accept')}
            </button>
            <button type="button" className={frame.medium} onClick={() => void devices.refuse(pairing)}>
              {t('bench.wrench.refuse')}
            </button>
          </div>
        </div>
      ))}
      {paired.map((one) => (
        <div key={one.pairing} className={styles.line}>
          <div className={styles.row}>
            <Standing paired={one} link={link} series={series} />
          </div>
          <button type="button" className={frame.medium} onClick={() => void devices.refuse(one.pairing)}>
            {t('bench.wrench.disconnect')}
          </button>
        </div>
      ))}
      {code && asks.length === 0 && (
        <div className={styles.code}>
          <span>{t('bench.wrench.typeCode')}</span>
          <output>{`${code.slice(0, half)} ${code.slice(half)}`}</output>
          <a href={`/devices/${PAGES[kind]}?code=${code}`} target="_blank" rel="noreferrer">
            {t(`bench.wrench.simulated.${kind}`)}
          </a>
        </div>
      )}
    </div>
  );
}
