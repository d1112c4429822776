import type { Step } from '../model/procedure';
import type { Edit } from './edit';

/** Words that a person wrote in a step, and the edit that says them otherwise. */
export interface Written {
  readonly where: 'text' | 'about' | 'detail' | 'caution' | 'photo' | 'question';
  readonly text: string;
  rewritten(text: string): Edit;
}

/** What a person wrote in a step that is read as an instruction; why it is done is a reason and told at more length. */
export function writtenIn(step: Step): Written[] {
  const written: Written[] = [];
  const add = (where: Written['where'], text: string | undefined, fields: (text: string) => Partial<Step>) => {
    if (text)
      written.push({ where, text, rewritten: (other) => ({ kind: 'change', stepId: step.id, fields: fields(other) }) });
  };
  add('text', step.text, (text) => ({ text }));
  add('about', step.about, (about) => ({ about }));
  add('detail', step.detail, (detail) => ({ detail }));
  step.cautions.forEach((caution, i) => {
    add('caution', caution.text, (text) => ({ cautions: step.cautions.with(i, { ...caution, text }) }));
  });
  const { photo, decision } = step;
  if (photo) add('photo', photo.mustShow, (mustShow) => ({ photo: { ...photo, mustShow } }));
  if (decision) add('question', decision.question, (question) => ({ decision: { ...decision, question } }));
  return written;
}

/** The sentences of a text, without what ends them. An abbreviation or a decimal point ends none. */
export function sentencesOf(text: string): string[] {
  return text
    .split(/(?<=[.!?;:])\s+(?=[\p{Lu}\d"])|\n+/u)
    .map((sentence) => sentence.trim())
    .filter((sentence) => sentence !== '');
}

export function wordsOf(sentence: string): string[] {
  return sentence.split(/\s+/).filter((word) => /[\p{L}\d]/u.test(word));
}
