import { useTranslation } from 'react-i18next';
import { type Cell, stateAfter, type Timeline } from '#core/cloth/replay';
import { componentPhrase } from '#core/narration/sentence';
import { componentById } from '#core/pump/series';
import styles from './Cloth.module.css';
import { Silhouette } from './Silhouette';

interface ClothProps {
  readonly timeline: Timeline;
  /** The number of steps carried out. */
  readonly after: number;
  /** Called with the step that laid the part there; without it the cells are only looked at. */
  readonly onChoose?: (stepId: string) => void;
}

/** The cloth with its numbered cells, as it looks after some steps. */
export function Cloth({ timeline, after, onChoose }: ClothProps) {
  const { t } = useTranslation();
  const state = stateAfter(timeline, after);
  const opened = new Set(timeline.frames.slice(0, after).map((frame) => frame.step.id));
  const cells = timeline.cells.filter((cell) => opened.has(cell.openedBy));
  const touched = new Set(timeline.frames[after - 1]?.moves.map((move) => move.cell));
  return (
    <div className={styles.cloth}>
      {cells.length === 0 && <span className={styles.blank}>{t('cloth.empty')}</span>}
      {cells.map((cell) => {
        const component = componentById(timeline.series, cell.componentId);
        if (!component) return null;
        const lying = cell.unitIds.filter((id) => state.places.get(id) === 'cloth').length;
        const name = cellName(cell, lying);
        const look = `${styles.cell} ${lying === 0 ? styles.empty : ''} ${touched.has(cell.number) ? styles.now : ''}`;
        const content = (
          <>
            <span className={styles.n}>{cell.number}</span>
            {lying > 0 && <Silhouette kind={component.kind} size={34} />}
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
            aria-label={t('cloth.cellLabel', { number: cell.number, name })}
            onClick={() => onChoose(cell.openedBy)}
          >
            {content}
          </button>
        );
      })}
    </div>
  );

  /** "rotor 1", "8 dome nuts", or where the part went. */
  function cellName(cell: Cell, lying: number): string {
    const component = componentById(timeline.series, cell.componentId);
    if (!component) return '';
    if (lying === 0) {
      const binned = cell.unitIds.every((id) => state.places.get(id) === 'bin');
      return binned ? t('cloth.binned') : t('cloth.back');
    }
    const position = timeline.units.get(cell.unitIds[0] ?? '')?.positionId;
    const set = timeline.series.positionSets.find((s) => s.positions.some((p) => p.id === position));
    const place = component.matched ? set?.positions.find((p) => p.id === position)?.name : undefined;
    const phrase = componentPhrase(component, lying, false);
    return place ? t('cloth.of', { part: phrase, place }) : lying > 1 ? `${lying} ${phrase}` : phrase;
  }
}
