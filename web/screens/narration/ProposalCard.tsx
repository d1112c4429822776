import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Finding } from '#core/findings/finding';
import { sayFinding } from '#core/language/en/findings';
import type { Doubt } from '#core/language/en/grammar/names/said';
import { sayStep } from '#core/language/en/sentence';
import type { Narration } from '#core/model/narration';
import type { Workbook } from '#core/model/procedure';
import type { ReadProposal } from '#core/narration/desk';
import { sayFault } from '../../parts/line-faults';
import { Tag } from '../../parts/Tag';
import { Beside, DoubtQuestion } from '../author/line/Understood';
import type { DeskRow } from './desk-rows';
import styles from './Narration.module.css';
import { RepeatForm } from './RepeatForm';

interface ProposalCardProps {
  readonly row: DeskRow;
  readonly read: ReadProposal;
  /** What its steps lack, as far as the checks of the procedure see. */
  readonly gaps: readonly Finding[];
  readonly ahead: Workbook;
  readonly narration: Narration;
  readonly chosen: boolean;
  readonly writes: boolean;
  readonly onChoose: () => void;
  readonly onOffer: (words: string, doubt: Doubt) => void;
}

/** A proposal: the steps as they would stand, what is new in them, and what is missing. */
export function ProposalCard({
  row,
  read,
  gaps,
  ahead,
  narration,
  chosen,
  writes,
  onChoose,
  onOffer,
}: ProposalCardProps) {
  const { t } = useTranslation();
  const card = useInSight(chosen);
  const { steps, parsed, proposal, isNote, fresh, isWhole } = read;
  const missing = parsed.faults.length + parsed.doubts.length + gaps.length;
  const isRepeat = parsed.doubts.some(({ kind }) => kind === 'repeat');
  return (
    <div ref={card} className={styles.card} data-row={row.id} data-chosen={chosen || undefined}>
      <Choose label={t('narration.choose', { line: proposal.line })} chosen={chosen} onChoose={onChoose} />
      <span className={styles.cardNumber}>{isNote ? '' : row.number}</span>
      <div className={styles.cardBody}>
        {steps.length === 0 && (
          <div className={styles.sentence}>
            {isNote && isWhole ? t('narration.addsTo') : ''} <q>{proposal.line}</q>
          </div>
        )}
        {steps.map((step) => (
          <div key={step.id} className={styles.sentence}>
            {sayStep(step, ahead.series)} <Beside step={step} series={ahead.series} />
          </div>
        ))}
        {steps.length > 1 && <div className={styles.small}>{t('narration.several', { count: steps.length })}</div>}
        {fresh.length > 0 && (
          <div className={styles.fresh}>
            {fresh.map((name) => (
              <Tag key={name} tone="ochre">
                {t('narration.fresh', { name })}
              </Tag>
            ))}
          </div>
        )}
        {parsed.faults.map((fault) => (
          <div key={fault.kind} className={styles.missing}>
            {sayFault(fault, ahead.series)}
          </div>
        ))}
        {gaps.map((gap) => (
          <div key={gap.id} className={styles.missing}>
            {sayFinding(gap, ahead)}
          </div>
        ))}
        {isRepeat && chosen && writes ? (
          <RepeatForm narration={narration} proposalId={proposal.id} />
        ) : (
          parsed.doubts.map((doubt) =>
            chosen && writes ? (
              <DoubtQuestion key={doubt.from} doubt={doubt} asked onOffer={(words) => onOffer(words, doubt)} />
            ) : (
              <div key={doubt.from} className={styles.missing}>
                {t(`line.doubt.${doubt.kind}`, { text: doubt.text })}
              </div>
            ),
          )
        )}
      </div>
      <span className={isWhole && missing === 0 ? styles.complete : styles.toFill}>
        {isWhole && missing === 0 ? t('narration.complete') : t('narration.toFill', { count: missing })}
      </span>
    </div>
  );
}

/** A step that some passages became already. */
export function StepRow({
  row,
  workbook,
  chosen,
  onChoose,
}: {
  row: DeskRow;
  workbook: Workbook;
  chosen: boolean;
  onChoose: () => void;
}) {
  const { t } = useTranslation();
  const card = useInSight(chosen);
  const said = row.step ? sayStep(row.step, workbook.series) : '';
  return (
    <div ref={card} className={styles.added} data-row={row.id} data-chosen={chosen || undefined}>
      <Choose label={t('narration.choose', { line: said })} chosen={chosen} onChoose={onChoose} />
      <span className={styles.cardNumber}>{row.number}</span>
      <span>{said}</span>
      <Link to={`/procedures/${workbook.procedure.id}?step=${row.id}`}>{t('narration.openStep')}</Link>
    </div>
  );
}

/** Lies over the whole card, below what else can be pressed in it. */
function Choose({ label, chosen, onChoose }: { label: string; chosen: boolean; onChoose: () => void }) {
  return (
    <button
      type="button"
      data-card
      className={styles.choose}
      aria-label={label}
      aria-pressed={chosen}
      onClick={onChoose}
    />
  );
}

/** What is chosen is scrolled to where it is seen. */
function useInSight(chosen: boolean) {
  const card = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (chosen) card.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return card;
}
