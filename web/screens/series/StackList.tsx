import {
  ActionIcon,
  Button,
  Checkbox,
  Stack as Column,
  Group,
  Modal,
  NumberInput,
  Select,
  Text,
  Title,
} from '@mantine/core';
import { IconArrowDown, IconArrowUp, IconX } from '@tabler/icons-react';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { componentById } from '#core/model/lookup';
import { type Series, STACK_ENDS, type Stack, type StackEnd } from '#core/model/series';
import { StackSection } from '../../drawings/StackSection';
import { modals } from '../../ground/overlays';
import { DraftText } from '../../parts/DraftText';
import styles from './Stacks.module.css';

interface StackListProps {
  readonly series: Series;
  /** Without it the stacks are only looked at. */
  readonly onChange: ((series: Series) => void) | undefined;
}

/** What sits on one another in each bore, drawn in section. */
export function StackList({ series, onChange }: StackListProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState<string | null>(null);
  const stacks = series.stacks ?? [];
  const set = (next: readonly Stack[]) => onChange?.({ ...series, stacks: [...next] });
  const add = () => {
    const stack: Stack = {
      id: nanoid(10),
      name: t('stack.newName', { number: stacks.length + 1 }),
      bore: [],
      layers: [],
    };
    set([...stacks, stack]);
    setOpen(stack.id);
  };
  const ask = (stack: Stack) =>
    modals.openConfirmModal({
      title: t('series.remove', { name: stack.name }),
      children: t('series.removeAsk'),
      labels: { confirm: t('app.delete'), cancel: t('app.cancel') },
      confirmProps: { color: 'kaki' },
      onConfirm: () => set(stacks.filter(({ id }) => id !== stack.id)),
    });
  const opened = stacks.find(({ id }) => id === open);
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb="xs">
        {t('stack.title')}
      </Title>
      {stacks.length === 0 && <Text className="quiet">{t('stack.none')}</Text>}
      <div className={styles.stacks}>
        {stacks.map((stack) => (
          <div key={stack.id} className={styles.stack}>
            <Group justify="space-between" mb={6}>
              <strong>{stack.name}</strong>
              {onChange && (
                <Group gap={6}>
                  <Button size="compact-sm" variant="default" onClick={() => setOpen(stack.id)}>
                    {t('stack.edit')}
                  </Button>
                  <Button size="compact-sm" variant="default" onClick={() => ask(stack)}>
                    {t('app.delete')}
                  </Button>
                </Group>
              )}
            </Group>
            <StackSection stack={stack} series={series} />
          </div>
        ))}
      </div>
      {onChange && (
        <Button mt="xs" variant="default" onClick={add}>
          {t('stack.new')}
        </Button>
      )}
      <Modal opened={opened !== undefined} size={1080} onClose={() => setOpen(null)} title={opened?.name ?? ''}>
        {opened && (
          <StackFields
            stack={opened}
            series={series}
            onChange={(stack) => set(stacks.map((other) => (other.id === stack.id ? stack : other)))}
          />
        )}
      </Modal>
    </section>
  );
}

interface StackFieldsProps {
  readonly stack: Stack;
  readonly series: Series;
  readonly onChange: (stack: Stack) => void;
}

const millimetres = (value: string | number): number | undefined => (Number(value) > 0 ? Number(value) : undefined);

