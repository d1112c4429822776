import { Button, Group, NumberInput, Select, Stack, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import i18next from 'i18next';
import { nanoid } from 'nanoid';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { answer, api } from '../../ground/api';
import { device } from '../../ground/device';
import { tellFault } from '../../ground/notify';
import { modals } from '../../ground/overlays';
import { useFields } from '../../parts/useFields';
import { useLeaveModal } from '../../parts/useLeaveModal';

export function openStartJob(releaseId?: string): void {
  modals.open({ title: i18next.t('jobs.start'), children: <StartJobForm chosen={releaseId ?? null} /> });
}

function StartJobForm({ chosen }: { chosen: string | null }) {
  const { t } = useTranslation();
  const leaveTo = useLeaveModal();
  const [search, setSearch] = useState('');
  const [settled] = useDebouncedValue(search, 250);
  const releases = useQuery({
    queryKey: ['releases', settled],
    queryFn: () => answer(api.releases.$get({ query: settled ? { search: settled } : {} })),
    placeholderData: keepPreviousData,
  });
  // The one chosen stays in the list, whatever is searched for.
  const picked = useQuery({
    queryKey: ['releases', 'one', chosen],
    queryFn: () => answer(api.releases.$get({ query: { id: chosen ?? '' } })),
    enabled: chosen !== null,
  });
  const [releaseId, setReleaseId] = useState(chosen);
  const { values: form, field } = useFields({ workOrder: '', pumpSerial: '', customer: '' });
  const [hours, setHours] = useState<number | string>('');
  // One id for this dialog: pressing twice on a slow network starts one job.
  const [id] = useState(() => nanoid());

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!releaseId) return;
    try {
      const job = await answer(
        api.jobs.$post({
          json: {
            id,
            releaseId,
            startedAt: new Date().toISOString(),
            ...form,
            ...(hours !== '' && { hours: Number(hours) }),
          },
        }),
      );
      await device.jobs.put(job);
      leaveTo(`/jobs/${job.id}`);
    } catch (error) {
      tellFault(error);
    }
  };

  return (
    <form onSubmit={submit}>
      <Stack>
        <Select
          label={t('jobs.onRelease')}
          placeholder={releases.data?.releases.length === 0 ? t('jobs.noReleases') : t('jobs.chooseRelease')}
          data={[
            ...new Map(
              [...(picked.data?.releases ?? []), ...(releases.data?.releases ?? [])].map((r) => [r.id, r]),
            ).values(),
          ].map((r) => ({
            value: r.id,
            label: t('jobs.releaseLabel', { series: r.seriesName, title: r.title, number: r.number }),
          }))}
          searchable
          onSearchChange={setSearch}
          filter={({ options }) => options}
          value={releaseId}
          onChange={setReleaseId}
          required
        />
        <TextInput label={t('jobs.workOrder')} {...field('workOrder')} data-autofocus />
        <TextInput label={t('jobs.serial')} {...field('pumpSerial')} />
        <TextInput label={t('jobs.customer')} {...field('customer')} />
        <NumberInput label={t('jobs.hours')} min={0} max={1_000_000} hideControls value={hours} onChange={setHours} />
        <Group justify="flex-end">
          <Button variant="default" onClick={() => modals.closeAll()}>
            {t('app.cancel')}
          </Button>
          <Button type="submit" disabled={!releaseId}>
            {t('jobs.go')}
          </Button>
        </Group>
      </Stack>
    </form>
  );
}
