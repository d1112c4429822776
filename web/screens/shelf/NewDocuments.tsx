import { Button, Group, NumberInput, Select, Stack, Text, TextInput } from '@mantine/core';
import i18next from 'i18next';
import { nanoid } from 'nanoid';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { type PositionSet, PUMP_TYPES } from '#core/model/series';
import { answer, api } from '../../ground/api';
import { tellFault } from '../../ground/notify';
import { modals } from '../../ground/overlays';
import { useLeaveModal } from '../../parts/useLeaveModal';

export function openNewSeries(): void {
  modals.open({ title: i18next.t('newSeries.title'), size: 'lg', children: <NewSeriesForm /> });
}

export function openNewProcedure(series: { id: string; name: string; code: string }): void {
  modals.open({
    title: i18next.t('newProcedure.title', { name: `${series.name} ${series.code}` }),
    children: <NewProcedureForm seriesId={series.id} />,
  });
}

/** "shaft", 2 becomes a set with "shaft 1" and "shaft 2"; two ends are told apart as left and right. */
export function positionSet(name: string, count: number): PositionSet {
  const singular = name.trim().toLowerCase();
  const names =
    singular === 'end' && count === 2
      ? ['left end', 'right end']
      : singular === 'stack' && count === 2
        ? ['upper stack', 'lower stack']
        : Array.from({ length: count }, (_, i) => `${singular} ${i + 1}`);
  return { id: nanoid(8), name: singular, positions: names.map((position) => ({ id: nanoid(8), name: position })) };
}

function NewSeriesForm() {
  const { t } = useTranslation();
  const leaveTo = useLeaveModal();
  const [name, setName] = useState('');
  const [code, setCode] = useState('');
  const [pumpType, setPumpType] = useState<(typeof PUMP_TYPES)[number]>('plunger');
  const [repeats, setRepeats] = useState('');
  const [count, setCount] = useState(2);

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const positionSets = repeats.trim() ? [positionSet(repeats, count)] : [];
      const { id } = await answer(api.series.$post({ json: { name, code, pumpType, positionSets } }));
      leaveTo(`/series/${id}`);
    } catch (error) {
      tellFault(error);
    }
  };

  return (
    <form onSubmit={submit}>
      <Stack>
        <Group grow align="flex-start">
          <TextInput
            label={t('newSeries.name')}
            description={t('newSeries.nameHint')}
            value={name}
            onChange={(e) => setName(e.currentTarget.value)}
            required
            data-autofocus
          />
          <TextInput
            label={t('newSeries.code')}
            description={t('newSeries.codeHint')}
            value={code}
            onChange={(e) => setCode(e.currentTarget.value)}
            required
          />
        </Group>
        <Select
          label={t('newSeries.pumpType')}
          data={PUMP_TYPES.map((value) => ({ value, label: t(`pumpType.${value}`) }))}
          value={pumpType}
          onChange={(value) => setPumpType((value ?? 'other') as typeof pumpType)}
          allowDeselect={false}
        />
        <Group grow align="flex-end">
          <TextInput
            label={t('newSeries.repeats')}
            description={t('newSeries.repeatsHint')}
            placeholder={t('newSeries.repeatsExample')}
            value={repeats}
            onChange={(e) => setRepeats(e.currentTarget.value)}
          />
          <NumberInput
            label={t('newSeries.count')}
            min={1}
            max={48}
            value={count}
            onChange={(value) => setCount(Number(value) || 1)}
            disabled={!repeats.trim()}
          />
        </Group>
        {repeats.trim() && (
          <Text className="quiet">
            {positionSet(repeats, count)
              .positions.map((p) => p.name)
              .join(', ')}
          </Text>
        )}
        <Group justify="flex-end">
          <Button variant="default" onClick={() => modals.closeAll()}>
            {t('app.cancel')}
          </Button>
          <Button type="submit">{t('newSeries.go')}</Button>
        </Group>
      </Stack>
    </form>
  );
}

function NewProcedureForm({ seriesId }: { seriesId: string }) {
  const { t } = useTranslation();
  const leaveTo = useLeaveModal();
  const [title, setTitle] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const { id } = await answer(api.procedures.$post({ json: { seriesId, title } }));
      leaveTo(`/procedures/${id}`);
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <form onSubmit={submit}>
      <Stack>
        <TextInput
          label={t('newProcedure.name')}
          placeholder={t('newProcedure.example')}
          value={title}
          onChange={(e) => setTitle(e.currentTarget.value)}
          required
          data-autofocus
        />
        <Group justify="flex-end">
          <Button variant="default" onClick={() => modals.closeAll()}>
            {t('app.cancel')}
          </Button>
          <Button type="submit">{t('newProcedure.go')}</Button>
        </Group>
      </Stack>
    </form>
  );
}
