import { Combobox, Textarea, useCombobox } from '@mantine/core';
import { type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react';
import { type Completion, completeLine } from '#core/line/complete-line';
import type { Series } from '#core/model/series';
import { growing } from './growing';

interface LineInputProps {
  readonly id: string;
  readonly label: string;
  readonly placeholder?: string;
  readonly className?: string | undefined;
  readonly text: string;
  readonly onText: (text: string) => void;
  /** The names that it completes. */
  readonly series: Series;
  /** What Tab takes where nothing is completed. */
  readonly offer?: string | undefined;
  readonly onOffer: (words: string) => void;
  readonly onEnter: (withMod: boolean) => void;
  readonly onEscape?: () => void;
}

const GROWING = growing(4);

/** A line in plain words, with names completed as it is typed: Tab takes the first, arrows choose another. */
export function LineInput({
  id,
  label,
  placeholder,
  className,
  text,
  onText,
  series,
  offer,
  onOffer,
  onEnter,
  onEscape,
}: LineInputProps) {
  const [caret, setCaret] = useState(text.length);
  const [closed, setClosed] = useState(true);
  const input = useRef<HTMLTextAreaElement>(null);
  const written = useRef(text);
  const combobox = useCombobox({ opened: true });
  const completions = closed ? [] : completeLine(text, caret, series);

  // What comes from elsewhere is gone on with at its end.
  useLayoutEffect(() => {
    if (written.current === text) return;
    written.current = text;
    setCaret(text.length);
    setClosed(true);
    if (document.activeElement === input.current) input.current?.setSelectionRange(text.length, text.length);
  }, [text]);

  const write = (next: string) => {
    written.current = next;
    onText(next);
  };
  const take = (completion: Completion) => {
    const at = completion.from + completion.insert.length;
    write(text.slice(0, completion.from) + completion.insert + text.slice(completion.to));
    setCaret(at);
    combobox.resetSelectedOption();
    requestAnimationFrame(() => {
      input.current?.focus();
      input.current?.setSelectionRange(at, at);
    });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const chosen = combobox.getSelectedOptionIndex();
    if (event.key === 'ArrowDown' && completions.length > 0) combobox.selectNextOption();
    else if (event.key === 'ArrowUp' && completions.length > 0) combobox.selectPreviousOption();
    else if (event.key === 'Tab' && !event.shiftKey && completions.length > 0) {
      const completion = completions[Math.max(chosen, 0)];
      if (completion) take(completion);
    } else if (event.key === 'Tab' && !event.shiftKey && offer !== undefined) onOffer(offer);
    else if (event.key === 'Enter') {
      const completion = completions[chosen];
      if (completion) take(completion);
      else onEnter(event.ctrlKey || event.metaKey);
    } else if (event.key === 'Escape') {
      if (completions.length === 0) onEscape?.();
      setClosed(true);
    } else return;
    event.preventDefault();
  };

  return (
    <Combobox
      store={combobox}
      onOptionSubmit={(value) => completions[Number(value)] && take(completions[Number(value)] as Completion)}
      position="top-start"
      middlewares={{ flip: false }}
    >
      <Combobox.Target withKeyboardNavigation={false}>
        <Textarea
          ref={input}
          {...GROWING}
          className={className}
          id={id}
          aria-label={label}
          placeholder={placeholder}
          value={text}
          data-undo={text === '' ? '' : undefined}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => {
            write(event.currentTarget.value);
            setCaret(event.currentTarget.selectionStart ?? event.currentTarget.value.length);
            setClosed(false);
            combobox.resetSelectedOption();
          }}
          onSelect={(event) => setCaret(event.currentTarget.selectionStart ?? 0)}
          onKeyDown={onKeyDown}
          onBlur={() => setClosed(true)}
        />
      </Combobox.Target>
      <Combobox.Dropdown hidden={completions.length === 0}>
        <Combobox.Options>
          {completions.map((completion, i) => (
            <Combobox.Option key={completion.insert} value={String(i)}>
              {completion.insert.trim()}
            </Combobox.Option>
          ))}
        </Combobox.Options>
      </Combobox.Dropdown>
    </Combobox>
  );
}
