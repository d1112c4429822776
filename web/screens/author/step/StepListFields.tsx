import { Select } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { sayCaution, USUAL_CAUTIONS } from '#core/language/en/cautions';
import { type Caution, type Step, USUAL_CAUTION_IDS, type UsualCautionId } from '#core/model/procedure';
import { SIGNAL_WORDS, type SignalWord } from '#core/model/procedure-words';
import type { Series } from '#core/model/series';
import { DraftText } from '../../../parts/DraftText';
import { OrInstead } from '../../../parts/OrInstead';
import { Remove } from '../../../parts/Remove';
import styles from './Step.module.css';
import { ConsumableField } from './StepFieldKinds';

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
              <OrInstead
                application={application}
                series={series}
                onChange={(next) => change({ applications: applications.with(i, next) })}
              />
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
  readonly suggested?: readonly UsualCautionId[];
  readonly onChange: (cautions: Caution[]) => void;
}

/** Cautions with their signal words; a line more than there are waits to be filled. */
export function CautionFields({ cautions, suggested = [], onChange }: CautionFieldsProps) {
  const { t } = useTranslation();
  const isSaid = (id: UsualCautionId) =>
    cautions.some((caution) => caution.usual === id || caution.text === USUAL_CAUTIONS[id].text);
  return (
    <div className={styles.several}>
      {[...cautions, undefined].map((caution, i) => (
        <div key={caution ? caution.signal + sayCaution(caution) : `new-${cautions.length}`} className={styles.signal}>
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
            value={caution ? sayCaution(caution) : ''}
            maxLength={600}
            onCommit={(text) => {
              if (caution)
                onChange(text ? cautions.with(i, { signal: caution.signal, text }) : cautions.toSpliced(i, 1));
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
            items: USUAL_CAUTION_IDS.filter((id) => !suggested.includes(id) && !isSaid(id)).map(choice),
          },
        ]}
        value={null}
        onChange={(id) => {
          const usual = USUAL_CAUTION_IDS.find((known) => known === id);
          if (usual) onChange([...cautions, { signal: USUAL_CAUTIONS[usual].signal, usual }]);
        }}
      />
    </div>
  );
}

function choice(id: UsualCautionId) {
  const { signal, text } = USUAL_CAUTIONS[id];
  return { value: id, label: `${signal}  ${text}` };
}
