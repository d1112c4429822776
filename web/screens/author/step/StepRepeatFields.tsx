import { Button, Select } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { joiningBlock, leavingBlock } from '#core/edits/blocks';
import { componentById } from '#core/model/lookup';
import styles from './Step.module.css';
import type { StepExtraProps } from './step-extras';

/**
 * How a step that repeats is gone through: at once, one by one, or with the step before at one place after the other; in
 * which order, and whether mirrored.
 */
export function RepeatFields({ step, workbook: { procedure }, series, change, edit }: StepExtraProps) {
  const { t } = useTranslation();
  const { steps, blocks = [] } = procedure;
  const block = blocks.find(({ id }) => id === step.blockId);
  const isFirst = steps[0]?.id === step.id;
  const places = series.positionSets.flatMap((set) => set.positions);
  const own = step.targets.flatMap(({ componentId }) => {
    const id = componentById(series, componentId)?.positionSetId;
    return series.positionSets.find((set) => set.id === id)?.positions ?? [];
  });
  const order = step.positionIds.length > 0 ? step.positionIds : [...new Set(own.map(({ id }) => id))];

  const goThrough = (how: string | null) =>
    edit((workbook) => {
      if (how === 'block') return block ? [] : joiningBlock(workbook.procedure, step.id, order);
      const fields = { oneByOne: how === 'one' ? (true as const) : undefined };
      return [...leavingBlock(workbook.procedure, step.id), { kind: 'change', stepId: step.id, fields }];
    });
  const mirror = (how: string | null) => {
    const mirrored = how === 'mirrored' ? (true as const) : undefined;
    if (!block) return change({ mirrored });
    const { mirrored: _before, ...same } = block;
    const next = mirrored ? { ...same, mirrored } : same;
    const all = blocks.map((other) => (other === block ? next : other));
    edit(() => [{ kind: 'change-procedure', fields: { blocks: all } }]);
  };
  return (
    <div className={styles.several}>
      <Select
        aria-label={t('repeat.how')}
        allowDeselect={false}
        data={[
          { value: 'together', label: t('repeat.together') },
          { value: 'one', label: t('repeat.oneByOne') },
          { value: 'block', label: t('repeat.block'), disabled: isFirst && !block },
        ]}
        value={block ? 'block' : step.oneByOne ? 'one' : 'together'}
        onChange={goThrough}
      />
      {!block && step.oneByOne && (
        <div className={styles.order}>
          {order.map((id, i) => (
            <Button
              key={id}
              size="compact-sm"
              variant="default"
              disabled={i === 0}
              aria-label={t('repeat.earlier', { name: places.find((place) => place.id === id)?.name ?? '' })}
              onClick={() => change({ positionIds: order.toSpliced(i, 1).toSpliced(i - 1, 0, id) })}
            >
              {`${i + 1}  ${places.find((place) => place.id === id)?.name ?? ''}`}
            </Button>
          ))}
        </div>
      )}
      <Select
        aria-label={t('repeat.mirror')}
        allowDeselect={false}
        data={[
          { value: 'same', label: t('repeat.same') },
          { value: 'mirrored', label: t('repeat.mirrored') },
        ]}
        value={(block ?? step).mirrored ? 'mirrored' : 'same'}
        onChange={mirror}
      />
    </div>
  );
}
