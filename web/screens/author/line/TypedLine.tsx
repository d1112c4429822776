import { Anchor } from '@mantine/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { sayFinding } from '#core/language/en/findings';
import { listing } from '#core/language/en/sentence';
import { STAGE_NAMES } from '#core/language/en/verbs';
import { previewLine } from '#core/line/preview-line';
import { type LineReading, readLine, takeOffer } from '#core/line/read-line';
import { LineInput } from '../../../parts/LineInput';
import { sayFault } from '../../../parts/line-faults';
import { useAuthor } from '../../../state/author-store';
import { useSettledWorkbook } from '../../../state/settled';
import { computed } from '../../../state/timeline';
import { LINE_ID } from '../desk/author-actions';
import styles from '../step/Step.module.css';
import { type FreshPart, PartQuestions } from './PartQuestions';
import { DoubtQuestion, Understood } from './Understood';

/** The line that takes the next step as one would say it. Enter adds it, and the line is ready for the next. */
export function TypedLine() {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const selected = useAuthor((state) => state.selected);
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const [fresh, setFresh] = useState<readonly FreshPart[]>([]);
  const at = workbook.procedure.steps.findIndex((step) => step.id === selected);
  const after = at < 0 ? workbook.procedure.steps.length - 1 : at;
  const reading = useMemo(() => (text.trim() ? readLine(text, workbook, after) : undefined), [text, workbook, after]);
  const faults = tried && reading ? reading.parsed.faults : [];
  // A caution or a figure by itself needs a step that it belongs to.
  const isHomeless = tried && reading?.parsed.note !== undefined && at < 0 && workbook.procedure.steps.length === 0;
  const [doubt] = reading?.parsed.faults.length === 0 ? reading.parsed.doubts : [];

  const offer = (words: string) => {
    if (!doubt) return;
    setText(takeOffer(text, doubt, words));
    document.getElementById(LINE_ID)?.focus();
  };
  const add = (where: 'here' | 'elsewhere' = 'here') => {
    if (!text.trim()) return;
    const known = new Set(workbook.series.components.map(({ id }) => id));
    if (useAuthor.getState().addLine(text, where)) {
      const { components } = useAuthor.getState().workbook.series;
      setFresh([
        ...fresh
          .filter(({ componentId }) => components.some(({ id, kind }) => id === componentId && kind === 'other'))
          .map((part) => ({ ...part, isPassed: true })),
        ...components.filter(({ id }) => !known.has(id)).map(({ id }) => ({ componentId: id, isPassed: false })),
      ]);
      setText('');
      setTried(false);
    } else setTried(true);
  };
  return (
    <div className={styles.line}>
      <PartQuestions fresh={fresh} />
      {reading && <Understood reading={reading} after={after} />}
      {reading && doubt && <DoubtQuestion doubt={doubt} asked={tried} onOffer={offer} />}
      <div className={styles.lineTop}>
        {isHomeless ? (
          <span className={styles.lineFault} role="alert">
            {t('line.fault.noStep')}
          </span>
        ) : faults.length > 0 ? (
          <span className={styles.lineFault} role="alert">
            {faults.map((fault) => sayFault(fault, workbook.series)).join(' ')}
          </span>
        ) : (
          <LineOutlook reading={reading} after={after} onElsewhere={() => add('elsewhere')} />
        )}
        {!reading && <span>{t('line.signs')}</span>}
      </div>
      <LineInput
        id={LINE_ID}
        label={t('line.label')}
        placeholder={t('line.placeholder')}
        className={styles.lineInput}
        text={text}
        onText={setText}
        series={workbook.series}
        offer={doubt?.offers[0]}
        onOffer={offer}
        onEnter={(withMod) => add(withMod ? 'elsewhere' : 'here')}
      />
    </div>
  );
}

/** What the line would do, while it is typed: where it stands, the cell it lays a part in, and what would go wrong. */
function LineOutlook({
  reading,
  after,
  onElsewhere,
}: {
  reading: LineReading | undefined;
  after: number;
  onElsewhere: () => void;
}) {
  const { t } = useTranslation();
  // Typing goes first; the outlook follows as soon as there is time.
  const workbook = useSettledWorkbook();
  const applied = useDeferredValue(reading?.applied);
  const preview = useMemo(() => {
    if (!applied) return undefined;
    const { timeline, findings } = computed(workbook);
    return previewLine(applied, timeline, findings);
  }, [applied, workbook]);
  const [wrong] = preview?.finds ?? [];
  // Said of the step in hand, it makes no new one.
  if (applied && applied.stepIds.length === 0) return null;
  if (applied?.elsewhere)
    return (
      <span>
        {t('line.elsewhere', { stage: STAGE_NAMES[applied.elsewhere.stage] })}{' '}
        <Anchor component="button" type="button" size="sm" onClick={onElsewhere}>
          {t('line.putElsewhere')}
        </Anchor>
      </span>
    );
  if (applied && wrong) return <span className={styles.lineFault}>{sayFinding(wrong, applied.workbook)}</span>;
  if (preview && preview.lays.length > 0)
    return <span>{t('line.lays', { cells: listing(preview.lays.map(String)), count: preview.lays.length })}</span>;
  if (preview && preview.empties.length > 0)
    return (
      <span>{t('line.empties', { cells: listing(preview.empties.map(String)), count: preview.empties.length })}</span>
    );
  return <span>{after >= 0 ? t('line.after', { number: after + 1 }) : t('line.first')}</span>;
}
