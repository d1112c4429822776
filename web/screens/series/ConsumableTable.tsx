import {
  Checkbox,
  Group,
  Modal,
  MultiSelect,
  NumberInput,
  Select,
  Stack,
  Table,
  Text,
  Title,
  UnstyledButton,
} from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import {
  CONSUMABLE_BASES,
  CONSUMABLE_KINDS,
  type ConsumableBase,
  type ConsumableKind,
  MATERIALS,
  type Material,
} from '#core/model/consumables';
import type { Consumable, Series } from '#core/model/series';
import { RATING_SOURCE, rate } from '#core/supplies/compatibility';
import { baseOf, kindOf } from '#core/supplies/consumable-kinds';
import { DraftText } from '../../parts/DraftText';
import { Delete } from './Delete';
import styles from './Series.module.css';
import { TakeOver } from './TakeOver';

const RATING_WORDS = { 1: 'good', 2: 'fair', 3: 'doubtful', 4: 'unsuitable' } as const;

interface ConsumableTableProps {
  readonly series: Series;
  readonly onChange: ((series: Series) => void) | undefined;
}

/** Grease, oil, compound and tape: what each is, how long it can be worked, and what it does to seals. */
export function ConsumableTable({ series, onChange }: ConsumableTableProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState<string | null>(null);
  const set = (consumables: readonly Consumable[]) => onChange?.({ ...series, consumables: [...consumables] });
  const opened = series.consumables.find(({ id }) => id === open);
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb="xs">
        {t('series.consumables')}
      </Title>
      {series.consumables.length === 0 ? (
        <Text className="quiet">{t('series.noneYet')}</Text>
      ) : (
        <Table verticalSpacing={7} bg="var(--sheet)" withTableBorder>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('tool.name')}</Table.Th>
              <Table.Th>{t('consumable.kind')}</Table.Th>
              <Table.Th>{t('consumable.base')}</Table.Th>
              <Table.Th>{t('consumable.time')}</Table.Th>
              <Table.Th>{t('consumable.attacks')}</Table.Th>
              {onChange && <Table.Th w={52}>{t('series.actions')}</Table.Th>}
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {series.consumables.map((consumable) => {
              const base = baseOf(consumable);
              return (
                <Table.Tr key={consumable.id}>
                  <Table.Td>
                    {onChange ? (
                      <UnstyledButton td="underline" onClick={() => setOpen(consumable.id)}>
                        {consumable.name}
                      </UnstyledButton>
                    ) : (
                      consumable.name
                    )}
                    {consumable.foodContact && <span className="quiet">{`, ${t('consumable.food')}`}</span>}
                  </Table.Td>
                  <Table.Td>{t(`consumable.kinds.${kindOf(consumable)}`)}</Table.Td>
                  <Table.Td>
                    {base ? t(`consumable.bases.${base}`) : <span className="quiet">{t('stack.unsaid')}</span>}
                  </Table.Td>
                  <Table.Td>
                    {[
                      consumable.openMinutes && t('consumable.open', { minutes: consumable.openMinutes }),
                      consumable.setMinutes && t('consumable.sets', { minutes: consumable.setMinutes }),
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </Table.Td>
                  <Table.Td>{attacked(consumable).join(', ')}</Table.Td>
                  {onChange && (
                    <Table.Td>
                      <Delete
                        name={consumable.name}
                        onDelete={() => set(series.consumables.filter((other) => other.id !== consumable.id))}
                      />
                    </Table.Td>
                  )}
                </Table.Tr>
              );
            })}
          </Table.Tbody>
        </Table>
      )}
      {onChange && <TakeOver what="consumables" series={series} onChange={onChange} />}
      <Modal opened={opened !== undefined} size={720} onClose={() => setOpen(null)} title={opened?.name ?? ''}>
        {opened && (
          <ConsumableFields
            consumable={opened}
            onChange={(consumable) =>
              set(series.consumables.map((other) => (other.id === consumable.id ? consumable : other)))
            }
          />
        )}
      </Modal>
    </section>
  );
}

