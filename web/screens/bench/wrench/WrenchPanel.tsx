import { useTranslation } from 'react-i18next';
import type { DeviceIdentity } from '#core/devices/message';
import type { TighteningSpot } from '#core/job/tightening';
import { componentById } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import type { TorqueFigure } from '#core/model/torque-figure';
import { showNumber, showQuantity } from '../../../ground/format';
import frame from '../Bench.module.css';
import { Gauge } from '../DemandParts';
import type { Tightening } from '../joint/useTightening';
import type { CalliperTold } from '../measure/useCalliper';
import type { ConnectedWrench } from './useWrench';
import styles from './Wrench.module.css';
import { WrenchLine } from './WrenchLine';

interface WrenchPanelProps {
  readonly wrench: ConnectedWrench;
  readonly series: Series;
  readonly step: Step;
  readonly inHand: boolean;
  readonly tightening: Tightening | undefined;
  /** What the wrench is pulled to now; nothing where the step takes no torque. */
  readonly torque: TorqueFigure | undefined;
  /** The connected calliper, at a step that measures. */
  readonly calliper: CalliperTold | undefined;
  /** The latest reading waits for the fastener it was of to be tapped. */
  readonly moving: boolean;
  readonly onMoving: (moving: boolean) => void;
}

/** The connected wrench: how it stands, what it shows, and what became of its latest reading. */
export function WrenchPanel(props: WrenchPanelProps) {
  const { t } = useTranslation();
  const { wrench, torque, inHand, series, step } = props;
  const kind = deviceFor(step, torque);
  const { state, told, late, live } = wrench;
  const isAside = told !== undefined && told.is !== 'taken' && told.is !== 'repeated';
  if (!inHand || (!kind && state.asks.length === 0 && !late && !isAside)) return null;
  return (
    <section className={styles.panel}>
      <WrenchLine wrench={wrench} series={series} kind={kind ?? 'torque-wrench'} />
      {props.calliper && kind === 'calliper' && (
        <p className={props.calliper.is === 'taken' ? styles.line : styles.ask} role="status">
          {t(`bench.calliper.${props.calliper.is}`, { value: props.calliper.text })}
        </p>
      )}
      {live && torque && (
        <div>
          <output className={styles.live}>{showQuantity(live, 3)}</output>
          <Gauge reading={live} torque={torque} />
        </div>
      )}
      <Late {...props} />
      {!live && <LatestReading {...props} />}
    </section>
  );
}

/** What kind of device could read what the step asks for. */
function deviceFor(step: Step, torque: TorqueFigure | undefined): DeviceIdentity['kind'] | undefined {
  if (torque) return 'torque-wrench';
  if (step.run) return 'test-bench';
  return step.measurements && step.measurements.length > 0 ? 'calliper' : undefined;
}

/** What was read while the link was lost is used or left, one after the other. */
function Late({ wrench, step, series, tightening }: WrenchPanelProps) {
  const { t } = useTranslation();
  const { late } = wrench;
  if (!late) return null;
  const { reading, placed } = late;
  const spot = placed.content.kind === 'torque-read' ? placed.content.spot : undefined;
  const where = fastener(step, series, tightening, spot);
  return (
    <div className={styles.ask} role="alert">
      <p>
        {t('bench.wrench.late', {
          number: reading.wrench.number,
          peak: `${showNumber(reading.peak.value)} ${reading.peak.unit}`,
          minutes: showNumber(Math.max(0.1, reading.ageMs / 60_000), 2),
        })}
      </p>
      <div className={styles.two}>
        <button type="button" className={`${frame.medium} ${frame.go}`} onClick={wrench.takeLate}>
          {where ? t('bench.wrench.useFor', { where }) : t('bench.wrench.use')}
        </button>
        <button type="button" className={frame.medium} onClick={wrench.leaveLate}>
          {t('bench.wrench.leave')}
        </button>
      </div>
    </div>
  );
}

function LatestReading({ wrench, step, series, tightening, moving, onMoving }: WrenchPanelProps) {
  const { t } = useTranslation();
  const { told } = wrench;
  if (!told) return null;
  const peak = `${showNumber(told.reading.peak.value)} ${told.reading.peak.unit}`;
  const where = fastener(step, series, tightening, told.entry?.spot);
  const next = tightening?.spot;
  const nextName = fastener(step, series, tightening, next);
  return (
    <div className={told.is === 'taken' ? styles.line : styles.ask} role="status">
      <span>{t(`bench.wrench.told.${told.is}`, { peak, number: told.reading.wrench.number, where: where ?? '' })}</span>
      {told.is === 'repeated' && next && (
        <button type="button" className={frame.medium} onClick={() => wrench.move(next)}>
          {t('bench.wrench.wasNext', { where: nextName })}
        </button>
      )}
      {told.entry?.spot && told.is === 'taken' && (
        <button type="button" className={frame.medium} onClick={() => onMoving(!moving)} aria-pressed={moving}>
          {t(moving ? 'bench.wrench.tapRight' : 'bench.wrench.wrongOne')}
        </button>
      )}
    </div>
  );
}

/** "Dome nut 3" as it is numbered on the plan in its pass. */
function fastener(
  step: Step,
  series: Series,
  tightening: Tightening | undefined,
  spot: TighteningSpot | undefined,
): string | undefined {
  const order = spot && tightening?.joint.passes[spot.pass]?.order;
  const name = componentById(series, step.targets[0]?.componentId ?? '')?.name;
  return order && name ? `${name} ${order.indexOf(spot.slot) + 1}` : undefined;
}
