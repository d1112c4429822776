import { Button, PasswordInput, Stack, Text } from '@mantine/core';
import { modals } from '@mantine/modals';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { tellDone } from '../app/notify';

/** Changing one's own password, in a dialog. */
export function PasswordForm() {
  const { t } = useTranslation();
  const [currentPassword, setCurrent] = useState('');
  const [newPassword, setNew] = useState('');
  const [fault, setFault] = useState('');

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const response = await fetch('/api/auth/change-password', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ currentPassword, newPassword, revokeOtherSessions: true }),
    }).catch(() => null);
    if (!response?.ok) {
      setFault(
        !response ? t('fault.unreachable.what') : response.status === 429 ? t('signIn.tooMany') : t('password.wrong'),
      );
      return;
    }
    modals.closeAll();
    tellDone(t('password.changed'));
  };

  return (
    <form onSubmit={submit}>
      <Stack>
        <PasswordInput
          label={t('password.current')}
          value={currentPassword}
          onChange={(e) => setCurrent(e.currentTarget.value)}
          required
        />
        <PasswordInput
          label={t('password.new')}
          description={t('password.rule')}
          minLength={8}
          value={newPassword}
          onChange={(e) => setNew(e.currentTarget.value)}
          required
        />
        {fault && (
          <Text c="kaki" role="alert">
            {fault}
          </Text>
        )}
        <Button type="submit">{t('password.change')}</Button>
      </Stack>
    </form>
  );
}
