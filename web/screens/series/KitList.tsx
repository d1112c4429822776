import { ActionIcon, Button, Group, NumberInput, Select, Text, TextInput, Title } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { nanoid } from 'nanoid';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { componentById } from '#core/model/lookup';
import type { Kit, Series } from '#core/model/series';
import { modals } from '../../ground/overlays';
import { DraftText } from '../../parts/DraftText';
import styles from './Series.module.css';

interface KitListProps {
  readonly series: Series;
  /** Without it the kits are only looked at. */
  readonly onChange: ((series: Series) => void) | undefined;
}

/** Kits of new parts: what is in each, so that a procedure can say whether one is enough. */
export function KitList({ series, onChange }: KitListProps) {
  const { t } = useTranslation();
  const [name, setName] = useState('');
  const set = (kits: readonly Kit[]) => onChange?.({ ...series, kits: [...kits] });
  const change = (kit: Kit) => set(series.kits.map((other) => (other.id === kit.id ? kit : other)));
  const add = (event: FormEvent) => {
    event.preventDefault();
    if (!name.trim()) return;
    set([...series.kits, { id: nanoid(10), name: name.trim(), contents: [] }]);
    setName('');
  };
  const ask = (kit: Kit) =>
    modals.openConfirmModal({
      title: t('series.remove', { name: kit.name }),
      children: t('series.removeAsk'),
      labels: { confirm: t('app.delete'), cancel: t('app.cancel') },
      confirmProps: { color: 'kaki' },
      onConfirm: () => set(series.kits.filter((other) => other.id !== kit.id)),
    });
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb="xs">
        {t('kit.title')}
      </Title>
      {series.kits.length === 0 && <Text className="quiet">{t('series.noneYet')}</Text>}
      {series.kits.map((kit) => (
        <div key={kit.id} className={styles.kit}>
          {onChange ? (
            <Group mb={6} align="flex-end">
              <DraftText
                label={t('part.name')}
                value={kit.name}
                maxLength={120}
                onCommit={(to) => to && change({ ...kit, name: to })}
              />
              <DraftText
                label={t('part.number')}
                value={kit.partNumber ?? ''}
                maxLength={60}
                onCommit={(partNumber) => {
                  const { partNumber: _old, ...rest } = kit;
                  change(partNumber ? { ...rest, partNumber } : rest);
                }}
              />
              <Button variant="default" onClick={() => ask(kit)}>
                {t('app.delete')}
              </Button>
            </Group>
          ) : (
            <strong>{kit.name}</strong>
          )}
          {kit.contents.map((content, i) => (
            <div key={content.componentId} className={styles.content}>
              <span>{componentById(series, content.componentId)?.name}</span>
              {onChange ? (
                <>
                  <NumberInput
                    aria-label={t('kit.pieces')}
                    min={1}
                    max={500}
                    value={content.count}
                    onChange={(count) =>
                      Number(count) >= 1 &&
                      change({ ...kit, contents: kit.contents.with(i, { ...content, count: Number(count) }) })
                    }
                  />
                  <ActionIcon
                    variant="subtle"
                    color="gray"
                    aria-label={t('step.removeOne')}
                    onClick={() => change({ ...kit, contents: kit.contents.toSpliced(i, 1) })}
                  >
                    <IconX size={16} />
                  </ActionIcon>
                </>
              ) : (
                <span className="number">{content.count}</span>
              )}
            </div>
          ))}
          {onChange && (
            <Select
              mt={6}
              maw={480}
              searchable
              aria-label={t('kit.add')}
              placeholder={t('kit.add')}
              data={series.components
                .filter(({ id }) => !kit.contents.some((content) => content.componentId === id))
                .map(({ id, name: label }) => ({ value: id, label }))}
              value={null}
              onChange={(componentId) =>
                componentId && change({ ...kit, contents: [...kit.contents, { componentId, count: 1 }] })
              }
            />
          )}
        </div>
      ))}
      {onChange && (
        <form onSubmit={add}>
          <Group gap="xs">
            <TextInput
              aria-label={t('kit.name')}
              placeholder={t('kit.name')}
              value={name}
              maxLength={120}
              onChange={(event) => setName(event.currentTarget.value)}
            />
            <Button type="submit" variant="default" disabled={!name.trim()}>
              {t('kit.new')}
            </Button>
          </Group>
        </form>
      )}
    </section>
  );
}
