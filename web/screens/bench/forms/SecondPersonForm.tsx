import { PasswordInput, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiFault } from '../../../ground/api';
import { modals } from '../../../ground/overlays';
import type { BenchJob } from '../../../sync/bench-job';
import { signAsSecond } from '../../../sync/second-person';
import frame from '../Bench.module.css';
import styles from './Forms.module.css';

/** Who looks at a hold point, and their password. */
export function SecondPersonForm({ bench, stepId }: { bench: BenchJob; stepId: string }) {
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
