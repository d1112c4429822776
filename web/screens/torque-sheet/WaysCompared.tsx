import { Text } from '@mantine/core';
import { wrap } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { jointOf, type WayCompared } from '#core/torque/joint';
import type { SheetGroup } from '#core/torque-sheet/sheet';
import { showNumber, showQuantity } from '../../ground/format';
import { tellFault } from '../../ground/notify';
import type { Joints } from '../../workers/joint.worker';
import styles from './TorqueSheet.module.css';

/** What every way of tightening leaves behind on this joint, the proposed one marked. */
export function WaysCompared({ sheet }: { sheet: SheetGroup }) {
  const { t } = useTranslation();
  const { group, thread, judged, component, joint } = sheet;
  const [ways, setWays] = useState<readonly WayCompared[]>();
  const count = component.count;
  const preload = judged?.preload.usual;
  const seat = group.seat ?? 'gasket';
  const asked = useMemo(
    () =>
      thread && preload !== undefined && count >= 3 && joint.slots.length === count
        ? JSON.stringify([joint.plan, count, thread, seat, joint.plans, preload])
        : undefined,
    [joint, count, thread, seat, preload],
  );
  useEffect(() => {
    setWays(undefined);
    if (asked === undefined) return;
    const [plan, of, ofThread, ofSeat, plans, pull] = JSON.parse(asked);
    const worker = new Worker(new URL('../../workers/joint.worker.ts', import.meta.url), { type: 'module' });
    let here = true;
    wrap<Joints>(worker)
      .compareWays(jointOf(plan, of, ofThread, ofSeat), plan, of, plans, pull)
      .then((compared) => here && setWays(compared), tellFault);
    return () => {
      here = false;
      worker.terminate();
    };
  }, [asked]);
  const sayWay = ({ pattern, passes }: WayCompared) => {
    const rises = passes.filter(({ is }) => is !== 'check').length;
    const key = rises < passes.length ? 'torque.wayCheck' : 'torque.way';
    return t(key, { pattern: t(`torque.pattern.${pattern}`), count: rises });
  };
  const most = Math.max(...(ways ?? []).map(({ scatter }) => scatter), 0.01);
  const isChosen = (way: WayCompared) => way.pattern === joint.pattern && way.passes.length === joint.plans.length;
  const chosen = ways?.find(isChosen);
  return (
    <section className={styles.ways}>
      <div className={styles.waysHead}>
        <strong>{t('torque.ways')}</strong>
        <Text size="sm" className="quiet">
          {t('torque.waysOf')}
        </Text>
      </div>
      {joint.plans.some(({ is }) => is === 'angle') && <Text size="sm">{t('torque.waysAngle')}</Text>}
      {asked === undefined && <Text className="quiet">{t('torque.waysNeed')}</Text>}
      {asked !== undefined && !ways && <Text className="quiet">{t('torque.computing')}</Text>}
      {ways?.map((way) => (
        <div key={`${way.pattern}-${way.passes.length}`} className={isChosen(way) ? styles.wayChosen : styles.way}>
          <span>{sayWay(way)}</span>
          <span className={styles.wayBar}>
            <span style={{ width: `${(way.scatter / most) * 100}%` }} />
          </span>
          <span className="number">{`${showNumber(way.scatter * 100, 2)} %`}</span>
          <span className="number">{showQuantity({ value: Number(way.tilt.toFixed(3)), unit: 'mm' })}</span>
        </div>
      ))}
      {chosen && (
        <Text size="sm">
          {t('torque.wins', {
            way: sayWay(chosen),
            tilt: chosen.tilt.toFixed(3),
            scatter: showNumber(chosen.scatter * 100, 2),
          })}
        </Text>
      )}
      {asked !== undefined && (
        <Text size="sm" className="quiet">
          {t('torque.model')}
        </Text>
      )}
    </section>
  );
}
