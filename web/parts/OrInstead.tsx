import { MultiSelect } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Application, Series } from '#core/model/series';

interface OrInsteadProps {
  readonly application: Application;
  readonly series: Series;
  readonly onChange: (application: Application) => void;
}

/** What does as well as what is put on: compound or tape, one of them and never both. */
export function OrInstead({ application, series, onChange }: OrInsteadProps) {
  const { t } = useTranslation();
  const { orConsumableIds = [], ...rest } = application;
  const others = series.consumables.filter(({ id }) => id !== application.consumableId);
  if (others.length === 0) return null;
  return (
    <MultiSelect
      aria-label={t('step.orInstead')}
      placeholder={orConsumableIds.length === 0 ? t('step.orInstead') : ''}
      data={others.map(({ id, name }) => ({ value: id, label: name }))}
      value={orConsumableIds}
      maxValues={6}
      onChange={(ids) => onChange(ids.length > 0 ? { ...rest, orConsumableIds: ids } : rest)}
    />
  );
}
