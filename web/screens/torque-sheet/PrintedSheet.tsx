import { useTranslation } from 'react-i18next';
import { toolLabel } from '#core/model/lookup';
import type { Series } from '#core/model/series';
import type { SheetGroup } from '#core/torque-sheet/sheet';
import { BoltPlan } from '../../drawings/BoltPlan';
import { showNumber, showQuantity } from '../../ground/format';
import styles from './TorqueSheet.module.css';
import { groupName, useVerdict } from './verdict';

/** The whole sheet as it goes on paper: each group with its plan, its figure and its passes. */
export function PrintedSheet({ series, sheet }: { series: Series; sheet: readonly SheetGroup[] }) {
  const { t } = useTranslation();
  return (
    <section className={styles.printed} aria-hidden="true">
      <h1>{`${series.name} ${series.code}: ${t('torque.title')}`}</h1>
      {sheet.map((one) => (
        <PrintedGroup key={one.group.id} series={series} sheet={one} />
      ))}
      <p>{t('torque.defer')}</p>
    </section>
  );
}

function PrintedGroup({ series, sheet }: { series: Series; sheet: SheetGroup }) {
  const { t } = useTranslation();
  const { group, component, thread, figure, joint, wrenches } = sheet;
  const verdict = useVerdict(sheet);
  const on = figure?.thread;
  const condition =
    on?.is === 'dry' ? t('torque.field.dry') : on && series.consumables.find(({ id }) => id === on.consumableId)?.name;
  const facts = [
    t('torque.pieces', { count: component.count, thread: thread?.name ?? t('torque.noThread') }),
    group.class,
    component.leftHand && t('torque.leftHand'),
    condition && `${t('torque.field.on')}: ${condition}`,
    figure?.source,
    ...wrenches.flatMap(({ tool, fits }) => (fits ? toolLabel(tool) : [])),
    verdict.text,
  ];
  return (
    <article className={styles.printedGroup}>
      <BoltPlan name={component.name} plan={joint.plan} slots={joint.slots} order={joint.order} withWay />
      <div>
        <h2>{`${groupName(component)}: ${figure ? showQuantity(figure.figure) : t('torque.noFigure')}`}</h2>
        <p>{facts.filter(Boolean).join(', ')}</p>
        <ol>
          {joint.passes.map(({ plan, target }, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a pass is told by its place
            <li key={i}>
              {plan.is === 'angle'
                ? t('torque.angle', { degrees: plan.degrees })
                : [
                    `${plan.is === 'rise' ? showNumber(plan.percent) : 100} %`,
                    target && showQuantity(target),
                    // One alone has no order.
                    component.count > 1 &&
                      (plan.is === 'check' ? t('torque.checkRound') : t(`torque.pattern.${joint.pattern}`)),
                  ]
                    .filter(Boolean)
                    .join(', ')}
            </li>
          ))}
        </ol>
      </div>
    </article>
  );
}
