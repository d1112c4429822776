import { Button, Group, MultiSelect, NumberInput, Select, TagsInput } from '@mantine/core';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { suggestedCautions } from '#core/cautions/library';
import { sayStep } from '#core/narration/sentence';
import { draftedFields, reviseStep } from '#core/procedure/edit';
import { nameComponent, nameConsumable, nameTool } from '#core/procedure/line/apply-line';
import type { DraftedField, Step, Workbook } from '#core/procedure/procedure';
import { STAGES, type Stage, VERB_IDS, type Verb, verbOf } from '#core/procedure/verbs';
import { componentById } from '#core/pump/series';
import { DraftText } from '../../parts/DraftText';
import { FacesFields } from '../../parts/FacesFields';
import { useAuthor } from '../../state/author-store';
import { PartChip } from './PartChip';
import styles from './Step.module.css';
import {
  AidFields,
  ConditionFields,
  DecisionFields,
  MethodFields,
  type NameTools,
  PoseFields,
  ToolTags,
} from './StepBranchFields';
import { Field, TorqueFields, TorqueThreadFields } from './StepFieldKinds';
import { AppliedFields, CautionFields } from './StepListFields';
import { LookFields, MeasurementFields, RepeatFields } from './StepLookFields';
import { ClipFields, PictureFields } from './StepPictureFields';

const EXTRAS = [
  'faces',
  'applied',
  'torque',
  'caution',
  'detail',
  'why',
  'photo',
  'looks',
  'measurements',
  'pictures',
  'clips',
  'repeat',
  'text',
  'minutes',
  'question',
  'when',
  'methods',
  'aids',
  'pose',
  'from',
] as const;
type Extra = (typeof EXTRAS)[number];
const newId = () => nanoid(10);

