import { Select } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { USUAL_CAUTIONS } from '#core/cautions/library';
import { type Caution, SIGNAL_WORDS, type SignalWord, type Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { DraftText } from '../../parts/DraftText';
import styles from './Step.module.css';
import { ConsumableField, Remove } from './StepFieldKinds';

interface AppliedFieldsProps {
  readonly step: Step;
  readonly series: Series;
  readonly change: (fields: Partial<Step>) => void;
  /** Names the grease, oil or compound of one line; one past the last adds a line. */
  readonly onName: (index: number, name: string) => void;
}

/** What is put on, where and how much; a line more than there are waits to be filled. */
export function AppliedFields({ step, series, change, onName }: AppliedFieldsProps) {
  const { t } = useTranslation();
  const { applications } = step;
  return (
    <div className={styles.several}>
      {[...applications, undefined].map((application, i) => (
        <div key={application?.consumableId ?? `new-${applications.length}`} className={styles.pair}>
          <ConsumableField
            names={series.consumables.map((consumable) => consumable.name)}
            value={series.consumables.find(({ id }) => id === application?.consumableId)?.name ?? ''}
            onCommit={(name) => onName(i, name)}
          />
          {application && (
            <>
              {(['where', 'amount'] as const).map((field) => (
                <DraftText
                  key={field}
                  ariaLabel={t(field === 'where' ? 'step.applyWhere' : 'step.amount')}
                  placeholder={t(field === 'where' ? 'step.applyWhereHint' : 'step.amountHint')}
                  value={application[field] ?? ''}
                  maxLength={field === 'where' ? 160 : 60}
                  onCommit={(text) => {
                    const { [field]: _old, ...rest } = application;
                    change({ applications: applications.with(i, { ...rest, ...(text && { [field]: text }) }) });
                  }}
                />
              ))}
              <Remove onClick={() => change({ applications: applications.toSpliced(i, 1) })} />
            </>
          )}
        </div>
      ))}
    </div>
  );
}

interface CautionFieldsProps {
  readonly cautions: readonly Caution[];
  /** Of the trade's usual ones, those that fit the step. */
  readonly suggested?: readonly Caution[];
  readonly onChange: (cautions: Caution[]) => void;
}

/** Cautions with their signal words; a line more than there are waits to be filled. */
export function CautionFields({ cautions, suggested = [], onChange }: CautionFieldsProps) {
  const { t } = useTranslation();
  return (
    <div className={styles.several}>
      {[...cautions, undefined].map((caution, i) => (
        <div key={caution ? caution.signal + caution.text : `new-${cautions.length}`} className={styles.signal}>
          <Select
            aria-label={t('step.signal')}
            data={[...SIGNAL_WORDS]}
            allowDeselect={false}
            value={caution?.signal ?? 'CAUTION'}
            disabled={!caution}
            onChange={(signal) =>
              caution && signal && onChange(cautions.with(i, { ...caution, signal: signal as SignalWord }))
            }
          />
          <DraftText
            lines
            ariaLabel={t('step.caution')}
            placeholder={t('step.cautionHint')}
            value={caution?.text ?? ''}
            maxLength={600}
            onCommit={(text) => {
              if (caution) onChange(text ? cautions.with(i, { ...caution, text }) : cautions.toSpliced(i, 1));
              else if (text) onChange([...cautions, { signal: 'CAUTION', text }]);
            }}
          />
          {caution && <Remove onClick={() => onChange(cautions.toSpliced(i, 1))} />}
        </div>
      ))}
      <Select
        aria-label={t('step.usual')}
        placeholder={t('step.usual')}
        searchable
        data={[
          ...(suggested.length > 0 ? [{ group: t('step.usualHere'), items: suggested.map(choice) }] : []),
          {
            group: t('step.usualAll'),
            items: USUAL_CAUTIONS.filter(
              ({ text }) => !cautions.some((c) => c.text === text) && !suggested.some((c) => c.text === text),
            ).map(choice),
          },
        ]}
        value={null}
        onChange={(text) => {
          const usual = USUAL_CAUTIONS.find((caution) => caution.text === text);
          if (usual) onChange([...cautions, { signal: usual.signal, text: usual.text }]);
        }}
      />
    </div>
  );
}

function choice({ signal, text }: Caution) {
  return { value: text, label: `${signal}  ${text}` };
}
