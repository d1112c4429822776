import { Button, Checkbox, Group, Select, TextInput } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { titleOf } from '#core/language/en/sentence';
import type { Narration } from '#core/model/narration';
import type { PositionSet } from '#core/model/series';
import { repeating, usuallyRepeated } from '#core/narration/editing';
import { tellDone } from '../../ground/notify';
import { useAuthor } from '../../state/author-store';
import styles from './Narration.module.css';

const NEW = 'new';

/** "Do the same on the other side": which steps are meant, and at which places. They are done together as a block. */
export function RepeatForm({ narration, proposalId }: { narration: Narration; proposalId: string }) {
  const { t } = useTranslation();
  const { series, procedure } = useAuthor((state) => state.workbook);
  const told = procedure.steps.filter((step) => step.source?.narrationId === narration.id && !step.blockId);
  const steps = told.map((step) => ({
    value: step.id,
    label: `${procedure.steps.indexOf(step) + 1} ${titleOf(step, series)}`,
  }));
  const usual = usuallyRepeated(told);
  const [from, setFrom] = useState<string | null>(usual[0]?.id ?? null);
  const [to, setTo] = useState<string | null>(usual.at(-1)?.id ?? null);
  const [setId, setSetId] = useState<string>(series.positionSets[0]?.id ?? NEW);
  const [places, setPlaces] = useState('');
  const [mirrored, setMirrored] = useState(false);
  const named = places
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  const set = series.positionSets.find(({ id }) => id === setId) ?? newSet(named);
  const repeat = () => {
    const { workbook, apply } = useAuthor.getState();
    const now = workbook.procedure.narrations?.find(({ id }) => id === narration.id) ?? narration;
    const edits =
      from && to && set
        ? repeating(workbook, now, proposalId, { fromStepId: from, toStepId: to, set, mirrored }, () => nanoid(8))
        : [];
    if (edits.length === 0 || !apply(edits)) tellDone(t('narration.repeatNone'));
  };
  if (steps.length === 0) return <div className={styles.missing}>{t('narration.repeatFirst')}</div>;
  return (
    <div className={styles.repeat}>
      <span>{t('narration.repeat')}</span>
      <Group gap={8} align="end">
        <Select label={t('narration.repeatFrom')} data={steps} value={from} onChange={setFrom} w={230} />
        <Select label={t('narration.repeatTo')} data={steps} value={to} onChange={setTo} w={230} />
      </Group>
      <Group gap={8} align="end">
        <Select
          label={t('narration.repeatAt')}
          allowDeselect={false}
          data={[
            ...series.positionSets.map(({ id, positions }) => ({
              value: id,
              label: positions.map(({ name }) => name).join(', '),
            })),
            { value: NEW, label: t('narration.repeatNew') },
          ]}
          value={setId}
          onChange={(id) => setSetId(id ?? NEW)}
          w={230}
        />
        {setId === NEW && (
          <TextInput
            label={t('narration.repeatPlaces')}
            placeholder={t('narration.repeatPlacesHint')}
            value={places}
            onChange={(event) => setPlaces(event.currentTarget.value)}
            w={230}
          />
        )}
        <Checkbox
          label={t('narration.repeatMirrored')}
          checked={mirrored}
          onChange={(event) => setMirrored(event.currentTarget.checked)}
        />
        <Button disabled={!from || !to || !set} onClick={repeat}>
          {t('narration.repeatDo')}
        </Button>
      </Group>
    </div>
  );
}

/** "left side, right side": places of a kind that the series does not know yet. */
function newSet(names: readonly string[]): PositionSet | undefined {
  if (names.length < 2) return undefined;
  const last = names[0]?.split(' ').at(-1) ?? 'place';
  return {
    id: nanoid(8),
    name: names.every((name) => name.endsWith(last)) ? last : 'place',
    positions: names.map((name) => ({ id: nanoid(8), name })),
  };
}
