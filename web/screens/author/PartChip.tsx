import { Checkbox, NumberInput, Popover, Select, Stack, TextInput, UnstyledButton } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { COMPONENT_KINDS, type ComponentKind } from '#core/pump/kinds';
import { type Component, componentById, positionSetById, RENEWALS } from '#core/pump/series';
import { Silhouette } from '../../drawings/Silhouette';
import { DraftText } from '../../parts/DraftText';
import { Tag } from '../../parts/Tag';
import { useAuthor } from '../../state/author-store';

/** What the series knows about a part, in a few words; opens to change it. */
export function PartChip({ componentId }: { componentId: string }) {
  const { t } = useTranslation();
  const { series } = useAuthor((state) => state.workbook);
  const component = componentById(series, componentId);
  if (!component) return null;
  const set = positionSetById(series, component.positionSetId);
  const facts = [
    set
      ? t('part.perPosition', { count: component.count, name: set.name })
      : t('part.inAll', { count: component.count }),
    component.matched && t('part.matchedShort'),
    component.renewal !== 'judge' && t(`renewal.${component.renewal}`),
  ].filter(Boolean);
  return (
    <Popover width={320} position="bottom-start" withArrow trapFocus returnFocus>
      <Popover.Target>
        <UnstyledButton aria-label={t('part.about', { name: component.name })}>
          <Tag>
            <Silhouette kind={component.kind} size={18} />
            {component.name}
            <span className="quiet">{facts.join(', ')}</span>
          </Tag>
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown>
        <ComponentFields
          component={component}
          onChange={(change) => useAuthor.getState().changeComponent(component.id, change)}
          positionSets={series.positionSets}
        />
      </Popover.Dropdown>
    </Popover>
  );
}

interface ComponentFieldsProps {
  readonly component: Component;
  readonly positionSets: readonly { id: string; name: string }[];
  readonly onChange: (change: Partial<Component>) => void;
}

/** Everything the series says about one component. */
export function ComponentFields({ component, positionSets, onChange }: ComponentFieldsProps) {
  const { t } = useTranslation();
  return (
    <Stack gap="xs">
      <DraftText
        label={t('part.name')}
        value={component.name}
        maxLength={120}
        onCommit={(name) => name && onChange({ name })}
      />
      <Select
        label={t('part.kind')}
        searchable
        allowDeselect={false}
        comboboxProps={{ withinPortal: false }}
        data={COMPONENT_KINDS.map((value) => ({ value, label: t(`kind.${value}`) }))}
        value={component.kind}
        onChange={(kind) => kind && onChange({ kind: kind as ComponentKind })}
      />
      <Select
        label={t('part.positions')}
        placeholder={t('part.once')}
        clearable
        comboboxProps={{ withinPortal: false }}
        data={positionSets.map((set) => ({ value: set.id, label: t('part.each', { name: set.name }) }))}
        value={component.positionSetId ?? null}
        onChange={(positionSetId) => onChange({ positionSetId: positionSetId ?? undefined })}
      />
      <NumberInput
        label={component.positionSetId ? t('part.countEach') : t('part.count')}
        min={1}
        max={96}
        value={component.count}
        onChange={(count) =>
          Number.isInteger(Number(count)) &&
          Number(count) >= 1 &&
          Number(count) <= 96 &&
          onChange({ count: Number(count) })
        }
      />
      <Select
        label={t('part.renewal')}
        allowDeselect={false}
        comboboxProps={{ withinPortal: false }}
        data={RENEWALS.map((value) => ({ value, label: t(`renewal.${value}`) }))}
        value={component.renewal}
        onChange={(renewal) => renewal && onChange({ renewal: renewal as Component['renewal'] })}
      />
      <Checkbox
        label={t('part.matched')}
        checked={component.matched}
        onChange={(event) => onChange({ matched: event.currentTarget.checked })}
      />
      <TextInput
        label={t('part.number')}
        value={component.partNumber ?? ''}
        maxLength={60}
        onChange={(event) => onChange({ partNumber: event.currentTarget.value || undefined })}
      />
    </Stack>
  );
}
