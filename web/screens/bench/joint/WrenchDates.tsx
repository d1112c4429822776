import { useTranslation } from 'react-i18next';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { calibrationOf, isTorque } from '#core/torque/wrench';
import { showDay, today } from '../../../ground/format';
import demands from '../Demands.module.css';

/** Until when the wrenches of a step are calibrated; one that is no longer is told. */
export function WrenchDates({ step, series }: { step: Step; series: Series }) {
  const { t } = useTranslation();
  const day = today();
  return series.tools
    .filter((tool) => step.toolIds.includes(tool.id) && isTorque(tool))
    .flatMap((tool) =>
      calibrationOf(tool, day).flatMap(({ number, is }) => {
        const until = tool.assets?.find((asset) => asset.number === number)?.calibratedUntil;
        if (!until) return [];
        return (
          <p key={`${tool.id} ${number}`} className={is === 'expired' ? demands.out : 'quiet'}>
            {t(is === 'expired' ? 'bench.joint.expired' : 'bench.joint.calibrated', { number, day: showDay(until) })}
          </p>
        );
      }),
    );
}
