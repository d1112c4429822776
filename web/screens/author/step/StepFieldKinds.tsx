import { Autocomplete, NumberInput, Select } from '@mantine/core';
import { nanoid } from 'nanoid';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Step } from '#core/model/procedure';
import type { Series } from '#core/model/series';
import { DEFAULT_TOLERANCE_PERCENT } from '#core/model/torque-figure';
import { readQuantity, sayQuantity } from '#core/quantity/quantity';
import { changesFriction } from '#core/supplies/consumable-kinds';
import { DraftText } from '../../../parts/DraftText';
import { sayQuantityFault } from '../../../parts/quantity-fault';
import { Remove } from '../../../parts/Remove';
import styles from './Step.module.css';

export const newId = () => nanoid(10);

/** A list of which nothing is left is not kept as an empty one. */
export const emptyIsNone = <T,>(list: readonly T[]): T[] | undefined => (list.length > 0 ? [...list] : undefined);

interface FieldProps {
  readonly label: string;
  /** The slot of the sentence that leads here. */
  readonly field: string;
  readonly onRemove?: () => void;
  /** Its lines bring their own buttons to remove them. */
  readonly wide?: boolean;
  /** It was proposed and nobody has looked at it. */
  readonly drafted?: boolean;
  readonly children: ReactNode;
}

export function Field({ label, field, onRemove, wide, drafted, children }: FieldProps) {
  const { t } = useTranslation();
  return (
    <div className={`${styles.field} ${wide ? styles.wide : ''}`} data-field={field}>
      <span className={styles.label}>
        <span className={drafted ? styles.proposed : ''} title={drafted ? t('step.proposed') : undefined}>
          {label}
        </span>
      </span>
      <div>{children}</div>
      {onRemove && <Remove of={label} onClick={onRemove} />}
    </div>
  );
}

type Change = (fields: Partial<Step>) => void;

export function TorqueFields({ step, change }: { step: Step; change: Change }) {
  const { t } = useTranslation();
  const [fault, setFault] = useState('');
  const { torque } = step;
  return (
    <div className={styles.figure}>
      <DraftText
        ariaLabel={t('step.figure')}
        placeholder={t('step.figureHint')}
        value={torque ? sayQuantity(torque.figure, 6) : ''}
        error={fault || undefined}
        onCommit={(text) => {
          const reading = readQuantity(text, 'torque');
          if (text === '') change({ torque: undefined });
          else if (reading.ok && reading.quantity.value > 0)
            change({ torque: { tolerancePercent: DEFAULT_TOLERANCE_PERCENT, ...torque, figure: reading.quantity } });
          setFault(
            text === '' || (reading.ok && reading.quantity.value > 0)
              ? ''
              : sayQuantityFault(reading.ok ? 'negative' : reading.fault, 'torque'),
          );
        }}
      />
      <NumberInput
        aria-label={t('step.tolerance')}
        prefix="± "
        suffix=" %"
        min={0.1}
        max={50}
        disabled={!torque}
        value={torque?.tolerancePercent ?? DEFAULT_TOLERANCE_PERCENT}
        onChange={(value) =>
          torque && Number(value) >= 0.1 && change({ torque: { ...torque, tolerancePercent: Number(value) } })
        }
      />
      <DraftText
        ariaLabel={t('step.source')}
        placeholder={t('step.sourceHint')}
        readOnly={!torque}
        value={torque?.source ?? ''}
        maxLength={200}
        onCommit={(source) => {
          if (!torque) return;
          const { source: _old, ...rest } = torque;
          change({ torque: source ? { ...rest, source } : rest });
        }}
      />
    </div>
  );
}

/** The same figure in the other unit of its source, and what is on the thread it holds for. */
export function TorqueThreadFields({ step, series, change }: { step: Step; series: Series; change: Change }) {
  const { t } = useTranslation();
  const [fault, setFault] = useState('');
  const { torque } = step;
  if (!torque) return null;
  const { also: _also, thread: _thread, ...bare } = torque;
  const thread = torque.thread && { thread: torque.thread };
  const also = torque.also && { also: torque.also };
  const onThreads = series.consumables.filter(changesFriction);
  return (
    <div className={styles.thread}>
      <DraftText
        ariaLabel={t('step.also')}
        placeholder={t('step.alsoHint')}
        value={torque.also ? sayQuantity(torque.also, 6) : ''}
        error={fault || undefined}
        onCommit={(text) => {
          const reading = readQuantity(text, 'torque');
          setFault(text === '' || reading.ok ? '' : sayQuantityFault(reading.fault, 'torque'));
          if (text === '') change({ torque: { ...bare, ...thread } });
          else if (reading.ok) change({ torque: { ...bare, ...thread, also: reading.quantity } });
        }}
      />
      <Select
        aria-label={t('step.thread')}
        placeholder={t('step.threadHint')}
        clearable
        data={[
          { value: 'dry', label: t('step.threadDry') },
          ...onThreads.map(({ id, name }) => ({ value: id, label: t('step.threadWith', { name }) })),
        ]}
        value={torque.thread ? (torque.thread.is === 'dry' ? 'dry' : torque.thread.consumableId) : null}
        onChange={(said) =>
          change({
            torque: {
              ...bare,
              ...also,
              ...(said && { thread: said === 'dry' ? { is: 'dry' } : { is: 'with', consumableId: said } }),
            },
          })
        }
      />
    </div>
  );
}

export function ConsumableField({
  names,
  value,
  onCommit,
}: {
  names: string[];
  value: string;
  onCommit: (name: string) => void;
}) {
  const { t } = useTranslation();
  const [text, setText] = useState(value);
  const commit = (name: string) => {
    if (name.trim() && name.trim() !== value) onCommit(name.trim());
  };
  return (
    <Autocomplete
      aria-label={t('step.consumable')}
      placeholder={t('step.consumableHint')}
      data={names}
      value={text}
      onChange={setText}
      onOptionSubmit={commit}
      onBlur={() => commit(text)}
    />
  );
}
