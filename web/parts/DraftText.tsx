import { Textarea } from '@mantine/core';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { growing } from './growing';

interface DraftTextProps {
  readonly value: string;
  readonly onCommit: (value: string) => void;
  readonly label?: string;
  readonly ariaLabel?: string;
  readonly placeholder?: string;
  readonly error?: string | undefined;
  readonly readOnly?: boolean;
  /** Text of several lines; Enter begins a new one, and Ctrl+Enter hands it over. */
  readonly lines?: boolean;
  readonly maxLength?: number;
  readonly autoFocus?: boolean;
  readonly className?: string | undefined;
}

const GROWING = growing(6);

/**
 * A text field that hands over its text on Enter or on leaving, so that one correction is one undoable edit. It is as
 * high as its words need: none of them is cut.
 */
export function DraftText({ value, onCommit, ariaLabel, lines, error, ...rest }: DraftTextProps) {
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  /** What was handed over last: leaving after Enter hands nothing over twice. */
  const handed = useRef<string>(undefined);
  const commit = () => {
    const now = text.trim();
    if (now === value.trim() || now === handed.current) return;
    handed.current = now;
    onCommit(now);
  };
  const props = {
    ...rest,
    error: error ?? null,
    'aria-label': ariaLabel,
    value: text,
    onChange: (event: { currentTarget: { value: string } }) => {
      handed.current = undefined;
      const typed = event.currentTarget.value;
      setText(lines ? typed : typed.replaceAll(/\s*\n\s*/g, ' '));
    },
    onBlur: commit,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter' && (!lines || event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        commit();
      }
      if (event.key === 'Escape') setText(value);
    },
  };
  return <Textarea {...props} {...GROWING} />;
}
