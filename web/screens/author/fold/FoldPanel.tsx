import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  DragOverlay,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { Button, TextInput } from '@mantine/core';
import { IconChevronDown, IconChevronRight, IconSearch } from '@tabler/icons-react';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { foldSide } from '#core/fold/fold';
import { benchMinutes } from '#core/model/lookup';
import type { Step } from '#core/model/procedure';
import { showDuration } from '../../../ground/format';
import { useAuthor } from '../../../state/author-store';
import { useSettledWorkbook } from '../../../state/settled';
import { computed } from '../../../state/timeline';
import author from '../desk/Author.module.css';
import { draftTheWayBack, fillGap } from '../desk/author-actions';
import { useAuthorView } from '../desk/author-view';
import { removeStep } from '../desk/remove-step';
import styles from './Fold.module.css';
import { DraggedChip, FoldChip, Gap, Thread } from './FoldChip';
import { type FoldItem, foldItems, itemOf, type Section, sectionOfStage } from './fold-items';
import { type Direction, neighbour, placeAfterDrop } from './fold-moves';
import { useFoldSearch } from './useFoldSearch';
import { useKeptFocus } from './useKeptFocus';

interface Drop {
  readonly stepId: string;
  /** Which half of the chip the dragged one hovers over. */
  readonly half: 'above' | 'below';
}

/** Findings that say the way back is not whole yet. */
const WAY_BACK_MISSING = ['left-on-cloth', 'left-in-tray', 'loose-at-end', 'not-refilled', 'not-restored'];
const ARROWS: Readonly<Record<string, Direction>> = {
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowLeft: 'left',
  ArrowRight: 'right',
};
/** One object for all times: another would draw every chip anew. */
const DRAGS_FROM = { activationConstraint: { distance: 6 } };
const ROW_HEIGHT = 47;

