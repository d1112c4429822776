import i18next from 'i18next';
import type { Quantity } from '#core/quantity/schema';

/** Numbers and moments as the reader's own language and region write them. */
const locale = () => (navigator.language.startsWith(i18next.language) ? navigator.language : i18next.language);

export function showMoment(iso: string): string {
  return new Intl.DateTimeFormat(locale(), { dateStyle: 'medium', timeStyle: 'short' }).format(new Date(iso));
}

export function showTime(moment: Date): string {
  return new Intl.DateTimeFormat(locale(), { timeStyle: 'short' }).format(moment);
}

/** "12 Mar 2027" from an ISO date. */
export function showDay(day: string): string {
  return new Intl.DateTimeFormat(locale(), { dateStyle: 'medium', timeZone: 'UTC' }).format(new Date(day));
}

/** The time zone of this device, such as Europe/Lisbon. */
export function zoneHere(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/** Today as an ISO date, by the clock and calendar of the device. */
export function today(): string {
  return new Intl.DateTimeFormat('sv-SE', { dateStyle: 'short' }).format(new Date());
}

export function showNumber(value: number, digits = 4): string {
  return new Intl.NumberFormat(locale(), { maximumSignificantDigits: digits }).format(value);
}

/** With so many decimals, in columns of figures. */
export function showFixed(value: number, decimals = 2): string {
  const options = {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
    signDisplay: 'negative',
  } as const;
  return new Intl.NumberFormat(locale(), options).format(value);
}

export function showQuantity({ value, unit }: Quantity, digits = 4): string {
  return `${showNumber(value, digits)} ${unit}`;
}

/** "2 h 10 min" from minutes. */
export function showDuration(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  return hours > 0 ? `${hours} h ${whole % 60} min` : `${whole} min`;
}
