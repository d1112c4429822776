import { verbAt } from '#core/language/en/grammar/words/operations';
import { NUMBERS, wordsOf } from '#core/language/en/grammar/words/words';
import { judgeLine, type SaidLine } from './corpus';

/** An order in other words that mean the same: a line that is understood is understood in each of them. */
export const TOLD: Readonly<Record<string, (order: string) => string>> = {
  chatty: (order) => `Okay, ${order}`,
  polite: (order) => `Please ${order}`,
  wanted: (order) => `Now you want to ${order}`,
  needed: (order) => `You need to ${order}`,
  eager: (order) => `Go ahead and ${order}`,
  reminded: (order) => `Don't forget to ${order}`,
  'made sure': (order) => `Make sure you ${order}`,
  'in turn': (order) => `Once that's done, ${order}`,
  announced: (order) => `Alright so now we're gonna ${order}`,
  together: (order) => `So let's ${order}`,
  explained: (order) => `What you do now is ${order}`,
  'as a step': (order) => `The next step is to ${order}`,
  'in a list': (order) => `12. ${order}`,
  'with Caps Lock on': (order) => order.toUpperCase(),
  'in a hurry': (order) => order.toLowerCase().replace(/[.!]$/, ''),
};

/** Heads of a list, and what one shall not do or has to keep, are no orders to be put in other words. */
const NO_ORDER = new RegExp(
  `^(?:(?:${NUMBERS})\\s*[:.]|\\d+[.)]|[a-z]\\)|[-•]|step|reassembly|do not|don't|never|keep|make sure)`,
  'i',
);

/** How lines that are understood fare in other words. */
export function toldOtherwise(lines: readonly SaidLine[]): { same: number; asked: number; otherwise: number } {
  const counts = { same: 0, asked: 0, otherwise: 0 };
  const understood = lines.filter(
    (said) =>
      !/[/@=~?^+*>!]/.test(said.line) &&
      !NO_ORDER.test(said.line) &&
      verbAt(
        wordsOf(said.line).map(({ low }) => low),
        0,
      ) !== undefined &&
      judgeLine(said).is === 'whole',
  );
  for (const said of understood)
    for (const tell of Object.values(TOLD)) {
      const order = said.line.replace(/^[A-Z](?=[a-z])/, (first) => first.toLowerCase());
      const { is } = judgeLine({ ...said, line: tell(order) });
      counts[is === 'whole' ? 'same' : is === 'asked' ? 'asked' : 'otherwise'] += 1;
    }
  return counts;
}
