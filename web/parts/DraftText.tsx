import { Textarea, TextInput } from '@mantine/core';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';

interface DraftTextProps {
  readonly value: string;
  readonly onCommit: (value: string) => void;
  readonly label?: string;
  readonly ariaLabel?: string;
  readonly placeholder?: string;
  readonly error?: string | undefined;
  readonly readOnly?: boolean;
  readonly lines?: boolean;
  readonly maxLength?: number;
  readonly autoFocus?: boolean;
  readonly className?: string | undefined;
}

/** A text field that hands over its text on Enter or on leaving, so that one correction is one undoable edit. */
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
      setText(event.currentTarget.value);
    },
    onBlur: commit,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter' && (!lines || event.ctrlKey || event.metaKey)) commit();
      if (event.key === 'Escape') setText(value);
    },
  };
  return lines ? <Textarea {...props} autosize minRows={1} maxRows={6} /> : <TextInput {...props} />;
}
