import { NumberInput, Select, Stack, Switch } from '@mantine/core';
import type { ParseKeys } from 'i18next';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { suggestedCautions } from '#core/cautions/usual';
import type { Edit } from '#core/edits/edit';
import { sayCaution, USUAL_CAUTIONS } from '#core/language/en/cautions';
import { photoShows } from '#core/language/en/photo';
import { sayStep } from '#core/language/en/sentence';
import { nameApplied } from '#core/line/name-in-step';
import { componentById } from '#core/model/lookup';
import type { Step, Workbook } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { verbOf } from '#core/model/verbs';
import { DraftText } from '../../../parts/DraftText';
import { FacesFields } from '../../../parts/FacesFields';
import { JointOfStep } from './JointOfStep';
import { PROVED_BY, ProofFields } from './ProofFields';
import { RunFields } from './RunFields';
import {
  AidFields,
  ConditionFields,
  DecisionFields,
  MethodFields,
  type NameTools,
  PoseFields,
} from './StepBranchFields';
import { newId, TorqueFields, TorqueThreadFields } from './StepFieldKinds';
import { AppliedFields, CautionFields } from './StepListFields';
import { LookFields, MeasurementFields } from './StepLookFields';
import { ClipFields, PictureFields } from './StepPictureFields';
import { RepeatFields } from './StepRepeatFields';

export interface StepExtraProps {
  readonly step: Step;
  readonly workbook: Workbook;
  readonly series: Series;
  readonly change: (fields: Partial<Step>) => void;
  readonly edit: (work: (workbook: Workbook) => Edit[]) => void;
  readonly named: NameTools;
}

/** Something a step may say beyond what it does, to what and with what. */
interface StepExtra {
  readonly label: ParseKeys;
  /** The fields of the step it fills. */
  readonly holds: readonly (keyof Step)[];
  /** The slot of the sentence that leads here, where it is called otherwise than the extra itself. */
  readonly slot?: string;
  /** Its lines bring their own buttons to remove them. */
  readonly list?: true;
  /** Whether it makes sense on this step; always, when not given. */
  readonly fits?: (step: Step, series: Series) => boolean;
  readonly Fields: (props: StepExtraProps) => ReactNode;
}

/** Whether a step is done at several positions, or could be. */
export function isRepeated(step: Step, series: Series): boolean {
  return (
    step.positionIds.length > 0 ||
    step.targets.some((target) => componentById(series, target.componentId)?.positionSetId !== undefined)
  );
}

/** In the order they stand on the page. */
export const STEP_EXTRAS = {
  faces: {
    label: 'step.faces',
    holds: ['faces'],
    slot: 'face',
    Fields: ({ step, series, change }) => (
      <FacesFields faces={step.faces} series={series} onFaces={(faces) => change({ faces })} />
    ),
  },
  applied: {
    label: 'step.apply',
    holds: ['applications'],
    list: true,
    Fields: ({ step, series, change, edit }) => (
      <AppliedFields
        step={step}
        series={series}
        change={change}
        onName={(index, name) => edit((workbook) => nameApplied(workbook, step.id, index, name, newId))}
      />
    ),
  },
  torque: {
    label: 'step.torque',
    holds: ['torque'],
    Fields: ({ step, series, change }) => (
      <>
        <TorqueFields step={step} change={change} />
        <TorqueThreadFields step={step} series={series} change={change} />
        <JointOfStep step={step} series={series} />
      </>
    ),
  },
  caution: {
    label: 'step.caution',
    holds: ['cautions'],
    list: true,
    Fields: ({ step, series, change }) => (
      <CautionFields
        cautions={step.cautions}
        suggested={suggestedCautions(step, series, (id) =>
          step.cautions.some((caution) => sayCaution(caution) === USUAL_CAUTIONS[id].text),
        )}
        onChange={(cautions) => change({ cautions })}
      />
    ),
  },
  detail: {
    label: 'step.detail',
    holds: ['detail'],
    Fields: (props) => <Words {...props} field="detail" hint="step.detailHint" maxLength={1200} />,
  },
  why: {
    label: 'step.why',
    holds: ['why'],
    Fields: (props) => <Words {...props} field="why" hint="step.whyHint" maxLength={600} />,
  },
  photo: { label: 'step.photo', holds: ['photo'], Fields: PhotoField },
  holdPoint: { label: 'step.hold', holds: ['holdPoint'], Fields: HoldPointField },
  looks: { label: 'step.add.looks', holds: ['looks'], list: true, Fields: LookFields },
  measurements: {
    label: 'step.add.measurements',
    holds: ['measurements'],
    list: true,
    Fields: MeasurementFields,
  },
  run: { label: 'step.run', holds: ['run'], fits: ({ verb }) => verb === 'test', Fields: RunFields },
  proofs: {
    label: 'step.proofs',
    holds: ['proofs'],
    fits: ({ verb }) => PROVED_BY.includes(verb),
    Fields: ProofFields,
  },
  pictures: { label: 'step.add.pictures', holds: ['pictures'], list: true, Fields: PictureFields },
  clips: { label: 'step.add.clips', holds: ['clips'], list: true, Fields: ClipFields },
  repeat: {
    label: 'step.add.repeat',
    holds: ['oneByOne', 'mirrored', 'blockId'],
    fits: isRepeated,
    Fields: RepeatFields,
  },
  text: { label: 'step.add.text', holds: ['text'], Fields: OwnWordsField },
  minutes: { label: 'step.minutes', holds: ['minutes'], Fields: MinutesField },
  question: { label: 'step.decision', holds: ['decision'], Fields: DecisionFields },
  when: { label: 'step.when', holds: ['when'], Fields: ConditionFields },
  methods: { label: 'step.methods', holds: ['methods'], list: true, Fields: MethodFields },
  aids: { label: 'step.aids', holds: ['aidsIn', 'aidsOut'], Fields: AidFields },
  pose: { label: 'step.pose', holds: ['pose'], Fields: PoseFields },
  from: {
    label: 'step.from',
    holds: ['fromPositionId'],
    // Only what is fitted at a position can have come from another.
    fits: (step, series) => verbOf(step.verb).effect === 'refits' && isRepeated(step, series),
    Fields: CameFromField,
  },
  host: {
    label: 'step.host',
    holds: ['intoId'],
    fits: (step) => verbOf(step.verb).effect === 'refits',
    Fields: HostField,
  },
  shaftAt: {
    label: 'step.shaftAt',
    holds: ['shaftAt'],
    fits: (step) => step.verb !== 'turn',
    Fields: ShaftField,
  },
} satisfies Record<string, StepExtra>;

