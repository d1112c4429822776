/** With a capital letter, as a sentence begins. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** "1 minute", "12 minutes". */
export function counted(count: number, one: string, several: string): string {
  return `${count} ${count === 1 ? one : several}`;
}

const NUMBER_WORDS = [
  '',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];

/** "eight"; in figures where it is more than twelve. */
export function numberWord(n: number): string {
  return NUMBER_WORDS[n] ?? String(n);
}
