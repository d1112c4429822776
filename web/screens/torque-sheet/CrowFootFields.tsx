import { Group, NumberInput } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { FastenerGroup } from '#core/model/fastener-group';

interface CrowFootFieldsProps {
  readonly group: FastenerGroup;
  readonly change: (group: FastenerGroup) => void;
}

const NONE = { lengthMm: '', offsetMm: '', angleDegrees: 0 } as const;
type Typed = Readonly<Record<keyof typeof NONE, string | number>>;

/** A crow-foot on the wrench; it counts when both lengths are given, and is gone when one is emptied. */
export function CrowFootFields({ group, change }: CrowFootFieldsProps) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState<Typed>(group.crowFoot ?? NONE);
  const say = (field: keyof typeof NONE, value: string | number) => {
    const next = { ...typed, [field]: value };
    setTyped(next);
    const [lengthMm, offsetMm, angleDegrees] = [next.lengthMm, next.offsetMm, next.angleDegrees].map(Number);
    const { crowFoot: before, ...rest } = group;
    const isWhole =
      lengthMm !== undefined && lengthMm >= 20 && offsetMm !== undefined && offsetMm >= 1 && angleDegrees !== undefined;
    if (isWhole)
      change({ ...rest, crowFoot: { lengthMm, offsetMm, angleDegrees: Math.min(180, Math.max(0, angleDegrees)) } });
    else if (before) change(rest);
  };
  const field = (name: keyof typeof NONE, label: string, max: number) => (
    <NumberInput label={label} min={0} max={max} value={typed[name]} onChange={(value) => say(name, value)} />
  );
  return (
    <Group grow align="flex-start">
      {field('lengthMm', t('torque.crow.length'), 3000)}
      {field('offsetMm', t('torque.crow.offset'), 1000)}
      {field('angleDegrees', t('torque.crow.angle'), 180)}
    </Group>
  );
}
