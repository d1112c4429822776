import { Button, Fieldset, Group, MultiSelect, Select } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { readTorqueText } from '#core/language/en/grammar/names/torque-text';
import { FIGURE_USES, type FigureUse } from '#core/model/fastener-group';
import { toolLabel } from '#core/model/lookup';
import { DEFAULT_TOLERANCE_PERCENT, type TorqueFigure } from '#core/model/torque-figure';
import { readNumber } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import { fasteningOf } from '#core/torque/fastening';
import { readingsOf } from '#core/torque/preload';
import { isTorque } from '#core/torque/wrench';
import { sayFigureText } from '#core/torque-sheet/texts';
import { showQuantity } from '../../ground/format';
import { DraftText } from '../../parts/DraftText';
import { CrowFootFields } from './CrowFootFields';
import type { GroupProps } from './GroupDetail';

const DRY = 'dry';

/** The figure with its unit, source and condition, and the wrench for it. */
export function FigureFields({ sheet, series, change }: GroupProps) {
  const { t } = useTranslation();
  const { group } = sheet;
  const [use, setUse] = useState<FigureUse>(group.figures[0]?.use ?? 'reuse');
  /** A number that was typed without a unit. */
  const [bare, setBare] = useState<number>();
  const [isBad, setBad] = useState(false);
  if (!change) return null;
  const figure = group.figures.find((one) => one.use === use)?.torque;
  const say = (torque: TorqueFigure | undefined) => {
    const others = group.figures.filter((one) => one.use !== use);
    change({ ...group, figures: torque ? [...others, { use, torque }] : others });
  };
  const take = (text: string) => {
    setBare(undefined);
    setBad(false);
    if (text === '') return say(undefined);
    const said = readTorqueText(text);
    if (said) {
      const { also: _before, ...rest } = figure ?? { tolerancePercent: DEFAULT_TOLERANCE_PERCENT };
      const { value, unit, tolerancePercent = DEFAULT_TOLERANCE_PERCENT, also } = said;
      return say({ ...rest, figure: { value, unit }, tolerancePercent, ...(also && { also }) });
    }
    const number = readNumber(text);
    if (number > 0) setBare(number);
    else setBad(true);
  };
  const choose = (quantity: Quantity) => {
    setBare(undefined);
    say({ tolerancePercent: DEFAULT_TOLERANCE_PERCENT, ...figure, figure: quantity });
  };
  const readings =
    bare === undefined
      ? []
      : readingsOf(bare, fasteningOf(series, group.componentId, figure)).toSorted(
          (a, b) => Number(b.bears) - Number(a.bears),
        );
  const tools = series.tools.filter((tool) => isTorque(tool) || group.wrenchIds?.includes(tool.id));
  return (
    <div>
      <Group grow align="flex-start">
        <DraftText
          label={t('torque.field.figure')}
          placeholder={t('torque.field.figureHint')}
          value={figure ? sayFigureText(figure) : ''}
          maxLength={60}
          error={isBad ? t('torque.field.badFigure') : undefined}
          onCommit={take}
        />
        <Select
          label={t('torque.field.use')}
          allowDeselect={false}
          data={FIGURE_USES.map((value) => ({ value, label: t(`torque.use.${value}`) }))}
          value={use}
          onChange={(value) => value && setUse(value as FigureUse)}
        />
      </Group>
      {bare !== undefined && (
        <Fieldset legend={t('torque.field.noUnit')} p="xs" my={6}>
          <Group gap="xs">
            {readings.map(({ quantity, bears }) => (
              <Button
                key={quantity.unit}
                size="compact-md"
                variant={bears ? 'filled' : 'default'}
                onClick={() => choose(quantity)}
              >
                {t(bears ? 'torque.field.bears' : 'torque.field.bearsNot', { figure: showQuantity(quantity) })}
              </Button>
            ))}
          </Group>
        </Fieldset>
      )}
      <Group grow align="flex-start">
        <DraftText
          label={t('torque.field.source')}
          value={figure?.source ?? ''}
          maxLength={200}
          readOnly={!figure}
          onCommit={(source) => {
            if (!figure) return;
            const { source: _before, ...rest } = figure;
            say(source ? { ...rest, source } : rest);
          }}
        />
        <Select
          label={t('torque.field.on')}
          clearable
          disabled={!figure}
          data={[
            { value: DRY, label: t('torque.field.dry') },
            ...series.consumables.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          value={figure?.thread ? (figure.thread.is === 'dry' ? DRY : figure.thread.consumableId) : null}
          onChange={(value) => {
            if (!figure) return;
            const { thread: _before, ...rest } = figure;
            if (value === null) say(rest);
            else say({ ...rest, thread: value === DRY ? { is: 'dry' } : { is: 'with', consumableId: value } });
          }}
        />
      </Group>
      <CrowFootFields group={group} change={change} />
      <MultiSelect
        label={t('torque.field.wrench')}
        data={tools.map((tool) => ({ value: tool.id, label: toolLabel(tool) }))}
        value={group.wrenchIds ?? []}
        onChange={(wrenchIds) => {
          const { wrenchIds: _before, ...rest } = group;
          change(wrenchIds.length > 0 ? { ...rest, wrenchIds } : rest);
        }}
      />
    </div>
  );
}
