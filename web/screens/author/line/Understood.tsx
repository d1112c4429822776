import { Button } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Doubt } from '#core/language/en/grammar/names/said';
import { sayMeasurement } from '#core/language/en/measurement';
import { photoShows } from '#core/language/en/photo';
import { sayAsked } from '#core/language/en/proofs';
import { sayStep } from '#core/language/en/sentence';
import type { LineReading } from '#core/line/read-line';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { Tag } from '../../../parts/Tag';
import styles from './Understood.module.css';

/** What the line is understood as: the steps as they would stand, and what is new in them. */
export function Understood({ reading, after }: { reading: LineReading; after: number }) {
  const { t } = useTranslation();
  const { applied, parsed, fresh } = reading;
  if (!applied) return null;
  const { procedure, series } = applied.workbook;
  const ids = parsed.note ? [applied.stepId] : applied.stepIds;
  const shown = ids.flatMap((id) => procedure.steps.find((step) => step.id === id) ?? []);
  return (
    <div className={styles.understood} aria-label={t('line.understood')} role="status">
      {parsed.note && <div className={styles.beside}>{t('line.saidOf', { number: after + 1 })}</div>}
      {shown.map((step, i) => (
        <div key={step.id} className={styles.step}>
          <span className={styles.number}>{applied.index + i + 1}</span>
          <span>
            {sayStep(step, series)} <Beside step={step} series={series} />
          </span>
        </div>
      ))}
      <div className={styles.fresh}>
        {fresh.parts.map((name) => (
          <Tag key={name} tone="ochre">
            {t('line.newPart', { name })}
          </Tag>
        ))}
        {fresh.tools.map((name) => (
          <Tag key={name} tone="ochre">
            {t('line.newTool', { name })}
          </Tag>
        ))}
        {fresh.consumables.map((name) => (
          <Tag key={name} tone="ochre">
            {t('line.newConsumable', { name })}
          </Tag>
        ))}
      </div>
    </div>
  );
}

/** What stands beside the sentence: how, what to look for, cautions and the reason. */
export function Beside({ step, series }: { step: Step; series: Series }) {
  const { t } = useTranslation();
  const looks = (step.looks ?? []).flatMap(({ faults }) => faults.map(({ sign }) => sign));
  const told = [
    step.detail,
    ...step.applications.map(({ consumableId, where, amount }) =>
      t('line.puts', {
        name: [amount, series.consumables.find(({ id }) => id === consumableId)?.name, where]
          .filter(Boolean)
          .join(', '),
      }),
    ),
    looks.length > 0 && t('line.looksFor', { signs: looks.join(', ') }),
    step.minutes !== undefined && t('line.minutes', { count: step.minutes }),
    step.measurements && t('line.measures', { sizes: step.measurements.map(sayMeasurement).join('; ') }),
    step.proofs && t('line.proofs', { asked: sayAsked(step.proofs) }),
    ...step.cautions.map(({ signal, text }) => `${signal}: ${text ?? ''}`),
    step.why && t('line.why', { why: step.why }),
    step.photo && t('line.photo', { shows: photoShows(step, series) }),
  ].filter(Boolean);
  return <span className={styles.beside}>{told.join(' · ')}</span>;
}

/** What has to be answered before the line is added, with what it may mean. */
export function DoubtQuestion({
  doubt,
  asked,
  onOffer,
}: {
  doubt: Doubt;
  asked: boolean;
  onOffer: (words: string) => void;
}) {
  const { t } = useTranslation();
  return (
    <div className={styles.doubt} role={asked ? 'alert' : undefined} data-asked={asked || undefined}>
      <span>
        {t(`line.doubt.${doubt.kind}`, { text: doubt.text })}
        {doubt.offers.every((words) => words.startsWith('*')) && doubt.offers.length > 0 && ` ${t('line.or')}`}
      </span>
      {doubt.offers.map((words, i) => (
        <Button key={words} size="compact-sm" variant={i === 0 ? 'filled' : 'default'} onClick={() => onOffer(words)}>
          {offerText(words)}
        </Button>
      ))}
    </div>
  );

  function offerText(words: string): string {
    if (words.startsWith('*')) return t('line.asRemark');
    const quoted = /^(?:\d+ )?"(.+)"$/.exec(words)?.[1];
    // Quotes confirm what is known as well: how many there are, or what is rarely done to it.
    const isKnown = /^(?:count|unlikely|out-already|held-by-others)$/.test(doubt.kind);
    return quoted === undefined ? words : t(isKnown ? 'line.asSaid' : 'line.asNew', { name: quoted });
  }
}
