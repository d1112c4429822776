import { Button, Combobox, Group, Select, Text, TextInput, useCombobox } from '@mantine/core';
import { type KeyboardEvent, useDeferredValue, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usualRenewal } from '#core/edits/steps';
import { sayFinding } from '#core/language/en/findings';
import { listing } from '#core/language/en/sentence';
import { VERB_SAYS } from '#core/language/en/verbs';
import { type Completion, completeLine } from '#core/line/complete-line';
import { type LineFault, parseLine } from '#core/line/parse-line';
import { previewLine } from '#core/line/preview-line';
import { COMPONENT_KINDS } from '#core/model/kinds';
import { componentById } from '#core/model/series';
import { useAuthor } from '../../../state/author-store';
import { computed } from '../../../state/timeline';
import { LINE_ID } from '../desk/author-actions';
import styles from '../step/Step.module.css';

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
  const input = useRef<HTMLInputElement>(null);
  const combobox = useCombobox({ opened: true });

  const completions = closed ? [] : completeLine(text, caret, workbook.series);
  const faults = tried && text.trim() ? parseLine(text, workbook.series).faults : [];
  const after = workbook.procedure.steps.findIndex((step) => step.id === selected) + 1;

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
  const add = () => {
    if (!text.trim()) return;
    const known = new Set(workbook.series.components.map(({ id }) => id));
    if (useAuthor.getState().addLine(text)) {
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
    } else if (event.key === 'Enter') {
      const completion = completions[chosen];
      if (completion) take(completion);
      else add();
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
      <div className={styles.lineTop}>
        {faults.length > 0 ? (
          <span className={styles.lineFault} role="alert">
            {faults.map((fault) => faultText(fault)).join(' ')}
          </span>
        ) : (
          <LineOutlook text={text} after={after - 1} />
        )}
        <span>{t('line.signs')}</span>
      </div>
      <Combobox
        store={combobox}
        onOptionSubmit={(value) => completions[Number(value)] && take(completions[Number(value)] as Completion)}
        position="top-start"
        middlewares={{ flip: false }}
      >
        <Combobox.Target withKeyboardNavigation={false}>
          <TextInput
            ref={input}
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

/** What the line would do, while it is typed: the cell it lays a part in, and what would go wrong. */
function LineOutlook({ text, after }: { text: string; after: number }) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  // Typing goes first; the outlook follows as soon as there is time.
  const said = useDeferredValue(text);
  const preview = useMemo(() => {
    if (!said.trim()) return undefined;
    const { timeline, findings } = computed(workbook);
    return previewLine(said, timeline, findings, after < 0 ? workbook.procedure.steps.length - 1 : after);
  }, [said, workbook, after]);
  const [wrong] = preview?.finds ?? [];
  if (preview && wrong) return <span className={styles.lineFault}>{sayFinding(wrong, preview.workbook)}</span>;
  if (preview && preview.lays.length > 0)
    return <span>{t('line.lays', { cells: listing(preview.lays.map(String)), count: preview.lays.length })}</span>;
  if (preview && preview.empties.length > 0)
    return (
      <span>{t('line.empties', { cells: listing(preview.empties.map(String)), count: preview.empties.length })}</span>
    );
  return <span>{after >= 0 ? t('line.after', { number: after + 1 }) : t('line.first')}</span>;
}