/** Every field of a step. What is rarely said stays folded away until it is asked for. */
export function StepFields({ step }: { step: Step }) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const { series } = workbook;
  const [opened, setOpened] = useState<readonly Extra[]>([]);
  const verb = verbOf(step.verb);
  const change = (fields: Partial<Step>) => useAuthor.getState().changeStep(step.id, fields);
  const edit = (work: (workbook: Workbook) => Workbook) => useAuthor.getState().edit(work);

  const repeats =
    step.positionIds.length > 0 ||
    step.targets.some((target) => componentById(series, target.componentId)?.positionSetId !== undefined);
  const moves = verb.effect === 'refits' && repeats;
  const said: Record<Extra, boolean> = {
    faces: step.faces !== undefined,
    applied: step.applications.length > 0,
    torque: step.torque !== undefined || step.verb === 'torque',
    caution: step.cautions.length > 0,
    detail: step.detail !== undefined,
    why: step.why !== undefined,
    photo: step.photo !== undefined,
    looks: step.looks !== undefined,
    measurements: step.measurements !== undefined,
    pictures: step.pictures !== undefined,
    clips: step.clips !== undefined,
    repeat: step.oneByOne !== undefined || step.mirrored !== undefined,
    text: step.text !== undefined,
    minutes: step.minutes !== undefined,
    question: step.decision !== undefined,
    when: step.when !== undefined,
    methods: step.methods !== undefined,
    aids: step.aidsIn !== undefined || step.aidsOut !== undefined,
    pose: step.pose !== undefined,
    from: step.fromPositionId !== undefined,
  };
  // Only what is fitted at a position can have come from another.
  const offered = EXTRAS.filter(
    (extra) =>
      !said[extra] && !opened.includes(extra) && (extra !== 'from' || moves) && (extra !== 'repeat' || repeats),
  );
  const proposed = (field: DraftedField) => draftedFields(step).includes(field);
  const shown = (extra: Extra) => said[extra] || opened.includes(extra);
  const close = (extra: Extra, fields: Partial<Step>) => {
    setOpened(opened.filter((other) => other !== extra));
    change(fields);
  };

  const nameParts = (names: readonly string[]) =>
    edit((workbook) => {
      let { series: grown } = workbook;
      const targets = names.map((name) => {
        const known = step.targets.find((target) => componentById(workbook.series, target.componentId)?.name === name);
        if (known) return known;
        const named = nameComponent(grown, { name }, undefined, newId);
        grown = named.series;
        return named.target;
      });
      const unique = targets.filter(
        (target, i) => targets.findIndex((other) => other.componentId === target.componentId) === i,
      );
      return { ...workbook, series: grown, procedure: reviseStep(workbook.procedure, step.id, { targets: unique }) };
    });
  const nameTools: NameTools = (labels, fields) =>
    edit((workbook) => {
      let { series: grown } = workbook;
      const toolIds = labels.map((label) => {
        const named = nameTool(grown, label, newId);
        grown = named.series;
        return named.toolId;
      });
      const procedure = reviseStep(workbook.procedure, step.id, fields([...new Set(toolIds)]));
      return { ...workbook, series: grown, procedure };
    });
  const applyConsumable = (index: number, name: string) =>
    edit((workbook) => {
      const named = nameConsumable(workbook.series, name, newId);
      const applied = { ...step.applications[index], consumableId: named.consumableId };
      const applications = step.applications.toSpliced(index, 1, applied);
      return {
        ...workbook,
        series: named.series,
        procedure: reviseStep(workbook.procedure, step.id, { applications }),
      };
    });

  return (
    <>
      <Field label={t('step.does')} field="verb" drafted={proposed('verb')}>
        <Group grow gap={6}>
          <Select
            aria-label={t('step.verb')}
            searchable
            allowDeselect={false}
            data={VERB_IDS.map((value) => ({ value, label: verbOf(value).say }))}
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
            onChange={nameParts}
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
      {repeats && (
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
          onNames={(labels) => nameTools(labels, (toolIds) => ({ toolIds }))}
        />
      </Field>
      {shown('faces') && (
        <Field
          label={t('step.faces')}
          field="face"
          drafted={proposed('faces')}
          onRemove={() => close('faces', { faces: undefined })}
        >
          <FacesFields faces={step.faces} onFaces={(faces) => change({ faces })} />
        </Field>
      )}
      {shown('applied') && (
        <Field label={t('step.apply')} field="applied" wide drafted={proposed('applications')}>
          <AppliedFields step={step} series={series} change={change} onName={applyConsumable} />
        </Field>
      )}
      {shown('torque') && (
        <Field
          label={t('step.torque')}
          field="torque"
          drafted={proposed('torque')}
          onRemove={() => close('torque', { torque: undefined })}
        >
          <TorqueFields step={step} change={change} />
          <TorqueThreadFields step={step} series={series} change={change} />
        </Field>
      )}
      {shown('caution') && (
        <Field label={t('step.caution')} field="caution" wide drafted={proposed('cautions')}>
          <CautionFields
            cautions={step.cautions}
            suggested={suggestedCautions(step, series)}
            onChange={(cautions) => change({ cautions })}
          />
        </Field>
      )}
      {shown('detail') && (
        <Field
          label={t('step.detail')}
          field="detail"
          drafted={proposed('detail')}
          onRemove={() => close('detail', { detail: undefined })}
        >
          <DraftText
            lines
            ariaLabel={t('step.detail')}
            placeholder={t('step.detailHint')}
            value={step.detail ?? ''}
            maxLength={1200}
            onCommit={(detail) => change({ detail })}
          />
        </Field>
      )}
      {shown('why') && (
        <Field label={t('step.why')} field="why" onRemove={() => close('why', { why: undefined })}>
          <DraftText
            lines
            ariaLabel={t('step.why')}
            placeholder={t('step.whyHint')}
            value={step.why ?? ''}
            maxLength={600}
            onCommit={(why) => change({ why })}
          />
        </Field>
      )}
      {shown('photo') && (
        <Field
          label={t('step.photo')}
          field="photo"
          drafted={proposed('photo')}
          onRemove={() => close('photo', { photo: undefined })}
        >
          <DraftText
            ariaLabel={t('step.photo')}
            placeholder={t('step.photoHint')}
            value={step.photo?.mustShow ?? ''}
            maxLength={600}
            onCommit={(mustShow) => change({ photo: mustShow ? { mustShow } : undefined })}
          />
        </Field>
      )}
      {shown('looks') && (
        <Field label={t('step.add.looks')} field="looks" wide>
          <LookFields step={step} series={series} change={change} />
        </Field>
      )}
      {shown('measurements') && (
        <Field label={t('step.add.measurements')} field="measurements" wide>
          <MeasurementFields step={step} series={series} change={change} />
        </Field>
      )}
      {shown('pictures') && (
        <Field label={t('step.add.pictures')} field="pictures" wide>
          <PictureFields step={step} change={change} />
        </Field>
      )}
      {shown('clips') && (
        <Field label={t('step.add.clips')} field="clips" wide>
          <ClipFields step={step} change={change} />
        </Field>
      )}
      {shown('repeat') && (
        <Field
          label={t('step.add.repeat')}
          field="repeat"
          onRemove={() => close('repeat', { oneByOne: undefined, mirrored: undefined })}
        >
          <RepeatFields step={step} series={series} change={change} />
        </Field>
      )}
      {shown('text') && (
        <Field label={t('step.add.text')} field="text" onRemove={() => close('text', { text: undefined })}>
          <DraftText
            lines
            ariaLabel={t('step.text')}
            placeholder={sayStep(step, series)}
            value={step.text ?? ''}
            maxLength={600}
            onCommit={(text) => change({ text: text || undefined })}
          />
        </Field>
      )}
      {shown('minutes') && (
        <Field label={t('step.minutes')} field="minutes" onRemove={() => close('minutes', { minutes: undefined })}>
          <NumberInput
            aria-label={t('step.minutes')}
            min={0}
            max={10_000}
            w={120}
            value={step.minutes ?? ''}
            onChange={(value) => change({ minutes: value === '' ? undefined : Number(value) })}
          />
        </Field>
      )}
      {shown('question') && (
        <Field label={t('step.decision')} field="question" onRemove={() => close('question', { decision: undefined })}>
          <DecisionFields step={step} change={change} />
        </Field>
      )}
      {shown('when') && (
        <Field
          label={t('step.when')}
          field="when"
          drafted={proposed('when')}
          onRemove={() => close('when', { when: undefined })}
        >
          <ConditionFields step={step} change={change} workbook={workbook} />
        </Field>
      )}
      {shown('methods') && (
        <Field label={t('step.methods')} field="methods" wide>
          <MethodFields step={step} change={change} series={series} named={nameTools} />
        </Field>
      )}
      {shown('aids') && (
        <Field
          label={t('step.aids')}
          field="aids"
          onRemove={() => close('aids', { aidsIn: undefined, aidsOut: undefined })}
        >
          <AidFields step={step} series={series} named={nameTools} />
        </Field>
      )}
      {shown('pose') && (
        <Field label={t('step.pose')} field="pose" onRemove={() => close('pose', { pose: undefined })}>
          <PoseFields step={step} change={change} series={series} />
        </Field>
      )}
      {shown('from') && (
        <Field label={t('step.from')} field="from" onRemove={() => close('from', { fromPositionId: undefined })}>
          <Select
            aria-label={t('step.from')}
            placeholder={t('step.fromHint')}
            data={series.positionSets.flatMap((set) =>
              set.positions.map(({ id, name }) => ({ value: id, label: name })),
            )}
            value={step.fromPositionId ?? null}
            onChange={(fromPositionId) => change({ fromPositionId: fromPositionId ?? undefined })}
          />
        </Field>
      )}
      {offered.length > 0 && (
        <div className={styles.more}>
          <span className="quiet">{t('step.alsoSay')}</span>
          {offered.map((extra) => (
            <Button key={extra} size="compact-sm" variant="default" onClick={() => setOpened([...opened, extra])}>
              {t(`step.add.${extra}`)}
            </Button>
          ))}
        </div>
      )}
    </>
  );
}
