import { Checkbox, Group, NumberInput, Select } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { FASTENER_CLASSES } from '#core/model/fastener-classes';
import {
  type FastenerGroup,
  HEADS,
  PATTERNS,
  PLAN_SHAPES,
  type PlanShape,
  SEATS,
  TAPPED_MATERIALS,
} from '#core/model/fastener-group';
import { threadIn } from '#core/torque/threads';
import { readPasses, readPoints, sayPasses, sayPoints } from '#core/torque-sheet/texts';
import { DraftText } from '../../parts/DraftText';
import type { GroupProps } from './GroupDetail';

/** Thread, material, joint, plan, pattern and passes of a group. */
export function ThreadFields({ sheet, change }: GroupProps) {
  const { t } = useTranslation();
  const { group, joint, component } = sheet;
  const [bad, setBad] = useState<'thread' | 'passes' | 'points'>();
  if (!change) return null;
  const say = (fields: Partial<FastenerGroup>) => change({ ...group, ...fields } as FastenerGroup);
  const choice = <K extends 'class' | 'head' | 'into' | 'seat' | 'pattern'>(
    field: K,
    list: readonly string[],
    label: (value: string) => string,
  ) => (
    <Select
      label={t(`torque.field.${field}`)}
      clearable
      data={list.map((value) => ({ value, label: label(value) }))}
      value={group[field] ?? null}
      onChange={(value) => say({ [field]: value ?? undefined } as Partial<FastenerGroup>)}
    />
  );
  const number = (field: 'engagementMm' | 'clampedMm', label: string) => (
    <NumberInput
      label={label}
      min={0.5}
      value={group[field] ?? ''}
      onChange={(value) => say({ [field]: Number(value) >= 0.5 ? Number(value) : undefined } as Partial<FastenerGroup>)}
    />
  );
  const plan = (fields: object) => say({ plan: { ...joint.plan, ...fields } });
  return (
    <div>
      <Group grow align="flex-start">
        <DraftText
          label={t('torque.field.thread')}
          placeholder={t('torque.field.threadHint')}
          value={group.thread ?? ''}
          maxLength={40}
          error={bad === 'thread' ? t('torque.field.badThread') : undefined}
          onCommit={(text) => {
            const thread = threadIn(text)?.name;
            setBad(text !== '' && thread === undefined ? 'thread' : undefined);
            if (text === '' || thread !== undefined) say({ thread } as Partial<FastenerGroup>);
          }}
        />
        {choice('class', FASTENER_CLASSES, (value) => value)}
        {choice('head', HEADS, (value) => t(`torque.head.${value}` as 'torque.head.hexagon'))}
        <DraftText
          label={t('torque.field.keySize')}
          value={group.keySize ?? ''}
          maxLength={40}
          onCommit={(keySize) => say({ keySize: keySize || undefined } as Partial<FastenerGroup>)}
        />
      </Group>
      <Group grow align="flex-start">
        {choice('into', TAPPED_MATERIALS, (value) => t(`torque.into.${value}` as 'torque.into.steel'))}
        {number('engagementMm', t('torque.field.engagement'))}
        {number('clampedMm', t('torque.field.clamped'))}
        {choice('seat', SEATS, (value) => t(`torque.seat.${value}` as 'torque.seat.metal'))}
      </Group>
      <Group grow align="flex-start">
        <Select
          label={t('torque.field.plan')}
          allowDeselect={false}
          data={PLAN_SHAPES.map((value) => ({ value, label: t(`torque.shape.${value}`) }))}
          value={joint.plan.shape}
          onChange={(shape) => {
            // Free places begin where the fasteners were drawn.
            if (shape === 'points') plan({ shape, points: joint.slots });
            else if (shape) plan({ shape: shape as PlanShape });
          }}
        />
        {joint.plan.shape === 'circle' || joint.plan.shape === 'oval' ? (
          <NumberInput
            label={t('torque.field.start')}
            min={-360}
            max={360}
            value={joint.plan.startDegrees ?? 0}
            onChange={(value) => plan({ startDegrees: Number(value) || undefined })}
          />
        ) : null}
        {joint.plan.shape !== 'circle' && joint.plan.shape !== 'points' && (
          <NumberInput
            label={t('torque.field.aspect')}
            min={0.1}
            max={10}
            step={0.1}
            value={joint.plan.aspect ?? 1}
            onChange={(value) => Number(value) >= 0.1 && plan({ aspect: Math.min(10, Number(value)) })}
          />
        )}
        <DraftText
          label={t('torque.field.below')}
          value={joint.plan.below ?? ''}
          maxLength={40}
          onCommit={(below) => plan({ below: below || undefined })}
        />
      </Group>
      {joint.plan.shape === 'points' && (
        <DraftText
          label={t('torque.field.points')}
          placeholder={t('torque.field.pointsHint')}
          lines
          value={sayPoints(joint.plan.points ?? [])}
          error={bad === 'points' ? t('torque.field.badPoints', { count: component.count }) : undefined}
          onCommit={(text) => {
            const points = readPoints(text);
            const isWhole = points?.length === component.count;
            setBad(isWhole ? undefined : 'points');
            if (isWhole) plan({ points });
          }}
        />
      )}
      <Group grow align="flex-start">
        {choice('pattern', PATTERNS, (value) => t(`torque.pattern.${value}` as 'torque.pattern.star'))}
        <DraftText
          label={t('torque.field.passes')}
          placeholder={t('torque.field.passesHint')}
          value={sayPasses(group.passes ?? joint.plans)}
          maxLength={80}
          error={bad === 'passes' ? t('torque.field.badPasses') : undefined}
          onCommit={(text) => {
            const passes = text === '' ? undefined : readPasses(text);
            const isBad = text !== '' && passes === undefined;
            setBad(isBad ? 'passes' : undefined);
            if (!isBad) say({ passes } as Partial<FastenerGroup>);
          }}
        />
      </Group>
      <Checkbox
        mt="sm"
        label={t('torque.field.storedSpring')}
        checked={group.storedSpring ?? false}
        onChange={(event) =>
          say({ storedSpring: event.currentTarget.checked ? true : undefined } as Partial<FastenerGroup>)
        }
      />
    </div>
  );
}
