import { Button, List, MultiSelect, Stack } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Position, PositionSet, Series } from '#core/model/series';
import { Delete } from './Delete';

interface PositionListProps {
  readonly series: Series;
  readonly writes: boolean;
  readonly change: (next: Series) => void;
  readonly remove: (set: PositionSet) => void;
}

/** What repeats in the pump, and which of these places lie in others. */
export function PositionList({ series, writes, change, remove }: PositionListProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState<string | null>(null);
  const nameOf = (id: string) => series.positionSets.flatMap((set) => set.positions).find((p) => p.id === id)?.name;
  const said = ({ name, within = [] }: Position) =>
    within.length > 0 ? t('series.lying', { name, within: within.map(nameOf).join(', ') }) : name;
  return (
    <List mb={series.positionSets.length > 0 ? 'sm' : 0}>
      {series.positionSets.map((set) => (
        <List.Item key={set.id}>
          {`${t('part.each', { name: set.name })}: ${set.positions.map(said).join(', ')} `}
          {writes && <Delete name={set.name} onDelete={() => remove(set)} />}
          {writes && series.positionSets.length > 1 && (
            <Button
              size="compact-sm"
              variant="subtle"
              aria-expanded={open === set.id}
              onClick={() => setOpen(open === set.id ? null : set.id)}
            >
              {t('series.within')}
            </Button>
          )}
          {writes && open === set.id && (
            <Within
              set={set}
              series={series}
              onSet={(next) => change({ ...series, positionSets: replaced(series, next) })}
            />
          )}
        </List.Item>
      ))}
    </List>
  );
}

function replaced({ positionSets }: Series, next: PositionSet): PositionSet[] {
  return positionSets.map((set) => (set.id === next.id ? next : set));
}

/** For each place of a set those of other sets that it lies in. */
function Within({ set, series, onSet }: { set: PositionSet; series: Series; onSet: (set: PositionSet) => void }) {
  const { t } = useTranslation();
  const data = series.positionSets
    .filter(({ id }) => id !== set.id)
    .map(({ name, positions }) => ({
      group: t('part.each', { name }),
      items: positions.map(({ id, name: label }) => ({ value: id, label })),
    }));
  return (
    <Stack gap={6} my="xs" maw={560}>
      {set.positions.map((position, i) => (
        <MultiSelect
          key={position.id}
          label={t('series.liesIn', { name: position.name })}
          data={data}
          value={position.within ?? []}
          onChange={(ids) => {
            const { within: _before, ...plain } = position;
            onSet({ ...set, positions: set.positions.with(i, ids.length > 0 ? { ...plain, within: ids } : plain) });
          }}
        />
      ))}
    </Stack>
  );
}
