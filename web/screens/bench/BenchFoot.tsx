import { useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { cellOf, lyingFree, stateAfter } from '#core/bench/state';
import { locksToCheck } from '#core/job/confirming';
import { type Demand, placeInHand } from '#core/job/demands';
import { runOf } from '#core/job/job';
import type { JobState } from '#core/job/state';
import { isToDo, stepInJob } from '#core/job/to-do';
import { capital } from '#core/language/en/counted';
import { componentPhrase, listing } from '#core/language/en/sentence';
import { confirmationOf } from '#core/model/confirmation';
import { componentById, placeNameOf } from '#core/model/lookup';
import { timelineOn } from '../../state/ways';
import type { BenchJob } from '../../sync/bench-job';
import styles from './Bench.module.css';
import { openProblem } from './forms/open';

interface BenchFootProps {
  readonly bench: BenchJob;
  readonly inHand: boolean;
  readonly demands: readonly Demand[];
  /** The step is confirmed by name, where it asks for that. */
  readonly isConfirmed: boolean;
}

/** Back, the cell on the cloth, something is wrong, and on. */
export function BenchFoot({ bench, inHand, demands, isConfirmed }: BenchFootProps) {
  const { t } = useTranslation();
  const { job, state } = bench;
  const { workbook } = job.release;
  const { steps } = workbook.procedure;
  const said = steps[state.cursor];
  const before = steps.slice(0, state.cursor).findLast((earlier) => isToDo(earlier, state.answers, workbook));
  const run = said && runOf(state, said.id);
  const step = said && stepInJob(said, state, run?.chosenMethodId, workbook);
  const place = step && run && placeInHand(step, run, workbook);
  const placesLeft = demands.filter((demand) => demand.what === 'place').length;
  // Before the last position only what belongs to the one in hand is asked for.
  const asked = place
    ? demands.filter((demand) =>
        'positionId' in demand ? demand.positionId === place && demand.what !== 'place' : placesLeft === 1,
      )
    : demands;
  const count = (...whats: Demand['what'][]) => asked.filter(({ what }) => whats.includes(what)).length;
  const asksConfirmation = step !== undefined && confirmationOf(step) !== undefined;
  const missing = [
    count('torque', 'measure') > 0 && t('bench.needReadings', { count: count('torque', 'measure') }),
    count('look') > 0 && t('bench.needLooks', { count: count('look') }),
    count('photo') > 0 && t('bench.needPhoto'),
    count('run') > 0 && t('bench.needRun'),
    count('proof') > 0 && t('bench.needProof'),
    count('answer') > 0 && t('bench.needAnswer'),
    asksConfirmation && !isConfirmed && t('bench.needConfirmation'),
    demands.some(({ what }) => what === 'approval') && placesLeft <= 1 && t('bench.needSecondPerson'),
    locksToCheck(workbook, state).length > 0 && t('bench.needLocks'),
  ].filter((part) => part !== false);
  // A second tap before the next step stands on the screen is no second answer.
  const answered = useRef<JobState>(null);
  const done = async () => {
    if (!step || answered.current === state) return;
    answered.current = state;
    const confirmed = asksConfirmation ? { confirmed: true as const } : {};
    const isKept =
      (!place || (await bench.enter({ kind: 'place-done', stepId: step.id, positionId: place }))) &&
      (placesLeft > 1 || (await bench.enter({ kind: 'step-done', stepId: step.id, ...confirmed })));
    if (!isKept) answered.current = null;
  };
  return (
    <footer className={styles.foot}>
      <button
        type="button"
        className={styles.big}
        data-key="back"
        disabled={!inHand || !before}
        onClick={() => before && bench.enter({ kind: 'went-back', stepId: before.id })}
      >
        {t('bench.back')}
      </button>
      <CellHint bench={bench} />
      <button
        type="button"
        className={styles.big}
        disabled={!inHand || !step}
        onClick={() => step && openProblem(bench, step.id)}
      >
        {t('bench.wrong')}
      </button>
      <button
        type="button"
        className={`${styles.big} ${styles.go}`}
        data-key="done"
        disabled={!inHand || !step || missing.length > 0}
        onClick={done}
      >
        {missing.length > 0
          ? t('bench.needed', { what: capital(listing(missing)) })
          : placesLeft > 1
            ? t('bench.placeDone', { place: placeNameOf(workbook.series, place ?? null) ?? '' })
            : t('bench.done')}
      </button>
    </footer>
  );
}

/** A small mat with the cell in question, and in words what lies there or goes there. */
function CellHint({ bench }: { bench: BenchJob }) {
  const { t } = useTranslation();
  const { workbook } = bench.job.release;
  const timeline = timelineOn(workbook, bench.state.answers);
  const { cursor } = bench.state;
  const frame = timeline.frames[cursor];
  const after = stateAfter(timeline, cursor + (frame ? 1 : 0));
  const now = new Set(
    (frame?.moves ?? []).flatMap(({ act, unitId }) =>
      act === 'along' ? [] : (cellOf(timeline, unitId)?.number ?? []),
    ),
  );
  const columns = Math.ceil(Math.sqrt(Math.max(timeline.cells.length, 4)));
  return (
    <div className={styles.cloth}>
      <div className={styles.mat} style={{ gridTemplateColumns: `repeat(${columns}, 1fr)` }} aria-hidden="true">
        {timeline.cells.map((cell) => {
          const lying = cell.unitIds.some((id) => after.places.get(id) === 'cloth');
          return <i key={cell.number} className={now.has(cell.number) ? styles.now : lying ? styles.lying : ''} />;
        })}
      </div>
      <span>{hint()}</span>
    </div>
  );

  function hint(): string {
    const moves = frame?.moves.filter((move) => move.act !== 'along') ?? [];
    const [move] = moves;
    if (!move) {
      const out = lyingFree(timeline, after).length;
      return out > 0 ? t('bench.cell.out', { count: out }) : t('bench.cell.none');
    }
    const parts = listing(
      [...new Set(moves.map(({ unitId }) => timeline.units.get(unitId)?.componentId ?? ''))].flatMap((id) => {
        const component = componentById(workbook.series, id);
        const count = moves.filter(({ unitId }) => timeline.units.get(unitId)?.componentId === id).length;
        return component ? [componentPhrase(component, count, false)] : [];
      }),
    );
    const cells = listing([...now].map(String));
    if (move.act === 'out') return t('bench.cell.lay', { parts, cells, count: now.size });
    if (move.act === 'binned') return t('bench.cell.bin', { parts });
    return move.from === 'tray'
      ? t('bench.cell.tray', { parts })
      : t('bench.cell.take', { parts, cells, count: now.size });
  }
}
