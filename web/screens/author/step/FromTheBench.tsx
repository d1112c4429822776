import { Button, Textarea } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { answer, api, photoUrl } from '../../../ground/api';
import { showMoment } from '../../../ground/format';
import { tellFault } from '../../../ground/notify';
import { Tag } from '../../../parts/Tag';
import styles from './FromTheBench.module.css';

export const fetchProblems = (id: string) => answer(api.procedures[':id'].problems.$get({ param: { id } }));
export const problemsKey = (procedureId: string) => ['problems', procedureId];
type ToldProblem = Awaited<ReturnType<typeof fetchProblems>>['problems'][number];

/** A step of a block has its place behind its id when it is carried out. */
function isOf(stepId: string, { stepId: told }: ToldProblem): boolean {
  return told === stepId || told.startsWith(`${stepId}--`);
}

/** What technicians reported at this step, with the answers; the open ones first. */
export function FromTheBench({
  procedureId,
  stepId,
  writes,
}: {
  procedureId: string;
  stepId: string;
  writes: boolean;
}) {
  const { t } = useTranslation();
  const { data } = useQuery({ queryKey: problemsKey(procedureId), queryFn: () => fetchProblems(procedureId) });
  const here = (data?.problems ?? []).filter((problem) => isOf(stepId, problem));
  if (here.length === 0) return null;
  return (
    <section className={styles.bench} aria-label={t('fromBench.title')}>
      <h2>{t('fromBench.title')}</h2>
      {here
        .toSorted((a, b) => Number(a.reply !== null) - Number(b.reply !== null))
        .map((problem) => (
          <Problem key={problem.entryId} problem={problem} procedureId={procedureId} writes={writes} />
        ))}
    </section>
  );
}

function Problem({ problem, procedureId, writes }: { problem: ToldProblem; procedureId: string; writes: boolean }) {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const [text, setText] = useState<string>();
  const [isBusy, setBusy] = useState(false);
  const { entryId, about, at, by, job, photo, releaseNumber, reply } = problem;
  const send = async () => {
    setBusy(true);
    try {
      await answer(api.problems[':id'].reply.$put({ param: { id: entryId }, json: { text: text ?? '' } }));
      await queries.invalidateQueries({ queryKey: problemsKey(procedureId) });
      setText(undefined);
    } catch (error) {
      tellFault(error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <article className={styles.problem}>
      <p>
        {about && <Tag tone="kaki">{t(`bench.problem.about.${about}`)}</Tag>} {problem.text}
      </p>
      <p className="quiet">
        <Link to={`/jobs/${job.id}`}>{t('jobs.number', { number: job.number })}</Link>
        {t('fromBench.by', { name: by, at: showMoment(at), number: releaseNumber })}
      </p>
      {photo && (
        <a href={photoUrl(photo)} target="_blank" rel="noreferrer">
          <img src={photoUrl(photo, 'thumb')} alt={t('bench.problem.photo')} />
        </a>
      )}
      {reply && (
        <p className={styles.reply}>
          {reply.text}
          {reply.correctedIn !== null && ` ${t('bench.problem.corrected', { number: reply.correctedIn })}`}
        </p>
      )}
      {writes && text === undefined && (
        <Button size="compact-sm" variant="default" onClick={() => setText(reply?.text ?? '')}>
          {t(reply ? 'fromBench.change' : 'fromBench.answer')}
        </Button>
      )}
      {text !== undefined && (
        <>
          <Textarea
            label={t('fromBench.yourAnswer')}
            value={text}
            maxLength={600}
            autosize
            minRows={2}
            data-autofocus
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <Button size="compact-md" loading={isBusy} disabled={text.trim() === ''} onClick={() => void send()}>
            {t('fromBench.send')}
          </Button>
        </>
      )}
    </article>
  );
}
