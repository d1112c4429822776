import { Checkbox, Stack } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import type { Procedure } from '#core/model/procedure';
import { fetchProblems, problemsKey } from '../author/step/FromTheBench';

interface CorrectsProps {
  readonly procedure: Procedure;
  readonly corrects: readonly string[];
  readonly onCorrects: (entryIds: readonly string[], lines: string) => void;
}

/** Problems from the bench that no release has corrected: those chosen are named in the notes of this one. */
export function Corrects({ procedure, corrects, onCorrects }: CorrectsProps) {
  const { t } = useTranslation();
  const { data } = useQuery({ queryKey: problemsKey(procedure.id), queryFn: () => fetchProblems(procedure.id) });
  const open = (data?.problems ?? []).filter(({ reply }) => (reply?.correctedIn ?? null) === null);
  if (open.length === 0) return null;
  const line = ({ stepId, text, job }: (typeof open)[number]) => {
    const index = procedure.steps.findIndex(({ id }) => stepId === id || stepId.startsWith(`${id}--`));
    return index < 0
      ? t('release.correctsJob', { job: job.number, text })
      : t('release.correctsStep', { job: job.number, step: index + 1, text });
  };
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
      <legend>{t('release.corrects')}</legend>
      <Stack gap={6} mt={6}>
        {open.map((problem) => (
          <Checkbox
            key={problem.entryId}
            label={line(problem)}
            checked={corrects.includes(problem.entryId)}
            onChange={(event) => {
              const chosen = event.currentTarget.checked
                ? [...corrects, problem.entryId]
                : corrects.filter((id) => id !== problem.entryId);
              onCorrects(
                chosen,
                open
                  .filter(({ entryId }) => chosen.includes(entryId))
                  .map(line)
                  .join('\n'),
              );
            }}
          />
        ))}
      </Stack>
    </fieldset>
  );
}
