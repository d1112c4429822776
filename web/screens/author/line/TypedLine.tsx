import { Anchor, Button, Combobox, Group, Select, Text, Textarea, useCombobox } from '@mantine/core';
import { type KeyboardEvent, useDeferredValue, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usualRenewal } from '#core/edits/steps';
import { sayFinding } from '#core/language/en/findings';
import { listing } from '#core/language/en/sentence';
import { STAGE_NAMES, VERB_SAYS } from '#core/language/en/verbs';
import { type Completion, completeLine } from '#core/line/complete-line';
import type { LineFault } from '#core/line/parse-line';
import { previewLine } from '#core/line/preview-line';
import { type LineReading, readLine, takeOffer } from '#core/line/read-line';
import { COMPONENT_KINDS } from '#core/model/kinds';
import { componentById } from '#core/model/series';
import { useAuthor } from '../../../state/author-store';
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
  const [caret, setCaret] = useState(0);
  const [tried, setTried] = useState(false);
  const [closed, setClosed] = useState(false);
  const [unknownIds, setUnknownIds] = useState<readonly string[]>([]);
  // One part after the other; one that was undone meanwhile is not asked about.
  const [asked] = unknownIds.filter((id) => componentById(workbook.series, id));
  const input = useRef<HTMLTextAreaElement>(null);
  const combobox = useCombobox({ opened: true });

  const completions = closed ? [] : completeLine(text, caret, workbook.series);
  const at = workbook.procedure.steps.findIndex((step) => step.id === selected);
  const after = at < 0 ? workbook.procedure.steps.length - 1 : at;
  const reading = useMemo(() => (text.trim() ? readLine(text, workbook, after) : undefined), [text, workbook, after]);
  const faults = tried && reading ? reading.parsed.faults : [];
  // A caution or a figure by itself needs a step that it belongs to.
  const isHomeless = tried && reading?.parsed.note !== undefined && at < 0 && workbook.procedure.steps.length === 0;
  const [doubt] = reading?.parsed.faults.length === 0 ? reading.parsed.doubts : [];

  const take = (completion: Completion) => {
    const next = text.slice(0, completion.from) + completion.insert + text.slice(completion.to);
    const at = completion.from + completion.insert.length;
    setText(next);
    setCaret(at);
    combobox.resetSelectedOption();
    requestAnimationFrame(() => {
      input.current?.focus();
      input.current?.setSelectionRange(at, at);
    });
  };
  const offer = (words: string) => {
    if (!doubt) return;
    const next = takeOffer(text, doubt, words);
    setText(next);
    setCaret(next.length);
    setClosed(true);
    requestAnimationFrame(() => {
      input.current?.focus();
      input.current?.setSelectionRange(next.length, next.length);
    });
  };
  const add = (where: 'here' | 'elsewhere' = 'here') => {
    if (!text.trim()) return;
    const known = new Set(workbook.series.components.map(({ id }) => id));
    if (useAuthor.getState().addLine(text, where)) {
      const { components } = useAuthor.getState().workbook.series;
      const fresh = components.flatMap(({ id, kind }) => (!known.has(id) && kind === 'other' ? [id] : []));
      setUnknownIds((ids) => [...ids, ...fresh]);
      setText('');
      setCaret(0);
      setTried(false);
    } else setTried(true);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const chosen = combobox.getSelectedOptionIndex();
    if (event.key === 'ArrowDown' && completions.length > 0) combobox.selectNextOption();
    else if (event.key === 'ArrowUp' && completions.length > 0) combobox.selectPreviousOption();
    else if (event.key === 'Tab' && !event.shiftKey && completions.length > 0) {
      const completion = completions[Math.max(chosen, 0)];
      if (completion) take(completion);
    } else if (event.key === 'Tab' && !event.shiftKey && doubt?.offers[0] !== undefined) offer(doubt.offers[0]);
    else if (event.key === 'Enter') {
      const completion = completions[chosen];
      if (completion) take(completion);
      else add(event.ctrlKey || event.metaKey ? 'elsewhere' : 'here');
    } else if (event.key === 'Escape') setClosed(true);
    else return;
    event.preventDefault();
  };

  return (
    <div className={styles.line}>
      {asked && (
        <KindQuestion
          key={asked}
          componentId={asked}
          onDone={() => setUnknownIds((ids) => ids.filter((id) => id !== asked))}
        />
      )}
      {reading && <Understood reading={reading} after={after} />}
      {reading && doubt && <DoubtQuestion doubt={doubt} asked={tried} onOffer={offer} />}
      <div className={styles.lineTop}>
        {isHomeless ? (
          <span className={styles.lineFault} role="alert">
            {t('line.fault.noStep')}
          </span>
        ) : faults.length > 0 ? (
          <span className={styles.lineFault} role="alert">
            {faults.map((fault) => faultText(fault)).join(' ')}
          </span>
        ) : (
          <LineOutlook reading={reading} after={after} onElsewhere={() => add('elsewhere')} />
        )}
        {!reading && <span>{t('line.signs')}</span>}
      </div>
      <Combobox
        store={combobox}
        onOptionSubmit={(value) => completions[Number(value)] && take(completions[Number(value)] as Completion)}
        position="top-start"
        middlewares={{ flip: false }}
      >
        <Combobox.Target withKeyboardNavigation={false}>
          <Textarea
            ref={input}
            autosize
            minRows={1}
            maxRows={4}
            className={styles.lineInput}
            id={LINE_ID}
            aria-label={t('line.label')}
            placeholder={t('line.placeholder')}
            value={text}
            data-undo={text === '' ? '' : undefined}
            autoComplete="off"
            spellCheck={false}
            onChange={(event) => {
              setText(event.currentTarget.value);
              setCaret(event.currentTarget.selectionStart ?? event.currentTarget.value.length);
              setClosed(false);
              combobox.resetSelectedOption();
            }}
            onSelect={(event) => setCaret(event.currentTarget.selectionStart ?? 0)}
            onKeyDown={onKeyDown}
            onBlur={() => setClosed(true)}
            onFocus={() => setClosed(false)}
          />
        </Combobox.Target>
        <Combobox.Dropdown hidden={completions.length === 0}>
          <Combobox.Options>
            {completions.map((completion, i) => (
              <Combobox.Option key={completion.insert} value={String(i)}>
                {completion.insert.trim()}
              </Combobox.Option>
            ))}
          </Combobox.Options>
        </Combobox.Dropdown>
      </Combobox>
    </div>
  );

  function faultText(fault: LineFault): string {
    switch (fault.kind) {
      case 'no-verb':
        return fault.word ? t('line.fault.noVerb', { word: fault.word }) : t('line.fault.nothing');
      case 'no-part':
        return t('line.fault.noPart', { verb: VERB_SAYS[fault.verb] });
      case 'unknown-position':
        return workbook.series.positionSets.length === 0
          ? t('line.fault.noPositions')
          : t('line.fault.position', {
              text: fault.text,
              known: workbook.series.positionSets
                .flatMap((set) => [`each ${set.name}`, ...set.positions.map((p) => p.name)])
                .join(', '),
            });
      case 'bad-torque':
        return t('line.fault.torque', { text: fault.text, reason: t(`quantity.${fault.reason}`) });
      case 'bad-faces':
        return t('line.fault.faces', { text: fault.text });
      case 'bad-minutes':
        return t('line.fault.minutes', { text: fault.text });
    }
  }
}

/** Asked once about a part whose name tells no kind: the checks and the drawing depend on what it is. */
function KindQuestion({ componentId, onDone }: { componentId: string; onDone: () => void }) {
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
          onDone();
        }}
      />
      <Button flex="none" variant="default" onClick={onDone}>
        {t('line.kindOther')}
      </Button>
    </Group>
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
  const workbook = useAuthor((state) => state.workbook);
  // Typing goes first; the outlook follows as soon as there is time.
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
