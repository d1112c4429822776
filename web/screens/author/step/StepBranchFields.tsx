import { Button, Group, MultiSelect, Select, TagsInput } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useTranslation } from 'react-i18next';
import { VERB_SAYS } from '#core/language/en/verbs';
import { POSES, type Pose } from '#core/model/faces';
import { componentById, toolLabel } from '#core/model/lookup';
import type { Decision, Method, Step, Workbook } from '#core/model/procedure';
import { SETTINGS, type Setting } from '#core/model/procedure-words';
import type { Series } from '#core/model/series';
import { VERB_IDS, type Verb } from '#core/model/verbs';
import { DraftText } from '../../../parts/DraftText';
import { Remove } from '../../../parts/Remove';
import { removeAnswer } from '../desk/remove-step';
import styles from './Step.module.css';
import { emptyIsNone } from './StepFieldKinds';
import { CautionFields } from './StepListFields';

interface FieldsProps {
  readonly step: Step;
  readonly change: (fields: Partial<Step>) => void;
}

/** A question with its answers, each of which may lead to steps of its own. */
export function DecisionFields({ step, change, series }: FieldsProps & { series: Series }) {
  const { t } = useTranslation();
  const decision: Decision = step.decision ?? { question: '', answers: [] };
  const set = (next: typeof decision) => {
    const answers = next.answers.length >= 2 ? next.answers : [...next.answers, ...usual(2 - next.answers.length)];
    if (next.question) change({ decision: { ...next, answers } });
  };
  const usual = (missing: number) =>
    [t('step.answer.yes'), t('step.answer.no')].slice(2 - missing).map((text) => ({ id: nanoid(8), text }));
  return (
    <div className={styles.several}>
      <DraftText
        ariaLabel={t('step.question')}
        placeholder={t('step.questionHint')}
        value={decision.question}
        maxLength={600}
        onCommit={(question) => set({ ...decision, question })}
      />
      {decision.answers.map((answer, i) => (
        <div key={answer.id} className={styles.answer}>
          <DraftText
            ariaLabel={t('step.answerNumber', { number: i + 1 })}
            value={answer.text}
            maxLength={120}
            onCommit={(text) => text && set({ ...decision, answers: decision.answers.with(i, { ...answer, text }) })}
          />
          {decision.answers.length > 2 && <Remove onClick={() => removeAnswer(step.id, answer.id)} />}
        </div>
      ))}
      {step.decision && decision.answers.length < 6 && (
        <Button
          size="compact-sm"
          variant="default"
          justify="flex-start"
          onClick={() =>
            set({
              ...decision,
              answers: [
                ...decision.answers,
                { id: nanoid(8), text: t('step.answerNumber', { number: decision.answers.length + 1 }) },
              ],
            })
          }
        >
          {t('step.addAnswer')}
        </Button>
      )}
      {step.decision && series.positionSets.length > 0 && (
        <Select
          aria-label={t('step.askedAt')}
          data={[
            { value: '', label: t('step.askedOnce') },
            ...series.positionSets.map(({ id, name }) => ({ value: id, label: t('step.askedAtEach', { name }) })),
          ]}
          value={decision.eachOf ?? ''}
          allowDeselect={false}
          onChange={(eachOf) => set({ ...decision, eachOf: eachOf || undefined })}
        />
      )}
    </div>
  );
}

/** On which answers the step hangs. */
export function ConditionFields({ step, change, workbook }: FieldsProps & { workbook: Workbook }) {
  const { t } = useTranslation();
  const { steps } = workbook.procedure;
  const asking = steps.slice(0, steps.indexOf(step)).filter((earlier) => earlier.decision);
  const when = step.when ?? [];
  if (asking.length === 0 && when.length === 0) return <span className="quiet">{t('step.whenNone')}</span>;
  return (
    <div className={styles.several}>
      {[...when, undefined].map((condition, i) => {
        const asker = steps.find((candidate) => candidate.id === condition?.stepId);
        const free = asking.filter((other) => other === asker || !when.some(({ stepId }) => stepId === other.id));
        if (!condition && free.length === 0) return null;
        return (
          <div key={condition?.stepId ?? 'new'} className={styles.condition}>
            <Select
              aria-label={t('step.whenStep')}
              placeholder={t('step.whenStep')}
              data={free.map((other) => ({
                value: other.id,
                label: `${steps.indexOf(other) + 1}  ${other.decision?.question ?? ''}`,
              }))}
              value={condition?.stepId ?? null}
              onChange={(stepId) => {
                const [first] = steps.find((other) => other.id === stepId)?.decision?.answers ?? [];
                if (stepId && first)
                  change({ when: when.toSpliced(i, condition ? 1 : 0, { stepId, answerIds: [first.id] }) });
              }}
            />
            <MultiSelect
              aria-label={t('step.whenAnswers')}
              disabled={!condition}
              data={(asker?.decision?.answers ?? []).map(({ id, text }) => ({ value: id, label: text }))}
              value={[...(condition?.answerIds ?? [])]}
              onChange={(answerIds) =>
                condition && answerIds.length > 0 && change({ when: when.with(i, { ...condition, answerIds }) })
              }
            />
            {condition && <Remove onClick={() => change({ when: emptyIsNone(when.toSpliced(i, 1)) })} />}
          </div>
        );
      })}
    </div>
  );
}

