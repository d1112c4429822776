import { Table, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { tighteningMinutes } from '#core/torque/passes';
import { partialSets, type Stage, storedSpringOrder } from '#core/torque/pattern';
import type { SheetGroup } from '#core/torque-sheet/sheet';
import { showNumber, showQuantity } from '../../ground/format';
import type { GroupProps } from './GroupDetail';
import styles from './TorqueSheet.module.css';

/** The places of a go, as they are numbered in the plan; none where all are tightened in one go. */
function goesOf({ joint }: SheetGroup): string[] {
  const sets = partialSets(joint.order, joint.plan.pinSlots ?? []);
  return sets.length < 2 ? [] : sets.map((set) => set.map((slot) => joint.order.indexOf(slot) + 1).join(', '));
}

/** "1; 3; 2 and 4 together": places of the plan counted clockwise from the top. */
function sayStages(stages: readonly Stage[]): string {
  return stages.map((stage) => stage.map((slot) => slot + 1).join(' + ')).join('; ');
}

/** The passes with what the wrench is set to in each, and how long they take. */
export function PassTable({ sheet }: GroupProps) {
  const { t } = useTranslation();
  const { group, joint, places, component } = sheet;
  const { count } = component;
  const minutes = tighteningMinutes(component.count, joint.plans, places);
  return (
    <div>
      <Table className={styles.passes}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t('torque.pass')}</Table.Th>
            <Table.Th>{t('torque.share')}</Table.Th>
            <Table.Th>{t('torque.field.figure')}</Table.Th>
            <Table.Th>{t('torque.order')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {joint.passes.map(({ plan, target }, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a pass is told by its place
            <Table.Tr key={i}>
              <Table.Td>{plan.is === 'check' ? t('torque.check') : i + 1}</Table.Td>
              <Table.Td>
                {plan.is === 'angle'
                  ? t('torque.angle', { degrees: plan.degrees })
                  : `${plan.is === 'rise' ? showNumber(plan.percent) : 100} %`}
              </Table.Td>
              <Table.Td className="number">{target ? showQuantity(target) : ''}</Table.Td>
              <Table.Td>
                {component.count === 1
                  ? ''
                  : plan.is === 'check'
                    ? t('torque.checkRound')
                    : t(`torque.pattern.${joint.pattern}`)}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      {joint.passFaults.map((fault) => (
        <Text key={fault} size="sm" className={styles.wrong}>
          {t(`torque.passFault.${fault}`)}
        </Text>
      ))}
      {goesOf(sheet).map((go, i) => (
        <Text key={go} size="sm">
          {i === 0 ? t('torque.goFirst', { numbers: go }) : t('torque.goThen', { numbers: go })}
        </Text>
      ))}
      {group.storedSpring && count > 1 && (
        <Text size="sm" className={styles.wrong}>
          {t('torque.springOrder', { order: sayStages(storedSpringOrder(count)) })}
        </Text>
      )}
      <Text size="sm" className="quiet">
        {t('torque.time', {
          minutes: Math.max(1, Math.round(minutes)),
          places: places > 1 ? t('torque.timePlaces', { count: places }) : '',
        })}
      </Text>
    </div>
  );
}
