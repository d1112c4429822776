import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  DragOverlay,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { Button } from '@mantine/core';
import { memo, useEffect, useEffectEvent, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { type FoldRow, foldSide } from '#core/fold/fold';
import { componentPhrase, listing, titleOf } from '#core/narration/sentence';
import { benchMinutes, type Step } from '#core/procedure/procedure';
import { componentById, type Series } from '#core/pump/series';
import { showDuration } from '../../app/format';
import { useAuthor } from '../../state/author-store';
import { computed } from '../../state/timeline';
import author from './Author.module.css';
import styles from './Fold.module.css';
import { type Direction, neighbour, placeAfterDrop } from './fold-moves';
import { removeWithUndo } from './remove-step';
import { draftTheWayBack, useDraftKey } from './way-back';

interface Drop {
  readonly stepId: string;
  /** Which half of the chip the dragged one hovers over. */
  readonly half: 'above' | 'below';
}

/** Findings that say the way back is not whole yet. */
const WAY_BACK_MISSING = ['left-on-cloth', 'left-in-tray', 'not-refilled', 'not-restored'];

/** The whole procedure, folded at its middle. */
export function FoldPanel({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const selected = useAuthor((state) => state.selected);
  const { fold, findings } = computed(workbook);
  const { procedure, series } = workbook;
  const numbers = new Map(procedure.steps.map((step, index) => [step.id, index + 1]));
  const partners = new Set(selected ? fold.partners.get(selected) : []);
  const [dragged, setDragged] = useState<string | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  const list = useRef<HTMLDivElement>(null);
  useDraftKey(writes);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));

  const onDragMove = ({ active, over }: DragMoveEvent) => {
    const rect = active.rect.current.translated;
    if (!over || !rect || over.id === active.id) return setDrop(null);
    const half = rect.top + rect.height / 2 < over.rect.top + over.rect.height / 2 ? 'above' : 'below';
    setDrop({ stepId: String(over.id), half });
  };
  const onDragEnd = ({ active }: DragEndEvent) => {
    const place = drop && placeAfterDrop(procedure.steps, String(active.id), drop.stepId, drop.half);
    if (place) useAuthor.getState().move(String(active.id), place.index, place.stage);
    setDragged(null);
    setDrop(null);
  };

  const focusChip = (id: string) =>
    requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-step="${id}"]`)?.focus());

  const onKeyDown = useEffectEvent((event: KeyboardEvent) => {
    const current = procedure.steps.find((step) => step.id === selected);
    if (!current) return;
    const direction = (
      { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' } as Record<string, Direction>
    )[event.key];
    if (direction) {
      event.preventDefault();
      if (event.altKey && writes && (direction === 'up' || direction === 'down')) {
        const steps = foldSide(current.stage) === 'up' ? -1 : 1;
        const index = procedure.steps.indexOf(current) + (direction === 'down' ? steps : -steps);
        const beside = procedure.steps[index];
        if (beside) useAuthor.getState().move(current.id, index, beside.stage);
        focusChip(current.id);
      } else {
        const next = neighbour(fold, procedure.steps, current.id, direction);
        if (next) {
          useAuthor.getState().select(next);
          focusChip(next);
        }
      }
    } else if (writes && event.key === 'Delete') {
      event.preventDefault();
      removeWithUndo(current.id);
    } else if (writes && event.key.toLowerCase() === 'd' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      useAuthor.getState().duplicate(current.id);
    }
  });
  // The arrow keys move among the buttons of the whole fold, so one listener stands around them all.
  useEffect(() => {
    const fold = list.current;
    const listener = (event: KeyboardEvent) => onKeyDown(event);
    fold?.addEventListener('keydown', listener);
    return () => fold?.removeEventListener('keydown', listener);
  }, []);
  const chip = (step: Step) => (
    <Chip
      key={step.id}
      step={step}
      series={series}
      number={numbers.get(step.id) ?? 0}
      selected={step.id === selected}
      partner={partners.has(step.id)}
      drop={drop?.stepId === step.id ? drop.half : null}
      movable={writes}
    />
  );
  useEffect(() => {
    list.current?.querySelector(`[data-step="${selected}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [selected]);
  const { minutes } = benchMinutes(procedure);

  return (
    <>
      <div className={author.head}>
        <h2>{t('fold.title')}</h2>
        <span className={author.small}>
          {t('shelf.steps', { count: procedure.steps.length })}
          {minutes > 0 && t('fold.about', { time: showDuration(minutes) })}
        </span>
      </div>
      {writes && findings.some(({ id }) => WAY_BACK_MISSING.includes(id)) && (
        <Button fullWidth variant="default" mb="sm" onClick={draftTheWayBack}>
          {t('fold.draft')}
        </Button>
      )}
      {procedure.steps.length === 0 && (
        <p className={author.small}>{writes ? t('fold.empty') : t('fold.emptyReader')}</p>
      )}
      <DndContext
        sensors={sensors}
        onDragStart={({ active }) => setDragged(String(active.id))}
        onDragMove={onDragMove}
        onDragEnd={onDragEnd}
        onDragCancel={() => {
          setDragged(null);
          setDrop(null);
        }}
        accessibility={{ screenReaderInstructions: { draggable: t('fold.dragHint') } }}
      >
        <div ref={list}>
          {fold.rows.length > 0 && (
            <div className={styles.lanes}>
              <span>{t('fold.down')}</span>
              <span />
              <span>{t('fold.up')}</span>
            </div>
          )}
          {fold.rows.map((row) => (
            <div className={styles.row} key={`${row.left?.id}/${row.right?.id}`}>
              <div>{row.left && chip(row.left)}</div>
              <Thread row={row} held={[row.left?.id, row.right?.id].includes(selected ?? '')} />
              <div>
                {row.right ? chip(row.right) : row.frayed.length > 0 && <Gap series={series} frayed={row.frayed} />}
              </div>
            </div>
          ))}
          {fold.bend.length > 0 && <div className={styles.bend}>{fold.bend.map(chip)}</div>}
        </div>
        <DragOverlay dropAnimation={null}>
          {dragged && <Overlay step={procedure.steps.find((step) => step.id === dragged)} series={series} />}
        </DragOverlay>
      </DndContext>
      {procedure.steps.length > 0 && (
        <div className={styles.legend}>
          <span>
            {t('fold.photo')} <i className={`${styles.mark} ${styles.photo}`} />
          </span>
          <span>
            {t('fold.torque')} <i className={`${styles.mark} ${styles.torque}`} />
          </span>
          <span>
            {t('fold.faces')} <i className={`${styles.mark} ${styles.faces}`} />
          </span>
        </div>
      )}
    </>
  );
}

