import { Button, PasswordInput, Stack, Text, TextInput, Title } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Navigate, useNavigate } from 'react-router';
import { answer, api } from '../../ground/api';
import { faultText } from '../../ground/notify';
import { useFields } from '../../parts/useFields';
import { Welcome } from './Welcome';

/** A new workshop: the first account is its lead. */
export function FirstAccountScreen() {
  const { t } = useTranslation();
  const start = useQuery({ queryKey: ['start'], queryFn: () => answer(api.start.$get()) });
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { values: form, field } = useFields({ name: '', username: '', password: '', code: '' });
  const [fault, setFault] = useState<string[]>([]);

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await answer(api['first-account'].$post({ json: form }));
      await queries.invalidateQueries({ queryKey: ['start'] });
      navigate('/sign-in', { replace: true });
    } catch (error) {
      const { what, where } = faultText(error);
      setFault(where.length > 0 ? where : [what]);
    }
  };

  if (start.data && !start.data.needsFirstAccount) return <Navigate to="/sign-in" replace />;
  return (
    <Welcome>
      <form onSubmit={submit}>
        <Stack>
          <Title order={2}>{t('firstAccount.title')}</Title>
          <Text className="quiet">{t('firstAccount.body')}</Text>
          <TextInput label={t('people.name')} {...field('name')} />
          <TextInput
            label={t('signIn.username')}
            description={t('people.usernameRule')}
            {...field('username')}
            autoComplete="username"
          />
          <PasswordInput
            label={t('signIn.password')}
            description={t('password.rule')}
            minLength={8}
            {...field('password')}
            autoComplete="new-password"
          />
          {start.data?.needsSetupCode && (
            <TextInput label={t('firstAccount.code')} description={t('firstAccount.codeHint')} {...field('code')} />
          )}
          {fault.map((line) => (
            <Text key={line} c="kaki" role="alert">
              {line}
            </Text>
          ))}
          <Button type="submit">{t('firstAccount.go')}</Button>
        </Stack>
      </form>
    </Welcome>
  );
}
