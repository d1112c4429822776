import { Stack, Text, Textarea } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { modals } from '../../../ground/overlays';
import styles from '../Bench.module.css';

const SHORTEST = 3;

/** A few words that go into the record. */
export function ReasonForm({
  explain,
  action,
  onReason,
}: {
  explain?: string;
  action: string;
  onReason: (reason: string) => Promise<unknown>;
}) {
  const { t } = useTranslation();
  const [reason, setReason] = useState('');
  const [fault, setFault] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (reason.trim().length < SHORTEST) return setFault(t('bench.reasonShort'));
    await onReason(reason.trim());
    modals.closeAll();
  };
  return (
    <form onSubmit={submit}>
      <Stack>
        {explain && <Text size="lg">{explain}</Text>}
        <Textarea
          size="lg"
          label={t('bench.reason')}
          value={reason}
          error={fault}
          maxLength={600}
          minRows={3}
          autosize
          onChange={(event) => setReason(event.currentTarget.value)}
          data-autofocus
        />
        <button type="submit" className={`${styles.medium} ${styles.go}`}>
          {action}
        </button>
      </Stack>
    </form>
  );
}
