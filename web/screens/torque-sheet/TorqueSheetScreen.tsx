import { Button, Menu, Text } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useParams } from 'react-router';
import { fastenersWithoutGroup, newGroup, type SheetGroup, torqueSheet, withGroup } from '#core/torque-sheet/sheet';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Crumbs, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { mayWrite } from '../../ground/session';
import { useOpenSeries } from '../series/useOpenSeries';
import { GroupCard } from './GroupCard';
import { GroupDetail } from './GroupDetail';
import { PrintedSheet } from './PrintedSheet';
import { SheetFiles } from './SheetFiles';
import styles from './TorqueSheet.module.css';

/** Every group of fasteners of a series: its figure, judged, its order and its passes. */
export function TorqueSheetScreen() {
  const { t } = useTranslation();
  const { id = '' } = useParams();
  const writes = mayWrite(usePerson());
  const { series, change, error } = useOpenSeries(id);
  const [chosen, setChosen] = useState<string | null>(null);
  if (error) return <FaultNotice error={error} />;
  if (!series) return <Loading />;
  const sheet = torqueSheet(series);
  const open = sheet.find(({ group }) => group.id === chosen) ?? sheet[0];
  const left = fastenersWithoutGroup(series);
  const name = `${series.name} ${series.code}`;
  const add = (componentId: string) => {
    const component = left.find((one) => one.id === componentId);
    if (!component) return;
    const group = newGroup(nanoid(10), component);
    change(withGroup(series, group));
    setChosen(group.id);
  };
  return (
    <>
      <TopBar
        path={<Crumbs to={[{ label: name, href: `/series/${id}` }]} here={t('torque.title')} />}
        actions={
          <>
            <SheetFiles series={series} change={writes ? change : undefined} />
            <Button variant="default" onClick={() => window.print()}>
              {t('torque.print')}
            </Button>
            {writes && (
              <Menu position="bottom-end" width={300}>
                <Menu.Target>
                  <Button>{t('torque.add')}</Button>
                </Menu.Target>
                <Menu.Dropdown mah={420} style={{ overflowY: 'auto' }}>
                  <Menu.Label>{left.length > 0 ? t('torque.addWhich') : t('torque.noneLeft')}</Menu.Label>
                  {left.map((component) => (
                    <Menu.Item key={component.id} onClick={() => add(component.id)}>
                      {component.name}
                    </Menu.Item>
                  ))}
                </Menu.Dropdown>
              </Menu>
            )}
          </>
        }
      />
      <main className={styles.sheet}>
        <section className={styles.list} aria-label={t('torque.title')}>
          <div className={styles.listHead}>
            <strong>{t('torque.groups', { count: sheet.length })}</strong>
            <Text size="sm" className="quiet">
              {t('torque.sound')}
            </Text>
          </div>
          {sheet.length === 0 && <Text className="quiet">{t('torque.none')}</Text>}
          {sheet.map((one) => (
            <GroupCard key={one.group.id} sheet={one} isOpen={one === open} onOpen={() => setChosen(one.group.id)} />
          ))}
          {sheet.length > 0 && (
            <Text size="sm" className="quiet">
              {t('torque.legend')} {t('torque.defer')}
            </Text>
          )}
        </section>
        {open && (
          <GroupDetail
            key={open.group.id}
            sheet={open}
            series={series}
            change={writes ? (group) => change(withGroup(series, group)) : undefined}
            remove={() => change(withoutGroup(series, open))}
          />
        )}
      </main>
      <PrintedSheet series={series} sheet={sheet} />
    </>
  );
}

function withoutGroup<S extends { readonly fastenerGroups?: readonly { readonly id: string }[] | undefined }>(
  series: S,
  { group }: SheetGroup,
): S {
  return { ...series, fastenerGroups: series.fastenerGroups?.filter(({ id }) => id !== group.id) };
}