/** Other ways to do the same; the step itself is the preferred one. */
export function MethodFields({ step, change, series, named }: FieldsProps & { series: Series; named: NameTools }) {
  const { t } = useTranslation();
  const methods = step.methods ?? [];
  const set = (next: readonly Method[]) => change({ methods: emptyIsNone(next) });
  return (
    <div className={styles.several}>
      {[...methods, undefined].map((method, i) => (
        <div key={method?.id ?? `new-${methods.length}`} className={styles.method}>
          <div className={styles.methodHead}>
            <DraftText
              ariaLabel={t('step.methodName')}
              placeholder={t('step.methodHint')}
              value={method?.name ?? ''}
              maxLength={120}
              onCommit={(name) => {
                if (method && name) set(methods.with(i, { ...method, name }));
                else if (name) set([...methods, { id: nanoid(8), name, verb: step.verb, toolIds: [], cautions: [] }]);
              }}
            />
            {method && (
              <>
                <Select
                  aria-label={t('step.methodVerb')}
                  searchable
                  allowDeselect={false}
                  data={VERB_IDS.map((value) => ({ value, label: VERB_SAYS[value] }))}
                  value={method.verb}
                  onChange={(verb) => verb && set(methods.with(i, { ...method, verb: verb as Verb }))}
                />
                <Remove onClick={() => set(methods.toSpliced(i, 1))} />
              </>
            )}
          </div>
          {method && (
            <>
              <Select
                aria-label={t('step.methodSetting')}
                allowDeselect={false}
                data={[
                  { value: '', label: t('setting.either') },
                  ...SETTINGS.map((value) => ({ value, label: t(`setting.${value}`) })),
                ]}
                value={method.setting ?? ''}
                onChange={(setting) => {
                  const { setting: _old, ...rest } = method;
                  set(methods.with(i, setting ? { ...rest, setting: setting as Setting } : rest));
                }}
              />
              <ToolTags
                label={t('step.methodTools')}
                series={series}
                ids={method.toolIds}
                onNames={(labels) => named(labels, (toolIds) => ({ methods: methods.with(i, { ...method, toolIds }) }))}
              />
              <DraftText
                ariaLabel={t('step.methodDetail')}
                placeholder={t('step.detailHint')}
                value={method.detail ?? ''}
                maxLength={1200}
                onCommit={(detail) => {
                  const { detail: _old, ...rest } = method;
                  set(methods.with(i, detail ? { ...rest, detail } : rest));
                }}
              />
              <CautionFields
                cautions={method.cautions}
                onChange={(cautions) => set(methods.with(i, { ...method, cautions }))}
              />
            </>
          )}
        </div>
      ))}
    </div>
  );
}

/** Names tools, making those that are new, and changes the step with their ids as one edit. */
export type NameTools = (labels: readonly string[], fields: (toolIds: string[]) => Partial<Step>) => void;

/** Guide pins, wedges, blocks: what stays in from here on, and what comes out. */
export function AidFields({ step, series, named }: { step: Step; series: Series; named: NameTools }) {
  const { t } = useTranslation();
  return (
    <div className={styles.several}>
      {(['aidsIn', 'aidsOut'] as const).map((field) => (
        <ToolTags
          key={field}
          label={t(`step.${field}`)}
          series={series}
          ids={step[field] ?? []}
          onNames={(labels) => named(labels, (ids) => ({ [field]: emptyIsNone(ids) }))}
        />
      ))}
    </div>
  );
}

interface ToolTagsProps {
  readonly label: string;
  readonly series: Series;
  readonly ids: readonly string[];
  readonly onNames: (labels: readonly string[]) => void;
}

/** Tools by name; one that is not known yet is made by naming it. */
export function ToolTags({ label, series, ids, onNames }: ToolTagsProps) {
  return (
    <TagsInput
      aria-label={label}
      placeholder={ids.length === 0 ? label : ''}
      data={series.tools.map(toolLabel)}
      splitChars={[';']}
      value={ids.flatMap((id) => series.tools.find((tool) => tool.id === id) ?? []).map(toolLabel)}
      onChange={onNames}
      acceptValueOnBlur
    />
  );
}

/** How a housing lies once the step is done. */
export function PoseFields({ step, change, series }: FieldsProps & { series: Series }) {
  const { t } = useTranslation();
  const housing = step.pose?.componentId ?? step.targets[0]?.componentId;
  return (
    <Group grow gap={6}>
      <Select
        aria-label={t('step.poseOf')}
        placeholder={t('step.poseOf')}
        searchable
        data={series.components.map(({ id, name }) => ({ value: id, label: name }))}
        value={housing && componentById(series, housing) ? housing : null}
        onChange={(componentId) => componentId && change({ pose: { componentId, lies: step.pose?.lies ?? 'face-up' } })}
      />
      <Select
        aria-label={t('step.poseLies')}
        placeholder={t('step.poseLies')}
        data={POSES.map((value) => ({ value, label: t(`pose.${value}`) }))}
        value={step.pose?.lies ?? null}
        onChange={(lies) => housing && lies && change({ pose: { componentId: housing, lies: lies as Pose } })}
      />
    </Group>
  );
}
