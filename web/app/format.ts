import i18next from 'i18next';
import type { Quantity } from '#core/quantity/quantity';

/** Numbers and moments as the reader's own language and region write them. */
const locale = () => (navigator.language.startsWith(i18next.language) ? navigator.language : i18next.language);

export function showMoment(iso: string): string {
  return new Intl.DateTimeFormat(locale(), { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(iso));
}

export function showTime(moment: Date): string {
  return new Intl.DateTimeFormat(locale(), { timeStyle: 'short' }).format(moment);
}

export function showNumber(value: number, digits = 4): string {
  return new Intl.NumberFormat(locale(), { maximumSignificantDigits: digits }).format(value);
}

export function showQuantity({ value, unit }: Quantity): string {
  return `${showNumber(value)} ${unit}`;
}

/** "2 h 10 min" from minutes. */
export function showDuration(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  return hours > 0 ? `${hours} h ${whole % 60} min` : `${whole} min`;
}