/** The whole procedure, folded at its middle. Only the rows in sight are drawn. */
export function FoldPanel({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  const workbook = useSettledWorkbook();
  const selected = useAuthor((state) => state.selected);
  const hovered = useAuthorView((state) => state.hovered);
  const searching = useAuthorView((state) => state.searching);
  const { fold, findings } = computed(workbook);
  const { procedure, series } = workbook;
  const runFrom = useAuthorView((state) => state.runFrom);
  const run = useMemo(() => runOf(procedure.steps, runFrom, selected), [procedure.steps, runFrom, selected]);
  const { query, setQuery, found } = useFoldSearch(workbook);
  const [closed, setClosed] = useState<ReadonlySet<Section>>(new Set());
  const numbers = useMemo(() => new Map(procedure.steps.map((step, i) => [step.id, i + 1])), [procedure.steps]);
  const items = useMemo(() => foldItems(fold, closed, found), [fold, closed, found]);
  const shown = hovered ?? selected;
  const partners = new Set(shown ? fold.partners.get(shown) : []);
  const [dragged, setDragged] = useState<string | null>(null);
  const [drop, setDrop] = useState<Drop | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const search = useRef<HTMLInputElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, DRAGS_FROM));
  const draggedItem = dragged ? itemOf(items, dragged) : -1;
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    getItemKey: (index) => keyOf(items[index], index),
    overscan: 8,
    // A chip being dragged must not be taken away because its row went out of sight.
    rangeExtractor: (range) => {
      const inSight = defaultRangeExtractor(range);
      return draggedItem < 0 || inSight.includes(draggedItem)
        ? inSight
        : [...inSight, draggedItem].sort((a, b) => a - b);
    },
  });

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

  useKeptFocus(scroller, items);

  const openSectionOf = (id: string) => {
    const step = procedure.steps.find((candidate) => candidate.id === id);
    if (!step) return;
    const section = sectionOfStage(step.stage);
    setClosed((now) => (now.has(section) ? new Set([...now].filter((other) => other !== section)) : now));
  };
  const focusChip = (id: string) => {
    openSectionOf(id);
    const at = itemOf(items, id);
    if (at >= 0) rows.scrollToIndex(at);
    // A chip in sight takes the focus at once, so that keys pressed quickly all arrive; one that is drawn anew, because
    // its row moved or came into sight, takes it then, unless the keys have gone on meanwhile.
    const focus = () => {
      if (useAuthor.getState().selected !== id) return;
      scroller.current?.querySelector<HTMLElement>(`[data-step="${id}"]`)?.focus();
    };
    focus();
    requestAnimationFrame(() => requestAnimationFrame(focus));
  };

  const onKeyDown = useEffectEvent((event: KeyboardEvent) => {
    // The next key may come before the last one is drawn.
    const inHand = useAuthor.getState().selected;
    const current = procedure.steps.find((step) => step.id === inHand);
    if (!current || !(event.target instanceof HTMLElement) || !event.target.closest('[data-step]')) return;
    const direction = ARROWS[event.key];
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
          const { runFrom } = useAuthorView.getState();
          useAuthorView.setState({ runFrom: event.shiftKey ? (runFrom ?? current.id) : null });
          useAuthor.getState().select(next);
          focusChip(next);
        }
      }
    } else if (writes && event.key === 'Delete') {
      event.preventDefault();
      removeStep(current.id);
    } else if (writes && event.key.toLowerCase() === 'd' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      useAuthor.getState().duplicate(current.id);
    }
  });
  // The arrow keys move among the buttons of the whole fold, so one listener stands around them all.
  useEffect(() => {
    const list = scroller.current;
    const listener = (event: KeyboardEvent) => onKeyDown(event);
    list?.addEventListener('keydown', listener);
    return () => list?.removeEventListener('keydown', listener);
  }, []);
  const showStep = useEffectEvent((id: string) => {
    const at = itemOf(items, id);
    if (at < 0) openSectionOf(id);
    else rows.scrollToIndex(at, { align: 'auto' });
  });
  useEffect(() => {
    if (selected) showStep(selected);
  }, [selected]);
  useEffect(() => {
    if (searching) search.current?.focus();
  }, [searching]);

  const stopSearching = () => {
    setQuery('');
    useAuthorView.setState({ searching: false });
  };
  const chip = (step: Step) => (
    <FoldChip
      key={step.id}
      step={step}
      series={series}
      number={numbers.get(step.id) ?? 0}
      selected={step.id === selected}
      inRun={run.has(step.id)}
      partner={partners.has(step.id) || (hovered === step.id && partners.size > 0)}
      drop={drop?.stepId === step.id ? drop.half : null}
      movable={writes}
    />
  );
  const toggle = (section: Section) =>
    setClosed((now) => new Set(now.has(section) ? [...now].filter((other) => other !== section) : [...now, section]));
  const { minutes } = benchMinutes(procedure);
  const frays = (stepId: string, frayed: readonly string[]) => (writes ? () => fillGap(stepId, frayed) : undefined);

  const draw = (item: FoldItem) => {
    if (item.kind === 'section') {
      const { section, count, open } = item;
      return (
        <button type="button" className={styles.section} aria-expanded={open} onClick={() => toggle(section)}>
          {open ? <IconChevronDown size={15} /> : <IconChevronRight size={15} />}
          {t(`fold.section.${section}`)}
          <span className="number">{count}</span>
        </button>
      );
    }
    if (item.kind === 'bend') {
      return <div className={`${styles.bend} ${item.last ? styles.bendEnd : ''}`}>{item.steps.map(chip)}</div>;
    }
    const { row } = item;
    return (
      <div className={styles.row}>
        <div>{row.left && chip(row.left)}</div>
        <Thread row={row} held={[row.left?.id, row.right?.id].includes(shown ?? '')} />
        <div>
          {row.right
            ? chip(row.right)
            : row.left &&
              row.frayed.length > 0 && (
                <Gap series={series} frayed={row.frayed} onFill={frays(row.left.id, row.frayed)} />
              )}
        </div>
      </div>
    );
  };

  return (
    <div className={styles.panel}>
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
      {searching && (
        <TextInput
          ref={search}
          mb="xs"
          aria-label={t('fold.search')}
          placeholder={t('fold.search')}
          leftSection={<IconSearch size={16} />}
          rightSectionWidth={70}
          rightSection={found && <span className={author.small}>{t('fold.found', { count: found.size })}</span>}
          value={query}
          onChange={(event) => setQuery(event.currentTarget.value)}
          onKeyDown={(event) => {
            const [first] = found ?? [];
            if (event.key === 'Escape') stopSearching();
            if (event.key === 'Enter' && first) {
              useAuthor.getState().select(first);
              focusChip(first);
            }
          }}
        />
      )}
      {procedure.steps.length === 0 && (
        <p className={author.small}>{writes ? t('fold.empty') : t('fold.emptyReader')}</p>
      )}
      {fold.rows.length > 0 && (
        <div className={styles.lanes}>
          <span>{t('fold.down')}</span>
          <span />
          <span>{t('fold.up')}</span>
        </div>
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
        <div ref={scroller} className={styles.scroller}>
          <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
            {rows.getVirtualItems().map(({ index, key, start }) => {
              const item = items[index];
              return (
                <div
                  key={key}
                  ref={rows.measureElement}
                  data-index={index}
                  className={styles.item}
                  style={{ transform: `translateY(${start}px)` }}
                >
                  {item && draw(item)}
                </div>
              );
            })}
          </div>
        </div>
        <DragOverlay dropAnimation={null}>
          {dragged && <DraggedChip step={procedure.steps.find((step) => step.id === dragged)} series={series} />}
        </DragOverlay>
      </DndContext>
      {procedure.steps.length > 0 && (
        <div className={styles.legend}>
          {(['photo', 'torque', 'faces'] as const).map((mark) => (
            <span key={mark}>
              {t(`fold.${mark}`)} <i className={`${styles.mark} ${styles[mark]}`} />
            </span>
          ))}
        </div>
      )}
    </div>
  );
}

function keyOf(item: FoldItem | undefined, index: number): string {
  if (!item) return String(index);
  if (item.kind === 'section') return item.section;
  if (item.kind === 'bend') return item.steps.map((step) => step.id).join(' ');
  return `${item.row.left?.id}/${item.row.right?.id}`;
}

/** The steps marked together, up to the one in hand. */
function runOf(steps: readonly Step[], fromId: string | null, toId: string | null): ReadonlySet<string> {
  const [from = -1, to = -1] = [fromId, toId]
    .map((id) => steps.findIndex((step) => step.id === id))
    .sort((a, b) => a - b);
  return new Set(from < 0 || from === to ? [] : steps.slice(from, to + 1).map(({ id }) => id));
}
