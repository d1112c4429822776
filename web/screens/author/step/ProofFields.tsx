import { NumberInput, Switch } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Step } from '#core/model/procedure';
import type { ProofsAsked } from '#core/proving/proofs';
import { LEAK_MINUTES, MOST_DROPS_A_MINUTE, MOST_TURNS } from '#core/proving/proofs';
import { DraftText } from '../../../parts/DraftText';
import styles from './Step.module.css';
import type { StepExtraProps } from './step-extras';

/** Verbs of the steps at which a pump is turned, filled, looked at or run. */
export const PROVED_BY: readonly Step['verb'][] = ['test', 'turn', 'fill', 'inspect'];

/** What is proved by hand at this step. */
export function ProofFields({ step, change }: StepExtraProps) {
  const { t } = useTranslation();
  const { turning, level, leak } = step.proofs ?? {};
  const set = (fields: ProofsAsked) => {
    const kept = Object.entries({ ...step.proofs, ...fields }).filter(([, one]) => one !== undefined);
    change({ proofs: kept.length > 0 ? Object.fromEntries(kept) : undefined });
  };
  return (
    <div className={styles.proofs}>
      <Switch
        label={t('proof.turning.on')}
        checked={turning !== undefined}
        onChange={(event) => set({ turning: event.currentTarget.checked ? { turns: 2 } : undefined })}
      />
      {turning && (
        <NumberInput
          label={t('proof.turning.turns')}
          w={160}
          min={1}
          max={MOST_TURNS}
          allowDecimal={false}
          clampBehavior="strict"
          value={turning.turns}
          onChange={(turns) => Number(turns) >= 1 && set({ turning: { turns: Number(turns) } })}
        />
      )}
      <Switch
        label={t('proof.level.on')}
        checked={level !== undefined}
        onChange={(event) => set({ level: event.currentTarget.checked ? {} : undefined })}
      />
      {level && (
        <DraftText
          label={t('proof.level.mark')}
          placeholder={t('proof.level.markHint')}
          value={level.mark ?? ''}
          maxLength={120}
          onCommit={(mark) => set({ level: mark ? { mark } : {} })}
        />
      )}
      <Switch
        label={t('proof.leak.on')}
        checked={leak !== undefined}
        onChange={(event) => set({ leak: event.currentTarget.checked ? { minutes: 5, drops: 0 } : undefined })}
      />
      {leak && (
        <div className={styles.leak}>
          <NumberInput
            label={t('proof.leak.minutes')}
            min={LEAK_MINUTES.least}
            max={LEAK_MINUTES.most}
            clampBehavior="strict"
            value={leak.minutes}
            onChange={(minutes) =>
              Number(minutes) >= LEAK_MINUTES.least && set({ leak: { ...leak, minutes: Number(minutes) } })
            }
          />
          <NumberInput
            label={t('proof.leak.drops')}
            min={0}
            max={MOST_DROPS_A_MINUTE}
            clampBehavior="strict"
            value={leak.drops}
            onChange={(drops) => drops !== '' && set({ leak: { ...leak, drops: Number(drops) } })}
          />
        </div>
      )}
    </div>
  );
}
