import { useEffect } from 'react';

const CHOICES = '[data-choices] button:not(:disabled)';
/** Not those that may be typed in place of a button. */
const READINGS = '[data-choices] input[inputmode="decimal"]:not([data-instead] *)';

/**
 * The bench by a keyboard or a pad of numbers: space says the step done, an arrow goes back, a number presses the choice
 * that bears it; where a reading is asked for, what is typed goes into it.
 */
export function useBenchKeys(): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const { key, target } = event;
      if (event.ctrlKey || event.altKey || event.metaKey || document.querySelector('[role="dialog"]')) return;
      const on = target instanceof HTMLElement ? target : document.body;
      // A space is in no number: behind one that was entered it means Done.
      const isEntered = (field: HTMLInputElement) => field.value === '' || 'entered' in field.dataset;
      const isSpent = key === ' ' && on instanceof HTMLInputElement && on.inputMode === 'decimal' && isEntered(on);
      if (isSpent) on.blur();
      else if (on.matches('input, textarea, select')) return;
      document.documentElement.dataset.benchKeys = 'on';
      if (key === ' ' && !on.matches('button, a, summary')) {
        event.preventDefault();
        document.querySelector<HTMLButtonElement>('[data-key="done"]:not(:disabled)')?.click();
      } else if (key === 'ArrowLeft' || key === 'Backspace') {
        document.querySelector<HTMLButtonElement>('[data-key="back"]:not(:disabled)')?.click();
      } else if (/^[0-9]$/.test(key)) {
        const reading = [...document.querySelectorAll<HTMLInputElement>(READINGS)].find((input) => input.value === '');
        // The sign itself is typed into what has the focus by then.
        if (reading) return reading.focus();
        const choice = document.querySelectorAll<HTMLButtonElement>(CHOICES)[Number(key) - 1];
        if (choice) {
          event.preventDefault();
          choice.click();
        }
      }
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
      delete document.documentElement.dataset.benchKeys;
    };
  }, []);
}
