import { useTranslation } from 'react-i18next';
import type { WearRate } from '#core/judging/wear-rate';
import type { UnitSymbol } from '#core/quantity/units';
import { showNumber, showQuantity } from '../ground/format';

/** How fast a part wears and how long it lasts, with the range of both. */
export function WearText({ rate: { perHour, spread, left }, unit }: { rate: WearRate; unit: UnitSymbol }) {
  const { t } = useTranslation();
  const per1000 = (value: number) => showQuantity({ value: 1000 * value, unit }, 2);
  return (
    <>
      {t('measure.rate', { rate: per1000(Math.abs(perHour)), spread: per1000(spread) })}
      {left &&
        ` ${t(left.to === undefined ? 'measure.leftAtLeast' : 'measure.left', {
          hours: showNumber(left.hours, 2),
          from: showNumber(left.from, 2),
          to: showNumber(left.to ?? 0, 2),
        })}`}
    </>
  );
}
