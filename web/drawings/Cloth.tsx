import { useTranslation } from 'react-i18next';
import type { Cell } from '#core/bench/cells';
import type { Timeline } from '#core/bench/replay';
import { stateAfter } from '#core/bench/state';
import { cellName } from '#core/language/en/cells';
import styles from './Cloth.module.css';
import { Silhouette } from './Silhouette';

interface ClothProps {
  readonly timeline: Timeline;
  /** The number of steps carried out. */
  readonly after: number;
  /** Components to point out. */
  readonly marked?: readonly string[];
  /** Called with a cell; without it the cells are only looked at. */
  readonly onChoose?: (cell: Cell, at: HTMLElement) => void;
}

/** The cloth with its numbered cells, as it looks after some steps. */
export function Cloth({ timeline, after, marked = [], onChoose }: ClothProps) {
  const { t } = useTranslation();
  const state = stateAfter(timeline, after);
  const isSeated = (id: string) => {
    const unit = timeline.units.get(id);
    return unit !== undefined && state.isSeated(unit);
  };
  const frames = timeline.frames.slice(0, after);
  const opened = new Set(frames.map((frame) => frame.step.id));
  const here = new Set(timeline.workbook.procedure.steps.map((step) => step.id));
  // What an earlier module laid out lies there from the start.
  const cells = timeline.cells.filter((cell) => opened.has(cell.openedBy) || !here.has(cell.openedBy));
  const touched = new Set(frames.at(-1)?.moves.map((move) => move.cell));
  return (
    <div className={styles.cloth}>
      {cells.length === 0 && <span className={styles.blank}>{t('cloth.empty')}</span>}
      {cells.map((cell) => {
        const part = timeline.structure.components.get(cell.componentId);
        if (!part) return null;
        const lying = cell.unitIds.filter((id) => state.places.get(id) === 'cloth' && !isSeated(id)).length;
        const binned = cell.unitIds.every((id) => state.places.get(id) === 'bin');
        const seated = cell.unitIds.some((id) => state.places.get(id) === 'cloth' && isSeated(id));
        const gone = binned ? t('cloth.binned') : seated ? t('cloth.seated') : t('cloth.back');
        const name = lying > 0 ? cellName(timeline, cell, lying) : gone;
        const look = [
          styles.cell,
          lying === 0 ? styles.empty : '',
          touched.has(cell.number) ? styles.now : '',
          marked.includes(cell.componentId) ? styles.marked : '',
        ].join(' ');
        const content = (
          <>
            <span className={styles.n}>{cell.number}</span>
            {lying > 0 && <Silhouette part={part} size={34} />}
            <span>{name}</span>
          </>
        );
        if (!onChoose) {
          return (
            <div key={cell.number} className={look}>
              {content}
            </div>
          );
        }
        return (
          <button
            key={cell.number}
            type="button"
            className={look}
            data-now={touched.has(cell.number) ? '' : undefined}
            aria-label={t('cloth.cellLabel', { number: cell.number, name })}
            onClick={(event) => onChoose(cell, event.currentTarget)}
          >
            {content}
          </button>
        );
      })}
    </div>
  );
}
