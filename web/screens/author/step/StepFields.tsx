import { Button, Group, MultiSelect, Select, TagsInput } from '@mantine/core';
import { memo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Edit } from '#core/edits/edit';
import { draftedFields } from '#core/edits/steps';
import { VERB_SAYS } from '#core/language/en/verbs';
import { nameTargets, nameTools } from '#core/line/name-in-step';
import { usualFields } from '#core/line/usual-fields';
import { componentById } from '#core/model/lookup';
import type { DraftedField, Step, Workbook } from '#core/model/procedure';
import { STAGES, type Stage, VERB_IDS, type Verb, verbOf } from '#core/model/verbs';
import { DraftText } from '../../../parts/DraftText';
import { useAuthor } from '../../../state/author-store';
import { useAuthorView } from '../desk/author-view';
import { removeQuestion } from '../desk/remove-step';
import { PartChip } from './PartChip';
import styles from './Step.module.css';
import { type NameTools, ToolTags } from './StepBranchFields';
import { Field, newId } from './StepFieldKinds';
import { type ExtraName, extraOf, isRepeated, isSaid, STEP_EXTRAS } from './step-extras';

const EXTRA_NAMES = Object.keys(STEP_EXTRAS) as ExtraName[];

/** Every field of a step. What is rarely said stays folded away until it is asked for. */
export const StepFields = memo(function StepFields({ step, workbook }: { step: Step; workbook: Workbook }) {
  const { t } = useTranslation();
  const { series } = workbook;
  const [opened, setOpened] = useState<readonly ExtraName[]>([]);
  const verb = verbOf(step.verb);
  const change = (fields: Partial<Step>) => useAuthor.getState().changeStep(step.id, fields);
  const edit = (work: (workbook: Workbook) => Edit[]) =>
    void useAuthor.getState().apply(work(useAuthor.getState().workbook));
  const named: NameTools = (labels, fields) => edit((workbook) => nameTools(workbook, step.id, labels, fields, newId));

  const usual = usualFields(step, series);
  const isNeeded = (name: ExtraName) => usual.needed.some((field) => field === name);
  const shown = (name: ExtraName) => isSaid(name, step) || opened.includes(name) || isNeeded(name);
  const offered = EXTRA_NAMES.filter((name) => !shown(name) && (extraOf(name).fits?.(step, series) ?? true));
  // What such a step usually says is offered first; the rest is one press away.
  const likely = usual.likely.flatMap((field) => offered.find((name) => name === field) ?? []);
  const rest = offered.filter((name) => !likely.includes(name));
  const all = useAuthorView((state) => state.allFields);
  const proposed = (field: DraftedField) => draftedFields(step).includes(field);
  const takeOff = (name: ExtraName) => {
    setOpened(opened.filter((other) => other !== name));
    if (name === 'question' && step.decision) return removeQuestion(step.id);
    change(Object.fromEntries(extraOf(name).holds.map((field) => [field, undefined])));
  };

  return (
    <>
      <Field label={t('step.does')} field="verb" drafted={proposed('verb')}>
        <Group grow gap={6}>
          <Select
            aria-label={t('step.verb')}
            searchable
            allowDeselect={false}
            data={VERB_IDS.map((value) => ({ value, label: VERB_SAYS[value] }))}
            value={step.verb}
            onChange={(value) => value && change({ verb: value as Verb })}
          />
          <Select
            aria-label={t('step.stage')}
            allowDeselect={false}
            data={STAGES.map((value) => ({ value, label: t(`stage.${value}`) }))}
            value={step.stage}
            onChange={(value) => value && change({ stage: value as Stage })}
          />
        </Group>
      </Field>
      {verb.object === 'parts' ? (
        <Field label={t('step.parts')} field="parts" drafted={proposed('targets')}>
          <TagsInput
            aria-label={t('step.parts')}
            placeholder={step.targets.length === 0 ? t('step.partsHint') : ''}
            data={series.components.map((component) => component.name)}
            value={step.targets.flatMap((target) => componentById(series, target.componentId)?.name ?? [])}
            onChange={(names) => edit((workbook) => nameTargets(workbook, step.id, names, newId))}
            acceptValueOnBlur
          />
          <div className={styles.parts}>
            {step.targets.map((target) => (
              <PartChip key={target.componentId} componentId={target.componentId} />
            ))}
          </div>
        </Field>
      ) : (
        <Field label={t('step.about')} field="about" drafted={proposed('about')}>
          <DraftText
            ariaLabel={t('step.about')}
            placeholder={t('step.aboutHint')}
            value={step.about ?? ''}
            maxLength={160}
            onCommit={(about) => change({ about })}
          />
        </Field>
      )}
      {verb.effect === 'refits' && (
        <Field label={t('step.into')} field="into">
          <DraftText
            ariaLabel={t('step.into')}
            placeholder={t('step.intoHint')}
            value={step.into ?? ''}
            maxLength={120}
            onCommit={(into) => change({ into })}
          />
        </Field>
      )}
      {isRepeated(step, series) && (
        <Field label={t('step.at')} field="positions" drafted={proposed('positionIds')}>
          <MultiSelect
            aria-label={t('step.at')}
            placeholder={step.positionIds.length === 0 ? t('step.atEverywhere') : ''}
            data={series.positionSets.map((set) => ({
              group: set.name,
              items: set.positions.map((position) => ({ value: position.id, label: position.name })),
            }))}
            value={[...step.positionIds]}
            onChange={(positionIds) => change({ positionIds })}
          />
        </Field>
      )}
      <Field label={t('step.tools')} field="tools">
        <ToolTags
          label={t('step.tools')}
          series={series}
          ids={step.toolIds}
          onNames={(labels) => named(labels, (toolIds) => ({ toolIds }))}
        />
      </Field>
      {EXTRA_NAMES.filter(shown).map((name) => {
        const { label, slot = name, list, holds, Fields } = extraOf(name);
        return (
          <Field
            key={name}
            label={t(label)}
            field={slot}
            wide={list ?? false}
            drafted={draftedFields(step).some((field) => holds.includes(field))}
            {...(!list && !(isNeeded(name) && !isSaid(name, step)) && { onRemove: () => takeOff(name) })}
          >
            <Fields step={step} workbook={workbook} series={series} change={change} edit={edit} named={named} />
          </Field>
        );
      })}
      {offered.length > 0 && (
        <div className={styles.more}>
          <span className="quiet">{t('step.alsoSay')}</span>
          {[...likely, ...(all ? rest : [])].map((name) => (
            <Button key={name} size="compact-sm" variant="default" onClick={() => setOpened([...opened, name])}>
              {t(`step.add.${name}`)}
            </Button>
          ))}
          {rest.length > 0 && (
            <Button
              size="compact-sm"
              variant="subtle"
              aria-expanded={all}
              onClick={() => useAuthorView.setState({ allFields: !all })}
            >
              {t(all ? 'step.fewerFields' : 'step.moreFields')}
            </Button>
          )}
        </div>
      )}
    </>
  );
});
