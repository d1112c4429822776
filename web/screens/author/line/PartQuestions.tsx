import { Button, Group, Kbd, Select, Text } from '@mantine/core';
import { memo, useEffect, useEffectEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usualRenewal } from '#core/edits/steps';
import { type PartAnswer, type PartQuestion, questionsAbout } from '#core/line/part-questions';
import { COMPONENT_KINDS } from '#core/model/kinds';
import { componentById } from '#core/model/lookup';
import { pluralName } from '#core/model/names';
import type { Component } from '#core/model/series';
import { useAuthor } from '../../../state/author-store';
import { useSettledWorkbook } from '../../../state/settled';
import styles from './PartQuestions.module.css';

/** A part that a line named for the first time. */
export interface FreshPart {
  readonly componentId: string;
  /** Lines were typed since: only what kind of part it is is still asked. */
  readonly isPassed: boolean;
}

/**
 * What the checks depend on, asked once about a new part, one fact after the other, by Alt and a number. Whoever types
 * on is not held up: what was not answered stands in the parts list.
 */
export const PartQuestions = memo(function PartQuestions({ fresh }: { fresh: readonly FreshPart[] }) {
  const workbook = useSettledWorkbook();
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const open = fresh.flatMap(({ componentId, isPassed }) =>
    questionsAbout(componentId, workbook).filter(
      (question) => !done.has(keyOf(question)) && (question.fact === 'kind' || !isPassed),
    ),
  );
  const [question] = open;
  const component = question && componentById(workbook.series, question.componentId);
  const answer = (fields: Partial<Component>) => {
    if (!question) return;
    if (Object.keys(fields).length > 0) useAuthor.getState().changeComponent(question.componentId, fields);
    setDone(new Set([...done, keyOf(question)]));
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const digit = /^(?:Digit|Numpad)(\d)$/.exec(event.code)?.[1];
    if (!event.altKey || digit === undefined || !question) return;
    const chosen = question.answers[Number(digit) - 1];
    if (Number(digit) !== SKIPS && !chosen) return;
    event.preventDefault();
    answer(chosen?.fields ?? {});
  });
  useEffect(() => {
    const listener = (event: KeyboardEvent) => onKey(event);
    document.addEventListener('keydown', listener);
    return () => document.removeEventListener('keydown', listener);
  }, []);
  return question && component ? (
    <Question key={keyOf(question)} question={question} component={component} onAnswer={answer} />
  ) : null;
});

/** The number that leaves a question open. */
const SKIPS = 0;

const keyOf = ({ componentId, fact }: PartQuestion) => `${componentId} ${fact}`;

interface QuestionProps {
  readonly question: PartQuestion;
  readonly component: Component;
  readonly onAnswer: (fields: Partial<Component>) => void;
}

function Question({ question, component, onAnswer }: QuestionProps) {
  const { t } = useTranslation();
  const { fact, answers } = question;
  const asks = t(`line.ask.${fact}`, { name: component.name, names: pluralName(component.name) });
  return (
    <fieldset className={styles.question}>
      <legend className={styles.asks}>{asks}</legend>
      <Group gap={6}>
        {answers.map((answer, i) => (
          <Answer key={JSON.stringify(answer.says)} answer={answer} digit={i + 1} onAnswer={onAnswer} />
        ))}
        {fact === 'kind' && <OtherKind label={asks} component={component} onAnswer={onAnswer} />}
        <Button
          size="compact-sm"
          variant="subtle"
          aria-keyshortcuts={`Alt+${SKIPS}`}
          leftSection={<Kbd size="xs">{SKIPS}</Kbd>}
          onClick={() => onAnswer({})}
        >
          {t('line.skip')}
        </Button>
        <Text size="xs" c="dimmed">
          {t('line.byKey')}
        </Text>
      </Group>
    </fieldset>
  );
}

function Answer({
  answer: { says, fields },
  digit,
  onAnswer,
}: {
  answer: PartAnswer;
  digit: number;
  onAnswer: (fields: Partial<Component>) => void;
}) {
  const { t } = useTranslation();
  const name = useAuthor(({ workbook }) =>
    says.is === 'part' ? componentById(workbook.series, says.componentId)?.name : undefined,
  );
  const words =
    says.is === 'number'
      ? String(says.value)
      : says.is === 'kind'
        ? t(`kind.${says.kind}`)
        : says.is === 'part'
          ? name
          : t(`line.${says.is}`);
  return (
    <Button
      size="compact-sm"
      variant="default"
      aria-keyshortcuts={`Alt+${digit}`}
      leftSection={<Kbd size="xs">{digit}</Kbd>}
      onClick={() => onAnswer(fields)}
    >
      {words}
    </Button>
  );
}

/** Any other kind, by its name. */
function OtherKind({ label, component, onAnswer }: Omit<QuestionProps, 'question'> & { readonly label: string }) {
  const { t } = useTranslation();
  return (
    <Select
      w={150}
      size="xs"
      aria-label={label}
      placeholder={t('line.kindChoose')}
      searchable
      data={COMPONENT_KINDS.filter((kind) => kind !== 'other').map((kind) => ({
        value: kind,
        label: t(`kind.${kind}`),
      }))}
      value={null}
      onChange={(chosen) => {
        const kind = COMPONENT_KINDS.find((known) => known === chosen);
        if (kind) onAnswer({ kind, renewal: usualRenewal(kind, component.name) });
      }}
    />
  );
}
