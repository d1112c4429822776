import { Button, PasswordInput, Stack, Text } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { callAuth } from '../ground/api';
import { faultText, tellDone } from '../ground/notify';
import { modals } from '../ground/overlays';

/** Changing one's own password, in a dialog. */
export function PasswordForm() {
  const { t } = useTranslation();
  const [currentPassword, setCurrent] = useState('');
  const [newPassword, setNew] = useState('');
  const [fault, setFault] = useState('');

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await callAuth('change-password', { currentPassword, newPassword });
    } catch (error) {
      const { what, todo, where } = faultText(error);
      return setFault([what, ...where, todo].join(' '));
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