/** Everything about a stack, with its section drawn while it is said. */
function StackFields({ stack, series, onChange }: StackFieldsProps) {
  const { t } = useTranslation();
  const [marked, setMarked] = useState<string | null>(null);
  const parts = series.components.map(({ id, name }) => ({ value: id, label: name }));
  const end = (label: string, value: StackEnd | undefined, say: (end: StackEnd | undefined) => Stack) => (
    <Select
      label={label}
      placeholder={t('stack.unsaid')}
      clearable
      data={STACK_ENDS.map((side) => ({ value: side, label: t(`stack.end.${side}`) }))}
      value={value ?? null}
      onChange={(side) => onChange(say((side as StackEnd | null) ?? undefined))}
    />
  );
  return (
    <div className={styles.editor}>
      <Column gap="xs">
        <Group grow align="flex-start">
          <DraftText
            label={t('part.name')}
            value={stack.name}
            maxLength={120}
            onCommit={(name) => name && onChange({ ...stack, name })}
          />
          <Select
            label={t('stack.host')}
            placeholder={t('stack.unsaid')}
            clearable
            searchable
            data={parts}
            value={stack.hostId ?? null}
            onChange={(hostId) => onChange(withOr(stack, 'hostId', hostId))}
          />
        </Group>
        <Group grow align="flex-start">
          {end(t('stack.pressure'), stack.pressureAt, (pressureAt) => withOr(stack, 'pressureAt', pressureAt))}
          {end(t('stack.drive'), stack.driveAt, (driveAt) => withOr(stack, 'driveAt', driveAt))}
          <NumberInput
            label={t('stack.shaft')}
            min={0}
            value={stack.shaft?.diameterMm ?? ''}
            onChange={(value) => {
              const diameterMm = millimetres(value);
              onChange(withOr(stack, 'shaft', diameterMm === undefined ? undefined : { ...stack.shaft, diameterMm }));
            }}
          />
        </Group>
        <div className={`${styles.layer} ${styles.layerHead}`}>
          <strong>{t('stack.layers')}</strong>
          {(['count', 'length', 'inner', 'outer', 'turns'] as const).map((column) => (
            <span key={column}>{t(`stack.column.${column}`)}</span>
          ))}
        </div>
        {[...stack.layers].reverse().map((layer) => {
          const i = stack.layers.indexOf(layer);
          const set = (next: Stack['layers'][number]) => onChange({ ...stack, layers: stack.layers.with(i, next) });
          const move = (to: number) =>
            onChange({ ...stack, layers: stack.layers.toSpliced(i, 1).toSpliced(to, 0, layer) });
          const name = componentById(series, layer.componentId)?.name ?? '';
          return (
            // biome-ignore lint/a11y/noStaticElementInteractions: only marks in the drawing what is being edited
            <div key={layer.id} className={styles.layer} onFocus={() => setMarked(layer.componentId)}>
              <span className={styles.layerName}>{name}</span>
              <NumberInput
                aria-label={t('stack.count', { name })}
                min={1}
                max={40}
                value={layer.count}
                onChange={(count) => Number(count) >= 1 && set({ ...layer, count: Math.min(40, Number(count)) })}
              />
              {(['lengthMm', 'innerMm', 'outerMm'] as const).map((size) => (
                <NumberInput
                  key={size}
                  aria-label={t(`stack.${size}Of`, { name })}
                  placeholder={t(`stack.${size}`)}
                  min={0}
                  value={layer[size] ?? ''}
                  onChange={(value) => set(withOr(layer, size, millimetres(value)))}
                />
              ))}
              <Checkbox
                aria-label={t('stack.turnsOf', { name })}
                title={t('stack.turns')}
                checked={layer.turns ?? false}
                onChange={(event) => set(withOr(layer, 'turns', event.currentTarget.checked || undefined))}
              />
              <Group gap={2} wrap="nowrap">
                <ActionIcon
                  variant="subtle"
                  color="gray"
                  disabled={i === stack.layers.length - 1}
                  aria-label={t('stack.up', { name })}
                  onClick={() => move(i + 1)}
                >
                  <IconArrowUp size={16} />
                </ActionIcon>
                <ActionIcon
                  variant="subtle"
                  color="gray"
                  disabled={i === 0}
                  aria-label={t('stack.down', { name })}
                  onClick={() => move(i - 1)}
                >
                  <IconArrowDown size={16} />
                </ActionIcon>
                <ActionIcon
                  variant="subtle"
                  color="gray"
                  aria-label={t('stack.takeOut', { name })}
                  onClick={() => onChange({ ...stack, layers: stack.layers.toSpliced(i, 1) })}
                >
                  <IconX size={16} />
                </ActionIcon>
              </Group>
            </div>
          );
        })}
        <Select
          aria-label={t('stack.add')}
          placeholder={t('stack.add')}
          searchable
          data={parts}
          value={null}
          onChange={(componentId) =>
            componentId && onChange({ ...stack, layers: [...stack.layers, { id: nanoid(8), componentId, count: 1 }] })
          }
        />
        <Text size="sm" fw={500} mt={4}>
          {t('stack.bore')}
        </Text>
        {stack.bore.map((step, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: steps of a bore have no identity beyond their place
          <div key={`${i}-${stack.bore.length}`} className={styles.bore}>
            {(['diameterMm', 'lengthMm'] as const).map((size) => (
              <NumberInput
                key={size}
                aria-label={t(`stack.bore_${size}`, { number: i + 1 })}
                suffix=" mm"
                min={0}
                value={step[size]}
                onChange={(value) =>
                  millimetres(value) &&
                  onChange({ ...stack, bore: stack.bore.with(i, { ...step, [size]: Number(value) }) })
                }
              />
            ))}
            <ActionIcon
              variant="subtle"
              color="gray"
              aria-label={t('step.removeOne')}
              onClick={() => onChange({ ...stack, bore: stack.bore.toSpliced(i, 1) })}
            >
              <IconX size={16} />
            </ActionIcon>
          </div>
        ))}
        <Button
          size="compact-sm"
          variant="default"
          style={{ justifySelf: 'start', alignSelf: 'flex-start' }}
          onClick={() =>
            onChange({
              ...stack,
              bore: [...stack.bore, { diameterMm: stack.bore.at(-1)?.diameterMm ?? 50, lengthMm: 20 }],
            })
          }
        >
          {t('stack.addBore')}
        </Button>
      </Column>
      <div className={styles.live}>
        <StackSection stack={stack} series={series} current={marked ? [marked] : []} />
        <Text size="sm" className="quiet">
          {t('stack.hint')}
        </Text>
      </div>
    </div>
  );
}

/** The same object with one field said, or without it. */
function withOr<T extends object, K extends keyof T>(object: T, key: K, value: T[K] | null | undefined): T {
  const { [key]: _old, ...rest } = object;
  return (value === undefined || value === null ? rest : { ...rest, [key]: value }) as T;
}
