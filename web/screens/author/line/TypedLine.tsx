import { Anchor, Button, Group, Select, Text } from '@mantine/core';
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usualRenewal } from '#core/edits/steps';
import { sayFinding } from '#core/language/en/findings';
import { listing } from '#core/language/en/sentence';
import { STAGE_NAMES } from '#core/language/en/verbs';
import { previewLine } from '#core/line/preview-line';
import { type LineReading, readLine, takeOffer } from '#core/line/read-line';
import { COMPONENT_KINDS } from '#core/model/kinds';
import { componentById } from '#core/model/series';
import { LineInput } from '../../../parts/LineInput';
import { sayFault } from '../../../parts/line-faults';
import { useAuthor } from '../../../state/author-store';
import { useSettledWorkbook } from '../../../state/settled';
import { computed } from '../../../state/timeline';
import { LINE_ID } from '../desk/author-actions';
import styles from '../step/Step.module.css';
import { DoubtQuestion, Understood } from './Understood';

/** The line that takes the next step as one would say it. Enter adds it, and the line is ready for the next. */
export function TypedLine() {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const selected = useAuthor((state) => state.selected);
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const [unknownIds, setUnknownIds] = useState<readonly string[]>([]);
  // One part after the other; one that was undone meanwhile is not asked about.
  const asked = useDeferredValue(unknownIds.find((id) => componentById(workbook.series, id)));
  const at = workbook.procedure.steps.findIndex((step) => step.id === selected);
  const after = at < 0 ? workbook.procedure.steps.length - 1 : at;
  const reading = useMemo(() => (text.trim() ? readLine(text, workbook, after) : undefined), [text, workbook, after]);
  const faults = tried && reading ? reading.parsed.faults : [];
  // A caution or a figure by itself needs a step that it belongs to.
  const isHomeless = tried && reading?.parsed.note !== undefined && at < 0 && workbook.procedure.steps.length === 0;
  const [doubt] = reading?.parsed.faults.length === 0 ? reading.parsed.doubts : [];

  const answered = useCallback((answeredId: string) => {
    setUnknownIds((ids) => ids.filter((id) => id !== answeredId));
  }, []);

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
      const fresh = components.flatMap(({ id, kind }) => (!known.has(id) && kind === 'other' ? [id] : []));
      setUnknownIds((ids) => [...ids, ...fresh]);
      setText('');
      setTried(false);
    } else setTried(true);
  };
  return (
    <div className={styles.line}>
      {asked && <KindQuestion key={asked} componentId={asked} onDone={answered} />}
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

interface KindQuestionProps {
  readonly componentId: string;
  readonly onDone: (componentId: string) => void;
}

/** Asked once about a part whose name tells no kind: the checks and the drawing depend on what it is. */
const KindQuestion = memo(function KindQuestion({ componentId, onDone }: KindQuestionProps) {
  const { t } = useTranslation();
  const component = useAuthor((state) => componentById(state.workbook.series, componentId));
  if (!component) return null;
  const label = t('line.kind', { name: component.name });
  return (
    <Group gap="xs" mb={6} wrap="nowrap">
      <Text size="sm" flex={1}>
        {label}
      </Text>
      <Select
        w={148}
        flex="none"
        aria-label={label}
        placeholder={t('line.kindChoose')}
        searchable
        data={COMPONENT_KINDS.filter((kind) => kind !== 'other').map((kind) => ({
          value: kind,
          label: t(`kind.${kind}`),
        }))}
        value={null}
        onChange={(kind) => {
          const chosen = COMPONENT_KINDS.find((known) => known === kind);
          const fields = chosen && { kind: chosen, renewal: usualRenewal(chosen, component.name) };
          if (fields) useAuthor.getState().changeComponent(componentId, fields);
          onDone(componentId);
        }}
      />
      <Button flex="none" variant="default" onClick={() => onDone(componentId)}>
        {t('line.kindOther')}
      </Button>
    </Group>
  );
});

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