export type ExtraName = keyof typeof STEP_EXTRAS;

export function extraOf(name: ExtraName): StepExtra {
  return STEP_EXTRAS[name];
}

/** Whether the step says it. A torque that waits for its figure is shown as one. */
export function isSaid(name: ExtraName, step: Step): boolean {
  return extraOf(name).holds.some((field) => {
    const value = step[field];
    return Array.isArray(value) ? value.length > 0 : value !== undefined;
  });
}

interface WordsProps extends StepExtraProps {
  readonly field: 'detail' | 'why';
  readonly hint: 'step.detailHint' | 'step.whyHint';
  readonly maxLength: number;
}

function Words({ step, change, field, hint, maxLength }: WordsProps) {
  const { t } = useTranslation();
  return (
    <DraftText
      lines
      ariaLabel={t(`step.${field}`)}
      placeholder={t(hint)}
      value={step[field] ?? ''}
      maxLength={maxLength}
      onCommit={(text) => change({ [field]: text })}
    />
  );
}

function PhotoField({ step, series, change }: StepExtraProps) {
  const { t } = useTranslation();
  return (
    <DraftText
      ariaLabel={t('step.photo')}
      placeholder={t('step.photoHint')}
      value={step.photo ? photoShows(step, series) : ''}
      maxLength={600}
      onCommit={(mustShow) => change({ photo: mustShow ? { ...step.photo, mustShow } : undefined })}
    />
  );
}

/** Empty, the second person looks at the whole step. */
function HoldPointField({ step, change }: StepExtraProps) {
  const { t } = useTranslation();
  return (
    <Stack gap={6}>
      <Switch
        label={t('step.holdOn')}
        checked={step.holdPoint !== undefined}
        onChange={(event) => change({ holdPoint: event.currentTarget.checked ? {} : undefined })}
      />
      {step.holdPoint && (
        <DraftText
          ariaLabel={t('step.holdChecks')}
          placeholder={t('step.holdChecks')}
          value={step.holdPoint.checks ?? ''}
          maxLength={600}
          onCommit={(checks) => change({ holdPoint: checks ? { checks } : {} })}
        />
      )}
    </Stack>
  );
}

function OwnWordsField({ step, series, change }: StepExtraProps) {
  const { t } = useTranslation();
  return (
    <DraftText
      lines
      ariaLabel={t('step.text')}
      placeholder={sayStep(step, series)}
      value={step.text ?? ''}
      maxLength={600}
      onCommit={(text) => change({ text: text || undefined })}
    />
  );
}

function MinutesField({ step, change }: StepExtraProps) {
  const { t } = useTranslation();
  return (
    <NumberInput
      aria-label={t('step.minutes')}
      min={0}
      max={10_000}
      w={120}
      value={step.minutes ?? ''}
      onChange={(value) => change({ minutes: value === '' ? undefined : Number(value) })}
    />
  );
}

function CameFromField({ step, series, change }: StepExtraProps) {
  const { t } = useTranslation();
  return (
    <Select
      aria-label={t('step.from')}
      placeholder={t('step.fromHint')}
      data={series.positionSets.flatMap((set) => set.positions.map(({ id, name }) => ({ value: id, label: name })))}
      value={step.fromPositionId ?? null}
      onChange={(fromPositionId) => change({ fromPositionId: fromPositionId ?? undefined })}
    />
  );
}

/** Another part than the one it sits in otherwise. */
function HostField({ step, series, change }: StepExtraProps) {
  const { t } = useTranslation();
  const own = new Set(step.targets.map(({ componentId }) => componentId));
  return (
    <Select
      searchable
      clearable
      aria-label={t('step.host')}
      placeholder={t('step.hostHint')}
      data={series.components.filter(({ id }) => !own.has(id)).map(({ id, name }) => ({ value: id, label: name }))}
      value={step.intoId ?? null}
      onChange={(intoId) => change({ intoId: intoId ?? undefined })}
    />
  );
}

function ShaftField({ step, change }: StepExtraProps) {
  const { t } = useTranslation();
  return (
    <DraftText
      ariaLabel={t('step.shaftAt')}
      placeholder={t('step.shaftAtHint')}
      value={step.shaftAt ?? ''}
      maxLength={120}
      onCommit={(shaftAt) => change({ shaftAt: shaftAt || undefined })}
    />
  );
}