interface ChipProps {
  readonly step: Step;
  readonly series: Series;
  readonly number: number;
  readonly selected: boolean;
  readonly partner: boolean;
  readonly drop: Drop['half'] | null;
  readonly movable: boolean;
}

const Chip = memo(function Chip({ step, series, number, selected, partner, drop, movable }: ChipProps) {
  const { t } = useTranslation();
  const { setNodeRef, attributes, listeners, isDragging } = useDraggable({ id: step.id, disabled: !movable });
  const { role: _button, ...described } = attributes;
  const { setNodeRef: setDropRef } = useDroppable({ id: step.id });
  const marks = (['faces', 'torque', 'photo'] as const).filter((mark) => step[mark] !== undefined);
  const title = titleOf(step, series);
  return (
    <div ref={setDropRef} className={`${styles.slot} ${drop ? styles[drop] : ''}`}>
      <button
        ref={setNodeRef}
        {...described}
        {...listeners}
        type="button"
        data-step={step.id}
        tabIndex={selected ? 0 : -1}
        aria-pressed={selected}
        aria-label={[t('fold.stepLabel', { number, title }), ...marks.map((mark) => t(`fold.${mark}`))].join(', ')}
        className={`${styles.chip} ${selected ? styles.selected : partner ? styles.partner : ''} ${isDragging ? styles.dragged : ''} ${step.drafted ? styles.drafted : ''}`}
        onFocus={() => useAuthor.getState().select(step.id)}
        onClick={() => useAuthor.getState().select(step.id)}
      >
        <span className={styles.n}>{number}</span>
        <span className={styles.name}>{title}</span>
        <span className={styles.marks} aria-hidden="true">
          {marks.map((mark) => (
            <i key={mark} className={`${styles.mark} ${styles[mark]}`} />
          ))}
        </span>
      </button>
    </div>
  );
});

function Overlay({ step, series }: { step: Step | undefined; series: Series }) {
  return step ? (
    <div className={`${styles.chip} ${styles.selected} ${styles.overlay}`}>
      <span className={styles.name}>{titleOf(step, series)}</span>
    </div>
  ) : null;
}

function Thread({ row, held }: { row: FoldRow; held: boolean }) {
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

function Gap({ series, frayed }: { series: Series; frayed: readonly string[] }) {
  const { t } = useTranslation();
  const names = frayed.flatMap((id) => {
    const component = componentById(series, id);
    return component ? [componentPhrase(component, component.positionSetId ? 2 : component.count, false)] : [];
  });
  return <div className={styles.gap}>{t('fold.neverBack', { parts: listing(names) })}</div>;
}
