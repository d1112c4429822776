/** With a capital letter, as a sentence begins. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** "1 minute", "12 minutes". */
export function counted(count: number, one: string, several: string): string {
  return `${count} ${count === 1 ? one : several}`;
}
