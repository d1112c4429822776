import { Select } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { withConsumablesOf, withToolsOf } from '#core/edits/library';
import type { Series } from '#core/model/series';
import { answer, api } from '../../ground/api';
import { tellDone, tellFault } from '../../ground/notify';
import { useSeriesNamed } from '../shelf/shelf';

interface TakeOverProps {
  readonly what: 'tools' | 'consumables';
  readonly series: Series;
  readonly onChange: (series: Series) => void;
}

/** What another series has and this one lacks comes over with all that is known of it. */
export function TakeOver({ what, series, onChange }: TakeOverProps) {
  const { t } = useTranslation();
  const [search, setSearch] = useState('');
  const [settled] = useDebouncedValue(search, 250);
  const others = useSeriesNamed(settled).filter(({ id }) => id !== series.id);
  if (others.length === 0 && search === '') return null;
  const take = async (id: string) => {
    try {
      const { document } = await answer(api.series[':id'].$get({ param: { id } }));
      const grown = (what === 'tools' ? withToolsOf : withConsumablesOf)(series, document, () => nanoid(10));
      const count = grown[what].length - series[what].length;
      if (count > 0) onChange(grown);
      tellDone(t(`takeOver.${what}`, { count }));
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <Select
      mt="xs"
      maw={420}
      aria-label={t(`takeOver.${what}From`)}
      placeholder={t(`takeOver.${what}From`)}
      data={others.map(({ id, name, code }) => ({ value: id, label: `${name} ${code}` }))}
      value={null}
      searchable
      onSearchChange={setSearch}
      filter={({ options }) => options}
      onChange={(id) => id && void take(id)}
    />
  );
}
