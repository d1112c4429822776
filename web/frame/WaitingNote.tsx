import { Button, Group, Stack, Text, UnstyledButton } from '@mantine/core';
import i18next from 'i18next';
import { useTranslation } from 'react-i18next';
import type { OutboxEntry } from '../ground/device';
import { showMoment } from '../ground/format';
import { modals } from '../ground/overlays';
import { Tag } from '../parts/Tag';
import { type Connection, sync } from '../sync/engine';
import {
  countOf,
  discardRefused,
  isStuck,
  useConnection,
  useWaiting,
  type Waiting,
  waitingAsFile,
} from '../sync/waiting';
import styles from './Waiting.module.css';

/** Says that something on this device has not reached the server, and opens what and why; nothing where all has. */
export function WaitingNote({ atBench = false }: { atBench?: boolean }) {
  const { t } = useTranslation();
  const waiting = useWaiting();
  const connection = useConnection();
  // What is being written just now is no news; the screen that is open for it says how it stands.
  const stuckHere = isStuck(waiting);
  const count = connection === 'ok' && !stuckHere ? waiting.entries.length : countOf(waiting);
  if (count === 0 && connection === 'ok') return null;
  const stuck = stuckHere || connection === 'signed-out' || connection === 'no-room';
  return (
    <UnstyledButton
      className={atBench ? `${styles.note} ${styles.large}` : styles.note}
      onClick={() => openWaiting(atBench)}
    >
      <Tag tone={stuck || connection === 'server-fault' ? 'kaki' : 'ochre'}>
        {noteText(connection, count, stuck, t)}
      </Tag>
    </UnstyledButton>
  );
}

function noteText(connection: Connection, count: number, stuck: boolean, t: typeof i18next.t): string {
  if (connection !== 'ok') return t(`waiting.${connection}`, { count });
  return stuck ? t('waiting.stuck', { count }) : t('waiting.sending', { count });
}

/** At the bench its buttons are large enough for gloves. */
export function openWaiting(atBench: boolean): void {
  modals.open({
    title: i18next.t('waiting.title'),
    size: atBench ? 'xl' : 'lg',
    children: <WaitingList size={atBench ? 'xl' : 'sm'} />,
  });
}

function WaitingList({ size }: { size: 'sm' | 'xl' }) {
  const { t } = useTranslation();
  const waiting = useWaiting();
  const connection = useConnection();
  const refused = refusedIn(waiting);
  return (
    <Stack>
      <Text>{t(`waiting.why.${connection}`)}</Text>
      {countOf(waiting) === 0 && <Text>{t('waiting.nothing')}</Text>}
      <ul className={styles.list}>
        {waiting.entries.map((entry) => (
          <Line
            key={entry.id}
            what={entryText(entry)}
            why={entry.refused ?? entry.waits?.what}
            refused={!!entry.refused}
          />
        ))}
        {waiting.drafts.map(({ procedureId, workbook, at, waits, what }) => (
          <Line
            key={procedureId}
            what={t('waiting.draft', { title: workbook.procedure.title, when: showMoment(at) })}
            why={waits === 'stale' ? t('waiting.stale') : what}
            refused={waits === 'refused'}
          />
        ))}
        {waiting.series.map(({ id, document, waits, what }) => (
          <Line
            key={id}
            what={t('waiting.series', { name: `${document.name} ${document.code}` })}
            why={what}
            refused={waits === 'refused'}
          />
        ))}
      </ul>
      <Group justify="flex-end">
        {countOf(waiting) > 0 && (
          <Button size={size} variant="default" onClick={() => void saveFile(waiting)}>
            {t('waiting.save')}
          </Button>
        )}
        {refused > 0 && (
          <Button size={size} variant="light" color="kaki" onClick={() => askToDiscard(waiting, refused)}>
            {t('waiting.discard', { count: refused })}
          </Button>
        )}
        <Button size={size} onClick={() => void sync()}>
          {t('waiting.now')}
        </Button>
      </Group>
    </Stack>
  );
}

function Line({ what, why, refused }: { what: string; why: string | undefined; refused: boolean }) {
  return (
    <li>
      <span>{what}</span>
      {why && <span className={refused ? styles.refused : 'quiet'}>{why}</span>}
    </li>
  );
}

function entryText({ content, at }: OutboxEntry): string {
  return i18next.t('waiting.entry', { what: i18next.t(`waiting.kind.${content.kind}`), when: showMoment(at) });
}

function refusedIn({ entries, drafts, series }: Waiting): number {
  return (
    entries.filter((entry) => entry.refused).length +
    [...drafts, ...series].filter(({ waits }) => waits === 'refused').length
  );
}

/** What the server refused is gone for good once it is dropped, so it is asked about, and can be kept as a file. */
function askToDiscard(waiting: Waiting, count: number): void {
  modals.openConfirmModal({
    title: i18next.t('waiting.discardTitle', { count }),
    children: i18next.t('waiting.discardAsk'),
    labels: { confirm: i18next.t('waiting.discard', { count }), cancel: i18next.t('app.cancel') },
    confirmProps: { color: 'kaki', size: 'xl' },
    cancelProps: { size: 'xl' },
    onConfirm: () => void discardRefused(waiting),
  });
}

async function saveFile(waiting: Waiting): Promise<void> {
  const url = URL.createObjectURL(await waitingAsFile(waiting));
  const link = document.createElement('a');
  link.href = url;
  link.download = `fukusa-unsent-${new Date().toISOString().slice(0, 10)}.json`;
  link.click();
  URL.revokeObjectURL(url);
}
