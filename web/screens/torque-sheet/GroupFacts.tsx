import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { toolLabel } from '#core/model/lookup';
import { relativeGap } from '#core/quantity/quantity';
import { figureOfGroup } from '#core/torque/fastening';
import { fittingOf, turnsPastFingerTight } from '#core/torque/fittings';
import { MOST_OF_PROOF, proofLoad } from '#core/torque/preload';
import { toNextSlot } from '#core/torque/slotted-nut';
import { settingWithCrowFoot } from '#core/torque/wrench';
import { showNumber, showQuantity } from '../../ground/format';
import type { GroupProps } from './GroupDetail';
import styles from './TorqueSheet.module.css';
import { useVerdict } from './verdict';

/** Figures given twice agree within this share. */
const AGREES = 0.02;

/** What is known and computed of a group. */
export function GroupFacts({ sheet, series, change }: GroupProps) {
  const { t } = useTranslation();
  const { group, component, thread, figure, judged, wrenches } = sheet;
  const verdict = useVerdict(sheet);
  const { also } = figure ?? {};
  const on = figure?.thread;
  const consumable = on?.is === 'with' ? series.consumables.find(({ id }) => id === on.consumableId) : undefined;
  const kilonewtons = (newtons: number) => t('torque.preloadOf', { kilonewtons: showNumber(newtons / 1000, 3) });
  const rows: [string, ReactNode][] = [
    [
      t('torque.field.figure'),
      figure ? (
        <>
          <strong className="number">{showQuantity(figure.figure)}</strong>
          {` ±${showNumber(figure.tolerancePercent, 2)} %`}
          {also && `, ${t('torque.also', { figure: showQuantity(also) })}, `}
          {also && figure && saysAlike()}
        </>
      ) : (
        t('torque.noFigure')
      ),
    ],
    [t('torque.field.source'), figure?.source ?? ''],
    [
      t('torque.field.on'),
      [
        on?.is === 'dry' ? t('torque.field.dry') : (consumable?.name ?? ''),
        judged &&
          t('torque.nutFactor', {
            usual: showNumber(judged.nutFactor.usual, 2),
            least: showNumber(judged.nutFactor.least, 2),
            most: showNumber(judged.nutFactor.most, 2),
          }),
      ]
        .filter(Boolean)
        .join('; '),
    ],
    [
      t('torque.preload'),
      judged && (
        <>
          {`${kilonewtons(judged.preload.usual)}, `}
          <span className={verdict.isWrong ? styles.wrong : undefined}>{verdict.text}</span>
        </>
      ),
    ],
    [t('torque.strip'), judged?.strippingLoad === undefined ? '' : kilonewtons(judged.strippingLoad)],
    [
      t('torque.field.wrench'),
      wrenches.length === 0
        ? t('torque.noWrench')
        : wrenches
            .map(({ tool, fits }) => t(fits ? 'torque.fits' : 'torque.fitsNot', { tool: toolLabel(tool) }))
            .join('; '),
    ],
  ];
  const notes = [crowFoot(), nextSlot(), byTurns()].filter((note) => note !== undefined);
  return (
    <div className={styles.facts}>
      <dl>
        {rows
          .filter(([, value]) => value !== '' && value !== undefined)
          .map(([label, value]) => (
            <div key={label}>
              <dt>{label}</dt>
              <dd>{value}</dd>
            </div>
          ))}
      </dl>
      {notes.map((note) => (
        <p key={note}>{note}</p>
      ))}
      {judged?.instead.map((instead) => (
        <p key={`${instead.value} ${instead.unit}`} className={styles.instead}>
          {t('torque.instead', { figure: showQuantity(instead) })}
          {change && (
            <Button
              size="compact-sm"
              variant="default"
              onClick={() =>
                change({
                  ...group,
                  figures: group.figures.map((one) =>
                    one.torque === figureOfGroup(group) ? { ...one, torque: { ...one.torque, figure: instead } } : one,
                  ),
                })
              }
            >
              {t('torque.useInstead', { figure: showQuantity(instead) })}
            </Button>
          )}
        </p>
      ))}
    </div>
  );

  function saysAlike(): ReactNode {
    if (!figure || !also) return null;
    const gap = relativeGap(figure.figure, also);
    return gap <= AGREES ? (
      t('torque.agrees')
    ) : (
      <span className={styles.wrong}>{t('torque.apart', { percent: showNumber(gap * 100, 2) })}</span>
    );
  }

  function crowFoot(): string | undefined {
    if (!group.crowFoot || !figure) return undefined;
    const { lengthMm, offsetMm, angleDegrees } = group.crowFoot;
    const setting = settingWithCrowFoot(figure.figure, lengthMm, offsetMm, angleDegrees);
    return t('torque.crowFoot', { figure: showQuantity(setting, 3) });
  }

  function nextSlot(): string | undefined {
    if (group.head !== 'castle' || !thread || !judged || !figure) return undefined;
    const clamped = group.clampedMm ?? 2.5 * thread.diameter;
    const { mostDegrees, addedTorque, addedPreload } = toNextSlot(thread, clamped, judged.nutFactor.usual);
    const onward = t('torque.nextSlot', {
      degrees: showNumber(mostDegrees),
      figure: showQuantity({ value: addedTorque, unit: 'N·m' }, 2),
    });
    const after = group.class ? (judged.preload.usual + addedPreload) / proofLoad(thread, group.class) : 0;
    return after > MOST_OF_PROOF
      ? `${onward} ${t('torque.nextSlotTooFar', { percent: showNumber(after * 100, 2) })}`
      : onward;
  }

  function byTurns(): string | undefined {
    const fitting = fittingOf(thread, component.name);
    if (!thread || !fitting) return undefined;
    const { least, most } = turnsPastFingerTight(fitting, thread.diameter);
    return t('torque.byTurns', { least: showNumber(least, 2), most: showNumber(most, 2) });
  }
}
