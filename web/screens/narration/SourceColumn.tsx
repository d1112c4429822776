import { ActionIcon } from '@mantine/core';
import { IconArrowRight } from '@tabler/icons-react';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import type { Narration, Passage } from '#core/model/narration';
import { clipOf, type PassageState, type ReadDesk } from '#core/narration/desk';
import type { DeskRow } from './desk-rows';
import { marksIn } from './marks';
import styles from './Narration.module.css';
import { NarrationVideo } from './NarrationVideo';

interface SourceColumnProps {
  readonly narration: Narration;
  readonly states: ReadonlyMap<string, PassageState>;
  readonly desk: ReadDesk;
  readonly chosen: DeskRow | undefined;
  readonly writes: boolean;
  readonly onChoose: (rowId: string) => void;
  /** Makes a proposal of a passage that belongs to nothing. */
  readonly onPropose: (passageId: string) => void;
}

/** What was written or said, passage by passage, with the video beside it where there is one. */
export function SourceColumn({ narration, states, desk, chosen, writes, onChoose, onPropose }: SourceColumnProps) {
  const { t } = useTranslation();
  const list = useRef<HTMLOListElement>(null);
  const firstChosen = chosen?.passageIds[0];
  useEffect(() => {
    list.current?.querySelector(`[data-passage="${firstChosen}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [firstChosen]);
  const clip = chosen && clipOf(narration.passages, chosen.passageIds);
  const reads = new Map(desk.proposals.map((read) => [read.proposal.id, read]));
  return (
    <section className={styles.source} aria-label={t('narration.said')}>
      <div className={styles.head}>
        <h2>{t('narration.said')}</h2>
        <span className={styles.small}>{narration.name}</span>
      </div>
      {narration.video && (
        <NarrationVideo video={narration.video} clip={clip} narration={narration} chosen={chosen} writes={writes} />
      )}
      <ol className={styles.passages} ref={list} data-scrolls>
        {narration.passages.map((passage) => {
          const state = states.get(passage.id) ?? { is: 'open' as const };
          const rowId = state.is === 'in-step' ? state.stepId : state.is === 'proposed' ? state.proposalId : undefined;
          const read = rowId === undefined ? undefined : reads.get(rowId);
          const isFree = state.is === 'aside' || state.is === 'open';
          return (
            <li
              key={passage.id}
              data-passage={passage.id}
              data-state={state.is === 'proposed' && read && !read.isWhole ? 'asks' : state.is}
              data-chosen={chosen?.passageIds.includes(passage.id) || undefined}
              className={styles.passage}
            >
              <span className={styles.time}>{passage.from === undefined ? '' : sayTime(passage.from)}</span>
              {rowId === undefined ? (
                <span>
                  {passage.text} <StateSaid passage={passage} state={state} />
                </span>
              ) : (
                <button type="button" className={styles.said} onClick={() => onChoose(rowId)}>
                  {marksIn(passage.text, read).map(({ text, is, at }) =>
                    is === 'plain' ? (
                      text
                    ) : (
                      <mark key={at} data-is={is}>
                        {text}
                      </mark>
                    ),
                  )}
                </button>
              )}
              {writes && isFree && (
                <ActionIcon
                  variant="default"
                  size={28}
                  aria-label={t('narration.propose', { text: passage.text })}
                  title={t('narration.proposeShort')}
                  onClick={() => onPropose(passage.id)}
                >
                  <IconArrowRight size={16} />
                </ActionIcon>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function StateSaid({ passage, state }: { passage: Passage; state: PassageState }) {
  const { t } = useTranslation();
  const said = passage.heading ? 'heading' : state.is === 'aside' ? 'aside' : 'open';
  return <em className={styles.small}>{t(`narration.state.${said}`)}</em>;
}

/** "2:04". */
export function sayTime(seconds: number): string {
  const whole = Math.floor(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
