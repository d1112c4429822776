import { ActionIcon, Title } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import { useTranslation } from 'react-i18next';
import type { FastenerGroup } from '#core/model/fastener-group';
import type { Series } from '#core/model/series';
import type { SheetGroup } from '#core/torque-sheet/sheet';
import { modals } from '../../ground/overlays';
import { Tag } from '../../parts/Tag';
import { FigureFields } from './FigureFields';
import { GroupFacts } from './GroupFacts';
import { GroupPlan } from './GroupPlan';
import { PassTable } from './PassTable';
import { PastReadings } from './PastReadings';
import { ThreadFields } from './ThreadFields';
import styles from './TorqueSheet.module.css';
import { groupName } from './verdict';
import { WaysCompared } from './WaysCompared';

export interface GroupProps {
  readonly sheet: SheetGroup;
  readonly series: Series;
  /** Without it the group is only looked at. */
  readonly change: ((group: FastenerGroup) => void) | undefined;
}

/** Everything about one group of fasteners, to be read and edited in place. */
export function GroupDetail({ remove, ...props }: GroupProps & { readonly remove: () => void }) {
  const { t } = useTranslation();
  const { group, component, thread } = props.sheet;
  const ask = () =>
    modals.openConfirmModal({
      title: t('torque.remove'),
      children: t('torque.removeAsk', { name: component.name }),
      labels: { confirm: t('app.delete'), cancel: t('app.cancel') },
      confirmProps: { color: 'kaki' },
      onConfirm: remove,
    });
  return (
    <section className={styles.detail} aria-label={component.name}>
      <div className={styles.detailHead}>
        <Title order={1} size={24}>
          {groupName(component)}
        </Title>
        <Tag>
          {[
            t('torque.pieces', { count: component.count, thread: thread?.name ?? t('torque.noThread') }),
            group.class,
            group.seat && t(`torque.seat.${group.seat}`),
          ]
            .filter(Boolean)
            .join(', ')}
        </Tag>
        {component.leftHand && <Tag tone="kaki">{t('torque.leftHand')}</Tag>}
        <span className={styles.grow} />
        {props.change && (
          <ActionIcon variant="default" size="lg" aria-label={t('torque.remove')} onClick={ask}>
            <IconTrash size={18} />
          </ActionIcon>
        )}
      </div>
      <div className={styles.columns}>
        <GroupPlan {...props} />
        <div className={styles.column}>
          <GroupFacts {...props} />
          <PassTable {...props} />
        </div>
      </div>
      {component.count > 2 && <WaysCompared sheet={props.sheet} />}
      {props.change && <PastReadings seriesId={props.series.id} componentId={component.id} />}
      {props.change && (
        <div className={styles.fields}>
          <FigureFields {...props} />
          <ThreadFields {...props} />
        </div>
      )}
    </section>
  );
}
