import { Button, Group, List, Modal, Stack, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { sameJson } from '#core/edits/merge';
import { titleOf } from '#core/language/en/sentence';
import type { Workbook } from '#core/model/procedure';
import { answer, api } from '../../../ground/api';
import { showMoment } from '../../../ground/format';
import { tellDone, tellFault } from '../../../ground/notify';
import { useAuthor } from '../../../state/author-store';
import { mergeOfBoth, resolveStale, takeTheirs, useAutosave } from '../../../sync/autosave';

/** The draft was saved elsewhere meanwhile: both versions are shown, and nothing is lost whichever is chosen. */
export function StaleDialog() {
  const { t } = useTranslation();
  const state = useAutosave((autosave) => autosave.state);
  const base = useAutosave((autosave) => autosave.base);
  const mine = useAuthor((author) => author.workbook);
  if (state.kind !== 'stale' || !base) return null;
  const { theirs } = state;
  const other: Workbook = { series: theirs.series.document, procedure: theirs.procedure.document };
  const { merged, conflicts } = mergeOfBoth(theirs);

  const keepMineAsCopy = async () => {
    try {
      const title = t('stale.copyTitle', { title: mine.procedure.title }).slice(0, 160);
      // A copy needs every part it names, so the series takes in mine first.
      await resolveStale(theirs, { series: merged.series, procedure: other.procedure });
      await answer(
        api.procedures[':id'].copies.$post({
          param: { id: mine.procedure.id },
          json: { document: { ...mine.procedure, title } },
        }),
      );
      tellDone(t('stale.copied', { title }));
    } catch (error) {
      tellFault(error);
    }
  };

  return (
    <Modal
      opened
      onClose={() => undefined}
      withCloseButton={false}
      closeOnEscape={false}
      closeOnClickOutside={false}
      size="xl"
      title={t('stale.title')}
    >
      <Stack>
        <Text>{t('stale.body', { when: showMoment(theirs.procedure.changedAt) })}</Text>
        <Group align="flex-start" grow>
          <Changes title={t('stale.mine')} from={base.workbook} to={mine} />
          <Changes title={t('stale.theirs')} from={base.workbook} to={other} />
        </Group>
        {conflicts.length === 0 ? (
          <Text>{t('stale.noConflict')}</Text>
        ) : (
          <Text>{t('stale.conflicts', { count: conflicts.length })}</Text>
        )}
        <Group justify="flex-end">
          <Button variant="default" onClick={() => takeTheirs(theirs)}>
            {t('stale.takeTheirs')}
          </Button>
          <Button variant="default" onClick={keepMineAsCopy}>
            {t('stale.keepBoth')}
          </Button>
          <Button
            variant={conflicts.length === 0 ? 'default' : 'filled'}
            onClick={() => resolveStale(theirs, { series: merged.series, procedure: mine.procedure })}
          >
            {t('stale.keepMine')}
          </Button>
          {conflicts.length === 0 && <Button onClick={() => resolveStale(theirs, merged)}>{t('stale.merge')}</Button>}
        </Group>
      </Stack>
    </Modal>
  );
}

/** What one side changed, step by step. */
function Changes({ title, from, to }: { title: string; from: Workbook; to: Workbook }) {
  const { t } = useTranslation();
  const before = new Map(from.procedure.steps.map((step) => [step.id, step]));
  const after = new Set(to.procedure.steps.map((step) => step.id));
  const lines = [
    ...to.procedure.steps.flatMap((step, index) => {
      const was = before.get(step.id);
      const name = titleOf(step, to.series);
      if (!was) return [t('stale.added', { number: index + 1, name })];
      return sameJson(was, step) ? [] : [t('stale.changed', { number: index + 1, name })];
    }),
    ...from.procedure.steps
      .filter((step) => !after.has(step.id))
      .map((step) => t('stale.removed', { name: titleOf(step, from.series) })),
  ];
  return (
    <div>
      <Text fw={650}>{title}</Text>
      <Text size="sm" className="quiet">
        {t('shelf.steps', { count: to.procedure.steps.length })}
      </Text>
      <List size="sm" mt={4}>
        {lines.slice(0, 12).map((line) => (
          <List.Item key={line}>{line}</List.Item>
        ))}
        {lines.length === 0 && <List.Item>{t('stale.sameSteps')}</List.Item>}
      </List>
    </div>
  );
}
