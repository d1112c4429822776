import { useDraggable, useDroppable } from '@dnd-kit/core';
import { IconGitBranch, IconQuestionMark } from '@tabler/icons-react';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import { draftedFields } from '#core/edits/steps';
import type { FoldRow } from '#core/fold/fold';
import { componentPhrase, listing, titleOf } from '#core/language/en/sentence';
import { componentById } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { useAuthor } from '../../../state/author-store';
import { useAuthorView } from '../desk/author-view';
import styles from './Fold.module.css';

const MARKS = ['faces', 'torque', 'photo'] as const;

interface ChipProps {
  readonly step: Step;
  readonly series: Series;
  readonly number: number;
  readonly selected: boolean;
  /** Marked together with others, to be copied. */
  readonly inRun: boolean;
  readonly partner: boolean;
  readonly drop: 'above' | 'below' | null;
  readonly movable: boolean;
}

/** A step in the fold. */
export const FoldChip = memo(function FoldChip(props: ChipProps) {
  const { step, series, number, selected, inRun, partner, drop, movable } = props;
  const { t } = useTranslation();
  const { setNodeRef, attributes, listeners, isDragging } = useDraggable({ id: step.id, disabled: !movable });
  // For those who only read it is a button like any other, not a thing to drag that is out of order.
  const { role: _button, ...described } = attributes;
  const { setNodeRef: setDropRef } = useDroppable({ id: step.id });
  const marks = MARKS.filter((mark) => step[mark] !== undefined);
  const title = titleOf(step, series);
  const drafted = draftedFields(step).length > 0;
  const look = [
    styles.chip,
    selected ? styles.selected : partner ? styles.partner : '',
    inRun ? styles.inRun : '',
    isDragging ? styles.dragged : '',
    drafted ? styles.drafted : '',
  ].join(' ');
  const said = [
    t('fold.stepLabel', { number, title }),
    ...marks.map((mark) => t(`fold.${mark}`)),
    ...(step.decision ? [t('fold.asks')] : []),
    ...(step.when ? [t('fold.branch')] : []),
  ];
  return (
    <div ref={setDropRef} className={`${styles.slot} ${drop ? styles[drop] : ''}`}>
      <button
        ref={setNodeRef}
        {...(movable && { ...described, ...listeners })}
        type="button"
        data-step={step.id}
        tabIndex={selected ? 0 : -1}
        aria-pressed={selected}
        aria-label={said.join(', ')}
        className={look}
        onFocus={() => useAuthor.getState().select(step.id)}
        // The step in hand is still the one before when the pointer goes down.
        onMouseDown={(event) => {
          const { selected: from } = useAuthor.getState();
          useAuthorView.setState({ runFrom: event.shiftKey ? (useAuthorView.getState().runFrom ?? from) : null });
        }}
        onClick={() => useAuthor.getState().select(step.id)}
        onMouseEnter={() => useAuthorView.setState({ hovered: step.id })}
        onMouseLeave={() => useAuthorView.setState({ hovered: null })}
      >
        <span className={styles.n}>{number}</span>
        <span className={styles.name}>{title}</span>
        <span className={styles.marks} aria-hidden="true">
          {step.when && <IconGitBranch size={11} stroke={2.4} />}
          {step.decision && <IconQuestionMark size={11} stroke={3} />}
          {marks.map((mark) => (
            <i key={mark} className={`${styles.mark} ${styles[mark]}`} />
          ))}
        </span>
      </button>
    </div>
  );
});

/** The chip under the pointer while it is dragged. */
export function DraggedChip({ step, series }: { step: Step | undefined; series: Series }) {
  return step ? (
    <div className={`${styles.chip} ${styles.selected} ${styles.overlay}`}>
      <span className={styles.name}>{titleOf(step, series)}</span>
    </div>
  ) : null;
}

/** Joins a taking and its refitting. */
export function Thread({ row, held }: { row: FoldRow; held: boolean }) {
  const frayed = row.frayed.length > 0 && !row.right;
  if (!row.paired && !frayed) return <span />;
  return (
    <svg className={styles.thread} viewBox="0 0 36 3" preserveAspectRatio="none" aria-hidden="true">
      <path
        d="M0 1.5H36"
        stroke={frayed ? 'var(--kaki)' : held ? 'var(--indigo)' : '#b9ad93'}
        strokeWidth={held ? 3 : 1.5}
        strokeDasharray={frayed ? '3 4' : undefined}
      />
    </svg>
  );
}

interface GapProps {
  readonly series: Series;
  readonly frayed: readonly string[];
  /** Drafts what is missing; without it the gap is only looked at. */
  readonly onFill: (() => void) | undefined;
}

/** What never goes back, where it would. */
export function Gap({ series, frayed, onFill }: GapProps) {
  const { t } = useTranslation();
  const names = frayed.flatMap((id) => {
    const component = componentById(series, id);
    return component ? [componentPhrase(component, component.positionSetId ? 2 : component.count, false)] : [];
  });
  const text = t('fold.neverBack', { parts: listing(names) });
  return onFill ? (
    <button type="button" className={styles.gap} title={t('keys.fill')} onClick={onFill}>
      {text}
    </button>
  ) : (
    <div className={styles.gap}>{text}</div>
  );
}
