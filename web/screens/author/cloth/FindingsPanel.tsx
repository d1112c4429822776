import { Button, Textarea, UnstyledButton } from '@mantine/core';
import { IconAlertTriangleFilled, IconChevronDown, IconChevronRight, IconInfoCircleFilled } from '@tabler/icons-react';
import type { TFunction } from 'i18next';
import { type FormEvent, memo, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { byCause, type Cause } from '#core/findings/by-cause';
import { fixFor } from '#core/findings/check';
import { type Finding, findingKey } from '#core/findings/finding';
import { isLeftForReassembly, isReassemblyBegun } from '#core/findings/still-to-do';
import { sayFinding, sayFix, sayReason } from '#core/language/en/findings';
import { useAuthor } from '../../../state/author-store';
import { useSettledWorkbook } from '../../../state/settled';
import { computed } from '../../../state/timeline';
import author from '../desk/Author.module.css';
import { goToFinding } from '../desk/author-actions';
import { useAuthorView } from '../desk/author-view';
import styles from './Findings.module.css';

const GROUPS = ['stop', 'warn', 'advise', 'todo', 'accepted'] as const;
type Group = (typeof GROUPS)[number];

/**
 * What would go wrong, by what it blocks; live while the procedure is written. As long as nothing is refitted, what the
 * teardown leaves undone is one quiet line.
 */
export const FindingsPanel = memo(function FindingsPanel({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  const workbook = useSettledWorkbook();
  const { findings } = computed(workbook);
  const [closed, setClosed] = useState<readonly Group[]>(['todo', 'accepted']);
  const begun = isReassemblyBegun(workbook.procedure);
  const groupOf = (finding: Finding): Group => {
    if (finding.accepted) return 'accepted';
    return !begun && isLeftForReassembly(finding) ? 'todo' : finding.severity;
  };
  const groups = GROUPS.map((group) => ({
    group,
    findings: findings.filter((finding) => groupOf(finding) === group),
  })).filter((entry) => entry.findings.length > 0);
  const toggle = (group: Group) =>
    setClosed(closed.includes(group) ? closed.filter((other) => other !== group) : [...closed, group]);
  return (
    <section aria-label={t('findings.title')}>
      <div className={author.head}>
        <h2>{t('findings.title')}</h2>
      </div>
      {findings.length === 0 && workbook.procedure.steps.length > 0 && (
        <p className={author.small}>{t(workbook.procedure.handsOn ? 'findings.noneHandedOn' : 'findings.none')}</p>
      )}
      {groups.map(({ group, findings: those }) => (
        <div key={group}>
          <UnstyledButton
            className={`${styles.group} ${styles[group]}`}
            aria-expanded={!closed.includes(group)}
            onClick={() => toggle(group)}
          >
            {closed.includes(group) ? <IconChevronRight size={15} /> : <IconChevronDown size={15} />}
            {t(`findings.group.${group}`)}
            <span className="number">{those.length}</span>
          </UnstyledButton>
          {!closed.includes(group) &&
            byCause(those, (finding) => reasonSaid(finding, t)).map((cause) => (
              <CauseRows key={`${cause.findings[0]?.id} ${cause.reason}`} cause={cause} writes={writes} />
            ))}
        </div>
      ))}
    </section>
  );
});

const reasonSaid = (finding: Finding, t: TFunction) =>
  finding.accepted ? t('findings.accepted', { reason: finding.accepted }) : sayReason(finding);

/** Of one cause so many places are shown before one asks for the others. */
const SHOWN = 3;

/** One cause and where it shows: the reason is told once. */
function CauseRows({ cause: { reason, findings }, writes }: { cause: Cause; writes: boolean }) {
  const { t } = useTranslation();
  const [isOpen, setOpen] = useState(false);
  const isHidden = useAuthorView((state) =>
    findings.slice(SHOWN).some((finding) => findingKey(finding) === state.finding),
  );
  const showsAll = isOpen || isHidden || findings.length <= SHOWN + 1;
  const shown = showsAll ? findings : findings.slice(0, SHOWN);
  return (
    <div className={styles.cause}>
      {shown.map((finding, i) => (
        <FindingRow
          key={findingKey(finding)}
          finding={finding}
          reason={i === shown.length - 1 ? reason : undefined}
          writes={writes}
        />
      ))}
      {findings.length > shown.length && (
        <button type="button" className={`${styles.go} ${styles.others}`} onClick={() => setOpen(true)}>
          {t('findings.others', { count: findings.length - shown.length })}
        </button>
      )}
    </div>
  );
}

interface FindingRowProps {
  readonly finding: Finding;
  /** Absent where the row below tells it for both. */
  readonly reason: string | undefined;
  readonly writes: boolean;
}

function FindingRow({ finding, reason, writes }: FindingRowProps) {
  const { t } = useTranslation();
  const { severity, stepId, accepted } = finding;
  const workbook = useSettledWorkbook();
  // Worked out for the findings on the screen only, once for each version of the procedure.
  const fix = useMemo(() => fixFor(finding, workbook, computed(workbook).timeline), [finding, workbook]);
  const key = findingKey(finding);
  const inHand = useAuthorView((state) => state.finding === key);
  const accepting = useAuthorView((state) => state.accepting === key);
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (inHand) row.current?.scrollIntoView({ block: 'nearest' });
  }, [inHand]);
  const Icon = severity === 'advise' ? IconInfoCircleFilled : IconAlertTriangleFilled;
  return (
    <div ref={row} className={`${styles.finding} ${inHand ? styles.inHand : ''}`}>
      <Icon size={18} className={styles[severity]} aria-label={t(`findings.${severity}`)} />
      <div>
        <p>{sayFinding(finding, workbook)}</p>
        {reason && <p className={styles.reason}>{reason}</p>}
        {accepting && <AcceptForm finding={finding} />}
        <div className={styles.actions}>
          {fix && writes && !accepted && (
            <button type="button" className={styles.go} onClick={() => useAuthor.getState().applyFix(fix)}>
              {sayFix(fix.words, workbook)}
            </button>
          )}
          {stepId && (
            <button type="button" className={styles.go} onClick={() => goToFinding(key)}>
              {t('findings.goTo')}
            </button>
          )}
          {writes && severity !== 'stop' && !accepted && !accepting && (
            <button
              type="button"
              className={styles.go}
              onClick={() => useAuthorView.setState({ finding: key, accepting: key })}
            >
              {t('findings.accept')}
            </button>
          )}
          {writes && accepted && (
            <button type="button" className={styles.go} onClick={() => useAuthor.getState().accept(finding, undefined)}>
              {t('findings.takeBack')}
            </button>
          )}
        </div>
      </div>
    </div>
  );
}

const SHORTEST = 3;

/** Why a warning may stand; the release keeps it. */
function AcceptForm({ finding }: { finding: Finding }) {
  const { t } = useTranslation();
  const [reason, setReason] = useState('');
  const [short, setShort] = useState(false);
  const close = () => useAuthorView.setState({ accepting: null });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (reason.trim().length < SHORTEST) return setShort(true);
    useAuthor.getState().accept(finding, reason.trim());
    close();
  };
  return (
    <form onSubmit={submit} className={styles.accept}>
      <Textarea
        autoFocus
        autosize
        minRows={2}
        maxLength={600}
        aria-label={t('findings.why')}
        placeholder={t('findings.why')}
        value={reason}
        error={short && t('bench.reasonShort')}
        onChange={(event) => setReason(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') close();
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) submit(event);
        }}
      />
      <Button type="submit" size="compact-sm">
        {t('findings.acceptGo')}
      </Button>
      <Button size="compact-sm" variant="default" onClick={close}>
        {t('app.cancel')}
      </Button>
    </form>
  );
}
