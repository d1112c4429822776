import { Stack, Text, Textarea } from '@mantine/core';
import i18next from 'i18next';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Overridable } from '#core/job/entry-words';
import type { TighteningSpot } from '#core/job/tightening';
import type { Workbook } from '#core/model/procedure';
import type { Setting } from '#core/model/procedure-words';
import { modals } from '../../ground/overlays';
import { SafetyList } from '../../parts/SafetyList';
import type { BenchJob } from '../../sync/bench-job';
import styles from './Bench.module.css';

export function openOverride(bench: BenchJob, stepId: string, what: Overridable): void {
  askReason(
    i18next.t(`bench.override.${what}`),
    i18next.t('bench.overrideBody'),
    i18next.t('bench.overrideGo'),
    (reason) => bench.enter({ kind: 'overridden', stepId, what, reason }),
  );
}

/** A reading out of its window is let stand, with the reason. */
export function openAcceptance(bench: BenchJob, stepId: string, positionId: string | null, spot: TighteningSpot): void {
  askReason(
    i18next.t('bench.joint.accept'),
    i18next.t('bench.overrideBody'),
    i18next.t('bench.joint.acceptGo'),
    (reason) => bench.enter({ kind: 'torque-accepted', stepId, positionId, spot, reason }),
  );
}

export function openSafety(workbook: Workbook, setting: Setting): void {
  modals.open({
    title: i18next.t('safety.title'),
    size: 860,
    children: <SafetyList workbook={workbook} setting={setting} />,
  });
}

function askReason(
  title: string,
  explain: string,
  action: string,
  onReason: (reason: string) => Promise<unknown>,
): void {
  modals.open({ title, size: 'lg', children: <ReasonForm explain={explain} action={action} onReason={onReason} /> });
}

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
