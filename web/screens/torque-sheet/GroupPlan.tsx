import { Button, Group, Text } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { BoltPlan } from '../../drawings/BoltPlan';
import type { GroupProps } from './GroupDetail';
import { PlacePoints } from './PlacePoints';
import styles from './TorqueSheet.module.css';

/** The plan with its order; both order and guide pins are set by clicking. */
export function GroupPlan({ sheet, change }: GroupProps) {
  const { t } = useTranslation();
  const { group, component, joint } = sheet;
  /** An order while it is clicked together, or the guide pins while they are chosen. */
  const [clicking, setClicking] = useState<
    { readonly is: 'order'; readonly slots: readonly number[] } | { readonly is: 'pins' } | { readonly is: 'places' }
  >();
  const count = joint.slots.length;
  const pins = joint.plan.pinSlots ?? [];
  const click = (slot: number) => {
    if (!change || !clicking || clicking.is === 'places') return;
    if (clicking.is === 'pins') {
      const pinSlots = pins.includes(slot) ? pins.filter((one) => one !== slot) : [...pins, slot].slice(-8);
      const { pinSlots: _before, ...plan } = joint.plan;
      change({ ...group, plan: pinSlots.length > 0 ? { ...plan, pinSlots } : plan });
      return;
    }
    const slots = clicking.slots.includes(slot)
      ? clicking.slots.filter((one) => one !== slot)
      : [...clicking.slots, slot];
    if (slots.length < count) return setClicking({ is: 'order', slots });
    change({ ...group, order: [...slots] });
    setClicking(undefined);
  };
  const shown = clicking?.is === 'order' ? clicking.slots : joint.order;
  if (clicking?.is === 'places' && change)
    return (
      <div className={styles.plan}>
        <PlacePoints
          count={component.count}
          onPlaced={(points) => {
            // An order set by hand was that of other places.
            const { order: _before, ...rest } = group;
            const { pinSlots: _pins, ...plan } = joint.plan;
            change({ ...rest, plan: { ...plan, shape: 'points', points: [...points] } });
            setClicking(undefined);
          }}
          onCancel={() => setClicking(undefined)}
        />
      </div>
    );
  return (
    <div className={styles.plan}>
      <BoltPlan
        name={component.name}
        plan={joint.plan}
        slots={joint.slots}
        order={shown}
        {...(clicking?.is === 'order' && { done: new Set(clicking.slots) })}
        withWay
        onSlot={clicking && click}
      />
      {joint.orderFaults.map((fault) => (
        <Text key={`${fault.is}-${fault.slot}`} size="sm" className={styles.wrong}>
          {t(`torque.orderFault.${fault.is}`, {
            slot: fault.slot + 1,
            after: fault.is === 'neighbours' ? fault.after + 1 : '',
            instead: fault.is === 'neighbours' ? fault.instead + 1 : '',
          })}
        </Text>
      ))}
      {clicking?.is === 'order' && (
        <Text size="sm">{t('torque.clickNext', { next: clicking.slots.length + 1, count })}</Text>
      )}
      {clicking?.is === 'pins' && <Text size="sm">{t('torque.pinsHelp')}</Text>}
      {change && count > 1 && (
        <Group gap="xs" className={styles.tools}>
          {clicking ? (
            <Button size="compact-md" variant="default" onClick={() => setClicking(undefined)}>
              {clicking.is === 'pins' ? t('torque.pinsDone') : t('torque.cancel')}
            </Button>
          ) : (
            <>
              <Button size="compact-md" variant="default" onClick={() => setClicking({ is: 'order', slots: [] })}>
                {t('torque.changeOrder')}
              </Button>
              <Button size="compact-md" variant="default" onClick={() => setClicking({ is: 'pins' })}>
                {t('torque.pins')}
              </Button>
              <Button size="compact-md" variant="default" onClick={() => setClicking({ is: 'places' })}>
                {t('torque.place')}
              </Button>
              {group.order && (
                <Button
                  size="compact-md"
                  variant="default"
                  onClick={() => {
                    const { order: _byHand, ...rest } = group;
                    change(rest);
                  }}
                >
                  {t('torque.backToPattern')}
                </Button>
              )}
            </>
          )}
        </Group>
      )}
    </div>
  );
}
