import { Button } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useDeferredValue, useEffectEvent, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Doubt } from '#core/language/en/grammar/names/said';
import { takeOffer } from '#core/line/read-line';
import type { Narration } from '#core/model/narration';
import { accepting, changingNarration, gapsIn, passageStates, readDesk } from '#core/narration/desk';
import { merging, proposing, rewriting, settingAside, splitting } from '#core/narration/editing';
import { tellDone } from '../../ground/notify';
import { LineInput } from '../../parts/LineInput';
import { useAuthor } from '../../state/author-store';
import { type DeskRow, deskRows } from './desk-rows';
import styles from './Narration.module.css';
import { ProposalCard, StepRow } from './ProposalCard';
import { SourceColumn } from './SourceColumn';
import { Threads } from './Threads';
import { useDeskKeys } from './useDeskKeys';

const DESK_LINE = 'desk-line';

interface DeskProps {
  readonly narration: Narration;
  readonly writes: boolean;
  readonly onParts: () => void;
}

/** The narration on the left, what it becomes on the right, and the line that corrects the proposal in hand. */
export function Desk({ narration, writes, onParts }: DeskProps) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const frame = useRef<HTMLElement>(null);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [edited, setEdited] = useState<{ id: string; line: string } | null>(null);

  // What is being corrected is read as it is typed.
  const shown = useMemo(
    () => ({ workbook, narration: edited ? rewriting(narration, edited.id, edited.line || ' ') : narration }),
    [workbook, narration, edited],
  );
  const reading = useDeferredValue(shown);
  const { desk, gaps, states, rows } = useMemo(() => {
    const read = readDesk(reading.workbook, reading.narration);
    return {
      desk: read,
      gaps: gapsIn(read),
      states: passageStates(reading.workbook, reading.narration),
      rows: deskRows(reading.workbook, reading.narration, read),
    };
  }, [reading]);
  const chosen = rows.find((row) => row.id === chosenId) ?? rows.find(({ read }) => read !== undefined) ?? rows[0];
  const proposal = narration.proposals.find(({ id }) => id === chosen?.id);
  const read = chosen?.read;
  const [doubt] = read?.parsed.faults.length === 0 ? read.parsed.doubts : [];
  const whole = desk.proposals.filter((one) => one.isWhole && (gaps.get(one.proposal.id) ?? []).length === 0);
  const openCount = [...states.values()].filter(({ is }) => is === 'open' || is === 'proposed').length;
  const count = (is: string) => [...states.values()].filter((state) => state.is === is).length;

  const apply = useAuthor.getState().apply;
  const change = (next: Narration) => apply([changingNarration(useAuthor.getState().workbook, next)]);
  const current = () => {
    const { procedure } = useAuthor.getState().workbook;
    const now = procedure.narrations?.find(({ id }) => id === narration.id) ?? narration;
    return edited?.line.trim() ? rewriting(now, edited.id, edited.line.trim()) : now;
  };
  // What was corrected and not added yet is not lost on the way to another screen.
  const leave = useEffectEvent(() => {
    if (edited?.line.trim()) change(current());
  });
  // Before the procedure is let go, which saves it.
  useLayoutEffect(() => () => leave(), []);
  const choose = (id: string) => {
    if (edited && edited.id !== id && edited.line.trim()) change(current());
    setEdited(null);
    setChosenId(id);
  };
  const step = (offset: number) => {
    const at = rows.findIndex(({ id }) => id === chosen?.id);
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + offset))];
    if (next) choose(next.id);
  };
  /** The next that has something to decide. */
  const after = (id: string) => {
    const at = narration.proposals.findIndex((one) => one.id === id);
    return narration.proposals[at + 1] ?? narration.proposals[at - 1];
  };
  const accept = (ids: readonly string[]) => {
    const { workbook: now } = useAuthor.getState();
    const { edits, added } = accepting(now, current(), ids, () => nanoid(10));
    if (added.length === 0 || !apply(edits)) {
      tellDone(t('narration.asksFirst'));
      return false;
    }
    const next = after(added.at(-1) ?? '');
    setEdited(null);
    setChosenId(next && !added.includes(next.id) ? next.id : null);
    if (narration.proposals.length === added.length) onParts();
    return true;
  };
  const doAt = (work: (id: string) => Narration, next?: (id: string) => string | undefined) => () => {
    if (!proposal) return;
    const to = next?.(proposal.id);
    change(work(proposal.id));
    setEdited(null);
    if (to !== undefined) setChosenId(to);
  };
  const actions = {
    next: () => step(1),
    previous: () => step(-1),
    accept: () => proposal && accept([proposal.id]),
    edit: () => document.getElementById(DESK_LINE)?.focus(),
    aside: doAt(
      (id) => settingAside(current(), id),
      (id) => after(id)?.id,
    ),
    merge: doAt((id) => merging(current(), id)),
    split: doAt((id) => splitting(current(), id, workbook.series, nanoid(8))),
  };
  useDeskKeys(writes, actions);
  const offer = (words: string, asked: Doubt | undefined = doubt) => {
    if (!proposal || !asked) return;
    setEdited({ id: proposal.id, line: takeOffer(edited?.line ?? proposal.line, asked, words) });
    document.getElementById(DESK_LINE)?.focus();
  };

  return (
    <>
      <main className={styles.desk} ref={frame}>
        <SourceColumn
          narration={narration}
          states={states}
          desk={desk}
          chosen={chosen}
          writes={writes}
          onChoose={choose}
          onPropose={(passageId) => {
            const id = nanoid(8);
            change(proposing(current(), passageId, id));
            setChosenId(id);
          }}
        />
        <Threads frame={frame} rows={rows} chosenId={chosen?.id} gaps={gaps} />
        <section className={styles.says} aria-label={t('narration.says')}>
          <div className={styles.head}>
            <h2>{t('narration.says')}</h2>
            <span className={styles.small}>
              {t('narration.counts', { inSteps: count('in-step'), aside: count('aside') })}{' '}
              <strong className={openCount > 0 ? styles.openCount : undefined}>
                {t('narration.openCount', { count: openCount })}
              </strong>
            </span>
            {writes && (
              <Button disabled={whole.length === 0} onClick={() => accept(whole.map((one) => one.proposal.id))}>
                {t('narration.acceptAll', { count: whole.length })}
              </Button>
            )}
          </div>
          {writes && <p className={styles.small}>{t('narration.keys')}</p>}
          <div className={styles.rows} data-scrolls>
            {rows.length === 0 && <p className="quiet">{t('narration.nothing')}</p>}
            {rows.map((row: DeskRow) =>
              row.read ? (
                <ProposalCard
                  key={row.id}
                  row={row}
                  read={row.read}
                  gaps={gaps.get(row.id) ?? []}
                  ahead={desk.ahead}
                  narration={narration}
                  chosen={row.id === chosen?.id}
                  writes={writes}
                  onChoose={() => choose(row.id)}
                  onOffer={offer}
                />
              ) : (
                <StepRow
                  key={row.id}
                  row={row}
                  workbook={workbook}
                  chosen={row.id === chosen?.id}
                  onChoose={() => choose(row.id)}
                />
              ),
            )}
          </div>
        </section>
      </main>
      {writes && (
        <footer className={styles.line}>
          <span className={styles.lineLabel}>
            {proposal ? t('narration.stepLabel', { number: chosen?.number ?? '' }) : ''}
          </span>
          {proposal && (
            <>
              <LineInput
                id={DESK_LINE}
                label={t('narration.line')}
                className={styles.lineInput}
                text={edited?.id === proposal.id ? edited.line : proposal.line}
                onText={(line) => setEdited({ id: proposal.id, line })}
                series={desk.ahead.series}
                offer={doubt?.offers[0]}
                onOffer={offer}
                onEnter={() => {
                  if (accept([proposal.id])) document.getElementById(DESK_LINE)?.blur();
                }}
                onEscape={() => {
                  setEdited(null);
                  document.getElementById(DESK_LINE)?.blur();
                }}
              />
              <Button variant="default" onClick={actions.aside}>
                {t('narration.setAside')}
              </Button>
              <Button onClick={actions.accept}>{t('narration.acceptNext')}</Button>
            </>
          )}
        </footer>
      )}
    </>
  );
}
