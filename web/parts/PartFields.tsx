import { Checkbox, NumberInput, Select, Stack, TextInput } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { MATERIALS, type Material } from '#core/model/consumables';
import { COMPONENT_KINDS, type ComponentKind } from '#core/model/kinds';
import { type Component, RENEWALS, type Series } from '#core/model/series';
import { materialOf } from '#core/supplies/materials';
import { DraftText } from './DraftText';

interface PartFieldsProps {
  readonly component: Component;
  readonly series: Series;
  readonly onChange: (change: Partial<Component>) => void;
}

/** What a part is: name, form, how many, and whether it is renewed. */
export function PartFields({ component, series, onChange }: PartFieldsProps) {
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
        data={COMPONENT_KINDS.map((value) => ({ value, label: t(`kind.${value}`) }))}
        value={component.kind}
        onChange={(kind) => kind && onChange({ kind: kind as ComponentKind })}
      />
      <Select
        label={t('part.positions')}
        placeholder={t('part.once')}
        clearable
        data={series.positionSets.map((set) => ({ value: set.id, label: t('part.each', { name: set.name }) }))}
        value={component.positionSetId ?? null}
        onChange={(positionSetId) => onChange({ positionSetId: positionSetId ?? undefined })}
      />
      <NumberInput
        label={component.positionSetId ? t('part.countEach') : t('part.count')}
        min={1}
        max={96}
        value={component.several ? '' : component.count}
        placeholder={t('part.countOpen')}
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
        data={RENEWALS.map((value) => ({ value, label: t(`renewal.${value}`) }))}
        value={component.renewal}
        onChange={(renewal) => renewal && onChange({ renewal: renewal as Component['renewal'] })}
      />
      <Select
        label={t('part.material')}
        placeholder={materialOf(component) ?? t('stack.unsaid')}
        clearable
        data={[...MATERIALS]}
        value={component.material ?? null}
        onChange={(material) => onChange({ material: (material as Material | null) ?? undefined })}
      />
      <TextInput
        label={t('part.number')}
        value={component.partNumber ?? ''}
        maxLength={60}
        onChange={(event) => onChange({ partNumber: event.currentTarget.value || undefined })}
      />
      <Checkbox
        label={t('part.matched')}
        checked={component.matched}
        onChange={(event) => onChange({ matched: event.currentTarget.checked })}
      />
      {(['keyed', 'threaded', 'leftHand', 'dry', 'brittle', 'springLoaded'] as const).map((trait) => (
        <Checkbox
          key={trait}
          label={t(`part.${trait}`)}
          checked={component[trait] ?? false}
          onChange={(event) => onChange({ [trait]: event.currentTarget.checked || undefined })}
        />
      ))}
    </Stack>
  );
}
