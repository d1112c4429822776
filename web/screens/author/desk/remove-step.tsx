import { Button, Group, List, Stack, Text } from '@mantine/core';
import i18next from 'i18next';
import { type Fate, hangingOn, removingAnswer, removingQuestion } from '#core/edits/questions';
import { titleOf } from '#core/language/en/sentence';
import type { Step } from '#core/model/procedure';
import { modals, notifications } from '../../../ground/overlays';
import { useAuthor } from '../../../state/author-store';

/** Deletes a step and offers to take that back; where others hang on its question it first asks what becomes of them. */
export function removeStep(stepId: string): void {
  const { workbook } = useAuthor.getState();
  const step = workbook.procedure.steps.find((candidate) => candidate.id === stepId);
  if (!step) return;
  settle(hangingOn(workbook.procedure, stepId), (fate) => {
    useAuthor.getState().remove(stepId, fate);
    offerUndo(i18next.t('step.deleted', { title: titleOf(step, workbook.series) }), stepId);
  });
}

/** Takes the question out of a step, or one of its answers. */
export function removeQuestion(stepId: string): void {
  const { procedure } = useAuthor.getState().workbook;
  settle(hangingOn(procedure, stepId), (fate) => {
    useAuthor.getState().apply(removingQuestion(useAuthor.getState().workbook.procedure, stepId, fate));
  });
}

export function removeAnswer(stepId: string, answerId: string): void {
  const { procedure } = useAuthor.getState().workbook;
  settle(hangingOn(procedure, stepId, [answerId]), (fate) => {
    useAuthor.getState().apply(removingAnswer(useAuthor.getState().workbook.procedure, stepId, answerId, fate));
  });
}

/** What becomes of the steps that hang on an answer; asked only where there are any. */
function settle(hanging: readonly Step[], go: (fate: Fate) => void): void {
  if (hanging.length === 0) {
    go('always');
    return;
  }
  const { steps } = useAuthor.getState().workbook.procedure;
  const { series } = useAuthor.getState().workbook;
  const choose = (fate: Fate) => {
    modals.closeAll();
    go(fate);
  };
  modals.open({
    title: i18next.t('step.hanging.title'),
    children: (
      <Stack gap="sm">
        <Text>{i18next.t('step.hanging.ask', { count: hanging.length })}</Text>
        <List size="sm">
          {hanging.map((step) => (
            <List.Item key={step.id}>{`${steps.indexOf(step) + 1}  ${titleOf(step, series)}`}</List.Item>
          ))}
        </List>
        <Group justify="flex-end" gap="xs">
          <Button variant="default" onClick={() => modals.closeAll()}>
            {i18next.t('app.cancel')}
          </Button>
          <Button variant="default" onClick={() => choose('delete')}>
            {i18next.t('step.hanging.delete')}
          </Button>
          <Button data-autofocus onClick={() => choose('always')}>
            {i18next.t('step.hanging.always')}
          </Button>
        </Group>
      </Stack>
    ),
  });
}

function offerUndo(message: string, stepId: string): void {
  const id = `removed-${stepId}`;
  notifications.show({
    id,
    withBorder: true,
    autoClose: 8000,
    message: (
      <Group justify="space-between" wrap="nowrap">
        {message}
        <Button
          size="compact-sm"
          variant="default"
          onClick={() => {
            useAuthor.getState().undo();
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
