import { Button, Group } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import i18next from 'i18next';
import { titleOf } from '#core/language/en/sentence';
import { useAuthor } from '../../state/author-store';

/** Deletes a step at once and offers to take that back. */
export function removeWithUndo(stepId: string): void {
  const { workbook, remove } = useAuthor.getState();
  const step = workbook.procedure.steps.find((candidate) => candidate.id === stepId);
  if (!step) return;
  remove(stepId);
  const id = `removed-${stepId}`;
  notifications.show({
    id,
    withBorder: true,
    autoClose: 8000,
    message: (
      <Group justify="space-between" wrap="nowrap">
        {i18next.t('step.deleted', { title: titleOf(step, workbook.series) })}
        <Button
          size="compact-sm"
          variant="default"
          onClick={() => {
            useAuthor.temporal.getState().undo();
            useAuthor.getState().select(stepId);
            notifications.hide(id);
          }}
        >
          {i18next.t('author.undo')}
        </Button>
      </Group>
    ),
  });
}
