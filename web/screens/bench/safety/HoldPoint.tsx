import { PasswordInput, TextInput } from '@mantine/core';
import i18next from 'i18next';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { demandsOf } from '#core/job/demands';
import { ApiFault } from '../../../ground/api';
import { showMoment } from '../../../ground/format';
import { modals } from '../../../ground/overlays';
import type { BenchJob } from '../../../sync/bench-job';
import { signAsSecond } from '../../../sync/second-person';
import frame from '../Bench.module.css';
import type { DemandsProps } from '../Demands';
import styles from './Confirming.module.css';

/** The job goes on only when a second person has looked and signed on this tablet with their own password. */
export function HoldPoint({ bench, step, run, inHand }: DemandsProps) {
  const { t } = useTranslation();
  if (!step.holdPoint) return null;
  const { approved } = run;
  const open = demandsOf(step, run, bench.job.release.workbook);
  const isNext = open.every(({ what }) => what === 'approval' || what === 'place');
  return (
    <div className={styles.panel}>
      <h2>{t('bench.hold.title')}</h2>
      {step.holdPoint.checks && <p>{step.holdPoint.checks}</p>}
      {approved ? (
        <p className={styles.approved} role="status">
          {t('bench.hold.approved', { name: bench.job.people[approved.by] ?? '', at: showMoment(approved.at) })}
        </p>
      ) : (
        <button
          type="button"
          className={frame.medium}
          disabled={!inHand || !isNext}
          onClick={() => openSecondPerson(bench, step.id)}
        >
          {t(isNext ? 'bench.hold.sign' : 'bench.hold.later')}
        </button>
      )}
    </div>
  );
}

function openSecondPerson(bench: BenchJob, stepId: string): void {
  modals.open({
    title: i18next.t('bench.hold.sign'),
    size: 'md',
    children: <SecondPersonForm bench={bench} stepId={stepId} />,
  });
}

function SecondPersonForm({ bench, stepId }: { bench: BenchJob; stepId: string }) {
  const { t } = useTranslation();
  const [username, setUsername] = useState('');
  const [password, setPassword] = useState('');
  const [fault, setFault] = useState('');
  const [isBusy, setBusy] = useState(false);
  const { job, state } = bench;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    try {
      const { approver, approval } = await signAsSecond(username.trim(), password, job.id, stepId);
      if (approver === state.holder) return setFault(t('bench.hold.own'));
      await bench.enter({ kind: 'approved', stepId, approver, approval });
      modals.closeAll();
    } catch (error) {
      if (!(error instanceof ApiFault)) throw error;
      setFault(`${error.fault.what} ${error.fault.todo}`);
    } finally {
      setBusy(false);
    }
  };
  return (
    <form onSubmit={submit} className={styles.fields}>
      <p>{t('bench.hold.body')}</p>
      <TextInput
        label={t('signIn.username')}
        value={username}
        maxLength={60}
        autoComplete="off"
        autoCapitalize="none"
        size="lg"
        data-autofocus
        onChange={(event) => setUsername(event.currentTarget.value)}
      />
      <PasswordInput
        label={t('signIn.password')}
        value={password}
        maxLength={256}
        autoComplete="off"
        size="lg"
        error={fault}
        onChange={(event) => setPassword(event.currentTarget.value)}
      />
      <button
        type="submit"
        className={`${frame.medium} ${frame.go}`}
        disabled={isBusy || username.trim() === '' || password === ''}
      >
        {t(isBusy ? 'bench.hold.checking' : 'bench.hold.go')}
      </button>
    </form>
  );
}
