import { Button, PasswordInput, Stack, Text, TextInput, Title } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Navigate, useLocation, useNavigate } from 'react-router';
import { answer, api, callAuth } from '../../ground/api';
import { faultText } from '../../ground/notify';
import { ME } from '../../ground/session';
import styles from './SignIn.module.css';
import { Welcome } from './Welcome';

export function SignInScreen() {
  const { t } = useTranslation();
  const start = useQuery({ queryKey: ['start'], queryFn: () => answer(api.start.$get()) });
  const queries = useQueryClient();
  const navigate = useNavigate();
  const location = useLocation();
  const [username, setUsername] = useState('');
  const [password, setPassword] = useState('');
  const [fault, setFault] = useState('');
  const [busy, setBusy] = useState(false);

  const signIn = async (credentials: { username: string; password: string }) => {
    setBusy(true);
    try {
      await callAuth('sign-in/username', { username: credentials.username, password: credentials.password });
      await queries.resetQueries({ queryKey: ME });
      const from = (location.state as { from?: string } | null)?.from;
      navigate(from ?? '/', { replace: true });
    } catch (error) {
      const { what, todo } = faultText(error);
      setFault(`${what} ${todo}`);
    } finally {
      setBusy(false);
    }
  };

  const submit = (event: FormEvent) => {
    event.preventDefault();
    void signIn({ username, password });
  };

  if (start.data?.needsFirstAccount) return <Navigate to="/first-account" replace />;
  return (
    <Welcome>
      <form onSubmit={submit}>
        <Stack>
          <Title order={2}>{t('signIn.title')}</Title>
          <TextInput
            label={t('signIn.username')}
            value={username}
            onChange={(e) => setUsername(e.currentTarget.value)}
            autoComplete="username"
            required
          />
          <PasswordInput
            label={t('signIn.password')}
            value={password}
            onChange={(e) => setPassword(e.currentTarget.value)}
            autoComplete="current-password"
            required
          />
          {fault && (
            <Text c="kaki" role="alert">
              {fault}
            </Text>
          )}
          <Button type="submit" loading={busy}>
            {t('signIn.go')}
          </Button>
        </Stack>
      </form>
      {start.data?.demoPeople && (
        <section>
          <Text fw={650} mb={4}>
            {t('signIn.demoTitle')}
          </Text>
          <Text className="quiet" size="sm" mb={12}>
            {t('signIn.demoBody')}
          </Text>
          <div className={styles.people}>
            {start.data.demoPeople.map((person) => (
              <button
                key={person.username}
                type="button"
                className={styles.person}
                disabled={busy}
                onClick={() => signIn(person)}
              >
                <strong>{person.name}</strong>
                <span>{t(`role.${person.role}`)}</span>
              </button>
            ))}
          </div>
        </section>
      )}
    </Welcome>
  );
}
