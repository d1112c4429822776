import { useState } from 'react';
import { readQuantity, sayQuantity } from '#core/quantity/quantity';
import type { Quantity } from '#core/quantity/schema';
import type { Dimension } from '#core/quantity/units';
import { DraftText } from './DraftText';
import { sayQuantityFault } from './quantity-fault';

interface QuantityTextProps {
  readonly label: string;
  readonly dimension: Dimension;
  readonly value: Quantity | undefined;
  readonly placeholder?: string;
  /** Undefined where it was emptied. */
  readonly onQuantity: (quantity: Quantity | undefined) => void;
}

/** A figure with its unit, above zero, as people type it; what cannot be read stays, with what is wrong with it. */
export function QuantityText({ label, dimension, value, placeholder, onQuantity }: QuantityTextProps) {
  const [fault, setFault] = useState('');
  return (
    <DraftText
      label={label}
      value={value ? sayQuantity(value, 6) : ''}
      error={fault || undefined}
      {...(placeholder !== undefined && { placeholder })}
      onCommit={(text) => {
        const reading = readQuantity(text, dimension);
        const isRight = reading.ok && reading.quantity.value > 0;
        setFault(text === '' || isRight ? '' : sayQuantityFault(reading.ok ? 'negative' : reading.fault, dimension));
        if (text === '') onQuantity(undefined);
        else if (isRight) onQuantity(reading.quantity);
      }}
    />
  );
}
