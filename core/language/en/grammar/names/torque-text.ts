import { wordsOf } from '../words/words';
import { torqueAt } from './figures';
import type { NameIndex } from './known-names';
import type { SaidFigure } from './said';
import { Sentence } from './sentence';

const NO_NAMES: NameIndex = new Map();

/** A torque at the beginning of a text, and what is said behind it: "27 N·m star 3 passes". */
export function torqueWithMore(text: string): { figure: SaidFigure; more: string } | undefined {
  const words = wordsOf(text);
  const said = torqueAt(new Sentence(text, words, NO_NAMES), 0);
  const next = said && words[said.end];
  return said && next ? { figure: said.figure, more: text.slice(next.from).trim() } : undefined;
}

/** A torque as people write it: "45 N·m", "25 Nm ±5%", "40-45 N·m", "531 in-lb, 44 ft-lb"; undefined where anything else is said. */
export function readTorqueText(text: string): SaidFigure | undefined {
  const words = wordsOf(text);
  const said = torqueAt(new Sentence(text, words, NO_NAMES), 0);
  return said && said.end === words.length ? said.figure : undefined;
}