/** Materials it is unsuitable for, by the published ratings or by what is said of it. */
function attacked(consumable: Consumable): Material[] {
  const base = baseOf(consumable);
  return MATERIALS.filter(
    (material) => consumable.attacks?.includes(material) || (base !== undefined && rate(material, base) === 4),
  );
}

interface ConsumableFieldsProps {
  readonly consumable: Consumable;
  readonly onChange: (consumable: Consumable) => void;
}

function ConsumableFields({ consumable, onChange }: ConsumableFieldsProps) {
  const { t } = useTranslation();
  const say = (fields: Partial<Consumable>) =>
    onChange(
      Object.fromEntries(Object.entries({ ...consumable, ...fields }).filter(([, v]) => v !== undefined)) as Consumable,
    );
  const base = baseOf(consumable);
  const minutes = (value: string | number) => (Number(value) >= 0.5 ? Number(value) : undefined);
  return (
    <Stack gap="xs">
      <Group grow>
        <DraftText
          label={t('tool.name')}
          value={consumable.name}
          maxLength={120}
          onCommit={(name) => name && say({ name })}
        />
        <Select
          label={t('consumable.kind')}
          allowDeselect={false}
          data={CONSUMABLE_KINDS.map((value) => ({ value, label: t(`consumable.kinds.${value}`) }))}
          value={kindOf(consumable)}
          onChange={(kind) => kind && say({ kind: kind as ConsumableKind })}
        />
        <Select
          label={t('consumable.base')}
          placeholder={t('stack.unsaid')}
          clearable
          data={CONSUMABLE_BASES.map((value) => ({ value, label: t(`consumable.bases.${value}`) }))}
          value={base ?? null}
          onChange={(next) => say({ base: (next as ConsumableBase | null) ?? undefined })}
        />
      </Group>
      <Group grow align="flex-start">
        <DraftText
          label={t('consumable.grade')}
          placeholder={t('consumable.gradeHint')}
          value={consumable.grade ?? ''}
          maxLength={60}
          onCommit={(grade) => say({ grade: grade || undefined })}
        />
        <NumberInput
          label={t('consumable.openMinutes')}
          min={0}
          value={consumable.openMinutes ?? ''}
          onChange={(value) => say({ openMinutes: minutes(value) })}
        />
        <NumberInput
          label={t('consumable.setMinutes')}
          min={0}
          value={consumable.setMinutes ?? ''}
          onChange={(value) => say({ setMinutes: minutes(value) })}
        />
        <NumberInput
          label={t('consumable.nutFactor')}
          min={0}
          max={1}
          step={0.01}
          value={consumable.nutFactor ?? ''}
          onChange={(value) =>
            say({ nutFactor: Number(value) >= 0.02 && Number(value) <= 1 ? Number(value) : undefined })
          }
        />
      </Group>
      <MultiSelect
        label={t('consumable.attacksMore')}
        data={[...MATERIALS]}
        value={[...(consumable.attacks ?? [])]}
        onChange={(attacks) => say({ attacks: attacks.length > 0 ? (attacks as Material[]) : undefined })}
      />
      <DraftText
        label={t('consumable.hazard')}
        placeholder={t('consumable.hazardHint')}
        value={consumable.hazard ?? ''}
        maxLength={200}
        onCommit={(hazard) => say({ hazard: hazard || undefined })}
      />
      <Checkbox
        label={t('consumable.foodContact')}
        checked={consumable.foodContact ?? false}
        onChange={(event) => say({ foodContact: event.currentTarget.checked || undefined })}
      />
      <Text size="sm" fw={500} mt={4}>
        {t('consumable.ratings')}
      </Text>
      {base ? (
        <div className={styles.ratings}>
          {MATERIALS.map((material) => {
            const rating = consumable.attacks?.includes(material) ? 4 : rate(material, base);
            return rating ? (
              <span key={material} className={styles[`rating${rating}`]}>
                <b>{material}</b> {t(`consumable.rating.${RATING_WORDS[rating]}`)}
              </span>
            ) : null;
          })}
        </div>
      ) : (
        <Text size="sm" className="quiet">
          {t('consumable.noBase')}
        </Text>
      )}
      <Text size="sm" className="quiet">
        {t('consumable.source', { source: RATING_SOURCE })}
      </Text>
    </Stack>
  );
}
