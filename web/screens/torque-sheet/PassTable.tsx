import { Table, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { tighteningMinutes } from '#core/torque/passes';
import { showNumber, showQuantity } from '../../ground/format';
import type { GroupProps } from './GroupDetail';
import styles from './TorqueSheet.module.css';

/** The passes with what the wrench is set to in each, and how long they take. */
export function PassTable({ sheet }: GroupProps) {
  const { t } = useTranslation();
  const { joint, places, component } = sheet;
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
      <Text size="sm" className="quiet">
        {t('torque.time', {
          minutes: Math.max(1, Math.round(minutes)),
          places: places > 1 ? t('torque.timePlaces', { count: places }) : '',
        })}
      </Text>
    </div>
  );
}
